import { act, fireEvent, renderHook, screen, waitFor } from '@testing-library/react-native';
import { StyleSheet } from 'react-native';
import { AccountScreen } from '@/account/AccountScreen';
import { DeckCardScreen } from '@/deck/screens/DeckCardScreen';
import { chooseDeckLight, chooseHand } from '@/state/settings';
import { NIGHT } from '@/ui/theme';
import { router } from 'expo-router';
import type { DeckPack } from '@upwell/contract/deck';
import type { SessionPerson } from '@upwell/contract/sessions';
import type { AnySet } from '@upwell/core/sessions';
import { RunScreen } from '@/deck/screens/RunScreen';
import { useAlarm } from '@/deck/beeper/alarm';
import { beepAt, Beats } from '@/deck/beeper/sound';
import { countdownWord, shortNames } from '@/deck/words';
import { openFor } from '@/offline/db';
import { eventsOf } from '@/offline/events';
import { FOCUS, fakeServer, ID, ME, PLAN, SESSION, showAt } from './fakeServer';

const person = (n: number, level: SessionPerson['level']): SessionPerson => ({
  id: `01a20bb8-5dce-719c-8bc2-8d9b01d7e60${n}`,
  name: `${['Ada', 'Bo', 'Cleo', 'Dov'][n]} Stone`,
  level,
  age: 'adult',
  healthFlags: [],
  v400Mps: 1 + n * 0.02,
  paceIsGuess: false,
  rateSpm: null,
  bests: [],
});
const PEOPLE = [person(0, 'build'), person(1, 'hold'), person(2, 'hold'), person(3, 'race')];
const PACK: DeckPack = {
  session: { ...SESSION, plan: PLAN },
  people: PEOPLE,
  focuses: [{ ...FOCUS, swimmerId: PEOPLE[1]!.id }],
  laneCapacity: null,
};
const routes = { 'deck/[id]/run': RunScreen };

let account = 100;
beforeEach(() => openFor(`deck-${account++}`));

/** A finger on a tile, as the browser tells of it. */
function touch(label: string | RegExp, at?: number) {
  const node = screen.queryByLabelText(label) ?? screen.getByText(label).parent!;
  const nativeEvent = { timeStamp: at ?? performance.now(), clientX: 5, clientY: 5 };
  fireEvent(node, 'pointerDown', { nativeEvent });
  fireEvent(node, 'pointerUp', { nativeEvent: { ...nativeEvent, timeStamp: nativeEvent.timeStamp + 90 } });
}

function server(extra: Record<string, () => { body: unknown }> = {}) {
  return fakeServer({
    'GET /account/me': () => ({ body: ME }),
    [`GET /deck/packs/${ID}`]: () => ({ body: PACK }),
    [`GET /deck/runs/${ID}/events`]: () => ({ body: { events: [], last: 0, more: false } }),
    [`POST /deck/runs/${ID}/events`]: () => ({ body: { stored: 1 } }),
    ...extra,
  });
}

const kinds = async () => (await eventsOf(ID)).map((e) => e.kind).sort();

describe('the hand that holds the phone', () => {
  const sideOfGo = () => StyleSheet.flatten(screen.getAllByTestId('lane-head')[0]!.props.style).flexDirection;

  it('has the clock on its side: on the right until it is said otherwise, at once afterwards', async () => {
    server();
    const store = showAt(routes, `/deck/${ID}/run`);
    fireEvent.press(await screen.findByText('Begin'));
    await screen.findByLabelText('Lane 1: go');
    expect(sideOfGo()).toBe('row');
    act(() => void store.dispatch(chooseHand('left')));
    expect(sideOfGo()).toBe('row-reverse');
  });

  it('is chosen by a coach in the account, and asked of no swimmer', async () => {
    server();
    const store = showAt({ account: AccountScreen }, '/account');
    fireEvent.press(await screen.findByText('Left hand'));
    expect(store.getState().settings).toMatchObject({ hand: 'left' });
    server({ 'GET /account/me': () => ({ body: { ...ME, role: 'swimmer' } }) });
    showAt({ account: AccountScreen }, '/account');
    expect(await screen.findByText('Light')).toBeTruthy();
    expect(screen.queryByText('Left hand')).toBeNull();
  });
});

describe('the light of the deck', () => {
  const ground = () =>
    StyleSheet.flatten(screen.UNSAFE_getAllByProps({ role: 'main' }).at(-1)!.props.style).backgroundColor;

  it('is dark, becomes black on white with one tap in the sun, and stays so for the card', async () => {
    server({ [`GET /sessions/${ID}`]: () => ({ body: SESSION }) });
    const store = showAt({ ...routes, 'deck/[id]/index': DeckCardScreen }, `/deck/${ID}/run`);
    await screen.findByText('Begin');
    expect(ground()).toBe(NIGHT.colors.background);
    fireEvent.press(screen.getByLabelText('Bright, for the sun'));
    expect(ground()).toBe('#FFFFFF');
    act(() => router.navigate(`/deck/${ID}`));
    await screen.findByText('Run it');
    expect(ground()).toBe('#FFFFFF');
    act(() => void store.dispatch(chooseDeckLight('dark')));
    expect(ground()).toBe(NIGHT.colors.background);
  });
});

describe('few breaths at the pool side', () => {
  const few = {
    ...PLAN,
    groups: PLAN.groups.map((group) =>
      group.level === 'hold'
        ? {
            ...group,
            breathRecord: { lifeguard: 'Mo Bekk', rulesTold: true, minorsAgreed: false },
            blocks: [
              {
                kind: 'main' as const,
                id: 'few',
                landMinutes: 0,
                note: '',
                items: [
                  {
                    ...{ kind: 'swim', id: 'few-set', reps: 4, lengths: 1, stroke: 'front-crawl', drill: null },
                    ...{ effort: 0.8, breathing: { kind: 'limited', first: 3, last: 3 }, sighting: null },
                    ...{ strokeRateSpm: null, timing: { kind: 'rest', seconds: 60 }, kit: [], note: '' },
                  } as AnySet,
                ],
              },
            ],
          }
        : group,
    ),
  };
  const young: SessionPerson = { ...PEOPLE[2]!, age: 'under-16' };
  const pack = { ...PACK, session: { ...SESSION, plan: few }, people: [PEOPLE[0], PEOPLE[1], young, PEOPLE[3]] };
  const open = async () => {
    server({ [`GET /deck/packs/${ID}`]: () => ({ body: pack }) });
    showAt(routes, `/deck/${ID}/run`);
    return screen.findByText('Begin');
  };
  /** Who swims with few breaths, as it was kept on the device. */
  const expectMay = (ids: readonly string[]) =>
    waitFor(async () => {
      const begin = (await eventsOf(ID)).find((e) => e.kind === 'begin');
      const passages = begin?.kind === 'begin' ? begin.setup.lanes.flatMap((lane) => lane.passages) : [];
      expect(passages.find((p) => p.fewBreaths)?.fewBreaths?.may).toEqual(ids);
    });

  it('are asked about again, person by person, and swum by nobody before that', async () => {
    const begin = await open();
    expect(screen.getByText('Until this is ticked, everyone breathes freely in these sets.')).toBeTruthy();
    fireEvent.press(begin);
    await expectMay([]);
    expect(await screen.findByText('Everybody breathes freely.')).toBeTruthy();
  });

  it('are swum by those who may, and the tile of everybody else says so', async () => {
    const begin = await open();
    fireEvent.press(screen.getByLabelText(/^Mo Bekk is watching now, and everybody was told: Never alone/));
    expect(screen.getByText('Cleo Stone: under 16, or of unknown age')).toBeTruthy();
    fireEvent.press(begin);
    await expectMay([PEOPLE[1]!.id]);
    expect((await screen.findAllByText(/^breathes freely/)).length).toBe(1);
    expect(screen.getByText('Lifeguard: Mo Bekk.')).toBeTruthy();
    expect(screen.getByText(/^Breathe at about/)).toBeTruthy();
  });

  it('are not swum by somebody who was left out', async () => {
    const begin = await open();
    fireEvent.press(screen.getByLabelText(/^Mo Bekk is watching now/));
    fireEvent.press(screen.getByLabelText('Bo Stone'));
    fireEvent.press(begin);
    await expectMay([]);
  });
});

describe('the deck clock', () => {
  it('begins, goes, and dates a tap by the finger, kept on the device', async () => {
    server();
    showAt(routes, `/deck/${ID}/run`);
    fireEvent.press(await screen.findByText('Begin'));
    expect(await screen.findByLabelText('Lane 1: go')).toBeTruthy();
    const at = performance.now() - 250;
    touch('Lane 1: go', at);
    await waitFor(async () => expect(await kinds()).toEqual(['begin', 'go']));
    await waitFor(async () => {
      const events = await eventsOf(ID);
      const go = events.find((e) => e.kind === 'go')!;
      // The finger was down a quarter of a second before: its own moment counts, not that of the handler.
      expect(go.atMs).toBeLessThanOrEqual(Date.now() - 250);
    });
  });

  it('takes no scroll for a tap', async () => {
    server();
    showAt(routes, `/deck/${ID}/run`);
    fireEvent.press(await screen.findByText('Begin'));
    const node = await screen.findByLabelText('Lane 1: go');
    fireEvent(node, 'pointerDown', { nativeEvent: { timeStamp: 1, clientX: 0, clientY: 0 } });
    fireEvent(node, 'pointerUp', { nativeEvent: { timeStamp: 2, clientX: 0, clientY: 60 } });
    await waitFor(async () => expect(await kinds()).toEqual(['begin']));
  });

  it('goes on where it was left, on this device or another', async () => {
    server();
    showAt(routes, `/deck/${ID}/run`);
    fireEvent.press(await screen.findByText('Begin'));
    await waitFor(async () => expect(await kinds()).toEqual(['begin']));
    screen.unmount();
    showAt(routes, `/deck/${ID}/run`);
    expect(await screen.findByLabelText('Lane 1: go')).toBeTruthy();
    expect(screen.queryByText('Begin')).toBeNull();
  });

  it('notes a verdict with two taps and takes it back', async () => {
    server();
    showAt(routes, `/deck/${ID}/run`);
    fireEvent.press(await screen.findByText('Begin'));
    await screen.findByLabelText('Lane 1: go');
    touch('Taps: Look');
    touch('Bo');
    expect(await screen.findByText(`“${FOCUS.cue}”`)).toBeTruthy();
    touch('Better: Bo Stone');
    await waitFor(async () => expect(await kinds()).toEqual(['begin', 'verdict']));
    await screen.findByLabelText('Undo the last');
    touch('Undo the last');
    await waitFor(async () => expect(await kinds()).toEqual(['begin', 'verdict', 'void']));
  });

  it('counts heads in and out', async () => {
    server();
    showAt(routes, `/deck/${ID}/run?view=heads`);
    fireEvent.press(await screen.findByText('Begin'));
    await screen.findByText('Ada Stone');
    touch('Ada Stone');
    expect(await screen.findByText(/^in \d\d:\d\d$/)).toBeTruthy();
    fireEvent.press(screen.getByText('Everyone else in'));
    await waitFor(async () => expect((await kinds()).filter((k) => k === 'attend')).toHaveLength(4));
  });

  it('keeps what was swum with how hard it felt', async () => {
    const calls = server({ [`PUT /sessions/${ID}`]: () => ({ body: SESSION }) });
    showAt(routes, `/deck/${ID}/run?view=finish`);
    fireEvent.press(await screen.findByText('Begin'));
    const rating = (await screen.findAllByText('7'))[0]!;
    fireEvent.press(rating);
    await waitFor(async () => expect(await kinds()).toContain('rating'));
    fireEvent(screen.getByLabelText('Hold to end the session'), 'pressIn');
    expect(await screen.findByText('Save what was swum')).toBeTruthy();
    fireEvent.press(screen.getByText('Save what was swum'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const { body } = calls.find((c) => c.method === 'PUT')!;
    expect(body.done.ratings).toEqual({ [PLAN.groups[0]!.id]: 7 });
    // Nobody went: nothing was swum, and that is what is kept.
    expect(body.done.plan.groups[0].blocks.flatMap((b: { items: unknown[] }) => b.items)).toEqual([]);
  });
});

describe('words on deck', () => {
  it('tells two of the same name apart', () => {
    const names = shortNames([
      { id: '1', name: 'Bo Stone' },
      { id: '2', name: 'Bo Reed' },
      { id: '3', name: 'Ada Lind' },
    ]);
    expect([...names.values()]).toEqual(['Bo S.', 'Bo R.', 'Ada']);
  });

  it.each([
    [75.2, '1:16'],
    [9.94, '10.0'],
    [3.21, '3.3'],
    [-4, '+0:04'],
  ])('counts %d down as %s', (s, word) => expect(countdownWord(s)).toBe(word));
});

describe('the beeper on an audio clock', () => {
  /** Remembers when every tone was told to start. */
  function audio() {
    const starts: number[] = [];
    const param = {
      value: 0,
      setValueAtTime: () => {},
      linearRampToValueAtTime: () => {},
      exponentialRampToValueAtTime: () => {},
    };
    const node = { connect: (next: unknown) => next, gain: param };
    const context = {
      destination: {},
      createGain: () => node,
      createOscillator: () => ({
        frequency: { value: 0 },
        connect: () => node,
        start: (at: number) => starts.push(at),
        stop: () => {},
      }),
    } as unknown as BaseAudioContext;
    return { starts, context };
  }

  it('stands within a microsecond over ten minutes, fed by timers that come late', () => {
    const { starts, context } = audio();
    const beats = new Beats(context, { kind: 'rate', strokeRateSpm: 73 }, 1.234);
    let now = 0;
    for (let i = 0; now < 600; i++) {
      beats.feed(now + 2.5);
      now += 0.5 + (i % 7) * 0.11;
    }
    const wanted = starts.map((_, n) => 1.234 + (n * 60) / 73);
    expect(starts.length).toBeGreaterThan(725);
    expect(Math.max(...starts.map((s, n) => Math.abs(s - wanted[n]!)))).toBeLessThan(1e-6);
  });

  it('sounds at the moment it was asked for', () => {
    const { starts, context } = audio();
    beepAt(context, 3.5, true);
    expect(starts).toEqual([3.5]);
  });
});

afterEach(() => act(async () => {}));

describe('what a rate ramp and a missing swimmer are for', () => {
  it('offers the rate of somebody who was tested on the beeper', async () => {
    const tested = PEOPLE.map((p, i) => (i === 1 ? { ...p, rateSpm: 58 } : p));
    server({ [`GET /deck/packs/${ID}`]: () => ({ body: { ...PACK, people: tested } }) });
    showAt(routes, `/deck/${ID}/run`);
    fireEvent.press(await screen.findByText('Begin'));
    fireEvent.press(await screen.findByText('Beeper'));
    expect(screen.queryByText(/^Ada Stone \d/)).toBeNull();
    fireEvent.press(await screen.findByText('Bo Stone 58'));
    expect(screen.getAllByText('58').length).toBeGreaterThan(0);
  });

  it('sounds when somebody more is missing, and not again for the same', () => {
    const started: number[] = [];
    const node = () => ({
      connect: (next: unknown) => next,
      gain: param(),
      frequency: { value: 0 },
      start,
      stop: jest.fn(),
    });
    const param = () => ({
      setValueAtTime: jest.fn(),
      linearRampToValueAtTime: jest.fn(),
      exponentialRampToValueAtTime: jest.fn(),
    });
    const start = (at: number) => void started.push(at);
    class FakeAudio {
      state = 'running';
      currentTime = 0;
      destination = {};
      createOscillator = node;
      createGain = node;
      close = () => Promise.resolve();
    }
    (globalThis as { AudioContext?: unknown }).AudioContext = FakeAudio;
    const { rerender } = renderHook(({ missing }: { missing: number }) => useAlarm(missing), {
      initialProps: { missing: 0 },
    });
    expect(started).toEqual([]);
    rerender({ missing: 1 });
    expect(started).toHaveLength(6);
    rerender({ missing: 1 });
    expect(started).toHaveLength(6);
    delete (globalThis as { AudioContext?: unknown }).AudioContext;
    const warned = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    rerender({ missing: 2 });
    expect(warned).toHaveBeenCalled();
  });
});
