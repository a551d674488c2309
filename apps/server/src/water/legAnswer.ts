import type { SimulateLegBody } from '@upwell/contract/water';
import { RAD } from '@upwell/core/units';
import { bestOf, simulateInterval } from '@upwell/core/water';
import { ProblemError } from '../platform/problemError';

/** Most strokes of one request: a second or two of work. */
const MOST_STROKES = 60e6;

/** A leg swum many times, by the interval of looking. */
export function legAnswer(body: SimulateLegBody) {
  const strokes = (body.distanceM / body.strokeLengthM) * body.tracks * body.intervals.length;
  if (strokes > MOST_STROKES) {
    const message = `This is about ${Math.round(strokes / 1e6)} million strokes; one request takes ${MOST_STROKES / 1e6}. Ask for fewer tracks or intervals.`;
    throw new ProblemError(422, message, { fields: [{ field: 'tracks', message }] });
  }
  const leg = {
    distanceM: body.distanceM,
    strokeLengthM: body.strokeLengthM,
    speedMps: body.speedMps,
    biasRad: body.biasDegPerStroke * RAD,
    sdRad: body.sdDegPerStroke * RAD,
    aimSdRad: body.aimSdDeg * RAD,
    lookCostS: body.lookCostS,
    seeProbability: body.seeProbability,
    turnRadiusM: body.turnRadiusM,
    current: body.currentMps,
    seed: body.seed,
  };
  try {
    const intervals = [...body.intervals].sort((a, b) => a - b);
    return bestOf(intervals.map((interval) => simulateInterval(leg, interval, body.tracks)));
  } catch (error) {
    if (error instanceof RangeError) throw new ProblemError(422, error.message);
    throw error;
  }
}
