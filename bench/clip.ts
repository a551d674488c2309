import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { openApp } from './browser';

/** Ten minutes at 60 frames a second. */
const MINUTES = 10;
const FILE = path.join(import.meta.dirname, '../.cache/ten-minutes.webm');
const STEPS = 300;
const ROUNDS = 5;

if (!existsSync(FILE)) {
  mkdirSync(path.dirname(FILE), { recursive: true });
  const source = `testsrc=size=320x180:rate=60:duration=${MINUTES * 60}`;
  const made = spawnSync(
    'ffmpeg',
    [
      '-y',
      '-loglevel',
      'error',
      '-f',
      'lavfi',
      '-i',
      source,
      '-c:v',
      'libvpx',
      '-deadline',
      'realtime',
      '-cpu-used',
      '8',
      '-b:v',
      '300k',
      '-g',
      '60',
      FILE,
    ],
    { stdio: 'inherit' },
  );
  if (made.status !== 0) throw new Error('ffmpeg could not make the clip. Install it: apt-get install ffmpeg');
}

const { page, cdp, close } = await openApp();
try {
  const { items } = (await (await page.request.get('/api/v1/swimmers?search=mirela')).json()) as {
    items: { id: string }[];
  };
  await page.goto(`/swimmers/${items[0]!.id}/clip`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a video on this device' }).click();
  await (await chooser).setFiles(FILE);
  await page.getByRole('button', { name: 'One frame forward' }).waitFor();
  await page.waitForFunction(() => (document.querySelector('video')?.readyState ?? 0) >= 2);

  const heap = async () => {
    await cdp.send('HeapProfiler.collectGarbage');
    const { usedSize } = await cdp.send('Runtime.getHeapUsage');
    const { nodes } = await cdp.send('Memory.getDOMCounters');
    return { mb: usedSize / 1e6, nodes };
  };
  const step = async () => {
    const before = await page.evaluate(() => document.querySelector('video')!.currentTime);
    await page.keyboard.press('.');
    await page.waitForFunction(
      (t) => document.querySelector('video')!.currentTime !== t && !document.querySelector('video')!.seeking,
      before,
    );
  };
  for (let i = 0; i < 30; i++) await step();
  let last = await heap();
  console.log(`after 30 frames               ${last.mb.toFixed(1)} MB in scripts   ${last.nodes} nodes`);
  const first = last;
  for (let round = 1; round <= ROUNDS; round++) {
    await page.evaluate(
      (at) => (document.querySelector('video')!.currentTime = at),
      (round * MINUTES * 60) / (ROUNDS + 1),
    );
    const started = performance.now();
    for (let i = 0; i < STEPS; i++) await step();
    const each = (performance.now() - started) / STEPS;
    last = await heap();
    console.log(
      `after ${(round * STEPS + 30).toString().padStart(4)} frames             ${last.mb.toFixed(1)} MB in scripts   ${last.nodes} nodes   ${each.toFixed(0)} ms a frame`,
    );
  }
  console.log(
    `growth over ${STEPS * ROUNDS} frames        ${(last.mb - first.mb).toFixed(2)} MB   ${last.nodes - first.nodes} nodes   (wanted: no growth)`,
  );
} finally {
  await close();
}
