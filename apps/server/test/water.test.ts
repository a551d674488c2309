import { placeAt, readCourseGeoJson, readCourseGpx, simulatedTrack, type Course } from '@upwell/core/water';
import { v7 } from 'uuid';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  await club.addAccount('swimmer', await club.addSwimmer());
});
afterAll(() => harness.stop());

const START = { lat: 31.4, lon: -41.2 };
const COURSE: Course = {
  start: START,
  marks: [{ id: '1', name: '1', turn: 'right', ...placeAt(START, 0, 300) }],
  finish: placeAt(START, 90, 20),
  laps: 2,
  areas: [],
  landmarks: [],
};
const save = (change: object = {}) => ({
  name: 'Loop',
  place: 'Quill',
  course: COURSE,
  version: 0,
  writeId: v7(),
  ...change,
});
const ask = async (path: string, body: object) => (await club.as('coach'))('POST', `/compute/${path}`, body);

describe('courses', () => {
  it('are stored, listed with their length, read by swimmers and written out', async () => {
    const coach = await club.as('coach');
    const id = v7();
    expect((await coach('PUT', `/courses/${id}`, save())).status).toBe(200);
    const [row] = (await coach('GET', '/courses')).body;
    expect(row).toMatchObject({ id, name: 'Loop', marks: 1, laps: 2 });
    expect(row.lengthM).toBeGreaterThan(590);
    const swimmer = await club.as('swimmer');
    expect((await swimmer('GET', `/courses/${id}`)).body.course).toEqual(COURSE);
    expect((await swimmer('PUT', `/courses/${v7()}`, save())).status).toBe(403);
    for (const [format, read] of [
      ['gpx', readCourseGpx],
      ['geojson', readCourseGeoJson],
    ] as const) {
      const file = await harness.app.inject({
        url: `/api/v1/courses/${id}/export/${format}`,
        cookies: { upwell_session: club.cookie('coach') },
      });
      expect(read(file.body)).toEqual({ read: { name: 'Loop', course: COURSE }, problems: [] });
    }
    const other = await harness.club();
    expect((await (await other.as('head'))('GET', `/courses/${id}`)).status).toBe(404);
    expect((await (await other.as('head'))('DELETE', `/courses/${id}`)).status).toBe(404);
    expect((await swimmer('DELETE', `/courses/${id}`)).status).toBe(403);
    const listed = async () => (await coach('GET', '/courses')).body.some((c: { id: string }) => c.id === id);
    // Out of the list however often it is taken out, and back as it was.
    for (let i = 0; i < 2; i++)
      expect(await coach('DELETE', `/courses/${id}`)).toMatchObject({ status: 200, body: { id, removed: true } });
    expect(await listed()).toBe(false);
    expect((await coach('GET', `/courses/${id}`)).body).toMatchObject({ course: COURSE, removed: true });
    for (let i = 0; i < 2; i++)
      expect((await coach('POST', `/courses/${id}/restore`)).body).toMatchObject({ course: COURSE, removed: false });
    expect(await listed()).toBe(true);
  });

  it('are named by sessions of the club, never by others', async () => {
    const coach = await club.as('coach');
    const courseId = v7();
    await coach('PUT', `/courses/${courseId}`, save());
    const text = '# Out\nloop: 600 m\n\n== Hold\nwho: 4 swimmers in 1 lane\nMain\n  1 loop crawl 75%\n';
    const { plan } = (await ask('session-text', { text })).body.session;
    const session = (of: string | null) => ({
      ...{ title: 'Out', date: '2027-06-21', startTime: '10:00', squadIds: [club.squads[0]], plan },
      ...{ courseId: of, version: 0, writeId: v7() },
    });
    const id = v7();
    expect((await coach('PUT', `/sessions/${id}`, session(courseId))).body.courseId).toBe(courseId);
    const other = await harness.club();
    const foreign = v7();
    await (
      await other.as('coach')
    )('PUT', `/courses/${foreign}`, save());
    expect((await coach('PUT', `/sessions/${v7()}`, session(foreign))).status).toBe(404);
    // The session keeps its course when that goes out of the list.
    await coach('DELETE', `/courses/${courseId}`);
    expect((await coach('GET', `/sessions/${id}`)).body.courseId).toBe(courseId);
    expect((await coach('GET', `/courses/${courseId}`)).status).toBe(200);
  });

  it('cannot overwrite a newer version', async () => {
    const coach = await club.as('coach');
    const id = v7();
    await coach('PUT', `/courses/${id}`, save());
    const answer = await coach('PUT', `/courses/${id}`, save({ name: 'Other' }));
    expect(answer.status).toBe(409);
    expect(answer.body.current.name).toBe('Loop');
  });

  it('that cannot be swum are refused with what is wrong', async () => {
    const land = [300, 20, 340].map((bearing) => placeAt(COURSE.marks[0]!, bearing, 80));
    const around = [...land, placeAt(COURSE.marks[0]!, 180, 60)];
    const course = { ...COURSE, areas: [{ id: 'a', kind: 'land', name: 'Isle', points: around }] };
    const answer = await (await club.as('coach'))('PUT', `/courses/${v7()}`, save({ course }));
    expect(answer.status).toBe(422);
    expect(answer.body.fields.length).toBeGreaterThan(0);
  });

  it.each([
    ['a place off the earth', { ...COURSE, start: { lat: 91, lon: 0 } }],
    ['too many laps', { ...COURSE, laps: 21 }],
    ['two marks of one id', { ...COURSE, marks: [COURSE.marks[0], COURSE.marks[0]] }],
    ['a field nobody knows', { ...COURSE, tide: 1 }],
  ])('with %s are refused at the door', async (_name, course) => {
    expect((await (await club.as('coach'))('PUT', `/courses/${v7()}`, save({ course }))).status).toBe(400);
  });
});

describe('the decision of a day', () => {
  const readings = {
    ...{ waterC: 19, airC: 20, windMps: 2, windFromDeg: 0, offshoreDeg: 0, currentMps: 0.05, currentToDeg: 90 },
    ...{ waveHeightM: 0.1, rainMm72h: 2, visibility: 'clear', lightning: false, sewage: false, fouled: false },
    ...{ traffic: 'none', wildlife: false, walked: true, lightLeftMin: 240, depthM: null },
  };
  const group = {
    ...{ swimmers: 6, children: 0, settle: 0, firstTimers: 0, slowestMps: 0.9, wetsuits: true, watching: 1 },
    ...{ craft: true, stopSignal: true, caller: 'Maren', bright: true, minutes: 40 },
  };
  const day = (courseId: string, change: { readings?: object; group?: object; overruled?: string } = {}) => ({
    courseId,
    startsAt: '2027-06-21T10:30:00Z',
    readings: { ...readings, ...change.readings },
    group: { ...group, ...change.group },
    overruled: change.overruled ?? null,
  });
  let courseId: string;
  beforeAll(async () => {
    courseId = v7();
    await (
      await club.as('coach')
    )('PUT', `/courses/${courseId}`, save({ course: { ...COURSE, laps: 1 } }));
  });
  const sign = async (body: object, id = v7()) => (await club.as('coach'))('PUT', `/water-days/${id}`, body);

  it('is kept with its reasons and who signed it, once', async () => {
    const id = v7();
    expect((await sign(day(courseId), id)).status).toBe(200);
    expect((await sign(day(courseId), id)).status).toBe(200);
    const days = (await (await club.as('head'))('GET', `/courses/${courseId}/days`)).body;
    expect(days).toHaveLength(1);
    expect(days[0]).toMatchObject({ id, decision: 'go', reasons: [], overruled: null, signedBy: expect.any(String) });
    expect((await (await club.as('swimmer'))('GET', `/courses/${courseId}/days`)).status).toBe(403);
  });

  it('is worked out on the server, whatever the device thought', async () => {
    await sign(day(courseId, { readings: { sewage: true } }));
    const [last] = (await (await club.as('head'))('GET', `/courses/${courseId}/days`)).body;
    expect(last).toMatchObject({ decision: 'stop', reasons: [{ id: 'sewage', of: {} }] });
  });

  it('can be overruled by the head coach in whole words where it may be, and nowhere else', async () => {
    const overruled = 'The water office tested it this morning and allows it.';
    const rain = { readings: { rainMm72h: 60 } };
    const head = await club.as('head');
    const signAsHead = (change: Parameters<typeof day>[1]) => head('PUT', `/water-days/${v7()}`, day(courseId, change));
    expect((await signAsHead({ ...rain, overruled })).status).toBe(200);
    expect((await sign(day(courseId, { ...rain, overruled }))).body.detail).toContain('Only the head coach');
    for (const dots of ['..........', 'ok', 'yes yes yes yes yes yes yes'])
      expect((await signAsHead({ ...rain, overruled: dots })).status).toBe(400);
    for (const never of [
      { readings: { lightning: true } },
      { readings: { fouled: true } },
      { readings: { visibility: 'fog' } },
      { readings: { waterC: 2 }, group: { wetsuits: false } },
      { readings: { lightLeftMin: -60 } },
      { readings: { sewage: null } },
      { group: { watching: 0 } },
      { group: { caller: '' } },
      { ...rain, group: { children: 1 } },
      { ...rain, group: { minors: 1, minorsAgreed: true } },
      {},
    ])
      expect([never, (await signAsHead({ ...never, overruled })).status]).toEqual([never, 422]);
    expect((await sign(day(courseId, { group: { minors: 1, minorsAgreed: true } }))).body.detail).toContain(
      'head coach',
    );
  });

  it.each([{ swimmers: 0 }, { swimmers: 2, children: 9 }, { swimmers: 2, firstTimers: 3 }])(
    'is not signed with numbers that do not fit: %p',
    async (group) => {
      const id = v7();
      expect((await sign(day(courseId, { group }), id)).status).toBe(422);
      const days = (await (await club.as('head'))('GET', `/courses/${courseId}/days`)).body;
      expect(days.filter((d: { id: string }) => d.id === id)).toEqual([]);
    },
  );

  it('asks about the health of those who are named, counts the young among them, and forgets the erased', async () => {
    const own = await harness.club();
    const ada = await own.addSwimmer(own.squads[0]!, { healthFlags: ['asthma'], healthConsent: true });
    const cleo = await own.addSwimmer(own.squads[0]!, { birthYear: 2017 });
    const course = v7();
    const head = await own.as('head');
    await head('PUT', `/courses/${course}`, save({ course: { ...COURSE, laps: 1 } }));
    const put = async (group: object, id = v7()) => {
      await head('PUT', `/water-days/${id}`, day(course, { group }));
      const days = (await head('GET', `/courses/${course}/days`)).body;
      return days.find((d: { id: string }) => d.id === id);
    };
    const silent = await put({ swimmerIds: [ada] });
    expect(silent).toMatchObject({ decision: 'stop', reasons: [{ id: 'health', of: { unanswered: 1 } }] });
    expect(JSON.stringify(silent.reasons)).not.toContain('asthma');
    const health = [{ swimmerId: ada, flag: 'asthma', answer: 'Inhaler at the exit.' }];
    expect((await put({ swimmerIds: [ada], health })).decision).toBe('go');
    // An answer that is not a flag of theirs is not kept, nor is anybody counted away.
    const both = await put({ swimmerIds: [ada, cleo], health: [...health, { ...health[0], flag: 'heart' }] });
    expect(both.group).toMatchObject({ children: 1, health });
    const stranger = await club.addSwimmer();
    const foreign = day(course, { group: { swimmerIds: [stranger] } });
    expect((await head('PUT', `/water-days/${v7()}`, foreign)).status).toBe(422);

    await head('DELETE', `/swimmers/${ada}`);
    const after = (await head('GET', `/courses/${course}/days`)).body;
    expect(JSON.stringify(after)).not.toContain(ada);
    expect(after.find((d: { id: string }) => d.id === both.id).group.swimmerIds).toEqual([cleo]);
  });

  it('is printed on one card, before and after the course goes', async () => {
    const id = v7();
    await sign(day(courseId), id);
    const printed = (who: 'coach' | 'swimmer') =>
      harness.app.inject({
        url: `/api/v1/water-days/${id}/card.pdf`,
        cookies: { upwell_session: club.cookie(who) },
      });
    const file = await printed('coach');
    expect(file.headers['content-type']).toBe('application/pdf');
    // A5 in points.
    expect(file.rawPayload.toString('latin1')).toMatch(/MediaBox \[0 0 419\.53 595\.28\]/);
    expect((await printed('swimmer')).statusCode).toBe(403);
    const other = await harness.club();
    expect((await (await other.as('head'))('GET', `/water-days/${id}/card.pdf`)).status).toBe(404);
  });

  it('obeys the club’s tighter limits, which are never looser', async () => {
    const head = await club.as('head');
    const { version: _, ...rules } = (await head('GET', '/account/club')).body;
    const put = (water: object) => head('PUT', '/account/club', { ...rules, water: { ...rules.water, ...water } });
    expect((await put({ perWatcher: 9 })).status).toBe(400);
    expect((await put({ leastDepthM: 0.5 })).status).toBe(400);
    expect((await put({ rainMm: 0 })).status).toBe(200);
    const id = v7();
    await sign(day(courseId, { readings: { rainMm72h: 1 } }), id);
    const days = (await head('GET', `/courses/${courseId}/days`)).body as { id: string; decision: string }[];
    expect(days.find((d) => d.id === id)!.decision).toBe('stop');
    await put({ rainMm: 20 });
  });

  it('stays when the course goes', async () => {
    const coach = await club.as('coach');
    await coach('DELETE', `/courses/${courseId}`);
    const [kept] = await harness.owner.em
      .fork()
      .execute<{ n: number }[]>('select count(*)::int as n from water_day where club_id = ?', [club.id]);
    expect(kept!.n).toBeGreaterThan(2);
  });
});

describe('the calculators of open water', () => {
  it('say how often to look, as worked by hand', async () => {
    const body = { biasDegPerStroke: 1, sdDegPerStroke: 2, lookCostS: 0.25, strokesPerSecond: 1 };
    expect((await ask('sighting-interval', body)).body).toMatchObject({ interval: 13, nearOptimal: [9, 18] });
  });

  it('swim a leg many times, the same for the same seed, within the limits of one request', async () => {
    const body = {
      ...{ distanceM: 400, strokeLengthM: 1, speedMps: 1, biasDegPerStroke: 2, sdDegPerStroke: 3, aimSdDeg: 0 },
      ...{ lookCostS: 0.25, seeProbability: 1, turnRadiusM: 3, currentMps: { along: 0, across: 0 } },
      ...{ intervals: [12, 4, 6, 7, 8, 10], tracks: 1000, seed: 4 },
    };
    const once = await ask('simulate-leg', body);
    expect(once.status).toBe(200);
    expect(once.body.results.map((r: { interval: number }) => r.interval)).toEqual([4, 6, 7, 8, 10, 12]);
    expect([7, 8]).toContain(once.body.best);
    expect(once.body.results[0]).toMatchObject({ meanTimeS: expect.any(Number), meanDistanceM: expect.any(Number) });
    expect((await ask('simulate-leg', body)).body).toEqual(once.body);
    expect((await ask('simulate-leg', { ...body, distanceM: 50_000, tracks: 20_000 })).status).toBe(422);
    expect((await ask('simulate-leg', { ...body, currentMps: { along: 0, across: 1.5 } })).status).toBe(422);
  });

  it.each([
    [
      'crossing',
      { swimMps: 1.1, crossMps: 0.25, alongMps: 0 },
      { headingDeg: expect.closeTo(13.1, 1), groundMps: expect.closeTo(1.07, 2) },
    ],
    ['drafting-limit', { gain: 0.03 }, { angleDeg: expect.closeTo(13.9, 1) }],
    [
      'sun',
      { lat: 39.742476, lon: -105.1786, time: '2003-10-17T12:30:30-07:00' },
      { altitudeDeg: expect.closeTo(39.89, 0) },
    ],
    [
      'breathing-side',
      { legBearingDeg: 0, sun: null, waveFromDeg: 90, waveHeightM: 0.5, nextTurn: 'left' },
      { side: 'left' },
    ],
  ])('%s answers as the core does', async (path, body, wanted) => {
    const answer = await ask(path, body);
    expect(answer.status).toBe(200);
    expect(answer.body).toMatchObject(wanted);
  });

  it.each([
    ['crossing', { swimMps: 1, crossMps: 1, alongMps: 0 }, 422],
    ['crossing', { swimMps: 0, crossMps: 1, alongMps: 0 }, 400],
    ['drafting-limit', { gain: -1 }, 400],
    ['sun', { lat: 0, lon: 0, time: 'noon' }, 400],
    ['sighting-interval', { biasDegPerStroke: 1 }, 400],
    ['breathing-side', { legBearingDeg: 'north' }, 400],
  ])('%s refuses bad input', async (path, body, status) => expect((await ask(path, body)).status).toBe(status));
});

describe('tracks', () => {
  const swim = (course: Course) =>
    simulatedTrack(
      { seed: 3, startMs: Date.UTC(2026, 5, 1, 9), speedMps: 1.1, strokeLengthM: 1 },
      {
        ...{ biasRad: 0.04, sdRad: 0.04, lookEvery: 10, receiverSdM: 0.5, dropOuts: 0.02, silentS: 0 },
        ...{ currentMps: 0, currentToDeg: 0 },
      },
      course,
    ).map(({ lat, lon, timeMs }) => [lat, lon, timeMs]);
  const habits = { every: 10, rateSpm: 66, currentMps: 0, currentToDeg: 0 };

  it('are measured here, listed by course and swimmer, and outlive the course', async () => {
    const coach = await club.as('coach');
    const swimmerId = await club.addSwimmer();
    const [courseId, id] = [v7(), v7()];
    await coach('PUT', `/courses/${courseId}`, save());
    const kept = await coach('PUT', `/tracks/${id}`, { courseId, swimmerId, habits, points: swim(COURSE) });
    expect(kept.status).toBe(200);
    expect(kept.body).toMatchObject({ courseName: 'Loop', on: '2026-06-01', course: COURSE });
    expect(kept.body.swumM).toBeGreaterThan(kept.body.courseM);
    expect(kept.body.drift.biasRadPerStroke).toBeGreaterThan(0);
    // Sent again, the answer having been lost: one track.
    await coach('PUT', `/tracks/${id}`, { courseId, swimmerId, habits, points: swim(COURSE) });
    for (const list of [`/courses/${courseId}/tracks`, `/swimmers/${swimmerId}/tracks`]) {
      const rows = (await coach('GET', list)).body;
      expect(rows).toHaveLength(1);
      expect(rows[0].points).toBeUndefined();
    }
    // Another swimmer of the club sees nothing of it.
    expect((await (await club.as('swimmer'))('GET', `/tracks/${id}`)).status).toBe(404);
    await coach('DELETE', `/courses/${courseId}`);
    expect((await coach('GET', `/tracks/${id}`)).body).toMatchObject({ courseId, course: COURSE });
    await coach('DELETE', `/tracks/${id}`);
    expect((await coach('GET', `/tracks/${id}`)).status).toBe(404);
  });

  it('of another place, of nobody, or without end are refused', async () => {
    const coach = await club.as('coach');
    const swimmerId = await club.addSwimmer();
    const courseId = v7();
    await coach('PUT', `/courses/${courseId}`, save());
    const put = (change: object) =>
      coach('PUT', `/tracks/${v7()}`, { courseId, swimmerId, habits, points: swim(COURSE), ...change });
    const away = swim(COURSE).map(([lat, lon, at]) => [lat! + 1, lon, at]);
    expect((await put({ points: away })).body.detail).toMatch(/swum somewhere else/);
    expect((await put({ swimmerId: v7() })).status).toBe(404);
    expect((await put({ courseId: v7() })).status).toBe(404);
    const long = Array.from({ length: 6001 }, (_, i) => [31, -41, i * 1000]);
    expect((await put({ points: long })).status).toBe(400);
    expect((await put({ points: [[31, -41]] })).status).toBe(400);
    expect((await (await club.as('swimmer'))('PUT', `/tracks/${v7()}`, {})).status).toBe(403);
  });
});

describe('the race card on paper', () => {
  const card = {
    ...{ course: 'Loop', swimmer: 'Ada Lindqvale', day: 'today', metres: 300, timeS: 290, start: ['In slowly.'] },
    ...{ turns: [], feet: [], ifs: [{ when: 'it is cold', then: 'out.' }], kit: [] },
    legs: [
      {
        ...{ name: 'Start to 1', metres: 300, timeS: 290, aim: 'the notch', side: 'left', every: 8, good: [6, 9] },
        ...{ rateSpm: 62, headingDeg: 12, turn: null },
      },
    ],
  };

  it('is a PDF of A6, for anybody signed in', async () => {
    const answer = await harness.app.inject({
      ...{ method: 'POST', url: '/api/v1/race-cards/pdf', payload: card },
      cookies: { upwell_session: club.cookie('swimmer') },
    });
    expect(answer.headers['content-type']).toBe('application/pdf');
    expect(answer.rawPayload.subarray(0, 5).toString()).toBe('%PDF-');
    expect(answer.rawPayload.toString('latin1')).toMatch(/MediaBox \[0 0 297\.64 419\.53\]/);
  });

  it.each([
    ['no legs', { ...card, legs: [] }],
    ['a side that is none', { ...card, legs: [{ ...card.legs[0], side: 'up' }] }],
    ['more legs than anybody reads', { ...card, legs: Array.from({ length: 121 }, () => card.legs[0]) }],
    ['far too much', { ...card, start: Array.from({ length: 11 }, () => 'x') }],
  ])('refuses %s', async (_, body) => {
    expect((await (await club.as('coach'))('POST', '/race-cards/pdf', body)).status).toBe(400);
  });
});
