/** How a swimmer's line wanders without looking. */
export interface Drift {
  /** Turn per stroke to one side, radians; positive to the right. */
  readonly biasRadPerStroke: number;
  readonly biasLow: number;
  readonly biasHigh: number;
  /** Random turn per stroke, radians. */
  readonly sdRadPerStroke: number;
  readonly sdLow: number;
  readonly sdHigh: number;
  readonly tries: number;
}

/** Four tries at least: fewer say nothing about how a line wanders. */
export const LEAST_DRIFT_TRIES = 4;

/** 97.5 % point of Student's t, by degrees of freedom from 1. */
const STUDENT = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131,
];
/** 2.5 % and 97.5 % points of χ², by degrees of freedom from 1. */
const CHI_LOW = [0.001, 0.051, 0.216, 0.484, 0.831, 1.237, 1.69, 2.18, 2.7, 3.247, 3.816, 4.404, 5.009, 5.629, 6.262];
const CHI_HIGH = [
  5.024, 7.378, 9.348, 11.143, 12.833, 14.449, 16.013, 17.535, 19.023, 20.483, 21.92, 23.337, 24.736, 26.119, 27.488,
];

/**
 * Drift from closed-eyes tries: how far off the line a swimmer ends after some strokes.
 *
 * With stroke length SL and N strokes, `mean(y) = SL·b·N²/2` and `var(y) = SL²·σ²·N³/3`. The intervals
 * of 95 % (Student's t for b, χ² for σ) are wide with four tries, and are shown for that reason.
 *
 * @param offM metres off the line at the end of each try, right positive
 * @param strokes strokes of a try
 * @param strokeLengthM metres a stroke
 * @throws RangeError with fewer than {@link LEAST_DRIFT_TRIES} tries, or numbers out of range
 * @example drift([1, 1, 1, 1], 10, 1).biasRadPerStroke // 0.02
 */
export function drift(offM: readonly number[], strokes: number, strokeLengthM: number): Drift {
  const n = offM.length;
  if (n < LEAST_DRIFT_TRIES) throw new RangeError(`At least ${LEAST_DRIFT_TRIES} tries are needed; there are ${n}.`);
  if (!(strokes > 0 && strokeLengthM > 0)) throw new RangeError('strokes and strokeLengthM must be over 0');
  if (offM.some((y) => !(Math.abs(y) <= strokes * strokeLengthM)))
    throw new RangeError('Nobody ends further off the line than they swam.');
  const perMetre = 2 / (strokeLengthM * strokes * strokes);
  const mean = offM.reduce((sum, y) => sum + y, 0) / n;
  const variance = offM.reduce((sum, y) => sum + (y - mean) ** 2, 0) / (n - 1);
  const df = Math.min(n - 1, STUDENT.length) - 1;
  const half = STUDENT[df]! * Math.sqrt(variance / n);
  const toSd = (v: number) => Math.sqrt((3 * v) / (strokeLengthM ** 2 * strokes ** 3));
  return {
    biasRadPerStroke: mean * perMetre,
    biasLow: (mean - half) * perMetre,
    biasHigh: (mean + half) * perMetre,
    sdRadPerStroke: toSd(variance),
    sdLow: toSd((variance * (n - 1)) / CHI_HIGH[df]!),
    sdHigh: toSd((variance * (n - 1)) / CHI_LOW[df]!),
    tries: n,
  };
}
