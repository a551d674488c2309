import { plainId } from '../../text';
import { XMLBuilder } from 'fast-xml-parser';
import { openGpx, type XmlNode } from '../../exchange/xml';
import { AREA_KINDS, type AreaKind } from './model';
import type { Place } from './plane';
import { LARGEST_COURSE, type NamedCourse, type RawPoint, type ReadCourse, assemble, opened } from './assembleCourse';

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
