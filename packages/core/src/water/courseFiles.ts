import { cleanText, cutText, plainId } from '../text';
import { XMLBuilder } from 'fast-xml-parser';
import { openGpx, type XmlNode } from '../exchange';
import {
  AREA_KINDS,
  COURSE_LIMIT,
  TURN_SIDES,
  turnOf,
  type Area,
  type AreaKind,
  type Course,
  type Landmark,
  type Mark,
  type TurnSide,
} from './course';
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

/** Our own extensions of GPX are in this namespace; see docs/water.md. */
export const COURSE_NAMESPACE = 'https://upwell.example/gpx/course/1';
export const COURSE_FORMAT = 'upwell-course';
/** Largest course file that is read, characters. */
export const LARGEST_COURSE = 5_000_000;

type Role = 'start' | 'mark' | 'finish' | 'landmark';

/** What a point of either format says of itself; anything may be missing. */
interface RawPoint {
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
function assemble(
  name: string,
  laps: number,
  raw: readonly RawPoint[],
  rawAreas: readonly RawArea[],
  line: readonly Place[],
): ReadCourse {
  const problems: string[] = [];
  const points = raw.filter((p, i) => {
    if (goodPlace(p)) return true;
    problems.push(`Point ${i + 1}${p.name ? ` (${p.name})` : ''} has no place on the earth and was left out.`);
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
  if (told && of('start').length === 0) problems.push('No start is marked: the first mark is taken for it.');
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
      if (!(p.widthM > 0 && p.heightM > 0)) problems.push(`${p.name || 'A landmark'} has no size: 10 m is taken.`);
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
  if (round !== laps) problems.push(`Laps must be 1 to ${COURSE_LIMIT.laps}: one is taken.`);
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
function opened(points: readonly Place[]): readonly Place[] {
  const [first, last] = [points[0], points.at(-1)];
  return points.length > 1 && first!.lat === last!.lat && first!.lon === last!.lon ? points.slice(0, -1) : points;
}

/** The course as GPX 1.1: waypoints by their type, one lap as a route, areas as tracks; the rest in extensions. */
export function writeCourseGpx({ name, course }: NamedCourse): string {
  const point = (place: Place) => ({ '@lat': String(place.lat), '@lon': String(place.lon) });
  const extra = (fields: Readonly<Record<string, string | number | boolean>>) => ({
    extensions: Object.fromEntries(Object.entries(fields).map(([key, value]) => [`upwell:${key}`, String(value)])),
  });
  const gpx = {
    '@version': '1.1',
    '@creator': 'Upwell',
    '@xmlns': 'http://www.topografix.com/GPX/1/1',
    '@xmlns:upwell': COURSE_NAMESPACE,
    metadata: { name, ...extra({ laps: course.laps }) },
    wpt: [
      { ...point(course.start), name: 'Start', type: 'start' },
      ...course.marks.map((m) => ({ ...point(m), name: m.name, type: 'mark', ...extra({ id: m.id, turn: m.turn }) })),
      { ...point(course.finish), name: 'Finish', type: 'finish' },
      ...course.landmarks.map((l) => ({
        ...point(l),
        name: l.name,
        type: 'landmark',
        ...extra({ id: l.id, width: l.widthM, height: l.heightM, fixed: l.fixed }),
      })),
    ],
    rte: { name, rtept: [course.start, ...course.marks, course.finish].map(point) },
    trk: course.areas.map((a) => ({
      name: a.name,
      type: a.kind,
      ...extra({ id: a.id }),
      trkseg: { trkpt: [...a.points, a.points[0]!].map(point) },
    })),
  };
  const builder = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
  return `<?xml version="1.0" encoding="UTF-8"?>\n${builder.build({ gpx }) as string}`;
}

const text = (value: XmlNode[string]): string => (typeof value === 'string' ? value : '');
const node = (value: XmlNode[string]): XmlNode =>
  typeof value === 'object' && !Array.isArray(value) ? (value as XmlNode) : {};
const list = (value: XmlNode[string]): readonly XmlNode[] =>
  Array.isArray(value) ? (value as readonly XmlNode[]) : [];
const placeOf = (point: XmlNode): Place => ({ lat: numberOf(point['@lat']), lon: numberOf(point['@lon']) });
const numberOf = (value: unknown) => (typeof value === 'string' && value.trim() !== '' ? Number(value) : Number.NaN);

/** A course from GPX 1.1: our own with everything, others by their route or waypoints in order. */
export function readCourseGpx(file: string): ReadCourse {
  if (file.length > LARGEST_COURSE) return { read: null, problems: ['This file is too large for a course.'] };
  const root = openGpx(file);
  if (typeof root === 'string') return { read: null, problems: [root] };
  const metadata = node(root.metadata);
  const points = list(root.wpt).map((p): RawPoint => {
    const more = node(p.extensions);
    return {
      ...placeOf(p),
      name: text(p.name),
      role: text(p.type),
      id: plainId(text(more.id), 40),
      turn: text(more.turn),
      widthM: numberOf(more.width),
      heightM: numberOf(more.height),
      fixed: text(more.fixed) !== 'false',
    };
  });
  const routes = list(root.rte);
  const line = list(routes[0]?.rtept).map(placeOf);
  const areas = list(root.trk)
    .filter((t) => AREA_KINDS.includes(text(t.type) as AreaKind))
    .map((t) => ({
      kind: text(t.type),
      name: text(t.name),
      id: plainId(text(node(t.extensions).id), 40),
      points: opened(list(t.trkseg).flatMap((segment) => list(segment.trkpt).map(placeOf))),
    }));
  const name = text(metadata.name) || text(routes[0]?.name);
  const laps = node(metadata.extensions).laps;
  return assemble(name, laps === undefined ? 1 : numberOf(laps), points, areas, line);
}

/** The course as GeoJSON (RFC 7946): points and polygons that say their role, one lap as a line. */
export function writeCourseGeoJson({ name, course }: NamedCourse): string {
  const spot = ({ lat, lon }: Place) => [lon, lat];
  const feature = (type: string, coordinates: unknown, properties: object) => ({
    type: 'Feature',
    geometry: { type, coordinates },
    properties,
  });
  return JSON.stringify(
    {
      type: 'FeatureCollection',
      upwell: { format: COURSE_FORMAT, version: 1, name, laps: course.laps },
      features: [
        feature('Point', spot(course.start), { role: 'start', name: 'Start' }),
        ...course.marks.map((m) => feature('Point', spot(m), { role: 'mark', id: m.id, name: m.name, turn: m.turn })),
        feature('Point', spot(course.finish), { role: 'finish', name: 'Finish' }),
        ...course.landmarks.map(({ id, name: called, widthM, heightM, fixed, ...place }) =>
          feature('Point', spot(place), { role: 'landmark', id, name: called, widthM, heightM, fixed }),
        ),
        ...course.areas.map((a) =>
          feature('Polygon', [[...a.points, a.points[0]!].map(spot)], { role: a.kind, id: a.id, name: a.name }),
        ),
        feature('LineString', [course.start, ...course.marks, course.finish].map(spot), { role: 'course' }),
      ],
    },
    null,
    1,
  );
}

interface Feature {
  readonly geometry?: { readonly type?: unknown; readonly coordinates?: unknown } | null;
  readonly properties?: Readonly<Record<string, unknown>> | null;
}

const lonLat = (value: unknown): Place => {
  const [lon, lat] = Array.isArray(value) ? (value as unknown[]) : [];
  return { lat: typeof lat === 'number' ? lat : Number.NaN, lon: typeof lon === 'number' ? lon : Number.NaN };
};
const word = (value: unknown) => (typeof value === 'string' ? value : '');
const amount = (value: unknown) => (typeof value === 'number' ? value : Number.NaN);

/** A course from GeoJSON: our own with everything, others by their first line or their points in order. */
export function readCourseGeoJson(file: string): ReadCourse {
  if (file.length > LARGEST_COURSE) return { read: null, problems: ['This file is too large for a course.'] };
  let parsed: unknown;
  try {
    parsed = JSON.parse(file);
  } catch (error) {
    return { read: null, problems: [`This is not JSON: ${(error as Error).message}`] };
  }
  const root = (typeof parsed === 'object' && parsed !== null ? parsed : {}) as {
    type?: unknown;
    features?: unknown;
    upwell?: { name?: unknown; laps?: unknown } | null;
  };
  const all = root.type === 'Feature' ? [root] : Array.isArray(root.features) ? (root.features as unknown[]) : null;
  if (!all) return { read: null, problems: ['This is not GeoJSON: a FeatureCollection is needed.'] };
  const features = all.filter((f): f is Feature => typeof f === 'object' && f !== null);
  const shaped = (type: string) => features.filter((f) => f.geometry?.type === type);
  const points = shaped('Point').map((f): RawPoint => {
    const own = f.properties ?? {};
    return {
      ...lonLat(f.geometry!.coordinates),
      name: word(own.name),
      role: word(own.role),
      id: plainId(word(own.id), 40),
      turn: word(own.turn),
      widthM: amount(own.widthM),
      heightM: amount(own.heightM),
      fixed: own.fixed !== false,
    };
  });
  const coordinates = (f: Feature | undefined): unknown[] =>
    Array.isArray(f?.geometry?.coordinates) ? (f.geometry.coordinates as unknown[]) : [];
  const areas = shaped('Polygon').map((f) => {
    const own = f.properties ?? {};
    const ring = coordinates(f)[0];
    return {
      kind: word(own.role),
      name: word(own.name),
      id: plainId(word(own.id), 40),
      points: opened(Array.isArray(ring) ? ring.map(lonLat) : []),
    };
  });
  const lines = shaped('LineString');
  const line = coordinates(lines[0]).map(lonLat);
  const name = word(root.upwell?.name) || word(lines[0]?.properties?.name);
  const laps = root.upwell?.laps;
  return assemble(name, laps === undefined ? 1 : amount(laps), points, areas, line);
}
