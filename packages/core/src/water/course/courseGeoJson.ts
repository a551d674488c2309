// A course as GeoJSON, and back.
import { plainId } from '../../text';
import type { Place } from './plane';
import { LARGEST_COURSE, type NamedCourse, type RawPoint, type ReadCourse, assemble, opened } from './assembleCourse';

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
