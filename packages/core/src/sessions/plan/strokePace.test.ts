import {
  checkPlan,
  effortParts,
  groupClock,
  groupTotals,
  isStrokeGuess,
  laneSheets,
  medleyProblem,
  repMetres,
  repSeconds,
  strokeShare,
  type DescendSet,
  type SwimStroke,
  type TimedSet,
} from '..';
import { blockOf, groupOf, planOf, setOf } from './testPlans';

const POOL = { length: 25, unit: 'm' } as const;
const SWIMS = { v400Mps: 1, paceTable: [] };
/** Metres in ten minutes at 80 %, a swimmer of 1 m/s over 400 m. */
const tenMinutes = (stroke: SwimStroke, change: Partial<TimedSet> = {}) => {
  const { lengths: _, ...fields } = setOf({ stroke, effort: 0.8 });
  return repMetres({ ...fields, kind: 'timed', seconds: 600, ...change } as TimedSet, SWIMS, POOL);
};

describe('pace by stroke', () => {
  it.each([
    ['front-crawl', [], 557],
    ['backstroke', [], 490],
    ['breaststroke', [], 434],
    ['butterfly', [], 446],
    ['medley', [], 479],
    ['kick', ['board'], 306],
    ['kick', ['fins'], 446],
    ['front-crawl', ['buoy'], 540],
    ['choice', [], 490],
  ] as const)('%s with %j covers %d m in ten minutes', (stroke, kit, metres) =>
    expect(tenMinutes(stroke, { kit: [...kit] })).toBeCloseTo(metres, -0.5),
  );

  it('is quicker in butterfly up to 50 m, and slower beyond', () => {
    const shareOver = (m: number) => strokeShare({ stroke: 'butterfly', kit: [] }, m);
    expect([shareOver(25), shareOver(50), shareOver(75), shareOver(100)]).toEqual([0.92, 0.92, 0.8, 0.8]);
    // In a time that lasts for more than 50 m nobody is set back.
    const short = tenMinutes('butterfly', { seconds: 50 });
    expect(tenMinutes('butterfly', { seconds: 60 })).toBeGreaterThanOrEqual(short);
  });

  it('goes by own times first, and says what is a guess', () => {
    const own = { breaststroke: 0.9 };
    const set = setOf({ stroke: 'breaststroke', lengths: 4, effort: 0.8 });
    const crawl = setOf({ lengths: 4, effort: 0.8 });
    const ratio = (shares: object) =>
      repSeconds(crawl, SWIMS, POOL) / repSeconds(set, { ...SWIMS, strokeShares: shares }, POOL);
    expect(ratio({})).toBeCloseTo(0.78, 9);
    expect(ratio(own)).toBeCloseTo(0.9, 9);
    expect([isStrokeGuess(set), isStrokeGuess(set, own), isStrokeGuess(crawl)]).toEqual([true, false, false]);
  });

  it('makes the promised finish true: 900 m of breaststroke take nearly four minutes longer than crawl', () => {
    const minutes = (stroke: SwimStroke) =>
      groupClock(groupOf([setOf({ stroke, reps: 9, lengths: 4, effort: 0.8 })], { v400Mps: 1.02 }), POOL).totalS / 60;
    const later = minutes('breaststroke') - minutes('front-crawl');
    expect(later).toBeGreaterThan(3);
    expect(later).toBeLessThan(5);
  });

  it('reaches the lanes, each swimmer with their own', () => {
    const group = groupOf([setOf({ stroke: 'backstroke', reps: 4, lengths: 4, effort: 0.8 })], { lanes: 1 });
    const person = (id: string, strokeShares?: object) => ({
      ...{ id, name: id, v400Mps: 1, paceIsGuess: false, bests: [], ...(strokeShares ? { strokeShares } : {}) },
    });
    const [sheet] = laneSheets(group, POOL, [person('a'), person('b', { backstroke: 1 })]);
    const [line] = sheet!.lines;
    const of = (id: string) => line!.swims.find((s) => s.id === id)!;
    expect(of('a').repS / of('b').repS).toBeCloseTo(1 / 0.88, 9);
    expect([of('a').method, of('b').method]).toEqual(['guess', 'effort law']);
    // The send-off is that of the slower one.
    expect(line!.sendOffS).toBeGreaterThan(of('a').repS);
  });
});

describe('medley', () => {
  it('is told when a quarter is not whole lengths', () => {
    const of = (lengths: number) => medleyProblem(setOf({ stroke: 'medley', lengths }), POOL);
    expect([of(4), of(8)]).toEqual([null, null]);
    expect(of(3)).toContain('100 fits');
    const plan = planOf([groupOf([setOf({ stroke: 'medley', lengths: 2 })])]);
    expect(checkPlan(plan).problems.some((p) => p.includes('the stroke changes in mid-pool'))).toBe(true);
  });
});

describe('a set that descends', () => {
  const set: DescendSet = { ...setOf({ reps: 3, lengths: 4 }), kind: 'descend', effort: 0.7, lastEffort: 0.9 };

  it('is faster from rep to rep, in even steps', () => {
    expect(effortParts(set).map(({ effort }) => effort)).toEqual([0.7, 0.8, 0.9]);
    // The time of the three is that of their efforts.
    const by = (effort: number) => repSeconds(setOf({ lengths: 4, effort }), SWIMS, POOL);
    expect(3 * repSeconds(set, SWIMS, POOL)).toBeCloseTo(by(0.7) + by(0.8) + by(0.9), 9);
    expect(groupTotals(groupOf([set]), POOL).metresByEffort).toEqual({ 70: 100, 80: 100, 90: 100 });
  });
});

describe('a pause', () => {
  it('takes the place of the time between two sets, and is on the clock', () => {
    const sets = [setOf({ id: 'a' }), setOf({ id: 'b' })] as const;
    const total = (items: Parameters<typeof blockOf>[0]) =>
      groupClock({ ...groupOf([]), blocks: [blockOf(items)] }, POOL).totalS;
    const pause = { kind: 'pause', id: 'p', seconds: 120, note: '' } as const;
    // 30 s lie between two sets; the pause is instead of them.
    expect(total([sets[0], pause, sets[1]]) - total([...sets])).toBeCloseTo(90, 9);
    expect(total([pause, ...sets]) - total([...sets])).toBeCloseTo(120, 9);
  });
});
