import { FEET_GAIN, raceTime } from '../measures';
import { seeded, seededNormal } from '../units';
import { courseTime, gapWords, growthAround, GROWTH, raceGap, speedFor, WETSUIT_GAIN, type GapQuestion } from '.';

/** Critical speed of exactly 1 m/s without a reserve; the same habits today and then; no week is left. */
const habits = { extraShare: 0, feetShare: 0, lostS: 0 };
const question = (change: Partial<GapQuestion> = {}): GapQuestion => ({
  targetS: 1500,
  race: { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft: 0 },
  trials: [
    { distanceM: 400, timeS: 400 },
    { distanceM: 800, timeS: 800 },
  ],
  today: habits,
  then: habits,
  growth: { low: 0, high: 0 },
  rateSpm: 60,
  seed: 1,
  ...change,
});

describe('the numbers of the gap, written a second time', () => {
  it('are these', () => {
    expect(GROWTH).toEqual({ trained: { low: 0.005, high: 0.01 }, new: { low: 0.01, high: 0.02 } });
    expect([WETSUIT_GAIN, FEET_GAIN]).toEqual([0.04, 0.03]);
    expect(growthAround(0.0075)).toEqual({ low: expect.closeTo(0.005, 10), high: expect.closeTo(0.01, 10) });
    expect(growthAround(0.015)).toEqual({ low: expect.closeTo(0.01, 10), high: expect.closeTo(0.02, 10) });
  });

  it('make a course longer and faster as by hand', () => {
    const race = { courseM: 1000, wetsuitGain: 0.04, currentMps: 0.1, weeksLeft: 0 };
    // 1,100 m at 1 · 1.04 · 1.015 + 0.1 = 1.1556 m/s, and 30 s lost.
    const way = { extraShare: 0.1, feetShare: 0.5, lostS: 30 };
    expect(courseTime(1, race, way)).toBeCloseTo(1100 / 1.1556 + 30, 9);
    expect(speedFor(courseTime(1, race, way), race, way)).toBeCloseTo(1, 9);
    expect(() => courseTime(0.5, { ...race, currentMps: -0.6 }, way)).toThrow(RangeError);
  });

  it('let fitness grow by the middle of the guesses a month', () => {
    // 26.09 weeks are six months of 365.25 / 12 / 7 weeks.
    const weeksLeft = (6 * 365.25) / 12 / 7;
    const gap = raceGap(
      question({
        race: { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft },
        growth: { low: 0.005, high: 0.01 },
      }),
    );
    expect(gap.parts.fitness).toBeCloseTo(1500 - 1500 / 1.0075 ** 6, 6);
  });
});

describe('the chance', () => {
  const chance = (targetS: number) => raceGap(question({ targetS })).chance;

  it('is a half for today’s own time, and follows a bell of today’s uncertainty and the day’s form', () => {
    // ±1.5 % of the prediction are 1.96 deviations: 0.765 %; with 1 % of the day together 1.26 % of 1,500 s, 18.9 s.
    const sd = 1500 * Math.hypot(0.015 / 1.96, 0.01);
    expect(chance(1500)).toBeGreaterThan(0.46);
    expect(chance(1500)).toBeLessThan(0.54);
    for (const [deviations, share] of [
      [1, 0.841],
      [-1, 0.159],
      [2, 0.977],
      [-2, 0.023],
    ] as const)
      expect(Math.abs(chance(1500 + deviations * sd) - share)).toBeLessThan(0.025);
    expect([chance(1700), chance(1300)]).toEqual([1, 0]);
  });

  it('lies between nothing and all of what is trained for: at least half of it is there on the day', () => {
    // All of it takes 100 s off, half of it 50: nobody in doubt at 1,650, everybody at 1,500.
    const then = { ...habits, lostS: 0 };
    const today = { ...habits, lostS: 200 };
    const at = (targetS: number) => raceGap(question({ targetS, today, then })).chance;
    expect(at(1700)).toBe(1);
    expect(at(1450)).toBe(0);
    // The share on the day is even between a half and all: 1,550 is the middle of 1,500 and 1,600.
    expect(Math.abs(at(1550) - 0.5)).toBeLessThan(0.05);
  });

  it('is the same for the same seed', () => {
    expect(raceGap(question({ targetS: 1510 }))).toEqual(raceGap(question({ targetS: 1510 })));
    expect(raceGap(question({ targetS: 1510, seed: 2 })).chance).not.toBe(raceGap(question({ targetS: 1510 })).chance);
  });
});

describe('the verdict, at its edges', () => {
  const verdict = (change: Partial<GapQuestion>) => raceGap(question(change));

  it('is there when today’s time is the target', () => {
    expect(verdict({ targetS: 1500 }).verdict).toBe('there');
    expect(verdict({ targetS: 1499.9 }).verdict).toBe('not-yet');
  });

  it('is beyond anybody over 2.4 m/s for 50 m, falling with the eighth of a hundredth power', () => {
    // 1,500 m: 2.4 · 30^−0.08 = 1.8283 m/s, 820.4 s.
    const edge = 1500 / (2.4 * 30 ** -0.08);
    expect(edge).toBeCloseTo(820.4, 0);
    expect(verdict({ targetS: edge - 0.5 }).verdict).toBe('beyond-anybody');
    expect(verdict({ targetS: edge + 0.5 }).verdict).toBe('not-yet');
    // Under 50 m nothing is faster than over 50.
    const short = { courseM: 25, wetsuitGain: 0, currentMps: 0, weeksLeft: 0 };
    expect(verdict({ race: short, targetS: 25 / 2.41 }).verdict).toBe('beyond-anybody');
    expect(verdict({ race: short, targetS: 25 / 2.39 }).verdict).not.toBe('beyond-anybody');
  });

  it('says what a week is called, and how much more speed is asked', () => {
    const week = (weeksLeft: number) =>
      gapWords(verdict({ targetS: 1450, race: { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft } }).reason);
    // 1,500 m in 1,450 s are 3.4 % faster.
    expect(week(1)).toContain('It needs 3.4 % more speed; 1 week brings');
    expect(week(2)).toContain('2 weeks');
    expect(week(1.4)).toContain('1 week ');
    expect(week(1.5)).toContain('2 weeks');
  });

  it('is for numbers that make sense', () => {
    const race = { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft: 0 };
    for (const wrong of [
      { targetS: 0 },
      { race: { ...race, courseM: 0 } },
      { race: { ...race, weeksLeft: -0.1 } },
      { targetS: 10, then: { ...habits, lostS: 10 } },
    ])
      expect(() => raceGap(question(wrong))).toThrow(RangeError);
  });
});

describe('the parts of the gap, by hand', () => {
  const race = { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft: 0 };
  const today = { extraShare: 0.1, feetShare: 0, lostS: 40 };
  const then = { extraShare: 0.05, feetShare: 0.3, lostS: 10 };
  const weeksLeft = (6 * 365.25) / 12 / 7;
  const gap = raceGap(
    question({
      targetS: 1480,
      race: { ...race, weeksLeft },
      today,
      then,
      growth: { low: 0.005, high: 0.01 },
      rateSpm: 50,
    }),
  );
  const feet = 1 + 0.03 * 0.3;

  it('are taken one after the other and add up', () => {
    // 1 m/s: 1,650 m and 40 s; 1,575 m; on feet; 30 s less; six months at 0.75 %.
    const [now, straight, onFeet, skilled, fit] = [
      1690,
      1575 + 40,
      1575 / feet + 40,
      1575 / feet + 10,
      1575 / (feet * 1.0075 ** 6) + 10,
    ];
    expect(gap.todayS).toBeCloseTo(now!, 6);
    expect(gap.gapS).toBeCloseTo(now! - 1480, 6);
    expect(gap.parts.straightness).toBeCloseTo(now! - straight!, 6);
    expect(gap.parts.feet).toBeCloseTo(straight! - onFeet!, 6);
    expect(gap.parts.skills).toBeCloseTo(onFeet! - skilled!, 6);
    expect(gap.parts.fitness).toBeCloseTo(skilled! - fit!, 6);
    expect(gap.parts.technique).toBeCloseTo(fit! - 1480, 6);
    expect(Object.values(gap.parts).reduce((a, b) => a + b, 0)).toBeCloseTo(gap.gapS, 6);
  });

  it('say the speed and the stroke that the target asks', () => {
    const needed = 1575 / (1480 - 10) / feet;
    expect(gap.neededMps).toBeCloseTo(needed, 9);
    expect(gap.neededPer100S).toBeCloseTo(100 / needed, 6);
    expect(gap.strokeLengthM).toBeCloseTo(60 / 50, 9);
    expect(gap.neededStrokeLengthM).toBeCloseTo((needed * 60) / 50, 9);
  });

  it('say how sure today is, over the way that is swum', () => {
    const { lowS, highS } = raceTime(question().trials, 1650);
    expect(gap.lowS).toBeCloseTo(lowS + 40, 6);
    expect(gap.highS).toBeCloseTo(highS + 40, 6);
  });

  it('have the chance that two thousand draws give, drawn a second time', () => {
    const { timeS, lowS, highS } = raceTime(question().trials, 1650);
    const sd = (highS - lowS) / 3.92 / timeS;
    let reached = 0;
    for (let i = 0; i < 2000; i++) {
      const speed = 1650 / timeS / Math.max(0.5, 1 + sd * seededNormal(1, i));
      const month = 0.005 + 0.005 * seeded(2, i);
      const technique = 0.01 * seeded(5, i);
      const there = 0.5 + 0.5 * seeded(4, i);
      const way = 1500 * (1.1 - 0.05 * there);
      const swum = way / (speed * ((1 + month) * (1 + technique)) ** 6 * (1 + 0.03 * 0.3 * there)) + 40 - 30 * there;
      if (swum * (1 + 0.01 * seededNormal(3, i)) <= 1480) reached++;
    }
    expect(reached).toBeGreaterThan(100);
    expect(reached).toBeLessThan(1900);
    expect(gap.chance).toBe(reached / 2000);
  });

  it('refuse what cannot be asked', () => {
    expect(() => raceGap(question({ targetS: 0 }))).toThrow('targetS and race.courseM: over 0');
    expect(() => raceGap(question({ race: { ...race, courseM: 0 } }))).toThrow('targetS and race.courseM: over 0');
    expect(() => raceGap(question({ race: { ...race, weeksLeft: -1 } }))).toThrow('race.weeksLeft: from 0');
    expect(() => raceGap(question({ targetS: 40, then: { ...habits, lostS: 40 } }))).toThrow(
      'longer than the seconds lost',
    );
    expect(() => courseTime(1, { ...race, currentMps: -1 }, habits)).toThrow('as fast as the swimmer');
  });
});

describe('the verdict, step by step', () => {
  const weeksLeft = (4 * 365.25) / 12 / 7;
  const of = (targetS: number, change: Partial<GapQuestion> = {}) =>
    raceGap(
      question({
        targetS,
        race: { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft },
        growth: { low: 0.005, high: 0.01 },
        ...change,
      }),
    );
  /** Four months: the careful guess, and the hopeful one with a hundredth of stroke length a month. */
  const [careful, hopeful] = [1.005 ** 4, (1.01 * 1.01) ** 4] as const;

  it('goes from there over realistic and hopeful to not yet', () => {
    expect(of(1500).verdict).toBe('there');
    expect(gapWords(of(1500).reason)).toBe('Today’s times already reach the target.');
    // The longest time is over 800 m: four times as far are 3,200 m, and beyond that it is said from where the times are.
    const away = (courseM: number) => of(9999, { race: { courseM, wetsuitGain: 0, currentMps: 0, weeksLeft } }).reason;
    expect(away(3200)).toEqual({ why: 'there' });
    expect(away(3201)).toEqual({ why: 'there', fromM: 800 });
    const near = of(1500 / careful + 0.01);
    expect([near.verdict, gapWords(near.reason)]).toEqual([
      near.chance < 0.5 ? 'hopeful' : 'realistic',
      expect.stringMatching(/^It needs 2\.0 % more speed; 17 weeks bring that, by a cautious estimate\./),
    ]);
    expect(gapWords(of(1500 / careful - 0.01).reason)).toBe(
      'It needs 2.0 % more speed; 17 weeks bring 2.0 %, by a cautious estimate. The rest must come from stroke length.',
    );
    expect(of(1500 / careful - 0.01).verdict).toBe('hopeful');
    expect(of(1500 / hopeful + 0.01).verdict).toBe('hopeful');
    const far = of(1500 / hopeful - 0.01);
    expect([far.verdict, gapWords(far.reason)]).toEqual([
      'not-yet',
      'It needs 8.3 % more speed; 17 weeks bring 8.3 % at best. Choose a later race, or an earlier target first.',
    ]);
  });

  it('is realistic by a straighter line alone, and a hope where less than half of the draws reach it', () => {
    const today = { extraShare: 0.1, feetShare: 0, lostS: 0 };
    const easy = of(1520, { today });
    expect([easy.verdict, easy.chance >= 0.5]).toEqual(['realistic', true]);
    expect(gapWords(easy.reason)).toBe('A straighter line, feet and skills reach it at today’s speed.');
    const none = { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft: 0 };
    const tight = of(1500, { today, race: none });
    expect([tight.verdict, tight.chance < 0.5]).toEqual(['hopeful', true]);
    expect(gapWords(tight.reason)).toMatch(/ It all has to come together on the day\.$/);
  });

  it('is beyond anybody over 2.4 m/s for 50 m, falling with the distance to the power of 0.08', () => {
    const fastest = (m: number) => 2.4 * (Math.max(50, m) / 50) ** -0.08;
    const short = (courseM: number, mps: number) =>
      of(courseM / mps, { race: { courseM, wetsuitGain: 0, currentMps: 0, weeksLeft: 1 } });
    for (const m of [25, 50, 400, 1500]) {
      expect(short(m, fastest(m) * 1.001).verdict).toBe('beyond-anybody');
      expect(short(m, fastest(m) * 0.999).verdict).not.toBe('beyond-anybody');
    }
    expect(gapWords(short(1500, 2).reason)).toBe('The target needs 2.00 m/s over 1500 m: faster than anyone swims.');
    expect(gapWords(short(400, 1.5).reason)).toContain('; 1 week bring');
  });
});
