import {
  assignLanes,
  DRILL_GAP_S,
  laneCapacity,
  laneSheets,
  lanesOf,
  LEAVING_GAP_S,
  proposeLane,
  sendOffFor,
  simulateLane,
  type LanePerson,
  type LaneRep,
} from '..';
import { groupOf, setOf } from '../plan/testPlans';

const of = (...speeds: number[]) => speeds.map((speedMps, i) => ({ id: String(i), speedMps }));
const lane: LaneRep = { poolLengthM: 25, rep: 100, gapS: 5, sendOffS: 120, reps: 1 };

describe('the numbers of a lane, written a second time', () => {
  it('leaves 5 s apart, 10 s for a drill, and holds 8, or 12 in a pool over 40 m', () => {
    expect([LEAVING_GAP_S, DRILL_GAP_S]).toEqual([5, 10]);
    expect([25, 40, 40.1, 50].map(laneCapacity)).toEqual([8, 8, 12, 12]);
  });

  it.each([
    [60, 15, 75],
    [60.01, 15, 80],
    [59.99, 15, 75],
    [61.2, 15, 80],
  ])('a slowest of %p s with %p s rest leaves every %p s', (slowest, rest, sendOff) =>
    expect(sendOffFor(slowest, rest)).toBe(sendOff),
  );
});

describe('who is caught, by hand', () => {
  it('is nobody at equal speed, and nobody at the wall itself', () => {
    expect(simulateLane(of(1, 1), lane)).toEqual([]);
    // 25 m: the slow one is home after 25 s; the fast one leaves after 5 and needs 20.
    expect(simulateLane(of(1, 1.25), { ...lane, rep: 25 })).toEqual([]);
    // A hair faster, and it is in the water.
    expect(simulateLane(of(1, 1.26), { ...lane, rep: 25 })).toHaveLength(1);
  });

  it('is the slower one who leaves behind, once the leader has gained a whole circle', () => {
    // 0.5 m/s of gain; the one behind left 5 s later, 10 m behind at 2 m/s: 50 m of a circle need 40 more, 80 s.
    const [lapped] = simulateLane(of(2, 1.5), { ...lane, rep: 400 });
    expect(lapped).toMatchObject({ who: '1', caughtBy: '0', rep: 1 });
    // At t: 2t = 1.5(t − 5) + 50, so t = 85 s; the slower one has swum 120 m.
    expect(lapped!.atM).toBeCloseTo(120, 9);
  });

  it('counts every rep from the send-off, or from coming home late without rest', () => {
    const every = simulateLane(of(1, 1.25), { ...lane, rep: 50, poolLengthM: 50, sendOffS: 90, reps: 3 });
    expect(every.map((c) => [c.rep, c.atM])).toEqual([
      [1, 25],
      [2, 25],
      [3, 25],
    ]);
    // 100 m at 1 m/s take 100 s: with a send-off of 60 the second rep begins at 100, and the gap between the two stays.
    const late = simulateLane(of(1, 1), { ...lane, sendOffS: 60, reps: 4 });
    expect(late).toEqual([]);
  });

  it('takes at most 40 swimmers, and no number that is not over 0', () => {
    expect(simulateLane(of(...Array.from({ length: 40 }, () => 1)), lane)).toEqual([]);
    expect(() => simulateLane(of(...Array.from({ length: 41 }, () => 1)), lane)).toThrow(RangeError);
    for (const wrong of [{ rep: 0 }, { poolLengthM: 0 }, { sendOffS: 0 }, { rep: -1 }])
      expect(() => simulateLane(of(1), { ...lane, ...wrong })).toThrow('over 0');
    expect(() => simulateLane(of(1, 0), lane)).toThrow('over 0');
    expect(simulateLane([], lane)).toEqual([]);
  });
});

describe('what is proposed, by hand', () => {
  it('keeps an order that works, and says so', () =>
    expect(proposeLane(of(1.2, 1.1), lane)).toEqual({
      ...{ kind: 'keep', order: ['0', '1'], gapS: 5, move: null, reason: 'Nobody is caught.' },
    }));

  it('lets the fastest lead', () =>
    expect(proposeLane(of(1, 1.3), { ...lane, rep: 50 })).toEqual({
      ...{ kind: 'order', order: ['1', '0'], gapS: 5, move: null, reason: 'Let the fastest lead.' },
    }));

  describe('lets the others leave when the leader is past the first wall', () => {
    // The leader comes round after 50 m: at 1.5 m/s in 33.3 s. Who leaves third is not lapped from 17 s apart on; at
    // 16 s they leave after 32 s and are lapped 4 m from the start. At 5 s it is at 70 m.
    const three = of(1.5, 1.2, 1);
    const farther = { ...lane, rep: 125, sendOffS: 150 };

    it('and finds the least gap that does it', () => {
      expect(simulateLane(three, farther).map((c) => [c.who, c.caughtBy, c.atM])).toEqual([['2', '0', 70]]);
      expect(simulateLane(three, { ...farther, gapS: 16 }).map((c) => [c.who, c.atM])).toEqual([['2', 4]]);
      expect(proposeLane(three, farther)).toEqual({
        ...{ kind: 'gap', order: ['0', '1', '2'], gapS: 17, move: null },
        reason: 'Leave 17 s apart, the fastest first.',
      });
    });

    it('with the fastest in front, however they stood', () =>
      expect(proposeLane([three[2]!, three[0]!, three[1]!], farther)).toMatchObject({
        ...{ kind: 'gap', order: ['0', '1', '2'], gapS: 17 },
      }));

    it('as long as the last is away before the first leaves again: 34 s', () => {
      expect(proposeLane(three, { ...farther, sendOffS: 35 })).toMatchObject({ kind: 'gap', gapS: 17 });
      expect(proposeLane(three, { ...farther, sendOffS: 34 })).toMatchObject({ kind: 'move', move: '2', gapS: 5 });
    });

    it('and no more than 20 s', () => {
      // At 1.3 m/s 50 m take 38.5 s: 20 s apart are enough. At 1.2 m/s they take 41.7 s, and 21 would be needed.
      expect(proposeLane(of(1.3, 1.03, 0.8), { ...lane, rep: 130, sendOffS: 300 })).toMatchObject({ gapS: 20 });
      const slower = { ...lane, rep: 150, sendOffS: 300 };
      expect(simulateLane(of(1.2, 1, 0.8), { ...slower, gapS: 21 })).toEqual([]);
      expect(proposeLane(of(1.2, 1, 0.8), slower)).toMatchObject({ kind: 'move', move: '2' });
    });
  });

  it('moves the slowest where nothing else helps, and says when one is not enough', () => {
    const long = { ...lane, rep: 800, sendOffS: 1200 };
    expect(proposeLane(of(1.3, 1.29, 0.7), long)).toMatchObject({
      ...{ kind: 'move', move: '2', order: ['0', '1'], reason: 'One swimmer is better in another lane.' },
    });
    expect(proposeLane(of(1.6, 1.2, 0.9, 0.6), long)).toMatchObject({
      ...{ kind: 'move', move: '3', reason: expect.stringContaining('too mixed') },
    });
  });
});

describe('the people of a lane', () => {
  const person = (id: string, v400Mps: number, place?: LanePerson['place']): LanePerson => ({
    ...{ id, name: id, v400Mps, paceIsGuess: false, bests: [] },
    ...(place && { place }),
  });
  const POOL = { length: 25, unit: 'm' } as const;
  const two = groupOf([setOf()], { lanes: 2 });
  const [a, b, c, d] = [person('a', 1.5), person('b', 1.45), person('c', 1), person('d', 0.95)];
  const ids = (...people: LanePerson[]) => lanesOf(two, POOL, people).map((here) => here.map((p) => p.id).join(''));

  it('are put by pace, and then where the coach says, the fastest first', () => {
    expect(ids(a, b, c, d)).toEqual(['ab', 'cd']);
    expect(ids(a, b, c, { ...d, place: { group: 'g', lane: 1 } })).toEqual(['abd', 'c']);
    expect(ids({ ...a, place: { group: 'g', lane: 2 } }, b, c, d)).toEqual(['b', 'acd']);
    // What is said of another group, or of a lane that is not there, counts for nothing.
    expect(ids(a, b, c, { ...d, place: { group: 'other', lane: 1 } })).toEqual(['ab', 'cd']);
    expect(ids(a, b, c, { ...d, place: { group: 'g', lane: 3 } })).toEqual(['ab', 'cd']);
  });

  it('keep the number of their lane when another is empty', () => {
    const second = { group: 'g', lane: 2 };
    const sheets = laneSheets(two, POOL, [person('a', 1.25, second), person('b', 1, second)]);
    expect(sheets.map((sheet) => [sheet.lane, sheet.people.map((p) => p.id)])).toEqual([[2, ['a', 'b']]]);
    // The session at the pace of the slowest, 4 × 50 at 0.93 m/s.
    expect(sheets[0]!.totals.metres).toBe(200);
  });

  const table = [{ effort: 0.8, share: 1 }];
  const line = (set: ReturnType<typeof setOf>, group = {}, people = [person('a', 1.25), person('b', 1)]) =>
    laneSheets({ ...groupOf([set], { paceTable: table, ...group }), lanes: 1 }, POOL, people)[0]!.lines[0]!;

  it('leave and rest by the slowest: 50 m in 40 and 50 s', () => {
    expect(line(setOf())).toMatchObject({
      ...{ sendOffS: 70, restS: 20, gapS: 5, behindS: 5, times: 1 },
      swims: [
        { id: 'a', repS: 40, method: 'club table' },
        { id: 'b', repS: 50, method: 'club table' },
      ],
    });
    // A send-off of 75 s leaves the group 25 s at 1 m/s, and so the lane.
    expect(line(setOf({ timing: { kind: 'send-off', seconds: 75 } }))).toMatchObject({ sendOffS: 75, restS: 25 });
    expect(line(setOf({ reps: 1 }))).toMatchObject({ sendOffS: null, restS: 20 });
    const byTheClock = { ...setOf({ timing: { kind: 'rest', seconds: 60 } }), kind: 'timed', seconds: 300 } as never;
    expect(line(byTheClock)).toMatchObject({ sendOffS: 360, restS: 60, behindS: 0 });
  });

  it('say where each pace comes from', () => {
    const methods = (set: object, group = {}, change: Partial<LanePerson> = {}) =>
      line(setOf(set), group, [{ ...person('a', 1), ...change }]).swims[0]!.method;
    expect(methods({})).toBe('club table');
    expect(methods({}, { paceTable: [] })).toBe('effort law');
    expect(methods({}, {}, { paceIsGuess: true })).toBe('guess');
    expect(methods({ stroke: 'backstroke' })).toBe('guess');
    expect(methods({ stroke: 'backstroke' }, { strokeShares: { backstroke: 0.85 } })).toBe('club table');
    expect(methods({ stroke: 'backstroke' }, {}, { strokeShares: { backstroke: 0.85 } })).toBe('club table');
    expect(methods({ stroke: 'backstroke' }, { strokeShares: { backstroke: 0.85 } }, { strokeShares: {} })).toBe(
      'guess',
    );
    expect(
      methods({ stroke: 'backstroke' }, { paceTable: [], strokeShares: { backstroke: 0.85 } }, { paceIsGuess: true }),
    ).toBe('guess');
    expect(methods({ stroke: 'backstroke' }, { paceTable: [], strokeShares: { backstroke: 0.85 } })).toBe('effort law');
    expect(methods({ drill: 'side-kick', lengths: 1 })).toBe('club table');
    // Over a short all-out rep one's own best says more than any table.
    expect(methods({ effort: 1, lengths: 1 }, {}, { bests: [{ distanceM: 25, timeS: 15 }] })).toBe('own 25');
    expect(
      methods({ effort: 1, lengths: 1, stroke: 'backstroke' }, {}, { bests: [{ distanceM: 25, timeS: 15 }] }),
    ).toBe('guess');
  });
});

describe('lanes, by hand', () => {
  it('are cut where the paces part, within the capacity', () => {
    const people = of(1.0, 1.5, 1.02, 1.48, 1.04);
    const ids = (lanes: number, capacity: number) =>
      assignLanes(people, lanes, capacity).lanes.map((l) => l.map((p) => p.id).join(''));
    expect(ids(2, 8)).toEqual(['13', '420']);
    expect(ids(1, 8)).toEqual(['13420']);
    // Two in a lane are all that fit: the best of what is left.
    expect(ids(3, 2)).toEqual(['13', '4', '20']);
    expect(assignLanes(people, 2, 2)).toMatchObject({ over: 1 });
    expect(assignLanes([], 3, 8)).toEqual({ lanes: [], over: 0 });
    expect(assignLanes(of(1), 3, 8).lanes).toHaveLength(1);
  });

  it('have no send-off for a single rep, a drill’s gap, and no catches by the clock or alone', () => {
    const person = (id: string, v400Mps: number) => ({ id, name: id, v400Mps, paceIsGuess: false, bests: [] });
    const sets = [
      setOf({ id: 'one', reps: 1 }),
      setOf({ id: 'drill', drill: 'side-kick', lengths: 1 }),
      { ...setOf({ id: 'clock' }), kind: 'timed' as const, seconds: 300, lengths: undefined },
    ];
    const lines = (people: ReturnType<typeof person>[]) =>
      laneSheets({ ...groupOf(sets as never), lanes: 1 }, { length: 25, unit: 'm' }, people)[0]!.lines;
    const [one, drill, clock] = lines([person('a', 1.4), person('b', 0.7)]);
    expect([one!.sendOffS, one!.gapS]).toEqual([null, 5]);
    expect([drill!.gapS, drill!.times]).toEqual([10, 1]);
    expect([clock!.catches, clock!.proposal]).toEqual([[], null]);
    for (const line of lines([person('a', 1.4)])) expect([line.catches, line.proposal]).toEqual([[], null]);
    // The faster one waits for the slower: 4 × 50 at 0.7 · 0.928 m/s take 77 s, 20 rest.
    const [fifties] = laneSheets({ ...groupOf([setOf()]), lanes: 1 }, { length: 25, unit: 'm' }, [
      person('a', 1.4),
      person('b', 0.7),
    ])[0]!.lines;
    expect(fifties!.sendOffS).toBe(Math.ceil((50 / (0.7 * Math.cbrt(0.8)) + 20) / 5) * 5);
    expect(fifties!.proposal).toBeNull();
  });
});
