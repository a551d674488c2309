import fc from 'fast-check';
import {
  ENTRY_RANGE,
  compareTests,
  rampRepM,
  RefusedTest,
  stepPassed,
  SWIM_TEST,
  SWIM_TESTS,
  testOutcome,
  testValue,
  type TestInput,
} from '.';

describe('what tests say', () => {
  it('critical speed as worked by hand, with "one test only" for two swims', () => {
    const two: TestInput = {
      kind: 'critical-speed',
      trials: [
        { distanceM: 200, timeS: 165 },
        { distanceM: 400, timeS: 352 },
      ],
    };
    expect(testOutcome(two)).toMatchObject({ error: null, words: expect.stringContaining('1:33.5 per 100 m') });
    expect(testOutcome(two).value).toBeCloseTo(1.0695, 4);
    expect(testOutcome(two).method).toContain('a third would show');
  });

  it('a ramp from times and strokes at the wall', () => {
    const reps = [50, 54, 58, 62, 66, 70].map((rate) => {
      const speed = 1.2 - 0.0008 * (rate - 61) ** 2;
      const timeS = 2 * (2.5 + 20 / speed);
      return { timeS, strokes: (rate / 60) * (20 / speed) };
    });
    const input: TestInput = { kind: 'rate-ramp', lengthM: 25, repM: 50, pushOffM: 5, pushOffS: 2.5, reps };
    const found = testOutcome(input);
    expect(found.value).toBeCloseTo(61, 6);
    expect(found.ramp?.verdict).toBe('peak');
  });

  it('glide and turn: mean and standard error of the repeats', () => {
    expect(testOutcome({ kind: 'tumble', timesS: [9.1, 9.3, 9.2] })).toMatchObject({
      value: expect.closeTo(9.2, 9),
      error: expect.closeTo(0.1 / Math.sqrt(3), 9),
    });
    expect(testOutcome({ kind: 'glide', metres: [6] })).toMatchObject({ error: null });
  });

  it('drift in degrees a stroke, with the side', () => {
    const found = testOutcome({ kind: 'closed-eyes', strokes: 10, strokeLengthM: 1, offM: [-1, -1.2, -0.8, -1] });
    expect(found.value).toBeCloseTo((-0.02 * 180) / Math.PI, 6);
    expect(found.words).toContain('to the left');
  });

  it('a clean length as worked by hand', () => {
    const lengths = [{ lengthM: 25, pushOffM: 5, pushOffS: 2.6, timeS: 21.4, strokes: 22 }];
    expect(testOutcome({ kind: 'clean-length', lengths })).toMatchObject({ words: '0.91 m a stroke at 70 a minute' });
  });

  // A 50 m length in 42.8 s is no half a metre a second.
  it('a clean length in another pool', () => {
    const one = (lengthM: number, timeS: number) =>
      testOutcome({ kind: 'clean-length', lengths: [{ lengthM, pushOffM: 5, pushOffS: 2.6, timeS, strokes: 45 }] });
    // (50 − 5) / (42.8 − 2.6) = 1.1194 m/s, 45 strokes over 45 m.
    expect(one(50, 42.8).words).toBe('1.00 m a stroke at 67 a minute');
    // (22.86 − 5) / (20 − 2.6) m/s over 45 strokes.
    expect(one(22.86, 20).words).toBe('0.40 m a stroke at 155 a minute');
  });

  it('a ramp says the same in every pool', () => {
    const swum = (lengthM: number) => {
      const repM = rampRepM(lengthM);
      const reps = [50, 54, 58, 62, 66, 70].map((rate) => {
        const speed = 1.2 - 0.0008 * (rate - 61) ** 2;
        const cleanS = (lengthM - 5) / speed;
        return { timeS: (repM / lengthM) * (2.5 + cleanS), strokes: (rate / 60) * cleanS };
      });
      return testOutcome({ kind: 'rate-ramp', lengthM, repM, pushOffM: 5, pushOffS: 2.5, reps });
    };
    for (const lengthM of [20, 22.86, 25, 100 / 3, 50]) expect(swum(lengthM).value).toBeCloseTo(61, 6);
  });

  it.each([
    [50, 50],
    [25, 50],
    [22.86, 45.72],
    [100 / 3, 200 / 3],
    [20, 60],
    [100, 100],
  ])('a rep of a ramp in a pool of %p m is whole lengths: %p m', (lengthM, repM) =>
    expect(rampRepM(lengthM)).toBeCloseTo(repM, 9),
  );

  it('a step is passed only with all tries that are needed', () => {
    const step = { kind: 'ladder-step', ladder: 'confidence', step: 0 } as const;
    expect(stepPassed({ ...step, tries: 3, passed: 3 })).toBe(true);
    expect(stepPassed({ ...step, tries: 2, passed: 2 })).toBe(false);
    expect(stepPassed({ ...step, tries: 4, passed: 3 })).toBe(false);
    expect(testOutcome({ ...step, tries: 2, passed: 2 }).words).toBe('1 more try like these');
    expect(testOutcome({ ...step, tries: 3, passed: 3 }).words).toMatch(/^Reached/);
  });

  it.each<[TestInput, RegExp]>([
    [{ kind: 'critical-speed', trials: [{ distanceM: 200, timeS: 165 }] }, /two different distances/i],
    [
      {
        kind: 'critical-speed',
        trials: [
          { distanceM: 200, timeS: 200 },
          { distanceM: 400, timeS: 352 },
        ],
      },
      /all-out/,
    ],
    [{ kind: 'closed-eyes', strokes: 10, strokeLengthM: 1, offM: [1, 1, 1] }, /4 tries/],
    [{ kind: 'glide', metres: [] }, /one try/i],
    [{ kind: 'glide', metres: [40] }, /between 0 and 25/],
    [{ kind: 'clean-length', lengths: [] }, /one length/i],
    [{ kind: 'ladder-step', ladder: 'confidence', step: 99, tries: 1, passed: 1 }, /no such step/],
    [{ kind: 'ladder-step', ladder: 'confidence', step: 0, tries: 1, passed: 2 }, /More tries/],
    [{ kind: 'rate-ramp', lengthM: 25, repM: 50, pushOffM: 5, pushOffS: 2.5, reps: [] }, /5 reps/],
  ])('refuses %j with its reason', (input, reason) => {
    expect(() => testOutcome(input)).toThrow(RefusedTest);
    expect(() => testOutcome(input)).toThrow(reason);
  });
});

describe('a test beside the one before', () => {
  const at = (value: number, error: number | null) => ({ value, error });

  it('counts a change from twice the standard error of measurement', () => {
    expect(compareTests('tumble', at(9, 0.05), at(9.08, 0.05))).toMatchObject({ verdict: 'no real change' });
    expect(compareTests('tumble', at(9, 0.05), at(9.2, 0.05))).toMatchObject({ verdict: 'better' });
    expect(compareTests('glide', at(6, 0.1), at(7, 0.1))).toMatchObject({ verdict: 'worse' });
    expect(compareTests('tumble', at(9, 0.05), at(9.2, 0.05)).smallest).toBeCloseTo(0.1, 9);
  });

  it('cannot tell without repeats, and takes drift to either side as drift', () => {
    expect(compareTests('glide', at(6, null), at(7, null)).verdict).toBe('cannot tell');
    expect(compareTests('closed-eyes', at(-0.2, 0.1), at(1.2, 0.1)).verdict).toBe('better');
    expect(compareTests('rate-ramp', at(66, 0.5), at(60, 0.5)).verdict).toBe('different');
  });

  it('is the mirror of the comparison the other way round', () => {
    const side = fc.record({
      value: fc.double({ min: 1, max: 20, noNaN: true }),
      error: fc.double({ min: 0.001, max: 1, noNaN: true }),
    });
    const mirror = {
      better: 'worse',
      worse: 'better',
      'no real change': 'no real change',
      different: 'different',
      'cannot tell': 'cannot tell',
    };
    fc.assert(
      fc.property(side, side, (a, b) => {
        expect(compareTests('tumble', a, b).verdict).toBe(mirror[compareTests('tumble', b, a).verdict]);
      }),
    );
  });
});

describe('what can be entered', () => {
  it('has these limits', () => {
    expect(ENTRY_RANGE).toEqual({
      strokesPerLength: [4, 90],
      pushOffM: [0.5, 15],
      pushOffS: [0.2, 8],
      blindStrokes: [6, 20],
      strokeLengthM: [0.3, 1.6],
    });
  });
});

describe('the cards', () => {
  it.each(SWIM_TESTS)('%s says what it is for and how', (kind) => {
    expect(SWIM_TEST[kind].steps.length).toBeGreaterThan(1);
    expect(testValue(kind, 1.23456)).toMatch(/^1/);
  });

  it('tests under water and without eyes carry their cautions', () => {
    expect(SWIM_TEST.glide.cautions.join(' ')).toMatch(/no kick.*no record/i);
    expect(SWIM_TEST['closed-eyes'].cautions.join(' ')).toMatch(/spotter/);
  });
});
