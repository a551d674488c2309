// The legs of a course, lap by lap.
import { bearingTo, planeAround, type Place, type Plane } from './plane';
import type { Course, Landmark, TurnSide } from './model';

export interface Leg {
  /** The same for every time the leg is swum. */
  readonly key: string;
  readonly from: Place & { readonly name: string };
  readonly to: Place & { readonly name: string };
  /** Where the mark at the end is kept; null at the finish. */
  readonly turn: TurnSide | null;
  /** The landmark that tells where to turn, where no buoy lies; null at a buoy and at the finish. */
  readonly abeam: Landmark | null;
  readonly lap: number;
  readonly lengthM: number;
  /** Of the line at its start, degrees. */
  readonly bearingDeg: number;
}

/**
 * The legs of a course in the order they are swum, geodesic.
 *
 * @example a course of two marks and two laps has start→1, 1→2, 2→1, 1→2, 2→finish
 */
export function legsOf(course: Course): Leg[] {
  const start = { ...course.start, id: 'start', name: 'Start', turn: null, lap: 1 };
  const landmark = (id: string | undefined) => course.landmarks.find((l) => l.id === id) ?? null;
  // A single mark is swum to and back again, so each lap comes by the start.
  const between = course.marks.length === 1 ? [{ ...start, turn: course.marks[0]!.turn }] : [];
  const stops = [
    start,
    ...Array.from({ length: course.laps }, (_, i) =>
      [...(i > 0 ? between : []), ...course.marks].map((stop) => ({ ...stop, lap: i + 1 })),
    ).flat(),
    { ...course.finish, id: 'finish', name: 'Finish', turn: null, lap: course.laps },
  ];
  const abeamOf = (stop: object) => ('abeam' in stop ? landmark(stop.abeam as string) : null);
  return stops.slice(1).map((to, i) => {
    const from = stops[i]!;
    const { distanceM, bearingDeg } = bearingTo(from, to);
    const { turn, lap } = to;
    return { key: `${from.id}>${to.id}`, from, to, turn, abeam: abeamOf(to), lap, lengthM: distanceM, bearingDeg };
  });
}

/** Each leg once, with how often it is swum. */
export function differentLegs(legs: readonly Leg[]): { readonly leg: Leg; readonly times: number }[] {
  const keys = [...new Set(legs.map((l) => l.key))];
  return keys.map((key) => {
    const same = legs.filter((l) => l.key === key);
    return { leg: same[0]!, times: same.length };
  });
}

export const lengthOf = (legs: readonly Leg[]): number => legs.reduce((sum, leg) => sum + leg.lengthM, 0);

/** A flat map around the course. */
export function planeOf(course: Course): Plane {
  return planeAround(course.start);
}
