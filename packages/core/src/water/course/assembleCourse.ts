// A course from the points and areas of any file.
import { cleanText, cutText } from '../../text';
import {
  COURSE_LIMIT,
  TURN_SIDES,
  type Area,
  type AreaKind,
  type Course,
  type Exit,
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

type Role = 'start' | 'mark' | 'finish' | 'landmark' | 'exit';

/** A point with what it stands for; anything else may be missing. */
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
  /** The landmark, by its id, that tells where to turn. */
  readonly abeam: string;
  readonly last: boolean;
}
interface RawArea {
  readonly kind: AreaKind;
  readonly name: string;
  readonly id: string;
  readonly points: readonly Place[];
}

const shortName = (text = '') => cutText(cleanText(text).trim(), 60).trim();

/** A course from points and areas that say what they stand for, with everything that is wrong with it. */
export function assemble(
  name: string,
  laps: number,
  raw: readonly RawPoint[],
  rawAreas: readonly RawArea[],
  withStream = false,
): ReadCourse {
  const problems: string[] = [];
  const of = (role: Role) => raw.filter((p) => p.role === role);
  const inOrder = of('mark');
  const start = of('start')[0] ?? inOrder[0];
  if (!start || of('start').length + inOrder.length + of('finish').length < 2)
    return { read: null, problems: ['There are no two points to swim between.'] };
  if (inOrder.length > COURSE_LIMIT.marks) {
    const text = `${inOrder.length} marks are too many: a course has ${COURSE_LIMIT.marks} at most. Is this the track of a swim?`;
    return { read: null, problems: [text] };
  }
  const finish = of('finish')[0] ?? start;
  if (of('start').length === 0) problems.push('No start is marked: the first mark is used.');
  if (of('finish').length === 0) problems.push('No finish is marked: it is where the start is.');

  const marks = inOrder.map((point, i): Mark => {
    const [before, after] = [inOrder[i - 1] ?? start, inOrder[i + 1] ?? finish];
    const turn = TURN_SIDES.includes(point.turn as TurnSide) ? (point.turn as TurnSide) : turnOf(before, point, after);
    const told = of('landmark').some(({ id }) => id !== '' && id === point.abeam) ? { abeam: point.abeam } : {};
    return { id: point.id || `m${i + 1}`, name: shortName(point.name) || String(i + 1), turn, ...told, ...at(point) };
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
  const exits = of('exit')
    .slice(0, COURSE_LIMIT.exits)
    .map((p, i): Exit => ({
      ...{ id: p.id || `e${i + 1}`, name: shortName(p.name) || `Exit ${i + 1}`, last: p.last },
      ...at(p),
    }));
  if (of('exit').length > COURSE_LIMIT.exits) problems.push(`Only ${COURSE_LIMIT.exits} exits were taken.`);
  const areas = rawAreas.flatMap((a, i): Area[] => {
    const corners = a.points;
    const label = a.name || `Area ${i + 1}`;
    if (corners.length < 3 || corners.length > COURSE_LIMIT.corners || i >= COURSE_LIMIT.areas) {
      problems.push(
        `${label} has ${corners.length} corners (3 to ${COURSE_LIMIT.corners}) or is one too many, and was left out.`,
      );
      return [];
    }
    return [{ id: a.id || `a${i + 1}`, kind: a.kind, name: shortName(a.name), points: corners.map(at) }];
  });
  const round = Number.isInteger(laps) && laps >= 1 && laps <= COURSE_LIMIT.laps ? laps : 1;
  if (round !== laps) problems.push(`Laps must be 1 to ${COURSE_LIMIT.laps}: one is used.`);
  return {
    read: {
      name: shortName(name) || 'Course',
      course: {
        ...{ start: at(start), marks, finish: at(finish), laps: round, areas, landmarks },
        ...(exits.length > 0 ? { exits } : {}),
        ...(withStream ? { withStream } : {}),
      },
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
