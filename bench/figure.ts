import type { Page } from '@playwright/test';
import { openApp } from './browser';

interface Frames {
  readonly fps: number;
  readonly longestMs: number;
}

/** Frames a second over some seconds, and the longest gap between two. */
function frames(page: Page, seconds: number): Promise<Frames> {
  // As text: the page knows nothing of what a TypeScript loader adds to functions.
  return page.evaluate<Frames>(`new Promise((resolve) => {
    const times = [];
    const step = (now) => {
      times.push(now);
      if (now - times[0] < ${seconds * 1000}) return requestAnimationFrame(step);
      const gaps = times.slice(1).map((t, i) => t - times[i]);
      resolve({ fps: gaps.length * 1000 / (now - times[0]), longestMs: Math.max(...gaps) });
    };
    requestAnimationFrame(step);
  })`);
}

const { page, cdp, close } = await openApp();
try {
  await page.goto('/library');
  await page.getByRole('button', { name: 'Turning too far for air' }).click();
  await page.getByRole('button', { name: 'Speed 1×' }).click();
  const row = (name: string, { fps, longestMs }: { fps: number; longestMs: number }) =>
    console.log(`${name.padEnd(34)} ${fps.toFixed(1).padStart(6)} fps   longest gap ${longestMs.toFixed(0)} ms`);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await page.getByRole('button', { name: 'Pause the swimmer' }).click();
  row('reference: nothing moves, 4× slower', await frames(page, 5));
  await page.getByRole('button', { name: 'Start the swimmer' }).click();
  row('the figure swims, 4× slower', await frames(page, 10));
  await page.getByRole('button', { name: 'From the top' }).click();
  row('from the top, 4× slower', await frames(page, 5));
  console.log('wanted: 55 fps or more');
} finally {
  await close();
}
