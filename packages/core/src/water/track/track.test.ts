import fc from 'fast-check';
import { RAD } from '../../units';
import { readTrackFile, writeGpx, type TrackPoint } from '../../exchange';
import {
  cleanTrack,
  DEMO_BAY,
  measureTrack,
  planeAround,
  RefusedTrack,
  simulatedTrack,
  type Course,
  type Outing,
} from '..';
import { runs } from '../../../test/runs';

const plane = planeAround(DEMO_BAY);
const at = (x: number, y: number) => plane.toPlace({ x, y });

/** Out, across and back: three legs of 500, 300 and about 583 m, twice round. */
const COURSE: Course = {
  start: at(0, 0),
  marks: [
    { id: 'a', name: 'A', turn: 'right', ...at(0, 500) },
    { id: 'b', name: 'B', turn: 'right', ...at(300, 500) },
  ],
  finish: at(0, 0),
  laps: 2,
  areas: [],
  landmarks: [],
};
const WORN = { seed: 5, startMs: Date.UTC(2026, 5, 1, 9), speedMps: 1, strokeLengthM: 1 };
const outing = (change: Partial<Outing> = {}): Outing => ({
  biasRad: 1 * RAD,
  sdRad: 2 * RAD,
  lookEvery: 12,
  receiverSdM: 0,
  dropOuts: 0,
  silentS: 0,
  currentMps: 0,
  currentToDeg: 0,
  ...change,
});
const HABITS = { every: 12, rateSpm: 60, currentMps: 0, currentToDeg: 0 };
const swum = (change: Partial<Outing> = {}, seed = 5) => simulatedTrack({ ...WORN, seed }, outing(change), COURSE);
const measured = (points: readonly TrackPoint[], habits = HABITS) => measureTrack(cleanTrack(points), COURSE, habits);

describe('a track is cleaned', () => {
  it('leaves out a jump of the receiver and says how much', () => {
    const points = swum();
    const jumped = points.map((p, i) => (i >= 100 && i < 103 ? { ...p, lat: p.lat + 0.01 } : p));
    const { points: kept, leftOut } = cleanTrack(jumped);
    expect(leftOut).toBe(3);
    expect(kept).toHaveLength(points.length - 3);
  });

  it('believes the receiver after a false beginning', () => {
    const points = swum();
    const begun = points.map((p, i) => (i < 4 ? { ...p, lat: p.lat + 0.01 } : p));
    expect(cleanTrack(begun).points[0]).toEqual(points[4]);
  });

  it('leaves out what is out of order or without a time, and more than two points a second', () => {
    const points = swum();
    const doubled = points.flatMap((p) => [p, { ...p, timeMs: p.timeMs! + 400 }]);
    const { points: kept, leftOut } = cleanTrack([...doubled, points[3]!, { ...points[5]!, timeMs: null }]);
    expect([kept.length, leftOut]).toEqual([points.length, 2]);
  });

  it('names the silence of the receiver', () => {
    const { gaps } = cleanTrack(swum({ silentS: 60 }));
    expect(gaps).toHaveLength(1);
    // The jump after the silence is left out, which makes it a little longer.
    expect(gaps[0]!.seconds).toBeGreaterThanOrEqual(60);
    expect(gaps[0]!.seconds).toBeLessThan(66);
  });

  it('is kept in order, half a second apart', () => {
    const wild = fc.record({
      lat: fc.double({ min: 31.39, max: 31.41, noNaN: true }),
      lon: fc.double({ min: -41.21, max: -41.19, noNaN: true }),
      timeMs: fc.integer({ min: 0, max: 4_000_000 }),
    });
    fc.assert(
      fc.property(fc.array(wild, { minLength: 0, maxLength: 120 }), (points) => {
        const half = swum().slice(0, 200);
        const mixed = [...half.slice(0, 100), ...points.map((p) => ({ ...p, timeMs: half[99]!.timeMs! + p.timeMs }))];
        const { points: kept } = cleanTrack(mixed);
        kept.slice(1).forEach((p, i) => expect(p.timeMs - kept[i]!.timeMs).toBeGreaterThanOrEqual(500));
      }),
      { numRuns: runs(10, 30) },
    );
  });

  it('refuses a file without times, and one that is too short', () => {
    expect(() => cleanTrack(swum().map((p) => ({ ...p, timeMs: null })))).toThrow(/no times/);
    expect(() => cleanTrack(swum().slice(0, 5))).toThrow(RefusedTrack);
  });
});

describe('a track is laid over the course', () => {
  it('gives a straight swim its legs, times and metres', () => {
    const result = measured(swum({ biasRad: 0, sdRad: 0 }));
    expect(result.legs.map((l) => Math.round(l.leg.lengthM))).toEqual([500, 300, 300, 300, 583]);
    for (const { leg, timeS, swumM, farthestOffM } of result.legs) {
      expect(Math.abs(timeS - leg.lengthM)).toBeLessThan(8);
      // Corners are cut a little by the smoothing.
      expect(Math.abs(swumM - leg.lengthM)).toBeLessThan(5);
      expect(Math.abs(farthestOffM)).toBeLessThan(4);
    }
  });

  it('adds its legs up to the whole', () => {
    const result = measured(swum());
    const sum = (of: (l: (typeof result.legs)[number]) => number) => result.legs.reduce((t, l) => t + of(l), 0);
    expect(result.timeS).toBeCloseTo(
      sum((l) => l.timeS),
      9,
    );
    expect(result.swumM).toBeCloseTo(
      sum((l) => l.swumM),
      9,
    );
    expect(result.line.at(-1)!.timeMs - result.startMs).toBeCloseTo(result.timeS * 1000, 6);
  });

  it('sees a bow to the right as one, and the noise of the receiver as no metres', () => {
    const clear = measured(swum({ biasRad: 2 * RAD, sdRad: 0 }));
    const noisy = measured(swum({ biasRad: 2 * RAD, sdRad: 0, receiverSdM: 1.5, dropOuts: 0.1 }));
    expect(clear.legs.every((l) => l.meanOffM > 1)).toBe(true);
    expect(Math.abs(noisy.swumM / clear.swumM - 1)).toBeLessThan(0.015);
  });

  it('does not count the waiting at the start and after the finish', () => {
    const points = swum();
    const wait = (p: TrackPoint, from: number) =>
      Array.from({ length: 120 }, (_, i) => ({ ...p, timeMs: p.timeMs! + (from + i) * 1000 }));
    const waited = [...wait(points[0]!, -120), ...points, ...wait(points.at(-1)!, 1)];
    expect(Math.abs(measured(waited).timeS - measured(points).timeS)).toBeLessThan(12);
  });

  it('says which mark was not swum round', () => {
    const cut: Course = { ...COURSE, marks: [COURSE.marks[0]!, { ...COURSE.marks[1]!, ...at(180, 500) }] };
    const { words, legs } = measured(simulatedTrack(WORN, outing(), cut));
    expect(words.join(' ')).toMatch(/B was passed 1\d\d m off/);
    expect(legs.find((l) => l.leg.to.name === 'B')!.passedM).toBeGreaterThan(100);
  });

  it('refuses a track of another place with the distance', () => {
    const elsewhere = swum().map((p) => ({ ...p, lat: p.lat + 3 }));
    expect(() => measured(elsewhere)).toThrow(/stays 33\d km from the course/);
    const across = Array.from({ length: 400 }, (_, i) => ({ ...at(-700, -i), timeMs: WORN.startMs + i * 1000 }));
    expect(() => measured(across)).toThrow(/does not follow the course/);
  });
});

describe('drift between looks', () => {
  it.each([
    [0.5, 2, 12],
    [1, 2, 12],
    [-2, 3, 8],
    [3, 4, 6],
  ])('finds %s° and %s° a stroke again when the swimmer looks every %s', (bias, sd, every) => {
    let [b, s, inside] = [0, 0, 0];
    const seeds = runs(6, 12);
    for (let seed = 1; seed <= seeds; seed++) {
      const points = swum({ biasRad: bias * RAD, sdRad: sd * RAD, lookEvery: every }, seed * 101);
      const { drift } = measured(points, { ...HABITS, every });
      b += drift!.biasRadPerStroke / RAD / seeds;
      s += drift!.sdRadPerStroke / RAD / seeds;
      if (drift!.biasLow <= bias * RAD && bias * RAD <= drift!.biasHigh) inside++;
      expect(drift!.sdLow).toBeLessThanOrEqual(drift!.sdRadPerStroke);
      expect(drift!.sdHigh).toBeGreaterThanOrEqual(drift!.sdRadPerStroke);
    }
    expect(Math.abs(b - bias)).toBeLessThan(0.12 + 0.06 * Math.abs(bias));
    expect(Math.abs(s / sd - 1)).toBeLessThan(0.15);
    expect(inside).toBeGreaterThanOrEqual(seeds - 3);
  });

  it('takes the noise of the receiver away', () => {
    let s = 0;
    for (let seed = 1; seed <= 12; seed++)
      s += measured(swum({ receiverSdM: 1, dropOuts: 0.05 }, seed * 77)).drift!.sdRadPerStroke / RAD / 12;
    expect(Math.abs(s / 2 - 1)).toBeLessThan(0.25);
  });

  it('does not take a known current for drift', () => {
    const there: Course = { ...COURSE, marks: [], finish: at(0, 1500), laps: 1 };
    const water = { currentMps: 0.2, currentToDeg: 90 };
    const track = cleanTrack(simulatedTrack(WORN, outing({ biasRad: 0, sdRad: RAD, ...water }), there));
    const drift = (habits: typeof HABITS) => measureTrack(track, there, habits).drift!.biasRadPerStroke / RAD;
    expect(Math.abs(drift({ ...HABITS, ...water }))).toBeLessThan(0.2);
    expect(drift(HABITS)).toBeGreaterThan(0.5);
  });

  it('refuses where the receiver errs more than the swimmer, or too little was swum', () => {
    expect(measured(swum({ sdRad: 0.3 * RAD, receiverSdM: 5 })).driftWhy).toMatch(/error of the receiver is larger/);
    const short: Course = { ...COURSE, marks: [], finish: at(0, 120), laps: 1 };
    const track = cleanTrack(simulatedTrack(WORN, outing(), short));
    expect(measureTrack(track, short, HABITS)).toMatchObject({
      drift: null,
      driftWhy: expect.stringContaining('too few') as string,
    });
  });
});

describe('a long file', () => {
  it('with half a million points is read, with one more it is refused with the reason', () => {
    const file = (points: number) =>
      `<gpx><trk><trkseg>${'<trkpt lat="1" lon="1"/>'.repeat(points)}</trkseg></trk></gpx>`;
    expect(readTrackFile(file(500_000)).tracks[0]!.points).toHaveLength(500_000);
    expect(readTrackFile(file(500_001))).toEqual({ tracks: [], problems: ['At most 500,000 points are read.'] });
  }, 60_000);

  it('of ten points a second is cut to two', () => {
    const points = swum().slice(0, 400);
    const dense = points.slice(1).flatMap((q, i) =>
      Array.from({ length: 10 }, (_, k) => ({
        lat: points[i]!.lat + ((q.lat - points[i]!.lat) * k) / 10,
        lon: points[i]!.lon + ((q.lon - points[i]!.lon) * k) / 10,
        timeMs: Math.round(points[i]!.timeMs! + ((q.timeMs! - points[i]!.timeMs!) * k) / 10),
      })),
    );
    expect(cleanTrack(readTrackFile(writeGpx('Dense', dense)).tracks[0]!.points).points.length).toBeLessThanOrEqual(
      801,
    );
  });

  it('of a whole day is thinned, and swims as far', () => {
    const long: Course = { ...COURSE, laps: 12 };
    const points = simulatedTrack({ ...WORN, strokeLengthM: 0.9 }, outing({ receiverSdM: 0.5 }), long);
    const clean = cleanTrack(points);
    expect(points.length).toBeGreaterThan(7000);
    expect(clean.points.length).toBeLessThanOrEqual(6000);
    const swumM = measureTrack(clean, long, HABITS).swumM;
    expect(Math.abs(swumM / measureTrack({ ...clean, points: points as never }, long, HABITS).swumM - 1)).toBeLessThan(
      0.01,
    );
  });

  it('goes through the file as it is', () => {
    const points = swum({ receiverSdM: 1, dropOuts: 0.1, silentS: 40 });
    const read = readTrackFile(writeGpx('Swum', points)).tracks[0]!.points;
    const [from, out] = [measured(points), measured(read)];
    expect(out.swumM).toBeCloseTo(from.swumM, 0);
    expect(out.words).toEqual(from.words);
  });
});
