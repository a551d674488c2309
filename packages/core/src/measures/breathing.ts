// Breaths from stroke rate and pattern.
export type Side = 'left' | 'right';

/**
 * Breaths per minute for a breathing pattern at a stroke rate.
 *
 * A stroke is one hand entry, so a breath every third stroke at 60 strokes a minute is 20 breaths.
 *
 * @param strokeRateSpm strokes per minute, > 0
 * @param every strokes between breaths, integer ≥ 1
 * @returns breaths per minute
 * @throws RangeError when either is out of range
 * @example breathsPerMinute(60, 3) // 20
 */
export function breathsPerMinute(strokeRateSpm: number, every: number): number {
  if (!(strokeRateSpm > 0)) throw new RangeError('strokeRateSpm must be over 0');
  if (!Number.isInteger(every) || every < 1) throw new RangeError('every must be a whole number from 1');
  return strokeRateSpm / every;
}

export interface BreathsPerSide {
  readonly left: number;
  readonly right: number;
}

/**
 * Breaths to each side over a distance. Odd patterns change sides, even ones do not.
 *
 * @param every strokes between breaths, integer ≥ 1
 * @param distanceM metres swum, ≥ 0
 * @param strokeLengthM metres per stroke, > 0
 * @param startSide side of the first breath
 * @throws RangeError when a number is out of range
 * @example breathsPerSide(3, 100, 1, 'left') // 33 breaths: { left: 17, right: 16 }
 */
export function breathsPerSide(
  every: number,
  distanceM: number,
  strokeLengthM: number,
  startSide: Side,
): BreathsPerSide {
  if (!Number.isInteger(every) || every < 1) throw new RangeError('every must be a whole number from 1');
  if (!(distanceM >= 0)) throw new RangeError('distanceM must not be negative');
  if (!(strokeLengthM > 0)) throw new RangeError('strokeLengthM must be over 0');
  // A hair is added so that 24 strokes of 25/24 m count as 24, not as 23.999….
  const breaths = Math.floor(distanceM / strokeLengthM / every + 1e-9);
  const first = every % 2 === 0 ? breaths : Math.ceil(breaths / 2);
  const other = breaths - first;
  return startSide === 'left' ? { left: first, right: other } : { left: other, right: first };
}
