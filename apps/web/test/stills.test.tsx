import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ClipLine } from '@upwell/contract/clips';
import { newClipDraft, noted, undone, withLine } from '@/review/clip/clipDraft';
import { AimPad } from '@/review/clip/AimPad';
import { LinePad } from '@/review/clip/LinePad';
import { linesOfStill, makeStill, NoStill, type StillDraft } from '@/review/clip/makeStill';
import StillsPad from '@/review/clip/StillsPad';
import { ThenAndNowCard } from '@/swimmers/parts/ThenAndNowCard';
import { fakeServer, ID } from './fakeServer';
import { show } from './show';

jest.mock('@/review/clip/makeStill', () => ({
  ...jest.requireActual('@/review/clip/makeStill'),
  makeStill: jest.fn(),
}));
const make = jest.mocked(makeStill);
beforeEach(() => make.mockReset().mockResolvedValue({ width: 320, height: 180, image: 'AAAA' }));

const still = (change: Partial<StillDraft> = {}): StillDraft => ({
  ...{ id: 'one', timeS: 1.2, sentence: 'Hips low', cover: null, ...change },
});
const drawn = (kind: ClipLine['kind'], timeS: number, ...at: readonly number[]): ClipLine => {
  const [x1 = 0, y1 = 0, x2 = 1, y2 = 0] = at;
  return {
    id: `${kind} ${timeS}`,
    kind,
    timeS,
    line: [
      { x: x1, y: y1 },
      { x: x2, y: y2 },
    ],
  };
};

function pad(stills: readonly StillDraft[], clipId: string | null = null) {
  const [onChange, onSend] = [jest.fn(), jest.fn()];
  const more = { lines: [], now: () => 3.4, clipId, busy: false, onChange, onSend };
  show(<StillsPad address="blob:clip" stills={stills} {...more} />);
  return { onChange, onSend };
}

describe('stills of a clip', () => {
  it('are taken from the frame on the screen, at most three', async () => {
    const { onChange } = pad([still()]);
    fireEvent.press(screen.getByText('Take the frame on the screen'));
    expect(onChange.mock.calls[0]![0]).toMatchObject([still(), { timeS: 3.4, sentence: '', cover: null }]);
    screen.unmount();
    pad([still(), still({ id: 'two' }), still({ id: 'three' })]);
    expect(screen.queryByText('Take the frame on the screen')).toBeNull();
    await waitFor(() => expect(make).toHaveBeenCalledTimes(4));
  });

  it('leave the device only with a sentence each and the consent', async () => {
    const { onSend, onChange } = pad([still({ sentence: ' ' })]);
    const send = () => screen.getByRole('button', { name: 'Keep it, with 1 still in the hand-out' });
    fireEvent.press(send());
    expect(screen.getByText(/Say one sentence for each/)).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('What still 1 shows'), 'Hips low');
    expect(onChange).toHaveBeenCalledWith([still({ sentence: 'Hips low' })]);
    screen.unmount();
    const said = pad([still({ sentence: ' Hips low ' })]);
    fireEvent.press(send());
    fireEvent.press(screen.getByRole('checkbox', { name: /agrees that these stills leave this device/ }));
    fireEvent.press(send());
    await waitFor(() => expect(said.onSend).toHaveBeenCalledTimes(1));
    expect(said.onSend).toHaveBeenCalledWith([
      { timeS: 1.2, sentence: 'Hips low', width: 320, height: 180, image: 'AAAA' },
    ]);
    expect(onSend).not.toHaveBeenCalled();
  });

  it('say when they cannot be made', async () => {
    make.mockRejectedValue(new NoStill('This picture cannot be made small enough.'));
    const { onSend } = pad([still()]);
    fireEvent.press(screen.getByRole('checkbox'));
    fireEvent.press(screen.getByText(/^Keep it, with/));
    expect(await screen.findByText('This picture cannot be made small enough.')).toBeTruthy();
    expect(onSend).not.toHaveBeenCalled();
  });

  it('that are in the hand-out can be taken back', async () => {
    const gone = jest.fn(() => ({ status: 204, body: null }));
    const { width, height, image } = { width: 320, height: 180, image: 'AAAA' };
    fakeServer({
      [`GET /clips/${ID}/stills`]: () => ({
        body: { agreedAt: '2026-11-30T18:00:00.000Z', stills: [{ timeS: 1, sentence: 'Hips', width, height, image }] },
      }),
      [`DELETE /clips/${ID}/stills`]: gone,
    });
    pad([], ID);
    expect(await screen.findByText(/^1 still of this clip in the hand-out, agreed on Monday 30 November/)).toBeTruthy();
    fireEvent.press(screen.getByText('Take them back'));
    await waitFor(() => expect(gone).toHaveBeenCalledTimes(1));
  });

  it('have the lines of their moment only, and are undone like anything else', () => {
    const lines = [drawn('trunk', 1.2), drawn('elbow', 1.24), drawn('entry', 1.3)];
    expect(linesOfStill(lines, 1.2).map((l) => l.kind)).toEqual(['trunk', 'elbow']);
    // A draft of an older app has none.
    const { stills: _none, ...older } = { ...newClipDraft('2026-11-30'), stills: undefined };
    const draft = noted(older as ReturnType<typeof newClipDraft>, { stills: [still()] });
    expect(draft.stills).toEqual([still()]);
    expect(undone(draft).stills).toEqual([]);
    expect(
      withLine(draft, 'free', 1, [
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ]).stills,
    ).toEqual([still()]);
  });
});

describe('then and now', () => {
  const dated = (on: string, sentence: string) => ({ on, timeS: 1, sentence, width: 320, height: 180, image: 'AAAA' });
  it.each([
    ['2026-11-02', '2026-11-30', '4 weeks apart'],
    ['2026-11-29', '2026-11-30', '1 day apart'],
    ['2026-11-16', '2026-11-30', '2 weeks apart'],
  ])('stand side by side: %s and %s', async (then, now, apart) => {
    fakeServer({
      [`GET /swimmers/${ID}/stills`]: () => ({ body: { then: dated(then, 'Low hips'), now: dated(now, 'One line') } }),
    });
    show(<ThenAndNowCard swimmerId={ID} />);
    expect(await screen.findByText(apart)).toBeTruthy();
    expect(screen.getByText('Low hips')).toBeTruthy();
    expect(screen.getByLabelText(/: One line$/)).toBeTruthy();
  });

  it('one alone says how it looks', async () => {
    fakeServer({
      [`GET /swimmers/${ID}/stills`]: () => ({ body: { then: null, now: dated('2026-11-30', 'Low hips') } }),
    });
    show(<ThenAndNowCard swimmerId={ID} />);
    expect(await screen.findByText('How it looks')).toBeTruthy();
  });
});

describe('lines in pairs', () => {
  const lines = (drawnLines: readonly ClipLine[], kind: ClipLine['kind']) =>
    show(<LinePad kind={kind} onKind={jest.fn()} lines={drawnLines} aspect={1} half={false} onClear={jest.fn()} />);

  it('say what to draw too, and give their reading once it is there', () => {
    lines([drawn('shank', 1, 0.5, 0.5, 0.5, 0.9)], 'shank');
    expect(screen.getByText('Draw “Thigh” in the same moment too: both give the bend of the knee.')).toBeTruthy();
    expect(screen.getByText('drawn')).toBeTruthy();
    screen.unmount();
    lines([drawn('thigh', 1, 0.1, 0.5, 0.5, 0.5), drawn('shank', 1, 0.5, 0.5, 0.5, 0.9)], 'shank');
    expect(screen.getByText('90°, one reading')).toBeTruthy();
    expect(screen.queryByText(/in the same moment too/)).toBeNull();
  });

  it('tell a share in hundredths', () => {
    const face = [drawn('surface', 1, 0, 0.5, 1, 0.5), drawn('face', 1, 0.5, 0.2, 0.5, 0.6)];
    lines([...face, drawn('face', 1.01, 0.5, 0.3, 0.5, 0.6)], 'face');
    expect(screen.getByText('29 % ± 5.9 (2)')).toBeTruthy();
  });

  it('are set where the cross stands', () => {
    const set = jest.fn();
    show(<AimPad drawing={{ cross: null, move: jest.fn(), set }} aspect={2} half />);
    fireEvent.press(screen.getByText('Set the end'));
    expect(set).toHaveBeenCalledWith();
  });
});
