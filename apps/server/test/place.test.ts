// Days and times are those of the club's clock, or of the course's: never the server's, never the reader's.
import { timeIn } from '@upwell/core/days';
import { movedCourse, placeAt, simulatedTrack, type Course } from '@upwell/core/water';
import { v7 } from 'uuid';
import { asIdentity } from '../src/platform/database';
import { dayToPrint } from '../src/water/days';
import { planOf, rosterOf, setOf, token as makeToken, waterDayOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let courseId: string;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  const head = await club.as('head');
  expect((await head('PUT', '/account/club', { ...RULES, timeZone: 'Europe/Lisbon' })).status).toBe(200);
  courseId = v7();
  await head('PUT', `/courses/${courseId}`, { name: 'Loop', place: '', course: COURSE, version: 0, writeId: v7() });
});
afterAll(() => harness.stop());

const RULES = { kit: [], laneCapacity: null, paceTable: [] };
/** Two zones east of the club. */
const START = { lat: 37.6, lon: 23.5 };
const COURSE: Course = {
  start: START,
  marks: [{ id: '1', name: '1', turn: 'right', ...placeAt(START, 0, 300) }],
  finish: placeAt(START, 90, 20),
  ...{ laps: 1, areas: [], landmarks: [] },
};

const evening = (change: object = {}) => ({
  ...{ title: 'Evening', date: '2026-07-10', startTime: '21:30', squadIds: [club.squads[0]], plan: planOf([setOf()]) },
  ...{ courseId: null, version: 0, writeId: v7(), ...change },
});

async function stored(change: object = {}): Promise<string> {
  const id = v7();
  const answer = await (await club.as('coach'))('PUT', `/sessions/${id}`, evening(change));
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
  return id;
}

const raw = (url: string, cookie = club.cookie('coach')) =>
  harness.app.inject({ url: `/api/v1${url}`, cookies: { upwell_session: cookie } });

describe('the clock of a club', () => {
  it.each(['Mars/Olympus', '+02:00', '', 'x'.repeat(61), 'Europe/Lisbon; drop table club'])(
    '%j is none',
    async (timeZone) => {
      const answer = await (await club.as('head'))('PUT', '/account/club', { ...RULES, timeZone });
      expect([answer.status, answer.body.fields?.[0]?.field]).toEqual([400, 'timeZone']);
    },
  );

  it('goes with everybody who signs in, in its usual spelling, with name and units', async () => {
    const own = await harness.club();
    const head = await own.as('head');
    const rules = { ...RULES, timeZone: 'america/st_johns', units: 'yd', name: ' Kestrel Bay ' };
    expect((await head('PUT', '/account/club', rules)).body).toMatchObject({
      ...{ timeZone: 'America/St_Johns', units: 'yd', name: 'Kestrel Bay', version: 2 },
    });
    const known = { timeZone: 'America/St_Johns', units: 'yd', clubName: 'Kestrel Bay' };
    expect((await (await own.as('coach'))('GET', '/account/me')).body).toMatchObject(known);
    // An app that knows nothing of them leaves them as they are.
    expect((await head('PUT', '/account/club', RULES)).body).toMatchObject({
      timeZone: 'America/St_Johns',
      units: 'yd',
    });
    expect((await head('PUT', '/account/club', { ...RULES, units: 'cubits' })).status).toBe(400);
  });

  it('is UTC where a club was made before there was one', async () => {
    const own = await harness.club();
    expect((await (await own.as('coach'))('GET', '/account/me')).body).toMatchObject({ timeZone: 'UTC', units: 'm' });
  });

  it('turns the day of plans and files', async () => {
    const own = await harness.club();
    const head = await own.as('head');
    // Somewhere it is another day than in Greenwich, whatever the hour.
    const zone = Number(timeIn('UTC', Date.now()).slice(0, 2)) < 10 ? 'Etc/GMT+11' : 'Etc/GMT-14';
    await head('PUT', '/account/club', { ...RULES, timeZone: zone });
    const today = new Intl.DateTimeFormat('sv-SE', { timeZone: zone }).format();
    expect(today).not.toBe(new Date().toISOString().slice(0, 10));
    const { headers } = await raw('/club/archive', own.cookie('head'));
    expect(headers['content-disposition']).toContain(`upwell-club-${today}.json`);
  });
});

describe('an evening session two zones away', () => {
  it('is told by the clock of its course, one in the pool by the club’s', async () => {
    const [away, home] = [await stored({ courseId }), await stored()];
    const coach = await club.as('coach');
    expect((await coach('GET', `/sessions/${away}`)).body.timeZone).toBe('Europe/Athens');
    const rows = (await coach('GET', '/sessions?from=2026-07-10&to=2026-07-10')).body as {
      id: string;
      timeZone: string;
    }[];
    const zones = new Map(rows.map((row) => [row.id, row.timeZone]));
    expect([zones.get(away), zones.get(home)]).toEqual(['Europe/Athens', 'Europe/Lisbon']);
  });

  it('is one moment in every calendar', async () => {
    const [away, home] = [await stored({ courseId }), await stored()];
    const alone = async (id: string) => (await raw(`/sessions/${id}/export/ics`)).body.split('\r\n');
    expect(await alone(away)).toContain('DTSTART;TZID=Europe/Athens:20260710T213000');
    expect(await alone(home)).toContain('DTSTART;TZID=Europe/Lisbon:20260710T213000');
    const whole = (await alone(away)).join('\n').replaceAll('\n ', '');
    expect(whole).toContain('Fri 10 Jul 21:30\\, Athens time');
    // Who does not know the zone by its name finds its rules: three hours before Greenwich in summer.
    expect(whole).toMatch(/BEGIN:VTIMEZONE\nTZID:Europe\/Athens[^]*TZOFFSETTO:\+0300[^]*END:VTIMEZONE/);
    expect(whole).toMatch(/\nLOCATION:Loop\b/);
    expect(whole).toMatch(/\nGEO:[\d.]+;[\d.]+\n/);

    const future = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
    const [soon, soonHome] = [await stored({ courseId, date: future }), await stored({ date: future })];
    const token = makeToken();
    const coach = await club.as('coach');
    await coach('PUT', `/calendar-links/${v7()}`, { squadId: club.squads[0], token });
    const feed = (await raw(`/calendars/${token}`)).body.split('BEGIN:VEVENT');
    const start = (zone: string) => `DTSTART;TZID=${zone}:${future.replaceAll('-', '')}T213000`;
    expect(feed.find((e) => e.includes(soon))).toContain(start('Europe/Athens'));
    expect(feed.find((e) => e.includes(soonHome))).toContain(start('Europe/Lisbon'));
    expect(feed.find((e) => e.includes(soonHome))).toContain('LOCATION:25 m pool');
    expect(feed[0]!.match(/BEGIN:VTIMEZONE/g)).toHaveLength(2);
  });

  it('stands on the card of its own day, although it is another one in Greenwich', async () => {
    await stored({ courseId, date: '2026-07-12', startTime: '00:30', title: 'Past midnight' });
    const id = v7();
    const head = await club.as('head');
    // Half past midnight there is half past nine in the evening before in Greenwich.
    const signed = await head('PUT', `/water-days/${id}`, {
      ...waterDayOf(courseId),
      startsAt: '2026-07-11T21:30:00Z',
    });
    expect([signed.status, signed.body.detail]).toEqual([200, undefined]);
    const who = { ...(await head('GET', '/account/me')).body, squadIds: [] };
    const card = await asIdentity(harness.database, who, (em) => dayToPrint(em, who, id));
    expect(card).toMatchObject({ timeZone: 'Europe/Athens', plans: [{ title: 'Past midnight' }] });
  });

  it('leaves a track under its own day', async () => {
    const swimmerId = await club.addSwimmer();
    // A quarter past midnight in Athens on the 11th.
    const worn = { seed: 3, startMs: Date.parse('2026-07-10T21:15:00Z'), speedMps: 1.1, strokeLengthM: 1 };
    const outing = { biasRad: 0.04, sdRad: 0.04, lookEvery: 10, receiverSdM: 0.5, dropOuts: 0.02, silentS: 0 };
    const points = (course: Course) =>
      simulatedTrack(worn, { ...outing, currentMps: 0, currentToDeg: 0 }, course).map((p) => [p.lat, p.lon, p.timeMs]);
    const habits = { every: 10, rateSpm: 66, currentMps: 0, currentToDeg: 0 };
    const coach = await club.as('coach');
    const put = (of: string, course: Course) =>
      coach('PUT', `/tracks/${v7()}`, { courseId: of, swimmerId, habits, points: points(course) });
    expect((await put(courseId, COURSE)).body.on).toBe('2026-07-11');
    const west = movedCourse(COURSE, { lat: 38.6, lon: -9.3 });
    const home = v7();
    await coach('PUT', `/courses/${home}`, { name: 'Home', place: '', course: west, version: 0, writeId: v7() });
    expect((await put(home, west)).body.on).toBe('2026-07-10');
    expect((await coach('GET', `/courses/${home}`)).body.timeZone).toBe('Europe/Lisbon');
  });
});

it('a list of swimmers is read in the units of the club', async () => {
  const own = await harness.club();
  const head = await own.as('head');
  const bests = async () => {
    const text = 'name,squad,100 free,200 m\nAda Lindqvale,First,1:20,3:00\n';
    const { status, body } = await head('POST', '/roster/preview', { ...rosterOf(), text });
    expect([status, body.detail]).toEqual([200, undefined]);
    return body.rows[0].bestTimes;
  };
  expect(await bests()).toEqual([
    { distanceM: 100, timeS: 80 },
    { distanceM: 200, timeS: 180 },
  ]);
  await head('PUT', '/account/club', { ...RULES, units: 'yd' });
  expect(await bests()).toEqual([
    { distanceM: 91.44, timeS: 80 },
    { distanceM: 200, timeS: 180 },
  ]);
});
