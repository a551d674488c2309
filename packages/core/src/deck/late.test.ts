import fc from 'fast-check';
import { runs } from '../../test/runs';
import { buildSession, groupClock, type Item, type TimedSet } from '../sessions';
import { roundsOf } from '../sessions/plan/testPlans';
import { endS, LATE_S, lanesOut } from './late';
import { blockOf, fourFifties, groupOf, peopleOf, planOf, setOf } from './testRun';

// 40 × 50 at 1 m/s with 20 s rest: 40 × 50 s of swimming, 39 rests and the last of four 15 s behind are 2,795 s for the group.
const plan = (minutes: number) => planOf([fourFifties([setOf({ reps: 40, effort: 1 / 1.0000001 })])], { minutes });
const SLOW = peopleOf([1, 1, 1, 0.8]);

describe('when lanes are out', () => {
  it('is told by the send-offs of the slowest, with what to leave out where it is too late', () => {
    // By hand: 62.5 s for 50 m at 0.8 m/s and 20 s rest are a send-off of 85 s; 39 of them, the last of four leaving
    // 15 s behind the first and swimming 62.5 s, are 3,392.5 s. 32 reps, 31 send-offs, are 2,712.5 s; 33 are 2.5 s too long.
    expect(lanesOut(plan(46), SLOW)).toEqual([
      {
        ...{ groupId: 'g', lane: 1, cuts: ['40 × 50 crawl → 32 ×'] },
        ...{ outS: expect.closeTo(3392.5, 3), lateS: expect.closeTo(597.5, 3), blocksS: [0] },
      },
    ]);
  });

  it('is in time where everybody swims as fast as the group', () => {
    // The last of four leaves 15 s behind the first: 2,795 s.
    const [lane] = lanesOut(plan(46), peopleOf([1, 1, 1, 1]));
    expect(lane).toMatchObject({ outS: expect.closeTo(2795, 3), lateS: 0, cuts: [] });
  });

  it('is late from a minute and a half on', () => {
    expect(LATE_S).toBe(90);
    // 56 min are 3,360 s, 32.5 s before the last one is out; 55 min are 3,300 s, 92.5 s before.
    expect(lanesOut(plan(56), SLOW)[0]!.lateS).toBe(0);
    expect(lanesOut(plan(55), SLOW)[0]!.lateS).toBeCloseTo(92.5, 3);
  });

  it('is each lane’s own', () => {
    const two = { ...fourFifties([setOf({ reps: 40, effort: 1 / 1.0000001 })]), lanes: 2 };
    const [quick, slow] = lanesOut(planOf([two], { minutes: 46 }), peopleOf([1, 1, 0.8, 0.8]), 2);
    // By hand: 39 send-offs of 70 s, 5 s behind, 50 s; and of 85 s, 5 s behind, 62.5 s. 33 reps are 2.5 s too long.
    expect([quick!.lane, quick!.outS, quick!.lateS]).toEqual([1, expect.closeTo(2785, 3), 0]);
    expect([slow!.lane, slow!.outS, slow!.cuts]).toEqual([2, expect.closeTo(3382.5, 3), ['40 × 50 crawl → 32 ×']]);
  });

  it('says when each block begins for the lane', () => {
    const group = {
      ...fourFifties(),
      blocks: [
        blockOf([], { kind: 'land', id: 'l', landMinutes: 5 }),
        blockOf([setOf({ id: 'w', reps: 2, effort: 1 / 1.0000001 })], { kind: 'warm-up', id: 'w' }),
        blockOf([setOf({ id: 'm', reps: 1, effort: 1 / 1.0000001 })]),
      ],
    };
    const [lane] = lanesOut(planOf([group]), SLOW);
    // By hand: 300 s on land; one send-off of 85 s, 15 s behind and 62.5 s are 162.5 s; 30 s, 15 s and 62.5 s.
    expect(lane!.blocksS).toEqual([0, 300, expect.closeTo(462.5, 3)]);
    expect(lane!.outS).toBeCloseTo(570, 3);
  });

  it('counts from the hour, or from a plan that is longer', () => {
    expect(endS(plan(60))).toBe(3600);
    expect(endS(plan(30))).toBeCloseTo(2795, 3);
  });

  it('is of nobody without people, and a plan that is too large is refused', () => {
    expect(lanesOut(plan(46), [])).toEqual([]);
    const many = Array.from({ length: 500 }, (_, i) => setOf({ id: `s${i}`, reps: 99 }));
    expect(() => lanesOut(planOf([fourFifties(many)]), SLOW)).toThrow(RangeError);
  });
});

describe('the clock of a plan and of the deck', () => {
  // 50 m at 1 m/s and rests of whole five seconds: every send-off is the plan's own.
  const swim = fc
    .record({
      reps: fc.integer({ min: 1, max: 4 }),
      rest: fc.constantFrom(5, 10, 20, 60),
      on: fc.constantFrom('rest' as const, 'send-off' as const),
    })
    .map(({ reps, rest, on }): Item => {
      const timing = on === 'rest' ? { kind: on, seconds: rest } : { kind: on, seconds: 50 + rest };
      return setOf({ id: `s${reps}-${rest}-${on}`, reps, effort: 1 / 1.0000001, timing });
    });
  const timed = fc.constantFrom(30, 45).map((seconds): TimedSet => {
    const { lengths: _, ...fields } = setOf({ id: `t${seconds}` });
    return { ...fields, kind: 'timed', seconds };
  });
  const pause = fc
    .constantFrom(60, 90)
    .map((seconds): Item => ({ kind: 'pause', id: `p${seconds}`, seconds, note: '' }));
  // A pause comes between two sets: after the last there is nothing to rest for.
  const some = (set: fc.Arbitrary<Item>) =>
    fc.tuple(fc.array(fc.oneof(set, pause), { maxLength: 3 }), set).map(([items, last]) => [...items, last]);
  const once = some(fc.oneof(swim, timed));
  const rounds = fc.tuple(fc.integer({ min: 1, max: 3 }), once).map(([n, items]): Item => roundsOf(n, items));
  const items = some(fc.oneof(swim, timed, rounds));
  /** The same with other ids: a set has its own in a whole plan. */
  const named = (list: readonly Item[], prefix: string): readonly Item[] =>
    list.map((item) => ({
      ...item,
      id: `${prefix}-${item.id}`,
      ...(item.kind === 'rounds' ? { items: named(item.items, prefix) } : {}),
    }));
  const nested = some(
    fc.oneof(
      fc.tuple(fc.integer({ min: 1, max: 3 }), items).map(([n, of]) => roundsOf(n, of)),
      swim,
    ),
  );

  it('agree to the second, whatever is planned', () => {
    fc.assert(
      fc.property(nested, nested, fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 8 }), (a, b, n, land) => {
        const group = groupOf([], {
          ...{ swimmers: n, lanes: 1, paceTable: [{ effort: 0.5, share: 1 }] },
          blocks: [
            blockOf([], { kind: 'land', id: 'l', landMinutes: land }),
            blockOf(a),
            blockOf(named(b, 'c'), { id: 'c', kind: 'speed' }),
          ],
        });
        const plan = planOf([group]);
        const people = peopleOf(Array.from({ length: n }, () => 1));
        const [lane] = lanesOut(plan, people, n);
        const clock = groupClock(group, plan.pool);
        expect(lane!.outS).toBeCloseTo(clock.totalS, 3);
        // What the plan calls waiting is what one alone in the lane would not need.
        const alone = groupClock({ ...group, swimmers: 1 }, plan.pool);
        expect(clock.waitS).toBeCloseTo(clock.totalS - alone.totalS, 6);
        expect(clock.swimS).toBe(alone.swimS);
        expect(lane!.blocksS).toEqual(clock.blocks.map(({ startS }) => expect.closeTo(startS, 3)));
      }),
      { numRuns: runs(100, 1000) },
    );
  });

  it('leave nobody late in a session that is built, where all swim as fast as their group', () => {
    const levels = ['build', 'hold', 'race'] as const;
    fc.assert(
      fc.property(
        ...[fc.constantFrom(...levels), fc.integer({ min: 1, max: 8 }), fc.integer({ min: 1, max: 2 })],
        ...[fc.integer({ min: 0, max: 500 }), fc.constantFrom(45, 60, 75)],
        (level, perLane, lanes, seed, minutes) => {
          const swimmers = perLane * lanes;
          const built = buildSession({
            ...{ kind: 'aerobic', theme: 'breath-too-low', minutes, pool: { length: 25, unit: 'm' }, seed },
            ...{ kit: ['fins', 'board', 'buoy'], groups: [{ level, swimmers, lanes, v400Mps: null }] },
          });
          if (built.kind === 'clash') return;
          const [group] = built.plan.groups;
          const people = peopleOf(
            Array.from({ length: swimmers }, () => group!.v400Mps),
            level,
          );
          const out = lanesOut(built.plan, people, perLane);
          expect(out.map((lane) => lane.lateS)).toEqual(out.map(() => 0));
          // The fullest lane uses the time that there is.
          if (built.earlierMin === 0) expect(Math.max(...out.map((l) => l.outS))).toBeGreaterThan(minutes * 60 - 60);
        },
      ),
      { numRuns: runs(6, 40) },
    );
  });
});
