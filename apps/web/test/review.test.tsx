import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { AccessibilityInfo } from 'react-native';
import type { FocusView, ReviewView } from '@upwell/contract/review';
import type { ClipNote } from '@upwell/core/formats';
import { posedBy } from '@upwell/core/figure';
import { inferCauses } from '@upwell/core/review';
import { DeckScreen } from '@/deck/screens/DeckScreen';
import { EyeRecord } from '@/eye/parts/EyeRecord';
import { outlines } from '@/figure/Drawing';
import { layerPaint } from '@/figure/layerPaint';
import { MovingFigure } from '@/figure/MovingFigure';
import { newSecret } from '@/api/secret';
import { LinePad } from '@/review/clip/LinePad';
import NotePad from '@/review/clip/NotePad';
import { TapLine, TapPad } from '@/review/clip/TapPad';
import { TimingCard } from '@/review/clip/TimingCard';
import { MeasuredCard } from '@/review/parts/MeasuredCard';
import { RelookCard } from '@/review/parts/RelookCard';
import { LookNext, WhyStrip } from '@/review/parts/WhyStrip';
import { ReviewScreen } from '@/review/screens/ReviewScreen';
import { Timeline } from '@/swimmers/parts/Timeline';
import { DAY, NIGHT } from '@/ui/theme';
import * as files from '@/ui/saveFile';
import { FOCUS, fakeServer, ID, ME, showAt, SWIMMER } from './fakeServer';
import { show } from './show';

const press = (label: string | RegExp) => fireEvent.press(screen.getByLabelText(label));

describe('the moving figure', () => {
  const figure = <MovingFigure stroke="front-crawl" signs={['legs-low']} view="side" label="legs low" />;

  it('can be stopped and started, and turned to another view', async () => {
    show(figure);
    // Whether the system asks for less motion is answered a moment later.
    await act(async () => undefined);
    press('Pause the swimmer');
    expect(screen.getByLabelText('Start the swimmer')).toBeTruthy();
    press('From the top');
    expect(
      screen.getByLabelText('From the top').props['aria-pressed'] ??
        screen.getByLabelText('From the top').props.accessibilityState?.selected,
    ).toBeTruthy();
  });

  it('does not move by itself when the system asks for less motion', async () => {
    jest.spyOn(AccessibilityInfo, 'isReduceMotionEnabled').mockResolvedValue(true);
    show(figure);
    expect(await screen.findByLabelText('Start the swimmer')).toBeTruthy();
    // Asked for, it moves all the same.
    press('Start the swimmer');
    expect(screen.getByLabelText('Pause the swimmer')).toBeTruthy();
    jest.restoreAllMocks();
  });

  it('draws the ghost only beside a fault, and the chosen part in the colour of the mark', () => {
    const moment = {
      stroke: 'front-crawl',
      view: 'side',
      posed: posedBy([]),
      phase: 0.2,
      chosen: null,
      ghost: false,
    } as const;
    const plain = outlines(moment, 0.2);
    const marked = outlines({ ...moment, chosen: 'legs', ghost: true }, 0.2);
    expect(plain[0]).toBe('');
    expect(marked[0]).not.toBe('');
    const at = Object.keys(layerPaint(DAY)).indexOf('mark') + 1;
    expect([plain[at] === '', marked[at] === '']).toEqual([true, false]);
    // One paint for each layer, by day and by night.
    expect(Object.keys(layerPaint(NIGHT))).toHaveLength(plain.length - 1);
  });
});

describe('the why strip', () => {
  const look = { stroke: 'front-crawl', model: 'long-line', level: 'hold' } as const;

  it('says when two signs contradict each other', () => {
    const inference = inferCauses({ ...look, signs: { 'shoulders-stack': 'often', 'shoulders-flat': 'often' } });
    show(<WhyStrip inference={inference} />);
    expect(screen.getByText(/These two contradict each other/)).toBeTruthy();
  });

  it('says which rule put the focus first', () => {
    const inference = inferCauses(
      { ...look, signs: { 'elbow-leads': 'often', 'hand-slips': 'often', 'enters-past-middle': 'often' } },
      { daysToRace: 5 },
    );
    show(<WhyStrip inference={inference} />);
    expect(screen.getByText('The race is under two weeks away, so what helps most now comes first.')).toBeTruthy();
  });

  it('asks for the upstream neighbour before the focus is settled', () => {
    const inference = inferCauses({
      ...look,
      signs: { 'legs-low': 'often', 'hips-low-eyes-down': 'often', 'kicks-to-stay-flat': 'sometimes' },
    });
    show(<LookNext inference={inference} onAnswer={jest.fn()} />);
    expect(screen.getByText(/Look first, it may come from: Emptying the lungs/)).toBeTruthy();
  });
});

describe('then and now', () => {
  const before = SWIMMER.reviews[0]!;
  const card = (now: ReviewView['signs'], outcome: FocusView['outcome'] = null, chosen = jest.fn()) => (
    <RelookCard focus={FOCUS} before={before} now={now} onAnswer={jest.fn()} outcome={outcome} onOutcome={chosen} />
  );

  it('waits for a look, then proposes the outcome, and leaves the word to the coach', () => {
    const chosen = jest.fn();
    const { rerender } = show(card({}, null, chosen));
    expect(screen.getByText('Overall: look at one of these first')).toBeTruthy();
    rerender(card({ 'face-up-and-back': 'absent' }, null, chosen));
    expect(screen.getByText('then ●●, now ○○ not there')).toBeTruthy();
    press('Outcome: Worse');
    expect(chosen).toHaveBeenCalledWith('worse');
    rerender(card({ 'face-up-and-back': 'absent' }, 'worse', chosen));
    expect(screen.getByText('The signs suggest solved; you decide.')).toBeTruthy();
  });
});

describe('measures', () => {
  it('name the sign they show and the band of the model', () => {
    show(<MeasuredCard measured={{ trunkDeg: 13.2, airShare: 0.31 }} model="long-line" />);
    expect(screen.getByText('13°')).toBeTruthy();
    expect(screen.getByText(/hips and legs ride low: above 12°/)).toBeTruthy();
    expect(screen.getByText('31 %')).toBeTruthy();
    expect(screen.getByText('inside the band')).toBeTruthy();
  });

  it('show rate, balance and gaps as numbers that say what they are made of', () => {
    const timing = {
      strokes: 10,
      strokeRateSpm: 61.25,
      strokeLengthM: 0.84,
      speedMps: 0.86,
      asymmetry: -0.12,
      variability: 0.03,
      trendSpmPerMin: -0.001,
      shares: { front: 0.3, pull: 0.36, air: 0.34 },
      coordination: -0.16,
      breaths: { left: 5, right: 0 },
      problems: [{ index: 3, message: 'Two left entries in a row: one between them was missed.' }],
    };
    show(<TimingCard timing={timing} reason="" distance="8.4" onDistance={jest.fn()} />);
    for (const text of [
      '61.3',
      '0.84',
      '−12 %',
      'after right longer',
      '0.0',
      '−16 %',
      'a gap: waits in front',
      '5 · 0',
    ])
      expect(screen.getByText(text)).toBeTruthy();
    expect(screen.getByText(/one between them was missed/)).toBeTruthy();
  });
});

describe('the pads of the clip table', () => {
  it('tap with a finger, jump to a tap and remove it', () => {
    const [tapped, sought, dropped] = [jest.fn(), jest.fn(), jest.fn()];
    const taps = [{ kind: 'entry', side: 'left', timeS: 1.5 }] as const;
    show(
      <>
        <TapPad onTap={tapped} />
        <TapLine taps={taps} timeS={1.5} durationS={8} onSeek={sought} onDrop={dropped} />
      </>,
    );
    press('right hand catch');
    press('left breath');
    expect(tapped.mock.calls).toEqual([[{ kind: 'catch', side: 'right' }], [{ kind: 'breath', side: 'left' }]]);
    press('Go to left in at 1.50 seconds');
    press('Remove left in at 1.50 seconds');
    expect([sought.mock.calls[0], dropped.mock.calls[0]]).toEqual([[1.5], [0]]);
  });

  it('say what to click, and how far repeated clicks differ', () => {
    const line = (dy: number) =>
      ({
        id: String(dy),
        kind: 'roll',
        timeS: 1,
        line: [
          { x: 0, y: 0 },
          { x: 0.5, y: dy },
        ],
      }) as const;
    const cleared = jest.fn();
    show(
      <LinePad
        kind="roll"
        onKind={jest.fn()}
        lines={[line(0.5), line(0.52)]}
        aspect={1}
        half={false}
        onClear={cleared}
      />,
    );
    expect(screen.getByText('From the front: click one shoulder, then the other.')).toBeTruthy();
    expect(screen.getByText(/^46° ± 0\.8 \(2\)$/)).toBeTruthy();
    press('Remove the lines for Shoulders');
    expect(cleared).toHaveBeenCalledWith('roll');
  });

  it('take notes in from WebVTT and SubRip, whole or not at all, and never twice', async () => {
    const changed = jest.fn();
    const file = (text: string, name = 'clip.vtt') =>
      ({ name, arrayBuffer: async () => new TextEncoder().encode(text).buffer }) as unknown as File;
    const chosen = jest.spyOn(files, 'chooseFile');
    const pad = (notes: readonly ClipNote[]) => (
      <NotePad notes={notes} now={() => 2.5} name="clip" onChange={changed} onSeek={jest.fn()} />
    );
    const { rerender } = show(pad([]));
    chosen.mockResolvedValueOnce(file('no subtitles'));
    fireEvent.press(screen.getByText('Import WebVTT or SubRip'));
    expect(await screen.findByText(/^Line 1/)).toBeTruthy();
    expect(changed).not.toHaveBeenCalled();
    chosen.mockResolvedValueOnce(file('WEBVTT\n\n00:00:01.000 --> 00:00:02.000\nelbow\n'));
    fireEvent.press(screen.getByText('Import WebVTT or SubRip'));
    await waitFor(() => expect(changed).toHaveBeenCalledWith([{ startS: 1, endS: 2, text: 'elbow' }]));
    expect(screen.queryByText(/^Line 1/)).toBeNull();
    fireEvent.changeText(screen.getByLabelText('Note at this moment'), ' late breath ');
    fireEvent.press(screen.getByText('Add'));
    expect(changed).toHaveBeenLastCalledWith([{ startS: 2.5, endS: 4.5, text: 'late breath' }]);
    rerender(pad([{ startS: 1, endS: 2, text: 'elbow' }]));
    changed.mockClear();
    chosen.mockResolvedValueOnce(file('1\n00:00:01,000 --> 00:00:02,000\nelbow\n', 'again.srt'));
    fireEvent.press(screen.getByText('Import WebVTT or SubRip'));
    expect(await screen.findByText('again.srt: 0 notes added, 1 was here already.')).toBeTruthy();
    expect(changed).not.toHaveBeenCalled();
    chosen.mockRestore();
  });
});

describe('a review with measures from a clip', () => {
  it('sends what was measured and the outcome of the last focus', async () => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /outcomes': () => ({ body: [] }),
      [`GET /swimmers/${ID}`]: () => ({ body: SWIMMER }),
      'PUT /reviews/': () => ({ body: {} }),
    });
    const store = showAt(
      { 'swimmers/[id]/review': ReviewScreen, 'swimmers/[id]/index': () => <></> },
      `/swimmers/${ID}/review`,
    );
    await screen.findByText('Then and now');
    fireEvent.press(screen.getAllByLabelText('the face turns past the side up and back: sometimes')[0]!);
    await screen.findByText('then ●●, now ●○');
    fireEvent.press((await screen.findAllByLabelText('the mouth hardly finds air: often'))[0]!);
    fireEvent.changeText(await screen.findByLabelText('First, what is good?'), 'calm');
    fireEvent.press(await screen.findByText('Make it the focus: Turning too far for air'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    expect(calls.find((c) => c.method === 'PUT')!.body).toMatchObject({
      relook: { focusId: ID, outcome: 'better' },
      measured: {},
      signs: { 'face-up-and-back': 'sometimes', 'mouth-barely-clears': 'often' },
    });
    await waitFor(() => expect(store.getState().drafts).toEqual({}));
  });
});

describe('a review after a session on deck', () => {
  it('takes in what was noted there since the last look, and keeps what was seen now', async () => {
    const on = (sign: string, sighting: string, day: string) => ({ id: `${sign}${day}`, sign, sighting, on: day });
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /outcomes': () => ({ body: [] }),
      [`GET /swimmers/${ID}`]: () => ({ body: SWIMMER }),
      [`GET /swimmers/${ID}/records`]: () => ({
        body: {
          signs: [
            on('mouth-barely-clears', 'sometimes', '2099-01-02'),
            on('mouth-barely-clears', 'often', '2099-01-01'),
            on('legs-low', 'often', '2001-01-01'),
          ],
        },
      }),
    });
    const store = showAt({ 'swimmers/[id]/review': ReviewScreen }, `/swimmers/${ID}/review`);
    expect(await screen.findByText(/Noted on deck since the last look: the mouth hardly finds air\.$/)).toBeTruthy();
    fireEvent.press(screen.getByText('Add to the review'));
    await waitFor(() => expect(screen.queryByText('Add to the review')).toBeNull());
    const draft = store.getState().drafts[`review:${ID}`] as { signs: object };
    expect(draft.signs).toEqual({ 'mouth-barely-clears': 'sometimes' });
  });
});

describe('what has been', () => {
  it('stands in time with tries and outcome, the newest first, four at once', () => {
    const review = SWIMMER.reviews[0]!;
    const reviews = Array.from({ length: 6 }, (_, i): ReviewView => ({ ...review, id: `${i}`, good: `good ${i}` }));
    const ended: FocusView = {
      ...FOCUS,
      reviewId: '0',
      outcome: 'better',
      felt: 'lighter',
      triesMade: [
        { id: 'a', drill: FOCUS.drill, verdict: 'same', note: '', at: '' },
        { id: 'b', drill: FOCUS.drill, verdict: 'better', note: '', at: '' },
      ],
    };
    show(<Timeline reviews={reviews} focuses={[ended]} />);
    expect(screen.getByText('Turning too far for air: better')).toBeTruthy();
    expect(screen.getByText('Float-board side breathing, tries ▬ ▲')).toBeTruthy();
    expect(screen.getByText('Felt: “lighter”')).toBeTruthy();
    expect(screen.queryByText('Good: good 5')).toBeNull();
    fireEvent.press(screen.getByText('All 6 reviews'));
    expect(screen.getByText('Good: good 5')).toBeTruthy();
  });

  it('is on the deck as second looks that lead straight to the look', async () => {
    fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /deck/today': () => ({
        body: { date: '2026-11-25', sessions: [], relooks: [FOCUS], tests: [], ready: [], loads: [] },
      }),
    });
    showAt({ deck: DeckScreen, 'swimmers/[id]/review': () => <></> }, '/deck');
    expect(await screen.findByText('Ada Lindqvale')).toBeTruthy();
    expect(screen.getByText('Nothing planned. Build one for tonight; it takes a minute.')).toBeTruthy();
  });

  it('is compared between coaches only where both have looked', () => {
    const mine = [{ grade: 1, seed: 3, marked: [] }] as const;
    show(
      <EyeRecord
        history={{ mine, others: [{ accountId: ID, name: 'Oda', tries: [{ grade: 2, seed: 1, marked: [] }] }] }}
      />,
    );
    expect(screen.getByText('no swimmers in common yet')).toBeTruthy();
  });
});

describe('the secret of a link', () => {
  it('is long, fits an address, and is never the same', () => {
    const secrets = Array.from({ length: 50 }, newSecret);
    for (const secret of secrets) expect(secret).toMatch(/^[A-Za-z0-9_-]{43}$/);
    expect(new Set(secrets).size).toBe(50);
  });
});
