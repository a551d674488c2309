// What waves change in a stroke: the line, the rate and the arm.
import { STROKE_MODEL } from '../../swimmers';

/** Waves up to this change nothing for a swimmer, metres. */
export const CALM_M = 0.1;
/** From this height on the quick rhythm is proposed, metres. */
export const QUICK_FROM_M = 0.5;
/** From this height on the arm has to come over higher, metres. */
const HIGH_ARM_M = 0.3;
/** How much more the line wanders at each stroke for each metre of wave over a calm: a guess, said to be one. */
const WANDER_PER_M = 2;
/** Without a rate ramp nobody is asked for more than this share over the rate they swim. */
const UNTRIED = 0.1;

/** What the waves of a leg do to a swimmer. */
export interface Chop {
  /** Proposed strokes a minute. */
  readonly rateSpm: number;
  /** How many times as much the line wanders from stroke to stroke as in flat water, ≥ 1. */
  readonly wander: number;
  /** What to do about it; nothing in calm water. */
  readonly words: readonly string[];
}

/**
 * What waves change: a line that wanders more, a quicker rhythm from half a metre on, an arm that comes over higher.
 *
 * The rate rises to the band of the quick rhythm, as far as the swimmer has shown to be able to.
 *
 * @param waveHeightM metres, from 0
 * @param rateSpm strokes a minute in flat water
 * @param topRateSpm the fastest rate of a ramp that still paid; null without one
 * @throws RangeError when a number is negative or not finite
 * @example chop(0.8, 58, null).rateSpm // 64: a tenth more, for nobody has tried how far it goes
 * @example chop(0.8, 58, 72).rateSpm // 66, where the quick rhythm begins
 */
export function chop(waveHeightM: number, rateSpm: number, topRateSpm: number | null): Chop {
  if (!(waveHeightM >= 0 && rateSpm > 0 && (topRateSpm === null || topRateSpm > 0)))
    throw new RangeError('waveHeightM from 0, rates over 0');
  const [quick] = STROKE_MODEL['quick-rhythm'].rateBandSpm;
  const most = Math.max(rateSpm, Math.round(topRateSpm ?? rateSpm * (1 + UNTRIED)));
  const raised = waveHeightM >= QUICK_FROM_M ? Math.min(Math.max(rateSpm, quick), most) : rateSpm;
  const words: string[] = [];
  if (waveHeightM >= HIGH_ARM_M) words.push('Higher recovery: the hand clears the wave, the elbow leads.');
  if (raised > rateSpm)
    words.push(`Shorter and quicker: ${raised} strokes a minute instead of ${rateSpm} hold the line in this chop.`);
  else if (waveHeightM >= QUICK_FROM_M && raised < quick)
    words.push(`No quicker than ${raised} strokes a minute: the rate ramp says that more would not pay.`);
  return { rateSpm: raised, wander: 1 + WANDER_PER_M * Math.max(0, waveHeightM - CALM_M), words };
}
