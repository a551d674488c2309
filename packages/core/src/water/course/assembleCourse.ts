// A course from the points and areas of any file.
import { cleanText, cutText } from '../../text';
import {
  AREA_KINDS,
  COURSE_LIMIT,
  TURN_SIDES,
  type Area,
  type AreaKind,
  type Course,
  type Landmark,
  type Mark,
  type TurnSide,
} from './model';
import { turnOf } from './checkCourse';
import type { Place } from './plane';

export interface NamedCourse {
  readonly name: string;
  readonly course: Course;
}

export interface ReadCourse {
  readonly read: NamedCourse | null;
  /** What is wrong, or was left out. */
  readonly problems: readonly string[];
}
/** Largest course file that is read, characters. */
export const LARGEST_COURSE = 5_000_000;

type Role = 'start' | 'mark' | 'finish' | 'landmark';

/** What a point of either format says of itself; anything may be missing. */
export interface RawPoint {
  readonly lat: number;
  readonly lon: number;
  readonly name: string;
  readonly role: string;
  readonly id: string;
  readonly turn: string;
  readonly widthM: number;
  readonly heightM: number;
  readonly fixed: boolean;
}
interface RawArea {
  readonly kind: string;
  readonly name: string;
  readonly id: string;
  readonly points: readonly Place[];
}

const goodPlace = ({ lat, lon }: Place) => Math.abs(lat) <= 90 && Math.abs(lon) <= 180;
const shortName = (text = '') => cutText(cleanText(text).trim(), 60).trim();

/** A course from what either format holds, with everything that is wrong with it. */
export function assemble(
  name: string,
  laps: number,
  raw: readonly RawPoint[],
  rawAreas: readonly RawArea[],
  line: readonly Place[],
): ReadCourse {
  const problems: string[] = [];
  const points = raw.filter((p, i) => {
    if (goodPlace(p)) return true;
    problems.push(`Point ${i + 1}${p.name ? ` (${p.name})` : ''} has no valid position and was left out.`);
    return false;
  });
  const of = (role: Role) => points.filter((p) => p.role === role);
  // A file that does not say what its points are: the line, or the points in their order.
  const told = of('start').length > 0 || of('mark').length > 0;
  const bare = (line.length >= 2 ? line : points.filter((p) => p.role !== 'landmark')).filter(goodPlace);
  if (!told && bare.length < 2)
    return { read: null, problems: [...problems, 'There are no two points to swim between.'] };
  const inOrder = told ? of('mark') : bare.slice(1, -1);
  if (inOrder.length > COURSE_LIMIT.marks) {
    const text = `${inOrder.length} marks are too many: a course has ${COURSE_LIMIT.marks} at most. Is this the track of a swim?`;
    return { read: null, problems: [...problems, text] };
  }
  const start = told ? (of('start')[0] ?? of('mark')[0]!) : bare[0]!;
  const finish = told ? (of('finish')[0] ?? start) : bare.at(-1)!;
  if (told && of('start').length === 0) problems.push('No start is marked: the first mark is used.');
  if (told && of('finish').length === 0) problems.push('No finish is marked: it is where the start is.');

  const marks = inOrder.map((point, i): Mark => {
    const own = point as Partial<RawPoint>;
    const [before, after] = [inOrder[i - 1] ?? start, inOrder[i + 1] ?? finish];
    const turn = TURN_SIDES.includes(own.turn as TurnSide) ? (own.turn as TurnSide) : turnOf(before, point, after);
    return { id: own.id || `m${i + 1}`, name: shortName(own.name) || String(i + 1), turn, ...at(point) };
  });
  const landmarks = of('landmark')
    .slice(0, COURSE_LIMIT.landmarks)
    .map((p, i): Landmark => {
      const size = (value: number, other: number) => (value > 0 && value <= 5000 ? value : other);
      if (!(p.widthM > 0 && p.heightM > 0)) problems.push(`${p.name || 'A landmark'} has no size: 10 m is used.`);
      return {
        id: p.id || `l${i + 1}`,
        name: shortName(p.name) || `Landmark ${i + 1}`,
        widthM: size(p.widthM, 10),
        heightM: size(p.heightM, 10),
        fixed: p.fixed,
        ...at(p),
      };
    });
  if (of('landmark').length > COURSE_LIMIT.landmarks)
    problems.push(`Only ${COURSE_LIMIT.landmarks} landmarks were taken.`);
  const areas = rawAreas.flatMap((a, i): Area[] => {
    const corners = a.points.filter(goodPlace);
    const label = a.name || `Area ${i + 1}`;
    if (!AREA_KINDS.includes(a.kind as AreaKind)) {
      problems.push(`${label} does not say whether it is land, safe or forbidden, and was left out.`);
      return [];
    }
    if (corners.length < 3 || corners.length > COURSE_LIMIT.corners || i >= COURSE_LIMIT.areas) {
      problems.push(
        `${label} has ${corners.length} corners (3 to ${COURSE_LIMIT.corners}) or is one too many, and was left out.`,
      );
      return [];
    }
    return [{ id: a.id || `a${i + 1}`, kind: a.kind as AreaKind, name: shortName(a.name), points: corners.map(at) }];
  });
  const round = Number.isInteger(laps) && laps >= 1 && laps <= COURSE_LIMIT.laps ? laps : 1;
  if (round !== laps) problems.push(`Laps must be 1 to ${COURSE_LIMIT.laps}: one is used.`);
  return {
    read: {
      name: shortName(name) || 'Course',
      course: { start: at(start), marks, finish: at(finish), laps: round, areas, landmarks },
    },
    problems,
  };
}

const at = ({ lat, lon }: Place): Place => ({ lat, lon });

/** Corners without the repeated first one at the end. */
export function opened(points: readonly Place[]): readonly Place[] {
  const [first, last] = [points[0], points.at(-1)];
  return points.length > 1 && first!.lat === last!.lat && first!.lon === last!.lon ? points.slice(0, -1) : points;
}
