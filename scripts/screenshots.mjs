// Takes the pictures of the README from the demo data: npm run screenshots
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { freePort, installPostgres, startCluster } from './lib/postgres.mjs';
import { buildWeb, checkNode, fail, installPackages, ROOT } from './lib/steps.mjs';

const CHROMIUM =
  '--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync';
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

async function main() {
  checkNode();
  await installPackages();
  await installPostgres();
  await buildWeb();
  const cluster = await startCluster('pictures', 'upwell_pictures');
  await cluster.recreate();
  const port = await freePort();
  const server = spawn(process.execPath, ['--import', 'tsx', 'src/main.ts'], {
    cwd: path.join(ROOT, 'apps/server'),
    env: {
      ...process.env,
      DATABASE_URL: cluster.url,
      PORT: String(port),
      WEB_ROOT: path.join(ROOT, 'apps/web/dist'),
      UPWELL_DEMO: '1',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve, reject) => {
    server.stdout.on('data', (data) => String(data).includes('listening on') && resolve());
    server.once('exit', (code) => reject(new Error(`the server ended (${code})`)));
  });
  try {
    await takeAll(`http://127.0.0.1:${port}`);
  } finally {
    server.removeAllListeners('exit');
    const gone = new Promise((resolve) => server.once('exit', resolve));
    server.kill('SIGTERM');
    await gone;
    await cluster.stop();
  }
}

async function takeAll(base) {
  const { chromium } = await import('@playwright/test');
  const folder = path.join(ROOT, 'docs/screenshots');
  mkdirSync(folder, { recursive: true });
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: CHROMIUM.split(' '),
  });

  const open = async (viewport, colorScheme = 'light') => {
    const context = await browser.newContext({ viewport, colorScheme, baseURL: base, locale: 'en-GB' });
    const page = await context.newPage();
    await page.request.post('/api/v1/account/sign-in', {
      data: { email: 'coach@upwell.example', password: 'quiet-water-demo' },
    });
    const go = async (address) => {
      await page.goto(address);
      // Only after its heading is a page there; pictures, charts and the worker's answer follow.
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(1200);
    };
    const press = (name) =>
      page
        .getByRole('button', { name, exact: typeof name === 'string' })
        .first()
        .click();
    const take = (name) => page.screenshot({ path: path.join(folder, `${name}.png`) });
    const find = async (name) => {
      const { items } = await (await page.request.get(`/api/v1/swimmers?search=${name}`)).json();
      return items[0].id;
    };
    return { page, go, press, take, find };
  };

  const review = async ({ go, press, find, page }) => {
    await go(`/swimmers/${await find('ines')}/review`);
    await press('Signs at the head');
    await press('the face turns past the side up and back: often');
    await press('no bubbles between breaths: not there');
    await press('Signs at the front arm');
    await press('the front arm sinks while breathing: sometimes'.replace('sometimes', 'at times'));
    await press('Close');
    await page.waitForTimeout(600);
    await page.getByRole('heading', { level: 1 }).scrollIntoViewIfNeeded();
  };

  const phone = await open(PHONE);
  await phone.go('/deck');
  await phone.take('deck');
  await phone.go('/swimmers');
  await phone.take('swimmers');
  await review(phone);
  await phone.take('review');

  const wide = await open(WIDE);
  await wide.go(`/swimmers/${await wide.find('mirela')}`);
  await wide.take('swimmer-wide');
  await review(wide);
  await wide.press('Show the reasons');
  await wide.take('review-wide');
  await wide.go('/sessions/new');
  await wide.page.getByText(/^All out at/).waitFor();
  await wide.take('build-wide');
  await wide.press('Keep it');
  await wide.page.waitForURL(/sessions\/[0-9a-f-]{36}$/);
  await wide.page.waitForTimeout(800);
  await wide.take('session-wide');
  const id = wide.page.url().split('/').pop();
  await wide.go('/library');
  await wide.press('seeks air too low');
  await wide.take('library-wide');

  const night = await open(PHONE, 'dark');
  await night.go(`/sessions/${id}`);
  await night.take('session-night');
  await night.go(`/deck/${id}`);
  await night.take('deck-card');
  await browser.close();
}

main().catch(fail);
