import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { simulateInterval, type LegSwim } from '@upwell/core/water';

/** A straight leg of 1.5 km, intervals 2 to 20, 2,000 swims each, beside the plain way of writing it. */
const RAD = Math.PI / 180;
const leg: LegSwim = {
  distanceM: 1500,
  strokeLengthM: 1,
  speedMps: 1,
  biasRad: RAD,
  sdRad: 2 * RAD,
  aimSdRad: RAD,
  lookCostS: 0.25,
  seeProbability: 0.9,
  turnRadiusM: 3,
  current: { along: 0, across: 0.05 },
  seed: 1,
};
const intervals = Array.from({ length: 19 }, (_, i) => i + 2);
const TRACKS = 2000;

/** Box and Muller's normal deviates, a sine and a cosine a stroke, the distance at every stroke. */
function plain(interval: number, tracks: number): number {
  let strokes = 0;
  const normal = () => Math.sqrt(-2 * Math.log(1 - Math.random())) * Math.cos(2 * Math.PI * Math.random());
  for (let track = 0; track < tracks; track++) {
    let [x, y, heading] = [0, 0, 0];
    for (let n = 0; Math.hypot(leg.distanceM - x, y) > leg.turnRadiusM; n++) {
      if (n % interval === 0 && Math.random() < leg.seeProbability)
        heading = Math.atan2(-y, leg.distanceM - x) + leg.aimSdRad * normal();
      heading += leg.biasRad + leg.sdRad * normal();
      x += leg.strokeLengthM * Math.cos(heading);
      y += leg.strokeLengthM * Math.sin(heading) + leg.current.across * leg.strokeLengthM;
      strokes++;
    }
  }
  return strokes;
}

function rate(work: () => number): { readonly millions: number; readonly perSecond: number; readonly ms: number } {
  const from = performance.now();
  const strokes = work();
  const ms = performance.now() - from;
  return { millions: strokes / 1e6, perSecond: strokes / ms / 1000, ms };
}

/** The same model in C, compiled with -O3, on this machine; null, and loudly, where there is no compiler. */
function inC(): { readonly perSecond: number; readonly ms: number } | null {
  const folder = path.join(tmpdir(), `upwell-bench-${process.pid}`);
  mkdirSync(folder, { recursive: true });
  const program = path.join(folder, 'sighting');
  const source = path.join(import.meta.dirname, 'sighting.c');
  const made = spawnSync('cc', ['-O3', '-o', program, source, '-lm'], { encoding: 'utf8' });
  if (made.status !== 0) {
    console.log(`  NOT MEASURED beside C: ${made.error?.message ?? made.stderr.trim()}`);
    return null;
  }
  const runs = Array.from({ length: 5 }, () => {
    const { stdout } = spawnSync(program, [String(TRACKS)], { encoding: 'utf8' });
    const [millions, ms] = stdout.trim().split(' ').map(Number) as [number, number];
    return { perSecond: (millions / ms) * 1000, ms };
  }).sort((a, b) => a.ms - b.ms);
  return runs[2]!;
}

plain(8, 20);
const reference = rate(() => intervals.reduce((sum, n) => sum + plain(n, TRACKS / 20), 0));
const runs = Array.from({ length: 5 }, () =>
  rate(() => intervals.reduce((sum, n) => sum + simulateInterval(leg, n, TRACKS).strokes, 0)),
).sort((a, b) => a.ms - b.ms);
const median = runs[2]!;
console.log(`  plain code                 ${reference.perSecond.toFixed(1)} million strokes a second`);
console.log(
  `  full sweep, ${median.millions.toFixed(1)} million  median ${(median.ms / 1000).toFixed(2)} s, ${median.perSecond.toFixed(1)} million strokes a second, ${(median.perSecond / reference.perSecond).toFixed(1)} × plain   (wanted: under 2.5 s, at least 25)`,
);
const c = inC();
if (c)
  console.log(
    `  the same model in C, -O3   median ${(c.ms / 1000).toFixed(2)} s, ${c.perSecond.toFixed(1)} million strokes a second; ours is ${(median.perSecond / c.perSecond).toFixed(2)} × that   (wanted: at least 1.5)`,
  );
