import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { bearingTo, courseFrom, placeAt, writeCourseGeoJson, writeCourseGpx, type Course, type Place } from '..';
import { readPlaces } from '.';

// Programs of others read what is written here, and what they write is read here. Debian has them: gpsbabel, gdal-bin.
const has = (program: string, ask: string) => spawnSync(program, [ask]).error === undefined;
const programs = { gpsbabel: has('gpsbabel', '-V'), ogr2ogr: has('ogr2ogr', '--version') };
for (const [program, there] of Object.entries(programs))
  if (!there) process.stderr.write(`\n!!! ${program} is not installed: its round trips are NOT tested.\n\n`);

const BAY = { lat: 31.4, lon: -41.2 };
const at = (x: number, y: number): Place => placeAt(placeAt(BAY, 0, y), 90, x);
const NAMED: { name: string; course: Course } = {
  name: 'Łantern & Co',
  course: {
    start: at(0, 0),
    marks: [
      { id: 'a', name: 'Red buoy', turn: 'right', ...at(0, 400) },
      { id: 'b', name: 'Mark “two”', turn: 'left', ...at(300, 420) },
    ],
    finish: at(60, 0),
    laps: 1,
    areas: [{ id: 'z', kind: 'forbidden', name: 'Weir', points: [at(-200, 0), at(-100, 0), at(-100, 90)] }],
    landmarks: [{ id: 'l', name: 'Chapel', widthM: 12, heightM: 30, fixed: true, ...at(30, 1500) }],
  },
};

let folder: string;
beforeAll(() => void (folder = mkdtempSync(path.join(tmpdir(), 'upwell-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string) => path.join(folder, name);
function write(name: string, text: string): string {
  writeFileSync(file(name), text);
  return file(name);
}
function run(program: string, ...args: string[]): void {
  const { status, stderr } = spawnSync(program, args, { encoding: 'utf8' });
  if (status !== 0) throw new Error(`${program} ${args.join(' ')}: ${stderr}`);
}
/** The course that is read from what another program wrote. */
function back(name: string): Course {
  const found = readPlaces(readFileSync(file(name)));
  if (typeof found === 'string') throw new Error(found);
  const { read, problems } = courseFrom(found);
  if (!read) throw new Error(problems.join(' '));
  return read.course;
}
const near = (a: Place, b: Place) => bearingTo(a, b).distanceM;
/** Start, marks with their names and finish come back within a metre. */
function expectWay(course: Course): void {
  expect(course.marks.map((m) => m.name)).toEqual(NAMED.course.marks.map((m) => m.name));
  course.marks.forEach((mark, i) => expect(near(mark, NAMED.course.marks[i]!)).toBeLessThan(1));
  expect(near(course.start, NAMED.course.start)).toBeLessThan(1);
  expect(near(course.finish, NAMED.course.finish)).toBeLessThan(1);
}
/** Chapel and weir as well. */
function expectAround(course: Course): void {
  expect(course.landmarks.map((l) => l.name)).toEqual(['Chapel']);
  expect(near(course.landmarks[0]!, NAMED.course.landmarks[0]!)).toBeLessThan(1);
  expect(course.areas.map((a) => [a.kind, a.name])).toEqual([['forbidden', 'Weir']]);
}

(programs.gpsbabel ? describe : describe.skip)('through gpsbabel', () => {
  beforeAll(() => void write('course.gpx', writeCourseGpx(NAMED)));

  it('a course comes back as GPX 1.1 and 1.0, and as KML', () => {
    run('gpsbabel', '-i', 'gpx', '-f', file('course.gpx'), '-o', 'gpx,gpxver=1.1', '-F', file('b11.gpx'));
    run('gpsbabel', '-i', 'gpx', '-f', file('course.gpx'), '-o', 'gpx,gpxver=1.0', '-F', file('b10.gpx'));
    run('gpsbabel', '-i', 'gpx', '-f', file('course.gpx'), '-o', 'kml', '-F', file('b.kml'));
    for (const name of ['b11.gpx', 'b10.gpx']) {
      expectWay(back(name));
      expect(back(name).landmarks.map((l) => l.name)).toEqual(['Chapel']);
    }
    const { marks, landmarks } = back('b.kml');
    for (const mark of NAMED.course.marks) expect(marks.some((m) => near(m, mark) < 1)).toBe(true);
    expect(landmarks.map((l) => l.name)).toContain('Chapel');
  });
});

(programs.ogr2ogr ? describe : describe.skip)('through ogr2ogr', () => {
  beforeAll(() => void write('course.geojson', writeCourseGeoJson(NAMED)));

  it('a course comes back as GeoJSON in degrees, in Web Mercator and in UTM', () => {
    run('ogr2ogr', '-f', 'GeoJSON', file('o.geojson'), file('course.geojson'));
    for (const [name, epsg] of [
      ['m.geojson', 'EPSG:3857'],
      ['u.geojson', 'EPSG:32624'],
    ] as const)
      run('ogr2ogr', '-f', 'GeoJSON', '-t_srs', epsg, file(name), file('course.geojson'));
    for (const name of ['o.geojson', 'm.geojson', 'u.geojson']) {
      expectWay(back(name));
      expectAround(back(name));
    }
  });

  it('a course comes back from KML with its names', () => {
    run('ogr2ogr', '-f', 'KML', '-dsco', 'NameField=name', file('o.kml'), file('course.geojson'));
    const course = back('o.kml');
    expectWay(course);
    expectAround(course);
  });

  it('the points of our GPX are read by others, with names and kinds', () => {
    write('ours.gpx', writeCourseGpx(NAMED));
    run('ogr2ogr', '-f', 'CSV', '-lco', 'GEOMETRY=AS_XY', file('w.csv'), file('ours.gpx'), 'waypoints');
    const lines = readFileSync(file('w.csv'), 'utf8');
    for (const word of ['Red buoy', 'Chapel', 'landmark', 'finish']) expect(lines).toContain(word);
  });
});
