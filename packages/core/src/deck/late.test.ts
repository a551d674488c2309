import { endS, LATE_S, lateLanes } from './late';
import { fourFifties, peopleOf, planOf, setOf } from './testRun';

// 40 × 50 at 1 m/s with 20 s rest: 40 × 50 s of swimming and 39 rests are 2,780 s for the group.
const plan = (minutes: number) => planOf([fourFifties([setOf({ reps: 40, effort: 1 / 1.0000001 })])], { minutes });
const SLOW = peopleOf([1, 1, 1, 0.8]);

describe('lanes that are not out in time', () => {
  it('are those whose slowest sets longer send-offs than the group has, with what to leave out', () => {
    // By hand: 62.5 s for 50 m at 0.8 m/s and 20 s rest are a send-off of 85 s; 39 of them, the last of four leaving
    // 15 s behind the first and swimming 62.5 s, are 3,392.5 s. 32 reps, 31 send-offs, are 2,712.5 s; 33 are 17.5 s too long.
    const late = lateLanes(plan(46), SLOW);
    expect(late.lanes).toEqual([{ number: 1, outS: expect.closeTo(3392.5, 3), lateS: expect.closeTo(612.5, 3) }]);
    expect(late.cuts).toEqual(['Lane 1: 40 × 50 crawl → 32 ×']);
  });

  it('are none where everybody swims as fast as the group', () => {
    // The last of four leaves 15 s behind the first: 2,795 s.
    expect(lateLanes(plan(46), peopleOf([1, 1, 1, 1]))).toEqual({ lanes: [], cuts: [] });
  });

  it('are late from a minute and a half on', () => {
    expect(LATE_S).toBe(90);
    // 56 min are 3,360 s, 32.5 s before the last one is out; 55 min are 3,300 s, 92.5 s before.
    expect(lateLanes(plan(56), SLOW).lanes).toEqual([]);
    expect(lateLanes(plan(55), SLOW).lanes).toHaveLength(1);
  });

  it('leave out nothing in lanes that are in time', () => {
    const quick = { ...fourFifties([setOf({ reps: 40, effort: 1 / 1.0000001 })]), lanes: 2 };
    const { lanes, cuts } = lateLanes(planOf([quick], { minutes: 46 }), peopleOf([1, 1, 0.8, 0.8]), 2);
    expect(lanes.map((lane) => lane.number)).toEqual([2]);
    expect(cuts.every((words) => words.startsWith('Lane 2: '))).toBe(true);
    expect(cuts).toHaveLength(1);
  });

  it('count from the hour, or from a plan that is longer', () => {
    expect(endS(plan(60))).toBe(3600);
    expect(endS(plan(30))).toBeCloseTo(2780, 3);
  });

  it('do not exist without people, and a plan that is too large is refused', () => {
    expect(lateLanes(plan(46), [])).toEqual({ lanes: [], cuts: [] });
    const many = Array.from({ length: 500 }, (_, i) => setOf({ id: `s${i}`, reps: 99 }));
    expect(() => lateLanes(planOf([fourFifties(many)]), SLOW)).toThrow(RangeError);
  });
});
