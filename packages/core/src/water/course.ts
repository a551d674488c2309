import { polygonContains } from 'd3-polygon';
import {
  bearingTo,
  cross,
  placeAt,
  planeAround,
  toStretch,
  turnBetween,
  type Place,
  type Plane,
  type PlanePoint,
} from './plane';

export const TURN_SIDES = ['left', 'right'] as const;
export type TurnSide = (typeof TURN_SIDES)[number];

/** A mark that is swum round, with the shoulder it is kept at. */
export interface Mark extends Place {
  readonly id: string;
  readonly name: string;
  readonly turn: TurnSide;
}

/** Something on land or in the water to aim at. */
export interface Landmark extends Place {
  readonly id: string;
  readonly name: string;
  readonly widthM: number;
  readonly heightM: number;
  /** A ridge or a tower; not a boat, a van or people. */
  readonly fixed: boolean;
}

export const AREA_KINDS = ['land', 'safe', 'forbidden'] as const;
export type AreaKind = (typeof AREA_KINDS)[number];

export interface Area {
  readonly id: string;
  readonly kind: AreaKind;
  readonly name: string;
  /** Corners in order; closed by itself. */
  readonly points: readonly Place[];
}

export interface Course {
  readonly start: Place;
  readonly marks: readonly Mark[];
  readonly finish: Place;
  /** How often the marks are swum round. */
  readonly laps: number;
  readonly areas: readonly Area[];
  readonly landmarks: readonly Landmark[];
}

/** Limits of a course. */
export const COURSE_LIMIT = { marks: 40, laps: 20, areas: 40, corners: 500, landmarks: 60, legM: 50_000 } as const;

export interface Leg {
  /** The same for every time the leg is swum. */
  readonly key: string;
  readonly from: Place & { readonly name: string };
  readonly to: Place & { readonly name: string };
  /** Where the mark at the end is kept; null at the finish. */
  readonly turn: TurnSide | null;
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
  // A single mark is swum to and back again, so each lap comes by the start.
  const between = course.marks.length === 1 ? [{ ...start, turn: course.marks[0]!.turn }] : [];
  const stops = [
    start,
    ...Array.from({ length: course.laps }, (_, i) =>
      [...(i > 0 ? between : []), ...course.marks].map((stop) => ({ ...stop, lap: i + 1 })),
    ).flat(),
    { ...course.finish, id: 'finish', name: 'Finish', turn: null, lap: course.laps },
  ];
  return stops.slice(1).map((to, i) => {
    const from = stops[i]!;
    const { distanceM, bearingDeg } = bearingTo(from, to);
    return { key: `${from.id}>${to.id}`, from, to, turn: to.turn, lap: to.lap, lengthM: distanceM, bearingDeg };
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

export interface CourseProblem {
  /** A stop cannot be swum or must not; a word is for the coach to weigh. */
  readonly weight: 'stop' | 'word';
  readonly text: string;
}

const closed = (points: readonly PlanePoint[]) => points.map((p, i) => [p, points[(i + 1) % points.length]!] as const);
const inside = (points: readonly PlanePoint[], p: PlanePoint) =>
  polygonContains(
    points.map(({ x, y }) => [x, y]),
    [p.x, p.y],
  );

/** Farthest any mark is from land, metres; null when no land is drawn. */
export function farthestFromLand(course: Course): number | null {
  const plane = planeOf(course);
  const edges = course.areas
    .filter((a) => a.kind === 'land')
    .flatMap((a) => closed(a.points.map((p) => plane.toPlane(p))));
  if (edges.length === 0) return null;
  const away = course.marks.map((mark) => {
    const at = plane.toPlane(mark);
    return Math.min(...edges.map(([a, b]) => toStretch(at, a, b)));
  });
  return Math.max(0, ...away);
}

/** What is wrong with a course, the worst first. */
export function checkCourse(course: Course): CourseProblem[] {
  const problems: CourseProblem[] = [];
  const stop = (text: string) => problems.push({ weight: 'stop', text });
  const word = (text: string) => problems.push({ weight: 'word', text });
  const legs = legsOf(course);
  const plane = planeOf(course);
  for (const leg of differentLegs(legs)) {
    const name = `${leg.leg.from.name} to ${leg.leg.to.name}`;
    if (leg.leg.lengthM < 5) stop(`${name} is ${leg.leg.lengthM.toFixed(1)} m: two places on one spot.`);
    if (leg.leg.lengthM > COURSE_LIMIT.legM)
      stop(`${name} is ${Math.round(leg.leg.lengthM / 1000)} km: farther than anybody plans.`);
  }
  if (problems.length > 0) return problems;

  const areas = course.areas.map((a) => ({ ...a, flat: a.points.map((p) => plane.toPlane(p)) }));
  for (const area of areas) {
    const edges = closed(area.flat);
    if (edges.some(([a, b], i) => edges.some(([c, d], k) => k > i + 1 && cross(a, b, c, d))))
      stop(`The outline of ${area.name || area.kind} crosses itself.`);
  }
  const places = [
    { name: 'The start', at: plane.toPlane(course.start), shore: true },
    ...course.marks.map((m) => ({ name: `Mark ${m.name}`, at: plane.toPlane(m), shore: false })),
    { name: 'The finish', at: plane.toPlane(course.finish), shore: true },
  ];
  const safe = areas.filter((a) => a.kind === 'safe');
  for (const { name, at, shore } of places) {
    for (const { kind, name: area, flat } of areas) {
      if (kind === 'land' && !shore && inside(flat, at)) stop(`${name} is on land.`);
      if (kind === 'forbidden' && inside(flat, at)) stop(`${name} is inside ${area || 'a forbidden area'}.`);
    }
    if (!shore && safe.length > 0 && !safe.some(({ flat }) => inside(flat, at)))
      word(`${name} is outside the safe area.`);
  }
  const lines = differentLegs(legs).map(({ leg }) => ({
    name: `${leg.from.name} to ${leg.to.name}`,
    a: plane.toPlane(leg.from),
    b: plane.toPlane(leg.to),
  }));
  for (const { name, a, b } of lines) {
    for (const area of areas) {
      const crossed = closed(area.flat).filter(([c, d]) => cross(a, b, c, d)).length;
      // Start and finish may lie on the beach: one crossing leads off it.
      const allowed = area.kind === 'land' && (inside(area.flat, a) || inside(area.flat, b)) ? 1 : 0;
      if (area.kind === 'land' && crossed > allowed) stop(`${name} goes over land (${area.name || 'shore'}).`);
      if (area.kind === 'forbidden' && crossed > 0) stop(`${name} goes through ${area.name || 'a forbidden area'}.`);
    }
  }
  lines.forEach((one, i) =>
    lines.slice(i + 1).forEach((other) => {
      if (cross(one.a, one.b, other.a, other.b)) word(`${one.name} and ${other.name} cross: swimmers meet there.`);
    }),
  );
  if (course.marks.some((_, i) => sharpest(legs, i)))
    word('A turn is sharper than 150°: swimmers meet each other there.');
  return problems.sort((a, b) => (a.weight === b.weight ? 0 : a.weight === 'stop' ? -1 : 1));
}

function sharpest(legs: readonly Leg[], i: number): boolean {
  const [into, out] = [legs[i], legs[i + 1]];
  return into !== undefined && out !== undefined && Math.abs(turnBetween(into.bearingDeg, out.bearingDeg)) > 150;
}

/** The side a mark is turned at when a line simply bends there. */
export function turnOf(before: Place, mark: Place, after: Place): TurnSide {
  const turn = turnBetween(bearingTo(before, mark).bearingDeg, bearingTo(mark, after).bearingDeg);
  // Turning right leaves the mark at the right shoulder.
  return turn >= 0 ? 'right' : 'left';
}

/**
 * A course taken along to another start: marks, finish, areas and landmarks keep their distance and bearing from it.
 *
 * @example movedCourse(course, { lat: 31, lon: -41 }).start // { lat: 31, lon: -41 }
 */
export function movedCourse(course: Course, start: Place): Course {
  const along = (place: Place): Place => {
    const { distanceM, bearingDeg } = bearingTo(course.start, place);
    return placeAt(start, bearingDeg, distanceM);
  };
  return {
    ...course,
    start,
    finish: along(course.finish),
    marks: course.marks.map((mark) => ({ ...mark, ...along(mark) })),
    landmarks: course.landmarks.map((landmark) => ({ ...landmark, ...along(landmark) })),
    areas: course.areas.map((area) => ({ ...area, points: area.points.map(along) })),
  };
}
