import { LOOKS } from '@upwell/contract/looks';
import { addressOf, everyRoute, goodBody, storedOfAll, type AllStored, type AskedRoute } from './everyRoute';
import { Harness, TestClub } from './harness';

/**
 * Every route × everybody: what belongs to a child in one squad is asked for, and changed, by all kinds of people.
 * Who may is written down here by hand, a second time.
 */

/** Anybody on earth; the secret links among them with a secret that nobody has. */
const EVERYBODY = `
  POST /account/sign-in · POST /account/sign-out · GET /account/me · GET /setup · POST /setup
  POST /invitations/look · POST /invitations/accept · POST /account/reset/look · POST /account/reset
  GET /handouts/{token} · GET /handouts/{token}/page.pdf · GET /calendars/{token}`;
/** Signed in, and each gets what is theirs. */
const SIGNED_IN = `
  POST /account/password · GET /account/sign-ins · DELETE /account/sign-ins/{id} · DELETE /account/sign-ins
  GET /swimmers · GET /squads · GET /sessions · GET /deck/today · GET /calendar-links · GET /schemas/session.json
  GET /courses · POST /race-cards/pdf · GET /library · GET /sent-clips
  POST /compute/length-metrics · POST /compute/critical-speed · POST /compute/rate-ramp · POST /compute/race-time
  POST /compute/effort-pace · POST /compute/breathing · POST /compute/causes · POST /compute/load
  POST /compute/build-session · POST /compute/lane-check · POST /compute/session-text
  POST /compute/sighting-interval · POST /compute/simulate-leg · POST /compute/crossing
  POST /compute/drafting-limit · POST /compute/sun · POST /compute/breathing-side`;
/** Coaches of any club, and each gets what is theirs. */
const ANY_COACH = `
  GET /account/club · GET /coaches · GET /outcomes · GET /handout-links · GET /eye/tries · GET /sessions/proposal
  GET /load · GET /deck/packs · GET /results · GET /results.csv · GET /lists/{list}/{format} · GET /imports · GET /season · POST /season/plan
  GET /invitations · POST /invitations · GET /roster · POST /roster/preview · POST /roster/commit
  PUT /imports/{id}/{chunk} · GET /imports/{id} · GET /library/file`;
/** Head coaches of any club, and each gets what is theirs. */
const ANY_HEAD = `PUT /account/club · GET /looks · GET /club/archive · POST /club/archive · GET /accounts
  PUT /library/entry · POST /library/import`;
/** Who may see the child: the child, the coaches of the squad, the head coach. */
const SEES_THE_CHILD = `
  GET /swimmers/{id} · GET /reviews/{id} · GET /focuses/{id} · GET /clips/{id} · GET /focuses/{id}/handout
  GET /clips/{id}/stills · GET /swimmers/{id}/stills
  GET /sent-clips/{id}/film · GET /sent-clips/{id}/voice · DELETE /sent-clips/{id}
  GET /focuses/{id}/handout.pdf · GET /swimmers/{id}/records · GET /swimmers/{id}/tracks · GET /tracks/{id}
  GET /swimmers/{id}/race-plan · GET /swimmers/{id}/race-plan.csv · GET /swimmers/{id}/lists/{list}/{format}
  GET /sessions/{id}
  GET /sessions/{id}/export/{format}`;
/** The coaches of the squad, and the head coach. */
const COACHES_THE_CHILD = `
  PUT /swimmers/{id} · PUT /reviews/{id} · PUT /focuses/{id} · PUT /focuses/{id}/tries/{tryId}
  DELETE /focuses/{id}/tries/{tryId} · PUT /clips/{id} · DELETE /clips/{id} · PUT /handout-links/{id}
  PUT /clips/{id}/stills · DELETE /clips/{id}/stills · PUT /sent-clips/{id} · PUT /sent-clips/{id}/answer
  POST /handout-links/{id}/revoke · PUT /sessions/{id} · DELETE /sessions/{id} · POST /sessions/{id}/series · GET /sessions/{id}/sheet.pdf
  GET /sessions/{id}/people · DELETE /invitations/{id} · PUT /calendar-links/{id} · POST /calendar-links/{id}/revoke · GET /deck/packs/{id}
  GET /sessions/{id}/live · GET /deck/runs/{id}/events · POST /deck/runs/{id}/events · PUT /tests/{id} · DELETE /tests/{id}
  PUT /swimmers/{id}/ladder-marks/{markId} · DELETE /swimmers/{id}/ladder-marks/{markId}
  PUT /results/{id} · DELETE /results/{id} · PUT /tracks/{id} · DELETE /tracks/{id} · PUT /swimmers/{id}/race-plan`;
/** Whose import it is, and the head coach. */
const IMPORTED_IT = `
  DELETE /imports/{id} · POST /imports/{id}/check
  POST /imports/{id}/commit · POST /imports/{id}/undo · POST /roster/{id}/undo`;
/** Everybody of the club. */
const IN_THE_CLUB = `GET /courses/{id} · GET /courses/{id}/export/{format} · GET /courses/{id}/tracks
  GET /courses/{id}/readings`;
/** All coaches of the club. */
const COACHES_THE_CLUB = `
  PUT /courses/{id} · DELETE /courses/{id} · POST /courses/{id}/restore · GET /courses/{id}/days · PUT /water-days/{id}
  PUT /courses/{id}/readings/{date}/{hour}
  GET /water-days/{id}/card.pdf · PUT /eye/tries/{id} · GET /jobs/{id} · POST /jobs/{id}/stop`;
const HEAD_OF_THE_CLUB = `
  DELETE /swimmers/{id} · GET /swimmers/{id}/export · GET /swimmers/{id}/erasing · PUT /squads/{id}
  PUT /accounts/{id} · POST /accounts/{id}/reset-link`;
const THE_CHILD = `PUT /sessions/{id}/rating · PUT /sent-clips/{id}/pieces/{n} · POST /sent-clips/{id}/sent`;
const ANY_SWIMMER = `GET /my-week`;

const PEOPLE = [
  'nobody',
  'the child',
  'another child',
  'the coach',
  'another coach',
  'the head',
  'a stranger’s swimmer',
  'a stranger’s coach',
  'a stranger’s head',
] as const;
type Person = (typeof PEOPLE)[number];

const CLUB: readonly Person[] = ['the child', 'another child', 'the coach', 'another coach', 'the head'];
const ALL_SIGNED_IN = PEOPLE.filter((p) => p !== 'nobody');
const MAY: readonly (readonly [string, readonly Person[]])[] = [
  [EVERYBODY, PEOPLE],
  [SIGNED_IN, ALL_SIGNED_IN],
  [ANY_COACH, ALL_SIGNED_IN.filter((p) => /coach|head/.test(p))],
  [ANY_HEAD, ['the head', 'a stranger’s head']],
  [SEES_THE_CHILD, ['the child', 'the coach', 'the head']],
  [COACHES_THE_CHILD, ['the coach', 'the head']],
  [IMPORTED_IT, ['the coach', 'the head']],
  [IN_THE_CLUB, CLUB],
  [COACHES_THE_CLUB, ['the coach', 'another coach', 'the head']],
  [HEAD_OF_THE_CLUB, ['the head']],
  [THE_CHILD, ['the child']],
  [ANY_SWIMMER, ['the child', 'another child', 'a stranger’s swimmer']],
];
const may = new Map(
  MAY.flatMap(([routes, people]) =>
    routes
      .split(/[·\n]/)
      .map((one) => one.trim())
      .filter((one) => one !== '')
      .map((one) => [one, new Set(people)] as const),
  ),
);

/** Who may know the child's name. */
const KNOWS: readonly Person[] = ['the child', 'the coach', 'the head'];
/** Taking out what is not there, or not one's own, is answered as if it were done, and does nothing. */
const TAKES_OUT = /^DELETE \/(tests|results|tracks|imports)/;
/** Of what one does not see these lists are empty. */
const EMPTY = /^GET .*\/(tracks|days|readings)$/;
/** Answered with "not there" also to those who may: bad secrets, rows that are gone, wrong passwords. */
const MAY_MISS =
  /\{token\}|sign-in|password|setup|sign-out|\/look$|accept|invitations$|roster\/commit|\/reset$|^DELETE |\/revoke|jobs|PUT \/calendar-links|PUT \/handout-links|PUT \/eye|imports|\/rating/;

let harness: Harness;
let club: TestClub;
let routes: readonly AskedRoute[];
let here: AllStored;
const cookies = new Map<Person, string>();
const accounts = new Map<Person, string>();

beforeAll(async () => {
  harness = await Harness.start();
  routes = await everyRoute(harness);
  club = await harness.club();
  here = await childOf(club);
  await planned();
  const second = new TestClub(harness, club.id);
  await second.addAccount('coach');
  const squad = await second.addSquad('Second', [second.accounts.coach!.id]);
  await second.addAccount('swimmer', await second.addSwimmer(squad));
  const stranger = await harness.club();
  await stranger.addAccount('swimmer', await stranger.addSwimmer());
  const owners = { the: club, another: second, 'a stranger’s': stranger };
  for (const person of ALL_SIGNED_IN) {
    const [, whose, what] = /^(.*) (\S+)$/.exec(person)! as unknown as [string, keyof typeof owners, string];
    const role = what === 'child' || what === 'swimmer' ? 'swimmer' : (what as 'coach' | 'head');
    await owners[whose].as(role);
    cookies.set(person, owners[whose].cookie(role));
    accounts.set(person, owners[whose].accounts[role]!.id);
  }
});
afterAll(() => harness.stop());

/** A child with one of everything, with a name that stands nowhere else. */
async function childOf(owner: TestClub): Promise<AllStored> {
  const stored = await storedOfAll(owner, harness);
  if (!owner.accounts.swimmer) await owner.addAccount('swimmer', stored.swimmerId);
  const name = ['Zephrine', `Marrowgate${stored.swimmerId.slice(-6)}`];
  const em = harness.owner.em.fork();
  await em.execute('update swimmer set given_name = ?, family_name = ? where id = ?', [...name, stored.swimmerId]);
  return stored;
}

/** Waits until the weeks of the club are worked out, which goes on after the answer. */
async function planned(): Promise<void> {
  const coach = await club.as('coach');
  while (['waiting', 'running'].includes((await coach('GET', `/jobs/${here.more.jobs}`)).body.state))
    await new Promise((done) => setTimeout(done, 50));
}

const nameOf = ({ method, path }: AskedRoute) => `${method} ${path.replace('/api/v1', '')}`;

async function ask(person: Person, route: AskedRoute, stored: AllStored) {
  const cookie = cookies.get(person);
  const body = goodBody(route, stored);
  const signsOut = nameOf(route) === 'POST /account/sign-out';
  const answer = await harness.app.inject({
    method: route.method,
    url: addressOf(route, stored),
    ...(cookie && !signsOut ? { cookies: { upwell_session: cookie } } : {}),
    ...(body ? { payload: body } : {}),
    ...(Buffer.isBuffer(body) ? { headers: { 'content-type': 'application/octet-stream' } } : {}),
  });
  return { status: answer.statusCode, text: answer.body };
}

/** Everything that the club keeps; without what every request leaves of itself. */
async function kept(): Promise<string> {
  const tables = await harness.owner.em.fork().execute<{ name: string }[]>(
    `select c.relname as name from pg_class c join pg_attribute a on a.attrelid = c.oid
     where a.attname = 'club_id' and c.relkind = 'r' and c.relnamespace = 'public'::regnamespace
       and c.relname not in ('access_log', 'sign_in_session') order by 1`,
  );
  const sums = tables.map(
    ({ name }) =>
      `select '${name}' as of, md5(string_agg(t::text, '' order by t::text)) as sum from ${name} t where club_id = '${club.id}'`,
  );
  const own = `select 'club', md5(t::text) from club t where id = '${club.id}'`;
  // In a large database the parts are summed side by side, and come in any order.
  const query = `${[...sums, own].join(' union all ')} order by 1`;
  return JSON.stringify(await harness.owner.em.fork().execute(query));
}

it('knows of every route who may use it', () => {
  expect(routes.map(nameOf).sort()).toEqual([...may.keys()].sort());
  expect(routes.length).toBeGreaterThan(105);
});

it.each(PEOPLE)('shows %s nothing and changes nothing for them that is not theirs', async (person) => {
  const wrong: unknown[] = [];
  const tell = (route: AskedRoute, what: string, answer: { status: number; text: string }) =>
    wrong.push([nameOf(route), what, answer.status, answer.text.slice(0, 200)]);
  const marks = [`Marrowgate${here.swimmerId.slice(-6)}`, 'Zephrine'];
  const before = await kept();
  for (const route of routes) {
    const name = nameOf(route);
    const allowed = may.get(name)!.has(person);
    // What they may change is tried below.
    const writes = route.method !== 'GET' && !/\/compute\/|race-cards|sign-|check$/.test(name);
    const inClub = CLUB.includes(person);
    if (allowed && writes && inClub) continue;
    const answer = await ask(person, route, here);
    if (!KNOWS.includes(person) && marks.some((mark) => answer.text.includes(mark))) tell(route, 'told', answer);
    if (person === 'nobody' && !allowed && answer.status !== 401) tell(route, 'let in', answer);
    const refused = answer.status >= 400 && answer.status < 500;
    const nothing = TAKES_OUT.test(name) || (EMPTY.test(name) && answer.text === '[]');
    if (!allowed && !refused && !nothing) tell(route, 'answered', answer);
    if (!allowed && !name.includes('{id}') && ![401, 403].includes(answer.status)) tell(route, 'not refused', answer);
    if (allowed && [401, 403].includes(answer.status) && !/sign-in/.test(name)) tell(route, 'refused', answer);
    if ((await kept()) !== before) {
      tell(route, 'changed something', answer);
      break;
    }
  }
  expect(wrong).toEqual([]);
});

it.each(['the child', 'another child', 'the coach', 'another coach', 'the head'] as const)(
  'lets %s do what is theirs',
  async (person) => {
    const wrong: unknown[] = [];
    const own = await childOf(club);
    // The account belongs to the first child.
    const stored = person === 'the child' ? here : own;
    const last = (route: AskedRoute) => (route.method === 'DELETE' ? 1 : 0);
    let done = 0;
    for (const route of [...routes].sort((a, b) => last(a) - last(b))) {
      const name = nameOf(route);
      if (!may.get(name)!.has(person)) continue;
      const { status, text } = await ask(person, route, stored);
      done++;
      // Newer than what is sent, or sent before: a matter of the content, not of the person.
      const fine = status < 300 || [409, 422].includes(status) || (name === 'POST /club/archive' && status === 400);
      if (!fine && !(MAY_MISS.test(name) && [401, 404, 429].includes(status)))
        wrong.push([name, status, text.slice(0, 200)]);
    }
    expect(wrong).toEqual([]);
    expect(done).toBe([...may.values()].filter((people) => people.has(person)).length);
  },
);

/** Files without ids in their text, which say themselves what they are about. */
const FILES = [
  'GET /focuses/:id/handout.pdf',
  'GET /results.csv',
  'GET /lists/:list/:format',
  'GET /swimmers/:id/lists/:list/:format',
  'GET /swimmers/:id/race-plan.csv',
  'GET /sessions/:id/sheet.pdf',
  'GET /club/archive',
  'GET /swimmers/:id/export',
  'GET /sent-clips/:id/film',
  'GET /sent-clips/:id/voice',
];

it('notes every look of a coach at a child’s data, with what was looked at', async () => {
  const stored = await childOf(club);
  await harness.addAccount(club.id, 'swimmer', stored.swimmerId);
  const marks = [stored.swimmerId, `Marrowgate${stored.swimmerId.slice(-6)}`, 'Zephrine'];
  const looks = async () => {
    const rows = await harness.owner.em
      .fork()
      .execute<{ what: string }[]>('select what from access_log where swimmer_id = ? and account_id = ?', [
        stored.swimmerId,
        accounts.get('the head'),
      ]);
    return new Set(rows.map((row) => row.what));
  };
  const expected = new Set(FILES);
  for (const route of routes.filter((r) => r.method !== 'DELETE' && nameOf(r) !== 'GET /looks')) {
    const { text } = await ask('the head', route, stored);
    const name = nameOf(route).replace(/\{(\w+)\}/g, ':$1');
    if (marks.some((mark) => text.includes(mark))) expected.add(name);
  }
  const noted = await looks();
  expect([...expected].filter((name) => !noted.has(name))).toEqual([]);
  expect(expected.size).toBeGreaterThan(30);
  // Each has words for the head coach.
  expect([...noted].filter((what) => !LOOKS[what])).toEqual([]);
  // The same again within the hour is the same look.
  const [before] = await harness.owner.em.fork().execute('select count(*) as n from access_log');
  await ask(
    'the head',
    routes.find((r) => nameOf(r) === 'GET /swimmers/{id}')!,
    stored,
  );
  expect(await harness.owner.em.fork().execute('select count(*) as n from access_log')).toEqual([before]);
});
