import { RAD } from '../../units';
import { GLARE } from './sides';
import type { Landmark } from '../course/model';
import { bearingTo, turnBetween, type Place } from '../course/plane';
import type { Sun } from './sun';
import { counted, numberWord } from '../../words';

/** Eyes of a swimmer over the water at a look, metres. */
export const EYE_HEIGHT_M = 0.2;
/** A race buoy, for "two buoy-widths right". */
export const BUOY_WIDTH_M = 1.5;

export interface AimPoint {
  readonly landmark: Landmark;
  /** Off the line of the leg, degrees; right positive. */
  readonly offDeg: number;
  readonly distanceM: number;
  /** How wide and high it looks, degrees. */
  readonly widthDeg: number;
  readonly heightDeg: number;
  /** 0–1. */
  readonly score: number;
  /** How far beside the mark it stands, in words. */
  readonly words: string;
  readonly reasons: readonly string[];
}

/** Farther off the line than this nothing is of use, degrees. */
const WIDEST = 20;
/** What looks smaller than this, wide and high, is not seen from the water, degrees. */
export const SMALLEST_AIM_DEG = 0.3;
/** More buoy-widths than this nobody can judge from the water. */
const MOST_WIDTHS = 6;
/** A finger and a fist at arm's length, degrees. */
const FINGER_DEG = 2;
const FIST_DEG = 10;

/**
 * Landmarks to aim at on a leg, the best first: in line, large, far and fixed, not in the glare.
 *
 * What can move is never listed. Size counts as it looks from the water at the start of the leg; far beats
 * near, because a far one stays in line while the swimmer drifts. What looks smaller than {@link SMALLEST_AIM_DEG} is not
 * offered: nobody finds it between two strokes.
 *
 * @param from start of the leg
 * @param to mark at its end
 * @param buoy whether a buoy lies there; without one the line of the leg is meant
 */
export function aimPoints(
  from: Place,
  to: Place,
  landmarks: readonly Landmark[],
  sun: Sun | null,
  buoy = true,
): AimPoint[] {
  const leg = bearingTo(from, to);
  return landmarks
    .filter((l) => l.fixed)
    .flatMap((landmark): AimPoint[] => {
      const { distanceM, bearingDeg } = bearingTo(from, landmark);
      const offDeg = turnBetween(leg.bearingDeg, bearingDeg);
      // Nearer than the mark it is passed on the way.
      if (Math.abs(offDeg) > WIDEST || distanceM < leg.distanceM * 0.9) return [];
      const widthDeg = (2 * Math.atan(landmark.widthM / 2 / distanceM)) / RAD;
      const heightDeg = Math.atan(Math.max(0, landmark.heightM - EYE_HEIGHT_M) / distanceM) / RAD;
      if (Math.max(widthDeg, heightDeg) < SMALLEST_AIM_DEG) return [];
      const glare =
        sun !== null &&
        sun.altitudeDeg > 0 &&
        sun.altitudeDeg < GLARE.underDeg &&
        Math.abs(turnBetween(bearingDeg, sun.bearingDeg)) < 20;
      const line = 1 - Math.abs(offDeg) / WIDEST;
      const size = Math.min(1, Math.sqrt(widthDeg * heightDeg) / 2);
      const far = Math.min(1, distanceM / (2 * leg.distanceM));
      const score = line * (0.25 + 0.5 * size + 0.25 * far) * (glare ? 0.5 : 1);
      return [
        {
          landmark,
          offDeg,
          distanceM,
          widthDeg,
          heightDeg,
          score,
          words: `${landmark.name}, ${beside(offDeg, leg.distanceM, buoy)}`,
          reasons: [
            `${numberWord(Math.abs(offDeg), 1)}° ${offDeg < 0 ? 'left' : 'right'} of the line`,
            `looks ${numberWord(widthDeg, 1)}° wide and ${numberWord(heightDeg, 1)}° high`,
            `${Math.round(distanceM)} m away`,
            ...(glare ? ['in the glare of the sun'] : []),
          ],
        },
      ];
    })
    .sort((a, b) => b.score - a.score);
}

/** How far beside the mark, in widths of the buoy as it looks from the start of the leg. */
function beside(offDeg: number, legM: number, buoy: boolean): string {
  const buoyDeg = (2 * Math.atan(BUOY_WIDTH_M / 2 / legM)) / RAD;
  const widths = Math.abs(offDeg) / buoyDeg;
  const side = offDeg < 0 ? 'left' : 'right';
  const what = buoy ? 'the mark' : 'your line';
  if (widths < 0.5) return buoy ? 'right behind the mark' : 'right ahead';
  if (buoy && widths < MOST_WIDTHS + 0.5) return `${counted(Math.round(widths), 'buoy-width')} ${side} of the mark`;
  const [unit, deg] =
    Math.abs(offDeg) < 0.75 * FIST_DEG ? (['finger', FINGER_DEG] as const) : (['fist', FIST_DEG] as const);
  const held = counted(Math.max(1, Math.round(Math.abs(offDeg) / deg)), unit);
  return `${held} at arm’s length ${side} of ${what}`;
}
