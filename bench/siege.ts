import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import http from 'node:http';
import net from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { hashPassword } from '../apps/server/src/account/password';
import { readConfig } from '../apps/server/src/platform/config';
import { connectAsOwner, migrate } from '../apps/server/src/platform/database';
import { at } from './measure';
import type { Ids } from './worstBodies';

/**
 * Twenty clients on the same machine send the dearest bodies the server takes, one after the other without a pause,
 * while somebody asks for a list and a watchman asks whether the server lives.
 */
const CLIENTS = 20;
const QUIET_S = 15;
const SIEGE_S = Number(process.env.SIEGE_S ?? 60);
const PASSWORD = 'the password of the siege';
const here = path.dirname(fileURLToPath(import.meta.url));

interface Asked {
  readonly status: number;
  readonly ms: number;
  readonly cookie: string | undefined;
  readonly body: string;
}

function ask(
  port: number,
  agent: http.Agent,
  route: string,
  options: http.RequestOptions,
  body?: string,
): Promise<Asked> {
  const from = performance.now();
  return new Promise((resolve, reject) => {
    const request = http.request({ host: '127.0.0.1', port, agent, path: route, ...options }, (response) => {
      let text = '';
      response.setEncoding('utf8').on('data', (part: string) => (text += part));
      response.on('end', () => {
        const cookie = /upwell_session=([^;]+)/.exec(response.headers['set-cookie']?.[0] ?? '')?.[1];
        resolve({ status: response.statusCode ?? 0, ms: performance.now() - from, cookie, body: text });
      });
    });
    request.on('error', reject);
    request.end(body);
  });
}

/** A port nobody listens on. */
async function freePort(): Promise<number> {
  const probe = net.createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  const { port } = probe.address() as net.AddressInfo;
  probe.close();
  return port;
}

/** A club with a head coach for each client, sixty swimmers and what the bodies refer to. */
async function makeClub(): Promise<Ids & { emails: string[] }> {
  const config = readConfig(process.env);
  const owner = await connectAsOwner(config);
  await migrate(owner, config);
  const em = owner.em.fork();
  const [club, squadId, swimmerId, courseId, sessionId] = Array.from({ length: 5 }, () => randomUUID());
  await em.execute(`insert into club (id, name) values (?, 'Siege')`, [club]);
  await em.execute(`insert into squad (id, club_id, name, write_id) values (?, ?, 'Siege', ?)`, [
    squadId,
    club,
    randomUUID(),
  ]);
  const hash = await hashPassword(PASSWORD);
  const emails: string[] = [];
  for (let i = 0; i <= CLIENTS; i++) {
    const email = `siege-${i}-${club}@club.example`;
    emails.push(email);
    await em.execute(
      `insert into account (id, club_id, email, name, role, password_hash) values (?, ?, ?, 'Head', 'head', ?)`,
      [randomUUID(), club, email, hash],
    );
  }
  await em.execute(
    `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, birth_year, stroke_model, breathing_side, best_times, clip_consent, write_id)
     select case when i = 1 then ?::uuid else gen_random_uuid() end, ?, ?, 'Given' || i, 'Family' || i, 'given' || i, 'hold', 1990, 'long-line', 'both',
       '[{"distanceM":400,"timeS":380}]', true, gen_random_uuid() from generate_series(1, 60) i`,
    [swimmerId, club, squadId],
  );
  const [account] = await em.execute<{ id: string }[]>('select id from account where club_id = ? limit 1', [club]);
  await em.execute(
    `insert into training_session (id, club_id, created_by, title, date, start_time, squad_ids, theme, minutes, plan, summary, write_id)
     values (?, ?, ?, 'Siege', '2026-12-01', '19:00', array[?]::uuid[], 'spins', 60, '{}', '[]', gen_random_uuid())`,
    [sessionId, club, account!.id, squadId],
  );
  const course = {
    start: { lat: 31, lon: -41 },
    marks: [{ id: 'm1', name: '1', turn: 'left', lat: 31.002, lon: -41 }],
    finish: { lat: 31, lon: -41 },
    laps: 1,
    areas: [],
    landmarks: [],
  };
  await em.execute(
    `insert into course (id, club_id, name, place, course, length_m, write_id) values (?, ?, 'Loop', '', ?::jsonb, 450, gen_random_uuid())`,
    [courseId, club, JSON.stringify(course)],
  );
  await owner.close();
  return { squadId: squadId!, swimmerId: swimmerId!, courseId: courseId!, sessionId: sessionId!, emails };
}

async function startServer(port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['dist/main.mjs'], {
    cwd: path.join(here, '../apps/server'),
    env: { ...process.env, PORT: String(port), UPWELL_DEMO: '0', LOG_LEVEL: 'fatal' },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  await new Promise<void>((resolve, reject) => {
    server.stdout!.on('data', (data) => String(data).includes('listening on') && resolve());
    server.once('exit', (code) => reject(new Error(`The server ended (${code}).`)));
  });
  return server;
}

const ms = (value: number) => `${value.toFixed(0)} ms`;

/** Asks again and again until some time has passed: how long each answer took, and how many were not 200. */
async function watch(
  one: () => Promise<Asked>,
  everyMs: number,
  forS: number,
): Promise<{ times: number[]; wrong: number }> {
  const until = performance.now() + forS * 1000;
  const times: number[] = [];
  let wrong = 0;
  while (performance.now() < until) {
    const { ms: took, status } = await one();
    times.push(took);
    if (status !== 200) wrong++;
    await new Promise((resolve) => setTimeout(resolve, everyMs));
  }
  return { times, wrong };
}

const ids = await makeClub();
const port = await freePort();
const server = await startServer(port);
try {
  const agent = new http.Agent({ keepAlive: true });
  const cookies: string[] = [];
  for (const email of ids.emails) {
    const headers = { 'content-type': 'application/json' };
    const body = JSON.stringify({ email, password: PASSWORD });
    const signedIn = await ask(port, agent, '/api/v1/account/sign-in', { method: 'POST', headers }, body);
    if (!signedIn.cookie) throw new Error(`Nobody could sign in: ${signedIn.body}`);
    cookies.push(signedIn.cookie);
  }
  const own = { headers: { cookie: `upwell_session=${cookies.pop()}` } };
  const lives = new http.Agent({ keepAlive: true });
  const health = () => ask(port, lives, '/healthz', {});
  const list = () => ask(port, agent, '/api/v1/swimmers?limit=30', own);

  await watch(list, 5, 3);
  const [quietHealth, quietList] = await Promise.all([watch(health, 20, QUIET_S), watch(list, 50, QUIET_S)]);
  const clients = spawn(process.execPath, ['--import', 'tsx', path.join(here, 'siegeClients.ts')], {
    env: { ...process.env, SIEGE: JSON.stringify({ port, cookies, ids, seconds: SIEGE_S }) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  clients.stdout.on('data', (part) => (said += String(part)));
  // Until they have made their bodies and begun.
  await once(clients.stdout, 'data');
  const [health2, list2] = await Promise.all([watch(health, 20, SIEGE_S - 2), watch(list, 50, SIEGE_S - 2)]);
  await once(clients, 'exit');
  const told = JSON.parse(said.slice(said.indexOf('{'))) as {
    byStatus: Record<string, number>;
    fivehundreds: string[];
  };

  const line = (name: string, { times }: { times: number[] }) =>
    console.log(
      `  ${name.padEnd(26)} ${times.length} asked, median ${ms(at(times, 0.5))}, p99 ${ms(at(times, 0.99))}, longest ${ms(at(times, 1))}`,
    );
  line('healthz, quiet', quietHealth);
  line('healthz, under siege', health2);
  console.log('                             (wanted: p99 under 150 ms, never over 500 ms)');
  line('a list, quiet', quietList);
  line('a list, under siege', list2);
  const ratio = at(list2.times, 0.5) / at(quietList.times, 0.5);
  console.log(`  the list takes ${ratio.toFixed(1)} times as long, by the medians   (wanted: within 3)`);
  console.log(`  not answered well: ${health2.wrong} of the watchman, ${list2.wrong} lists`);
  const sum = Object.values(told.byStatus).reduce((a, b) => a + b, 0);
  console.log(
    `  the clients sent ${sum}: ${Object.entries(told.byStatus)
      .map(([status, n]) => `${n} × ${status}`)
      .join(', ')}`,
  );
  if (told.fivehundreds.length > 0) console.log(`  5xx: ${told.fivehundreds.join(', ')}`);
} finally {
  server.kill('SIGTERM');
  const ended = await Promise.race([
    once(server, 'exit'),
    new Promise((resolve) => setTimeout(() => resolve(null), 10_000)),
  ]);
  console.log(`  SIGTERM at the end: ${ended ? 'left in time' : 'did not leave within 10 s'}`);
  if (!ended) server.kill('SIGKILL');
}
