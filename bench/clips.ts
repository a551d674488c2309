// Makes the simulated clips that ship with the app, out of the drawn swimmer: node --import tsx bench/clips.ts
// Needs Chromium and ffmpeg (apt-get install chromium ffmpeg); only to make them again.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { drawnFigure, figureLayers, FRAME, posedBy, type FigureSide, type LayerRole } from '@upwell/core/figure';
import type { SignId } from '@upwell/core/review';

const FPS = 25;
const SECONDS = 8;
const SIZE = { width: 640, height: 320 };

interface Clip {
  readonly name: string;
  readonly view: FigureSide;
  readonly signs: readonly SignId[];
  /** Seconds of one cycle of both arms. */
  readonly cycleS: number;
}

const CLIPS: readonly Clip[] = [
  { name: 'side-steady', view: 'side', signs: [], cycleS: 2 },
  { name: 'side-low-legs', view: 'side', signs: ['legs-low', 'lead-arm-drops'], cycleS: 1.6 },
  { name: 'front-crossing', view: 'front', signs: ['enters-past-middle', 'head-swings'], cycleS: 2 },
];

const PAINT: Readonly<Record<LayerRole, readonly [fill: string, stroke: string, width: number]>> = {
  wall: ['none', '#5C7074', 8],
  wake: ['#0B5D57', 'none', 0],
  rails: ['none', 'none', 0],
  board: ['#66763A', 'none', 0],
  far: ['#5F7F86', 'none', 0],
  body: ['#B98F6B', 'none', 0],
  'mark-under': ['none', 'none', 0],
  skin: ['#B98F6B', 'none', 0],
  cap: ['#D9482B', 'none', 0],
  goggles: ['#0F2A2E', 'none', 0],
  mouth: ['#7A3B2A', 'none', 0],
  'near-edge': ['none', '#7FA6AC', 3],
  near: ['#B98F6B', 'none', 0],
  mark: ['none', 'none', 0],
  bubbles: ['#FFFFFF', 'none', 0],
  splash: ['none', '#FFFFFF', 2.5],
  strain: ['none', 'none', 0],
};

function frame({ view, signs, cycleS }: Clip, timeS: number): string {
  const box = FRAME[view];
  const layers = figureLayers(drawnFigure('front-crawl', view, posedBy(signs), timeS / cycleS));
  const paths = layers.map(({ role, d }) => {
    const [fill, stroke, width] = PAINT[role];
    return d ? `<path d="${d}" fill="${fill}" stroke="${stroke}" stroke-width="${width}"/>` : '';
  });
  // Tiles drift by, so that the swimmer is seen to move.
  const shift = (timeS * 90) % 80;
  const tiles = Array.from(
    { length: 12 },
    (_, i) => `<rect x="${box.x + i * 80 + shift - 80}" y="150" width="40" height="14" fill="#4F7E86"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width}" height="${SIZE.height}" viewBox="${box.x} ${box.y} ${box.width} ${box.height}" preserveAspectRatio="xMidYMid slice"><rect x="-900" y="-400" width="2000" height="400" fill="#DDE6E4"/><rect x="-900" y="0" width="2000" height="900" fill="#7FB3BB"/>${tiles.join('')}${paths.join('')}</svg>`;
}

async function make(clip: Clip, folder: string): Promise<void> {
  const file = path.join(folder, `${clip.name}.webm`);
  const ffmpeg = spawn(
    'ffmpeg',
    [
      '-y',
      '-loglevel',
      'error',
      '-f',
      'image2pipe',
      '-framerate',
      String(FPS),
      '-i',
      '-',
      '-c:v',
      'libvpx-vp9',
      '-b:v',
      '120k',
      '-g',
      '5',
      '-pix_fmt',
      'yuv420p',
      file,
    ],
    { stdio: ['pipe', 'inherit', 'inherit'] },
  );
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const page = await browser.newPage({ viewport: SIZE });
  for (let i = 0; i < FPS * SECONDS; i++) {
    await page.setContent(`<body style="margin:0">${frame(clip, i / FPS)}</body>`);
    if (!ffmpeg.stdin.write(await page.screenshot({ type: 'png' }))) await once(ffmpeg.stdin, 'drain');
  }
  ffmpeg.stdin.end();
  await once(ffmpeg, 'exit');
  await browser.close();
  console.log(file);
}

const folder = path.join(import.meta.dirname, '../apps/web/public/clips');
mkdirSync(folder, { recursive: true });
for (const clip of CLIPS) await make(clip, folder);
