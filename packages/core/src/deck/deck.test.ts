import fc from 'fast-check';
import { buildSession, comparePlans, isSet } from '../sessions';
import { beatAt, beatsBetween, type BeepPlan } from './beeper';
import { momentOf, readDeckClock, startDeckClock, trustWall, type Reading } from './deckClock';
import { swumPlan } from './done';
import { departureMs, inOrder, runState } from './evaluate';
import { cutsToFinish, finishMs, headCount, laneNow, overdue } from './forecast';
import type { DeckEvent } from './model';
import { roundsOf } from '../sessions/plan/testPlans';
import { repRecords } from './records';
import { runSetup } from './setup';
import { fourFifties, groupOf, Notebook, peopleOf, planOf, setOf, setupFor, T0, blockOf } from './testRun';

const LANE = 'g/1';
const wall = (swimmer: string) => ({ kind: 'wall', lane: LANE, swimmer }) as const;
const never = (): never => {
  throw new Error('not here');
};
const go = (index = 0) => ({ kind: 'go', lane: LANE, index }) as const;

describe('the lanes of a run', () => {
  it('has every passage of nested rounds in its order', () => {
    const group = groupOf([
      {
        kind: 'rounds',
        id: 'r',
        rounds: 2,
        items: [setOf({ id: 'a' }), { kind: 'rounds', id: 'r2', rounds: 2, items: [setOf({ id: 'b' })] }],
      },
      setOf({ id: 'c' }),
    ]);
    const ids = setupFor(group).lanes[0]!.passages.map((p) => p.set!.id);
    expect(ids).toEqual(['a', 'b', 'b', 'a', 'b', 'b', 'c']);
    const passages = setupFor(group).lanes[0]!.passages;
    expect(new Set(passages.map((p) => p.id)).size).toBe(passages.length);
  });

  it('goes on at the send-off in the next time through, with all of the rest after few breaths', () => {
    const before = (rest: number, swimmers: number) => {
      const group = fourFifties([
        roundsOf(2, [
          setOf({ id: 'a', reps: 2, effort: 1 / 1.0000001, timing: { kind: 'rest', seconds: rest } }),
        ]) as never,
        setOf({ id: 'b' }),
      ]);
      const people = peopleOf(Array.from({ length: swimmers }, () => 1));
      return runSetup('x', planOf([group]), people, 12).lanes[0]!.passages.map((p) => p.beforeS);
    };
    // By hand: 50 s and 20 s are a send-off of 70 s; the last of four is home 15 s after the first, so 5 s are left. Nothing
    // comes before the first set, 30 s between two.
    expect(before(20, 4)).toEqual([0, 5, 30]);
    expect(before(20, 1)).toEqual([0, 20, 30]);
    expect(before(10, 4)).toEqual([0, 0, 30]);
    // 50 s and 17 s go up to 70 s.
    expect(before(17, 2)).toEqual([0, 15, 30]);
    // 25 m in 25 s with one breath a length: anyone who swims them freely rests as long, from the last one home.
    const few = setOf({ id: 'f', reps: 1, lengths: 1, breathing: { kind: 'limited', first: 1, last: 1 } });
    const rested = { ...few, effort: 1 / 1.0000001, timing: { kind: 'rest' as const, seconds: 60 } };
    const run = runSetup('x', planOf([fourFifties([roundsOf(2, [rested]) as never])]), peopleOf([1, 1, 1, 1]));
    expect(run.lanes[0]!.passages.map((p) => p.beforeS)).toEqual([0, 60]);
  });

  it('numbers the lanes through over the groups and leaves out a group nobody comes for', () => {
    const plan = planOf([
      groupOf([setOf()], { id: 'a', level: 'build', lanes: 2 }),
      groupOf([setOf()], { id: 'b', level: 'race', lanes: 1 }),
      groupOf([setOf()], { id: 'c', level: 'hold', lanes: 1 }),
    ]);
    const setup = runSetup('x', plan, [...peopleOf([1, 0.9, 0.8, 0.7], 'build'), ...peopleOf([1.2], 'hold')]);
    expect(setup.lanes.map((l) => [l.number, l.groupId])).toEqual([
      [1, 'a'],
      [2, 'a'],
      [3, 'c'],
    ]);
  });

  it('lets somebody of a level without a group swim in the first', () => {
    const setup = runSetup('x', planOf([groupOf([setOf()])]), peopleOf([1], 'race'));
    expect(setup.lanes[0]!.swimmers).toEqual(['race-0']);
  });
});

describe('taps at the wall', () => {
  // 50 m at 1 m/s takes 50 s; with 20 s of rest the lane leaves every 70 s, 5 s apart.
  const run = () => new Notebook(setupFor(fourFifties()));

  it('times each swimmer from their own departure', () => {
    const book = run();
    book.at(10, go());
    book.at(60.5, wall('hold-0'));
    book.at(66.25, wall('hold-1'));
    const { reps } = runState(book.events);
    expect(reps.map((r) => [r.swimmer, r.rep, r.timeS])).toEqual([
      ['hold-0', 1, 50.5],
      ['hold-1', 1, 51.25],
    ]);
  });

  it('leaves a gap where a tap was missed, and takes it later', () => {
    const book = run();
    book.at(0, go());
    book.at(50, wall('hold-0'));
    book.at(190, wall('hold-0'));
    expect(runState(book.events).reps.map((r) => [r.rep, r.timeS])).toEqual([
      [1, 50],
      [3, 50],
    ]);
    const [passage] = runState(book.events).lanes[0]!.passages;
    book.at(121, { ...wall('hold-0'), passage: passage!.id, rep: 2 });
    expect(runState(book.events).reps.map((r) => [r.rep, r.timeS])).toEqual([
      [1, 50],
      [2, 51],
      [3, 50],
    ]);
  });

  it('counts a double tap once and a tap too early for nothing, and says so', () => {
    const book = run();
    book.at(0, go());
    book.at(3, wall('hold-0'));
    book.at(50, wall('hold-0'));
    book.at(50.2, wall('hold-0'));
    const { reps, ignored } = runState(book.events);
    expect(reps).toHaveLength(1);
    expect(ignored.map((i) => i.why)).toEqual(['too early', 'double']);
  });

  it('knows who comes home after the next send-off from who is early', () => {
    const book = run();
    book.at(0, go());
    book.at(85, wall('hold-0'));
    expect(runState(book.events).reps).toMatchObject([{ rep: 1, timeS: 85 }]);
  });

  it('swaps two swimmers who were tapped for each other', () => {
    const book = run();
    book.at(0, go());
    const a = book.at(52, wall('hold-1'));
    const b = book.at(56, wall('hold-0'));
    book.at(60, { kind: 'swap', a, b });
    const { reps } = runState(book.events);
    expect(reps.map((r) => [r.swimmer, r.timeS])).toEqual([
      ['hold-0', 52],
      ['hold-1', 51],
    ]);
  });

  it('takes a tap back, and the swimmer can be tapped again', () => {
    const book = run();
    book.at(0, go());
    const wrong = book.at(45, wall('hold-0'));
    book.at(46, { kind: 'void', of: wrong });
    book.at(50, wall('hold-0'));
    expect(runState(book.events).reps).toMatchObject([{ timeS: 50 }]);
  });

  it('says that somebody swims in another lane, and times them once they were moved', () => {
    const plan = planOf([groupOf([setOf({ effort: 1 })], { lanes: 2, paceTable: [{ effort: 0.5, share: 1 }] })]);
    const book = new Notebook(runSetup('x', plan, peopleOf([1.2, 1.2, 0.8, 0.8])));
    book.at(0, { kind: 'go', lane: 'g/1', index: 0 });
    book.at(50, { kind: 'wall', lane: 'g/1', swimmer: 'hold-2' });
    expect(runState(book.events).ignored).toMatchObject([{ why: 'not in this lane' }]);
    book.at(51, { kind: 'move', swimmer: 'hold-2', lane: 'g/1', place: 9 });
    book.at(60, { kind: 'wall', lane: 'g/1', swimmer: 'hold-2' });
    const state = runState(book.events);
    expect(state.reps).toMatchObject([{ swimmer: 'hold-2', rep: 1 }]);
    expect(state.lanes[1]!.swimmers).toEqual(['hold-3']);
  });

  it('marks a time that two clocks made', () => {
    const book = run();
    book.at(0, go());
    book.at(50, wall('hold-0'), 'tablet');
    expect(runState(book.events).reps).toMatchObject([{ twoClocks: true }]);
  });

  it('misses none of 40 swimmers in five lanes at five taps a second', () => {
    const speeds = Array.from({ length: 40 }, (_, i) => 1.3 - i * 0.01);
    const plan = planOf([groupOf([setOf({ reps: 6 })], { lanes: 5 })]);
    const setup = runSetup('x', plan, peopleOf(speeds));
    expect(setup.lanes.map((l) => l.swimmers.length)).toEqual([8, 8, 8, 8, 8]);
    const book = new Notebook(setup);
    setup.lanes.forEach((lane) => book.at(0, { kind: 'go', lane: lane.id, index: 0 }));
    // Everybody comes home at their own pace; the fingers are as fast as five taps a second.
    const arrivals = setup.lanes.flatMap((lane) =>
      lane.swimmers.flatMap((swimmer, place) => {
        const { sendOffS, gapS, expectedS } = lane.passages[0]!;
        return [0, 1, 2, 3, 4, 5].map((rep) => ({
          lane: lane.id,
          swimmer,
          at: rep * sendOffS! + place * gapS + expectedS[swimmer]!,
        }));
      }),
    );
    let last = 0;
    let taps = 0;
    for (const { lane, swimmer, at } of arrivals.sort((a, b) => a.at - b.at)) {
      last = Math.max(at, last + 0.2);
      book.at(last, { kind: 'wall', lane, swimmer });
      taps++;
    }
    const { reps, ignored } = runState(book.events);
    expect(taps).toBe(240);
    expect(reps).toHaveLength(240);
    expect(ignored).toEqual([]);
  });

  it('is the same whatever the order in which events arrive, and with doubles', () => {
    const book = run();
    book.at(0, go());
    for (let rep = 0; rep < 4; rep++)
      for (let i = 0; i < 4; i++) book.at(50 + rep * 70 + i * 5, wall(`hold-${i}`), i % 2 ? 'tablet' : 'phone');
    book.at(300, { kind: 'void', of: book.events[5]!.id });
    book.at(301, { kind: 'sign', swimmer: 'hold-1', sign: 'legs-low', sighting: 'often' });
    const whole = runState(book.events);
    fc.assert(
      fc.property(fc.shuffledSubarray(book.events, { minLength: 0 }), fc.nat(1000), (some, seed) => {
        const shuffled = [...book.events].sort((a, b) => ((a.id.length * seed) % 7) - ((b.atMs + seed) % 5));
        expect(runState([...some, ...shuffled])).toEqual(whole);
      }),
    );
    expect(inOrder([...book.events, ...book.events])).toHaveLength(book.events.length);
  });

  it('goes once, however often the button is hit', () => {
    const book = run();
    book.at(10, go());
    book.at(10.4, go());
    expect(runState(book.events).lanes[0]!.passages[0]!.goMs).toBe(T0 + 10_000);
  });
});

describe('hold, skip, again, shorten', () => {
  const run = () => new Notebook(setupFor(fourFifties([setOf({ id: 'a' }), setOf({ id: 'b' })])));
  const passage = (events: readonly DeckEvent[], i = 0) => runState(events).lanes[0]!.passages[i]!;

  it('moves only the departures that had not happened when the lane was held', () => {
    const book = run();
    book.at(0, go());
    const sendOff = passage(book.events).sendOffS!;
    book.at(20, { kind: 'hold', lane: LANE });
    book.at(50, { kind: 'resume', lane: LANE });
    const p = passage(book.events);
    expect(departureMs(p, 'hold-0', 1)).toBe(T0);
    expect(departureMs(p, 'hold-0', 2)).toBe(T0 + (sendOff + 30) * 1000);
  });

  it('has no next send-off while it is held', () => {
    const book = run();
    book.at(0, go());
    book.at(20, { kind: 'hold', lane: LANE });
    const state = runState(book.events);
    expect(departureMs(state.lanes[0]!.passages[0]!, 'hold-0', 2)).toBeNull();
    expect(laneNow(state.lanes[0]!, state.reps, T0 + 30_000).kind).toBe('held');
  });

  it('skips what comes next and keeps what was swum of a set that was begun', () => {
    const book = run();
    book.at(0, { kind: 'skip', lane: LANE, index: 0 });
    expect(passage(book.events).skipped).toBe(true);
    book.at(1, go(1));
    book.at(90, { kind: 'skip', lane: LANE, index: 1 });
    expect(passage(book.events, 1).skipped).toBe(false);
    expect(runState(book.events).lanes[0]!.index).toBe(2);
  });

  it('swims a set again, once for each time it was asked', () => {
    const book = run();
    book.at(0, go());
    book.at(300, { kind: 'again', lane: LANE, index: 0, passage: 'a-again' });
    const ids = runState(book.events).lanes[0]!.passages.map((p) => p.id);
    expect(ids[1]).toBe('a-again');
    expect(ids).toHaveLength(3);
  });

  it('knows what to show: ready, the next send-off by name, coming in, done', () => {
    const book = run();
    const now = (s: number) => {
      const state = runState(book.events);
      return laneNow(state.lanes[0]!, state.reps, T0 + s * 1000);
    };
    expect(now(0).kind).toBe('ready');
    book.at(0, go());
    expect(now(2)).toMatchObject({ kind: 'send-off', swimmer: 'hold-1', rep: 1, nextS: 3 });
    const sendOff = passage(book.events).sendOffS!;
    expect(now(20)).toMatchObject({ kind: 'send-off', swimmer: 'hold-0', rep: 2, nextS: sendOff - 20 });
    expect(now(3 * sendOff + 16)).toMatchObject({ kind: 'coming-in' });
    book.at(3 * sendOff + 55, wall('hold-0'));
    expect(now(3 * sendOff + 60)).toMatchObject({ waiting: ['hold-1', 'hold-2', 'hold-3'] });
    book.at(400, { kind: 'skip', lane: LANE, index: 0 });
    book.at(401, { kind: 'skip', lane: LANE, index: 1 });
    expect(now(402).kind).toBe('done');
  });
});

describe('the finish', () => {
  const built = buildSession({
    kind: 'aerobic',
    theme: 'breath-too-low',
    minutes: 60,
    pool: { length: 25, unit: 'm' },
    kit: ['board', 'fins', 'buoy'],
    seed: 1,
    groups: (['build', 'hold', 'race'] as const).map((level) => ({
      level,
      name: level,
      swimmers: 6,
      lanes: 1,
      v400Mps: null,
    })),
  });
  if (built.kind === 'clash') throw new Error('no plan');
  const { plan } = built;
  const people = (['build', 'hold', 'race'] as const).flatMap((level) =>
    peopleOf(
      [1.02, 1, 0.98].map((x) => x * plan.groups.find((g) => g.level === level)!.v400Mps),
      level,
    ),
  );
  const setup = runSetup('Tonight', plan, people);

  it('foresees about the hour that was planned', () => {
    const { lanes } = runState(new Notebook(setup).events);
    for (const lane of lanes) {
      const minutes = (finishMs(lane, T0) - T0) / 60_000;
      // Lanes leave on send-offs rounded up to five seconds, and the last swimmer leaves last.
      expect(minutes).toBeGreaterThan(52);
      expect(minutes).toBeLessThan(75);
    }
  });

  it('cuts the fewest reps of the main part until everybody is out in time, never the swim-down', () => {
    const state = runState(new Notebook(setup).events);
    const end = T0 + 52 * 60_000;
    const cuts = cutsToFinish(state, T0, end);
    expect(cuts.length).toBeGreaterThan(0);
    for (const lane of state.lanes) {
      const of = Object.fromEntries(cuts.filter((c) => c.lane === lane.id).map((c) => [c.passage, c.to]));
      expect(finishMs(lane, T0, of)).toBeLessThanOrEqual(end);
      for (const [id, to] of Object.entries(of)) {
        const passage = lane.passages.find((p) => p.id === id)!;
        expect(passage.block).not.toBe('swim-down');
        // One rep more of any cut would be too late: nothing was cut for nothing.
        if (to + 1 < passage.reps) continue;
        expect(to).toBeLessThan(passage.reps);
      }
    }
    expect(cutsToFinish(state, T0, T0 + 200 * 60_000)).toEqual([]);
  });

  it('keeps reps that have begun, and is honest when nothing is left to cut', () => {
    const book = new Notebook(setupFor(fourFifties([setOf({ reps: 8 })])));
    book.at(0, go());
    const { sendOffS, id } = book.events[0]!.kind === 'begin' ? book.events[0]!.setup.lanes[0]!.passages[0]! : never();
    const now = T0 + sendOffS! * 1000 + 1000;
    expect(cutsToFinish(runState(book.events), now, T0)).toEqual([{ lane: LANE, passage: id, from: 8, to: 2 }]);
  });

  it('writes down what was swum: everything as planned is the plan', () => {
    const book = new Notebook(setup);
    let now = 0;
    for (const lane of setup.lanes) {
      now = 0;
      lane.passages.forEach((p, index) => {
        book.at(now, { kind: 'go', lane: lane.id, index });
        now += 3000;
      });
    }
    const done = swumPlan(plan, runState(book.events), T0 + 300_000_000);
    expect(done).toEqual(plan);
  });

  it('writes down a set that was cut short with the reps that were begun', () => {
    const short = planOf([fourFifties([setOf({ id: 'a' })])]);
    const book = new Notebook(runSetup('x', short, peopleOf([1, 1])));
    book.at(0, go());
    const sendOff = runState(book.events).lanes[0]!.passages[0]!.sendOffS!;
    const at = sendOff * 2 - 1;
    book.at(at, { kind: 'end' });
    const done = swumPlan(short, runState(book.events), T0 + at * 1000);
    expect(comparePlans(short, done)[0]).toMatchObject({ plannedM: 200, doneM: 100 });
  });

  it('writes rounds out when one pass was skipped', () => {
    const rounds = planOf([
      groupOf([{ kind: 'rounds', id: 'r', rounds: 3, items: [setOf({ id: 'a', reps: 1 })] }], { lanes: 1 }),
    ]);
    const book = new Notebook(runSetup('x', rounds, peopleOf([1])));
    book.at(0, go(0));
    book.at(100, { kind: 'skip', lane: LANE, index: 1 });
    book.at(200, go(2));
    const done = swumPlan(rounds, runState(book.events), T0 + 300_000);
    const { items } = done.groups[0]!.blocks[0]!;
    expect(items.every(isSet)).toBe(true);
    expect(items).toHaveLength(2);
    expect(new Set(items.map((i) => i.id)).size).toBe(2);
  });

  it('leaves land out where it was not done', () => {
    const land = planOf([{ ...groupOf([]), blocks: [blockOf([], { kind: 'land', id: 'l', landMinutes: 6 })] }]);
    const book = new Notebook(runSetup('x', land, peopleOf([1])));
    expect(swumPlan(land, runState(book.events), T0).groups[0]!.blocks[0]!.landMinutes).toBe(0);
    book.at(0, go(0));
    expect(swumPlan(land, runState(book.events), T0).groups[0]!.blocks[0]!.landMinutes).toBe(6);
  });
});

describe('heads', () => {
  it('counts in, out, not there and not counted yet', () => {
    const book = new Notebook(setupFor(fourFifties()));
    book.at(1, { kind: 'attend', swimmer: 'hold-0', as: 'in' });
    book.at(2, { kind: 'attend', swimmer: 'hold-1', as: 'absent' });
    book.at(3, { kind: 'attend', swimmer: 'hold-2', as: 'in' });
    book.at(4, { kind: 'attend', swimmer: 'hold-2', as: 'out' });
    const state = runState(book.events);
    expect(headCount(state)).toEqual({
      expected: 4,
      inWater: ['hold-0'],
      out: ['hold-2'],
      absent: ['hold-1'],
      unknown: ['hold-3'],
    });
    expect(state.present['hold-2']).toEqual({ as: 'out', inMs: T0 + 3000, outMs: T0 + 4000 });
  });

  it('lets nobody leave who is out, and misses anyone who does not come back', () => {
    const book = new Notebook(setupFor(fourFifties()));
    book.at(1, { kind: 'attend', swimmer: 'hold-1', as: 'absent' });
    book.at(2, go());
    expect(runState(book.events).lanes[0]!.passages[0]!.order).toEqual(['hold-0', 'hold-2', 'hold-3']);
    const late = T0 + (2 + 5 + 50 + 51) * 1000;
    expect(overdue(runState(book.events), late)).toEqual([]);
    book.at(52, wall('hold-0'));
    book.at(63, wall('hold-3'));
    const missed = overdue(runState(book.events), T0 + 65_000);
    expect(missed).toEqual([]);
    // Over the expected fifty seconds and as much again, in the first rep.
    const [single] = [setOf({ reps: 1 })];
    const one = new Notebook(setupFor(fourFifties([single!])));
    one.at(0, go());
    one.at(50, wall('hold-0'));
    const state = runState(one.events);
    expect(overdue(state, T0 + 104_000).map((o) => o.swimmer)).toEqual([]);
    expect(overdue(state, T0 + 120_000).map((o) => o.swimmer)).toEqual(['hold-1', 'hold-2', 'hold-3']);
    one.at(60, { kind: 'attend', swimmer: 'hold-2', as: 'out' });
    expect(overdue(runState(one.events), T0 + 120_000).map((o) => o.swimmer)).toEqual(['hold-1', 'hold-3']);
  });
});

describe('what goes into the records', () => {
  it('keeps time, strokes and what it was', () => {
    const book = new Notebook(setupFor(fourFifties()));
    book.at(0, go());
    book.at(50, wall('hold-0'));
    const [passage] = runState(book.events).lanes[0]!.passages;
    book.at(55, { kind: 'strokes', swimmer: 'hold-0', passage: passage!.id, rep: 1, count: 19 });
    book.at(56, { kind: 'strokes', swimmer: 'hold-0', passage: passage!.id, rep: 1, count: 20 });
    expect(repRecords(runState(book.events))).toMatchObject([
      { swimmer: 'hold-0', rep: 1, distanceM: 50, timeS: 50, strokes: 20, stroke: 'front-crawl', drill: null },
    ]);
  });
});

describe('the deck clock', () => {
  const at = (monoMs: number, wallMs: number, page = 'a', hidden = false): Reading => ({
    monoMs,
    wallMs: T0 + wallMs,
    page,
    hidden,
  });

  it('follows the rising clock when the device clock is set, and keeps a doubt', () => {
    const clock = readDeckClock(startDeckClock(at(0, 0)), at(60_000, 3_660_000));
    expect(clock.nowMs).toBe(T0 + 60_000);
    expect(clock.doubts).toMatchObject([{ why: 'clock set or asleep', seconds: 3600 }]);
    expect(readDeckClock(startDeckClock(at(0, 0)), at(60_000, -3_540_000)).nowMs).toBe(T0 + 60_000);
  });

  it('counts the sleep of a hidden page', () => {
    const clock = readDeckClock(startDeckClock(at(0, 0)), at(5_000, 605_000, 'a', true));
    expect(clock.nowMs).toBe(T0 + 605_000);
    expect(clock.doubts).toEqual([]);
  });

  it('goes on over a reload, and never backwards', () => {
    const before = readDeckClock(startDeckClock(at(0, 0)), at(60_000, 60_000));
    expect(readDeckClock(before, at(10, 65_000, 'b')).nowMs).toBe(T0 + 65_000);
    const set = readDeckClock(before, at(10, -1000, 'b'));
    expect(set.nowMs).toBe(T0 + 60_000);
    expect(set.doubts).toMatchObject([{ why: 'clock set back while closed' }]);
  });

  it('adds the sleep when the coach says so', () => {
    const clock = trustWall(readDeckClock(startDeckClock(at(0, 0)), at(1_000, 31_000)));
    expect(clock.nowMs).toBe(T0 + 31_000);
    expect(clock.doubts).toEqual([]);
    expect(trustWall(clock)).toBe(clock);
  });

  it('dates a tap by its own stamp, even when it is handled late', () => {
    const clock = readDeckClock(startDeckClock(at(0, 0)), at(10_000, 10_000));
    expect(momentOf(clock, 9_870.5)).toBe(T0 + 9_870.5);
  });

  it('only ever rises, whatever the device does', () => {
    const step = fc.record({
      mono: fc.integer({ min: 0, max: 100_000 }),
      wall: fc.integer({ min: -1e9, max: 1e9 }),
      reload: fc.boolean(),
      hidden: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
        let clock = startDeckClock(at(0, 0));
        let page = 0;
        steps.forEach(({ mono, wall, reload, hidden }) => {
          const before = clock.nowMs;
          if (reload) page++;
          const monoMs = reload ? mono : clock.last.monoMs + mono;
          clock = readDeckClock(clock, {
            monoMs,
            wallMs: clock.last.wallMs + wall,
            page: page === 0 ? 'a' : String(page),
            hidden,
          });
          expect(clock.nowMs).toBeGreaterThanOrEqual(before);
          // Seen and alive, nothing but the rising clock counts.
          if (!reload && !hidden) expect(clock.nowMs - before).toBe(mono);
        });
      }),
    );
  });
});

describe('the beeper', () => {
  it('does not drift: beat 10 minutes later is as exact as the first', () => {
    fc.assert(
      fc.property(fc.double({ min: 20, max: 140, noNaN: true }), (strokeRateSpm) => {
        const plan: BeepPlan = { kind: 'rate', strokeRateSpm };
        const n = Math.floor(strokeRateSpm * 10);
        expect(beatAt(plan, n)!.atS).toBeCloseTo((n * 60) / strokeRateSpm, 9);
      }),
    );
  });

  it('gives every beat once, however the time is cut into stretches', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.01, max: 3, noNaN: true }), { minLength: 1, maxLength: 60 }), (spans) => {
        const plan: BeepPlan = { kind: 'rate', strokeRateSpm: 73 };
        let next = 0;
        let to = 0;
        const heard: number[] = [];
        for (const span of spans) {
          to += span;
          const got = beatsBetween(plan, next, to);
          heard.push(...got.beats.map((b) => b.atS));
          next = got.next;
        }
        expect(heard).toEqual(Array.from({ length: Math.ceil(to / (60 / 73)) }, (_, n) => (n * 60) / 73));
      }),
    );
  });

  it('climbs a ramp on the beat and ends', () => {
    const plan: BeepPlan = { kind: 'ramp', fromSpm: 50, stepSpm: 4, steps: 3, stepS: 60 };
    const { beats } = beatsBetween(plan, 0, 1e6);
    expect(beats).toHaveLength(50 + 54 + 58);
    expect(beats.filter((b) => b.accent).map((b) => b.strokeRateSpm)).toEqual([50, 54, 58]);
    expect(beats[50]!.atS).toBeCloseTo(60, 9);
    expect(beatAt(plan, 162)).toBeNull();
    expect(beats.every((b, i) => i === 0 || b.atS > beats[i - 1]!.atS)).toBe(true);
  });

  it.each([
    { kind: 'rate', strokeRateSpm: 5 },
    { kind: 'rate', strokeRateSpm: Number.NaN },
    { kind: 'pace', everyS: 0 },
    { kind: 'ramp', fromSpm: 100, stepSpm: 20, steps: 5, stepS: 30 },
  ] as BeepPlan[])('refuses %j', (plan) => expect(() => beatAt(plan, 0)).toThrow(RangeError));

  it('marks the pace', () => expect(beatAt({ kind: 'pace', everyS: 23.4 }, 100)!.atS).toBeCloseTo(2340, 9));
});
