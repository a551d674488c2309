import { rmSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { CLOCK, clockOnCamera, withCamera } from './fakeCamera';
import { expect, expectAccessible, signIn, test as base } from './fixtures';

/** A clock before the camera: every picture shows its number. */
const test = base.extend({
  launchOptions: [
    async ({}, use) => {
      const file = clockOnCamera('clock');
      await use(withCamera(file));
      rmSync(file);
    },
    { scope: 'worker' },
  ],
});
test.use({ permissions: ['camera'] });

/** Seconds between what the camera shows and what the mirror shows, read off their pictures. */
const delayOf = (page: Page) =>
  page.evaluate(
    ({ bits, fps }) => {
      const numberOn = (video: HTMLVideoElement) => {
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
        const context = canvas.getContext('2d')!;
        context.drawImage(video, 0, 0);
        let number = 0;
        for (let bit = 0; bit < bits; bit++) {
          const [grey] = context.getImageData(((bit + 0.5) * canvas.width) / bits, canvas.height / 2, 1, 1).data;
          if (grey! > 128) number |= 1 << bit;
        }
        return number;
      };
      const now = document.querySelector<HTMLVideoElement>('#now')!;
      const mirror = document.querySelector<HTMLVideoElement>('[aria-label^="What the camera saw"]')!;
      const behind = (numberOn(now) - numberOn(mirror) + 2 ** bits) % 2 ** bits;
      return behind / fps;
    },
    { bits: CLOCK.bits, fps: CLOCK.fps },
  );

test('the mirror shows what happened as long ago as it says', { tag: '@alone' }, async ({ page }) => {
  // The same camera once more, as it is now.
  await page.addInitScript(() => {
    const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
    navigator.mediaDevices.getUserMedia = async (asked) => {
      const stream = await open(asked);
      const now = document.createElement('video');
      now.id = 'now';
      now.muted = true;
      now.srcObject = stream;
      document.body.append(now);
      await now.play();
      return stream;
    };
  });
  await signIn(page);
  await page.getByRole('button', { name: 'Delayed mirror' }).click();
  await page.getByRole('button', { name: '5 s', exact: true }).click();
  await page.getByRole('button', { name: 'Open the mirror' }).click();
  await expect(page.getByText(/^First picture in \d s$/)).toBeVisible();
  for (const seconds of [5, 10, 5]) {
    await page.getByRole('button', { name: `${seconds} s`, exact: true }).click();
    await expect(page.getByText(`${seconds} s ago`)).toBeVisible();
    await expect
      .poll(
        async () => {
          const off: number[] = [];
          for (let i = 0; i < 5; i++) {
            off.push(Math.abs((await delayOf(page)) - seconds));
            await page.waitForTimeout(200);
          }
          return Math.max(...off);
        },
        { timeout: 30_000 },
      )
      .toBeLessThan(0.2);
  }
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Open the mirror' })).toBeVisible();
});
