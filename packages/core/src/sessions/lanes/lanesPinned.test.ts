import {
  assignLanes,
  DRILL_GAP_S,
  laneCapacity,
  laneSheets,
  LEAVING_GAP_S,
  proposeLane,
  sendOffFor,
  simulateLane,
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
