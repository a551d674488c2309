import { RAD } from '../../units';
import {
  cleanTrack,
  measureTrack,
  MOST_TRACK_POINTS,
  planeAround,
  RefusedTrack,
  type CleanTrack,
  type Course,
} from '..';

const MIDDLE = { lat: 31.4, lon: -41.2 };
const plane = planeAround(MIDDLE);
type Spot = readonly [x: number, y: number];
const place = ([x, y]: Spot) => plane.toPlace({ x, y });
const START_MS = Date.UTC(2026, 5, 1, 9);

/** A point a second, metres east and north. */
const seconds = (spots: readonly Spot[], everyMs = 1000) =>
  spots.map((spot, i) => ({ ...place(spot), timeMs: START_MS + i * everyMs }));
/** Straight from one spot to another in a number of seconds, both ends included. */
const straight = (from: Spot, to: Spot, s: number): Spot[] =>
  Array.from({ length: s + 1 }, (_, i) => [
    from[0] + ((to[0] - from[0]) * i) / s,
    from[1] + ((to[1] - from[1]) * i) / s,
  ]);
const still = (spot: Spot, count: number): Spot[] => Array.from({ length: count }, () => spot);

describe('cleaning, by hand', () => {
  const NORTH = straight([0, 0], [0, 39], 39);

  it('a point is believed as far as 20 m and 3 m/s after the last one', () => {
    const jump = (m: number) => cleanTrack(seconds([...NORTH, [0, 39 + m]]));
    expect(jump(22.9)).toMatchObject({ leftOut: 0 });
    expect(jump(22.9).points).toHaveLength(41);
    expect(jump(23.1)).toMatchObject({ leftOut: 1 });
    expect(jump(23.1).points).toHaveLength(40);
    // Two seconds later three metres more.
    const later = (m: number) => cleanTrack([...seconds(NORTH), { ...place([0, 39 + m]), timeMs: START_MS + 41_000 }]);
    expect([later(25.9).leftOut, later(26.1).leftOut]).toEqual([0, 1]);
  });

  it('eight points in a row that agree are believed after a jump, seven are not', () => {
    const away = (count: number) => cleanTrack(seconds([...NORTH, ...still([500, 0], count)]));
    expect([away(7).points.length, away(7).leftOut]).toEqual([40, 7]);
    expect([away(8).points.length, away(8).leftOut]).toEqual([48, 0]);
    // Points that do not agree with each other are no place.
    const wild = Array.from({ length: 9 }, (_, i): Spot => [500 + 100 * i, 0]);
    expect(cleanTrack(seconds([...NORTH, ...wild])).leftOut).toBe(9);
    // Back again before eight: the excursion is the error.
    const back = cleanTrack(seconds([...NORTH, ...still([500, 0], 7), [0, 40]]));
    expect([back.points.length, back.leftOut]).toEqual([41, 7]);
  });

  it('a beginning of fewer than eight points before the jump was the error', () => {
    const begun = (count: number) => cleanTrack(seconds([...still([500, 0], count), ...NORTH]));
    expect([begun(7).points.length, begun(7).leftOut]).toEqual([40, 7]);
    expect([begun(8).points.length, begun(8).leftOut]).toEqual([48, 0]);
  });

  it('points keep their order and half a second', () => {
    const withGap = (afterMs: number) =>
      cleanTrack([...seconds(NORTH), { ...place([0, 39]), timeMs: START_MS + 39_000 + afterMs }]);
    expect([withGap(0).leftOut, withGap(0).points.length]).toEqual([1, 40]);
    expect([withGap(-1).leftOut, withGap(-1).points.length]).toEqual([1, 40]);
    expect([withGap(499).leftOut, withGap(499).points.length]).toEqual([0, 40]);
    expect([withGap(500).leftOut, withGap(500).points.length]).toEqual([0, 41]);
    // Also among points that are in doubt.
    const doubted = seconds([...NORTH, ...still([500, 0], 7)]);
    const eighth = { ...place([500, 0]), timeMs: doubted.at(-1)!.timeMs + 400 };
    expect(cleanTrack([...doubted, eighth]).leftOut).toBe(7);
  });

  it('over fifteen seconds of silence are a gap', () => {
    const silent = (ms: number) =>
      cleanTrack([...seconds(NORTH), { ...place([0, 40]), timeMs: START_MS + 39_000 + ms }]).gaps;
    expect(silent(15_000)).toEqual([]);
    expect(silent(15_500)).toEqual([{ atMs: START_MS + 39_000, seconds: 15.5 }]);
  });

  it('twenty points are a track; every second one of over six thousand is kept', () => {
    expect(() => cleanTrack(seconds(still([0, 0], 19)))).toThrow(
      'Only 19 points of this track can be used; 20 are needed.',
    );
    expect(cleanTrack(seconds(still([0, 0], 20))).points).toHaveLength(20);
    expect(() => cleanTrack([])).toThrow('Only 0 points');
    expect(() => cleanTrack(seconds(NORTH).map((p) => ({ ...p, timeMs: null })))).toThrow(/no times/);
    const some = seconds(NORTH).map((p, i) => (i % 10 === 0 ? { ...p, timeMs: null } : p));
    expect(cleanTrack(some).leftOut).toBe(4);
    expect(MOST_TRACK_POINTS).toBe(6000);
    const many = seconds(still([0, 0], 6001));
    expect(cleanTrack(many.slice(0, 6000)).points).toHaveLength(6000);
    const kept = cleanTrack(many).points;
    expect([kept.length, kept[1]!.timeMs]).toEqual([3001, START_MS + 2000]);
  });
});

/** 300 m north to a mark, and back. */
const COURSE: Course = {
  ...{ start: place([0, 0]), finish: place([0, 0]), laps: 1, areas: [], landmarks: [] },
  marks: [{ id: 'a', name: 'A', turn: 'right', ...place([0, 300]) }],
};
const HABITS = { every: 12, rateSpm: 60, currentMps: 0, currentToDeg: 0 };
const measured = (spots: readonly Spot[], change: Partial<CleanTrack> = {}, habits = HABITS) =>
  measureTrack({ points: seconds(spots), leftOut: 0, gaps: [], ...change }, COURSE, habits);
const THERE = straight([0, 0], [0, 300], 300);
const BACK = straight([0, 300], [0, 0], 300).slice(1);

describe('laid over the course, by hand', () => {
  it('a straight swim there and back', () => {
    const { legs, timeS, swumM, courseM, startMs, line, words } = measured([...THERE, ...BACK]);
    expect(legs.map((l) => [l.timeS, Math.round(l.leg.lengthM)])).toEqual([
      [300, 300],
      [300, 300],
    ]);
    // The turn is rounded by the smoothing: at most two metres each way.
    for (const leg of legs) {
      expect(leg.swumM).toBeGreaterThan(297.5);
      expect(leg.swumM).toBeLessThan(300.1);
      expect([leg.meanOffM, leg.zigzagM, leg.farthestOffM].map(Math.abs)).toEqual(
        [0, 0, 0].map((n) => expect.closeTo(n, 1)),
      );
    }
    expect([timeS, startMs, line.length, words]).toEqual([600, START_MS, 601, []]);
    expect(courseM).toBeCloseTo(600, 3);
    expect(swumM).toBeCloseTo(legs[0]!.swumM + legs[1]!.swumM, 9);
  });

  it('beside the line is right of it where it is positive', () => {
    const beside = [
      ...straight([0, 0], [8, 8], 8),
      ...straight([8, 9], [8, 300], 291),
      ...straight([8, 299], [8, 0], 299),
    ];
    const [out, home] = measured(beside).legs;
    expect(out!.farthestOffM).toBeCloseTo(8, 2);
    expect(out!.meanOffM).toBeGreaterThan(7.5);
    expect(out!.passedM).toBeCloseTo(8, 0);
    expect(home!.meanOffM).toBeCloseTo(-8, 2);
    expect(home!.farthestOffM).toBeCloseTo(-8, 2);
    expect(home!.zigzagM).toBeCloseTo(0, 2);
  });

  it('beside a line that lies askew and begins elsewhere too', () => {
    // 240 m east and 320 m north are 400 m; 4 m east and 3 m south are 5 m to the right of it.
    const course: Course = {
      ...{ start: place([120, -80]), finish: place([120, -80]), laps: 1, areas: [], landmarks: [] },
      marks: [{ id: 'a', name: 'A', turn: 'right', ...place([360, 240]) }],
    };
    const spots = [...straight([124, -83], [364, 237], 400), ...straight([364, 237], [124, -83], 400).slice(1)];
    const { legs } = measureTrack({ points: seconds(spots), leftOut: 0, gaps: [] }, course, HABITS);
    expect(legs.map((l) => [Math.round(l.leg.lengthM), l.timeS])).toEqual([
      [400, 400],
      [400, 400],
    ]);
    expect(legs.map((l) => l.meanOffM)).toEqual([expect.closeTo(5, 1), expect.closeTo(-5, 1)]);
    expect(legs.map((l) => l.farthestOffM)).toEqual([expect.closeTo(5, 1), expect.closeTo(-5, 1)]);
    expect(legs.map((l) => l.passedM)).toEqual([expect.closeTo(5, 0), expect.closeTo(5, 0)]);
  });

  it('a zigzag is the root mean square beside its own middle', () => {
    // Three waves of 10 m on the way out: 10 / √2.
    const waves = THERE.map(([, y]): Spot => [10 * Math.sin((2 * Math.PI * y) / 100), y]);
    const [out] = measured([...waves, ...BACK]).legs;
    expect(out!.zigzagM).toBeCloseTo(10 / Math.SQRT2, 0);
    expect(Math.abs(out!.farthestOffM)).toBeGreaterThan(9.7);
    expect(Math.abs(out!.farthestOffM)).toBeLessThan(10);
    expect(out!.meanOffM).toBeCloseTo(0, 1);
  });

  it('noise is averaged over three seconds on either side', () => {
    const one = THERE.map(([x, y], i): Spot => [i === 150 ? 7 : x, y]);
    // One of seven points stands off by 7 m.
    expect(measured([...one, ...BACK]).legs[0]!.farthestOffM).toBeCloseTo(1, 3);
  });

  it('metres are added up every eight seconds', () => {
    // A sway of 30 m that comes back every eight seconds is not swum metres.
    const sway = THERE.map(([, y], i): Spot => [i > 20 && i < 277 && (i - 20) % 8 === 4 ? 30 : 0, y]);
    expect(measured([...sway, ...BACK]).legs[0]!.swumM).toBeLessThan(300.5);
    const slower = THERE.map(([, y], i): Spot => [15 - 15 * Math.cos((2 * Math.PI * i) / 16), y]);
    expect(measured([...slower, ...BACK]).legs[0]!.swumM).toBeGreaterThan(500);
  });

  it('waiting within 5 m of the start or the finish is not swimming', () => {
    const waiting = (m: number): Spot[] => [...still([m, 0], 60), ...straight([m, 0], [0, 30], 30), ...THERE.slice(31)];
    // Three seconds of smoothing before the first stroke.
    expect(measured([...still([0, 0], 60), ...THERE, ...BACK]).timeS).toBe(603);
    expect(measured([...waiting(4), ...BACK]).startMs).toBeGreaterThanOrEqual(START_MS + 59_000);
    expect(measured([...THERE, ...BACK, ...still([0, 0], 60)]).timeS).toBe(603);
    // Farther off it is a swim to the start.
    const towards = [...straight([0, -40], [0, -1], 39), ...THERE];
    const from = measured([...towards, ...BACK]);
    expect(from.startMs).toBe(START_MS + 40_000);
  });

  it('a mark missed by over 60 m is named, and a course not followed is refused', () => {
    const short = (m: number) => [
      ...straight([0, 0], [0, 300 - m], 300 - m),
      ...straight([0, 300 - m], [0, 0], 300 - m).slice(1),
    ];
    // The smoothing rounds the turn by 12/7 m: the mean of 0, 1, 1, 2, 2, 3 and 3.
    expect(measured(short(58)).words).toEqual([]);
    expect(measured(short(59)).words).toEqual(['A was passed 61 m off.']);
    const beside = (x: number) => [...straight([x, 0], [x, 300], 300), ...straight([x, 299], [x, 0], 299)];
    expect(measured(beside(59)).words).toEqual([]);
    expect(() => measured(beside(61))).toThrow(/does not follow the course/);
    expect(() => measured(beside(999))).toThrow(/does not follow the course/);
    expect(() => measured(beside(1001))).toThrow(
      'This track stays 1.0 km from the course: it was swum somewhere else.',
    );
    expect(() => measured(beside(9900))).toThrow('9.9 km');
    expect(() => measured(beside(20_400))).toThrow('20 km');
    expect(() => measured(still([0, 0], 2))).toThrow(RefusedTrack);
  });

  it('says what was left out and where the receiver was silent', () => {
    const gaps = [
      { atMs: START_MS + 50_000, seconds: 20 },
      { atMs: START_MS + 400_000, seconds: 31 },
    ];
    expect(measured([...THERE, ...BACK], { leftOut: 3, gaps }).words).toEqual([
      '3 points were left out as errors of the receiver.',
      'The receiver was silent for 51 s in all; a straight line is assumed.',
    ]);
  });

  it('a long track is looked through coarsely and then to the very point', () => {
    // Four points a second: 2401 there, 2400 back, more than the 3000 of the first look.
    const four = (from: Spot, to: Spot) => straight(from, to, 2400);
    const slow = [...four([0, 0], [0, 300]), ...four([0, 300], [0, 0]).slice(1)];
    const result = measureTrack({ points: seconds(slow, 250), leftOut: 0, gaps: [] }, COURSE, HABITS);
    expect(result.legs.map((l) => l.timeS)).toEqual([600, 600]);
  });
});

/** One long leg to the north, swum from look to look on headings a number of degrees off the mark. */
const LONG: Course = {
  ...{ start: place([0, 0]), finish: place([0, 2000]), laps: 1, areas: [], landmarks: [], marks: [] },
};
function lookedAt(turnsDeg: readonly number[], everyS: number, flow: Spot = [0, 0]): Spot[] {
  const spots: Spot[] = [[0, 0]];
  let at: Spot = [0, 0];
  for (const turn of turnsDeg) {
    const heading = Math.atan2(0 - at[0], 2000 - at[1]) + turn * RAD;
    for (let s = 0; s < everyS; s++) {
      at = [at[0] + Math.sin(heading) + flow[0], at[1] + Math.cos(heading) + flow[1]];
      spots.push(at);
    }
  }
  return [...spots, ...straight(at, [0, 2000], 200).slice(1)];
}
const driftOf = (
  turns: readonly number[],
  change: Partial<typeof HABITS> = {},
  gaps: CleanTrack['gaps'] = [],
  flow?: Spot,
) => {
  const habits = { ...HABITS, ...change };
  const spots = lookedAt(turns, (habits.every * 60) / habits.rateSpm, flow);
  return measureTrack({ points: seconds(spots), leftOut: 0, gaps }, LONG, habits);
};

describe('the drift between looks, by hand', () => {
  /** Sixty stretches of twenty strokes, 3° to the right on average, 2° more or less in turn. */
  const TURNS = Array.from({ length: 60 }, (_, i) => (i % 2 === 0 ? 5 : 1));

  it('is two (N + 1)ths of the mean turn a stroke, with the interval of its scatter', () => {
    const { drift } = driftOf(TURNS, { every: 20 });
    const n = drift!.tries;
    // One or two stretches lie within 20 m of the start or the finish.
    expect(n).toBeGreaterThanOrEqual(57);
    expect(n).toBeLessThanOrEqual(70);
    const perStroke = 2 / 21;
    const mean = (3 * 59) / n;
    expect(drift!.biasRadPerStroke / RAD).toBeGreaterThan(mean * perStroke * 0.9);
    expect(drift!.biasRadPerStroke / RAD).toBeLessThan(3.15 * perStroke);
    const half = (drift!.biasHigh - drift!.biasLow) / 2;
    expect((drift!.biasHigh + drift!.biasLow) / 2).toBeCloseTo(drift!.biasRadPerStroke, 12);
    // The variance of a stroke from that of a stretch: (N + 1)(2N + 1) / 8N.
    const spread = (21 * 41) / 160;
    const scatter = drift!.sdRadPerStroke ** 2 * spread;
    expect(half).toBeCloseTo(1.96 * Math.sqrt((scatter * 4) / 3 / n) * perStroke, 4);
    expect(drift!.sdRadPerStroke / RAD).toBeGreaterThan((2 / Math.sqrt(spread)) * 0.85);
    expect(drift!.sdRadPerStroke / RAD).toBeLessThan((2 / Math.sqrt(spread)) * 1.3);
    // χ² of n − 1 at 2.5 and 97.5 %, over n − 1 (Wilson and Hilferty).
    const chi = (z: number) => (1 - 2 / (9 * (n - 1)) + z * Math.sqrt(2 / (9 * (n - 1)))) ** 3;
    expect(drift!.sdLow).toBeCloseTo(drift!.sdRadPerStroke / Math.sqrt(chi(1.96)), 4);
    expect(drift!.sdHigh).toBeCloseTo(drift!.sdRadPerStroke / Math.sqrt(chi(-1.96)), 4);
  });

  it('to the left is negative', () => {
    expect(
      driftOf(
        TURNS.map((t) => -t),
        { every: 20 },
      ).drift!.biasHigh,
    ).toBeLessThan(0);
  });

  it('is measured through the water, not over ground', () => {
    // A current to the east of 0.2 m/s pushes a straight swimmer 11° off; known, it is taken away.
    const still_ = TURNS.map((t) => t - 3);
    const flow: Spot = [0.2, 0];
    const known = driftOf(still_, { every: 20, currentMps: 0.2, currentToDeg: 90 }, [], flow).drift!;
    const unknown = driftOf(still_, { every: 20 }, [], flow).drift!;
    expect(Math.abs(known.biasRadPerStroke / RAD)).toBeLessThan(0.06);
    expect(unknown.biasRadPerStroke / RAD).toBeGreaterThan(0.8);
  });

  it('is the same with a known current along the course as without one', () => {
    const without = driftOf(TURNS, { every: 20 }).drift!.biasRadPerStroke;
    // 0.3 m/s to the north: over ground a turn of 3° is one of 2.3°, and more the farther one is beside the line.
    const along = driftOf(TURNS, { every: 20, currentMps: 0.3, currentToDeg: 0 }, [], [0, 0.3]).drift!;
    const taken = driftOf(TURNS, { every: 20 }, [], [0, 0.3]).drift!;
    expect(along.biasRadPerStroke / without).toBeCloseTo(1, 1);
    expect(taken.biasRadPerStroke / without).toBeGreaterThan(1 / 1.3);
    expect(taken.biasRadPerStroke / without).toBeLessThan(0.9);
  });

  it('needs twelve stretches, and counts none over a gap', () => {
    const few = (count: number) => driftOf(TURNS.slice(0, count), { every: 90 });
    const told = few(12);
    expect(told.driftWhy ?? '').not.toContain('too few');
    expect(few(9).drift).toBeNull();
    expect(few(9).driftWhy).toMatch(/^\d+ stretches between looks are too few to tell a drift; 12 are needed\.$/);
    const whole = driftOf(TURNS, { every: 20 }).drift!.tries;
    const gap = [{ atMs: START_MS + 305_000, seconds: 20 }];
    // The silence touches two stretches.
    expect(driftOf(TURNS, { every: 20 }, gap).drift!.tries).toBe(whole - 2);
  });

  it('is not told where the receiver errs more than the swimmer', () => {
    const rough = lookedAt(TURNS, 20).map(([x, y], i): Spot => [x + (i % 2 === 0 ? 9 : -9), y]);
    const result = measureTrack({ points: seconds(rough), leftOut: 0, gaps: [] }, LONG, { ...HABITS, every: 20 });
    expect([result.drift, result.driftWhy]).toEqual([
      null,
      'The error of the receiver is larger than the drift of the swimmer: the track is too rough to tell.',
    ]);
  });
});
