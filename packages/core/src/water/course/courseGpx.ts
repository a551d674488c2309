import { plainId } from '../../text';
import { XMLBuilder } from 'fast-xml-parser';
import { openGpx, type XmlNode } from '../../exchange/xml';
import type { Place } from './plane';
import { LARGEST_COURSE, type NamedCourse, type ReadCourse, opened } from './assembleCourse';
import { courseFrom, found, type Found, type RawThing } from './foundPlaces';

/** Our own extensions of GPX are in this namespace; see docs/water.md. */
export const COURSE_NAMESPACE = 'https://upwell.example/gpx/course/1';

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
    metadata: { name, ...extra({ laps: course.laps, ...(course.withStream ? { stream: true } : {}) }) },
    wpt: [
      { ...point(course.start), name: 'Start', type: 'start' },
      ...course.marks.map(({ id, name: called, turn, abeam, ...place }) => ({
        ...{ ...point(place), name: called, type: 'mark' },
        ...extra({ id, turn, ...(abeam === undefined ? {} : { abeam }) }),
      })),
      { ...point(course.finish), name: 'Finish', type: 'finish' },
      ...course.landmarks.map((l) => ({
        ...point(l),
        name: l.name,
        type: 'landmark',
        ...extra({ id: l.id, width: l.widthM, height: l.heightM, fixed: l.fixed }),
      })),
      ...(course.exits ?? []).map(({ id, name: called, last, ...place }) => ({
        ...{ ...point(place), name: called, type: 'exit' },
        ...extra({ id, last }),
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

/** What is in a GPX file, 1.0 or 1.1: waypoints, routes and tracks, with our own extensions; a sentence when it cannot be read. */
export function foundInGpx(file: string): Found | string {
  if (file.length > LARGEST_COURSE) return 'This file is too large for a course.';
  const root = openGpx(file);
  if (typeof root === 'string') return root;
  // GPX 1.0 names itself at the root.
  const metadata = node(root.metadata);
  const points = list(root.wpt).map((p): RawThing => {
    const more = node(p.extensions);
    return {
      ...{ shape: 'point', places: [placeOf(p)], name: text(p.name) || text(p.cmt), role: text(p.type) || text(p.sym) },
      ...{ id: plainId(text(more.id), 40), turn: text(more.turn) },
      ...{ widthM: numberOf(more.width), heightM: numberOf(more.height) },
      ...(text(more.fixed) === '' ? {} : { fixed: text(more.fixed) !== 'false' }),
      ...{ abeam: plainId(text(more.abeam), 40), last: text(more.last) === 'true' },
    };
  });
  const routes = list(root.rte).map((r): RawThing => ({
    shape: 'line',
    places: list(r.rtept).map(placeOf),
    name: text(r.name),
    role: 'course',
  }));
  const tracks = list(root.trk).flatMap((t): RawThing[] => {
    const role = text(t.type);
    const own = { name: text(t.name), role, id: plainId(text(node(t.extensions).id), 40) };
    const segments = list(t.trkseg).map((segment) => list(segment.trkpt).map(placeOf));
    // Our own areas are closed tracks that say what they are.
    if (['land', 'safe', 'forbidden'].includes(role))
      return [{ shape: 'area', places: opened(segments.flat()), ...own }];
    return segments.map((places) => ({ shape: 'line', places, ...own }));
  });
  const name = text(metadata.name) || text(root.name) || text(list(root.rte)[0]?.name);
  const { laps, stream } = node(metadata.extensions);
  const read = found(name, laps === undefined ? 1 : numberOf(laps), [...points, ...routes, ...tracks]);
  return { ...read, withStream: text(stream) === 'true' };
}

/** A course from GPX: our own with everything, others by what their places are called and the order they are in. */
export function readCourseGpx(file: string): ReadCourse {
  const things = foundInGpx(file);
  return typeof things === 'string' ? { read: null, problems: [things] } : courseFrom(things);
}
