// The course sheet on a phone: frames while the map is dragged under 300 swims, the first useful answer after the
// water changes, and a track of half a million points. Each beside the same browser with nothing to do.
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import type { Course } from '@upwell/core/water';
import type { Page } from '@playwright/test';
import { openApp } from './browser';

const POINTS = 500_000;
const FILE = '.cache/half-million.gpx';
const DRAG_MS = 3000;
const ms = (n: number) => `${n.toFixed(0)} ms`;
const middle = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

/** Frames a second while something goes on. */
async function frames(page: Page, during: () => Promise<void>): Promise<number> {
  // As text: tsx marks functions with names that the browser does not know.
  await page.evaluate(`const seen = (window.seen = { frames: 0, from: performance.now(), on: true });
    requestAnimationFrame(function count() {
      seen.frames++;
      if (seen.on) requestAnimationFrame(count);
    });`);
  await during();
  return page.evaluate(() => {
    const { seen } = window as unknown as { seen: { frames: number; from: number; on: boolean } };
    seen.on = false;
    return (seen.frames / (performance.now() - seen.from)) * 1000;
  });
}

async function drag(page: Page): Promise<void> {
  const box = (await page.getByRole('group', { name: /^Map of/ }).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const begun = performance.now();
  for (let i = 0; performance.now() - begun < DRAG_MS; i++)
    await page.mouse.move(x + 60 * Math.sin(i / 9), y + 40 * Math.cos(i / 7));
  await page.mouse.up();
}

async function main(): Promise<void> {
  const { page, close } = await openApp();
  const courses = (await (await page.request.get('/api/v1/courses')).json()) as { id: string; name: string }[];
  const { id } = courses.find((c) => c.name === 'Lantern Mile')!;

  await page.goto(`/water/${id}`);
  await page.getByText(/From \d+ to \d+ it costs under half a per cent more/).waitFor();
  await page.getByRole('progressbar').waitFor({ state: 'detached' });
  const cpu = await page.context().newCDPSession(page);
  for (const times of [1, 4]) {
    await cpu.send('Emulation.setCPUThrottlingRate', { rate: times });
    const still = await frames(page, () => page.waitForTimeout(DRAG_MS));
    const dragged = await frames(page, () => drag(page));
    console.log(
      `  map under 300 swims, CPU slowed ${times} ×  ${dragged.toFixed(1)} frames/s dragged   (wanted 55; ${still.toFixed(1)} with nothing to do)`,
    );
  }
  await cpu.send('Emulation.setCPUThrottlingRate', { rate: 1 });

  // Each tap changes the water: the answer of the leg is computed again.
  await page.getByRole('button', { name: /10:30/ }).click();
  const first: number[] = [];
  for (let i = 0; i < 7; i++) {
    first.push(
      await page.evaluate<number>(`(async () => {
        const begun = performance.now();
        const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
        const there = () => document.body.innerText.includes('Nine in ten swims take under');
        document.querySelector('[aria-label="More m waves"]').click();
        // The old answer goes with the water, the new one comes with the first swims.
        while (there() && performance.now() - begun < 5000) await frame();
        while (!there() && performance.now() - begun < 5000) await frame();
        return performance.now() - begun;
      })()`),
    );
    await page.getByRole('progressbar').waitFor({ state: 'detached' });
  }
  console.log(`  first answer for a leg            median ${ms(middle(first))}   (wanted 300)`);

  // Along the course itself, 250 points a second.
  const { course } = (await (await page.request.get(`/api/v1/courses/${id}`)).json()) as { course: Course };
  const stops = [course.start, ...course.marks, course.finish];
  const point = (share: number, at: string) => {
    const along = share * (stops.length - 1);
    const [from, to, t] = [stops[Math.floor(along)]!, stops[Math.floor(along) + 1]!, along % 1];
    const [lat, lon] = [from.lat + (to.lat - from.lat) * t, from.lon + (to.lon - from.lon) * t];
    return `<trkpt lat="${lat.toFixed(7)}" lon="${lon.toFixed(7)}"><time>${at}</time></trkpt>`;
  };
  const rows = Array.from({ length: POINTS }, (_, i) => {
    const at = new Date(Date.UTC(2026, 5, 1, 9) + i * 4).toISOString();
    return point(i / POINTS, at);
  });
  const file = `<gpx version="1.1"><trk><trkseg>${rows.join('\n')}</trkseg></trk></gpx>`;
  await page.goto(`/water/${id}/tracks`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a track' }).click();
  // Playwright takes no buffer of this size: the file must lie on the disk.
  mkdirSync('.cache', { recursive: true });
  writeFileSync(FILE, file);
  await (await chooser).setFiles(FILE);
  const begun = performance.now();
  await page
    .getByText(/m swum for/)
    .first()
    .waitFor({ timeout: 60_000 });
  const said = await page
    .getByText(/m swum for/)
    .first()
    .textContent();
  console.log(
    `  track of ${POINTS.toLocaleString('en')} points, ${(file.length / 1e6).toFixed(0)} MB    ${ms(performance.now() - begun)}   (wanted 5000; “${said}”)`,
  );
  rmSync(FILE);
  await close();
}

await main();
