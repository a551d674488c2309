import * as bodies from './bodies';
import type { Stored } from './bodies';
import { allRoutes, type Harness, type Route } from './harness';

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
    '/account/club': () => ({ kit: ['fins'], laneCapacity: 6, paceTable: [], ...bodies.save(), version: 1 }),
    '/swimmers/{id}': () => versioned(bodies.swimmerOf(squadId)),
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
    '/handout-links/{id}': () => ({ focusId, token: bodies.token() }),
    '/eye/tries/{id}': () => ({ grade: 1, seed: 1, marked: ['legs-low'] }),
    '/sessions/{id}': () =>
      versioned({
        ...bodies.sessionOf(squadId),
        courseId,
        done: { plan: bodies.planOf(), ratings: { g: 5 }, note: '' },
      }),
    '/calendar-links/{id}': () => ({ squadId, token: bodies.token() }),
    '/deck/runs/{id}/events': () => ({ events: bodies.eventsOf(swimmerId, focusId) }),
    '/tests/{id}': () => versioned(bodies.testOf(swimmerId)),
    '/results/{id}': () => bodies.resultOf(swimmerId),
    '/imports/{id}/{chunk}': () => ({ rows: [bodies.resultOf(swimmerId), bodies.resultOf(swimmerId)] }),
    '/imports/{id}/commit': () => ({ rows: 2, name: 'May.csv', skipKnown: true }),
    '/courses/{id}': () => versioned(bodies.courseOf()),
    '/water-days/{id}': () => bodies.waterDayOf(courseId),
    '/race-cards/pdf': () => bodies.raceCardOf(),
    '/tracks/{id}': () => bodies.trackOf(courseId, swimmerId),
    '/swimmers/{id}/race-plan': () => versioned({ choices: bodies.choicesOf() }),
    '/sessions/{id}/rating': () => ({ value: 5 }),
  };
  return known[path.replace('/api/v1', '')]?.() ?? {};
}
