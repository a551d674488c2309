import type { Page } from '@playwright/test';
import { openApp } from './browser';

/** Frames a second over some seconds, and the longest gap between two. */
function frames(page: Page, seconds: number): Promise<{ fps: number; longestMs: number }> {
  return page.evaluate(
    (ms) =>
      new Promise<{ fps: number; longestMs: number }>((resolve) => {
        const times: number[] = [];
        const step = (now: number) => {
          times.push(now);
          if (now - times[0]! < ms) requestAnimationFrame(step);
          else
            resolve({
              fps: ((times.length - 1) * 1000) / (now - times[0]!),
              longestMs: Math.max(...times.slice(1).map((t, i) => t - times[i]!)),
            });
        };
        requestAnimationFrame(step);
      }),
    seconds * 1000,
  );
}

const { page, cdp, close } = await openApp();
try {
  await page.goto('/library');
  await page.getByRole('button', { name: 'seeks air too low' }).click();
  await page.getByRole('button', { name: 'Speed 1×' }).click();
  const row = (name: string, { fps, longestMs }: { fps: number; longestMs: number }) =>
    console.log(`${name.padEnd(34)} ${fps.toFixed(1).padStart(6)} fps   longest gap ${longestMs.toFixed(0)} ms`);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.getByRole('button', { name: 'Pause the swimmer' }).click();
  row('reference: nothing moves, 4× slower', await frames(page, 5));
  await page.getByRole('button', { name: 'Let the swimmer swim' }).click();
  row('the figure swims, 4× slower', await frames(page, 10));
  await page.getByRole('button', { name: 'From the top' }).click();
  row('from the top, 4× slower', await frames(page, 5));
  console.log('wanted: 55 fps or more');
} finally {
  await close();
}
