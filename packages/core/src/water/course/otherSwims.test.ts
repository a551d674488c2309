import fc from 'fast-check';
import {
  abeamTurn,
  abeamWords,
  aimPoints,
  bearingTo,
  checkCourse,
  decideDay,
  exitsAlong,
  exitWords,
  legsOf,
  mixedUp,
  movedCourse,
  NEW_GROUP,
  outsideSwimmer,
  placeAt,
  planLeg,
  raceCard,
  readConcerns,
  readCourseGeoJson,
  readCourseGpx,
  streamWay,
  writeCourseGeoJson,
  writeCourseGpx,
  type Course,
  type DayGroup,
  type DayReadings,
  type WaterNow,
} from '..';

const START = { lat: 31.4, lon: -41.2 };
const north = (m: number) => placeAt(START, 0, m);
/** Out and back along a shore in the west: the turn is 600 m north, abeam of a church 300 m inland. */
const SHORE: Course = {
  start: START,
  marks: [{ id: 'm1', name: '1', turn: 'left', abeam: 'church', ...north(600) }],
  finish: placeAt(START, 90, 10),
  laps: 1,
  areas: [],
  landmarks: [
    { id: 'church', name: 'Old church', widthM: 12, heightM: 20, fixed: true, ...placeAt(north(600), 270, 300) },
  ],
};
/** Two kilometres down a river that runs east. */
const RIVER: Course = {
  start: START,
  marks: [{ id: 'm1', name: '1', turn: 'right', ...placeAt(START, 90, 1000) }],
  finish: placeAt(START, 90, 2000),
  laps: 1,
  areas: [],
  landmarks: [],
  withStream: true,
  exits: [
    { id: 'e2', name: 'Ferry slip', last: true, ...placeAt(placeAt(START, 90, 1500), 0, 40) },
    { id: 'e1', name: 'Mill steps', last: false, ...placeAt(placeAt(START, 90, 500), 180, 30) },
  ],
};
const words = (course: Course) => checkCourse(course).map((p) => p.text);

describe('a turn without a buoy', () => {
  const [out] = legsOf(SHORE);

  it('is told by the landmark at right angles, with the side and how far it may be off', () => {
    const turn = abeamTurn(out!)!;
    expect(turn).toMatchObject({ landmark: 'Old church', side: 'left' });
    expect(turn.angleDeg).toBeCloseTo(90, 1);
    // Ten degrees off right angles at 300 m: 300 × tan 10° = 53 m early or late.
    expect(turn.offM).toBeCloseTo(52.9, 0);
    expect(abeamWords(turn, 725)).toBe(
      'No buoy: turn with Old church at right angles over your left shoulder, after about 12 minutes. Time up and not there: stop, look, then decide.',
    );
    // Swum from the other end the church is on the right.
    const back = { ...SHORE, start: north(1200), finish: START };
    expect(abeamTurn(legsOf(back)[0]!)!.side).toBe('right');
    expect(abeamTurn(legsOf(RIVER)[0]!)).toBeNull();
  });

  it('is warned of where the landmark does not stand abeam', () => {
    const told = (course: Course) => words(course).filter((text) => text.includes('no buoy'));
    expect(told(SHORE)).toEqual([]);
    const moved = (alongM: number) => ({ ...SHORE, marks: [{ ...SHORE.marks[0]!, ...north(alongM) }] });
    // 100 m short, the church stands at atan(300 / 100) = 72° from right ahead; 75 m short at 76°, within fifteen degrees.
    expect(told(moved(500))).toEqual([expect.stringContaining('Old church stands at 72° there')]);
    expect(told(moved(525))).toEqual([]);
    expect(told({ ...SHORE, landmarks: [] })).toEqual([expect.stringContaining('is no longer on the map')]);
    expect(told(moved(515))).toEqual([expect.stringContaining('at 74° there')]);
  });

  it('is no mark to aim at, nor one to be mixed up', () => {
    const far = { id: 'f', name: 'the notch', widthM: 300, heightM: 200, fixed: true, ...placeAt(START, 2, 4000) };
    const aims = (buoy: boolean) => aimPoints(out!.from, out!.to, [far], null, buoy)[0]!.words;
    // A buoy of 1.5 m at 600 m looks 0.14° wide: two degrees are more than six of it.
    expect(aims(true)).toBe('the notch, 1 finger at arm’s length right of the mark');
    expect(aims(false)).toBe('the notch, 1 finger at arm’s length right of your line');
    const behind = { id: 'm2', name: '2', turn: 'left', ...north(900) } as const;
    const first = { ...out!, to: { ...out!.to } };
    expect(mixedUp(first, { marks: [...SHORE.marks, behind], finish: SHORE.finish })).toContain('Mark 2');
    expect(
      mixedUp(first, { marks: [...SHORE.marks, { ...behind, abeam: 'church' }], finish: SHORE.finish }),
    ).toBeNull();
  });
});

describe('ways out along a course', () => {
  it('come in the order in which they are passed, with metres along and off the line', () => {
    const along = exitsAlong(RIVER);
    expect(along.map((e) => e.name)).toEqual(['Mill steps', 'Ferry slip']);
    expect(along.map((e) => Math.round(e.alongM))).toEqual([500, 1500]);
    expect(along.map((e) => Math.round(e.offM))).toEqual([30, 40]);
    expect(exitWords(along, (m) => m / 1.25)).toEqual([
      'Mill steps after 500 m, about 7 min',
      'Ferry slip after 1.5 km, about 20 min: the last one. In doubt, out here.',
    ]);
    expect(exitsAlong(SHORE)).toEqual([]);
  });

  it('lie between start and finish, wherever they are drawn', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.integer({ min: 0, max: 5000 }), (deg, m) => {
        const at = { ...RIVER, exits: [{ id: 'e', name: 'E', last: true, ...placeAt(START, deg, m) }] };
        const [exit] = exitsAlong(at);
        expect(exit!.alongM).toBeGreaterThanOrEqual(0);
        expect(exit!.alongM).toBeLessThanOrEqual(2001);
        expect(exit!.offM).toBeLessThanOrEqual(m + 1);
      }),
    );
  });

  it('move with their course, and are asked for with the stream', () => {
    const [first] = movedCourse(RIVER, { lat: 12, lon: 3 }).exits!;
    expect(bearingTo({ lat: 12, lon: 3 }, first!).distanceM).toBeCloseTo(
      bearingTo(START, RIVER.exits![0]!).distanceM,
      0,
    );
    expect(words(RIVER)).toEqual([]);
    expect(words({ ...RIVER, exits: [] })).toEqual([expect.stringContaining('no way out is drawn')]);
    expect(words({ ...RIVER, exits: [RIVER.exits![1]!] })).toEqual([expect.stringContaining('Name the last way out')]);
    expect(words({ ...RIVER, laps: 2 })[0]).toBe('With the stream nobody swims a second lap.');
  });
});

describe('a course of another kind in a file', () => {
  it.each([
    ['GPX', writeCourseGpx, readCourseGpx],
    ['GeoJSON', writeCourseGeoJson, readCourseGeoJson],
  ] as const)('comes back from %s as it was', (_, write, read) => {
    for (const course of [SHORE, RIVER])
      expect(read(write({ name: 'Course', course }))).toEqual({ read: { name: 'Course', course }, problems: [] });
  });

  it('knows a way out by its name, and drops a turn whose landmark is not in the file', () => {
    const file = JSON.stringify({
      type: 'FeatureCollection',
      features: [
        ['Start', -41.2],
        ['Ladder at the quay', -41.19],
        ['Finish', -41.18],
      ].map(([name, lon]) => ({
        type: 'Feature',
        geometry: { type: 'Point', coordinates: [lon, 31.4] },
        properties: { name },
      })),
    });
    expect(readCourseGeoJson(file).read!.course.exits).toEqual([
      { id: 'e1', name: 'Ladder at the quay', last: false, lat: 31.4, lon: -41.19 },
    ]);
    const lost = writeCourseGeoJson({ name: 'Course', course: { ...SHORE, landmarks: [] } });
    expect(readCourseGeoJson(lost).read!.course.marks[0]).not.toHaveProperty('abeam');
  });
});

describe('go or not with the stream', () => {
  const FINE: DayReadings = {
    ...{ waterC: 19, airC: 20, windMps: 1, windFromDeg: 0, offshoreDeg: 0, currentMps: 0.6, currentToDeg: 90 },
    ...{ waveHeightM: 0.1, rainMm72h: 0, visibility: 'clear', lightning: false, sewage: false, fouled: false },
    ...{ traffic: 'none', wildlife: false, walked: true, lightLeftMin: 240, depthM: null },
  };
  const GROUP: DayGroup = {
    ...{ ...NEW_GROUP, swimmers: 4, slowestMps: 1, watching: 1, craft: true, stopSignal: true, caller: 'Maren' },
    ...{ bright: true, pickUp: 'Jory' },
  };
  const decide = (r: Partial<DayReadings> = {}, g: Partial<DayGroup> = {}, course = RIVER) => {
    const { decision, checks, mayOverrule } = decideDay(
      { ...FINE, ...r },
      { ...GROUP, ...g },
      40,
      undefined,
      streamWay(course),
    );
    return { decision, ids: checks.map((c) => c.id), mayOverrule };
  };

  it('goes in a stream over half of the slowest swimmer, which stops everything that comes back', () => {
    expect(decide()).toEqual({ decision: 'go', ids: [], mayOverrule: false });
    expect(decide({}, {}, { ...RIVER, withStream: false })).toMatchObject({ decision: 'stop', ids: ['current'] });
    // The tide has turned: it is a swim against the stream now.
    expect(decide({ currentToDeg: 270 })).toMatchObject({ decision: 'stop', ids: ['current', 'turned'] });
    expect(decide({ currentToDeg: 270, currentMps: 0.4 })).toMatchObject({ decision: 'change', ids: ['turned'] });
    expect(decide({ currentToDeg: 149 }).ids).toEqual([]);
    expect(decide({ currentToDeg: 151 }).ids).toEqual(['current', 'turned']);
    expect(decide({ currentMps: 0 }).decision).toBe('go');
  });

  it('never goes without a named last exit, a craft alongside and somebody who picks up', () => {
    for (const [change, course, id] of [
      [{}, { ...RIVER, exits: [] }, 'exits'],
      [{}, { ...RIVER, exits: [RIVER.exits![1]!] }, 'exits'],
      [{ craft: false }, RIVER, 'escort'],
      [{ pickUp: ' ' }, RIVER, 'pickup'],
    ] as const)
      expect(decide({}, change, course)).toEqual({ decision: 'stop', ids: [id], mayOverrule: false });
    const { pickUp: _, ...before } = GROUP;
    expect(decideDay(FINE, before, 40, undefined, streamWay(RIVER)).checks.map((c) => c.id)).toEqual(['pickup']);
  });

  it('warns where nobody can come back to an exit, and stops there for the new and the young', () => {
    expect(decide({ currentMps: 1.1 })).toMatchObject({ decision: 'change', ids: ['swept'] });
    expect(decide({ currentMps: 1 }).ids).toEqual([]);
    expect(decide({ currentMps: 1.1 }, { firstTimers: 1 })).toMatchObject({ decision: 'stop', mayOverrule: false });
    expect(decide({ currentMps: 1.1 }, { children: 1 }).decision).toBe('stop');
  });

  it('speaks while a swim-out is planned too', () => {
    const noted = { currentMps: { value: 1.1, atMs: 0 }, currentToDeg: { value: 90, atMs: 0 } };
    expect(readConcerns(noted, GROUP, undefined, streamWay(RIVER))).toEqual([
      expect.stringContaining('nobody comes back to an exit'),
    ]);
    expect(readConcerns(noted, GROUP)).toEqual([expect.stringContaining('over half of the slowest')]);
  });
});

describe('the card of such a swim', () => {
  const WATER: WaterNow = {
    ...{ at: new Date('2027-06-21T11:00:00Z'), currentMps: 0, currentToDeg: 90, waveHeightM: 0.1, waveFromDeg: 90 },
    ...{ hazy: false, cloudy: true, feet: false },
  };
  const swimmer = outsideSwimmer({ level: 'hold', model: 'long-line', bests: [], drift: null, rateSpm: 62 }, 1200);
  const cardOf = (course: Course, water: Partial<WaterNow> = {}) => {
    const legs = legsOf(course);
    const plans = legs.map((l, i) => planLeg(l, legs[i + 1] ?? null, swimmer, { ...WATER, ...water }, course, 1));
    const asked = { course: 'C', swimmer: '', day: '', breathes: 'both', waterC: 18, sunny: false } as const;
    return raceCard({ ...asked, plans, exits: exitsAlong(course) });
  };

  it('says when to turn without a buoy, with the time of its own leg', () => {
    const [out, back] = cardOf(SHORE).legs;
    const minutes = Math.round(out!.timeS / 60);
    expect(out!.turnWhen).toContain(
      `turn with Old church at right angles over your left shoulder, after about ${minutes} minutes`,
    );
    expect(out!.aim).toBe('along the shore, no nearer and no farther');
    expect([back!.turnWhen, back!.aim]).toEqual([null, 'the finish itself']);
  });

  it('names the ways out by metres and minutes, sooner in a stream', () => {
    const still = cardOf(RIVER);
    expect(still.exits).toHaveLength(2);
    expect(still.exits[1]).toMatch(/^Ferry slip after 1\.5 km, about \d+ min: the last one\. In doubt, out here\.$/);
    const minutes = (card: { exits: readonly string[] }) => Number(/about (\d+) min/.exec(card.exits[1]!)![1]);
    const stream = cardOf(RIVER, { currentMps: 0.6 });
    // 1.02 × 0.93 = 0.95 m/s in still water, 1.55 over ground in the stream: 1,500 m in 26 and in 16 minutes, and what looks cost.
    expect(minutes(still)).toBeGreaterThanOrEqual(26);
    expect(minutes(still)).toBeLessThanOrEqual(30);
    expect(minutes(stream)).toBeGreaterThanOrEqual(16);
    expect(minutes(stream)).toBeLessThanOrEqual(19);
    expect(cardOf({ ...RIVER, exits: [] }).exits).toEqual([]);
  });
});
