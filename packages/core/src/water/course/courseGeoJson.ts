// A course as GeoJSON, and back.
import { plainId } from '../../text';
import type { Place } from './plane';
import { LARGEST_COURSE, type NamedCourse, type ReadCourse, opened } from './assembleCourse';
import { courseFrom, found, type Found, type RawThing } from './foundPlaces';

export const COURSE_FORMAT = 'upwell-course';

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
      upwell: {
        ...{ format: COURSE_FORMAT, version: 1, name, laps: course.laps },
        ...(course.withStream ? { withStream: true } : {}),
      },
      features: [
        feature('Point', spot(course.start), { role: 'start', name: 'Start' }),
        ...course.marks.map(({ id, name: called, turn, abeam, ...place }) =>
          feature('Point', spot(place), { role: 'mark', id, name: called, turn, abeam }),
        ),
        feature('Point', spot(course.finish), { role: 'finish', name: 'Finish' }),
        ...course.landmarks.map(({ id, name: called, widthM, heightM, fixed, ...place }) =>
          feature('Point', spot(place), { role: 'landmark', id, name: called, widthM, heightM, fixed }),
        ),
        ...(course.exits ?? []).map(({ id, name: called, last, ...place }) =>
          feature('Point', spot(place), { role: 'exit', id, name: called, last }),
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

type Properties = Readonly<Record<string, unknown>>;
interface Geometry {
  readonly type?: unknown;
  readonly coordinates?: unknown;
  readonly geometries?: unknown;
}

/** Coordinates of a file as a place; other projections than degrees hand over their own. */
export type ToPlace = (east: number, north: number) => Place;
const degrees: ToPlace = (lon, lat) => ({ lat, lon });

const list = (value: unknown): readonly unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);
const object = <T extends object>(value: unknown): Partial<T> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Partial<T>) : {};
const word = (value: unknown) => (typeof value === 'string' ? value : typeof value === 'number' ? String(value) : '');
const first = (own: Properties, ...keys: readonly string[]) => keys.map((key) => own[key]).find((v) => v !== undefined);
/** A length as a number, or written like "12 m". */
const metres = (value: unknown) =>
  typeof value === 'number'
    ? value
    : typeof value === 'string'
      ? Number.parseFloat(value.replace(',', '.'))
      : Number.NaN;

/** Geometries inside of others are not followed deeper than this. */
const DEEPEST = 4;

/** The things of one feature: each point, line and area of it by itself. */
function thingsOf(geometry: Geometry, own: Properties, place: ToPlace, problems: string[], depth = 0): RawThing[] {
  const at = (value: unknown): Place => {
    const [east, north] = list(value);
    return typeof east === 'number' && typeof north === 'number'
      ? place(east, north)
      : { lat: Number.NaN, lon: Number.NaN };
  };
  const name = word(first(own, 'name', 'Name', 'title', 'label'));
  const thing = (shape: RawThing['shape'], places: readonly Place[], part = ''): RawThing => ({
    ...{ shape, places, name: `${name}${part}` },
    ...{ role: word(first(own, 'role', 'type', 'kind', 'category', 'sym', 'styleUrl')), turn: word(own.turn) },
    ...{ id: plainId(word(own.id), 40), abeam: plainId(word(own.abeam), 40), last: own.last === true },
    ...{
      widthM: metres(first(own, 'widthM', 'width_m', 'width')),
      heightM: metres(first(own, 'heightM', 'height_m', 'height')),
    },
    ...(typeof own.fixed === 'boolean' ? { fixed: own.fixed } : {}),
  });
  const part = (i: number, of: readonly unknown[]) => (of.length > 1 ? ` ${i + 1}` : '');
  const area = (rings: unknown, called = ''): RawThing => {
    const [ring, ...holes] = list(rings);
    if (holes.length > 0)
      problems.push(`${name || 'An area'} has an opening, which is not kept: the whole of it counts.`);
    return thing('area', opened(list(ring).map(at)), called);
  };
  const { coordinates } = geometry;
  const all = list(coordinates);
  switch (geometry.type) {
    case 'Point':
      return [thing('point', [at(coordinates)])];
    case 'MultiPoint':
      return all.map((c, i) => thing('point', [at(c)], part(i, all)));
    case 'LineString':
      return [thing('line', all.map(at))];
    case 'MultiLineString':
      return all.map((c, i) => thing('line', list(c).map(at), part(i, all)));
    case 'Polygon':
      return [area(coordinates)];
    case 'MultiPolygon':
      return all.map((c, i) => area(c, part(i, all)));
    case 'GeometryCollection':
      if (depth < DEEPEST)
        return list(geometry.geometries).flatMap((g) => thingsOf(object<Geometry>(g), own, place, problems, depth + 1));
  }
  problems.push(`${name || 'Something'} has no place on the map and was left out.`);
  return [];
}

/**
 * What is in GeoJSON, in all its geometries: features, a single one, or a bare geometry.
 *
 * @param root the file as it was parsed
 * @param place turns coordinates into degrees where the file has others
 */
export function foundInGeoJson(root: unknown, place: ToPlace = degrees): Found | string {
  const file = object<{
    type: unknown;
    features: unknown;
    geometry: unknown;
    properties: unknown;
    upwell: unknown;
    name: unknown;
  }>(root);
  const bare = typeof file.type === 'string' && /Point|LineString|Polygon|GeometryCollection/.test(file.type);
  const features =
    file.type === 'Feature'
      ? [file]
      : bare
        ? [{ geometry: file }]
        : Array.isArray(file.features)
          ? file.features
          : null;
  if (!features) return 'This is not GeoJSON: a FeatureCollection is needed.';
  const problems: string[] = [];
  const things = (features as unknown[]).flatMap((value) => {
    const feature = object<{ geometry: unknown; properties: unknown }>(value);
    return thingsOf(object<Geometry>(feature.geometry), object<Properties>(feature.properties), place, problems);
  });
  const own = object<{ name: unknown; laps: unknown; withStream: unknown }>(file.upwell);
  const line = things.find(({ shape }) => shape === 'line');
  const laps = own.laps === undefined ? 1 : metres(own.laps);
  const read = found(word(own.name) || word(file.name) || line?.name || '', laps, things, problems);
  return { ...read, withStream: own.withStream === true };
}

/** GeoJSON as it was parsed, or a sentence. */
export function parseJson(file: string): { readonly root: unknown } | string {
  if (file.length > LARGEST_COURSE) return 'This file is too large for a course.';
  try {
    return { root: JSON.parse(file) as unknown };
  } catch (error) {
    return `This is not JSON: ${(error as Error).message}`;
  }
}

/** A course from GeoJSON: our own with everything, others by what their places are called and the order they are in. */
export function readCourseGeoJson(file: string): ReadCourse {
  const parsed = parseJson(file);
  const things = typeof parsed === 'string' ? parsed : foundInGeoJson(parsed.root);
  return typeof things === 'string' ? { read: null, problems: [things] } : courseFrom(things);
}
