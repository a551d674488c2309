import { zipSync, strToU8 } from 'fflate';
import fc from 'fast-check';
import { bearingTo, courseFrom, placeAt, withRole, type Found, type Place } from '..';
import { projectionOf, readPlaces } from '.';

const BAY = { lat: 31.4, lon: -41.2 };
const at = (x: number, y: number): Place => placeAt(placeAt(BAY, 0, y), 90, x);
const bytes = (text: string) => new TextEncoder().encode(text);
function read(file: string | Uint8Array): Found {
  const found = readPlaces(typeof file === 'string' ? bytes(file) : file);
  if (typeof found === 'string') throw new Error(found);
  return found;
}
const roles = (found: Found) => found.things.map(({ name, role, by }) => [name, role, by]);
const wpt = (name: string, p: Place, more = '') =>
  `<wpt lat="${p.lat}" lon="${p.lon}"><name>${name}</name>${more}</wpt>`;
const feature = (name: string, type: string, coordinates: unknown, more: object = {}) => ({
  type: 'Feature',
  properties: { name, ...more },
  geometry: { type, coordinates },
});
const spot = (p: Place) => [p.lon, p.lat];
const ring = (x: number, y: number, size = 60) =>
  [at(x, y), at(x + size, y), at(x + size, y + size), at(x, y + size), at(x, y)].map(spot);
const collection = (features: unknown[], more: object = {}) =>
  JSON.stringify({ type: 'FeatureCollection', features, ...more });

describe('a course from elsewhere', () => {
  it('has nothing that vanished: the church is no mark, the boat no finish, the weir and the lane are forbidden', () => {
    const file = collection([
      feature('Slip', 'Point', spot(at(0, 0))),
      feature('Yellow buoy', 'Point', spot(at(0, 400))),
      feature('Buoy 2', 'Point', spot(at(300, 400))),
      feature('Old church', 'Point', spot(at(20, 1500)), { width: 12, height: '40 m' }),
      feature('Moored boat', 'Point', spot(at(100, 100))),
      feature('Weir', 'Polygon', [ring(-300, 100)]),
      feature('Boat lane', 'LineString', [at(500, 0), at(500, 600)].map(spot)),
      feature('Lost buoy', 'Point', [-41.2, 131]),
      { type: 'Feature', properties: { name: 'Club house' }, geometry: null },
    ]);
    const found = read(file);
    expect(roles(found)).toEqual([
      ['Slip', 'start', 'name'],
      ['Yellow buoy', 'mark', 'name'],
      ['Buoy 2', 'mark', 'name'],
      ['Old church', 'landmark', 'name'],
      ['Moored boat', 'landmark', 'name'],
      ['Weir', 'forbidden', 'name'],
      ['Boat lane', 'forbidden', 'name'],
    ]);
    expect(found.leftOut).toEqual([
      'Club house has no place on the map and was left out.',
      'Point 8 (Lost buoy) has no valid position and was left out.',
    ]);
    const { read: named, problems } = courseFrom(found);
    const { course } = named!;
    expect(course.marks.map((m) => m.name)).toEqual(['Yellow buoy', 'Buoy 2']);
    expect(course.landmarks).toMatchObject([
      { name: 'Old church', widthM: 12, heightM: 40, fixed: true },
      { name: 'Moored boat', widthM: 10, heightM: 10, fixed: false },
    ]);
    expect(course.areas.map(({ kind, name, points }) => [kind, name, points.length])).toEqual([
      ['forbidden', 'Weir', 4],
      ['forbidden', 'Boat lane', 6],
    ]);
    // The lane has fifteen metres of room on each side.
    expect(Math.min(...course.areas[1]!.points.map((p) => bearingTo(at(485, 0), p).distanceM))).toBeLessThan(0.5);
    expect(problems.join(' ')).toMatch(/Club house.*Lost buoy.*No finish is marked.*Moored boat has no size/);
  });

  it('is assigned by the coach: one start, one course, and nothing is kept that is not wanted', () => {
    const points = ['A', 'B', 'C', 'D'].map((name, i) => feature(name, 'Point', spot(at(i * 100, (i % 2) * 200))));
    let found = read(collection(points));
    expect(roles(found).map(([, role]) => role)).toEqual(['start', 'mark', 'mark', 'finish']);
    found = withRole(withRole(found, 't1', 'start'), 't2', 'landmark');
    expect(roles(found).map(([, role]) => role)).toEqual(['nothing', 'start', 'landmark', 'finish']);
    const { course } = courseFrom(withRole(found, 't2', 'nothing')).read!;
    expect([course.marks.length, course.landmarks.length]).toEqual([0, 0]);
    expect(bearingTo(course.start, at(100, 200)).distanceM).toBeLessThan(0.01);
  });

  it('is named by the points at the corners of its route, in GPX 1.0 as well', () => {
    const rtept = (p: Place) => `<rtept lat="${p.lat}" lon="${p.lon}"/>`;
    const file = `<?xml version="1.0"?><gpx version="1.0" creator="x" xmlns="http://www.topografix.com/GPX/1/0">
      <name>Bay round</name>${wpt('Red', at(3, 400))}${wpt('Far tower', at(0, 2000))}
      <rte>${[at(0, 0), at(0, 400), at(300, 400), at(0, 0)].map(rtept).join('')}</rte></gpx>`;
    const found = read(file);
    expect(found.name).toBe('Bay round');
    const { course, name } = courseFrom(found).read!;
    expect(name).toBe('Bay round');
    expect(course.marks.map((m) => m.name)).toEqual(['Red', '2']);
    expect(course.landmarks.map((l) => l.name)).toEqual(['Far tower']);
  });

  it('is read from KML and from KMZ with its names', () => {
    const place = (name: string, geometry: string) => `<Placemark><name>${name}</name>${geometry}</Placemark>`;
    const point = (p: Place) => `<Point><coordinates>${p.lon},${p.lat},0</coordinates></Point>`;
    const line = (ps: Place[]) => ps.map((p) => `${p.lon},${p.lat},0`).join(' ');
    const file = `<?xml version="1.0" encoding="UTF-8"?><kml xmlns="http://www.opengis.net/kml/2.2"><Document>
      <name>Sandbar swim</name>${place('Start', point(at(0, 0)))}${place('Łódź buoy', point(at(0, 300)))}
      ${place('Finish', point(at(50, 0)))}${place('Shore', `<Polygon><outerBoundaryIs><LinearRing><coordinates>${line([at(-99, -9), at(99, -9), at(99, -99), at(-99, -99), at(-99, -9)])}</coordinates></LinearRing></outerBoundaryIs></Polygon>`)}
      </Document></kml>`;
    const found = read(file);
    expect(roles(found)).toEqual(
      [
        ['Start', 'start', 'file'],
        ['Łódź buoy', 'mark', 'name'],
        ['Finish', 'finish', 'file'],
        ['Shore', 'land', 'name'],
      ].map(([name, role]) => [name, role, 'name']),
    );
    const { course, name } = courseFrom(found).read!;
    expect([name, course.marks[0]!.name, course.areas[0]!.kind]).toEqual(['Sandbar swim', 'Łódź buoy', 'land']);
    const zipped = zipSync({ 'images/a.png': strToU8('x'), 'doc.kml': strToU8(file) });
    expect(read(zipped)).toEqual(found);
  });

  it('is read in all geometries of GeoJSON', () => {
    const file = collection([
      feature('Buoys', 'MultiPoint', [at(0, 100), at(0, 200)].map(spot)),
      feature('Parts', 'MultiLineString', [[at(0, 0), at(0, 50)].map(spot), [at(9, 0), at(9, 50)].map(spot)]),
      feature('Islands', 'MultiPolygon', [[ring(0, 500)], [ring(200, 500), ring(210, 510, 20)]]),
      {
        type: 'Feature',
        properties: { name: 'All' },
        geometry: {
          type: 'GeometryCollection',
          geometries: [
            { type: 'Point', coordinates: spot(at(5, 5)) },
            { type: 'Polygon', coordinates: [ring(400, 0)] },
          ],
        },
      },
    ]);
    const found = read(file);
    expect(found.things.map(({ name, shape }) => `${name} ${shape}`)).toEqual([
      ...['Buoys 1 point', 'Buoys 2 point', 'Parts 1 line', 'Parts 2 line', 'Islands 1 area', 'Islands 2 area'],
      ...['All point', 'All area'],
    ]);
    expect(found.leftOut).toEqual(['Islands has an opening, which is not kept: the whole of it counts.']);
    expect(
      read(
        JSON.stringify({
          type: 'MultiPoint',
          coordinates: [
            [0, 0],
            [0, 1],
          ],
        }),
      ).things,
    ).toHaveLength(2);
  });
});

describe('coordinates that are metres', () => {
  it.each([
    // By the textbook formula of Web Mercator: x = R·λ, y = R·ln tan(π/4 + φ/2), R = 6,378,137 m.
    [
      'EPSG:3857',
      6378137 * ((-41.2 * Math.PI) / 180),
      6378137 * Math.log(Math.tan(Math.PI / 4 + (31.4 * Math.PI) / 360)),
      BAY,
    ],
    // The middle of a zone at the equator: false easting 500 km, false northing 0 or 10,000 km.
    ['urn:ogc:def:crs:EPSG::32631', 500_000, 0, { lat: 0, lon: 3 }],
    ['EPSG:32731', 500_000, 10_000_000, { lat: 0, lon: 3 }],
    ['EPSG:25832', 500_000, 0, { lat: 0, lon: 9 }],
    ['urn:ogc:def:crs:OGC:1.3:CRS84', -41.2, 31.4, BAY],
    ['EPSG:4326', -41.2, 31.4, BAY],
  ])('are known by %s', (name, east, north, place) => {
    expect(bearingTo(projectionOf(name)!(east, north), place).distanceM).toBeLessThan(0.01);
  });

  it('of an unknown kind, or of no kind that is said, are refused with what to do', () => {
    const far = [feature('A', 'Point', [512_000, 6_900_000]), feature('B', 'Point', [512_100, 6_900_000])];
    const crs = (name: string) => ({ crs: { type: 'name', properties: { name } } });
    expect(readPlaces(bytes(collection(far, crs('EPSG:2056'))))).toMatch(/“EPSG:2056”, which is not known here/);
    expect(readPlaces(bytes(collection(far)))).toMatch(/no degrees, and the file does not say/);
    const { things } = read(collection(far, crs('EPSG:32629')));
    expect(bearingTo(things[0]!.places[0]!, things[1]!.places[0]!).distanceM).toBeCloseTo(100, 0);
    expect(projectionOf('EPSG:32661')).toBeNull();
  });
});

describe('files that are no course', () => {
  it.each([
    ['nothing', '', /empty/],
    ['words', 'Dear coach,', /not a course file/],
    ['half of a GPX', '<gpx version="1.1"><wpt lat="1"', /not valid XML/],
    ['half of a KML', '<kml><Document><Placemark>', /not valid XML/],
    ['a KML with entities', '<!DOCTYPE kml [<!ENTITY a "b">]><kml/>', /entities/],
    ['half of GeoJSON', '{"type":"FeatureCollection","features":[', /not JSON/],
    ['other JSON', '[1, 2]', /not GeoJSON/],
  ])('say so: %s', (_what, file, words) => expect(readPlaces(bytes(file))).toMatch(words));

  it('say so when a zip is cut in half, or has no map', () => {
    const whole = zipSync({ 'doc.kml': strToU8(`<kml>${'x'.repeat(5000)}</kml>`) });
    expect(readPlaces(whole.slice(0, whole.length / 2))).toMatch(/zip cannot be opened/);
    expect(readPlaces(zipSync({ 'a.txt': strToU8('x') }))).toMatch(/no map in this file/);
    const huge = zipSync({ 'doc.kml': new Uint8Array(6_000_000) });
    expect(huge.length).toBeLessThan(100_000);
    expect(readPlaces(huge)).toMatch(/too large/);
  });

  it('never throw, whatever they hold, and everything they hold is kept or named', () => {
    const value = fc.oneof(
      fc.double(),
      fc.string({ maxLength: 5 }),
      fc.constant(null),
      fc.integer({ min: -180, max: 180 }),
    );
    const coordinates = fc.oneof(
      value,
      fc.array(value, { maxLength: 4 }),
      fc.array(fc.array(fc.array(value, { maxLength: 3 }), { maxLength: 5 }), { maxLength: 3 }),
    );
    const type = fc.constantFrom(
      'Point',
      'MultiPoint',
      'LineString',
      'MultiLineString',
      'Polygon',
      'MultiPolygon',
      'Odd',
    );
    fc.assert(
      fc.property(
        fc.array(fc.record({ type, coordinates, name: fc.string({ maxLength: 8 }) }), { maxLength: 6 }),
        (all) => {
          const found = readPlaces(bytes(collection(all.map((g) => feature(g.name, g.type, g.coordinates)))));
          if (typeof found === 'string') return;
          expect(found.things.length + found.leftOut.length).toBeGreaterThanOrEqual(
            all.filter(({ type: t }) => /^(Point|LineString|Polygon|Odd)$/.test(t)).length,
          );
          courseFrom(found);
        },
      ),
    );
    fc.assert(fc.property(fc.uint8Array({ maxLength: 300 }), (file) => void readPlaces(file)));
  });
});
