// How far a track goes: one answer for courses and results, without the noise of the receiver.
import { dayIn } from '../../days';
import { zoneAt } from '../../days/place';
import { FASTEST_MPS } from '../../measures';
import { numberWord } from '../../words';
import { planeAround } from '../course/plane';
import { RefusedTrack, type CleanTrack } from './cleanTrack';
import { away, mean, type TrackStep } from './trackPoints';

/** The receiver's noise is averaged over so much on either side, milliseconds. */
const SMOOTH_MS = 3000;
/** Metres are added up in steps of this, so that noise is not swum, milliseconds. */
const STEP_MS = 8000;
/** Slower than this on the whole a track holds more than a swim, m/s: our own rule of thumb. */
const SLOWEST_MPS = 0.25;

/** Each point as the mean of those around it, within the same stretch without gaps. */
export function smoothed(raw: readonly TrackStep[]): TrackStep[] {
  let [low, high] = [0, 0];
  return raw.map((p, i) => {
    while (raw[low]!.timeMs < p.timeMs - SMOOTH_MS) low++;
    while (high + 1 < raw.length && raw[high + 1]!.timeMs <= p.timeMs + SMOOTH_MS) high++;
    // As many on either side, or the mean would lag or lead.
    const half = Math.min(i - low, high - i);
    const near = raw.slice(i - half, i + half + 1);
    return { x: mean(near.map((q) => q.x)), y: mean(near.map((q) => q.y)), timeMs: p.timeMs };
  });
}

/** Metres along smoothed points, added up in steps of eight seconds. */
export function steppedM(points: readonly TrackStep[]): number {
  let metres = 0;
  let last = points[0]!;
  points.forEach((p, i) => {
    if (p.timeMs - last.timeMs < STEP_MS && i < points.length - 1) return;
    metres += away(last, p);
    last = p;
  });
  return metres;
}

/** What a track amounts to as a result. */
export interface SwumSum {
  readonly distanceM: number;
  readonly timeS: number;
  /** The day of its first point, by the clock of where it is. */
  readonly on: string;
  /** What the coach should know of it. */
  readonly words: readonly string[];
}

/**
 * Metres, time and day of a swum track, by the same metres as a track that is laid over a course.
 *
 * @throws RefusedTrack when it is faster than anybody swims
 * @example swumSum(cleanTrack(points)).distanceM // 1627, where the bare points add up to 3,674
 */
export function swumSum({ points, leftOut, gaps }: CleanTrack): SwumSum {
  const plane = planeAround(points[0]!);
  const distanceM = steppedM(smoothed(points.map((p) => ({ ...plane.toPlane(p), timeMs: p.timeMs }))));
  const timeS = (points.at(-1)!.timeMs - points[0]!.timeMs) / 1000;
  const speed = distanceM / timeS;
  if (speed > FASTEST_MPS)
    throw new RefusedTrack(
      `${numberWord(distanceM)} m in ${numberWord(timeS)} s is faster than anybody swims: was this ridden or run?`,
    );
  const gapS = gaps.reduce((sum, g) => sum + g.seconds, 0);
  return {
    distanceM,
    timeS,
    on: dayIn(zoneAt(points[0]!), points[0]!.timeMs),
    words: [
      ...(speed < SLOWEST_MPS
        ? [
            `On the whole ${numberWord(speed, 2)} m/s: more than the swim is in this track, such as a rest or the way to the water.`,
          ]
        : []),
      ...(leftOut > 0 ? [`${numberWord(leftOut)} points were left out as errors of the receiver.`] : []),
      ...(gapS > 0 ? [`The receiver was silent for ${Math.round(gapS)} s in all; a straight line is assumed.`] : []),
    ],
  };
}
