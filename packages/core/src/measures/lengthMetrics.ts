/** What was measured over one length. */
export interface TimedLength {
  readonly lengthM: number;
  /** Distance from the wall to the first stroke. */
  readonly pushOffM: number;
  readonly pushOffS: number;
  readonly timeS: number;
  /** Hand entries. */
  readonly strokes: number;
}

export interface LengthMetrics {
  readonly speedMps: number;
  readonly strokeLengthM: number;
  readonly strokeRateSpm: number;
  /** Speed × stroke length, per stroke (not per cycle). */
  readonly strokeIndex: number;
}

/**
 * Clean speed, stroke length, stroke rate and stroke index of one length, the push-off left out.
 *
 * A stroke is one hand entry; the index is per stroke (Costill et al. 1985 give it per cycle, which
 * is twice as much).
 *
 * @throws RangeError when the push-off is not shorter than the length in metres and in seconds
 * @example
 * lengthMetrics({ lengthM: 25, pushOffM: 5, pushOffS: 2.6, timeS: 21.4, strokes: 22 })
 * // { speedMps: 1.064, strokeLengthM: 0.909, strokeRateSpm: 70.2, strokeIndex: 0.967 } rounded
 */
export function lengthMetrics({ lengthM, pushOffM, pushOffS, timeS, strokes }: TimedLength): LengthMetrics {
  const distanceM = lengthM - pushOffM;
  const swimS = timeS - pushOffS;
  if (!(distanceM > 0)) throw new RangeError('pushOffM must be shorter than the length');
  if (!(swimS > 0)) throw new RangeError('pushOffS must be shorter than the time');
  if (!(strokes > 0)) throw new RangeError('strokes must be over 0');
  const speedMps = distanceM / swimS;
  const strokeLengthM = distanceM / strokes;
  return { speedMps, strokeLengthM, strokeRateSpm: (60 * strokes) / swimS, strokeIndex: speedMps * strokeLengthM };
}
