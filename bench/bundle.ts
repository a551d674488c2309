import { execFileSync } from 'node:child_process';
import { createReadStream, existsSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { chromium } from '@playwright/test';

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

/** Bytes of the JavaScript that a first visit loads, as they come over the wire. */
async function firstLoad(dist: string): Promise<number> {
  const server = createServer((request, response) => {
    const url = request.url!.split('?')[0]!;
    if (url.startsWith('/api/')) {
      response.setHeader('content-type', 'application/json').end('null');
      return;
    }
    const file = path.join(dist, url);
    const found = url !== '/' && existsSync(file);
    response.setHeader(
      'content-type',
      url.endsWith('.js') ? 'text/javascript' : found ? 'application/octet-stream' : 'text/html',
    );
    createReadStream(found ? file : path.join(dist, 'index.html')).pipe(response);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: CHROMIUM.split(' '),
  });
  const page = await browser.newPage();
  const loaded = new Set<string>();
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.endsWith('.js')) loaded.add(pathname);
  });
  await page.goto(`http://127.0.0.1:${(server.address() as { port: number }).port}/`);
  await page.waitForLoadState('networkidle');
  await browser.close();
  server.close();
  return [...loaded].reduce((sum, file) => sum + brotliCompressSync(readFileSync(path.join(dist, file))).length, 0);
}

console.log('building the empty app and ours (about three minutes when nothing is cached)');
build(EMPTY);
build(path.join(ROOT, 'apps/web'));
const [empty, ours] = [await firstLoad(path.join(EMPTY, 'dist')), await firstLoad(path.join(ROOT, 'apps/web/dist'))];
const kb = (bytes: number): string => `${(bytes / 1000).toFixed(0)} kB`;
console.log(`empty Expo Router + Paper app   ${kb(empty)} of JavaScript, with brotli`);
console.log(`Upwell, first load              ${kb(ours)}   (wanted: under 430 kB)`);
console.log(`difference                      ${kb(ours - empty)}   `);
