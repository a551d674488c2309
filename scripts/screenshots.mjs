// Takes the pictures of the README from the demo data: npm run screenshots
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { end } from './lib/end.mjs';
import { freePort, installPostgres, startCluster } from './lib/postgres.mjs';
import { buildServer, buildWeb, checkNode, fail, installPackages, ROOT } from './lib/steps.mjs';

const CHROMIUM =
  '--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync';
/** Where the demo club is. */
const ZONE = 'Etc/GMT+3';
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

async function main() {
  checkNode();
  await installPackages();
  await installPostgres();
  await buildWeb();
  await buildServer();
  const cluster = await startCluster('pictures', 'upwell_pictures');
  await cluster.recreate();
  const port = await freePort();
  const server = spawn(process.execPath, ['dist/main.mjs'], {
    cwd: path.join(ROOT, 'apps/server'),
    env: {
      ...process.env,
      DATABASE_URL: cluster.url,
      PORT: String(port),
      WEB_ROOT: path.join(ROOT, 'apps/web/dist'),
      UPWELL_DEMO: '1',
      LOG_LEVEL: 'warn',
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
    await end(server);
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

  const open = async (viewport, colorScheme = 'light', email = 'coach@upwell.example') => {
    const context = await browser.newContext({
      viewport,
      colorScheme,
      baseURL: base,
      locale: 'en-GB',
      timezoneId: ZONE,
      reducedMotion: 'reduce',
    });
    const page = await context.newPage();
    page.setDefaultTimeout(60_000);
    await page.request.post('/api/v1/account/sign-in', {
      data: { email, password: 'quiet-water-demo' },
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
    await press('Moment: Entry');
    await press('Signs at the front arm');
    await press('the hand is laid on the surface: often');
    await press('the arm enters short: sometimes');
    await press('Signs at the body');
    await press('the middle sags: often');
    await press('Close');
    await page.waitForTimeout(600);
    await page.getByRole('heading', { level: 1 }).scrollIntoViewIfNeeded();
  };

  // The shipped clip has a cycle of 1.6 s: tap it, and draw the trunk.
  const clip = async ({ go, press, find, page }) => {
    await go(`/swimmers/${await find('halina')}/clip`);
    await press('Low legs, side');
    await page.waitForTimeout(1000);
    const taps = [
      [1.6, 'f'],
      [2.0, 'd'],
      [2.4, 'j'],
      [2.6, 's'],
      [2.8, 'k'],
      [3.2, 'f'],
      [3.4, 'l'],
      [4.0, 'j'],
      [4.8, 'f'],
    ];
    for (const [timeS, key] of taps) {
      await page.evaluate((t) => (document.querySelector('video').currentTime = t), timeS);
      await page.waitForTimeout(250);
      await page.keyboard.press(key);
    }
    await press('Lines');
    const box = await page.locator('video').boundingBox();
    for (const dy of [0, 2, -2]) {
      await page.mouse.click(box.x + box.width * 0.33, box.y + box.height * 0.47 + dy);
      await page.mouse.click(box.x + box.width * 0.55, box.y + box.height * 0.6 - dy);
    }
    await page.waitForTimeout(500);
  };

  // Today's three levels, on their way: lane after lane in the warm-up, some already back at the wall.
  const run = async ({ page, press }) => {
    const today = new Intl.DateTimeFormat('sv-SE', { timeZone: ZONE }).format();
    const { sessions } = await (await page.request.get(`/api/v1/deck/today?date=${today}`)).json();
    await page.goto(`/deck/${sessions[0].id}/run`);
    await press('Begin');
    await page.waitForTimeout(300);
    const lanes = await page.getByRole('group', { name: /^Lane \d$/ }).count();
    for (let lane = 1; lane <= lanes; lane++) {
      const here = page.getByRole('group', { name: `Lane ${lane}`, exact: true });
      await here.getByRole('button', { name: /land/ }).click();
      await press('Skip it');
      await press('Back');
      await press(`Lane ${lane}: go`);
    }
    await page.getByRole('tab', { name: 'Heads' }).click();
    await press('Everyone else in');
    await page.getByRole('tab', { name: 'Lanes' }).click();
    await page.waitForTimeout(1200);
  };

  const phone = await open(PHONE);
  await phone.go('/deck');
  await phone.take('deck');
  await review(phone);
  await phone.take('review');
  const kasper = await phone.find('kasper');
  await phone.go(`/swimmers/${kasper}/focus`);
  await phone.take('focus');
  const ines = await phone.find('ines');
  await phone.go(`/swimmers/${ines}/race`);
  await phone.take('race');
  const own = await open(PHONE, 'dark', 'swimmer@upwell.example');
  await own.go('/my-week');
  await own.take('my-week-night');

  const wide = await open(WIDE);
  await wide.go(`/swimmers/${await wide.find('mirela')}`);
  await wide.take('swimmer-wide');
  await clip(wide);
  await wide.take('clip-wide');
  await wide.go('/sessions?view=week');
  await wide.page.getByText('Second looks due').waitFor();
  await wide.take('week-wide');
  await wide.go(`/swimmers/${await wide.find('mirela')}/records`);
  await wide.take('records-wide');
  await wide.go('/sessions/new');
  await wide.page.getByText(/^Everyone out at/).waitFor();
  await wide.take('build-wide');
  await wide.press('Keep it');
  await wide.page.waitForURL(/sessions\/[0-9a-f-]{36}$/);
  await wide.page.waitForTimeout(800);
  await wide.page.getByRole('navigation', { name: 'Sessions' }).getByRole('link').first().waitFor();
  await wide.take('session-wide');

  await wide.go('/sessions/write');
  await wide.page.getByText(/Everything was read/).waitFor();
  const text = wide.page.getByLabel('The session as text');
  await text.fill((await text.inputValue()).replace('Drills = 300', 'Drills = 150').replace('breathe 3', 'brethe 3'));
  await wide.page.getByText(/to fix/).waitFor();
  await wide.take('write-wide');
  await wide.go('/library?show=drills&open=own-deep-rungs');
  await wide.take('library-wide');
  await wide.go(`/swimmers/${await wide.find('sunniva')}/race?view=weeks`);
  await wide.page
    .getByRole('button', { name: /Build up \d+/ })
    .first()
    .click();
  await wide.page.waitForTimeout(600);
  await wide.take('weeks-wide');
  const courses = await (await phone.page.request.get('/api/v1/courses')).json();
  const course = (name) => `/water/${courses.find((c) => c.name === name).id}`;
  await wide.go(course('Quill Crossing'));
  await wide.press(/^For a swimmer/);
  await wide.page.getByLabel('Find a swimmer').fill('mirela');
  await wide.page.waitForTimeout(1000);
  await wide.press('Mirela Fenwright');
  await wide.page.waitForTimeout(4000);
  await wide.take('course-wide');
  await phone.go(`${course('Quill Crossing')}/day`);
  await phone.take('water-day');
  await phone.go(`${course('Quill Crossing')}/card`);
  await phone.press(/^For a swimmer/);
  await phone.page.getByLabel('Find a swimmer').fill('sol att');
  await phone.page.waitForTimeout(1000);
  await phone.press('Sol Attenbrook');
  await phone.page.waitForTimeout(3000);
  await phone.take('race-card');
  await wide.go(`${course('Lantern Mile')}/tracks`);
  await wide.press(/^Sol Attenbrook/);
  await wide.page.getByText(/m swum for/).waitFor();
  await wide.page.waitForTimeout(800);
  await wide.take('track-wide');
  await run(phone);
  await phone.take('run');
  await browser.close();
}

main().catch(fail);
