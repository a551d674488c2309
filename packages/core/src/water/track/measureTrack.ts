// A track laid over its course: legs, times, metres and line.
import type { Drift } from '../../measures';
import { legsOf, planeOf, type Leg } from '../course/legs';
import type { Course } from '../course/model';
import { toStretch, type PlanePoint } from '../course/plane';
import { RefusedTrack, type CleanTrack } from './cleanTrack';
import { driftBetweenLooks, type TrackHabits } from './driftBetweenLooks';
import { passings } from './passings';
import { smoothed, steppedM } from './swumLength';
import { away, mean, rms, type TrackStep } from './trackPoints';
import { numberWord } from '../../words';

export interface LegSwum {
  readonly leg: Leg;
  readonly timeS: number;
  /** Metres over ground. */
  readonly swumM: number;
  /** Beside the line of the leg, metres; right positive: mean, root mean square, and the farthest. */
  readonly meanOffM: number;
  readonly zigzagM: number;
  readonly farthestOffM: number;
  /** How near the mark at the end was passed, metres. */
  readonly passedM: number;
}

export interface MeasuredTrack {
  readonly legs: readonly LegSwum[];
  readonly timeS: number;
  readonly swumM: number;
  readonly courseM: number;
  /** Start of the swim, milliseconds since 1970. */
  readonly startMs: number;
  /** The line as it was swum, smoothed, from start to finish. */
  readonly line: readonly TrackStep[];
  /** Null when it cannot be told; `driftWhy` says why. */
  readonly drift: Drift | null;
  readonly driftWhy: string | null;
  /** What the coach should know of the track. */
  readonly words: readonly string[];
}

/** A mark that is passed farther off than this was not swum round, metres. */
const MISSED_M = 60;
/** A course farther off than this is another one, metres. */
const ELSEWHERE_M = 1000;

/**
 * A swim laid over the course: time, metres and line of each leg, and how the swimmer drifts between looks.
 *
 * @throws RefusedTrack when it was swum elsewhere or not along this course
 */
export function measureTrack(track: CleanTrack, course: Course, habits: TrackHabits): MeasuredTrack {
  const plane = planeOf(course);
  const legs = legsOf(course);
  const raw = track.points.map((p): TrackStep => ({ ...plane.toPlane(p), timeMs: p.timeMs }));
  const stops = [legs[0]!.from, ...legs.map((l) => l.to)];
  const flat = stops.map((s) => plane.toPlane(s));
  const nearest = raw.reduce(
    (least, p) => Math.min(least, ...flat.slice(1).map((to, i) => toStretch(p, flat[i]!, to))),
    Infinity,
  );
  if (nearest > ELSEWHERE_M) {
    const far = nearest < 10_000 ? `${numberWord(nearest / 1000, 1)} km` : `${Math.round(nearest / 1000)} km`;
    throw new RefusedTrack(`This track stays ${far} from the course: it was swum somewhere else.`);
  }
  const smooth = smoothed(raw);
  const at = passings(smooth, flat);
  const passed = at.map((i, k) => away(smooth[i]!, flat[k]!));
  const missed = stops.filter((_, k) => passed[k]! > MISSED_M);
  if (missed.length * 2 > stops.length)
    throw new RefusedTrack('This track does not follow the course: most of its marks were not passed.');
  const steps = legs.map((leg, k) =>
    legSwum(leg, smooth.slice(at[k], at[k + 1]! + 1), flat[k]!, flat[k + 1]!, passed[k + 1]!),
  );
  const line = smooth.slice(at[0], at.at(-1)! + 1);
  const { drift, why } = driftBetweenLooks(raw, track.gaps, at, flat, habits);
  const gapS = track.gaps.reduce((sum, g) => sum + g.seconds, 0);
  const total = (of: (l: LegSwum) => number) => steps.reduce((sum, l) => sum + of(l), 0);
  return {
    legs: steps,
    timeS: total((l) => l.timeS),
    swumM: total((l) => l.swumM),
    courseM: total((l) => l.leg.lengthM),
    startMs: line[0]!.timeMs,
    line,
    drift,
    driftWhy: why,
    words: [
      ...missed.map((s) => `${s.name} was passed ${Math.round(passed[stops.indexOf(s)]!)} m off.`),
      ...(track.leftOut > 0 ? [`${track.leftOut} points were left out as errors of the receiver.`] : []),
      ...(gapS > 0 ? [`The receiver was silent for ${Math.round(gapS)} s in all; a straight line is assumed.`] : []),
    ],
  };
}

function legSwum(leg: Leg, points: readonly TrackStep[], from: PlanePoint, to: PlanePoint, passedM: number): LegSwum {
  const length = Math.max(1, away(from, to));
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const off = points.map((p) => (p.x - from.x) * uy - (p.y - from.y) * ux);
  return {
    leg,
    timeS: (points.at(-1)!.timeMs - points[0]!.timeMs) / 1000,
    swumM: steppedM(points),
    meanOffM: mean(off),
    zigzagM: rms(off.map((o) => o - mean(off))),
    farthestOffM: off.reduce((far, o) => (Math.abs(o) > Math.abs(far) ? o : far), 0),
    passedM,
  };
}
