// What ten times the club costs: the same questions to ten demo clubs in one and to a hundred, medians beside each other.
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { seedDemo } from '../apps/server/demo/seedDemo';
import { createApp } from '../apps/server/src/platform/app';
import { backgroundWork } from '../apps/server/src/platform/background';
import { readConfig } from '../apps/server/src/platform/config';
import { connect, connectAsOwner, migrate } from '../apps/server/src/platform/database';
import { prepareJobs, startJobs } from '../apps/server/src/platform/jobs';
import { startWork } from '../apps/server/src/work';
import { ms } from './measure';

const RUNS = 21;
const [FEW, MANY] = [10, 100];
/** At most so many times as long with ten times as much: a list shows a page of it, a sum reads all of it. */
const MOST = { page: 1.5, sum: 10 } as const;

const config = {
  ...readConfig(process.env),
  limits: { perMinute: { account: 1e9, address: 1e9, guests: 1e9 }, bodyMs: 30_000, beatMs: 20_000 },
};
const owner = await connectAsOwner(config);
await migrate(owner, config);
const em = owner.em.fork();
const now = new Date();
await seedDemo(em, now);

/** What grows, in an order in which nothing is missing that is pointed at; what is no column of its own stays as it was. */
const GROWING = [
  'squad',
  'swimmer',
  'training_session',
  'review',
  'focus',
  'focus_try',
  'result',
  'test_result',
  'clip',
  'swum_track',
  'race_plan',
  'race_outlook',
  'plan_week',
  'attendance',
  'swim_rep',
  'session_rating',
  'deck_event',
  'access_log',
];
const MAPPED = new Set(['id', 'swimmer_id', 'session_id', 'review_id', 'focus_id', 'squad_id', 'write_id']);
await em.execute('create table first_rows (tbl text, row jsonb)');
for (const table of GROWING)
  await em.execute(`insert into first_rows select '${table}', to_jsonb(t) from "${table}" t`);

/** Copies what the demo club had at first, each time as other people in other sessions, half a year earlier each. */
async function grow(from: number, to: number): Promise<void> {
  for (const table of GROWING) {
    const columns = await em.execute<{ name: string; type: string }[]>(
      `select column_name as name, data_type as type from information_schema.columns
       where table_name = ? and table_schema = 'public' and is_identity = 'NO' order by ordinal_position`,
      [table],
    );
    const value = ({ name, type }: { name: string; type: string }): string => {
      if (MAPPED.has(name) && type === 'uuid') return `md5((f).${name}::text || k)::uuid`;
      if (name === 'squad_ids') return `array(select md5(q::text || k)::uuid from unnest((f).squad_ids) q)`;
      if (name === 'family_name' || name === 'search_name' || (table === 'squad' && name === 'name'))
        return `(f).${name} || ' ' || k`;
      if (table === 'training_session' && name === 'date') return `(f).date - k * 182`;
      return `(f)."${name}"`;
    };
    await em.execute(
      `insert into "${table}" (${columns.map(({ name }) => `"${name}"`).join(', ')})
       select ${columns.map(value).join(', ')}
       from (select jsonb_populate_record(null::"${table}", row) as f from first_rows where tbl = ?) t,
         generate_series(?::int, ?::int) k`,
      [table, from, to - 1],
    );
  }
  await em.execute('vacuum analyze');
}

const database = await connect(config);
await prepareJobs(owner, config);
const work = await startWork();
const jobs = await startJobs(config, backgroundWork(database, work));
const app = await createApp({ database, config, jobs, work });
await app.ready();
const signedIn = await app.inject({
  method: 'POST',
  url: '/api/v1/account/sign-in',
  payload: { email: 'head@upwell.example', password: 'quiet-water-demo' },
});
const headers = { cookie: `upwell_session=${signedIn.cookies[0]!.value}` };

const day = now.toISOString().slice(0, 10);
const [one] = await em.execute<{ swimmer: string; session: string; squad: string; course: string }[]>(
  `select (select swimmer_id from focus where closed_at is null order by id limit 1) as swimmer,
     (select session_id from deck_event order by seq limit 1) as session,
     (select id from squad order by name limit 1) as squad, (select id from course order by name limit 1) as course`,
);
const { swimmer, session, squad, course } = one!;
const ASKED: readonly (readonly [string, keyof typeof MOST, string])[] = [
  ['swimmers, first page', 'page', '/swimmers?limit=30'],
  ['swimmers of a squad', 'page', `/swimmers?limit=30&squadId=${squad}`],
  ['swimmers by a rare name', 'page', '/swimmers?limit=30&search=kasper%20lindqvale%207'],
  ['swimmers by a name of many', 'page', '/swimmers?limit=30&search=e'],
  ['one swimmer', 'page', `/swimmers/${swimmer}`],
  ['records of a swimmer', 'page', `/swimmers/${swimmer}/records`],
  ['race plan of a swimmer', 'page', `/swimmers/${swimmer}/race-plan?date=${day}`],
  ['sessions of two weeks', 'page', `/sessions?from=${plus(-7)}&to=${plus(7)}`],
  ['one session', 'page', `/sessions/${session}`],
  ['pack of one session', 'page', `/deck/packs/${session}`],
  ['events of one run', 'page', `/deck/runs/${session}/events?after=0`],
  ['results, first page', 'page', '/results?limit=50'],
  ['results of 400 m, by time', 'page', '/results?limit=50&distanceM=400&sort=time'],
  ['looks at children', 'page', '/looks?limit=50'],
  ['clips sent in', 'page', '/sent-clips'],
  ['tracks of a course', 'page', `/courses/${course}/tracks`],
  ['season with its sums', 'sum', `/season?from=${plus(-30)}&limit=40`],
  ['squads with their numbers', 'sum', '/squads'],
  ['what matters today', 'sum', `/deck/today?date=${day}`],
  ['load of everybody', 'sum', `/load?date=${day}`],
  ['outcomes of a level', 'sum', '/outcomes?level=hold'],
  ['results as CSV', 'sum', '/results.csv'],
  ['results as a table', 'sum', '/lists/results/csv'],
  ['season as a table', 'sum', `/lists/season/csv?date=${day}`],
  ['load as a table', 'sum', '/lists/load/csv'],
  ['proposal for a squad', 'sum', `/sessions/proposal?squadIds=${squad}&date=${day}`],
];

function plus(days: number): string {
  return new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);
}

interface Cost {
  readonly median: number;
  readonly bytes: number;
  /** The longest that nobody else was answered meanwhile, ms. */
  readonly held: number;
}

async function cost(url: string): Promise<Cost> {
  const times: number[] = [];
  let bytes = 0;
  const turns = monitorEventLoopDelay({ resolution: 1 });
  for (let run = -3; run < RUNS; run++) {
    if (run === 0) turns.enable();
    const start = performance.now();
    const answer = await app.inject({ url: `/api/v1${url}`, headers });
    if (run >= 0) times.push(performance.now() - start);
    if (answer.statusCode !== 200) throw new Error(`${url}: ${answer.statusCode} ${answer.body.slice(0, 200)}`);
    bytes = answer.rawPayload.length;
  }
  turns.disable();
  return { median: times.sort((a, b) => a - b)[RUNS >> 1]!, bytes, held: turns.max / 1e6 };
}

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;

async function all(): Promise<{ costs: Cost[]; heap: number }> {
  const costs: Cost[] = [];
  for (const [, , url] of ASKED) costs.push(await cost(url));
  collect();
  return { costs, heap: process.memoryUsage().heapUsed / 2 ** 20 };
}

await grow(1, FEW);
await all();
const few = await all();
await grow(FEW, MANY);
const many = await all();
const [counted] = await em.execute<Record<string, number>[]>(
  `select ${['swimmer', 'training_session', 'result', 'deck_event'].map((t) => `(select count(*)::int from ${t}) as ${t}`).join(', ')}`,
);
console.log(`with ${JSON.stringify(counted)} beside a tenth of it, ${RUNS} runs each\n`);
console.log(`| asked | ×${FEW} | ×${MANY} | times | at most | answer | others wait |\n|---|---|---|---|---|---|---|`);
ASKED.forEach(([what, kind], at) => {
  const [before, after] = [few.costs[at]!, many.costs[at]!];
  const times = after.median / before.median;
  const mark = times > MOST[kind] ? ' **over**' : '';
  const size = `${Math.round(before.bytes / 1024)} → ${Math.round(after.bytes / 1024)} kB`;
  console.log(
    `| ${what} | ${ms(before.median)} | ${ms(after.median)} | ${times.toFixed(1)}${mark} | ${MOST[kind]} | ${size} | ${ms(after.held)} |`,
  );
});
console.log(`\nmemory of the server's heap, swept: ${few.heap.toFixed(0)} MB, then ${many.heap.toFixed(0)} MB`);
await app.close();
await jobs.stop();
await work.stop();
await database.close();
await owner.close();
