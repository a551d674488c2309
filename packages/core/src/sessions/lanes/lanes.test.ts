import fc from 'fast-check';
import {
  assignLanes,
  groupClock,
  laneCapacity,
  laneSheets,
  proposeLane,
  sendOffFor,
  simulateLane,
  type LaneRep,
} from '..';
import { groupOf, setOf } from '../plan/testPlans';

const lane: LaneRep = { poolLengthM: 25, rep: 100, gapS: 5, sendOffS: 120, reps: 3 };

/** Which swimmers are level with each other, found by walking through the rep in small steps: the slow way to the same answer. */
function bySteps(speeds: readonly number[], { rep, gapS, poolLengthM }: LaneRep): Set<string> {
  const met = new Set<string>();
  const at = (i: number, t: number) => speeds[i]! * (t - i * gapS);
  const inWater = (i: number, t: number) => at(i, t) >= 0 && at(i, t) < rep;
  const step = 0.02;
  for (let t = 0; t < 400; t += step) {
    speeds.forEach((_, i) => {
      speeds.slice(i + 1).forEach((__, offset) => {
        const j = i + 1 + offset;
        if (!inWater(i, t) || !inWater(j, t) || !inWater(i, t + step) || !inWater(j, t + step)) return;
        const lead = speeds[j]! > speeds[i]! ? 0 : 2 * poolLengthM;
        const before = at(i, t) - at(j, t) - lead;
        const after = at(i, t + step) - at(j, t + step) - lead;
        if (before * after < 0) met.add(`${i} ${j}`);
      });
    });
  }
  return met;
}

describe('a lane', () => {
  it('finds the same catches as a walk through the rep', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.6, max: 1.8, noNaN: true }), { minLength: 2, maxLength: 4 }),
        fc.integer({ min: 3, max: 15 }),
        fc.constantFrom(50, 100, 200, 400),
        (speeds, gapS, rep) => {
          const one = { ...lane, rep, gapS, sendOffS: 1000, reps: 1 };
          const swimmers = speeds.map((speedMps, i) => ({ id: String(i), speedMps }));
          const found = new Set(
            simulateLane(swimmers, one).map(({ who, caughtBy }) => [who, caughtBy].sort().join(' ')),
          );
          const walked = bySteps(speeds, one);
          // The walk can miss a meeting within a step of the wall, never invent one.
          for (const pair of walked) expect(found).toContain(pair);
          expect(found.size - walked.size).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('catches where the arithmetic says', () => {
    const swimmers = [
      { id: 'slow', speedMps: 1 },
      { id: 'fast', speedMps: 1.25 },
    ];
    const [first, ...more] = simulateLane(swimmers, { ...lane, rep: 50, poolLengthM: 50, reps: 1 });
    expect(first).toEqual({ who: 'slow', caughtBy: 'fast', rep: 1, atM: 25 });
    expect(more).toEqual([]);
  });

  it('is free of catches after what is proposed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.8, max: 1.6, noNaN: true }), { minLength: 2, maxLength: 6 }),
        (speeds) => {
          const swimmers = speeds.map((speedMps, i) => ({ id: String(i), speedMps }));
          const proposal = proposeLane(swimmers, lane);
          const order = proposal.order.map((id) => swimmers[Number(id)]!);
          if (proposal.kind === 'move' && proposal.reason.startsWith('The lane is too mixed')) return;
          expect(simulateLane(order, { ...lane, gapS: proposal.gapS })).toEqual([]);
        },
      ),
    );
  });

  it('proposes the smallest change: nothing, the order, the gap, then a move', () => {
    const of = (...speeds: number[]) => speeds.map((speedMps, i) => ({ id: String(i), speedMps }));
    expect(proposeLane(of(1.2, 1.1), lane).kind).toBe('keep');
    expect(proposeLane(of(1, 1.3), { ...lane, rep: 50 }).kind).toBe('order');
    expect(proposeLane(of(1.3, 1.25, 0.8), { ...lane, rep: 400, sendOffS: 600 })).toMatchObject({ kind: 'move' });
  });

  it('refuses what makes no sense', () => {
    expect(() => simulateLane([{ id: 'a', speedMps: 0 }], lane)).toThrow(RangeError);
    expect(() =>
      simulateLane(
        Array.from({ length: 41 }, (_, i) => ({ id: String(i), speedMps: 1 })),
        lane,
      ),
    ).toThrow('40');
  });
});

/** The least sum of squared pace differences of all ways to cut a sorted list, by trying them. */
function leastUneven(sorted: readonly number[], lanes: number, most: number): number {
  if (sorted.length === 0) return lanes === 0 ? 0 : Infinity;
  if (lanes === 0) return Infinity;
  const cuts = Array.from({ length: Math.min(most, sorted.length) }, (_, i) => i + 1);
  return Math.min(
    ...cuts.map((n) => (sorted[0]! - sorted[n - 1]!) ** 2 + leastUneven(sorted.slice(n), lanes - 1, most)),
  );
}

describe('swimmers in lanes', () => {
  it('are all there once, by pace, within the capacity, as even as the best of all cuts', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.6, max: 1.6, noNaN: true }), { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 3, max: 6 }),
        (speeds, lanes, capacity) => {
          const people = speeds.map((speedMps, i) => ({ id: i, speedMps }));
          const { lanes: cut, over } = assignLanes(people, lanes, capacity);
          expect(
            cut
              .flat()
              .map((p) => p.id)
              .sort(),
          ).toEqual(people.map((p) => p.id).sort());
          expect(cut.length).toBeLessThanOrEqual(lanes);
          if (over === 0) for (const one of cut) expect(one.length).toBeLessThanOrEqual(capacity);
          const flat = cut.flat().map((p) => p.speedMps);
          expect(flat).toEqual([...flat].sort((a, b) => b - a));
          if (over > 0) return;
          const uneven = cut.reduce((sum, one) => sum + (one[0]!.speedMps - one[one.length - 1]!.speedMps) ** 2, 0);
          expect(uneven).toBeCloseTo(leastUneven(flat, Math.min(lanes, flat.length), capacity), 9);
        },
      ),
    );
  });

  it('says how many are too many', () => {
    const people = Array.from({ length: 20 }, (_, i) => ({ speedMps: 1 + i / 100 }));
    const { lanes, over } = assignLanes(people, 2, laneCapacity(25));
    expect(over).toBe(4);
    expect(lanes.map((l) => l.length)).toEqual([10, 10]);
  });

  it('leave by the slowest plus rest, rounded up to 5 s', () => {
    expect(sendOffFor(61.2, 15)).toBe(80);
    expect(sendOffFor(60, 15)).toBe(75);
  });

  it('have a sheet with each one’s time, where it comes from, and what to do about catches', () => {
    const bests = [{ distanceM: 50, timeS: 38 }];
    const people = [
      { id: 'a', name: 'A', v400Mps: 1.2, paceIsGuess: false, bests },
      { id: 'b', name: 'B', v400Mps: 0.9, paceIsGuess: true, bests: [] },
    ];
    const sets = [setOf({ id: 'sprint', lengths: 2, effort: 1 }), setOf({ id: 'long', reps: 2, lengths: 16 })];
    const [sheet] = laneSheets({ ...groupOf(sets), lanes: 1 }, { length: 25, unit: 'm' }, people);
    const [sprint, long] = sheet!.lines;
    expect(sheet!.people.map((p) => p.id)).toEqual(['a', 'b']);
    expect(sheet!.totals.seconds).toBeCloseTo(
      groupClock({ ...groupOf(sets), v400Mps: 0.9, swimmers: 2, lanes: 1 }, { length: 25, unit: 'm' }).totalS,
      9,
    );
    expect(sprint!.swims).toEqual([
      { id: 'a', repS: 38, method: 'own 50' },
      expect.objectContaining({ id: 'b', method: 'guess' }),
    ]);
    // 400 m at 80 %: the faster laps the slower after two lengths more.
    expect(long!.catches.length).toBeGreaterThan(0);
    expect(long!.proposal!.kind).not.toBe('keep');
    expect(long!.sendOffS! % 5).toBe(0);
  });
});
