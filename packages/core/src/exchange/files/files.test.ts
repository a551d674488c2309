import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { readSwumFile } from '.';

/** Written by another program: forty points five seconds apart, going north from the bay. */
const FIT = new Uint8Array(readFileSync(path.join(__dirname, 'fixtures/swim.fit')));
const bytes = (text: string) => new TextEncoder().encode(text);
const START = Date.parse('2026-07-01T09:40:00Z');

describe('a file of a watch', () => {
  it('in FIT has its points with their moments', async () => {
    const { tracks, problems } = await readSwumFile(FIT);
    expect(problems).toEqual([]);
    expect(tracks).toHaveLength(1);
    const { points } = tracks[0]!;
    expect(points).toHaveLength(40);
    expect(points[0]!.timeMs).toBe(START);
    expect(points[39]!.timeMs).toBe(START + 195_000);
    // A FIT position is a whole number of 2³¹ parts of a half turn: within a centimetre.
    expect(points[0]!.lat).toBeCloseTo(31.4, 6);
    expect(points[39]!.lat).toBeCloseTo(31.4 + 39 * 5e-5, 6);
    expect(points[0]!.lon).toBeCloseTo(-41.2, 6);
  });

  it('in FIT of a swim and a ride has a track for each', async () => {
    // What the watch writes at the end of each part: when it began, and what it was.
    const FIT_EPOCH_S = 631_065_600;
    const part = (fromS: number, sport: number, subSport: number) => {
      const data = new Uint8Array(7);
      data[0] = 1;
      new DataView(data.buffer).setUint32(1, START / 1000 + fromS - FIT_EPOCH_S, true);
      data.set([sport, subSport], 5);
      return [...data];
    };
    // Message 18 with fields 2, 5 and 6: a number of four bytes and two kinds.
    const session = [0x41, 0, 0, 18, 0, 3, 2, 4, 0x86, 5, 1, 0, 6, 1, 0];
    const more = [...session, ...part(0, 5, 18), ...part(100, 2, 7)];
    const both = new Uint8Array([...FIT.slice(0, -2), ...more, 0, 0]);
    new DataView(both.buffer).setUint32(4, new DataView(FIT.buffer).getUint32(4, true) + more.length, true);
    const { tracks, problems } = await readSwumFile(both);
    expect(problems).toEqual([]);
    // Forty points five seconds apart: twenty before the change.
    expect(tracks.map(({ name, points }) => [name, points.length])).toEqual([
      ['swimming, open water', 20],
      ['cycling, road', 20],
    ]);
  });

  it('in FIT that is cut in half, or spoiled, is refused in a sentence', async () => {
    const half = await readSwumFile(FIT.slice(0, FIT.length / 2));
    expect(half).toEqual({
      tracks: [],
      problems: ['This FIT file is cut off: 538 of 1,074 bytes are there. Copy it from the watch again.'],
    });
    const bad = FIT.slice();
    bad[0] = 99;
    expect((await readSwumFile(bad)).problems[0]).toMatch(/does not begin as one should/);
    expect((await readSwumFile(FIT.slice(0, 12))).tracks).toEqual([]);
  });

  it('in TCX has a track for each activity, and says how many points had no place', async () => {
    const at = (s: number, place: string) =>
      `<Trackpoint><Time>${new Date(START + s * 1000).toISOString()}</Time>${place}</Trackpoint>`;
    const place = (lat: number) =>
      `<Position><LatitudeDegrees>${lat}</LatitudeDegrees><LongitudeDegrees>-41.2</LongitudeDegrees></Position>`;
    const activity = (id: string, body: string) =>
      `<Activity Sport="Other"><Id>${id}</Id><Lap StartTime="x"><Track>${body}</Track></Lap></Activity>`;
    const file = `<?xml version="1.0"?><TrainingCenterDatabase xmlns="http://www.garmin.com/xmlschemas/TrainingCenterDatabase/v2"><Activities>
      ${activity('One', at(0, place(31.4)) + at(5, '') + at(10, place(31.41)))}
      ${activity('Two', at(60, place(31.5)) + at(65, place(31.51)))}
      ${activity('Pool', at(90, '') + at(95, ''))}</Activities></TrainingCenterDatabase>`;
    const { tracks, problems } = await readSwumFile(bytes(file));
    expect(tracks.map(({ name, points }) => [name, points.length])).toEqual([
      ['One', 2],
      ['Two', 2],
    ]);
    expect(tracks[1]!.points[0]).toEqual({ lat: 31.5, lon: -41.2, timeMs: START + 60_000 });
    expect(problems).toEqual(['3 points without a place were left out.']);
  });

  it('in GPX has all of its tracks with their names, segments joined', async () => {
    const point = (lat: number) => `<trkpt lat="${lat}" lon="-41.2"/>`;
    const track = (name: string, ...segments: string[]) =>
      `<trk><name>${name}</name>${segments.map((s) => `<trkseg>${s}</trkseg>`).join('')}</trk>`;
    const file = `<gpx version="1.1"><metadata><name>Not this</name></metadata><wpt lat="1" lon="1"><name>Nor this</name></wpt>
      ${track('Ada &amp; Ben', point(31.4) + point(31.41), point(31.42))}${track('', point(31.5) + point(31.51))}${track('One point', point(1))}</gpx>`;
    const { tracks } = await readSwumFile(bytes(file));
    expect(tracks.map(({ name, points }) => [name, points.length])).toEqual([
      ['Ada & Ben', 3],
      ['', 2],
    ]);
  });

  it.each([
    ['nothing', ''],
    ['a picture', '\u0089PNG\r\n\u001a\n'],
    ['half of a TCX', '<TrainingCenterDatabase><Activities><Activity>'],
    ['a map', '<kml/>'],
    ['no track', '<gpx version="1.1"></gpx>'],
  ])('that holds %s says so', async (_what, text) => {
    const { tracks, problems } = await readSwumFile(bytes(text));
    expect([tracks.length, problems.length]).toEqual([0, 1]);
  });

  it('never throws, whatever it holds and wherever a byte is wrong', async () => {
    await fc.assert(
      fc.asyncProperty(fc.nat(FIT.length - 1), fc.nat(255), async (at, value) => {
        const bad = FIT.slice();
        bad[at] = value;
        const { tracks, problems } = await readSwumFile(bad);
        for (const { lat, lon } of tracks.flatMap(({ points }) => points)) {
          expect(Math.abs(lat)).toBeLessThanOrEqual(90);
          expect(Math.abs(lon)).toBeLessThanOrEqual(180);
        }
        expect(tracks.length + problems.length).toBeGreaterThan(0);
      }),
    );
    await fc.assert(fc.asyncProperty(fc.uint8Array({ maxLength: 200 }), async (any) => void (await readSwumFile(any))));
  });
});
