import {
  checkCourse,
  courseFrom,
  farthestFromLand,
  found,
  legsOf,
  lengthOf,
  outsideSwimmer,
  placeAt,
  planLeg,
  raceCard,
  readCourseGeoJson,
  readCourseGpx,
  writeCourseGeoJson,
  writeCourseGpx,
  type Course,
  type Place,
  type WaterNow,
} from '..';

const SWIMMER = outsideSwimmer({ level: 'hold', model: 'long-line', bests: [], drift: null, rateSpm: 60 }, 1000);
const WATER: WaterNow = {
  ...{ at: new Date('2027-06-21T11:00:00Z'), currentMps: 0.1, currentToDeg: 90, waveHeightM: 0.4, waveFromDeg: 270 },
  ...{ hazy: false, cloudy: false, feet: false },
};

/** 400 m out, 300 m across, and back, from a start anywhere on the earth. */
function courseAt(start: Place): Course {
  const first = placeAt(start, 90, 400);
  const second = placeAt(first, 180, 300);
  const mark = (id: string, place: Place) => ({ id, name: id, turn: 'right' as const, ...place });
  return {
    ...{ start, marks: [mark('1', first), mark('2', second)], finish: start, laps: 1 },
    areas: [
      {
        id: 'a',
        kind: 'land',
        name: 'Shore',
        points: [0, 120, 240].map((deg) => placeAt(placeAt(start, 0, 900), deg, 80)),
      },
    ],
    landmarks: [{ id: 'n', name: 'the notch', widthM: 150, heightM: 90, fixed: true, ...placeAt(start, 91, 2000) }],
  };
}

describe.each([
  ['the date line', { lat: -17.5, lon: 179.999 }],
  ['the date line, from the other side', { lat: 52, lon: -179.9999 }],
  ['a stone’s throw from the North Pole', { lat: 89.999, lon: 20 }],
  ['the southern end of the earth', { lat: -89.9995, lon: -120 }],
  ['the place of no degrees', { lat: 0, lon: 0 }],
])('a course at %s', (_where, start) => {
  const course = courseAt(start);
  const legs = legsOf(course);

  it('is as long as it is anywhere', () => {
    const [out, across, home] = legs.map((l) => l.lengthM) as [number, number, number];
    expect([out, across]).toEqual([expect.closeTo(400, 3), expect.closeTo(300, 3)]);
    // Near a pole east and south are not at right angles: only the triangle holds.
    expect(home).toBeGreaterThanOrEqual(out - across - 1e-6);
    expect(home).toBeLessThanOrEqual(out + across + 1e-6);
    if (Math.abs(start.lat) < 80) expect(home).toBeCloseTo(500, 0);
    expect(legs.every((l) => l.bearingDeg >= 0 && l.bearingDeg < 360)).toBe(true);
    expect(checkCourse(course).filter((p) => p.weight === 'stop')).toEqual([]);
    expect(farthestFromLand(course)).toBeGreaterThan(500);
  });

  it('comes back from its files', () => {
    const named = { name: 'Edge', course };
    for (const back of [readCourseGpx(writeCourseGpx(named)), readCourseGeoJson(writeCourseGeoJson(named))]) {
      expect(back.problems).toEqual([]);
      expect(lengthOf(legsOf(back.read!.course))).toBeCloseTo(lengthOf(legs), 3);
    }
  });

  it('has a card', () => {
    const plans = legs.map((l, i) => planLeg(l, legs[i + 1] ?? null, SWIMMER, WATER, course, 1));
    expect(plans[0]!.aims[0]!.landmark.id).toBe('n');
    const card = raceCard({
      course: 'Edge',
      swimmer: '',
      day: 'today',
      breathes: 'both',
      waterC: 18,
      sunny: true,
      plans,
    });
    expect(card.metres).toBeCloseTo(lengthOf(legs), 6);
    for (const leg of card.legs) expect(Number.isFinite(leg.timeS) && leg.timeS > 0).toBe(true);
  });
});

describe('what is no course', () => {
  it('is a leg of 0 m, said as two places in the same spot', () => {
    const start = { lat: 31.4, lon: -41.2 };
    const course = courseAt(start);
    const same = { ...course, marks: course.marks.map((m) => ({ ...m, ...start })) };
    expect(
      checkCourse(same)
        .map((p) => p.text)
        .join(' '),
    ).toMatch(/is 0\.0 m: two places in the same spot/);
  });

  it('is a file of 500 marks: what is shown, what is left out, and why it is none', () => {
    const points = Array.from({ length: 500 }, (_, i) => ({
      ...{ shape: 'point' as const, name: `Buoy ${i + 1}` },
      places: [{ lat: 31.4 + i / 1e4, lon: -41.2 }],
    }));
    const things = found('Many', 1, points);
    expect(things.things).toHaveLength(200);
    expect(things.leftOut).toEqual([expect.stringContaining('Only the first 200 of 500')]);
    const { read, problems } = courseFrom(things);
    expect(read).toBeNull();
    expect(problems.join(' ')).toMatch(/200 marks are too many: a course has 40 at most/);
  });
});
