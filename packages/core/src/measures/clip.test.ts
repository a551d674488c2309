import fc from 'fast-check';
import {
  cohensKappa,
  handPastMiddleCm,
  lineAngle,
  lineUnit,
  lineValues,
  repeatedReading,
  SHOULDERS_CM,
  strokeTiming,
  type Tap,
} from '.';

const entry = (side: 'left' | 'right', timeS: number): Tap => ({ kind: 'entry', side, timeS });

/** Taps of a steady swimmer: a cycle of 2 s, each arm 0.5 s in front, 0.8 s pulling, 0.7 s in the air. */
const steady = (cycles: number, lag = 1): Tap[] =>
  Array.from({ length: cycles }, (_, i) => i * 2).flatMap((t) =>
    (['left', 'right'] as const).flatMap((side): Tap[] => {
      const at = t + (side === 'left' ? 0 : lag);
      return [
        { kind: 'entry', side, timeS: at },
        { kind: 'catch', side, timeS: at + 0.5 },
        { kind: 'exit', side, timeS: at + 1.3 },
      ];
    }),
  );

describe('rhythm from taps', () => {
  it('finds the rate, the length and the balance of a steady swimmer', () => {
    const timing = strokeTiming(steady(5), 8.1);
    expect(timing.strokes).toBe(9);
    expect(timing.strokeRateSpm).toBeCloseTo(60, 9);
    expect(timing.strokeLengthM).toBeCloseTo(0.9, 9);
    expect(timing.speedMps).toBeCloseTo(0.9, 9);
    expect(timing.asymmetry).toBeCloseTo(0, 9);
    expect(timing.variability).toBeCloseTo(0, 9);
    expect(timing.trendSpmPerMin).toBeCloseTo(0, 6);
    expect(timing.shares).toEqual({
      front: expect.closeTo(0.25),
      pull: expect.closeTo(0.4),
      air: expect.closeTo(0.35),
    });
  });

  it('knows waiting in front from overlapping arms', () => {
    // Left leaves at 1.3; right starts to pull at 1.5: a gap of 0.2 s in a cycle of 2 s. Right to left: 2.3 and 2.5.
    expect(strokeTiming(steady(5)).coordination).toBeCloseTo(-0.1, 9);
    // The right arm 0.7 s after the left: it pulls from 1.2 on, before 1.3; then 2.0 against 2.5.
    expect(strokeTiming(steady(5, 0.7)).coordination).toBeCloseTo((0.05 - 0.25) / 2, 2);
  });

  it('measures a limp with its side', () => {
    // After a left entry 1.1 s, after a right one 0.9 s.
    const taps = [0, 1.1, 2, 3.1, 4, 5.1].map((t, i) => entry(i % 2 ? 'right' : 'left', t));
    expect(strokeTiming(taps).asymmetry).toBeCloseTo((1.1 - 0.9) / 1.02, 2);
  });

  it('says which tap was missed and still counts the strokes', () => {
    const taps = [entry('left', 0), entry('right', 1), entry('left', 2), entry('left', 4), entry('right', 5)];
    const timing = strokeTiming(taps);
    expect(timing.problems).toEqual([{ index: 3, message: 'Two left entries in a row: one between them was missed.' }]);
    expect(timing.strokeRateSpm).toBeCloseTo(60, 9);
  });

  it('says when a time goes backwards', () => {
    const { problems } = strokeTiming([entry('left', 0), entry('right', 1), entry('left', 0.5), entry('right', 2)]);
    expect(problems[0]).toMatchObject({ index: 2 });
  });

  it('refuses what is too little', () => {
    expect(() => strokeTiming([entry('left', 0), entry('right', 1)])).toThrow('three hand entries');
    expect(() => strokeTiming([entry('left', 1), entry('right', 1), entry('left', 1)])).toThrow('same time');
  });

  it('counts breaths a side and does not care how the taps are mixed', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(steady(4), { minLength: 24, maxLength: 24 }), (mixed) => {
        const breaths: Tap[] = [
          { kind: 'breath', side: 'left', timeS: 1 },
          { kind: 'breath', side: 'right', timeS: 3 },
          { kind: 'breath', side: 'left', timeS: 5 },
        ];
        const timing = strokeTiming([...mixed, ...breaths]);
        expect(timing.breaths).toEqual({ left: 2, right: 1 });
        expect(timing.strokeRateSpm).toBeCloseTo(60, 9);
        expect(timing.coordination).toBeCloseTo(-0.1, 9);
      }),
      { numRuns: 30 },
    );
  });
});

describe('angles from lines', () => {
  it.each([
    ['trunk', { x: 0, y: 0 }, { x: 10, y: 2 }, 11.31],
    ['trunk', { x: 10, y: 0 }, { x: 0, y: 2 }, 11.31],
    ['lead-arm', { x: 0, y: 0 }, { x: -1, y: 1 }, 45],
    ['elbow', { x: 0, y: 0 }, { x: -1, y: 0 }, 0],
    ['elbow', { x: 0, y: 0 }, { x: -5, y: -1 }, -11.31],
    ['entry', { x: 0, y: 0 }, { x: -4, y: 0 }, 0],
    ['entry', { x: 0, y: 0 }, { x: -1, y: 1 }, 45],
    ['head-turn', { x: 0, y: 0 }, { x: 0, y: 1 }, 0],
    ['head-turn', { x: 0, y: 0 }, { x: 1, y: 0 }, 90],
    ['head-turn', { x: 0, y: 0 }, { x: 1, y: -1 }, 135],
    ['roll', { x: -1, y: 0 }, { x: 1, y: 0 }, 0],
    ['roll', { x: 0, y: -1 }, { x: 0, y: 1 }, 90],
  ] as const)('%s from %p to %p is %d°', (kind, a, b, degrees) =>
    expect(lineAngle(kind, [a, b])).toBeCloseTo(degrees, 1),
  );

  it('takes the shape of the frame into account', () =>
    expect(
      lineAngle(
        'trunk',
        [
          { x: 0, y: 0 },
          { x: 0.1, y: 0.1 },
        ],
        2,
      ),
    ).toBeCloseTo(26.57, 1));

  it('refuses a line without a length', () =>
    expect(() =>
      lineAngle('roll', [
        { x: 1, y: 1 },
        { x: 1, y: 1 },
      ]),
    ).toThrow('two different places'));

  describe('a hand that enters, from the front', () => {
    // Shoulders 4 apart around 10: half of 38 cm is 2.
    const shoulders = [
      { x: 8, y: 1 },
      { x: 12, y: 1 },
    ] as const;
    it.each([
      ['on its own side', 8, 8, -19],
      ['at the middle', 8, 10, 0],
      ['past it, by half a shoulder', 8, 11, 9.5],
      ['past it, the other arm', 12, 9, 9.5],
      ['wide of its shoulder', 12, 13, -28.5],
    ])('%s', (_, from, to, cm) => {
      const hand = [
        { x: from, y: 1 },
        { x: to, y: 7 },
      ] as const;
      expect(handPastMiddleCm(hand, shoulders)).toBeCloseTo(cm, 9);
      expect(handPastMiddleCm(hand, [shoulders[1], shoulders[0]])).toBeCloseTo(cm, 9);
      // A frame twice as wide as high, in shares of the frame.
      const share = ({ x, y }: { x: number; y: number }) => ({ x: x / 2, y });
      expect(
        handPastMiddleCm([share(hand[0]), share(hand[1])], [share(shoulders[0]), share(shoulders[1])], 2),
      ).toBeCloseTo(cm, 9);
    });

    it('is read with the shoulders of its own moment only', () => {
      const line = (kind: 'roll' | 'past-middle', timeS: number, a: number, b: number) =>
        ({
          kind,
          timeS,
          line: [
            { x: a, y: 0 },
            { x: b, y: kind === 'roll' ? 0 : 3 },
          ],
        }) as const;
      const hand = line('past-middle', 2, 8, 11);
      expect(lineValues('past-middle', [hand])).toEqual([]);
      expect(lineValues('past-middle', [hand, line('roll', 3, 8, 12)])).toEqual([]);
      expect(lineValues('past-middle', [hand, line('roll', 2.1, 8, 12)])).toEqual([9.5]);
      // Two readings of the shoulders are both used.
      const two = [hand, line('roll', 2, 8, 12), line('roll', 2, 7.8, 11.8)];
      expect(lineValues('past-middle', two)[0]).toBeCloseTo((9.5 + 11.4) / 2, 9);
      expect([lineUnit('past-middle'), lineUnit('entry')]).toEqual([' cm', '°']);
      expect(SHOULDERS_CM).toBe(38);
    });

    it('refuses shoulders at one place', () =>
      expect(() => handPastMiddleCm(shoulders, [shoulders[0], shoulders[0]])).toThrow('two different places'));
  });

  it('gives the reading error of repeated clicks', () => {
    expect(repeatedReading([10])).toEqual({ mean: 10, error: null, readings: 1 });
    expect(repeatedReading([9, 11])).toEqual({ mean: 10, error: expect.closeTo(1.414, 3), readings: 2 });
  });
});

describe('agreement', () => {
  it('is worked out beyond chance', () => {
    // Both say yes 1, first only 1, both no 2: agreed 0.75, by chance 0.5 · 0.25 + 0.5 · 0.75 = 0.5.
    expect(
      cohensKappa([
        [true, true],
        [true, false],
        [false, false],
        [false, false],
      ]),
    ).toBeCloseTo(0.5, 9);
    expect(
      cohensKappa([
        [true, true],
        [false, false],
      ]),
    ).toBe(1);
    expect(
      cohensKappa([
        [true, false],
        [false, true],
      ]),
    ).toBe(-1);
    expect(
      cohensKappa([
        [true, true],
        [true, true],
      ]),
    ).toBeNull();
    expect(() => cohensKappa([])).toThrow(RangeError);
  });
});
