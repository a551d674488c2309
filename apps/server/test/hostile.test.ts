import { CLUB_LISTS, LIST_FORMATS, SWIMMER_LISTS } from '@upwell/contract/lists';
import { v7 } from 'uuid';
import { numbers } from '../demo/random';
import { stored, type Stored } from './bodies';
import { everyRoute, goodBody, idsOf, questionsOf, type AskedRoute } from './everyRoute';
import { Harness, type TestClub } from './harness';

/**
 * Every route that the OpenAPI document names, asked with what nobody would send: hostile ids, questions and
 * bodies, most of them one bad value inside an otherwise good body, so that they come far.
 */
let harness: Harness;
let club: TestClub;
let routes: readonly AskedRoute[];
let here: Stored;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  here = await stored(club);
  await club.addAccount('swimmer', here.swimmerId);
  routes = await everyRoute(harness);
});
afterAll(() => harness.stop());

/** Repeatable with PROPERTY_SEED, which is printed when something fails. */
const SEED = Number(process.env.PROPERTY_SEED ?? 20261126) | 0;
/** `HOSTILE=10` asks ten times as much. */
const TIMES = Number(process.env.HOSTILE ?? 1);
const REQUESTS = 5200 * TIMES;

type Random = () => number;
const oneOf = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

/** Values that databases, dates, regular expressions and maps do not expect. */
const VALUES: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  0.1,
  1e308,
  -1e308,
  5e-324,
  2 ** 31,
  -(2 ** 31) - 1,
  2 ** 53 + 2,
  '',
  ' ',
  'x'.repeat(5000),
  'a\u0000b',
  '\u0000',
  '\uD83C',
  '\uDFCA\uD83C',
  `${'x'.repeat(59)}\u{1F3CA}`,
  '💧👩‍👩‍👧🇳🇿',
  '\u202Egnp.exe',
  'é'.repeat(60),
  '__proto__',
  'constructor',
  'hasOwnProperty',
  '0000-01-01',
  '9999-12-31',
  '2026-02-30',
  '+275760-09-13T00:00:00.000Z',
  '-271821-04-20T00:00:00.000Z',
  '-000001-01-01T00:00:00Z',
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59.999Z',
  '9999-12-31T23:59:59-14:00',
  '2026-13-45T99:99:99Z',
  '24:00',
  '1e999',
  'Infinity',
  'NaN',
  '-0',
  "'; drop table swimmer; --",
  '{1,2}',
  '\\u0000',
  '${jndi:ldap://x}',
  '[6ba7b810-9dad-11d1-80b4-00c04fd430c8]',
  '{6ba7b810-9dad-11d1-80b4-00c04fd430c8}',
  '6BA7B810-9DAD-11D1-80B4-00C04FD430C8',
  '6ba7b8109dad11d180b400c04fd430c8',
  '00000000-0000-0000-0000-000000000000',
  [],
  {},
  [[[[[]]]]],
  Array.from({ length: 1200 }, () => 0),
  Array.from({ length: 40 }, (_, i) => ({ id: i })),
  Object.fromEntries(Array.from({ length: 300 }, (_, i) => [`k${i}`, i])),
  JSON.parse('{"__proto__":{"admin":true},"constructor":{"prototype":1}}'),
  JSON.parse(`${'['.repeat(200)}${']'.repeat(200)}`),
  JSON.parse(`${'{"items":['.repeat(60)}${']}'.repeat(60)}`),
];

/** The same, as they may stand in an address. */
const IN_ADDRESS = VALUES.map((value) => (typeof value === 'string' ? value : JSON.stringify(value)))
  .map((text) => encodeURIComponent(text.replace(/\p{Surrogate}/gu, '\uFFFD')))
  .concat(['%00', '%', '%FF%FE', '%ED%A0%80', '..%2f..%2fetc', '%2e%2e', 'a%2fb', ';', 'null', 'undefined'])
  .filter((text) => text.length > 0 && text.length < 2000);

/** Every place inside a value, as the keys that lead to it. */
function places(value: unknown, way: readonly string[] = []): (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [way];
  return [way, ...Object.entries(value).flatMap(([key, inner]) => places(inner, [...way, key]))];
}

/** The body with one value in it replaced, or one key added. */
function spoiled(random: Random, body: object): unknown {
  const copy = JSON.parse(JSON.stringify(body)) as unknown;
  const ways = places(copy).filter((way) => way.length > 0);
  const way = oneOf(random, ways);
  if (!way) return oneOf(random, VALUES);
  let holder = copy as Record<string, unknown>;
  for (const key of way.slice(0, -1)) holder = holder[key] as Record<string, unknown>;
  const last = way.at(-1)!;
  const what = random();
  if (what < 0.08) delete holder[last];
  else if (what < 0.14 && !Array.isArray(holder))
    holder[oneOf(random, ['__proto__x', 'constructor', '\uD83C', 'a\u0000'])] = 1;
  else if (what < 0.2 && Array.isArray(holder))
    holder.push(...Array.from({ length: 700 }, () => holder[last as never]));
  else holder[last] = oneOf(random, VALUES);
  return copy;
}

function spoiledAddress(random: Random, route: (typeof routes)[number]): string {
  const real = idsOf(here);
  const parts = route.path.split('/');
  const path = parts
    .map((part, i) => {
      if (!part.startsWith('{')) return part;
      if (random() < 0.15) return oneOf(random, IN_ADDRESS);
      if (part === '{token}') return 'x'.repeat(43);
      if (part === '{format}') return oneOf(random, route.path.includes('/lists/') ? LIST_FORMATS : FORMATS);
      if (part === '{list}') return oneOf(random, route.path.includes('swimmers') ? SWIMMER_LISTS : CLUB_LISTS);
      if (part === '{chunk}') return '0';
      if (part === '{date}') return '2026-07-01';
      if (part === '{hour}') return '17';
      // What is changed has a version that is not known here, and what is taken out would be missed: those are new.
      const fresh =
        route.method === 'DELETE' || (route.method === 'PUT' && i === parts.length - 1 && !CHANGES.test(route.path));
      return fresh || random() > 0.7 ? v7() : (real[parts[i - 1] ?? ''] ?? v7());
    })
    .join('/');
  const good = questionsOf(here);
  const query = route.asks.flatMap((name) => {
    if (random() < 0.45) return good[name] ? [`${name}=${good[name]}`] : [];
    return random() < 0.1
      ? [`${name}=1`, `${name}=2`, `${name}[a]=3`]
      : [`${encodeURIComponent(name)}=${oneOf(random, IN_ADDRESS)}`];
  });
  return query.length > 0 ? `${path}?${query.join('&')}` : path;
}

it(
  'gets an answer with a sentence from every route, whatever is sent, and never a 5xx',
  async () => {
    const random = numbers(SEED);
    const callers = [await club.as('head'), await club.as('coach'), await club.as('swimmer')];
    const cookies = ['head', 'coach', 'swimmer'].map((role) => club.cookie(role as 'head'));
    expect(callers).toHaveLength(3);
    const wrong: unknown[] = [];
    const asked = new Map<string, number>();
    const good = new Map<string, number>();
    for (let i = 0; i < REQUESTS; i++) {
      const route = routes[i % routes.length]!;
      // Each route is first asked well, so that a test of nothing but refusals cannot pass.
      const round = Math.floor(i / routes.length);
      const body = goodBody(route, here);
      const sent =
        body === undefined || round === 0 ? body : round % 9 === 8 ? oneOf(random, VALUES) : spoiled(random, body);
      const url = round < 2 ? wellAddressed(route) : spoiledAddress(random, route);
      const who = round < 2 ? 0 : Math.floor(random() * 3);
      // The sign-in has a limit of its own for each address; signing out would end the test.
      if (/account\/(sign-|password)|setup/.test(route.path) && round > 4) continue;
      const answer = await harness.app.inject({
        method: route.method,
        url,
        ...(route.path.endsWith('/sign-out') ? {} : { cookies: { upwell_session: cookies[who]! } }),
        ...(sent === undefined
          ? {}
          : { headers: { 'content-type': 'application/json' }, payload: JSON.stringify(sent) }),
      });
      const name = `${route.method} ${route.path}`;
      asked.set(name, (asked.get(name) ?? 0) + 1);
      const { statusCode } = answer;
      if (statusCode < 300) good.set(name, (good.get(name) ?? 0) + 1);
      const told =
        statusCode < 400 || (String(answer.headers['content-type']).includes('problem+json') && answer.json().detail);
      // What only the database noticed is answered well, but the contract should have said it.
      const slipped =
        statusCode === 400 && answer.json().detail === 'A value in this cannot be stored as it is written.';
      if (statusCode >= 500 || slipped || !told || statusCode === 429)
        wrong.push([SEED, i, statusCode, name, url, JSON.stringify(sent)?.slice(0, 300)]);
    }
    expect(wrong).toEqual([]);
    expect(asked.size).toBe(routes.length);
    // Most routes answered well at least once: the bad values came far.
    const never = routes.map((r) => `${r.method} ${r.path}`).filter((name) => !good.has(name));
    expect(never.filter((name) => !REFUSES.test(name))).toEqual([]);
  },
  300_000 * TIMES,
);

/** Values that are odd and yet may be right, so that they are stored. */
const ODD = {
  string: [
    ...VALUES.filter((value) => typeof value === 'string' && value.length <= 60),
    ...['1900-01-01', '2199-12-31', '2024-02-29', '1900-01-01T00:00:00Z', '2199-12-31T23:59:59.999Z', '00:00', '23:59'],
  ],
  number: [0, 1, 2, 5, 24, 60, 100, 999, 0.001, 1e-9, -1, 89.9999, 179.9999],
  boolean: [true, false],
  object: [null, [], {}],
};

/** The body with some of its values replaced by odd ones of their own kind. */
function oddly(random: Random, body: object): object {
  const copy = JSON.parse(JSON.stringify(body)) as object;
  for (let i = 0; i <= random() * 3; i++) {
    const way = oneOf(
      random,
      places(copy).filter((w) => w.length > 0),
    );
    const holder = way.slice(0, -1).reduce((at, key) => at[key] as never, copy as Record<string, unknown>);
    const last = way.at(-1)!;
    const kind = typeof holder[last] as keyof typeof ODD;
    // Whole parts are seldom left out; it is the values in them that are shown.
    if (kind !== 'object' || random() < 0.1) holder[last] = oneOf(random, ODD[kind]);
  }
  return copy;
}

const TRIES = 60 * TIMES;
const FORMATS = ['gpx', 'geojson', 'upwell', 'json', 'csv', 'ics', 'pdf', 'xlsx'];
/** Also what is shown elsewhere: a session on deck and in a season, a swimmer's results in a list. */
const ELSEWHERE = [
  ...['deck/packs?date=2026-12-01', 'season?from=2026-12-01', 'results', 'results.csv', 'club/archive'],
  ...['lists/results/csv', 'lists/load/pdf', 'lists/season/pdf?date=2026-12-01', 'lists/week/xlsx?date=2026-12-01'],
];

it(
  'can show whatever it has stored, at every address that shows it',
  async () => {
    const random = numbers(SEED);
    const cookie = { upwell_session: club.cookie('head') };
    const reads = routes.filter((r) => r.method === 'GET').map((r) => r.path);
    const kept = routes.filter((r) => r.method === 'PUT' && /^\/api\/v1\/\w+\/\{id\}(\/race-plan)?$/.test(r.path));
    const wrong: unknown[] = [];
    let [taken, read] = [0, 0];
    const show = async (url: string, sent: unknown) => {
      const { statusCode } = await harness.app.inject({ url, cookies: cookie });
      read++;
      if (statusCode >= 500) wrong.push([SEED, statusCode, url, JSON.stringify(sent)]);
    };
    for (const route of kept) {
      for (let i = 0; i < TRIES; i++) {
        const sent = oddly(random, goodBody(route, here)!);
        const id = route.path.endsWith('race-plan') ? await club.addSwimmer() : v7();
        const url = route.path.replace('{id}', id);
        const answer = await harness.app.inject({ method: 'PUT', url, cookies: cookie, payload: sent });
        if (answer.statusCode >= 500) wrong.push([SEED, answer.statusCode, url, JSON.stringify(sent)]);
        if (answer.statusCode >= 300) continue;
        taken++;
        for (const path of reads.filter((r) => `${r}/`.startsWith(`${route.path}/`)))
          for (const format of path.includes('{format}') ? FORMATS : [''])
            for (const list of path.includes('{list}') ? SWIMMER_LISTS : [''])
              await show(path.replace('{id}', id).replace('{format}', format).replace('{list}', list), sent);
        if (route.path.includes('/sessions/')) await show(`/api/v1/deck/packs/${id}`, sent);
        if (route.path.includes('/water-days/')) await show(`/api/v1/water-days/${id}/card.pdf`, sent);
      }
    }
    for (const path of ELSEWHERE) await show(`/api/v1/${path}`, null);
    expect(wrong).toEqual([]);
    expect(taken).toBeGreaterThan((kept.length * TRIES) / 5);
    expect(read).toBeGreaterThan(taken);
  },
  300_000 * TIMES,
);

/** Routes that change what is there already. */
const CHANGES = /\/focuses\/\{id\}$/;

/** Routes that have nothing to answer here: secrets that nobody has, rows that are not there. */
const REFUSES =
  /\{token\}|revoke|\/jobs\/|my-week|rating|sign-in|password|setup|archive|imports\/\{id\}\/|water-days\/\{id\}\/card|^DELETE .*(tries|clips|sessions|swimmers|courses)|GET \/api\/v1\/tracks|invitations\/|sent-clips\/\{id\}\/|accounts\/|account\/reset|roster\/(commit|\{id\})|library\/import/;

function wellAddressed(route: (typeof routes)[number]): string {
  // A stream of numbers that never asks for a bad value.
  const path = spoiledAddress(() => 0.5, { ...route, asks: [] });
  const query = questionsOf(here);
  const asks = route.asks.filter((name) => query[name]).map((name) => `${name}=${query[name]}`);
  return asks.length > 0 ? `${path}?${asks.join('&')}` : path;
}
