import { readFile } from 'node:fs/promises';
import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { expect, expectAccessible, signIn, test } from './fixtures';

/** A child of a squad, with a result. */
async function child(page: Page, givenName: string): Promise<string> {
  const [squad] = (await (await page.request.get('/api/v1/squads')).json()) as [{ id: string }];
  const id = randomUUID();
  const saved = await page.request.put(`/api/v1/swimmers/${id}`, {
    data: {
      ...{ squadId: squad.id, givenName, familyName: 'Thistlewick', level: 'build', birthYear: 2015 },
      ...{ strokeModel: 'long-line', breathingSide: 'right', healthFlags: [], healthConsent: false },
      ...{ clipConsent: false, kit: [], ladderSteps: {}, goal: null, bestTimes: [], archived: false },
      ...{ version: 0, writeId: randomUUID() },
    },
  });
  expect(saved.ok()).toBe(true);
  const result = { swimmerId: id, on: '2026-11-20', distanceM: 100, timeS: 95, strokesPerLength: null, kind: 'trial' };
  expect((await page.request.put(`/api/v1/results/${randomUUID()}`, { data: result })).ok()).toBe(true);
  return id;
}

/** What the device keeps of pages, in all its databases. */
const keptHere = (page: Page) =>
  page.evaluate(async () => {
    const found: string[] = [];
    for (const { name } of await indexedDB.databases()) {
      if (!name?.startsWith('upwell-')) continue;
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const opening = indexedDB.open(name);
        opening.onsuccess = () => resolve(opening.result);
        opening.onerror = () => reject(opening.error!);
      });
      const all = await new Promise<{ path: string; data: unknown }[]>((resolve) => {
        const asking = db.transaction('pages').objectStore('pages').getAll();
        asking.onsuccess = () => resolve(asking.result);
      });
      found.push(...all.filter((p) => p.data !== null).map((p) => `${p.path} ${JSON.stringify(p.data)}`));
      db.close();
    }
    return found.join('\n');
  });

test('a child’s data: who looked at it, all of it as a file, and erased for good @wide', async ({
  page,
  quiet,
}, info) => {
  await signIn(page);
  const id = await child(page, 'Odalys');
  await page.goto(`/swimmers/${id}`);
  await expect(page.getByText('every look at this record is logged', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Open', exact: true }).click();

  // Who looked at what.
  await expect(page.getByRole('heading', { name: 'What is kept about Odalys Thistlewick' })).toBeVisible();
  await expect(page.getByText('Page of the swimmer', { exact: true })).toBeVisible();
  await expectAccessible(page);

  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save all of it as a file' }).click();
  const file = info.outputPath('person.json');
  await (await downloading).saveAs(file);
  const saved = JSON.parse(await readFile(file, 'utf8')) as { swimmer: object; results: object[] };
  expect(saved.swimmer).toMatchObject({ givenName: 'Odalys', birthYear: 2015 });
  expect(saved.results).toHaveLength(1);

  // A tap is not enough; held with the keyboard it goes.
  const erase = page.getByRole('button', { name: 'Hold to erase Odalys Thistlewick' });
  await erase.click();
  await erase.focus();
  await page.keyboard.down('Enter');
  await expect(page.getByText('Gone for good')).toBeVisible();
  await page.keyboard.up('Enter');
  await expect.poll(() => keptHere(page)).not.toContain('Odalys');
  await page.getByRole('button', { name: 'To the swimmers' }).click();
  await page.getByLabel('Find a swimmer by name').fill('odalys');
  await expect(page.getByText('Nobody found', { exact: false })).toBeVisible();
  quiet.networkErrors = true;
  await page.goto(`/swimmers/${id}`);
  await expect(page.getByText('This is not here, or not yours to see.')).toBeVisible();
});

test('the head coach reads who looked at the children of the club @wide', async ({ page }) => {
  await signIn(page);
  await child(page, 'Peregrin');
  await page.goto('/account');
  await page.getByRole('button', { name: 'Who looked' }).click();
  await expect(page.getByRole('heading', { name: 'Who looked' })).toBeVisible();
  await expect(page.getByText('Peregrin Thistlewick · Page of the swimmer, on saving it').first()).toBeVisible();
  await expectAccessible(page);
});

test('signing out clears the device without a network, and ends at the server when it is back @phone', async ({
  page,
  context,
  quiet,
}) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/swimmers');
  await expect(page.getByRole('link').filter({ hasText: 'Ashgrave' }).first()).toBeVisible();
  await expect.poll(() => keptHere(page)).toContain('Ashgrave');
  await page.goto('/account');
  await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible();
  // Without a network the app opens once the device has kept it.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));

  quiet.networkErrors = true;
  await context.setOffline(true);
  // On a busy machine a page that opens has the network for a moment before the browser takes it away.
  await page.route('**/account/sign-out', (route) => route.abort('internetdisconnected'));
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByText('You are signed out on this device', { exact: false })).toBeVisible();
  expect(await keptHere(page)).toBe('');
  // The address of a page brings nobody back in.
  await page.goto('/swimmers');
  await expect(page.getByLabel('E-mail')).toBeVisible();
  expect(await keptHere(page)).toBe('');

  // The server has not heard of it; the device tells it by itself.
  expect(await (await context.request.get('/api/v1/account/me')).json()).not.toBeNull();
  await page.unroute('**/account/sign-out');
  await context.setOffline(false);
  await expect.poll(async () => (await context.request.get('/api/v1/account/me')).json()).toBeNull();
  await signIn(page, 'coach@upwell.example');
});

test('the database away: kept pages are shown, the line says what is true, and it recovers by itself @phone', async ({
  page,
  quiet,
}) => {
  await signIn(page, 'coach@upwell.example');
  await page.goto('/swimmers');
  await expect(page.getByRole('link').filter({ hasText: 'Ashgrave' }).first()).toBeVisible();
  quiet.networkErrors = true;
  const detail = 'The server cannot reach its records right now.';
  await page.route('**/api/v1/**', (route) =>
    route.fulfill({
      status: 503,
      contentType: 'application/problem+json',
      body: JSON.stringify({ type: 'about:blank', title: 'Away', status: 503, detail }),
    }),
  );
  await page.reload();
  await expect(page.getByRole('link').filter({ hasText: 'Ashgrave' }).first()).toBeVisible();
  await expect(page.getByText(/The server is having trouble/).first()).toBeVisible();
  await page.unroute('**/api/v1/**');
  await expect(page.getByText(/The server is having trouble/)).toHaveCount(0);
});
