import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { Browser, Page } from '@playwright/test';
import type { SentClip } from '@upwell/contract/sent';
import {
  BufferSource,
  BufferTarget,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  Input,
  Output,
  WEBM,
  WebMOutputFormat,
} from 'mediabunny';
import { WITH_CAMERA } from './chromium';
import { expect, expectAccessible, idOf, signIn, test as base } from './fixtures';
import type { Server } from './server';

/** A microphone that beeps. */
const test = base.extend({
  launchOptions: { ...WITH_CAMERA, args: [...WITH_CAMERA.args, '--use-fake-device-for-media-stream'] },
});
test.use({ permissions: ['microphone'] });

const FILM = path.join(import.meta.dirname, 'films', 'sideways.mp4');

/** The shipped clip over and over for 72 s, in a file of more than 61 MB: a part of it means nothing. */
async function longFilm(): Promise<string> {
  const shipped = readFileSync(path.join(import.meta.dirname, '../apps/web/public/clips/side-steady.webm'));
  const input = new Input({ source: new BufferSource(shipped), formats: [WEBM] });
  const track = (await input.getPrimaryVideoTrack())!;
  const target = new BufferTarget();
  const output = new Output({ format: new WebMOutputFormat(), target });
  const source = new EncodedVideoPacketSource((await track.getCodec())!);
  output.addVideoTrack(source);
  await output.start();
  const decoderConfig = (await track.getDecoderConfig())!;
  const lengthS = await track.computeDuration();
  for (let turn = 0; turn * lengthS < 72; turn++)
    for await (const packet of new EncodedPacketSink(track).packets())
      await source.add(packet.clone({ timestamp: packet.timestamp + turn * lengthS }), { decoderConfig });
  await output.finalize();
  // An EBML Void element: its id, its length in eight bytes, and nothing.
  const nothing = Buffer.alloc(61 * 1024 * 1024);
  const head = Buffer.from([0xec, 0x01, 0, 0, 0, 0, 0, 0, 0]);
  head.writeUIntBE(nothing.length, 3, 6);
  mkdirSync('.cache', { recursive: true });
  const file = path.resolve('.cache', `long-${process.pid}.webm`);
  writeFileSync(file, Buffer.concat([Buffer.from(target.buffer!), head, nothing]));
  return file;
}

async function swimmer(browser: Browser, server: Server): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: server.url })).newPage();
  await signIn(page, 'swimmer@upwell.example');
  return page;
}

/** Asks Mirela for a clip; nobody else asks with these words. */
async function ask(page: Page, wish: string): Promise<void> {
  await page.goto(`/swimmers/film?swimmer=${await idOf(page, 'mirela')}`);
  await page.getByLabel('What you want to see').fill(wish);
  await page.getByRole('button', { name: 'Ask for it' }).click();
  await expect(page.getByText('Mirela Fenwright is asked.')).toBeVisible();
}

async function choose(page: Page, button: string, file: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: button }).click();
  await (await chooser).setFiles(file);
}

const clipOf = async (page: Page, wish: string) =>
  ((await (await page.request.get('/api/v1/sent-clips')).json()) as SentClip[]).find((c) => c.wish === wish);

test('a clip is asked for, sent over a broken line, answered with a voice, heard, and deleted @phone', async ({
  page,
  browser,
  server,
}, info) => {
  const wish = `The catch, as slowly as you can, ${info.project.name}`;
  await signIn(page, 'coach@upwell.example');
  await ask(page, wish);
  await expectAccessible(page);

  const home = await swimmer(browser, server);
  await expect(home.getByText(`“${wish}”`)).toBeVisible();
  await expectAccessible(home);
  await choose(home, 'Film it, or choose a video', path.join(import.meta.dirname, 'chromium.ts'));
  await expect(home.getByText(/^The pictures of this video cannot be read here/)).toBeVisible();
  await choose(home, 'Film it, or choose a video', FILM);
  const pieces = '**/sent-clips/*/pieces/*';
  await home.route(pieces, (route) => route.abort());
  await home.getByRole('button', { name: 'Send it' }).click();
  await expect(home.getByText(/The clip is kept on this device and goes on when the network is back\.$/)).toBeVisible();
  await expectAccessible(home);
  // The tab is closed; the clip goes on by itself once it can.
  await home.unroute(pieces);
  await home.goto('/my-week');
  await expect(home.getByText(`“${wish}”, from the side, sent`)).toBeVisible();
  const sent = (await clipOf(page, wish))!;
  expect(sent).toMatchObject({ type: 'video/mp4', pieces: 1, answeredAt: null });
  // Neither sound nor where and on what it was filmed went along: it is only the pictures.
  const film = await (await page.request.get(`/api/v1/sent-clips/${sent.id}/film`)).body();
  expect(film.length).toBe(sent.bytes);
  expect(film.toString('latin1')).not.toMatch(/udta|soun|Lavf/);

  await page.goto('/swimmers/film');
  await expect(page.getByText(/clips? sent in, waiting for you$/).first()).toBeVisible();
  await page
    .getByRole('listitem')
    .filter({ hasText: wish })
    .getByRole('button', { name: 'Look: the clip of Mirela Fenwright' })
    .click();
  await expect(page.getByRole('button', { name: 'One frame forward' })).toBeEnabled();
  await page.getByLabel('One thing, in your words').fill('Press the chest, and the legs come by themselves.');
  await page.getByRole('button', { name: 'Say it, up to 60 s' }).click();
  const stop = page.getByRole('button', { name: 'Stop speaking' });
  await expect(stop).toBeVisible();
  await stop.click();
  await expect(page.getByRole('button', { name: 'Say it again' })).toBeVisible();
  await expectAccessible(page);
  // What was said and written waits here, whatever becomes of the tab.
  await page.reload();
  await expect(page.getByLabel('One thing, in your words')).toHaveValue(/^Press the chest/);
  await page.getByRole('button', { name: 'Send the answer with your voice' }).click();
  await expect(page).toHaveURL(/\/swimmers\/film$/);

  await home.reload();
  const answer = home.getByText('Press the chest, and the legs come by themselves.');
  await expect(answer).toBeVisible();
  const voice = home.getByLabel('Spoken answer of your coach').first();
  const heard = await home.request.get((await voice.getAttribute('src'))!);
  expect([heard.status(), (await heard.body()).length > 100]).toEqual([200, true]);
  await expectAccessible(home);
  const away = home.getByRole('button', { name: 'Delete my clip' }).first();
  await away.focus();
  await home.keyboard.down('Enter');
  await expect(answer).toHaveCount(0);
  await home.keyboard.up('Enter');
  await expect(async () => expect(await clipOf(page, wish)).toBeUndefined()).toPass();
  expect((await page.request.get(`/api/v1/sent-clips/${sent.id}/film`)).status()).toBe(404);
});

test('a film of 72 s and 61 MB is cut and made smaller before it is sent @wide', async ({
  page,
  browser,
  server,
}, info) => {
  const wish = `All of it, ${info.project.name}`;
  await signIn(page, 'coach@upwell.example');
  await ask(page, wish);
  const home = await swimmer(browser, server);
  const file = await longFilm();
  await choose(home, 'Film it, or choose a video', file);
  await expect(home.getByText('The 60 s from 0 s on are sent.', { exact: false })).toBeVisible();
  const begins = home.getByRole('slider', { name: 'Where the clip begins' });
  await begins.focus();
  await home.keyboard.press('End');
  await expect(home.getByText(/The 60 s from 1\d s on are sent\./)).toBeVisible();
  await home.getByRole('button', { name: 'Send these 60 s' }).click();
  await expect(home.getByText(`“${wish}”, from the side, sent`)).toBeVisible({ timeout: 120_000 });
  rmSync(file);
  const sent = (await clipOf(page, wish))!;
  expect(sent.seconds).toBeGreaterThan(59);
  expect(sent.seconds).toBeLessThanOrEqual(60);
  expect(sent.bytes).toBeLessThan(40 * 1024 * 1024);
  // Taken back by the coach it is gone for both.
  expect((await page.request.delete(`/api/v1/sent-clips/${sent.id}`)).status()).toBe(204);
  await home.reload();
  await expect(home.getByRole('heading', { name: 'My week' })).toBeVisible();
  await expect(home.getByText(`“${wish}”`, { exact: false })).toHaveCount(0);
});
