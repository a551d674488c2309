import { rmSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { expect, expectAccessible, idOf, signIn, test as base } from './fixtures';
import { swimmerOnCamera, withCamera } from './fakeCamera';

/** A swimmer before the camera: 60 strokes a minute, over and over. */
const test = base.extend({
  launchOptions: [
    async ({}, use) => {
      const clip = { seed: 5, view: 'side', strokesPerMin: 60, seconds: 20, fps: 25, noise: 2, drift: -15 } as const;
      const file = swimmerOnCamera('swimmer', clip);
      await use(withCamera(file));
      rmSync(file);
    },
    { scope: 'worker' },
  ],
});
test.use({ permissions: ['camera'] });

/** How many rows are in each store of the films of this account: what is deleted has to be gone from here. */
const stored = (page: Page) =>
  page.evaluate(async () => {
    const counts: Record<string, number> = {};
    for (const { name } of await indexedDB.databases()) {
      if (!name?.startsWith('upwell-films-')) continue;
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const opening = indexedDB.open(name);
        opening.onsuccess = () => resolve(opening.result);
        opening.onerror = () => reject(opening.error!);
      });
      for (const store of db.objectStoreNames) {
        counts[store] = await new Promise<number>((resolve) => {
          const counting = db.transaction(store).objectStore(store).count();
          counting.onsuccess = () => resolve((counts[store] ?? 0) + counting.result);
        });
      }
      db.close();
    }
    return counts;
  });

test(
  'a swimmer is filmed, the strokes are found in the film, and taken in the review',
  { tag: '@alone' },
  async ({ page }, info) => {
    await signIn(page);
    const id = await idOf(page, info.project.name === 'phone' ? 'otis' : 'pia');
    await page.goto(`/swimmers/film?swimmer=${id}`);
    await page.getByRole('button', { name: 'Open the camera' }).click();
    await expectAccessible(page);
    await page.getByRole('button', { name: /^Film (Otis|Pia)$/ }).click();
    await expect(page.getByRole('timer')).toHaveText('12 s', { timeout: 60_000 });
    await page.getByRole('button', { name: 'Stop and keep it' }).click();
    await expect(page.getByText(/: 1\d s are kept\./)).toBeVisible();
    await expect(page.getByText('0 of 1 looked at')).toBeVisible();

    // What was filmed waits on the device, whatever becomes of the tab.
    await page.reload();
    await page.getByRole('button', { name: 'Look at the first one' }).click();
    await expect(page.getByText('Film 1 of 1')).toBeVisible();
    await expect(page.getByRole('button', { name: 'One frame forward' })).toBeEnabled();
    await page.getByRole('button', { name: 'Look for hand entries' }).click();
    // A camera plays from a file no faster than the machine can: how exact the rate is, is held against files below.
    await expect(page.getByText(/^(5\d|60|61)\.\d strokes a minute, give or take/)).toBeVisible({ timeout: 60_000 });
    await expectAccessible(page);
    await page.getByRole('button', { name: /^Take \d+ entries as taps$/ }).click();
    await page.getByRole('button', { name: /^Take \d measures? in the review$/ }).click();
    await expect(page.getByRole('heading', { name: 'Measured' })).toBeVisible();
    await expect(page.getByText('stroke rate').first()).toBeVisible();
  },
);

test('a squad is filmed name by name, looked at in turn, and deleted from the device @phone', async ({ page }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Swimmers', exact: true }).click();
  await page.getByRole('button', { name: 'Film', exact: true }).click();
  const names = page.getByRole('radiogroup', { name: 'Who swims' });
  const free = names.getByRole('radio', { name: /, not filmed$/ });
  await free.first().click();
  await page.getByRole('button', { name: 'Open the camera' }).click();
  for (const done of [1, 2]) {
    await page.getByRole('button', { name: /^Film (?!now)\S+$/ }).click();
    await expect(page.getByRole('timer')).toHaveText('2 s', { timeout: 30_000 });
    await page.getByRole('button', { name: 'Stop and keep it' }).click();
    // On to the next name by itself.
    await expect(page.getByText(`0 of ${done} looked at`)).toBeVisible();
  }
  expect(await stored(page)).toMatchObject({ films: 2 });
  await page.getByRole('button', { name: 'Look at the first one' }).click();
  await page.getByRole('button', { name: /^Looked at, on to / }).click();
  await expect(page.getByText('Film 2 of 2')).toBeVisible();
  await page.getByRole('button', { name: 'Looked at, that was the last one' }).click();
  await expect(page.getByText('2 of 2 looked at')).toBeVisible();
  await expectAccessible(page);
  const away = page.getByRole('button', { name: /^Delete the 2 films looked at/ });
  await away.focus();
  await page.keyboard.down('Enter');
  await expect(page.getByText('No films on this device')).toBeVisible();
  await page.keyboard.up('Enter');
  expect(await stored(page)).toEqual({ films: 0, pieces: 0 });
});

test('the camera stays shut without consent, says why it is refused, and a full device is said before @wide', async ({
  page,
  context,
}) => {
  await page.addInitScript(() => {
    if (location.hash === '#full')
      navigator.storage.estimate = async () => ({ quota: 1_000_000_000, usage: 999_000_000 });
  });
  await signIn(page);
  const rows = (await (await page.request.get('/api/v1/swimmers?limit=100')).json()) as {
    items: { id: string; child: boolean; clipConsent: boolean; givenName: string }[];
  };
  const child = rows.items.find((s) => s.child && !s.clipConsent)!;
  const adult = rows.items.find((s) => !s.child)!;
  await page.goto(`/swimmers/film?swimmer=${child.id}`);
  await expect(page.getByText(/the guardian has not agreed to clips: the camera stays shut/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Open the camera' })).toBeDisabled();

  await context.clearPermissions();
  await page.goto(`/swimmers/film?swimmer=${adult.id}`);
  await page.getByRole('button', { name: 'Open the camera' }).click();
  await expect(page.getByText(/^The camera was refused\./)).toBeVisible();
  await context.grantPermissions(['camera']);
  await page.goto(`/swimmers/film?swimmer=${adult.id}#full`);
  await page.reload();
  await expect(page.getByText(/^This device is full/)).toBeVisible();
  await page.getByRole('button', { name: 'Open the camera' }).click();
  await expect(page.getByRole('button', { name: `Film ${adult.givenName}` })).toBeDisabled();
});

test('stills with lines go into the hand-out with the face covered, and are gone when they are taken back @wide', async ({
  page,
  context,
  quiet,
}, info) => {
  await signIn(page);
  // One of them for each size: what one takes back, the other still shows.
  const id = await idOf(page, info.project.name === 'phone' ? 'mirela' : 'otis');
  await page.goto(`/swimmers/${id}/clip`);
  await page.getByRole('button', { name: 'Crossing, front' }).click();
  await expect(page.getByRole('slider', { name: 'Place in the clip' })).toBeEnabled();
  await page.getByRole('button', { name: 'One frame forward' }).click();
  await page.getByRole('button', { name: 'Lines', exact: true }).click();
  await page.getByRole('button', { name: 'Draw: Free line' }).click();
  const frame = page.getByRole('button', { name: /^Draw on the frame/ });
  const size = (await frame.boundingBox())!;
  await frame.click({ position: { x: size.width * 0.3, y: size.height * 0.4 } });
  await frame.click({ position: { x: size.width * 0.7, y: size.height * 0.6 } });
  await page.getByRole('button', { name: 'Stills', exact: true }).click();
  await page.getByRole('button', { name: 'Take the frame on the screen' }).click();
  const cover = page.getByRole('button', { name: /^Cover the face in still 1/ });
  const before = await cover.locator('img').getAttribute('src');
  await cover.press('Enter');
  await expect(page.getByText('The face is covered: press elsewhere to move it.')).toBeVisible();
  await expect.poll(() => cover.locator('img').getAttribute('src')).not.toBe(before);
  await page.getByLabel('What still 1 shows').fill('The hand crosses here.');
  const send = page.getByRole('button', { name: 'Keep it, with 1 still in the hand-out' });
  await expect(send).toBeDisabled();
  await page.getByRole('checkbox', { name: /agrees that these stills leave this device/ }).click();
  await expectAccessible(page);
  await send.click();
  await expect(page.getByRole('heading', { name: /^(How it looks|Then and now)$/ })).toBeVisible();
  await expectAccessible(page);

  await page.goto(`/swimmers/${id}/handout`);
  await expect(page.getByText('The hand crosses here.')).toBeVisible();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const address = await page.getByLabel('The link, shown only once').inputValue();
  const guest = await (await context.browser()!.newContext({ locale: 'en-GB' })).newPage();
  await guest.goto(address);
  const still = guest.getByRole('img', { name: /^You, on .*The hand crosses here\.$/ });
  await expect(still).toBeVisible();
  await expectAccessible(guest);

  await page.goto(`/swimmers/${id}`);
  await page
    .getByRole('link', { name: /^Clip of / })
    .first()
    .click();
  await page.getByRole('button', { name: 'Crossing, front' }).click();
  await page.getByRole('button', { name: 'Stills', exact: true }).click();
  await page.getByRole('button', { name: 'Take them back' }).click();
  await expect(page.getByText(/of this clip in the hand-out/)).toBeHidden();
  quiet.networkErrors = true;
  await guest.reload();
  await expect(guest.getByRole('heading', { name: /^For / })).toBeVisible();
  await expect(guest.getByText('The hand crosses here.')).toBeHidden();
  await guest.close();
});

test('videos of phones are read as they lie, and a wall is no swimmer @phone', async ({ page }) => {
  await signIn(page);
  await page.goto(`/swimmers/${await idOf(page, 'sol')}/clip`);
  for (const [name, answer] of [
    // Stored on its side, with a note how to turn it.
    ['sideways.mp4', /^(59|60|61)\.\d strokes a minute/],
    // Filmed upright, the swimmer across the middle.
    ['upright.webm', /^(59|60|61)\.\d strokes a minute/],
    ['wall.webm', /^Cannot see the strokes: /],
  ] as const) {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a video on this device' }).click();
    await (await chooser).setFiles(path.join(import.meta.dirname, 'films', name));
    await page.getByRole('button', { name: 'Look for hand entries' }).click();
    await expect(page.getByText(answer)).toBeVisible({ timeout: 90_000 });
    await page.getByRole('button', { name: 'Other clip' }).click();
  }
});
