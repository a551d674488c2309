import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { promisify } from 'node:util';
import { hashPassword } from '../apps/server/src/account/password';
import { createApp } from '../apps/server/src/platform/app';
import { backgroundWork } from '../apps/server/src/platform/background';
import { readConfig } from '../apps/server/src/platform/config';
import { connect, connectAsOwner, migrate } from '../apps/server/src/platform/database';
import { startWork } from '../apps/server/src/work';
import { prepareJobs, startJobs } from '../apps/server/src/platform/jobs';
import Fastify from 'fastify';

const SWIMMERS = 5000;
const CLIENTS = 20;
const SECONDS = 8;

// One account asks for everybody here, so the limit for one does not count.
const config = {
  ...readConfig(process.env),
  limits: { perMinute: { account: 1e9, address: 1e9, guests: 1e9 }, bodyMs: 30_000, beatMs: 20_000 },
};
const owner = await connectAsOwner(config);
await migrate(owner, config);
const em = owner.em.fork();
const [club, squad, account] = [randomUUID(), randomUUID(), randomUUID()];
const email = `bench-${account}@club.example`;
await em.execute(`insert into club (id, name) values (?, 'Bench')`, [club]);
await em.execute(`insert into squad (id, club_id, name, write_id) values (?, ?, 'Bench', ?)`, [
  squad,
  club,
  randomUUID(),
]);
await em.execute(
  `insert into account (id, club_id, email, name, role, password_hash) values (?, ?, ?, 'Bench', 'head', ?)`,
  [account, club, email, await hashPassword('bench')],
);
// Names as unlike each other as people's: 900 family names and 900 given names.
const PARTS = `ab,bel,cor,da,el,fen,gar,hol,in,jas,kel,lind,mar,nor,ol,pet,qui,ros,sten,tor,ul,ver,win,xan,yor,zel,bri,dun,low,tam`;
await em.execute(
  `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, stroke_model, breathing_side, write_id)
   select gen_random_uuid(), ?, ?, initcap(given), initcap(family), given || ' ' || family, 'hold', 'long-line', 'both', gen_random_uuid()
   from generate_series(0, ${SWIMMERS - 1}) i, string_to_array('${PARTS}', ',') p,
     concat(p[1 + i % 30], p[1 + i / 30 % 30]) family, concat(p[1 + i * 7 % 30], p[1 + i / 37 % 30], 'a') given`,
  [club, squad],
);
await em.execute('analyze');

const database = await connect(config);
await prepareJobs(owner, config);
const work = await startWork();
const jobs = await startJobs(config, backgroundWork(database, work));
const app = await createApp({ database, config, jobs, work });
await app.listen({ host: '127.0.0.1', port: 0 });
const signedIn = await app.inject({
  method: 'POST',
  url: '/api/v1/account/sign-in',
  payload: { email, password: 'bench' },
});
const cookie = `upwell_session=${signedIn.cookies[0]!.value}`;

// The reference: a bare route with one indexed query on the same database.
const bare = Fastify();
bare.get('/', () =>
  owner.em
    .fork()
    .execute(
      `select id, given_name, family_name from swimmer where club_id = ? and not archived order by family_name, given_name, id limit 30`,
      [club],
      'all',
    ),
);
await bare.listen({ host: '127.0.0.1', port: 0 });

const address = (server: typeof app): string =>
  `http://127.0.0.1:${(server.server.address() as { port: number }).port}`;

interface Load {
  readonly p50: number;
  readonly p975: number;
  readonly mean: number;
  readonly perSecond: number;
  readonly non2xx: number;
}

async function load(name: string, url: string): Promise<number> {
  const script = path.join(import.meta.dirname, 'load.mjs');
  const { stdout } = await promisify(execFile)(process.execPath, [
    script,
    url,
    String(CLIENTS),
    String(SECONDS),
    cookie,
  ]);
  const { p50, p975, mean, perSecond, non2xx } = JSON.parse(stdout) as Load;
  if (non2xx > 0) throw new Error(`${name}: ${non2xx} answers were refused`);
  console.log(`${name.padEnd(28)} p50 ${p50} ms   p97.5 ${p975} ms   ${Math.round(perSecond)} requests/s`);
  return mean;
}

const reference = await load('bare route, one query', `${address(bare as never)}/`);
const first = await load('swimmers, first page', `${address(app)}/api/v1/swimmers?limit=30`);
const found = await load('swimmers, found by name', `${address(app)}/api/v1/swimmers?limit=30&search=lindver`);
console.log(
  `times the bare route          ${(first / reference).toFixed(1)} the first page, ${(found / reference).toFixed(1)} by name   (${SWIMMERS} swimmers, ${CLIENTS} clients)`,
);
await app.close();
await jobs.stop();
await work.stop();
await bare.close();
await database.close();
await owner.close();
