import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { simulatedClip } from '@upwell/core/find';
import type { Frames } from '@upwell/core/find/shapes';
import { newClipDraft, undone, withEntries, withTap } from '@/review/clip/clipDraft';
import { FindStrokes } from '@/review/clip/FindStrokes';
import { readFrames, UnreadableVideo } from '@/review/clip/readFrames';
import { show } from './show';

jest.mock('@/review/clip/readFrames', () => ({
  ...jest.requireActual('@/review/clip/readFrames'),
  readFrames: jest.fn(),
}));
const read = jest.mocked(readFrames);
const film = (strokesPerMin: number, view: 'side' | 'front' = 'side', seconds = 8): Frames =>
  simulatedClip({ seed: 4, view, strokesPerMin, seconds, fps: 25, noise: 2, blur: 1, drift: -15 }).frames;

const look = () => {
  const [onTake, onSeek] = [jest.fn(), jest.fn()];
  show(<FindStrokes source="blob:clip" onTake={onTake} onSeek={onSeek} />);
  return { onTake, onSeek };
};

describe('finding strokes in a clip', () => {
  it('proposes entries, shows each, swaps the sides, and gives them when they are taken', async () => {
    read.mockResolvedValue(film(60));
    const { onTake, onSeek } = look();
    fireEvent.press(screen.getByText('Look for hand entries'));
    expect(await screen.findByText(/^(59|60|61)\.\d strokes a minute, give or take \d\.\d$/)).toBeTruthy();
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
    [film(0), /not like a swimmer|comes back again/],
    [film(60, 'side', 3), /too short/],
  ])('says that it cannot see them', async (frames, why) => {
    read.mockResolvedValue(frames);
    const { onTake } = look();
    fireEvent.press(screen.getByText('Look for hand entries'));
    expect(await screen.findByText(why)).toBeTruthy();
    expect(onTake).not.toHaveBeenCalled();
  });

  it('says when a video cannot be looked at, and stops when it is told to', async () => {
    read.mockRejectedValueOnce(new UnreadableVideo('This video cannot be looked at here.'));
    look();
    fireEvent.press(screen.getByText('Look for hand entries'));
    expect(await screen.findByText('This video cannot be looked at here.')).toBeTruthy();
    let ended = false;
    read.mockImplementationOnce(
      (_address, onProgress, signal) =>
        new Promise((_, reject) => {
          onProgress(0.5);
          signal.addEventListener('abort', () => {
            ended = true;
            reject(new DOMException('Stopped.', 'AbortError'));
          });
        }),
    );
    fireEvent.press(screen.getByText('Look for hand entries'));
    expect((await screen.findByLabelText('Looking for strokes')).props['aria-valuenow']).toBe(35);
    fireEvent.press(screen.getByText('Stop'));
    await waitFor(() => expect(ended).toBe(true));
    expect(screen.getByText('Look for hand entries')).toBeTruthy();
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
