import { endS, LATE_S, lanesOut } from './late';
import { fourFifties, peopleOf, planOf, setOf } from './testRun';

// 40 × 50 at 1 m/s with 20 s rest: 40 × 50 s of swimming and 39 rests are 2,780 s for the group.
const plan = (minutes: number) => planOf([fourFifties([setOf({ reps: 40, effort: 1 / 1.0000001 })])], { minutes });
const SLOW = peopleOf([1, 1, 1, 0.8]);

describe('when lanes are out', () => {
  it('is told by the send-offs of the slowest, with what to leave out where it is too late', () => {
    // By hand: 62.5 s for 50 m at 0.8 m/s and 20 s rest are a send-off of 85 s; 39 of them, the last of four leaving
    // 15 s behind the first and swimming 62.5 s, are 3,392.5 s. 32 reps, 31 send-offs, are 2,712.5 s; 33 are 17.5 s too long.
    expect(lanesOut(plan(46), SLOW)).toEqual([
      {
        ...{ groupId: 'g', lane: 1, cuts: ['40 × 50 crawl → 32 ×'] },
        ...{ outS: expect.closeTo(3392.5, 3), lateS: expect.closeTo(612.5, 3) },
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
    // By hand: 39 send-offs of 70 s, 5 s behind, 50 s; and of 85 s, 5 s behind, 62.5 s.
    expect([quick!.lane, quick!.outS, quick!.lateS]).toEqual([1, expect.closeTo(2785, 3), 0]);
    expect([slow!.lane, slow!.outS, slow!.cuts]).toEqual([2, expect.closeTo(3382.5, 3), ['40 × 50 crawl → 32 ×']]);
  });

  it('counts from the hour, or from a plan that is longer', () => {
    expect(endS(plan(60))).toBe(3600);
    expect(endS(plan(30))).toBeCloseTo(2780, 3);
  });

  it('is of nobody without people, and a plan that is too large is refused', () => {
    expect(lanesOut(plan(46), [])).toEqual([]);
    const many = Array.from({ length: 500 }, (_, i) => setOf({ id: `s${i}`, reps: 99 }));
    expect(() => lanesOut(planOf([fourFifties(many)]), SLOW)).toThrow(RangeError);
  });
});
