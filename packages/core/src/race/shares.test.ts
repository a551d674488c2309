import { levelLoad, sessionLoadLimit, WEEK_SHARE, WEEKLY_RISE } from '../sessions';
import { LEVEL, LEVELS, NOTHING_NEW_DAYS, RACE_NEAR_DAYS } from '../swimmers';
import { blockPlan, loadStep, TAPER_WEEKS, weekEffort, weekLimit, type PastWeek, type PlanQuestion } from '.';

const MONDAY = '2027-01-04';
const day = (weeks: number) =>
  new Date(Date.parse(`${MONDAY}T00:00:00Z`) + weeks * 7 * 86_400_000).toISOString().slice(0, 10);

describe('shares and limits of the weeks, written a second time', () => {
  it('are these', () => {
    expect(WEEK_SHARE).toEqual({ normal: 1, recovery: 0.7, taper: 0.5 });
    expect([WEEKLY_RISE, NOTHING_NEW_DAYS, RACE_NEAR_DAYS]).toEqual([0.1, 10, 14]);
  });

  /** Metres of an hour, usual pace and stroke of each level. */
  it.each([
    ['settle', [100, 600], 0.55, 0.6],
    ['build', [1200, 2000], 0.83, 0.75],
    ['hold', [1800, 2600], 1.02, 0.9],
    ['race', [2400, 3600], 1.25, 1.05],
  ] as const)('%s', (level, metres, speed, stroke) => {
    expect(LEVEL[level].metresPerHour).toEqual(metres);
    expect([LEVEL[level].defaultV400Mps, LEVEL[level].defaultStrokeLengthM]).toEqual([speed, stroke]);
    // The middle of its metres, at 1.25: mostly easy and steady.
    expect(levelLoad(level, 60)).toBeCloseTo(((metres[0] + metres[1]) / 2) * 1.25, 10);
    expect(LEVELS).toContain(level);
  });

  const limit = (loads: readonly number[], usual: number, rise?: number) =>
    weekLimit(
      loads.map((load) => ({ load })),
      usual,
      rise,
    );

  it('a week rises by a tenth over the mean of four', () => {
    expect(limit([1000, 1000, 1000, 1000], 1000)).toBeCloseTo(1100, 10);
    expect(limit([800, 1000, 1200, 1000], 1000)).toBeCloseTo(1100, 10);
    expect(limit([9, 1000, 1000, 1000, 1000], 1000, 0.05)).toBeCloseTo(1050, 10);
    // The level's usual week stands for weeks that are missing.
    expect(limit([600, 600], 1000)).toBeCloseTo(880, 10);
  });

  it('never over 1.6 of the usual week, never under a quarter of it, but on the way back', () => {
    expect(limit([5000, 5000, 5000, 5000], 1000)).toBeCloseTo(1600, 10);
    expect(limit([10, 10, 10, 10], 1000)).toBeCloseTo(250, 10);
    // Four weeks away: half of what was swum before, with the usual week for what is not on record.
    expect(limit([1400, 1400, 1400, 1400, 0, 0, 0, 0], 1000)).toBeCloseTo(700, 10);
    expect(limit([1400, 0, 0, 0, 0], 1000)).toBeCloseTo(550, 10);
    expect(limit([200, 200, 200, 200, 0, 0, 0, 0], 1000)).toBeCloseTo(100, 10);
    // Only weeks away on record: the longest way back, from a quarter.
    expect(limit([0, 0, 0, 0], 1000)).toBeCloseTo(250, 10);
  });

  it('more and longer sessions lift no week over what was swum', () => {
    // 3,000 a week on record; six sessions of 90 minutes are chosen. A tenth more, not a quarter of what would fit.
    for (const [sessionsPerWeek, minutesPerSession] of [
      [2, 60],
      [6, 90],
      [14, 240],
    ] as const) {
      const { weeks } = blockPlan({
        ...{ from: MONDAY, raceOn: day(15), past: [3000, 3000, 3000, 3000], level: 'race' },
        ...{ sessionsPerWeek, minutesPerSession, needs: [], steps: [] },
      });
      expect(weeks[0]!.load).toBe(3300);
    }
    // Hardly anything on record: half a usual session of an hour, 1,500 m × 1.25, however much is chosen.
    const first = (sessionsPerWeek: number) =>
      blockPlan({
        ...{ from: MONDAY, raceOn: day(15), past: [100, 100, 100, 100], level: 'race' },
        ...{ sessionsPerWeek, minutesPerSession: 60, needs: [], steps: [] },
      }).weeks[0]!.load;
    expect([first(1), first(2), first(6)]).toEqual([938, 1875, 1875]);
  });

  it('one session more leaves the week within the rise, and never under six tenths of a usual one', () => {
    const past = (week: readonly number[], thisWeek: number) => [
      ...week.map((load, i) => ({ daysAgo: 7 * (i + 1), load })),
      { daysAgo: 1, load: thisWeek },
    ];
    expect(sessionLoadLimit(past([1000, 1000, 1000, 1000], 200))).toBeCloseTo(900, 10);
    expect(sessionLoadLimit(past([1000, 1000, 1000, 1000], 1000))).toBeCloseTo(600, 10);
    expect(sessionLoadLimit(past([1000, 1000, 1000], 0))).toBeNull();
  });
});

describe('a week on the screen', () => {
  it('is drawn deeper from learning to sharpening, and light where it is lighter', () => {
    const of = (phase: 'learn' | 'build' | 'sharpen' | 'taper', kind: 'normal' | 'taper' | 'recovery' = 'normal') =>
      weekEffort({ phase, kind });
    expect([of('learn'), of('build'), of('sharpen'), of('taper', 'taper')]).toEqual([0.68, 0.78, 0.95, 0.62]);
    expect(of('sharpen', 'recovery')).toBe(0.55);
  });

  it('is changed by a twentieth at a time, and by 50 at least', () => {
    expect([loadStep(6000), loadStep(1000), loadStep(990), loadStep(0)]).toEqual([300, 50, 50, 50]);
  });
});

describe('a plan to a race', () => {
  const usual = levelLoad('hold', 60) * 3;
  const plan = (change: Partial<PlanQuestion> = {}) =>
    blockPlan({
      ...{ from: MONDAY, raceOn: day(15), past: [usual, usual, usual, usual], level: 'hold' },
      ...{ sessionsPerWeek: 3, minutesPerSession: 60, needs: [], steps: [], ...change },
    } as PlanQuestion).weeks;

  it.each([
    [1, [0.5]],
    [2, [0.6, 0.4]],
  ] as const)('a taper of %p takes its shares of the last week of work', (taperWeeks, shares) => {
    const weeks = plan({ taperWeeks });
    const taper = weeks.filter((w) => w.kind === 'taper');
    const before = weeks.filter((w) => w.kind === 'normal').at(-1)!.load;
    expect(taper.map((w) => w.load / before)).toEqual(shares.map((share) => expect.closeTo(share, 3)));
  });

  it('a taper is one week or two; a choice that is not offered any more is solved again', () => {
    expect(TAPER_WEEKS).toEqual([1, 2]);
    expect(plan({ taperWeeks: 3 as 2 })).toEqual(plan());
    // With the race this week there is nothing but taper.
    for (const taperWeeks of [undefined, 1, 2] as const)
      expect(plan({ raceOn: day(0), ...(taperWeeks && { taperWeeks }) }).map((w) => w.kind)).toEqual(['taper']);
  });

  it('a lighter week is seven tenths of what the limit allows', () => {
    const weeks = plan();
    const before: PastWeek[] = [usual, usual, usual, usual].map((load) => ({ load }));
    const lighter = weeks.flatMap((w) => {
      const limit = weekLimit(before, usual);
      before.push(w);
      return w.kind === 'recovery' ? [w.load / limit] : [];
    });
    expect(lighter.length).toBeGreaterThan(1);
    for (const share of lighter) expect(share).toBeCloseTo(0.7, 2);
  });

  it('works three weeks at most in a row, tests four weeks apart at least, and keeps a theme for two', () => {
    const weeks = plan({ needs: ['breath-too-low', 'holds-breath', 'dropped-elbow'] });
    const rows = weeks
      .map((w) => w.kind)
      .join(' ')
      .split(/ ?recovery ?| ?taper ?/);
    for (const row of rows) expect(row.split(' ').filter((k) => k === 'normal').length).toBeLessThanOrEqual(3);
    const tests = weeks.flatMap((w, i) => (w.test ? [i] : []));
    tests.slice(1).forEach((at, i) => expect(at - tests[i]!).toBeGreaterThanOrEqual(4));
    expect(
      weeks
        .slice(0, 6)
        .map((w) => w.theme)
        .filter((t, i, all) => t !== all[i - 1]),
    ).toHaveLength(3);
  });

  it('learns for two fifths, builds to three quarters, then sharpens', () => {
    const weeks = plan({ taperWeeks: 2 });
    const build = weeks.filter((w) => w.kind !== 'taper').length;
    weeks.forEach((w, i) => {
      if (w.kind === 'taper') expect(w.phase).toBe('taper');
      else expect(w.phase).toBe(i < build * 0.4 ? 'learn' : i < build * 0.75 ? 'build' : 'sharpen');
    });
  });
});
