// Swims besides the loop round buoys: turning without a mark, and from one place to another with the stream.
import { counted, distanceWord, numberWord } from '../../words';
import { RAD } from '../../units';
import { type Leg, legsOf } from './legs';
import type { Course, Exit, TurnSide } from './model';
import { bearingTo, planeAround, turnBetween } from './plane';

/** Off right angles by more than this at the turn, a landmark tells the turn badly, degrees: our own rule of thumb. */
export const ABEAM_WITHIN_DEG = 15;
/** What a swimmer judges as right angles over the shoulder may be off by this, degrees: our own guess. */
const ABEAM_ERROR_DEG = 10;

/** Where to turn without a buoy. */
export interface AbeamTurn {
  readonly landmark: string;
  /** Over which shoulder it stands. */
  readonly side: TurnSide;
  /** From right ahead to the landmark, at the turn, degrees: 90 is abeam. */
  readonly angleDeg: number;
  /** Metres by which the turn is early or late when right angles are misjudged. */
  readonly offM: number;
}

/** How to tell the turn at the end of a leg where no buoy lies; null where one does. */
export function abeamTurn({ abeam, to, bearingDeg }: Leg): AbeamTurn | null {
  if (!abeam) return null;
  const toLandmark = bearingTo(to, abeam);
  const turn = turnBetween(bearingDeg, toLandmark.bearingDeg);
  return {
    landmark: abeam.name,
    side: turn < 0 ? 'left' : 'right',
    angleDeg: Math.abs(turn),
    offM: toLandmark.distanceM * Math.tan(ABEAM_ERROR_DEG * RAD),
  };
}

/**
 * The same as a sentence, with the time as the second sign.
 *
 * @param timeS of the leg, seconds
 * @example 'No buoy: turn with Old church at right angles over your left shoulder, after about 12 minutes. …'
 */
export function abeamWords({ landmark, side }: AbeamTurn, timeS: number): string {
  return `No buoy: turn with ${landmark} at right angles over your ${side} shoulder, after about ${counted(Math.max(1, Math.round(timeS / 60)), 'minute')}. Time up and not there: stop, look, then decide.`;
}

/** A way out with how far along the course it lies. */
export interface ExitAlong extends Exit {
  /** Metres from the start to where it is nearest. */
  readonly alongM: number;
  /** Metres from the line of the course to it. */
  readonly offM: number;
}

/** The ways out in the order in which they are passed on the first lap. */
export function exitsAlong(course: Course): ExitAlong[] {
  const plane = planeAround(course.start);
  const legs = legsOf(course).filter(({ lap }) => lap === 1);
  return (course.exits ?? [])
    .map((exit): ExitAlong => {
      const p = plane.toPlane(exit);
      let before = 0;
      let best = { alongM: 0, offM: Infinity };
      for (const { from, to, lengthM } of legs) {
        const [a, b] = [plane.toPlane(from), plane.toPlane(to)];
        const square = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
        const share = square > 0 ? ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / square : 0;
        const t = Math.min(1, Math.max(0, share));
        const offM = Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
        if (offM < best.offM) best = { alongM: before + t * lengthM, offM };
        before += lengthM;
      }
      return { ...exit, ...best };
    })
    .sort((a, b) => a.alongM - b.alongM);
}

/** What a decision needs to know of a course that goes with the stream. */
export interface StreamWay {
  /** Ways out between start and finish. */
  readonly exits: number;
  /** One of them is named as the last before a danger. */
  readonly lastNamed: boolean;
  /** From the start to the finish, degrees. */
  readonly bearingDeg: number;
}

/** The way of a course that goes with the stream; null where everybody comes back. */
export function streamWay(course: Course): StreamWay | null {
  if (!course.withStream) return null;
  const exits = course.exits ?? [];
  return {
    exits: exits.length,
    lastNamed: exits.some(({ last }) => last),
    bearingDeg: bearingTo(course.start, course.finish).bearingDeg,
  };
}

/**
 * The ways out for the card, in order, with the time at which each is passed.
 *
 * @param timeAt seconds from the start for metres along the course
 * @example ['Mill steps after 640 m, about 9 min', 'Ferry slip after 1.2 km, about 17 min: the last one. In doubt, out here.']
 */
export const exitWords = (exits: readonly ExitAlong[], timeAt: (alongM: number) => number): string[] =>
  exits.map(({ name, alongM, last }) => {
    const minutes = numberWord(Math.max(1, Math.round(timeAt(alongM) / 60)));
    return `${name} after ${distanceWord(alongM)}, about ${minutes} min${last ? ': the last one. In doubt, out here.' : ''}`;
  });
