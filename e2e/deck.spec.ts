import path from 'node:path';
import type { Page } from '@playwright/test';
import type { DeckEvent } from '@upwell/core/deck';
import type { SessionView } from '@upwell/contract/sessions';
import { build } from 'esbuild';
import { expect, expectAccessible, idOf, newSession, signIn, test } from './fixtures';

async function eventsOf(page: Page, id: string): Promise<DeckEvent[]> {
  const answer = await page.request.get(`/api/v1/deck/runs/${id}/events`);
  return ((await answer.json()) as { events: DeckEvent[] }).events;
}

/** Swimmers of a lane, as they stand on their tiles. */
const tiles = (page: Page, lane: number) =>
  page.getByRole('group', { name: `Lane ${lane}`, exact: true }).getByTestId('tile');

const installed = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    // The first page of all is not under its control yet; the next one is.
    return (await caches.keys()).length;
  });

test('a session is run with no network and a dead server, the tab closed and opened again, and nothing is lost', async ({
  page,
  context,
  server,
  quiet,
}) => {
  await signIn(page);
  const id = await newSession(page);
  await page.goto(`/deck/${id}/run`);
  await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
  await expectAccessible(page);
  expect(await installed(page)).toBeGreaterThan(0);

  quiet.networkErrors = true;
  await context.setOffline(true);
  await server.kill();
  // Opened again from what the device holds.
  await page.goto(`/deck/${id}/run`);
  await page.getByRole('button', { name: 'Begin' }).click();
  for (const lane of [1, 2, 3]) await page.getByRole('button', { name: `Lane ${lane}: go`, exact: true }).click();
  await expect(page.getByText('offline', { exact: false }).first()).toBeVisible();
  await expect(tiles(page, 1).first()).toBeVisible();
  await tiles(page, 1).first().click();
  await expect(page.getByText('too early for this swim, not counted', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last' }).click();

  // A real hand on the wall: half a length of the fastest (10.3 s) is believable from 4.1 s on.
  await page.waitForTimeout(5000);
  await tiles(page, 3).first().click();
  await expect(tiles(page, 3).first()).toContainText(/\d\.\d/);

  // Strokes and a look, with one hand.
  await page.getByRole('button', { name: 'Taps: Strokes' }).click();
  await tiles(page, 2).first().click();
  await page.getByRole('button', { name: '21 strokes' }).click();
  await page.getByRole('button', { name: 'Taps: Look' }).click();
  await tiles(page, 3).first().click();
  await page.getByRole('button', { name: /^Better: / }).click();

  await page.getByRole('tab', { name: 'Heads' }).click();
  await page.getByRole('button', { name: 'Everyone else in' }).click();
  await expectAccessible(page);

  // The tab is closed in the middle of it, and opened again.
  await page.close();
  const again = await context.newPage();
  await again.goto(`/deck/${id}/run?view=heads`);
  await expect(again.getByText('in the water')).toBeVisible();
  await again.getByRole('button', { name: 'All out' }).click();
  await again.getByRole('tab', { name: 'Finish' }).click();
  await expectAccessible(again);
  await again.getByRole('button', { name: '6', exact: true }).first().click();
  const end = again.getByRole('button', { name: 'Hold to end the session' });
  await end.scrollIntoViewIfNeeded();
  const box = (await end.boundingBox())!;
  await again.mouse.move(box.x + 20, box.y + 20);
  await again.mouse.down();
  await expect(again.getByRole('button', { name: 'Save what was swum' })).toBeVisible();
  await again.mouse.up();
  await again.getByRole('button', { name: 'Save what was swum' }).click();
  await expect(again.getByRole('button', { name: 'Kept' })).toBeVisible();

  // What waits can be seen.
  await again.goto('/waiting');
  await expect(again.getByText(/notes from the deck/)).toBeVisible();
  await expect(again.getByText(/^Session “On deck/)).toBeVisible();
  await expectAccessible(again);

  await server.start();
  await context.setOffline(false);
  await again.getByRole('button', { name: 'Send now' }).click();
  await expect(again.getByText('Nothing waits')).toBeVisible();

  const events = await eventsOf(again, id);
  expect(events.map((e) => e.kind).filter((k) => k === 'begin' || k === 'end')).toEqual(['begin', 'end']);
  expect(events.filter((e) => e.kind === 'go')).toHaveLength(3);
  expect(events.filter((e) => e.kind === 'strokes' || e.kind === 'verdict')).toHaveLength(2);
  // The time taken with no network stands in the swimmer's records.
  const voided = new Set(events.flatMap((e) => (e.kind === 'void' ? [e.of] : [])));
  const walls = events.flatMap((e) => (e.kind === 'wall' && !voided.has(e.id) ? [e.swimmer] : []));
  expect(walls).toHaveLength(1);
  const records = await again.request.get(`/api/v1/swimmers/${walls[0]}/records`);
  const { reps } = (await records.json()) as { reps: { sessionId: string }[] };
  expect(reps.filter((r) => r.sessionId === id)).toHaveLength(1);
  expect(new Set(events.map((e) => e.id)).size).toBe(events.length);
  // In the order in which they happened.
  expect([...events].sort((a, b) => a.atMs - b.atMs).map((e) => e.id)).toEqual(events.map((e) => e.id));
  const session = (await (await again.request.get(`/api/v1/sessions/${id}`)).json()) as SessionView;
  expect(Object.values(session.done!.ratings)).toContain(6);
  expect(session.version).toBe(2);
});

test('a tap is dated by the finger and timed from the send-off, and two devices see the same run', async ({
  page,
  context,
}) => {
  await signIn(page);
  const id = await newSession(page);
  await page.goto(`/deck/${id}/run`);
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: 'Lane 1: go', exact: true }).click();

  const other = await context.newPage();
  await other.goto(`/deck/${id}/run`);
  await expect(other.getByRole('button', { name: 'Lane 2: go', exact: true })).toBeVisible();
  await other.getByRole('button', { name: 'Lane 2: go', exact: true }).click();
  // Seen here without asking for it.
  await expect(page.getByRole('button', { name: 'Lane 2: go', exact: true })).toBeHidden();

  // A busy page: every handler runs 400 ms late; the stamp is that of the touch.
  await page.evaluate(() => {
    const stamps: number[] = [];
    Object.assign(window, { stamps });
    addEventListener(
      'pointerdown',
      (e) => {
        stamps.push(e.timeStamp);
        const until = performance.now() + 400;
        while (performance.now() < until);
      },
      { capture: true },
    );
  });
  await page.getByRole('button', { name: 'Lane 3: go', exact: true }).click();
  const tile = tiles(page, 3).first();
  // Half a length of the fastest: after four seconds a hand on the wall is believable.
  await page.waitForTimeout(5000);
  await tile.click();
  await expect(tile).toContainText(/\d\.\d/);
  await expect.poll(async () => (await eventsOf(page, id)).filter((e) => e.kind === 'wall').length).toBe(1);
  const events = await eventsOf(page, id);
  const go = events.filter((e) => e.kind === 'go').sort((a, b) => b.atMs - a.atMs)[0]!;
  const wall = events.find((e) => e.kind === 'wall')!;
  const stamps = await page.evaluate(() => (window as unknown as { stamps: number[] }).stamps);
  expect(Math.abs(wall.atMs - go.atMs - (stamps[1]! - stamps[0]!))).toBeLessThan(10);
  await expectAccessible(page);
});

test.describe('between commit and answer', () => {
  // The worker of the app would hide the requests from the test.
  test.use({ serviceWorkers: 'block' });

  test('the server dies after it has stored what was noted: it is sent again and stands there once @phone', async ({
    page,
    server,
    quiet,
  }) => {
    await signIn(page);
    const id = await newSession(page);
    await page.goto(`/deck/${id}/run`);
    await expect(page.getByRole('button', { name: 'Begin' })).toBeVisible();
    quiet.networkErrors = true;
    let died = false;
    await page.route('**/api/v1/deck/runs/*/events', async (route) => {
      if (died || route.request().method() !== 'POST') return route.continue();
      died = true;
      const answer = await route.fetch();
      expect(answer.status()).toBe(200);
      await server.kill();
      return route.abort();
    });
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect.poll(() => died).toBe(true);
    await page.getByRole('button', { name: 'Lane 1: go', exact: true }).click();
    await expect(page.getByText('offline', { exact: false }).first()).toBeVisible();
    await server.start();
    await expect
      .poll(async () => (await eventsOf(page, id)).map((e) => e.kind), { timeout: 60_000 })
      .toEqual(['begin', 'go']);
    await expect(page.getByText('offline', { exact: false }).first()).toBeHidden();
  });

  test('two devices change the same session: both versions are shown and the coach chooses @wide', async ({
    page,
    browser,
    baseURL,
    quiet,
  }) => {
    await signIn(page);
    const id = await newSession(page);
    await page.goto(`/sessions/${id}`);
    const title = page.getByLabel('Title');
    await expect(title).toBeVisible();
    quiet.networkErrors = true;
    await page.context().setOffline(true);
    await title.fill('Written at the pool');
    await page.getByRole('button', { name: 'Save changes' }).click();
    await expect(page.getByText(/Offline · 1 waits/)).toBeVisible();

    const elsewhere = await browser.newContext({ baseURL: baseURL!, serviceWorkers: 'block', locale: 'en-GB' });
    const desk = await elsewhere.newPage();
    await signIn(desk);
    await desk.goto(`/sessions/${id}`);
    await desk.getByLabel('Title').fill('Written at the desk');
    await desk.getByRole('button', { name: 'Save changes' }).click();
    await expect(desk.getByRole('heading', { name: 'Written at the desk' })).toBeVisible();
    await elsewhere.close();

    await page.context().setOffline(false);
    await page.getByRole('link', { name: /1 change needs your decision/ }).click({ timeout: 60_000 });
    const versions = page.getByRole('table', { name: 'Both versions' });
    await expect(versions).toContainText('Written at the pool');
    await expect(versions).toContainText('Written at the desk');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Keep mine' }).click();
    await expect(page.getByText('Nothing waits')).toBeVisible();
    const stored = (await (await page.request.get(`/api/v1/sessions/${id}`)).json()) as SessionView;
    expect([stored.title, stored.version]).toEqual(['Written at the pool', 3]);
  });
});

test('the deck is read in full sun and run with the left hand, and the device remembers both', async ({ page }) => {
  await signIn(page);
  const id = await newSession(page);
  await page.goto('/account');
  await page.getByRole('button', { name: 'Left hand', exact: true }).click();
  await page.goto(`/deck/${id}/run`);
  await page.getByRole('button', { name: 'Bright, for the sun' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  const lane = page.getByRole('group', { name: 'Lane 1', exact: true });
  const go = lane.getByRole('button', { name: 'Lane 1: go', exact: true });
  const [strip, button] = [(await lane.boundingBox())!, (await go.boundingBox())!];
  expect(button.x + button.width / 2).toBeLessThan(strip.x + strip.width / 2);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Taps: Strokes' }).click();
  await tiles(page, 1).first().click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Not now' }).click();
  await page.getByRole('tab', { name: 'Heads' }).click();
  await expectAccessible(page);
  await page.goto(`/deck/${id}`);
  await expect(page.getByRole('button', { name: 'Run it' })).toBeVisible();
  expect(await page.getByRole('main').evaluate((main) => getComputedStyle(main).backgroundColor)).toBe(
    'rgb(255, 255, 255)',
  );
  await expectAccessible(page);
});

test('the beeper does not drift against the audio clock in ten minutes @phone', async ({ page }) => {
  const { outputFiles } = await build({
    stdin: {
      contents: `import { Beats } from './apps/web/src/deck/beeper/sound'; window.Beats = Beats;`,
      resolveDir: path.resolve(import.meta.dirname, '..'),
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
  });
  await page.goto('/sign-in');
  // As the page's own evaluation, which no content security policy touches.
  await page.evaluate(outputFiles[0]!.text);
  const worst = await page.evaluate(async () => {
    const RATE = 16_000;
    const SPM = 73;
    const audio = new OfflineAudioContext(1, 601 * RATE, RATE);
    const Beats = (window as unknown as { Beats: new (...a: unknown[]) => { feed(to: number): void } }).Beats;
    const beats = new Beats(audio, { kind: 'rate', strokeRateSpm: SPM }, 0.5);
    // Fed by pieces, as the timer does.
    for (let t = 0; t < 600; t += 0.7) beats.feed(t);
    const sound = (await audio.startRendering()).getChannelData(0);
    const heard: number[] = [];
    let silentFor = RATE;
    for (let i = 0; i < sound.length; i++) {
      if (Math.abs(sound[i]!) > 0.02) {
        if (silentFor > RATE * 0.1) heard.push(i / RATE);
        silentFor = 0;
      } else silentFor++;
    }
    const off = heard.map((at, n) => Math.abs(at - (0.5 + (n * 60) / SPM)));
    return { beats: heard.length, worstMs: Math.max(...off) * 1000 };
  });
  expect(worst.beats).toBeGreaterThan(725);
  expect(worst.worstMs).toBeLessThan(2);
});

test('a critical speed is taken, says how sure it is, and stands among the records @phone', async ({ page }) => {
  await signIn(page);
  const id = await idOf(page, 'freya');
  await page.goto(`/swimmers/${id}/test?kind=critical-speed`);
  await expect(page.getByText('At least two different distances are needed.')).toBeVisible();
  await expectAccessible(page);
  const typed = page.getByLabel(/Or the time of/);
  await typed.fill('5:52');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: '200', exact: true }).click();
  await typed.fill('3:20');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText(/The 200 m was probably not all-out/)).toBeVisible();
  await page.getByRole('button', { name: 'Remove number 2' }).click();
  await typed.fill('2:45');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('1.070 m/s').first()).toBeVisible();
  await expect(page.getByText('one test only').first()).toBeVisible();
  // Half taken, the page is closed by mistake: it is still there.
  await page.reload();
  await expect(page.getByText('1.070 m/s').first()).toBeVisible();
  await page.getByRole('button', { name: 'Save this test' }).click();
  await page.getByRole('button', { name: 'See all records' }).click();
  await page.getByRole('tab', { name: 'Tests' }).click();
  await expect(page.getByText('Critical speed: 1.070 m/s').first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('tab', { name: 'Charts' }).click();
  await expect(page.getByRole('img', { name: /per 100 m/ })).toBeVisible();
  await expectAccessible(page);
});

test('a file of results comes in whole and once, with what is wrong named by its line, and is undone @wide', async ({
  page,
  quiet,
}, info) => {
  await signIn(page);
  await page.goto('/swimmers/import');
  // Both sizes share one club: times of their own, since results that are already stored are reported.
  const tenth = info.project.name === 'phone' ? 5 : 6;
  const rows = [
    'who;day;metres;secs',
    `Freya Ulldale;24.11.2026;50;40,${tenth}`,
    'Nobody Here;24.11.2026;50;41',
    `Freya Ulldale;23.11.2026;50;41,${tenth}`,
  ];
  const file = { name: `times-${tenth}.csv`, mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) };
  const choose = async () => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (await chooser).setFiles(file);
    await expect(page.getByText('Line 3: Nobody here is called “Nobody Here”.')).toBeVisible();
  };
  const countOf = async () => {
    const answer = await page.request.get('/api/v1/results?search=freya&limit=100');
    const { items } = (await answer.json()) as { items: { timeS: number }[] };
    return items.filter(({ timeS }) => timeS === 40 + tenth / 10 || timeS === 41 + tenth / 10).length;
  };
  await choose();
  await expectAccessible(page);

  // The answer is lost on the way back: it is stored, but nobody here knows.
  quiet.networkErrors = true;
  await page.route(
    '**/imports/*/commit',
    async (route) => {
      await route.fetch();
      await route.abort();
    },
    { times: 1 },
  );
  await page.getByRole('button', { name: 'Store 2 results' }).click();
  await expect(page.getByText('Not sure yet whether it arrived')).toBeVisible();
  await expectAccessible(page);
  await expect(page.getByText('2 results are stored.')).toBeVisible();
  expect(await countOf()).toBe(2);

  // The same file again: what is here already is shown before anything is stored.
  await choose();
  await page.getByRole('button', { name: 'Store 2 results' }).click();
  await expect(page.getByText('2 of 2 results are already here')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Store nothing' }).click();
  await expect(page.getByText('Nothing was stored.')).toBeVisible();
  expect(await countOf()).toBe(2);

  // The simulated wrist device goes through the same door.
  await page.getByRole('button', { name: 'Lengths of the simulated wrist device' }).click();
  await page.getByLabel('Find a swimmer').fill('freya');
  await page.getByRole('button', { name: 'Freya Ulldale' }).click();
  await page.getByRole('button', { name: 'Store 40 results' }).click();
  // Equal lengths of one session are no doubles; the same session brought in by the other size is, where they share a club.
  const again = page.getByRole('button', { name: 'Store all 40 again' });
  const stored = page.getByText('40 results are stored.');
  await expect(again.or(stored)).toBeVisible();
  if (await again.isVisible()) await again.click();
  await expect(stored).toBeVisible();
  await page.getByRole('button', { name: 'See them' }).click();
  await page.getByPlaceholder('Find a swimmer').fill('freya');
  await expect(page.getByText('Freya Ulldale').first()).toBeVisible();
  await page.getByText('Time', { exact: true }).click();
  await expect(page).toHaveURL(/sort=time/);
  await expectAccessible(page);

  // Taken back whole, and only that file.
  await page.goto('/swimmers/import');
  const undo = page.getByRole('button', { name: `Hold to undo ${file.name}` });
  await undo.click({ delay: 1500 });
  await expect(page.getByText(/: 2 results taken back/).first()).toBeVisible();
  await expect(undo).toBeHidden();
  expect(await countOf()).toBe(0);
});
