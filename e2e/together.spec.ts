// One session on two devices: each sees what the other changes, and nothing is lost when one is offline.
import type { Browser, Page } from '@playwright/test';
import { expect, expectAccessible, newSession, signIn, test } from './fixtures';

const TEXT = `# Two at it
when: 2032-04-06 19:00
pool: 25 m
minutes: 60

== Hold
Land 6 min
Warm-up
  200 choice easy
  4 x 50 kick, rest 15
Main
  6 x 100 crawl 80%, rest 15
  8 x 50 back, rest 10
Swim-down
  100 choice easy
`;

async function begin(page: Page): Promise<string> {
  await page.goto('/sessions/write');
  await page.getByLabel('The session as text').fill(TEXT);
  await expect(page.getByText('Everything was read')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page).toHaveURL(/\/sessions\/[0-9a-f-]{36}$/);
  return page.url();
}

/** Another device, of the head coach, with the same page. */
async function otherDevice(browser: Browser, page: Page, url: string): Promise<Page> {
  const context = await browser.newContext({ viewport: page.viewportSize(), baseURL: new URL(url).origin });
  const other = await context.newPage();
  await signIn(other, 'head@upwell.example');
  await other.goto(url);
  return other;
}

const set = (page: Page, name: RegExp) => page.getByRole('button', { name });
const blockHas = (page: Page, block: string, metres: number) =>
  expect(
    page.getByRole('group', { name: block, exact: true }).getByText(`${metres} m`, { exact: false }),
  ).toBeVisible();
const here = (page: Page) => page.getByText('has this open too', { exact: false });

async function reps(page: Page, name: RegExp, to: string): Promise<void> {
  await set(page, name).click();
  const field = page.getByRole('textbox', { name: 'reps' });
  await field.fill(to);
  await field.press('Enter');
}

async function moveTo(page: Page, name: RegExp, block: string): Promise<void> {
  await set(page, name).focus();
  await page.keyboard.press('x');
  await page.getByRole('button', { name: `Move to ${block}` }).click();
  await page.getByRole('button', { name: 'Done choosing' }).click();
}

test('two coaches change one session and see each other’s changes at once @wide', async ({ page, browser, quiet }) => {
  // Two saves that meet: the browser notes that one was refused before it went on top of the other.
  quiet.networkErrors = true;
  await signIn(page, 'coach@upwell.example');
  const other = await otherDevice(browser, page, await begin(page));
  await expect(here(page)).toBeVisible();
  await expect(here(other)).toBeVisible();
  await expectAccessible(page);

  await reps(other, /^6 × 100 crawl/, '9');
  const changed = Date.now();
  await expect(set(page, /^9 × 100 crawl/)).toBeVisible();
  console.log(`seen on the other device after ${Date.now() - changed} ms`);
  // Both at the same moment, in different sets of the same block.
  await Promise.all([reps(page, /^8 × 50 backstroke/, '10'), moveTo(other, /^4 × 50 kick/, 'Main')]);
  for (const device of [page, other]) {
    await expect(set(device, /^10 × 50 backstroke/)).toBeVisible();
    await expect(set(device, /^9 × 100 crawl/)).toBeVisible();
    await expect(set(device, /^4 × 50 kick/)).toHaveCount(1);
    await blockHas(device, 'Main', 1600);
  }
  // Undo takes back what was done here, and not what the other did.
  await page.getByRole('button', { name: 'Undo' }).click();
  for (const device of [page, other]) {
    await expect(set(device, /^8 × 50 backstroke/)).toBeVisible();
    await blockHas(device, 'Main', 1500);
  }
  await other.context().close();
  await expect(here(page)).toBeHidden();
});

test('with one offline and both moving the same set, nothing is lost or doubled @phone', async ({
  page,
  browser,
  quiet,
}) => {
  // Two saves that meet: the browser notes that one was refused before it went on top of the other.
  quiet.networkErrors = true;
  await signIn(page, 'coach@upwell.example');
  const other = await otherDevice(browser, page, await begin(page));
  await expect(here(page)).toBeVisible();
  await expect(here(other)).toBeVisible();

  await other.context().setOffline(true);
  await expect(here(other)).toBeHidden();
  await moveTo(other, /^4 × 50 kick/, 'Swim-down');
  await reps(other, /^8 × 50 backstroke/, '12');
  await moveTo(page, /^4 × 50 kick/, 'Main');
  await reps(page, /^6 × 100 crawl/, '7');
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByRole('button', { name: 'Save changes' })).toBeDisabled();

  await other.context().setOffline(false);
  for (const device of [page, other]) {
    // Who came last moved it last; the rest is from both.
    await expect(set(device, /^4 × 50 kick/)).toHaveCount(1);
    await blockHas(device, 'Swim-down', 300);
    await expect(set(device, /^12 × 50 backstroke/)).toBeVisible();
    await expect(set(device, /^7 × 100 crawl/)).toBeVisible();
  }
  await expect(other.getByText('Both of you changed 4 × 50 kick', { exact: false })).toBeVisible();
  await other.getByRole('button', { name: 'Good' }).click();
  await expect(other.getByText('Both of you changed', { exact: false })).toBeHidden();
  await page.reload();
  await blockHas(page, 'Swim-down', 300);
  await other.context().close();
});

test('a save that waited offline is put together with what others saved meanwhile @phone', async ({
  page,
  browser,
  quiet,
}) => {
  quiet.networkErrors = true;
  await signIn(page, 'coach@upwell.example');
  const url = await begin(page);
  const other = await otherDevice(browser, page, url);
  await expect(here(page)).toBeVisible();
  await other.context().setOffline(true);
  await expect(here(page)).toBeHidden();
  await reps(other, /^8 × 50 backstroke/, '12');
  await other.getByRole('button', { name: 'Save changes' }).click();
  await expect(other.getByText(/Offline · 1 waits/)).toBeVisible();
  await reps(page, /^6 × 100 crawl/, '7');
  await page.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByRole('button', { name: 'Save changes' })).toBeDisabled();
  await other.context().setOffline(false);
  for (const device of [page, other]) {
    await expect(set(device, /^12 × 50 backstroke/)).toBeVisible();
    await expect(set(device, /^7 × 100 crawl/)).toBeVisible();
  }
  await other.context().close();
});

test('two devices run one session: what one notes, the other shows @wide', async ({ page, browser }) => {
  await signIn(page, 'coach@upwell.example');
  const id = await newSession(page);
  await page.goto(`/deck/${id}/run`);
  const other = await otherDevice(browser, page, page.url());
  await page.getByRole('button', { name: 'Begin' }).click();
  const begun = Date.now();
  await expect(other.getByRole('tab', { name: 'Lanes' })).toBeVisible();
  console.log(`begun on the other device after ${Date.now() - begun} ms`);
  // The other one sends a lane off, and this one shows it.
  await other.getByRole('button', { name: 'Lane 1: go', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Lane 1: go', exact: true })).toBeHidden();
  await other.context().close();
});
