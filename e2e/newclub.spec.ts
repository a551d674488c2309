import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { expect, expectAccessible, freePort, newSession, signIn, test } from './fixtures';
import { Server } from './server';

const DIST = path.resolve(import.meta.dirname, '../apps/web/dist');

/** A server on an empty database of its own, gone afterwards. */
async function onEmpty(work: (server: Server) => Promise<void>): Promise<void> {
  const url = new URL(process.env.DATABASE_URL!);
  const name = `empty_${Date.now()}`;
  const sql = (text: string) => execFileSync('psql', [process.env.DATABASE_URL!, '-qc', text], { stdio: 'pipe' });
  sql(`create database ${name}`);
  url.pathname = `/${name}`;
  const server = new Server(await freePort(), { DATABASE_URL: url.toString(), UPWELL_DEMO: '0' });
  try {
    await server.start();
    await work(server);
  } finally {
    await server.stop();
    sql(`drop database ${name} with (force)`);
  }
}

/** A phone of somebody else, or one of our own, at this server. */
async function phone(browser: Browser, server: Server): Promise<Page> {
  const context = await browser.newContext({ baseURL: server.url, viewport: { width: 390, height: 844 } });
  return context.newPage();
}

/** Counts what a thumb does: every press, and every field that is entered. */
class Taps {
  count = 0;
  constructor(private readonly page: Page) {}
  async press(name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> {
    this.count++;
    await this.page.getByRole(role, { name }).first().click();
  }
  async enter(label: string, text: string): Promise<void> {
    this.count++;
    await this.page.getByLabel(label, { exact: true }).fill(text);
  }
}

const SQUADS = ['Minnows', 'Juniors', 'Seniors', 'Masters'];
const LEVELS = ['Settle', 'Build', 'Hold', 'Race'];
const FAMILIES = ['Lindqvale', 'Halloran', 'Quarrel', 'Dvořák', 'Šahin', 'Ferrant'];
/** Sixty swimmers, as they stand in a club's sheet. */
const ROSTER = [
  'Vorname;Nachname;Jahrgang;Gruppe;Stufe;100 Freistil',
  ...Array.from({ length: 60 }, (_, i) => {
    const at = i % 4;
    const time = ['', '1:52,3', '1:31,0', '1:12,4'][at];
    return `Łena${String.fromCharCode(97 + (i % 26))}${i};${FAMILIES[i % 6]};${2016 - at * 4};${SQUADS[at]};${LEVELS[at]};${time}`;
  }),
].join('\n');

test('from an empty server to the first session on deck, with sixty swimmers and three coaches @phone', async ({
  browser,
}, info) => {
  test.setTimeout(480_000);
  await onEmpty(async (server) => {
    const page = await phone(browser, server);
    const taps = new Taps(page);
    await page.goto('/');
    await taps.press('Set up your club');
    await taps.enter('Code', server.code.toLowerCase());
    await taps.enter('Name of the club', 'Kestrel Bay Swimmers');
    await taps.enter('Your name', 'Ines Moll');
    await taps.enter('E-mail', 'ines@kestrel.example');
    await taps.enter('Password, 10 characters or more', 'three wet towels');
    await taps.press('Begin');
    await expect(page.getByText('First steps')).toBeVisible();
    await expectAccessible(page);

    await taps.press('Import swimmers');
    await taps.enter('Or paste it here', ROSTER);
    await taps.press('Check the list');
    await expect(page.getByText('New squads: Minnows, Juniors, Seniors, Masters')).toBeVisible();
    await expectAccessible(page);
    await taps.press('Import 60 swimmers');
    await expect(page.getByText('60 swimmers added')).toBeVisible();

    await taps.press('Invite coaches');
    const links: string[] = [];
    for (const squad of ['Minnows', 'Juniors', 'Seniors']) {
      await taps.press(squad);
      await taps.press('Make the link');
      links.push(await page.getByLabel('The link', { exact: true }).inputValue());
      if (links.length === 1) await expectAccessible(page);
      await taps.press('Done');
      await taps.press(squad);
    }

    await taps.press('Sessions', 'link');
    await taps.press(/^(New session|Build|New)/);
    await expect(page.getByRole('button', { name: 'Keep it' })).toBeEnabled();
    await taps.press('Keep it');
    await expect(page).toHaveURL(/\/sessions\/[0-9a-f-]{36}$/);
    const title = await page.getByRole('heading', { level: 1 }).innerText();
    await taps.press('Deck', 'link');
    await expect(page.getByRole('main').getByText(title).first()).toBeVisible();
    info.annotations.push({ type: 'taps', description: String(taps.count) });
    console.log(`taps from an empty server to the first session on deck: ${taps.count}`);
    expect(taps.count).toBeLessThan(60);

    // The first coach comes in on another phone, and sees their squad and no other.
    const coach = await phone(browser, server);
    await coach.goto(links[0]!);
    await expect(coach.getByText('Ines Moll invites you as a coach.')).toBeVisible();
    await expectAccessible(coach);
    await coach.getByLabel('Your name').fill('Odile Ferrant');
    await coach.getByLabel('E-mail').fill('odile@kestrel.example');
    await coach.getByLabel('Password, 10 characters or more').fill('four dry towels');
    await coach.getByRole('button', { name: 'Join' }).click();
    await expect(coach).toHaveURL(/\/deck$/);
    await coach.goto('/swimmers');
    await expect(coach.getByRole('button', { name: 'Minnows' })).toBeVisible();
    await expect(coach.getByRole('button', { name: 'Juniors' })).toHaveCount(0);
    // Found without the letters that are not on this keyboard.
    await coach.getByLabel('Find a swimmer by name').fill('lenaa0 lindqvale');
    const found = coach.getByRole('link', { name: /^Łenaa0 Lindqvale/ });
    await expect(found).toBeVisible();

    // A parent comes in for a child, and sees the week of that child alone.
    await found.click();
    await coach.getByRole('button', { name: 'Invite' }).click();
    await coach.getByRole('button', { name: 'Make the link' }).click();
    const home = await phone(browser, server);
    await home.goto(await coach.getByLabel('The link', { exact: true }).inputValue());
    await expect(home.getByText(/a parent or guardian signs up here/)).toBeVisible();
    await home.getByLabel('Your name').fill('Mara Lindqvale');
    await home.getByLabel('E-mail').fill('mara@lindqvale.example');
    await home.getByLabel('Password, 10 characters or more').fill('five salty shoes');
    await home.getByRole('button', { name: 'Join' }).click();
    await expect(home).toHaveURL(/\/my-week$/);
    const seen = (await (await home.request.get('/api/v1/swimmers')).json()) as { items: object[] };
    expect(seen.items).toHaveLength(1);

    // The coach forgets the password: the head coach's link, once.
    await page.goto('/account/people');
    await page.getByRole('button', { name: /^Odile Ferrant/ }).click();
    await page.getByRole('button', { name: 'Link for a new password' }).click();
    const link = await page.getByLabel('The link', { exact: true }).inputValue();
    await coach.goto(link);
    await coach.getByLabel('New password, 10 characters or more').fill('six wet feet here');
    await coach.getByRole('button', { name: 'Set the password' }).click();
    await expect(coach.getByText('Your new password is set')).toBeVisible();
    await coach.getByRole('button', { name: 'Go to sign-in' }).click();
    await coach.getByLabel('E-mail').fill('odile@kestrel.example');
    await coach.getByLabel('Password', { exact: true }).fill('six wet feet here');
    await coach.getByRole('button', { name: 'Sign in' }).click();
    await expect(coach).toHaveURL(/\/deck$/);
    await home.goto(link);
    await expect(home.getByText('This link has expired')).toBeVisible();

    // And leaves the club: out on the device that is open, the name stays.
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('button', { name: 'Has left the club' }).click();
    await expect(page.getByText('Left the club', { exact: true })).toBeVisible();
    await coach.goto('/swimmers');
    await expect(coach).toHaveURL(/\/sign-in/);
    await page.reload();
    await expect(page.getByRole('button', { name: /^Odile Ferrant/ })).toBeVisible();
  });
});

test('a newer version waits for the running clock, and is loaded with the next page after it @phone', async ({
  browser,
}) => {
  test.setTimeout(480_000);
  const dist = mkdtempSync(path.join(tmpdir(), 'upwell-dist-'));
  cpSync(DIST, dist, { recursive: true });
  const server = new Server(await freePort(), { WEB_ROOT: dist });
  try {
    await server.start();
    const page = await phone(browser, server);
    await signIn(page);
    // The app is kept by the browser.
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
      while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 50));
    });
    const sessionId = await newSession(page);
    await page.goto(`/deck/${sessionId}`);
    await page.getByRole('button', { name: 'Run it' }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('button', { name: 'Lane 1: go', exact: true }).click();

    // A new build takes the place of the old one, and the server is started again.
    await server.stop();
    const index = path.join(dist, 'index.html');
    writeFileSync(index, readFileSync(index, 'utf8').replace(/(upwell-build" content=")\w+/, '$1feedfeedfeed'));
    const worker = path.join(dist, 'sw.js');
    const old = readFileSync(worker, 'utf8');
    const next = old.replace(/(url:"index\.html",revision:")[0-9a-f]+/, '$1feed');
    expect(next).not.toBe(old);
    writeFileSync(worker, next);
    writeFileSync(path.join(dist, '.upwell-build'), 'feedfeedfeedfeed');
    await server.start();

    // Said, and nothing happens to the clock, whatever else is looked at.
    await page.evaluate(() => {
      (globalThis as { same?: true }).same = true;
    });
    const isSame = () => page.evaluate(() => (globalThis as { same?: true }).same === true);
    const build = () => page.locator('meta[name="upwell-build"]').getAttribute('content');
    const before = await build();
    const back = page.getByRole('button', { name: 'Back' });
    await back.click();
    await expect(page).toHaveURL(`/deck/${sessionId}`);
    await back.click();
    await page.getByRole('link', { name: 'Swimmers' }).click();
    await expect(page.getByText('It waits while the clock runs.', { exact: false })).toBeVisible();
    await page.getByRole('link', { name: 'Library' }).click();
    await expect(page).toHaveURL(/\/library/);
    expect([await isSame(), await build()]).toEqual([true, before]);

    // The session ends and everything is sent: with the next page the new version is there.
    const runIt = page.getByRole('button', { name: 'Run it' });
    for (let i = 0; i < 6 && !(await runIt.isVisible()); i++) {
      await page.goBack();
      await runIt.waitFor({ timeout: 6000 }).catch(() => undefined);
    }
    expect(await isSame()).toBe(true);
    await runIt.click();
    await page.getByRole('tab', { name: 'Finish' }).click();
    await page.getByRole('button', { name: 'Hold to end the session' }).click({ delay: 2500 });
    await expect(page.getByText('Hold to end the session')).toHaveCount(0);
    await expect(page.getByText(/\d waits?/)).toHaveCount(0);
    await back.click();
    await back.click();
    const places = ['Swimmers', 'Library'];
    const afterNextPage = async () => {
      if ((await build().catch(() => null)) === 'feedfeedfeed') return 'feedfeedfeed';
      places.reverse();
      await page
        .getByRole('link', { name: places[0]! })
        .click({ timeout: 3000 })
        .catch(() => undefined);
      return build().catch(() => null);
    };
    await expect.poll(afterNextPage, { timeout: 120_000, intervals: [1500] }).toBe('feedfeedfeed');
    await expect.poll(isSame).toBe(false);
  } finally {
    await server.stop();
    rmSync(dist, { recursive: true, force: true });
  }
});
