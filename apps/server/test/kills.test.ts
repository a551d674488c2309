import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import net, { type AddressInfo } from 'node:net';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { v7 } from 'uuid';
import { bundleServer } from '../src/work/bundle';
import { courseOf, eventsOf, resultOf, reviewOf, save, sessionOf, stored } from './bodies';
import { Harness, PASSWORD, type TestClub } from './harness';

/**
 * Clients that save without a pause, and repeat what they heard no answer to, as devices do; a server that is killed
 * in the middle of it, again and again. Afterwards everything is there once. `KILLS=100` does it more often.
 */
const KILLS = Number(process.env.KILLS ?? 4);
// Ends what hangs; nothing here says how fast a server comes back.
jest.setTimeout(120_000 + KILLS * 60_000);

let harness: Harness;
let club: TestClub;
let here: Awaited<ReturnType<typeof stored>>;
let port: number;
let server: ChildProcess;

beforeAll(async () => {
  harness = await Harness.start();
  await bundleServer('.cache/kills');
  club = await harness.club();
  here = await stored(club);
  const probe = net.createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  ({ port } = probe.address() as AddressInfo);
  probe.close();
});
afterAll(async () => {
  if (server.exitCode === null && server.signalCode === null) {
    server.kill('SIGTERM');
    await once(server, 'exit');
  }
  await harness.stop();
});

async function startServer(): Promise<void> {
  server = spawn(process.execPath, ['.cache/kills/main.mjs'], {
    cwd: path.join(__dirname, '..'),
    env: { ...process.env, PORT: String(port), UPWELL_DEMO: '0', LOG_LEVEL: 'fatal' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve, reject) => {
    server.stdout!.on('data', (data) => String(data).includes('listening on') && resolve());
    server.once('exit', (code) => reject(new Error(`the server ended (${code})`)));
  });
}

async function killServer(): Promise<void> {
  const gone = once(server, 'exit');
  server.kill('SIGKILL');
  await gone;
}

let cookie = '';
let unheard = 0;
/** Set when the server does not come back: then nobody waits for it. */
let broken = false;

/** Sends until there is an answer that decides; the same request each time. */
async function sendUntilHeard(method: string, url: string, body: unknown): Promise<void> {
  while (!broken) {
    try {
      const response = await fetch(`http://127.0.0.1:${port}/api/v1${url}`, {
        method,
        headers: { cookie, 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      const text = await response.text();
      if (response.ok) return;
      // A server that is being killed may still say that it has trouble; anything else would be a refusal.
      if (response.status < 500) throw new Refused(`${method} ${url}: ${response.status} ${text}`);
    } catch (error) {
      if (error instanceof Refused) throw error;
    }
    unheard++;
    await pause(30);
  }
  throw new Error('the server did not come back');
}
class Refused extends Error {}

interface Kind {
  /** Saves something new and answers its id. */
  save(): Promise<string>;
  /** SQL that counts by that id what became of it. */
  readonly count: string;
  /** What is counted when it was saved once. */
  readonly each: number;
}

const put = async (url: (id: string) => string, body: object) => {
  const id = v7();
  await sendUntilHeard('PUT', url(id), body);
  return id;
};

const IMPORTED = 25;
const KINDS: Readonly<Record<string, Kind>> = {
  result: {
    save: () => put((id) => `/results/${id}`, resultOf(here.swimmerId)),
    count: 'select id, count(*)::int as n from result where import_id is null group by 1',
    each: 1,
  },
  session: {
    save: () => put((id) => `/sessions/${id}`, { ...sessionOf(here.squadId), ...save() }),
    count: 'select id, version as n from training_session group by 1',
    each: 1,
  },
  course: {
    save: () => put((id) => `/courses/${id}`, { ...courseOf(), ...save() }),
    count: 'select id, version as n from course group by 1',
    each: 1,
  },
  review: {
    save: () => put((id) => `/reviews/${id}`, { ...reviewOf(here.swimmerId), ...save() }),
    count: 'select id, version as n from review group by 1',
    each: 1,
  },
  'notes from the deck': {
    save: async () => {
      const id = await put((session) => `/sessions/${session}`, { ...sessionOf(here.squadId), ...save() });
      // Two batches that share a note, as after an answer that was lost. A verdict would want its focus open.
      const events = eventsOf(here.swimmerId, here.focusId).filter((e) => (e as { kind?: string }).kind !== 'verdict');
      await sendUntilHeard('POST', `/deck/runs/${id}/events`, { events: events.slice(0, 5) });
      await sendUntilHeard('POST', `/deck/runs/${id}/events`, { events: events.slice(4) });
      return id;
    },
    count: 'select session_id as id, count(*)::int as n from deck_event group by 1',
    each: 9,
  },
  import: {
    save: async () => {
      const id = v7();
      const rows = Array.from({ length: IMPORTED }, (_, i) => ({
        ...{ ...resultOf(here.swimmerId), distanceM: 50 + i },
        // No wall is there.
        details: { meet: 'Lantern Cup' },
      }));
      await sendUntilHeard('PUT', `/imports/${id}/0`, { rows });
      await sendUntilHeard('POST', `/imports/${id}/commit`, { rows: IMPORTED, name: 'Times.csv' });
      return id;
    },
    count: 'select import_id as id, count(*)::int as n from result where import_id is not null group by 1',
    each: IMPORTED,
  },
};

test('a server that is killed again and again loses nothing that it answered, and doubles nothing', async () => {
  await startServer();
  const signedIn = await fetch(`http://127.0.0.1:${port}/api/v1/account/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: club.accounts.coach!.email, password: PASSWORD }),
  });
  cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
  let over = false;
  const saved = new Map(Object.keys(KINDS).map((kind) => [kind, [] as string[]]));
  const clients = Object.entries(KINDS).map(async ([name, kind]) => {
    while (!over) saved.get(name)!.push(await kind.save());
  });
  const killing = (async () => {
    for (let kill = 0; kill < KILLS; kill++) {
      // At another moment each time.
      await pause(200 + ((kill * 373) % 900));
      await killServer();
      await startServer();
    }
    over = true;
  })().catch((error: unknown) => {
    broken = true;
    throw error;
  });
  await Promise.all([killing, ...clients]);

  const em = harness.owner.em.fork();
  let sum = 0;
  for (const [name, kind] of Object.entries(KINDS)) {
    const rows = await em.execute<{ id: string; n: number }[]>(kind.count);
    const found = new Map(rows.map(({ id, n }) => [id, n]));
    const wrong = saved.get(name)!.filter((id) => found.get(id) !== kind.each);
    expect([name, wrong]).toEqual([name, []]);
    sum += saved.get(name)!.length;
  }
  // Enough was in the air for this to mean something.
  expect(unheard).toBeGreaterThanOrEqual(KILLS);
  expect(sum).toBeGreaterThan(KILLS);
  if (process.env.KILLS) console.log(`${KILLS} kills, ${sum} saves, ${unheard} repeats, none lost or doubled`);
});
