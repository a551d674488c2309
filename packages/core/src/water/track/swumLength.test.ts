import { readGpx, writeGpx, type TrackPoint } from '../../exchange';
import { cleanTrack, DEMO_BAY, measureTrack, placeAt, planeAround, simulatedTrack, swumSum, type Course } from '..';

const plane = planeAround(DEMO_BAY);
const at = (x: number, y: number) => plane.toPlace({ x, y });
const straight = (metres: number): Course => ({
  ...{ start: at(0, 0), marks: [], finish: at(0, metres), laps: 1, areas: [], landmarks: [] },
});
const WORN = { seed: 5, startMs: Date.UTC(2026, 5, 1, 9), speedMps: 1.02, strokeLengthM: 0.92 };
/** A receiver as it is worn in a cap: an error of 1.2 m at every second. */
const NOISY = {
  ...{ biasRad: 0.015, sdRad: 0.035, lookEvery: 12, receiverSdM: 1.2, dropOuts: 0.05, silentS: 0 },
  ...{ currentMps: 0, currentToDeg: 0 },
};
const sum = (points: readonly TrackPoint[]) => swumSum(cleanTrack(points));
/** Metres from point to point, with all the noise. */
const bare = (points: readonly TrackPoint[]) =>
  points.slice(1).reduce((all, p, i) => {
    const [a, b] = [plane.toPlane(points[i]!), plane.toPlane(p)];
    return all + Math.hypot(b.x - a.x, b.y - a.y);
  }, 0);

describe('how far a track goes', () => {
  it.each([
    [750, 1],
    [750, 2],
    [1500, 3],
    [3000, 4],
  ])('is near to the %d m that were swum, whatever the receiver adds (seed %d)', (metres, seed) => {
    const quiet = simulatedTrack({ ...WORN, seed }, { ...NOISY, receiverSdM: 0 }, straight(metres));
    const noisy = simulatedTrack({ ...WORN, seed }, NOISY, straight(metres));
    const swum = bare(quiet);
    // The bare points of the noisy receiver are twice as far, or more.
    expect(bare(noisy)).toBeGreaterThan(1.8 * swum);
    expect(sum(noisy).distanceM / swum).toBeGreaterThan(0.97);
    expect(sum(noisy).distanceM / swum).toBeLessThan(1.03);
    expect(sum(noisy).timeS).toBeCloseTo((noisy.at(-1)!.timeMs! - noisy[0]!.timeMs!) / 1000, 6);
  });

  it('is what the same track has laid over its course', () => {
    const course: Course = {
      ...straight(0),
      marks: [
        { id: 'a', name: 'A', turn: 'right', ...at(0, 500) },
        { id: 'b', name: 'B', turn: 'right', ...at(300, 500) },
      ],
      finish: at(20, 0),
      laps: 2,
    };
    const points = simulatedTrack(WORN, NOISY, course);
    const track = cleanTrack(points);
    const over = measureTrack(track, course, { every: 12, rateSpm: 66, currentMps: 0, currentToDeg: 0 });
    expect(Math.abs(swumSum(track).distanceM / over.swumM - 1)).toBeLessThan(0.01);
  });

  it('is the same once written and read', () => {
    const points = simulatedTrack(WORN, NOISY, straight(750));
    expect(sum(readGpx(writeGpx('x', points)).points).distanceM).toBeCloseTo(sum(points).distanceM, 0);
  });

  it('is refused where nobody swims so fast, and doubted where it holds more than a swim', () => {
    const moving = (mps: number) =>
      Array.from({ length: 120 }, (_, i) => ({
        ...placeAt(DEMO_BAY, 0, i * mps * 5),
        timeMs: WORN.startMs + i * 5000,
      }));
    // 2.6 m/s is the fastest that anybody swims; a bicycle rides at five.
    expect(sum(moving(2.5)).distanceM).toBeCloseTo(119 * 12.5, 0);
    expect(() => sum(moving(2.7))).toThrow('faster than anybody swims');
    expect(sum(moving(1)).words).toEqual([]);
    expect(sum(moving(0.2)).words[0]).toMatch(/^On the whole 0\.20 m\/s: more than the swim is in this track/);
  });

  it('has the day of the place where it was swum, whatever the clock of the reader', () => {
    const on = (lat: number, lon: number, first: string) => {
      const startMs = Date.parse(first);
      return sum(Array.from({ length: 30 }, (_, i) => ({ lat: lat + i * 1e-5, lon, timeMs: startMs + i * 1000 }))).on;
    };
    expect(on(37.6, 23.5, '2026-07-10T21:15:00Z')).toBe('2026-07-11');
    expect(on(38.6, -9.3, '2026-07-10T21:15:00Z')).toBe('2026-07-10');
    expect(on(37.6, 23.5, '2026-07-10T17:15:00-04:00')).toBe('2026-07-11');
  });

  it('says what was left out and where the receiver was silent', () => {
    const points = simulatedTrack(WORN, { ...NOISY, silentS: 60 }, straight(750));
    // The file says nothing for a minute; three points before it lie a kilometre off.
    const jumped = points.map((p, i) => (i >= 100 && i < 103 ? { ...p, lat: p.lat + 0.01 } : p));
    expect(sum(jumped).words).toEqual([
      '3 points were left out as errors of the receiver.',
      expect.stringMatching(/^The receiver was silent for 6\d s in all; a straight line is assumed\.$/),
    ]);
  });
});
