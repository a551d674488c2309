import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { findStrokes, simulatedClip } from '@upwell/core/find';
import { newClipDraft, undone, withEntries, withTap } from '@/review/clip/clipDraft';
import { FindStrokes } from '@/review/clip/FindStrokes';
import { filmWork } from '@/worker';
import { show } from './show';

const [find, stop] = [jest.fn(), jest.fn()];
beforeEach(() => {
  find.mockReset();
  stop.mockReset();
  jest.mocked(filmWork).mockReturnValue({ find, stop } as unknown as ReturnType<typeof filmWork>);
});

const film = new Blob(['pictures']);
/** What the worker answers for a simulated swimmer. */
const answers = (strokesPerMin: number, seconds = 8) =>
  find.mockImplementation(async (_film: Blob, view: 'side' | 'front') => {
    const clip = { seed: 4, view, strokesPerMin, seconds, fps: 25, noise: 2, blur: 1, drift: -15 };
    return findStrokes(simulatedClip(clip).frames, view);
  });

const look = (more: { readonly view?: 'front' | 'above'; readonly durationS?: number } = {}) => {
  const [onTake, onSeek] = [jest.fn(), jest.fn()];
  const { durationS = 8, ...of } = more;
  show(
    <FindStrokes
      source={{ address: 'blob:clip', name: 'Clip', film: async () => film, ...of }}
      durationS={durationS}
      now={() => 75}
      onTake={onTake}
      onSeek={onSeek}
    />,
  );
  return { onTake, onSeek };
};

describe('finding strokes in a clip', () => {
  it('proposes entries, shows each, swaps the sides, and gives them when they are taken', async () => {
    answers(60);
    const { onTake, onSeek } = look();
    fireEvent.press(screen.getByText('Look for hand entries'));
    expect(await screen.findByText(/^(59|60|61)\.\d strokes a minute, give or take \d\.\d$/)).toBeTruthy();
    expect(find.mock.calls[0]!.slice(0, 3)).toEqual([film, 'side', 0]);
    expect(screen.getByText(/which hand is which is a guess/)).toBeTruthy();
    const [first] = screen.getAllByText(/^(left|right) \d\.\d\d s$/);
    const said = String(first!.props.children);
    fireEvent.press(first!);
    expect(onSeek).toHaveBeenCalledWith(expect.closeTo(Number(/[\d.]+/.exec(said)![0]), 1));
    expect(onTake).not.toHaveBeenCalled();
    fireEvent.press(screen.getByText('Swap left and right'));
    expect(String(screen.getAllByText(/^(left|right) \d\.\d\d s$/)[0]!.props.children)).not.toBe(said);
    fireEvent.press(screen.getByText(/^Take \d entries as taps$/));
    expect(onTake.mock.calls[0]![0].length).toBeGreaterThanOrEqual(7);
    expect(screen.queryByText(/strokes a minute/)).toBeNull();
  });

  it.each([
    [0, 8, /not like a swimmer|comes back again/],
    [60, 3, /too short/],
  ])('says that it cannot see them: %s a minute, %s s', async (strokesPerMin, seconds, why) => {
    answers(strokesPerMin, seconds);
    const { onTake } = look();
    fireEvent.press(screen.getByText('Look for hand entries'));
    expect(await screen.findByText(why)).toBeTruthy();
    expect(onTake).not.toHaveBeenCalled();
  });

  it('says when a video cannot be read, and can be asked again', async () => {
    find.mockResolvedValueOnce({ found: false, why: 'unreadable' });
    look();
    fireEvent.press(screen.getByText('Look for hand entries'));
    expect(await screen.findByText(/pictures of this video cannot be read here/)).toBeTruthy();
    expect(screen.getByText('Look again')).toBeTruthy();
  });

  it('begins with the view of the film, and a long one where it stands', async () => {
    answers(60);
    look({ view: 'front', durationS: 600 });
    expect(screen.getByText('The 60 s from the moment on the screen are looked at.')).toBeTruthy();
    fireEvent.press(screen.getByText('Look for hand entries'));
    await waitFor(() => expect(find).toHaveBeenCalled());
    expect(find.mock.calls[0]!.slice(1, 3)).toEqual(['front', 75]);
    await screen.findByText(/Look again/);
  });

  it('shows how far it is, and stops when it is told to: a late answer changes nothing', async () => {
    let answer: (found: unknown) => void = () => {};
    find.mockImplementationOnce((_film, _view, _from, report: (share: number) => void) => {
      report(0.35);
      return new Promise((resolve) => (answer = resolve));
    });
    look();
    fireEvent.press(screen.getByText('Look for hand entries'));
    await waitFor(() => expect(screen.getByLabelText('Looking for strokes').props['aria-valuenow']).toBe(35));
    fireEvent.press(screen.getByText('Stop'));
    expect(stop).toHaveBeenCalledTimes(1);
    answer({ found: false, why: 'no-rhythm' });
    await Promise.resolve();
    expect(screen.getByText('Look for hand entries')).toBeTruthy();
    expect(screen.queryByText(/Cannot see/)).toBeNull();
  });

  it('replaces entries only, in one step that is undone', () => {
    const before = withTap(withTap(newClipDraft('2026-11-29'), { kind: 'catch', side: 'left', timeS: 1.5 }), {
      ...{ kind: 'entry', side: 'left', timeS: 9 },
    });
    const after = withEntries(before, [
      { side: 'right', timeS: 2.00049 },
      { side: 'left', timeS: 1 },
    ]);
    expect(after.taps).toEqual([
      { kind: 'entry', side: 'left', timeS: 1 },
      { kind: 'catch', side: 'left', timeS: 1.5 },
      { kind: 'entry', side: 'right', timeS: 2 },
    ]);
    expect(undone(after).taps).toEqual(before.taps);
  });
});
