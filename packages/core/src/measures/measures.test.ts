import fc from 'fast-check';
import {
  breathsPerMinute,
  breathsPerSide,
  criticalSpeed,
  effortFactor,
  effortSpeed,
  lengthMetrics,
  raceTime,
  trainingLoad,
  UnusableTrials,
} from '.';

describe('one timed length', () => {
  it('leaves the push-off out, as worked by hand', () => {
    const m = lengthMetrics({ lengthM: 25, pushOffM: 5, pushOffS: 2.6, timeS: 21.4, strokes: 22 });
    expect(m.speedMps).toBeCloseTo(1.064, 3);
    expect(m.strokeLengthM).toBeCloseTo(0.909, 3);
    expect(m.strokeRateSpm).toBeCloseTo(70.2, 1);
    expect(m.strokeIndex).toBeCloseTo(0.967, 3);
  });

  it('always keeps speed = stroke length × rate', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: 8, max: 90, noNaN: true }),
        fc.integer({ min: 4, max: 60 }),
        (pushOffM, pushOffS, timeS, strokes) => {
          const m = lengthMetrics({ lengthM: 25, pushOffM, pushOffS, timeS, strokes });
          expect(m.speedMps).toBeCloseTo((m.strokeLengthM * m.strokeRateSpm) / 60, 9);
        },
      ),
    );
  });

  it('refuses a push-off longer than the length', () => {
    expect(() => lengthMetrics({ lengthM: 25, pushOffM: 25, pushOffS: 2, timeS: 20, strokes: 20 })).toThrow(RangeError);
  });
});

describe('critical speed', () => {
  it('fits two points exactly', () => {
    const cs = criticalSpeed([
      { distanceM: 200, timeS: 165 },
      { distanceM: 400, timeS: 352 },
    ]);
    expect(cs.criticalSpeedMps).toBeCloseTo(1.0695, 4);
    expect(cs.paceSPer100m).toBeCloseTo(93.5, 1);
    expect(cs.dPrimeM).toBeCloseTo(23.5, 1);
    expect(cs.standardErrorMps).toBeNull();
  });

  it('fits four points with their error', () => {
    const cs = criticalSpeed([
      { distanceM: 800, timeS: 722 },
      { distanceM: 100, timeS: 76 },
      { distanceM: 400, timeS: 346 },
      { distanceM: 200, timeS: 163 },
    ]);
    expect(cs.criticalSpeedMps).toBeCloseTo(1.0804, 4);
    expect(cs.dPrimeM).toBeCloseTo(22.0, 1);
    expect(cs.standardErrorMps).toBeCloseTo(0.009, 3);
  });

  it.each([
    [
      'one distance',
      [
        { distanceM: 400, timeS: 350 },
        { distanceM: 400, timeS: 355 },
      ],
      /two different/,
    ],
    [
      'a longer swim that was faster',
      [
        { distanceM: 200, timeS: 200 },
        { distanceM: 400, timeS: 199 },
      ],
      /400 m is not slower/,
    ],
    [
      'a short one that was not all-out',
      [
        { distanceM: 200, timeS: 220 },
        { distanceM: 400, timeS: 380 },
      ],
      /200 m was probably not all-out/,
    ],
  ])('refuses %s and says why', (_name, trials, why) => {
    expect(() => criticalSpeed(trials)).toThrow(why);
    expect(() => criticalSpeed(trials)).toThrow(UnusableTrials);
  });
});

describe('race time', () => {
  const trials = [
    { distanceM: 200, timeS: 165 },
    { distanceM: 400, timeS: 352 },
  ];

  it('uses critical speed between 3 and 40 minutes', () => {
    const race = raceTime(trials, 1500);
    expect(race.method).toBe('critical-speed');
    expect(race.timeS).toBeCloseTo((1500 - 23.529) / 1.06952, 0);
    expect(race.lowS).toBeLessThan(race.timeS);
    expect(race.highS).toBeGreaterThan(race.timeS);
  });

  it('uses the power law beyond, and says so', () => {
    expect(raceTime(trials, 5000).method).toBe('power-law');
    expect(raceTime([{ distanceM: 400, timeS: 352 }], 800)).toMatchObject({
      method: 'power-law',
      timeS: expect.closeTo(352 * 2 ** 1.03, 6),
    });
  });

  it('is less sure the farther it reaches beyond the longest trial: 2 % at twice, 8 % at seven times', () => {
    const share = (distanceM: number, given = trials) => {
      const { timeS, lowS, highS } = raceTime(given, distanceM);
      expect(timeS - lowS).toBeCloseTo(highS - timeS, 9);
      return (highS - timeS) / timeS;
    };
    // 1.1 % + 1.8 % × ln² 2 = 1.96 %; ln² 7 = 3.79 → 7.92 %; never under 1.5 %.
    expect(share(400)).toBeCloseTo(0.015, 9);
    expect(share(800)).toBeCloseTo(0.01965, 4);
    expect(share(2800)).toBeCloseTo(0.07916, 4);
    // Power law with the swimmer's own exponent, 67 times as far: ln² 67 = 17.7 → 32.9 %; never over a half.
    const long = [
      { distanceM: 400, timeS: 300 },
      { distanceM: 1500, timeS: 1230 },
    ];
    expect(share(100_000, long)).toBeCloseTo(0.011 + 0.018 * Math.log(100_000 / 1500) ** 2, 9);
    expect(share(10_500, long)).toBeCloseTo(0.0792, 3);
    expect(share(1e8, long)).toBe(0.5);
    // One trial alone: 4 % at least.
    expect(share(500, trials.slice(1))).toBeCloseTo(0.04, 9);
  });

  it('grows with the distance', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 20_000 }), fc.integer({ min: 1, max: 500 }), (d, more) => {
        const [near, far] = [raceTime(trials, d), raceTime(trials, d + more)];
        // The method may change between them; within one it must grow.
        if (near.method === far.method) expect(far.timeS).toBeGreaterThan(near.timeS);
      }),
    );
  });

  it('refuses to guess from nothing', () => expect(() => raceTime([], 400)).toThrow(UnusableTrials));
});

describe('effort', () => {
  it.each([
    [0.6, 104.3],
    [0.7, 99.1],
    [0.8, 94.8],
    [0.9, 91.1],
  ])('%d of the power of a 5:52 is %d s per 100 m', (effort, pace) => {
    expect(100 / effortSpeed(400 / 352, effort)).toBeCloseTo(pace, 1);
  });

  it('never gets slower with more effort', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.999, noNaN: true }), (e) => {
        expect(effortSpeed(1.1, e + 0.001)).toBeGreaterThan(effortSpeed(1.1, e));
      }),
    );
  });

  it('weighs load by effort', () => {
    expect([0.5, 0.6, 0.7, 0.8, 0.9, 1].map(effortFactor)).toEqual([1, 1, 1.2, 1.5, 2, 3]);
    expect(
      trainingLoad([
        { distanceM: 1000, effort: 0.6 },
        { distanceM: 400, effort: 0.8 },
      ]),
    ).toBe(1600);
    expect(() => effortFactor(1.2)).toThrow(RangeError);
  });
});

describe('breathing', () => {
  it.each([
    [2, 30],
    [3, 20],
    [4, 15],
    [5, 12],
  ])('every %d at 60 strokes a minute is %d breaths', (every, breaths) =>
    expect(breathsPerMinute(60, every)).toBe(breaths),
  );

  it('changes sides with odd patterns and stays with even ones', () => {
    expect(breathsPerSide(3, 100, 1, 'left')).toEqual({ left: 17, right: 16 });
    expect(breathsPerSide(2, 100, 1, 'right')).toEqual({ left: 0, right: 50 });
  });

  it('counts every breath once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 0, max: 400 }),
        fc.constantFrom('left' as const, 'right' as const),
        (every, strokes, side) => {
          const { left, right } = breathsPerSide(every, strokes * 0.9, 0.9, side);
          expect(left + right).toBe(Math.floor(strokes / every));
          expect(Math.abs(left - right)).toBeLessThanOrEqual(every % 2 === 1 ? 1 : left + right);
        },
      ),
    );
  });

  it('refuses a pattern that is none', () => {
    expect(() => breathsPerMinute(60, 0)).toThrow(RangeError);
    expect(() => breathsPerSide(2.5, 100, 1, 'left')).toThrow(RangeError);
  });
});
