import http from 'node:http';
import { worstBodies, type Ids } from './worstBodies';

/** The clients of the siege: each sends the worst bodies in turn, begun at another place, until the time is over. */
const { port, cookies, ids, seconds } = JSON.parse(process.env.SIEGE!) as {
  readonly port: number;
  readonly cookies: readonly string[];
  readonly ids: Ids;
  readonly seconds: number;
};
const byStatus: Record<string, number> = {};
const fivehundreds = new Set<string>();

function send(
  agent: http.Agent,
  cookie: string,
  method: string,
  url: string,
  body: string | undefined,
): Promise<number> {
  return new Promise((resolve) => {
    const headers = {
      cookie: `upwell_session=${cookie}`,
      ...(body === undefined ? {} : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
    };
    const request = http.request(
      { agent, host: '127.0.0.1', port, method, path: `/api/v1${url}`, headers },
      (response) => {
        response.resume().on('end', () => resolve(response.statusCode ?? 0));
        response.on('error', () => resolve(0));
      },
    );
    // A server that closes while a body is on its way is an answer too.
    request.on('error', () => resolve(0));
    request.end(body);
  });
}

console.log('begun');
const until = performance.now() + seconds * 1000;
await Promise.all(
  cookies.map(async (cookie, client) => {
    const agent = new http.Agent({ keepAlive: true });
    for (let i = client; performance.now() < until; i++) {
      // New ids each time, so that everything is stored again.
      const worst = worstBodies(ids);
      const { name, method, url, body } = worst[i % worst.length]!;
      const status = await send(agent, cookie, method, url, body?.());
      byStatus[status] = (byStatus[status] ?? 0) + 1;
      if (status >= 500) fivehundreds.add(`${status} ${name}`);
    }
    agent.destroy();
  }),
);
console.log(JSON.stringify({ byStatus, fivehundreds: [...fivehundreds] }));
