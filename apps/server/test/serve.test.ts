import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect, createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readConfig } from '../src/platform/config';
import { Harness } from './harness';

/** The built server as it is run for a club: two of them on one empty database, behind nginx. */
const SERVER = path.join(__dirname, '..');
const DOCS = path.join(SERVER, '../../docs/operate');
const PASSWORD = 'three wet towels';
jest.setTimeout(240_000);

let harness: Harness;
let folder: string;
const children: ChildProcess[] = [];
beforeAll(async () => {
  harness = await Harness.start();
  folder = mkdtempSync(path.join(tmpdir(), 'upwell-serve-'));
  const built = spawnSync(process.execPath, ['--import', 'tsx', 'src/build.ts'], { cwd: SERVER, encoding: 'utf8' });
  expect([built.status, built.stderr]).toEqual([0, '']);
});
afterAll(async () => {
  // Each is gone before the test is: what still runs would keep it from ending.
  await Promise.all(
    children
      .filter((child) => child.exitCode === null && child.signalCode === null)
      .map((child) => new Promise((resolve) => child.once('exit', resolve) && child.kill('SIGKILL'))),
  );
  rmSync(folder, { recursive: true, force: true });
  await harness.stop();
});

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

interface Running {
  readonly port: number;
  readonly said: () => string;
  /** Ends it as systemd does; answers its exit code. */
  stop(): Promise<number | null>;
}

/** Starts a built server and waits until it listens. */
async function serve(url: string, env: Record<string, string>): Promise<Running> {
  const port = await freePort();
  const child = spawn(process.execPath, ['dist/main.mjs'], {
    cwd: SERVER,
    env: { PATH: process.env.PATH, NODE_ENV: 'production', DATABASE_URL: url, PORT: String(port), ...env },
  });
  children.push(child);
  let said = '';
  await new Promise<void>((resolve, reject) => {
    const hear = (data: Buffer) => {
      said += data.toString();
      if (said.includes('listening on')) resolve();
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => reject(new Error(`ended (${code}): ${said}`)));
  });
  const gone = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return {
    port,
    said: () => said,
    stop: () => {
      child.kill('SIGTERM');
      return gone;
    },
  };
}

/** nginx in front of some servers, with nothing set but where they are, or with a site of its own. */
async function nginx(site: string): Promise<ChildProcess> {
  const temp = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((t) => `${t}_temp_path ${folder}/${t};`);
  const conf = path.join(folder, `${Math.random()}.conf`);
  writeFileSync(
    conf,
    `daemon off; master_process off; pid ${conf}.pid; error_log stderr; events {} http { access_log off; ${temp.join(' ')} ${site} }`,
  );
  const child = spawn('/usr/sbin/nginx', ['-e', 'stderr', '-c', conf], { stdio: ['ignore', 'ignore', 'pipe'] });
  children.push(child);
  return child;
}

const answers = async (address: string) => {
  for (let i = 0; i < 200; i++) {
    const there = await fetch(`${address}/healthz`).catch(() => null);
    if (there?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`${address} does not answer`);
};

const post = (address: string, url: string, body: object, headers: Record<string, string> = {}) =>
  fetch(`${address}/api/v1${url}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address, ...headers },
    body: JSON.stringify(body),
  });
const cookieOf = (response: Response) => response.headers.getSetCookie()[0]!.split(';')[0]!;

describe('two built servers on one empty database, behind nginx with its default headers', () => {
  it('begin one club, know the same people, and take writes from their own pages only', () =>
    harness.inEmptyDatabase(async (_owner, { ownerUrl }) => {
      const port = await freePort();
      const address = `http://127.0.0.1:${port}`;
      // Both at once: the tables are made by one of them.
      const servers = await Promise.all([1, 2].map(() => serve(ownerUrl, { PUBLIC_URL: address })));
      const upstream = servers.map((s) => `server 127.0.0.1:${s.port};`).join(' ');
      await nginx(
        `upstream both { ${upstream} } server { listen 127.0.0.1:${port}; location / { proxy_pass http://both; } }`,
      );
      await answers(address);

      const codes = servers.map((s) => /setup code (\S+)/.exec(s.said())![1]!);
      expect(codes[0]).toBe(codes[1]);
      const head = {
        clubName: 'Kestrel Bay',
        timeZone: 'Europe/Lisbon',
        name: 'Ines Moll',
        email: 'ines@club.example',
      };
      const begun = await post(address, '/setup', { ...head, code: codes[0], password: PASSWORD });
      expect(begun.status).toBe(201);
      const cookie = cookieOf(begun);
      // nginx takes them in turn, so each is asked.
      for (let i = 0; i < 8; i++)
        expect((await fetch(`${address}/api/v1/squads`, { headers: { cookie } })).status).toBe(200);
      for (const { said } of servers) expect(said()).toContain('"route":"/api/v1/squads"');

      // Pages of others, and the name that only the proxy knows, may not write.
      const signIn = { email: head.email, password: PASSWORD };
      expect((await post(address, '/account/sign-in', signIn)).status).toBe(200);
      for (const origin of ['https://evil.example', `http://127.0.0.1:${servers[0]!.port}`, 'null'])
        expect([origin, (await post(address, '/account/sign-in', signIn, { origin })).status]).toEqual([origin, 403]);

      // Links are made for the address people know.
      const invited = await post(address, '/invitations', { role: 'coach' }, { cookie });
      expect(((await invited.json()) as { link: string }).link.startsWith(`${address}/join#`)).toBe(true);

      // A sign-in that ends on one server has ended on the other, two seconds later at most.
      const other = cookieOf(await post(address, '/account/sign-in', signIn));
      const direct = servers.map((s) => `http://127.0.0.1:${s.port}`);
      const changed = await post(address, '/account/password', { old: PASSWORD, new: 'four dry towels' }, { cookie });
      expect(changed.status).toBe(204);
      await new Promise((resolve) => setTimeout(resolve, 2100));
      for (const one of direct)
        expect((await fetch(`${one}/api/v1/squads`, { headers: { cookie: other } })).status).toBe(401);

      // The log: one line a request, without who or what.
      const log = servers.map((s) => s.said()).join('');
      for (const secret of [head.email, PASSWORD, 'Ines', cookie.split('=')[1]!]) expect(log).not.toContain(secret);
      expect(await Promise.all(servers.map((s) => s.stop()))).toEqual([0, 0]);
    }));
});

describe('a server that is told to leave', () => {
  const request = (line: string, more = '') => `${line} HTTP/1.1\r\nhost: x\r\n${more}`;
  it.each([
    // Browsers open connections in advance, and may never use them.
    ['nothing has been asked on it yet', ''],
    ['its last answer is long gone', request('GET /healthz', '\r\n')],
    ['half a request stands in it', request('GET /healthz')],
    [
      'the rest of a body does not come',
      request('POST /api/v1/account/sign-in', 'content-type: application/json\r\ncontent-length: 90\r\n\r\n{"email"'),
    ],
  ])('leaves while a connection is open: %s', (_why, text) =>
    harness.inOwnDatabase(async (_owner, { ownerUrl }) => {
      const server = await serve(ownerUrl, {});
      const socket = connect(server.port, '127.0.0.1');
      try {
        await new Promise((resolve) => socket.once('connect', resolve));
        socket.write(text);
        // What came before this is read by the time it is answered.
        await answers(`http://127.0.0.1:${server.port}`);
        expect(await server.stop()).toBe(0);
      } finally {
        socket.destroy();
      }
    }),
  );

  it('finishes first what it is asked', () =>
    harness.inOwnDatabase(async (owner, { ownerUrl }) => {
      const server = await serve(ownerUrl, {});
      let asked!: Promise<Response>;
      let left!: Promise<number | null>;
      await owner.em.fork().transactional(async (em) => {
        await em.execute('lock table account in access exclusive mode');
        asked = post(`http://127.0.0.1:${server.port}`, '/account/sign-in', { email: 'a@b.example', password: 'x' });
        // It waits for this table.
        const waits = `select from pg_locks where not granted and relation = 'account'::regclass`;
        while (!(await em.execute<object[]>(waits)).length) await new Promise((resolve) => setTimeout(resolve, 20));
        left = server.stop();
        await new Promise((resolve) => setTimeout(resolve, 300));
      });
      expect((await asked).status).toBe(401);
      expect(await left).toBe(0);
    }));
});

describe('the example for nginx', () => {
  it('tells the server where somebody comes from, whatever they say themselves', () =>
    harness.inOwnDatabase(async (_owner, { ownerUrl }) => {
      const port = await freePort();
      const server = await serve(ownerUrl, { PUBLIC_URL: 'https://swim.club.example' });
      const site = readFileSync(path.join(DOCS, 'nginx.conf'), 'utf8')
        .replace('listen 443 ssl;', `listen 127.0.0.1:${port};`)
        .replace(/ssl_certificate.*\n/g, '')
        .replace('127.0.0.1:4600', `127.0.0.1:${server.port}`);
      await nginx(site);
      const address = `http://127.0.0.1:${port}`;
      await answers(address);
      const ours = { origin: 'https://swim.club.example', 'x-forwarded-for': '203.0.113.9' };
      const tried = await post(address, '/account/sign-in', { email: 'a@b.example', password: 'x' }, ours);
      expect(tried.status).toBe(401);
      expect(tried.headers.get('strict-transport-security')).toBeTruthy();
      expect(server.said()).toContain('"address":"127.0.0.1"');
      expect(server.said()).not.toContain('203.0.113.9');
      await server.stop();
    }));

  it('is not needed to be believed: without a proxy nobody’s word is taken', () =>
    harness.inOwnDatabase(async (_owner, { ownerUrl }) => {
      const server = await serve(ownerUrl, {});
      const address = `http://127.0.0.1:${server.port}`;
      const lie = {
        'x-forwarded-for': '203.0.113.9',
        'x-forwarded-host': 'evil.example',
        'x-forwarded-proto': 'https',
      };
      const made = await post(address, '/account/sign-in', { email: 'a@b.example', password: 'x' }, lie);
      expect(made.status).toBe(401);
      expect(server.said()).not.toMatch(/203\.0\.113\.9|evil\.example/);
      await server.stop();
    }));
});

describe('the settings of a server', () => {
  const read = (env: Record<string, string>) => readConfig({ DATABASE_URL: 'postgresql://u:p@127.0.0.1/x', ...env });

  it('listen on this machine alone unless told otherwise, and never with the demo’s public password', () => {
    expect(read({})).toMatchObject({
      host: '127.0.0.1',
      port: 4600,
      publicUrl: null,
      secureCookies: false,
      mail: null,
    });
    expect(read({ HOST: '0.0.0.0' }).host).toBe('0.0.0.0');
    expect(() => read({ HOST: '0.0.0.0', UPWELL_DEMO: '1' })).toThrow('public password');
  });

  it('follow the public address: cookies for TLS, and a proxy on this machine', () => {
    expect(read({ PUBLIC_URL: 'https://swim.club.example/' })).toMatchObject({
      ...{ publicUrl: 'https://swim.club.example', secureCookies: true, trustedProxies: ['loopback'] },
    });
    expect(read({ PUBLIC_URL: 'http://192.0.2.7:4600' })).toMatchObject({
      secureCookies: false,
      trustedProxies: false,
    });
    expect(read({ TRUSTED_PROXIES: '10.0.0.0/8, 192.0.2.7' }).trustedProxies).toEqual(['10.0.0.0/8', '192.0.2.7']);
  });

  it.each([
    [{ PUBLIC_URL: 'swim.club.example' }, 'PUBLIC_URL'],
    [{ PUBLIC_URL: 'ftp://swim.club.example' }, 'PUBLIC_URL'],
    [{ PUBLIC_URL: 'https://swim.club.example/upwell' }, 'PUBLIC_URL'],
    [{ PUBLIC_URL: 'https://a:b@swim.club.example' }, 'PUBLIC_URL'],
    [{ TRUSTED_PROXIES: 'everybody' }, 'this is none: everybody'],
    [{ PORT: '99999' }, 'PORT'],
  ])('are refused when wrong: %j', (env, words) => expect(() => read(env)).toThrow(words));
});

describe('what a built server needs', () => {
  it('is in its own list of packages, without the tools that built it', () => {
    const listOf = (file: string) =>
      Object.keys((JSON.parse(readFileSync(file, 'utf8')) as { dependencies: object }).dependencies);
    const packages = ['apps/server', 'packages/core', 'packages/contract'].flatMap((where) =>
      listOf(path.join(SERVER, '../..', where, 'package.json')),
    );
    for (const file of ['main.mjs', 'club.mjs', 'worker.mjs']) {
      const text = readFileSync(path.join(SERVER, 'dist', file), 'utf8');
      const named = [...text.matchAll(/^import (?:[^"';]* from )?"([^"]+)";$/gm)].map((m) => m[1]!);
      const outside = named
        .filter((name) => !name.startsWith('node:'))
        .map((name) =>
          name
            .split('/')
            .slice(0, name.startsWith('@') ? 2 : 1)
            .join('/'),
        );
      expect(named.length).toBeGreaterThan(5);
      expect([file, [...new Set(outside)].filter((name) => !packages.includes(name))]).toEqual([file, []]);
    }
  });
});

describe('what the person who runs the server can do', () => {
  const club = (url: string, args: readonly string[]) => {
    const { stdout, stderr, status } = spawnSync(process.execPath, ['dist/club.mjs', ...args], {
      cwd: SERVER,
      encoding: 'utf8',
      env: { PATH: process.env.PATH, DATABASE_URL: url, PUBLIC_URL: 'https://swim.club.example' },
    });
    return { said: `${stdout}${stderr}`.trim(), status };
  };

  it('makes one more club, and a link for a head coach who forgot the password', () =>
    harness.inOwnDatabase(async (owner, { ownerUrl }) => {
      const make = ['create', '--club', 'Heron Lane', '--zone', 'Europe/Oslo', '--name', 'Ada Lindqvale'];
      const made = club(ownerUrl, [...make, '--email', 'Ada@heron.example']);
      expect(made).toMatchObject({ status: 0, said: expect.stringContaining('https://swim.club.example/reset#') });
      const [row] = await owner.em
        .fork()
        .execute<object[]>('select a.email, a.role, c.name, c.settings from account a join club c on c.id = a.club_id');
      expect(row).toEqual({
        email: 'ada@heron.example',
        role: 'head',
        name: 'Heron Lane',
        settings: { timeZone: 'Europe/Oslo' },
      });
      expect(club(ownerUrl, [...make, '--email', 'ada@heron.example'])).toMatchObject({
        status: 1,
        said: expect.stringContaining('already'),
      });
      expect(club(ownerUrl, ['create', '--club', 'x', '--zone', 'Mars', '--name', 'y', '--email', 'z']).said).toMatch(
        /--zone: .*\n--email: /,
      );
      expect(club(ownerUrl, ['reset', 'ADA@heron.example']).said).toMatch(
        /^Ada Lindqvale chooses.*\nhttps:\/\/swim\.club\.example\/reset#[\w-]{43}$/,
      );
      expect(club(ownerUrl, ['reset', 'nobody@heron.example'])).toMatchObject({ status: 1 });
      expect(club(ownerUrl, ['code']).said).toContain('There is a club here');
      expect(club(ownerUrl, []).said).toContain('npm run club -- create');
    }));
});
