// What is wrong with a course, the worst first.
import { polygonContains } from 'd3-polygon';
import { bearingTo, cross, toStretch, turnBetween, type Place, type PlanePoint } from './plane';
import { COURSE_LIMIT, type Course, type TurnSide } from './model';
import { type Leg, differentLegs, legsOf, planeOf } from './legs';
import { ABEAM_WITHIN_DEG, abeamTurn, streamWay } from './otherSwims';
import { numberWord } from '../../words';

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
    if (leg.leg.lengthM < 5) stop(`${name} is ${numberWord(leg.leg.lengthM, 1)} m: two places in the same spot.`);
    if (leg.leg.lengthM > COURSE_LIMIT.legM)
      stop(`${name} is ${Math.round(leg.leg.lengthM / 1000)} km: too far to plan.`);
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
  for (const { name, abeam } of course.marks)
    if (abeam !== undefined && !course.landmarks.some(({ id }) => id === abeam))
      word(`Mark ${name} has no buoy, and its landmark is no longer on the map: choose another, or a buoy.`);
  for (const { leg } of differentLegs(legs)) {
    const turn = abeamTurn(leg);
    if (turn && Math.abs(turn.angleDeg - 90) > ABEAM_WITHIN_DEG)
      word(
        `Mark ${leg.to.name} has no buoy, and ${turn.landmark} stands at ${Math.round(turn.angleDeg)}° there, not at right angles: move the turn, or choose another landmark.`,
      );
  }
  const way = streamWay(course);
  if (way && course.laps > 1) stop('With the stream nobody swims a second lap.');
  if (way && way.exits === 0)
    word('With the stream, and no way out is drawn along it: draw them before anyone gets in.');
  else if (way && !way.lastNamed) word('Name the last way out before the danger, or before the finish.');
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
