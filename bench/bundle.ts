// What a first visit loads, and how long its sign-in page takes on a slow phone with a slow line, beside an empty app of this stack.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { chromium, type Browser } from '@playwright/test';
import { at } from './measure';

const ROOT = path.resolve(import.meta.dirname, '..');
const EMPTY = path.join(ROOT, 'bench/bundle/empty-app');
const CHROMIUM =
  '--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync';

function build(folder: string): void {
  rmSync(path.join(folder, 'dist'), { recursive: true, force: true });
  const env = { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' };
  execFileSync('npx', ['--no-install', 'expo', 'export', '-p', 'web', '--output-dir', 'dist'], {
    cwd: folder,
    env,
    stdio: 'pipe',
  });
}

/** Serves an app as the real server does, with brotli; nobody is signed in. */
async function serve(dist: string) {
  const packed = new Map<string, Buffer>();
  const server = createServer((request, response) => {
    const url = request.url!.split('?')[0]!;
    if (url.startsWith('/api/')) {
      response.setHeader('content-type', 'application/json').end('null');
      return;
    }
    const asked = path.join(dist, url);
    const file = url !== '/' && existsSync(asked) ? asked : path.join(dist, 'index.html');
    const type = { '.js': 'text/javascript', '.html': 'text/html', '.svg': 'image/svg+xml' }[path.extname(file)];
    response.setHeader('content-type', type ?? 'application/octet-stream');
    if (!type) {
      response.end(readFileSync(file));
      return;
    }
    const body = packed.get(file) ?? brotliCompressSync(readFileSync(file));
    packed.set(file, body);
    response.setHeader('content-encoding', 'br').end(body);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  return {
    url: `http://127.0.0.1:${port}/`,
    size: (file: string) => packed.get(path.join(dist, file))!.length,
    server,
  };
}
type Served = Awaited<ReturnType<typeof serve>>;

/** Bytes of the JavaScript that a first visit loads, as they come over the wire. */
async function firstLoad(browser: Browser, { url, size }: Served): Promise<number> {
  const page = await browser.newPage();
  const loaded = new Set<string>();
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.endsWith('.js')) loaded.add(pathname);
  });
  await page.goto(url);
  await page.waitForLoadState('networkidle');
  await page.close();
  return [...loaded].reduce((sum, file) => sum + size(file), 0);
}

/** Milliseconds until a word of the first page stands on a phone that has never been here: 4 times slower, 1.6 Mbit/s, 150 ms away. */
async function cold(browser: Browser, { url }: Served, word: string): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Network.enable');
  const line = { offline: false, latency: 150, downloadThroughput: 1.6e6 / 8, uploadThroughput: 1.6e6 / 8 };
  await cdp.send('Network.emulateNetworkConditions', line);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  // The page itself notes the frame in which the word stands there: asked from outside, it answers up to a second later.
  await page.addInitScript(`(function look() {
    if (document.body?.innerText.includes(${JSON.stringify(word)})) window.stood = performance.now();
    else requestAnimationFrame(look);
  })()`);
  await page.goto(url, { waitUntil: 'commit' });
  const stood = await page.waitForFunction(() => (window as unknown as { stood?: number }).stood, null, {
    polling: 100,
  });
  const spent = (await stood.jsonValue())!;
  await context.close();
  return spent;
}

console.log('building the empty app (about three minutes when nothing is cached)');
build(EMPTY);
const [empty, ours] = [await serve(path.join(EMPTY, 'dist')), await serve(path.join(ROOT, 'apps/web/dist'))];
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: CHROMIUM.split(' '),
});
const kb = (bytes: number): string => `${(bytes / 1000).toFixed(0)} kB`;
const [emptyBytes, ourBytes] = [await firstLoad(browser, empty), await firstLoad(browser, ours)];
console.log(`  empty Expo Router + Paper app   ${kb(emptyBytes)} of JavaScript, with brotli`);
console.log(`  Upwell, first load              ${kb(ourBytes)}   (wanted: under 430 kB)`);
const times = { empty: [] as number[], ours: [] as number[] };
for (let i = 0; i < 5; i++) {
  times.empty.push(await cold(browser, empty, 'Nothing yet'));
  times.ours.push(await cold(browser, ours, 'Sign in'));
}
const [emptyMs, ourMs] = [at(times.empty, 0.5), at(times.ours, 0.5)];
const seconds = (n: number): string => `${(n / 1000).toFixed(1)} s`;
console.log(
  `  sign-in on a slow phone, cold   ${seconds(ourMs)}, ${(ourMs / emptyMs).toFixed(2)} times the empty app's ${seconds(emptyMs)}   (wanted 1.4)`,
);
await browser.close();
for (const { server } of [empty, ours]) server.close();
