import fc from 'fast-check';
import { RAD } from '../units';
import {
  aimPoints,
  bearingTo,
  betterInterval,
  breathingSide,
  checkCourse,
  crossing,
  differentLegs,
  draftingLimit,
  extraTimeShare,
  farthestFromLand,
  ImpossibleCrossing,
  lengthOf,
  legsOf,
  movedCourse,
  placeAt,
  planeAround,
  readCourseGeoJson,
  readCourseGpx,
  sightingInterval,
  simulateInterval,
  sunAt,
  sweepLeg,
  trackBundle,
  turnBetween,
  writeCourseGeoJson,
  writeCourseGpx,
  type Area,
  type Course,
  type LegSwim,
  type NamedCourse,
  type Place,
} from '.';
import { runs } from '../../test/runs';

const wander = (biasDeg: number, sdDeg: number) => ({
  biasRad: biasDeg * RAD,
  sdRad: sdDeg * RAD,
  lookCostS: 0.25,
  strokesPerS: 1,
});
const leg = (change: Partial<LegSwim> = {}): LegSwim => ({
  distanceM: 400,
  strokeLengthM: 1,
  speedMps: 1,
  biasRad: RAD,
  sdRad: 2 * RAD,
  aimSdRad: 0,
  lookCostS: 0.25,
  seeProbability: 1,
  turnRadiusM: 3,
  current: { along: 0, across: 0 },
  seed: 1,
  ...change,
});
const intervals = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

describe('how often to look', () => {
  it('says what a better interval would have saved, and nothing where the one swum is as good', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 0, max: 4 }), (every, biasDeg) => {
        const asked = wander(biasDeg, 2);
        const [low, high] = sightingInterval(asked).nearOptimal;
        const better = betterInterval(asked, every, 1000);
        if (every >= low && every <= high) expect(better).toBeNull();
        if (!better) {
          // As good, or at a bound of what is advised: 4 to 12 strokes, an even number.
          const advised = [4, 6, 8, 10, 12].find((n) => n >= low) ?? 12;
          if (every < low || every > high)
            expect(extraTimeShare(asked, advised)).toBeGreaterThanOrEqual(extraTimeShare(asked, every));
          return;
        }
        expect([4, 6, 8, 10, 12]).toContain(better.interval);
        // A thousand seconds with the looks as swum hold 1000 / (1 + share) of pure swimming.
        const pure = 1000 / (1 + extraTimeShare(asked, every));
        expect(1000 - better.savedS).toBeCloseTo(pure * (1 + extraTimeShare(asked, better.interval)), 6);
        expect(better.savedS).toBeGreaterThan(0);
      }),
    );
  });

  it.each([
    [0.5, 2, 18],
    [1, 2, 13],
    [2, 3, 8],
    [3, 4, 6],
  ])('for %d° a stroke and %d° of chance: every %d', (bias, sd, every) => {
    expect(sightingInterval(wander(bias, sd)).interval).toBe(every);
  });

  it('names the intervals that cost under half a percent more, and no others', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        (b, s) => {
          const w = wander(b, s);
          const { interval, nearOptimal, extraTimeShare: best } = sightingInterval(w);
          const cost = (n: number) => (1 + extraTimeShare(w, n)) / (1 + best) - 1;
          expect(nearOptimal[0]).toBeLessThanOrEqual(interval);
          for (let n = nearOptimal[0]; n <= nearOptimal[1]; n++) expect(cost(n)).toBeLessThanOrEqual(0.005 + 1e-12);
          if (nearOptimal[0] > 1) expect(cost(nearOptimal[0] - 1)).toBeGreaterThan(0.005);
          if (nearOptimal[1] < 60) expect(cost(nearOptimal[1] + 1)).toBeGreaterThan(0.005);
        },
      ),
    );
  });

  it('refuses what is no number', () => {
    expect(() => sightingInterval({ ...wander(1, 2), strokesPerS: 0 })).toThrow(RangeError);
    expect(() => sightingInterval({ ...wander(1, 2), biasRad: Number.NaN })).toThrow(RangeError);
  });
});

describe('a leg swum many times', () => {
  it.each([
    [0.5, 2, 18, [17, 18]],
    [1, 2, 13, [11, 12]],
    [2, 3, 8, [7, 8]],
    [3, 4, 6, [6, 6]],
  ])('agrees with the closed form for %d° and %d°', (bias, sd, closed, [low, high]) => {
    for (const distanceM of [400, 1000]) {
      const swum = leg({ distanceM, biasRad: bias * RAD, sdRad: sd * RAD });
      const { best, results } = sweepLeg(swum, intervals(2, 24), runs(700, 2000));
      expect(Math.abs(best - closed)).toBeLessThanOrEqual(2);
      expect(best).toBeGreaterThanOrEqual(low!);
      expect(best).toBeLessThanOrEqual(high!);
      const at = results.find((r) => r.interval === closed)!;
      // The share of extra time itself, within half a percent of the whole.
      expect(Math.abs(at.meanTimeS / distanceM - 1 - extraTimeShare(wander(bias, sd), closed))).toBeLessThan(0.006);
    }
  });

  it('is the same for the same seed, and another for another', () => {
    const once = simulateInterval(leg({ seed: 5 }), 8, 50);
    expect(simulateInterval(leg({ seed: 5 }), 8, 50)).toEqual(once);
    expect(simulateInterval(leg({ seed: 6 }), 8, 50).meanTimeS).not.toBe(once.meanTimeS);
  });

  it('costs exactly the strokes and the looks for somebody who swims straight', () => {
    const swum = simulateInterval(leg({ biasRad: 0, sdRad: 0, distanceM: 103 }), 10, 3);
    expect(swum.meanDistanceM).toBe(100);
    // Looks at 10, 20 … 90: the first is the start.
    expect(swum.meanTimeS).toBeCloseTo(100 + 9 * 0.25, 9);
    expect(swum.p10TimeS).toBe(swum.p90TimeS);
  });

  it('looks more often when waves hide the mark, and takes longer', () => {
    const clear = sweepLeg(leg({ distanceM: 1000 }), intervals(2, 20), runs(500, 1500));
    const choppy = sweepLeg(
      leg({ distanceM: 1000, seeProbability: 0.5, aimSdRad: 2 * RAD }),
      intervals(2, 20),
      runs(500, 1500),
    );
    expect(choppy.best).toBeLessThan(clear.best);
    expect(Math.min(...choppy.results.map((r) => r.meanTimeS))).toBeGreaterThan(
      Math.min(...clear.results.map((r) => r.meanTimeS)),
    );
  });

  it('goes faster with the current, and is turned back by one as fast as the swimmer', () => {
    const still = simulateInterval(leg(), 8, 200).meanTimeS;
    expect(simulateInterval(leg({ current: { along: 0.3, across: 0 } }), 8, 200).meanTimeS).toBeLessThan(still * 0.85);
    expect(simulateInterval(leg({ current: { along: 0, across: 0.4 } }), 8, 200).meanTimeS).toBeGreaterThan(still);
    expect(() => simulateInterval(leg({ current: { along: 0, across: 1 } }), 8, 10)).toThrow(RangeError);
    expect(() => simulateInterval(leg({ current: { along: -1.2, across: 0 } }), 8, 10)).toThrow(RangeError);
  });

  it('swims a straight line across a current when it is held against, at the speed of the crossing', () => {
    const straight = leg({ biasRad: 0, sdRad: 0, lookCostS: 0, speedMps: 1.1, strokeLengthM: 1.1, distanceM: 1000 });
    const swum = { ...straight, holdUp: true, current: { along: 0, across: 0.25 } };
    const { groundMps } = crossing(1.1, 0.25, 0);
    // The last metres are inside the turn radius.
    expect(simulateInterval(swum, 8, 1).meanTimeS).toBeCloseTo((1000 - 3) / groundMps, 0);
    for (const path of trackBundle(swum, 8, 1))
      for (let i = 1; i < path.length; i += 2) expect(Math.abs(path[i]!)).toBeLessThan(0.01);
    expect(simulateInterval({ ...swum, holdUp: false }, 8, 1).meanTimeS).toBeGreaterThan(1000 / groundMps);
  });

  it('ends within the turn radius of the mark, whatever the numbers', () => {
    fc.assert(
      fc.property(
        fc.record({
          bias: fc.double({ min: -4, max: 4, noNaN: true }),
          sd: fc.double({ min: 0, max: 6, noNaN: true }),
          see: fc.double({ min: 0.4, max: 1, noNaN: true }),
          across: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
          every: fc.integer({ min: 2, max: 20 }),
          seed: fc.integer(),
        }),
        ({ bias, sd, see, across, every, seed }) => {
          const swum = leg({
            ...{ biasRad: bias * RAD, sdRad: sd * RAD, seeProbability: see, current: { along: 0, across } },
            ...{ turnRadiusM: 5, distanceM: 200, seed },
          });
          for (const path of trackBundle(swum, every, 3)) {
            const [x, y] = path.slice(-2) as [number, number];
            expect(Math.hypot(200 - x, y)).toBeLessThanOrEqual(5);
          }
        },
      ),
      { numRuns: runs(30, 60) },
    );
  });
});

describe('the sun', () => {
  it('stands where the almanac says, within 0.3°', () => {
    // Reda & Andreas (NREL/TP-560-34302, 2004), the worked example: 17 October 2003, 12:30:30, UTC−7,
    // 39.742476° N, 105.1786° W: zenith 50.11162°, azimuth 194.34024°.
    const sun = sunAt(39.742476, -105.1786, new Date('2003-10-17T19:30:30Z'));
    expect(Math.abs(sun.altitudeDeg - (90 - 50.11162))).toBeLessThan(0.3);
    expect(Math.abs(sun.bearingDeg - 194.34024)).toBeLessThan(0.3);
  });

  it('is refused for a place or moment that is none', () => {
    expect(() => sunAt(91, 0, new Date())).toThrow(RangeError);
    expect(() => sunAt(0, 0, new Date('x'))).toThrow(RangeError);
  });
});

describe('the side to breathe', () => {
  const calm = { legBearingDeg: 0, sun: null, waveFromDeg: null, waveHeightM: 0, nextTurn: null } as const;
  it.each([
    ['away from waves from the right', { waveFromDeg: 90, waveHeightM: 0.4 }, 'left'],
    ['away from waves from the left', { waveFromDeg: 270, waveHeightM: 0.4 }, 'right'],
    ['away from a low sun on the right', { sun: { bearingDeg: 100, altitudeDeg: 20 } }, 'left'],
    ['towards the next turn when nothing else speaks', { nextTurn: 'right' as const }, 'right'],
    ['to either side when nothing speaks', {}, 'either'],
    ['to either side with waves on the nose', { waveFromDeg: 10, waveHeightM: 0.5 }, 'either'],
    ['to either side under a high sun', { sun: { bearingDeg: 90, altitudeDeg: 60 } }, 'either'],
  ])('is %s', (_name, change, side) => {
    const advice = breathingSide({ ...calm, ...change });
    expect(advice.side).toBe(side);
    expect(advice.reasons.length).toBeGreaterThan(0);
  });

  it('says what speaks against it', () => {
    const advice = breathingSide({ ...calm, waveFromDeg: 90, waveHeightM: 0.5, nextTurn: 'right' });
    expect(advice).toMatchObject({ side: 'left', against: [expect.stringContaining('next turn')] });
  });

  it('is mirrored when everything is', () => {
    const bearing = fc.double({ min: 0, max: 360, noNaN: true });
    fc.assert(
      fc.property(bearing, bearing, bearing, fc.double({ min: 1, max: 60, noNaN: true }), (legDeg, wave, sun, high) => {
        const mirror = (deg: number) => (2 * legDeg - deg + 720) % 360;
        const q = (w: number, s: number) =>
          breathingSide({
            ...{ legBearingDeg: legDeg, sun: { bearingDeg: s, altitudeDeg: high } },
            ...{ waveFromDeg: w, waveHeightM: 0.3, nextTurn: null },
          }).side;
        const [one, two] = [q(wave, sun), q(mirror(wave), mirror(sun))];
        expect(two).toBe(one === 'left' ? 'right' : one === 'right' ? 'left' : 'either');
      }),
    );
  });
});

describe('current and feet', () => {
  it('holds 13.1° against 0.25 m/s across at 1.1 m/s, and makes 1.07 over ground', () => {
    const { headingDeg, groundMps } = crossing(1.1, 0.25, 0);
    expect(headingDeg).toBeCloseTo(13.1, 1);
    expect(groundMps).toBeCloseTo(1.07, 2);
  });

  it('is impossible when the water is as fast as the swimmer', () => {
    expect(() => crossing(1, 1, 0)).toThrow(ImpossibleCrossing);
    expect(() => crossing(1, 0, -1)).toThrow(ImpossibleCrossing);
  });

  it.each([
    [0.02, 11],
    [0.03, 14],
    [0.05, 18],
  ])('a gain of %d pays up to %d° off the line', (gain, deg) => expect(Math.round(draftingLimit(gain))).toBe(deg));
});

const places = (middle: Place, far: number) =>
  fc
    .record({
      bearing: fc.double({ min: 0, max: 360, noNaN: true }),
      metres: fc.double({ min: 1, max: far, noNaN: true }),
    })
    .map(({ bearing, metres }) => placeAt(middle, bearing, metres));

describe('places', () => {
  it.each([
    ['in the ocean', { lat: 31.4, lon: -41.2 }],
    ['at the date line', { lat: -17, lon: 179.9999 }],
    ['near the pole', { lat: 89.9, lon: 10 }],
  ])('keep their distances on the flat map %s', (_name, middle) => {
    const plane = planeAround(middle);
    fc.assert(
      fc.property(places(middle, 3000), places(middle, 3000), (a, b) => {
        const [p, q] = [plane.toPlane(a), plane.toPlane(b)];
        expect(Math.abs(Math.hypot(p.x - q.x, p.y - q.y) - bearingTo(a, b).distanceM)).toBeLessThan(0.01);
        const back = plane.toPlace(p);
        expect(bearingTo(back, a).distanceM).toBeLessThan(1e-5);
      }),
      { numRuns: 50 },
    );
  });

  it('measure a degree of the equator as 111 319.49 m', () => {
    const { distanceM, bearingDeg } = bearingTo({ lat: 0, lon: 0 }, { lat: 0, lon: 1 });
    expect(distanceM).toBeCloseTo(111_319.49, 2);
    expect(bearingDeg).toBeCloseTo(90, 9);
    expect(turnBetween(350, 10)).toBe(20);
  });
});

const BAY = { lat: 31.4, lon: -41.2 };
const at = (east: number, north: number): Place => planeAround(BAY).toPlace({ x: east, y: north });
const mark = (id: string, east: number, north: number, turn: 'left' | 'right' = 'right') => ({
  ...at(east, north),
  id,
  name: id,
  turn,
});
const area = (kind: Area['kind'], ...corners: readonly (readonly [number, number])[]): Area => ({
  ...{ id: kind, kind, name: kind },
  points: corners.map(([x, y]) => at(x, y)),
});
const course = (change: Partial<Course> = {}): Course => ({
  start: at(0, 0),
  marks: [mark('1', 0, 300), mark('2', 300, 300)],
  finish: at(0, 5),
  laps: 1,
  areas: [],
  landmarks: [],
  ...change,
});

describe('a course', () => {
  it('has its legs in order, lap by lap', () => {
    const legs = legsOf(course({ laps: 2 }));
    expect(legs.map((l) => l.key)).toEqual(['start>1', '1>2', '2>1', '1>2', '2>finish']);
    expect(legs[0]!.lengthM).toBeCloseTo(300, 3);
    expect(legs[1]!.bearingDeg).toBeCloseTo(90, 1);
    expect(differentLegs(legs).map(({ times }) => times)).toEqual([1, 2, 1, 1]);
    expect(lengthOf(legs)).toBeCloseTo(300 + 3 * 300 + Math.hypot(300, 295), 1);
  });

  it('of one mark comes by the start between two laps', () => {
    const legs = legsOf(course({ marks: [mark('1', 0, 300)], laps: 2 }));
    expect(legs.map((l) => l.key)).toEqual(['start>1', '1>start', 'start>1', '1>finish']);
    expect(checkCourse(course({ marks: [mark('1', 0, 300)], laps: 2 })).filter((p) => p.weight === 'stop')).toEqual([]);
  });

  it('is fine when nothing is wrong', () => expect(checkCourse(course())).toEqual([]));

  it.each([
    ['a mark on land', { areas: [area('land', [-50, 250], [50, 250], [50, 350], [-50, 350])] }, 'Mark 1 is on land.'],
    ['a leg over land', { areas: [area('land', [100, 250], [200, 250], [200, 350], [100, 350])] }, 'goes over land'],
    ['a leg through a forbidden area', { areas: [area('forbidden', [-20, 100], [20, 100], [0, 150])] }, 'goes through'],
    [
      'an outline that crosses itself',
      { areas: [area('safe', [900, 0], [1000, 100], [1000, 0], [900, 100])] },
      'crosses itself',
    ],
    ['two marks on one spot', { marks: [mark('1', 0, 300), mark('2', 1, 300)] }, 'two places in the same spot'],
  ])('is stopped by %s', (_name, change, words) => {
    const [first] = checkCourse(course(change));
    expect(first).toMatchObject({ weight: 'stop', text: expect.stringContaining(words) });
  });

  it('lets start and finish lie on the beach', () => {
    const beach = area('land', [-500, -100], [500, -100], [500, 20], [-500, 20]);
    expect(checkCourse(course({ areas: [beach] }))).toEqual([]);
    expect(farthestFromLand(course({ areas: [beach] }))).toBeCloseTo(280, 1);
    expect(farthestFromLand(course())).toBeNull();
  });

  it('warns where its own legs cross', () => {
    const eight = course({ marks: [mark('1', 300, 300), mark('2', 300, 0), mark('3', 0, 300)] });
    expect(checkCourse(eight).some((p) => p.weight === 'word' && p.text.includes('cross'))).toBe(true);
  });
});

describe('aim points', () => {
  const ridge = { id: 'r', name: 'the notch in the ridge', widthM: 200, heightM: 120, fixed: true };
  it('prefer what is large, far, fixed and in line', () => {
    const landmarks = [
      { ...ridge, ...at(10, 2000) },
      { id: 'b', name: 'a moored boat', widthM: 20, heightM: 30, fixed: false, ...at(0, 600) },
      { id: 'h', name: 'a hut', widthM: 5, heightM: 4, fixed: true, ...at(60, 700) },
      { id: 'x', name: 'a tower behind', widthM: 50, heightM: 50, fixed: true, ...at(0, -800) },
    ];
    const found = aimPoints(at(0, 0), at(0, 300), landmarks, null);
    expect(found.map((a) => a.landmark.id)).toEqual(['r', 'h']);
    // 0.29° right of the line; the buoy looks 0.29° wide from 300 m.
    expect(found[0]!.words).toBe('the notch in the ridge, 1 buoy-width right of the mark');
  });

  it('are not offered when they look smaller than 0.3°, wide and high', () => {
    const aims = (widthM: number, heightM: number) =>
      aimPoints(at(0, 0), at(0, 300), [{ ...ridge, widthM, heightM, ...at(0, 1000) }], null).length;
    // From 1,000 m, 0.3° is 5.24 m wide, or 5.24 m and the height of the eye high.
    expect([aims(5.3, 1), aims(1, 5.5)]).toEqual([1, 1]);
    expect(aims(5.2, 5.3)).toBe(0);
  });

  it.each([
    // The buoy looks 0.29° wide from 300 m: six of them are 1.7°.
    [0.0, 'right behind the mark'],
    [1.2, '4 buoy-widths right of the mark'],
    [3.9, '2 fingers at arm’s length right of the mark'],
    [-6.2, '3 fingers at arm’s length left of the mark'],
    [-9.5, '1 fist at arm’s length left of the mark'],
    [18, '2 fists at arm’s length right of the mark'],
  ])('are %p° beside the mark in words that can be held', (deg, words) => {
    const place = placeAt(at(0, 0), (deg + 360) % 360, 2000);
    const [found] = aimPoints(at(0, 0), at(0, 300), [{ ...ridge, ...place }], null);
    expect(found!.words).toBe(`the notch in the ridge, ${words}`);
  });

  it('lose half of their worth in the glare', () => {
    const landmarks = [{ ...ridge, ...at(0, 2000) }];
    const [plain] = aimPoints(at(0, 0), at(0, 300), landmarks, null);
    const [glare] = aimPoints(at(0, 0), at(0, 300), landmarks, { bearingDeg: 5, altitudeDeg: 10 });
    expect(glare!.score).toBeCloseTo(plain!.score / 2, 9);
    expect(glare!.reasons).toContain('in the glare of the sun');
  });
});

const text = fc
  .string({ minLength: 1, maxLength: 20, unit: fc.constantFrom(...'abcÄé3 &<>\'"-') })
  .map((t) => `n${t.trim()}`);
const anyPlace = places(BAY, 5000);
const uniqueId =
  (prefix: string) =>
  <T extends object>(rows: readonly T[]) =>
    rows.map((row, i) => ({ ...row, id: `${prefix}${i}` }));
const anyCourse: fc.Arbitrary<NamedCourse> = fc.record({
  name: text,
  course: fc.record({
    start: anyPlace,
    finish: anyPlace,
    laps: fc.integer({ min: 1, max: 20 }),
    marks: fc
      .array(
        fc
          .tuple(anyPlace, text, fc.constantFrom('left' as const, 'right' as const))
          .map(([p, name, turn]) => ({ ...p, name, turn })),
        { maxLength: 8 },
      )
      .map(uniqueId('k')),
    areas: fc
      .array(
        fc
          .tuple(
            fc.constantFrom('land' as const, 'safe' as const, 'forbidden' as const),
            text,
            fc.array(anyPlace, { minLength: 3, maxLength: 7 }),
          )
          .map(([kind, name, points]) => ({ kind, name, points })),
        { maxLength: 3 },
      )
      .map(uniqueId('z')),
    landmarks: fc
      .array(
        fc
          .tuple(anyPlace, text, fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1, max: 900 }), fc.boolean())
          .map(([p, name, widthM, heightM, fixed]) => ({ ...p, name, widthM, heightM, fixed })),
        { maxLength: 4 },
      )
      .map(uniqueId('g')),
  }),
});

describe('courses as files', () => {
  it('come back from GPX and from GeoJSON as they were', () => {
    fc.assert(
      fc.property(anyCourse, (named) => {
        expect(readCourseGpx(writeCourseGpx(named))).toEqual({ read: named, problems: [] });
        expect(readCourseGeoJson(writeCourseGeoJson(named))).toEqual({ read: named, problems: [] });
      }),
      { numRuns: runs(50, 150) },
    );
  });

  it('cut long names between characters, never inside an emoji', () => {
    const name = `${'x'.repeat(59)}🏊`;
    const spot = (role: string, lat: number) => ({
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [-41, lat] },
      properties: { role, name, id: `${'i'.repeat(39)}🏊` },
    });
    const features = [spot('start', 31), spot('mark', 31.002), spot('finish', 31.004)];
    const { read } = readCourseGeoJson(JSON.stringify({ type: 'FeatureCollection', upwell: { name }, features }));
    expect(read!.course.marks[0]).toMatchObject({ name: 'x'.repeat(59), id: 'i'.repeat(39) });
    expect(read!.name).toBe('x'.repeat(59));
    expect(JSON.stringify(read)).not.toMatch(/\\ud83c/);
  });

  it('of others are taken by their route, with the turn that the bend has', () => {
    const pt = (p: Place) => `<rtept lat="${p.lat}" lon="${p.lon}"/>`;
    const file = `<gpx version="1.1"><rte><name>Loop</name>${[at(0, 0), at(0, 300), at(300, 300), at(0, 0)].map(pt).join('')}</rte></gpx>`;
    const { read, problems } = readCourseGpx(file);
    expect(problems).toEqual([]);
    expect(read!.name).toBe('Loop');
    expect(read!.course.marks.map((m) => [m.name, m.turn])).toEqual([
      ['1', 'right'],
      ['2', 'right'],
    ]);
    const line = JSON.stringify({
      type: 'Feature',
      geometry: {
        type: 'LineString',
        coordinates: [
          [0, 0],
          [0, 0.003],
          [-0.003, 0.003],
        ],
      },
      properties: {},
    });
    expect(readCourseGeoJson(line).read!.course.marks[0]!.turn).toBe('left');
  });

  it.each([
    ['not XML', '<gpx><wpt></gpx>', 'this is not valid XML'],
    ['entities of its own', '<!DOCTYPE x [<!ENTITY a "b">]><gpx/>', 'declares entities'],
    ['list is empty', '<gpx version="1.1"></gpx>', 'no two points'],
    ['something else', '<kml></kml>', 'not a GPX file'],
    [
      'a point off the earth',
      '<gpx><wpt lat="99" lon="0"/><wpt lat="1" lon="1"/><wpt lat="1" lon="1.01"/></gpx>',
      'Point 1 has no valid position',
    ],
  ])('say what is wrong with GPX: %s', (_name, file, words) => {
    expect(readCourseGpx(file).problems.join(' ')).toContain(words);
  });

  it.each([
    ['not JSON', '{', 'not JSON'],
    ['an array', '[]', 'not GeoJSON'],
    ['null', 'null', 'not GeoJSON'],
    ['no points', '{"type":"FeatureCollection","features":[null, 3]}', 'no two points'],
    [
      'an area without a role',
      '{"type":"FeatureCollection","features":[{"geometry":{"type":"Point","coordinates":[0,0]}},{"geometry":{"type":"Point","coordinates":[0,1]}},{"geometry":{"type":"Polygon","coordinates":[[[0,0],[1,0],[1,1]]]}}]}',
      'does not say whether it is land',
    ],
  ])('say what is wrong with GeoJSON: %s', (_name, file, words) => {
    expect(readCourseGeoJson(file).problems.join(' ')).toContain(words);
  });

  it('of a track have its corners, and say that it looks like one', () => {
    // 400 m north, 300 m east, with a wobble of a metre or two, and back to within 20 m of the start.
    const way = (from: [number, number], to: [number, number]) =>
      Array.from({ length: 200 }, (_, i) => {
        const t = i / 200;
        return at(from[0] + (to[0] - from[0]) * t + Math.sin(i) * 2, from[1] + (to[1] - from[1]) * t + Math.cos(i));
      });
    const track = [...way([0, 0], [0, 400]), ...way([0, 400], [300, 400]), ...way([300, 400], [10, 10])];
    const coordinates = track.map(({ lat, lon }) => [lon, lat]);
    const file = JSON.stringify({ type: 'Feature', geometry: { type: 'LineString', coordinates } });
    const { read, problems } = readCourseGeoJson(file);
    expect(problems).toEqual(['The line has 600 points, like the track of a swim: its 4 corners are used.']);
    expect(read!.course.marks).toHaveLength(2);
    // A loop ends where it began.
    expect(read!.course.finish).toEqual(read!.course.start);
    expect(legsOf(read!.course).map((l) => Math.round(l.lengthM / 10) * 10)).toEqual([400, 300, 500]);
  });

  it('never throw, whatever they hold', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const features = Array.isArray(value) ? value : [value, { geometry: value, properties: value }];
        readCourseGeoJson(JSON.stringify({ type: 'FeatureCollection', upwell: value, features }));
      }),
    );
    fc.assert(fc.property(fc.string({ maxLength: 200 }), (t) => void readCourseGpx(`<gpx>${t}</gpx>`)));
  });
});

describe('a course taken along to another start', () => {
  it('keeps its shape: every leg as long as before, and everything where it lay from the start', () => {
    const course: Course = {
      start: { lat: 31, lon: -41 },
      marks: [{ id: 'm', name: '1', turn: 'left', lat: 31.004, lon: -41.001 }],
      finish: { lat: 31.001, lon: -41 },
      laps: 2,
      areas: [{ id: 'a', kind: 'land', name: 'Shore', points: [{ lat: 30.999, lon: -41 }] }],
      landmarks: [{ id: 'l', name: 'Tower', widthM: 5, heightM: 20, fixed: true, lat: 31.01, lon: -41 }],
    };
    const moved = movedCourse(course, { lat: -45, lon: 170 });
    expect(moved.start).toEqual({ lat: -45, lon: 170 });
    expect(moved.laps).toBe(2);
    for (const of of [
      (c: Course) => c.marks[0]!,
      (c: Course) => c.finish,
      (c: Course) => c.landmarks[0]!,
      (c: Course) => c.areas[0]!.points[0]!,
    ]) {
      const [before, after] = [bearingTo(course.start, of(course)), bearingTo(moved.start, of(moved))];
      expect(after.distanceM).toBeCloseTo(before.distanceM, 3);
      expect(after.bearingDeg).toBeCloseTo(before.bearingDeg, 5);
    }
    expect(moved.marks[0]).toMatchObject({ id: 'm', name: '1', turn: 'left' });
  });
});
