// How long until a change of one coach is told to another, beside the save itself.
import { randomUUID } from 'node:crypto';
import { get } from 'node:http';
import type { SessionView } from '@upwell/contract/sessions';
import { freePort, Server } from '../e2e/server';
import { ms } from './measure';

const SAVES = 100;
const PASSWORD = 'quiet-water-demo';

interface Coach {
  readonly ask: (method: string, path: string, body?: object) => Promise<Response>;
  readonly cookie: string;
}

async function signIn(server: Server, email: string): Promise<Coach> {
  const api = `${server.url}/api/v1`;
  const headers = { 'content-type': 'application/json' };
  const signedIn = await fetch(`${api}/account/sign-in`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ email, password: PASSWORD }),
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const ask: Coach['ask'] = (method, path, body) =>
    fetch(api + path, { method, headers: { ...headers, cookie }, ...(body ? { body: JSON.stringify(body) } : {}) });
  return { ask, cookie };
}

/** Two processes on one database: the coaches need not be connected to the same. */
const servers = [new Server(await freePort()), new Server(await freePort())] as const;
for (const server of servers) await server.start();
try {
  const coach = await signIn(servers[0], 'coach@upwell.example');
  const head = await signIn(servers[1], 'head@upwell.example');
  const [row] = (await (await coach.ask('GET', '/sessions?limit=1')).json()) as { id: string }[];
  const session = (await (await coach.ask('GET', `/sessions/${row!.id}`)).json()) as SessionView;
  const { id, timeZone: _zone, version: first, ...fields } = session;

  let told: (version: number) => void = () => undefined;
  const url = `${servers[1].url}/api/v1/sessions/${id}/live?device=${randomUUID()}`;
  const stream = get(url, { agent: false, headers: { accept: 'text/event-stream', cookie: head.cookie } }, (response) =>
    response.setEncoding('utf8').on('data', (chunk: string) => {
      for (const [, version] of chunk.matchAll(/event: session\ndata: \{"version":(\d+)\}/g)) told(Number(version));
    }),
  );
  await new Promise<void>((listening) => (told = () => listening()));

  const [saved, heard]: [number[], number[]] = [[], []];
  for (let version = first; version < first + SAVES; version++) {
    const from = performance.now();
    const event = new Promise<void>((done) => (told = (now) => (now === version + 1 ? done() : undefined)));
    const response = await coach.ask('PUT', `/sessions/${id}`, { ...fields, version, writeId: randomUUID() });
    if (!response.ok) throw new Error(`the save was refused: ${await response.text()}`);
    saved.push(performance.now() - from);
    await event;
    heard.push(performance.now() - from);
  }
  stream.destroy();
  for (const [what, times] of [
    ['a session is saved', saved],
    ['a coach at another process is told', heard],
  ] as const) {
    const sorted = [...times].sort((a, b) => a - b);
    console.log(`${what.padEnd(36)} median ${ms(sorted[SAVES / 2]!)}, worst ${ms(sorted.at(-1)!)}`);
  }
} finally {
  for (const server of servers) await server.stop();
}
