import { v7 } from 'uuid';
import * as bodies from './bodies';
import type { Stored } from './bodies';
import { allRoutes, type Harness, type Route, type TestClub } from './harness';

/** A route with the names of its questions. */
export interface AskedRoute extends Route {
  readonly asks: readonly string[];
}

/** Every route that the OpenAPI document names. */
export async function everyRoute(harness: Harness): Promise<AskedRoute[]> {
  const document = (await harness.app.inject({ url: '/api/v1/openapi.json' })).json<{
    paths: Record<string, Record<string, { parameters?: { in: string; name: string }[] }>>;
  }>();
  return (await allRoutes(harness)).map((route) => ({
    ...route,
    asks: (document.paths[route.path]![route.method.toLowerCase()]!.parameters ?? [])
      .filter((p) => p.in === 'query')
      .map((p) => p.name),
  }));
}

/** One of everything that has an address, of a child in the club's first squad. */
export async function storedOfAll(club: TestClub, harness: Pick<Harness, 'addAccount' | 'owner'>): Promise<AllStored> {
  const here = await bodies.stored(club, { birthYear: 2014, clipConsent: true });
  const [coach, head] = [await club.as('coach'), await club.as('head')];
  const { swimmerId, focusId, courseId, squadId, sessionId } = here;
  const ids = {
    tests: v7(),
    results: v7(),
    imports: v7(),
    roster: v7(),
    tracks: v7(),
    tries: v7(),
    marks: v7(),
    'eye/tries': v7(),
    'sign-ins': v7(),
  };
  const more = { ...ids, 'water-days': v7(), 'handout-links': v7(), 'calendar-links': v7(), 'sent-clips': v7() };
  const note = { drill: 'front-scull', verdict: 'same', note: '', at: '2026-11-25T18:00:00Z' };
  const versioned = (fields: object) => ({ ...fields, ...bodies.save() });
  const answers = [
    await coach('PUT', `/tests/${more.tests}`, versioned(bodies.testOf(swimmerId))),
    await coach('PUT', `/results/${more.results}`, bodies.resultOf(swimmerId)),
    await coach('PUT', `/imports/${more.imports}/0`, { rows: [{ ...bodies.resultOf(swimmerId), timeS: 91 }] }),
    await coach('POST', `/imports/${more.imports}/commit`, { rows: 1, name: 'May.csv', skipKnown: true }),
    await coach('PUT', `/focuses/${focusId}/tries/${more.tries}`, note),
    await coach('PUT', `/courses/${courseId}/readings/2026-07-01/17`, bodies.readingOf()),
    await coach('PUT', `/water-days/${more['water-days']}`, bodies.waterDayOf(courseId)),
    await coach('PUT', `/tracks/${more.tracks}`, bodies.trackOf(courseId, swimmerId)),
    await coach('PUT', `/handout-links/${more['handout-links']}`, { focusId, token: bodies.token() }),
    await coach('PUT', `/calendar-links/${more['calendar-links']}`, { squadId, token: bodies.token() }),
    await coach('PUT', `/sent-clips/${more['sent-clips']}`, bodies.sentAskOf(swimmerId)),
    await coach('PUT', `/eye/tries/${more['eye/tries']}`, { grade: 1, seed: 1, marked: ['legs-low'] }),
    await coach('POST', `/deck/runs/${sessionId}/events`, { events: bodies.eventsOf(swimmerId, focusId) }),
    await coach('PUT', `/swimmers/${swimmerId}/race-plan`, versioned({ choices: bodies.choicesOf() })),
    await coach('POST', '/roster/preview', { ...bodies.rosterOf(), id: ids.roster, squad: 'First' }),
    await coach('POST', '/roster/commit', { id: ids.roster }),
    await coach('POST', '/invitations', { role: 'swimmer', swimmerId }),
    await head('POST', '/season/plan?date=2026-12-01'),
  ];
  const wrong = answers.find((a) => a.status >= 300);
  if (wrong) throw new Error(JSON.stringify(wrong.body));
  await bodies.sendFilm(harness, club.id, more['sent-clips']);
  const [invitations, jobs] = answers.slice(-2).map((a) => (a.body as { id: string }).id) as [string, string];
  const accounts = (await harness.addAccount(club.id, 'coach', null)).id;
  return { ...here, more: { ...more, invitations, jobs, accounts } };
}
export type AllStored = Stored & { readonly more: Readonly<Record<string, string>> };

/** The address of a route for what is there; what is made new or put in parts has an id of its own. */
export function addressOf(route: AskedRoute, here: AllStored): string {
  const ids = { ...idsOf(here), ...here.more };
  const parts = route.path.split('/');
  const path = parts.map((part, i) => {
    if (part === '{token}') return 'x'.repeat(43);
    if (part === '{format}')
      return route.path.includes('/lists/') ? 'csv' : route.path.includes('courses') ? 'gpx' : 'json';
    if (part === '{list}') return route.path.includes('swimmers') ? 'records' : 'results';
    if (part === '{chunk}') return '1';
    if (part === '{date}') return '2026-07-01';
    if (part === '{hour}') return '17';
    if (part === '{n}') return '0';
    if (part === '{tryId}') return here.more.tries;
    if (part === '{markId}') return here.more.marks;
    if (part === '{id}') return ids[parts.slice(i - 2, i).join('/')] ?? ids[parts[i - 1]!];
    return part;
  });
  const questions = questionsOf(here);
  const asks = route.asks.filter((name) => questions[name]).map((name) => `${name}=${questions[name]}`);
  return path.join('/') + (asks.length > 0 ? `?${asks.join('&')}` : '');
}

/** What stands before an id in an address, and an id that is there. */
export const idsOf = (here: Stored): Readonly<Record<string, string | undefined>> => ({
  swimmers: here.swimmerId,
  squads: here.squadId,
  reviews: here.reviewId,
  focuses: here.focusId,
  courses: here.courseId,
  sessions: here.sessionId,
  runs: here.sessionId,
  packs: here.sessionId,
  clips: here.clipId,
});

/** Good answers to what routes ask for in their address. */
export const questionsOf = (here: Stored): Readonly<Record<string, string | undefined>> => ({
  date: '2026-12-01',
  from: '2026-12-01',
  level: 'hold',
  focusId: here.focusId,
  device: '0197a1b2-0000-7000-8000-00000000000d',
});

/** A good body for a route, or undefined where it takes none. */
export function goodBody({ method, path }: Route, here: Stored): object | undefined {
  if (method === 'GET' || method === 'DELETE') return undefined;
  const { squadId, swimmerId, courseId, focusId } = here;
  const versioned = (fields: object) => ({ ...fields, ...bodies.save() });
  const calculator = /\/compute\/(.+)$/.exec(path)?.[1];
  if (calculator) return bodies.computeBodies()[calculator];
  const known: Readonly<Record<string, () => object>> = {
    '/account/sign-in': () => ({ email: 'a@b.example', password: 'x' }),
    // There is a club, so it is not there.
    '/setup': () => ({
      ...{ code: '0000-0000-0000', clubName: 'Kestrel Bay', timeZone: 'UTC', name: 'Ines Moll' },
      ...{ email: 'ines@kestrel.example', password: 'three wet towels' },
    }),
    // Nobody's password: it is refused, and stays.
    '/account/password': () => ({ old: 'not the one', new: 'four dry towels' }),
    // Nobody's secrets.
    '/account/reset/look': () => ({ token: bodies.token() }),
    '/account/reset': () => ({ token: bodies.token(), password: 'four dry towels' }),
    '/invitations/look': () => ({ token: bodies.token() }),
    '/invitations/accept': () => ({
      ...{ token: bodies.token(), name: 'Ines Moll', email: 'ines@kestrel.example', password: 'three wet towels' },
    }),
    '/roster/preview': () => bodies.rosterOf(),
    // Nobody looked at it.
    '/roster/commit': () => ({ id: v7() }),
    '/invitations': () => ({ role: 'swimmer', swimmerId }),
    '/accounts/{id}': () => ({
      role: 'coach',
      squadIds: [],
      swimmerId: null,
      disabled: false,
      ...bodies.save(),
      version: 1,
    }),
    '/account/club': () => ({ kit: ['fins'], laneCapacity: 6, paceTable: [], ...bodies.save(), version: 1 }),
    '/library/entry': () => versioned({ kind: 'causes', key: 'unease', body: { cue: 'Soft face.' } }),
    '/library/import': () => versioned({ entries: [{ kind: 'signs', key: 'gasps', body: { seen: 'gasps for air' } }] }),
    '/swimmers/{id}': () => versioned(bodies.swimmerOf(squadId)),
    '/swimmers/{id}/ladder-marks/{markId}': () => ({
      ...{ ladder: 'catch', step: 0, kind: 'good' },
      at: '2026-11-25T18:00:00Z',
    }),
    '/squads/{id}': () => versioned(bodies.squadOf()),
    '/reviews/{id}': () => versioned(bodies.reviewOf(swimmerId)),
    '/focuses/{id}': () => ({
      drill: 'front-scull',
      saidBack: '',
      felt: '',
      relookOn: '2026-12-08',
      ...bodies.save(),
      // The review of this test, which closed it, counts as a change.
      version: 2,
    }),
    '/focuses/{id}/tries/{tryId}': () => ({
      drill: 'front-scull',
      verdict: 'same',
      note: '',
      at: '2026-11-25T18:00:00Z',
    }),
    '/clips/{id}': () => versioned(bodies.clipOf(swimmerId)),
    '/clips/{id}/stills': () => bodies.stillsOf(),
    '/sent-clips/{id}': () => bodies.sentAskOf(swimmerId),
    '/sent-clips/{id}/pieces/{n}': () => bodies.filmOf(),
    '/sent-clips/{id}/sent': () => bodies.sentDoneOf(),
    '/sent-clips/{id}/answer': () => bodies.sentAnswerOf(),
    '/handout-links/{id}': () => ({ focusId, token: bodies.token() }),
    '/eye/tries/{id}': () => ({ grade: 1, seed: 1, marked: ['legs-low'] }),
    '/sessions/{id}': () =>
      versioned({
        ...bodies.sessionOf(squadId),
        courseId,
        done: { plan: bodies.planOf(), ratings: { g: 5 }, note: '' },
      }),
    '/sessions/{id}/series': () => {
      const { title, date, startTime, squadIds, plan } = bodies.sessionOf(squadId);
      const one = { title, date, startTime, squadIds, courseId: null, plan };
      return { scope: 'later', before: one, after: one, writeId: v7() };
    },
    '/calendar-links/{id}': () => ({ squadId, token: bodies.token() }),
    '/deck/runs/{id}/events': () => ({ events: bodies.eventsOf(swimmerId, focusId) }),
    '/tests/{id}': () => versioned(bodies.testOf(swimmerId)),
    '/results/{id}': () => bodies.resultOf(swimmerId),
    '/imports/{id}/{chunk}': () => ({ rows: [bodies.resultOf(swimmerId), bodies.resultOf(swimmerId)] }),
    '/imports/{id}/commit': () => ({ rows: 2, name: 'May.csv', skipKnown: true }),
    '/courses/{id}': () => versioned(bodies.courseOf()),
    '/courses/{id}/readings/{date}/{hour}': () => bodies.readingOf(),
    '/water-days/{id}': () => bodies.waterDayOf(courseId),
    '/race-cards/pdf': () => bodies.raceCardOf(),
    '/tracks/{id}': () => bodies.trackOf(courseId, swimmerId),
    '/swimmers/{id}/race-plan': () => versioned({ choices: bodies.choicesOf() }),
    '/sessions/{id}/rating': () => ({ value: 5 }),
  };
  return known[path.replace('/api/v1', '')]?.() ?? {};
}
