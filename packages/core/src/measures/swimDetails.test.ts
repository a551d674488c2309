import fc from 'fast-check';
import {
  bestsOf,
  MOST_SPLITS,
  partsOf,
  poolWord,
  readPool,
  readSplits,
  secondHalfS,
  splitsProblem,
  splitsText,
  splitsWord,
  standardWord,
  standingsOf,
  swumMetres,
  swumWord,
  type SwimDetails,
  type SwumPool,
} from '.';

const SHORT: SwumPool = { length: 25, unit: 'm' };
const LONG: SwumPool = { length: 50, unit: 'm' };
const YARDS: SwumPool = { length: 25, unit: 'yd' };
const swim = (distanceM: number, timeS: number, details: SwimDetails = {}) => ({ distanceM, timeS, details });

describe('the splits of a swim', () => {
  it('are its parts, by hand: 400 m in 5:52 by the hundred', () => {
    const whole = swim(400, 352, { splitsS: [84, 173, 263] });
    expect(partsOf(whole)).toEqual([
      { fromM: 0, toM: 100, timeS: 84, per100S: 84 },
      { fromM: 100, toM: 200, timeS: 89, per100S: 89 },
      { fromM: 200, toM: 300, timeS: 90, per100S: 90 },
      { fromM: 300, toM: 400, timeS: 89, per100S: 89 },
    ]);
    // 2:53 out, 2:59 back.
    expect(secondHalfS(whole)).toBe(6);
    expect(secondHalfS(swim(300, 270, { splitsS: [88, 178] }))).toBeNull();
    expect(secondHalfS(swim(400, 352))).toBeNull();
    expect(partsOf(swim(400, 352))).toEqual([]);
    expect(partsOf(swim(50, 32, { splitsS: [15] }))[1]!.per100S).toBeCloseTo(68, 10);
  });

  it.each<[string, number, number, SwimDetails, string | null]>([
    ['right', 400, 352, { splitsS: [84, 173, 263], pool: SHORT }, null],
    ['at half a length', 50, 32, { splitsS: [15], pool: LONG }, null],
    ['of a third of a hundred', 400, 352, { splitsS: [84, 173, 263], pool: { length: 100 / 3, unit: 'm' } }, null],
    ['of 400 yards', 365.76, 320, { splitsS: [76, 157, 239], pool: YARDS }, null],
    ['none', 400, 352, { splitsS: [] }, null],
    ['falling', 400, 352, { splitsS: [90, 80] }, 'each is later than the one before'],
    ['equal', 400, 352, { splitsS: [90, 90] }, 'each is later than the one before'],
    ['after the end', 400, 352, { splitsS: [90, 360] }, 'not before the end of the swim, 5:52.0'],
    ['at the end', 400, 352, { splitsS: [352] }, 'not before the end'],
    ['below 0', 400, 352, { splitsS: [-4] }, 'each is later'],
    ['too fast', 400, 352, { splitsS: [30, 173, 263] }, '30.0 for a part of it is faster than anybody'],
    ['no wall', 400, 352, { splitsS: [70, 140, 210, 280], pool: SHORT }, '4 splits are 80 m apart'],
    ['too many', 2000, 2000, { splitsS: Array.from({ length: MOST_SPLITS + 1 }, (_, i) => i + 1) }, 'At most 120'],
  ])('%s', (_, distanceM, timeS, details, says) => {
    const problem = splitsProblem(swim(distanceM, timeS, details));
    if (says === null) expect(problem).toBeNull();
    else expect(problem).toContain(says);
  });

  it.each<[string, number[] | null]>([
    ['1:24 2:53 4:23', [84, 173, 263]],
    ['1:24 2:53 4:23 5:52', [84, 173, 263]],
    ['1:24 1:29 1:30 1:29', [84, 173, 263]],
    ['1:24,0; 2:53,0; 4:23,0', [84, 173, 263]],
    ['84.0 / 173 / 263', [84, 173, 263]],
    ['1:24.01 1:29.00 1:30.00 1:28.95', [84.01, 173.01, 263.01]],
    ['2:53', [173]],
    ['5:52', []],
    ['', []],
    ['  ', []],
    ['1:24 fast', null],
    ['1:24 =2+2', null],
    // 1:57.3 and 3:54.7 add up to 5:52, but nobody swims the second part in twice the time of the first.
    ['1:57.3 3:54.7', [117.3, 234.7]],
  ])('are read: "%s"', (text, splits) => expect(readSplits(text, 352)).toEqual(splits));

  it('come back as they were written, and parts make the whole', () => {
    const parts = fc.array(fc.integer({ min: 3000, max: 4200 }), { minLength: 2, maxLength: 40 });
    fc.assert(
      fc.property(parts, (hundredths) => {
        const clock = hundredths.map((_, i) => hundredths.slice(0, i + 1).reduce((a, b) => a + b, 0) / 100);
        const timeS = clock.pop()!;
        expect(readSplits(splitsText(clock), timeS)).toEqual(clock);
        const whole = swim(50 * hundredths.length, timeS, { splitsS: clock });
        expect(partsOf(whole).reduce((sum, part) => sum + part.timeS, 0)).toBeCloseTo(timeS, 6);
        expect(splitsProblem(whole)).toBeNull();
      }),
    );
  });

  it('reads any text without failing', () => {
    fc.assert(
      fc.property(fc.string(), fc.double({ min: 1, max: 5000, noNaN: true }), (text, timeS) => {
        const splits = readSplits(text, timeS);
        expect(splits === null || splits.every(Number.isFinite)).toBe(true);
      }),
    );
  });
});

describe('splits in words', () => {
  const even = (parts: number, partS: number) => Array.from({ length: parts - 1 }, (_, i) => (i + 1) * partS);
  it.each<[string, string, number, number, SwimDetails]>([
    ['', 'nothing', 400, 352, {}],
    [
      'by 100 m: 1:24.0, 1:29.0, 1:30.0, 1:29.0; second half 6.0 s slower',
      'four',
      400,
      352,
      { splitsS: [84, 173, 263] },
    ],
    ['by 50 m: 43.0, 41.5; second half 1.5 s faster', 'two', 100, 84.5, { splitsS: [43] }],
    ['by 50 m: 42.0, 42.0; both halves alike', 'halves', 100, 84, { splitsS: [42] }],
    ['by 100 m: 1:28.0, 1:30.0, 1:29.0', 'three', 300, 267, { splitsS: [88, 178] }],
    [
      'by 100 yd: 1:16.0, 1:21.0, 1:22.0, 1:21.0; second half 6.0 s slower',
      'yards',
      365.76,
      320,
      { splitsS: [76, 157, 239], pool: YARDS },
    ],
    // Sixty lengths of 1,500 m by six at a time.
    [
      `by 150 m: ${Array.from({ length: 10 }, () => '2:12.0').join(', ')}; both halves alike`,
      'sixty',
      1500,
      1320,
      { splitsS: even(60, 22) },
    ],
    // Thirteen cannot be told by several at a time.
    ['', 'thirteen', 1300, 1300, { splitsS: even(13, 100) }],
  ])('%s (%s)', (words, _, distanceM, timeS, details) =>
    expect(splitsWord(swim(distanceM, timeS, details))).toBe(words),
  );
});

describe('the pool of a swim', () => {
  it.each<[string, 'm' | 'yd', SwumPool | null]>([
    ['25', 'm', SHORT],
    ['25', 'yd', YARDS],
    ['25m', 'yd', SHORT],
    ['50 m', 'm', LONG],
    ['25 yards', 'm', YARDS],
    ['25y', 'm', YARDS],
    ['33.3', 'm', { length: 100 / 3, unit: 'm' }],
    ['33,33 m', 'm', { length: 100 / 3, unit: 'm' }],
    ['short course', 'm', null],
    ['LC', 'm', LONG],
    ['scy', 'm', YARDS],
    ['SCM', 'yd', SHORT],
    ['', 'm', null],
    ['-25', 'm', null],
  ])('is read: "%s" in a club of %s', (text, unit, pool) => expect(readPool(text, unit)).toEqual(pool));

  it('says its distances in its own unit', () => {
    expect(poolWord(YARDS)).toBe('25 yd');
    expect(poolWord({ length: 100 / 3, unit: 'm' })).toBe('33.33 m');
    expect(swumWord(swim(365.76, 300, { pool: YARDS }))).toBe('400 yd');
    expect(swumWord(swim(1500, 1300, { pool: LONG }))).toBe('1,500 m');
    expect(swumWord(swim(12.5, 9))).toBe('12.5 m');
    expect(swumMetres(400, YARDS)).toBe(365.76);
    expect(swumMetres(400, SHORT)).toBe(400);
    expect(swumMetres(400, null)).toBe(400);
  });
});

describe('bests by pool and standards', () => {
  const on = (day: string, timeS: number, pool?: SwumPool, kind: 'trial' | 'track' = 'trial') => ({
    ...{ on: day, distanceM: 400, timeS, kind },
    details: pool ? { pool, meet: `Meet of ${day}` } : {},
  });
  const swims = [
    on('2026-01-10', 350, SHORT),
    on('2026-03-10', 346, SHORT),
    on('2026-02-10', 355, LONG),
    on('2026-04-10', 349),
    on('2026-05-10', 340, SHORT, 'track'),
  ];
  const bests = bestsOf(swims, '2026-11-29');

  it('keep each length of pool apart, and know the meet', () => {
    expect(bests.map(({ pool, place, timeS, gainS, details }) => [pool, place, timeS, gainS, details.meet])).toEqual([
      [SHORT, 'pool', 346, 4, 'Meet of 2026-03-10'],
      [LONG, 'pool', 355, null, 'Meet of 2026-02-10'],
      [null, 'pool', 349, null, undefined],
      [null, 'outside', 340, null, 'Meet of 2026-05-10'],
    ]);
  });

  it('say what is missing to each standard, by hand', () => {
    const standard = (name: string, timeS: number, pool: SwumPool | null, distanceM = 400) => ({
      ...{ name, distanceM, pool, timeS },
    });
    const standings = standingsOf(bests, [
      standard('never swum', 80, null, 100),
      standard('long course', 350, LONG),
      standard('any pool', 346, null),
      standard('short course', 345.5, SHORT),
      standard('yards', 320, YARDS),
    ]);
    expect(standings.map(({ standard: { name }, shortS, best }) => [name, shortS, best?.timeS ?? null])).toEqual([
      // What is swum to the hundredth is reached.
      ['any pool', 0, 346],
      ['short course', 0.5, 346],
      ['long course', 5, 355],
      ['never swum', null, null],
      ['yards', null, null],
    ]);
    expect(standardWord(standard('', 345, SHORT))).toBe('400 m in a pool of 25 m');
    expect(standardWord(standard('', 320, YARDS, 365.76))).toBe('400 yd in a pool of 25 yd');
    expect(standardWord(standard('', 345, null))).toBe('400 m');
  });

  it('are reached by nobody who swam only outside', () => {
    const outside = bestsOf([on('2026-05-10', 340, undefined, 'track')], '2026-11-29');
    expect(standingsOf(outside, [{ name: 'Any', distanceM: 400, pool: null, timeS: 400 }])[0]!.best).toBeNull();
  });
});
