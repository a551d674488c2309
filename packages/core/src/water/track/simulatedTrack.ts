import type { TrackPoint, WornBy } from '../../exchange';
import { RAD, seeded, seededNormal } from '../../units';
import { legsOf, planeOf } from '../course/legs';
import type { Course } from '../course/model';
import type { PlanePoint } from '../course/plane';

/** How a simulated swimmer swims outside, and what their receiver makes of it. */
export interface Outing {
  /** Turn a stroke between looks: mean and random, radians; right positive. */
  readonly biasRad: number;
  readonly sdRad: number;
  /** Strokes between looks. */
  readonly lookEvery: number;
  /** Error of the receiver, metres. */
  readonly receiverSdM: number;
  /** Share of points that are missing, one by one. */
  readonly dropOuts: number;
  /** Seconds for which the receiver is silent in the middle of the swim; it jumps afterwards. */
  readonly silentS: number;
  /** Flow of the water, and where it goes. */
  readonly currentMps: number;
  readonly currentToDeg: number;
}

/** Within this of a mark one stroke leads to it, metres. */
const REACHED_M = 2;
/** How far the receiver jumps after a silence, metres. */
const JUMP_M = 80;

/**
 * The track of a swim round a course: stroke by stroke off the line and back to it at every look, seen by a
 * receiver that errs, drops out and jumps, a point a second. Same seed, same track.
 */
export function simulatedTrack(worn: WornBy, outing: Outing, course: Course): TrackPoint[] {
  const plane = planeOf(course);
  const strokeS = worn.strokeLengthM / worn.speedMps;
  const points: TrackPoint[] = [];
  const carriedM = outing.currentMps * strokeS;
  const flow = {
    x: carriedM * Math.sin(outing.currentToDeg * RAD),
    y: carriedM * Math.cos(outing.currentToDeg * RAD),
  };
  let here: PlanePoint = plane.toPlane(course.start);
  let [n, heading, last] = [0, 0, -1];
  const silentFrom = outing.silentS > 0 ? Math.round(lengthS(course, worn.speedMps) / 2) : Infinity;
  for (const { to } of legsOf(course)) {
    const mark = plane.toPlane(to);
    for (let k = 0; (mark.x !== here.x || mark.y !== here.y) && n < 200_000; k++, n++) {
      if (k % outing.lookEvery === 0) heading = Math.atan2(mark.x - here.x, mark.y - here.y);
      heading += outing.biasRad + outing.sdRad * seededNormal(worn.seed, n);
      // The last stroke ends at the mark: near it every swimmer sees it.
      here =
        Math.hypot(mark.x - here.x, mark.y - here.y) <= REACHED_M
          ? mark
          : {
              x: here.x + worn.strokeLengthM * Math.sin(heading) + flow.x,
              y: here.y + worn.strokeLengthM * Math.cos(heading) + flow.y,
            };
      const t = (n + 1) * strokeS;
      const second = Math.floor(t);
      const silent = second >= silentFrom && second < silentFrom + outing.silentS;
      if (second === last || silent || seeded(worn.seed + 1, n) < outing.dropOuts) continue;
      last = second;
      const jump = second >= silentFrom + outing.silentS && second < silentFrom + outing.silentS + 2 ? JUMP_M : 0;
      points.push({
        ...plane.toPlace({
          x: here.x + jump + outing.receiverSdM * seededNormal(worn.seed + 2, n),
          y: here.y + outing.receiverSdM * seededNormal(worn.seed + 3, n),
        }),
        timeMs: worn.startMs + Math.round(t * 1000),
      });
    }
  }
  return points;
}

const lengthS = (course: Course, speedMps: number) =>
  legsOf(course).reduce((sum, leg) => sum + leg.lengthM, 0) / speedMps;
