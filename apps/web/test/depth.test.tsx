import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { eyeClip } from '@upwell/core/eye';
import { handout } from '@upwell/core/handout';
import { SIGNS } from '@upwell/core/review';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { EyeScreen } from '@/eye/screens/EyeScreen';
import { HandoutScreen } from '@/handout/screens/HandoutScreen';
import { SharedHandoutScreen } from '@/handout/screens/SharedHandoutScreen';
import { LibraryScreen } from '@/library/screens/LibraryScreen';
import {
  clipFieldsOf,
  newClipDraft,
  readingsOf,
  timingOf,
  undone as undoneNote,
  withLine,
  withoutTap,
  withTap,
} from '@/review/clip/clipDraft';
import { newReviewDraft, undone, withMeasured } from '@/review/draft';
import { ClipScreen } from '@/review/screens/ClipScreen';
import { FocusScreen } from '@/review/screens/FocusScreen';
import { FOCUS, fakeServer, ID, ME, showAt, SWIMMER } from './fakeServer';

const me = () => ({ body: ME });
const swimmer =
  (change: Partial<SwimmerPage> = {}) =>
  () => ({ body: { ...SWIMMER, ...change } });

describe('the try-again loop', () => {
  const path = `/swimmers/${ID}/focus`;
  const routes = { 'swimmers/[id]/focus': FocusScreen };

  it('shows both versions when somebody else wrote the swimmer’s words', async () => {
    const calls = fakeServer({
      'GET /account/me': me,
      'GET /outcomes': () => ({ body: [] }),
      [`GET /swimmers/${ID}`]: swimmer(),
      [`PUT /focuses/${ID}`]: ({ body }) =>
        body.version === 1
          ? { status: 409, body: { detail: 'Changed elsewhere.', current: { ...FOCUS, version: 2, felt: 'heavier' } } }
          : { body: FOCUS },
    });
    showAt(routes, path);
    fireEvent.changeText(await screen.findByLabelText('What felt different'), 'lighter');
    fireEvent.press(screen.getByText('Keep the words'));
    await screen.findByText(
      'Somebody saved other words (“heavier”) in the meantime. Which version do you want to keep?',
    );
    fireEvent.press(screen.getByText('Keep mine'));
    await waitFor(() => expect(calls.at(-1)!.body ?? calls.at(-2)!.body).toBeTruthy());
    expect(calls.filter((c) => c.method === 'PUT').at(-1)!.body).toMatchObject({ felt: 'lighter', version: 2 });
  });
});

describe('the eye', () => {
  it('is scored against what the simulated swimmer shows, and remembered', async () => {
    const calls = fakeServer({
      'GET /eye/tries': () => ({ body: { mine: [{ grade: 1, seed: 3, marked: [] }], others: [] } }),
      'PUT /eye/tries/': () => ({ body: { mine: [], others: [] } }),
    });
    showAt({ 'library/eye': EyeScreen }, '/library/eye');
    expect(await screen.findByText('Plain, swimmer 4')).toBeTruthy();
    const clip = eyeClip(1, 4);
    fireEvent.press(screen.getByLabelText(SIGNS[clip.truth[0]!].seen));
    fireEvent.press(screen.getByText('I see 1 of these'));
    expect(await screen.findByText('1 found, 0 missed, 0 false alarms')).toBeTruthy();
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect(calls.find((c) => c.method === 'PUT')!.body).toEqual({ grade: 1, seed: 4, marked: [clip.truth[0]] });
    fireEvent.press(screen.getByText('Next swimmer'));
    expect(await screen.findByText('Plain, swimmer 5')).toBeTruthy();
  });
});

describe('the hand-out', () => {
  const page = handout({
    givenName: 'Ada',
    stroke: 'front-crawl',
    signs: { 'legs-low': 'often' },
    good: 'calm face',
    cause: 'no-chest-press',
    drill: 'chest-lean',
    cue: 'Let your breastbone carry your legs.',
    tries: 4,
    relookOn: '2027-01-10',
  });

  it('is shared by a link that can be taken back', async () => {
    let revoked = false;
    const calls = fakeServer({
      'GET /account/me': me,
      [`GET /swimmers/${ID}`]: swimmer(),
      [`GET /focuses/${ID}/handout`]: () => ({ body: page }),
      'GET /handout-links': () => ({ body: [{ id: ID, focusId: ID, createdAt: '2026-11-25T08:00:00Z', revoked }] }),
      'PUT /handout-links/': () => ({ body: {} }),
      [`POST /handout-links/${ID}/revoke`]: () => {
        revoked = true;
        return { body: {} };
      },
    });
    showAt({ 'swimmers/[id]/handout': HandoutScreen }, `/swimmers/${ID}/handout`);
    expect(await screen.findByText('“Let your breastbone carry your legs.”')).toBeTruthy();
    fireEvent.press(await screen.findByText('Revoke'));
    expect(await screen.findByText(/, revoked$/)).toBeTruthy();
    expect(calls.some((c) => c.path.endsWith('/revoke'))).toBe(true);
  });

  it('says so when the link was taken back', async () => {
    fakeServer({ 'GET /handouts/': () => ({ status: 404, body: { detail: 'This page is no longer shared.' } }) });
    showAt({ 'h/[token]': SharedHandoutScreen }, `/h/${'x'.repeat(43)}`);
    expect(await screen.findByText('This page is no longer shared.')).toBeTruthy();
  });
});

describe('the library', () => {
  it('holds ladders with pass marks and the models with what a switch changes', async () => {
    showAt({ 'library/index': LibraryScreen }, '/library?show=ladders');
    fireEvent.press(await screen.findByText('Tumble turn'));
    expect(screen.getByText('Pass: Straight over, five of six.')).toBeTruthy();
    fireEvent.press(screen.getByText('Models'));
    expect(await screen.findByText('Timing in front')).toBeTruthy();
    expect(screen.getByText('• Catch-up at shoulder width now goes against the model.')).toBeTruthy();
  });
});

describe('a clip', () => {
  it('of a child without consent stays shut, with the reason', async () => {
    fakeServer({ 'GET /account/me': me, [`GET /swimmers/${ID}`]: swimmer({ child: true, clipConsent: false }) });
    showAt({ 'swimmers/[id]/clip': ClipScreen }, `/swimmers/${ID}/clip`);
    expect(await screen.findByText(/the guardian has not agreed to clips/)).toBeTruthy();
    expect(screen.queryByText('Choose a video on this device')).toBeNull();
  });

  const tapped = [0.2, 1.2, 2.2, 3.2].reduce(
    (draft, timeS, i) => withTap(draft, { kind: 'entry', side: i % 2 ? 'right' : 'left', timeS }),
    newClipDraft('2026-11-24'),
  );

  it('keeps taps in the order of time, whatever the order of tapping, and takes them back', () => {
    const late = withTap(tapped, { kind: 'breath', side: 'left', timeS: 0.5 });
    expect(late.taps.map((t) => t.timeS)).toEqual([0.2, 0.5, 1.2, 2.2, 3.2]);
    expect(undoneNote(late).taps).toEqual(tapped.taps);
    expect(withoutTap(late, 1).taps).toEqual(tapped.taps);
    expect(undoneNote(newClipDraft('2026-11-24')).past).toEqual([]);
  });

  it('says what is missing before there is a number', () => {
    expect(timingOf(newClipDraft('2026-11-24'))).toEqual({ timing: null, reason: 'Tap at least three hand entries.' });
    expect(timingOf({ ...tapped, distance: '2,7' }).timing).toMatchObject({
      strokes: 3,
      strokeLengthM: expect.closeTo(0.9),
    });
    expect(timingOf({ ...tapped, distance: 'far' }).timing!.strokeLengthM).toBeNull();
  });

  it('measures repeated lines with their error, in the shape of the frame', () => {
    const drawn = withLine(
      withLine(tapped, 'trunk', 1, [
        { x: 0, y: 0 },
        { x: 0.5, y: 0.2 },
      ]),
      'trunk',
      1,
      [
        { x: 0, y: 0 },
        { x: 0.5, y: 0.24 },
      ],
    );
    expect(readingsOf(drawn.lines, 2)).toEqual([
      { kind: 'trunk', mean: expect.closeTo(12.4, 1), error: expect.closeTo(1.55, 1), readings: 2 },
    ]);
    expect(clipFieldsOf(drawn, ID, 8, 2)).toMatchObject({ durationS: 8, distanceM: null, lines: drawn.lines });
  });

  it('hands its measures in the review, where undo takes their signs back', () => {
    const review = withMeasured(newReviewDraft(), { strokeRateSpm: 80, trunkDeg: 5 }, 'long-line');
    expect(review.signs).toEqual({ 'rate-high': 'often', 'rate-low': 'absent', 'legs-low': 'absent' });
    expect(undone(review).signs).toEqual({});
  });
});
