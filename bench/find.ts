// How well strokes are found in simulated clips of every kind, beside a plain baseline, and how long it takes.
// `npm run bench -- find`; FIND_CLIPS=300 for more clips, FIND_SEED for others.
import { findStrokes, simulatedClip, type Filmed, type Frames, type SimulatedClip } from '@upwell/core/find';
import type { SignId } from '@upwell/core/review';
import { seeded } from '@upwell/core/units';

const CLIPS = Number(process.env.FIND_CLIPS ?? 60);
const SEED = Number(process.env.FIND_SEED ?? 20_261_129);
const SIGNS: readonly (readonly SignId[])[] = [
  ...[[], ['legs-low'], ['lead-arm-drops'], ['enters-past-middle'], ['head-swings']],
  ['legs-low', 'lead-arm-drops'],
] as const;

function clipOf(seed: number, swims: boolean): SimulatedClip {
  const share = (k: number) => seeded(seed, 500 + k);
  const one = <T>(k: number, of: readonly T[]): T => of[Math.floor(share(k) * of.length)]!;
  return {
    ...{ seed, view: one(1, ['side', 'front'] as const), strokesPerMin: swims ? 40 + 55 * share(2) : 0 },
    ...{ seconds: 8 + 12 * share(3), fps: one(4, [15, 25, 30, 60]), signs: one(5, SIGNS) },
    ...{ noise: 10 * share(6), blur: one(7, [0, 1, 1, 2]), waves: 2 * share(8), shake: 2 * share(9) },
    ...{ glare: one(10, [0, 0, 0, 0.03, 0.08]), light: 0.4 + 0.6 * share(11), coarse: one(12, [0, 0, 12, 24]) },
    ...{ other: one(13, [0, 0, 0, 55, 75]), drift: one(14, [0, -10, -20, 15]), uneven: 0.02 + 0.05 * share(15) },
    size: 0.65 + 0.4 * share(16),
  };
}

/** The plain way: how much one band of rows above the middle changes, and the strongest rhythm of that. */
function plainRate({ width, height, grey, timesS }: Frames): number {
  const size = width * height;
  const [top, bottom] = [Math.round(height * 0.28), Math.round(height * 0.42)];
  const change = timesS.map((_, f) => {
    let sum = 0;
    if (f > 0)
      for (let i = top * width; i < bottom * width; i++)
        sum += Math.abs(grey[f * size + i]! - grey[(f - 1) * size + i]!);
    return sum;
  });
  const mean = change.reduce((a, b) => a + b, 0) / change.length;
  let [best, most] = [0, 0];
  for (let perMin = 34; perMin <= 105; perMin += 0.25) {
    let [re, im] = [0, 0];
    change.forEach((value, f) => {
      const angle = (2 * Math.PI * perMin * timesS[f]!) / 60;
      re += (value - mean) * Math.cos(angle);
      im += (value - mean) * Math.sin(angle);
    });
    if (re * re + im * im > most) [best, most] = [perMin, re * re + im * im];
  }
  return best;
}

const trueRate = ({ entries }: Filmed): number =>
  (60 * (entries.length - 1)) / (entries.at(-1)!.timeS - entries[0]!.timeS);
const share = (part: number, whole: number) => `${part} of ${whole} (${((100 * part) / whole).toFixed(1)} %)`;

const tally = {
  elsewhere: 0,
  found: 0,
  rate: 0,
  plain: 0,
  entries: 0,
  within: 0,
  front: 0,
  sides: 0,
  refused: 0,
  truth: 0,
};
const seconds: number[] = [];
for (let i = 0; i < CLIPS; i++) {
  const clip = clipOf(SEED + i, true);
  const film = simulatedClip(clip);
  const begun = performance.now();
  const found = findStrokes(film.frames, clip.view);
  seconds.push((performance.now() - begun) / 1000 / clip.seconds);
  if (Math.abs(plainRate(film.frames) / trueRate(film) - 1) <= 0.02) tally.plain++;
  tally.truth += film.entries.length;
  if (!findStrokes(film.frames, clip.view === 'side' ? 'front' : 'side').found) tally.elsewhere++;
  if (!found.found) continue;
  tally.found++;
  if (Math.abs(found.strokesPerMin / trueRate(film) - 1) <= 0.02) tally.rate++;
  for (const { timeS, side } of found.entries) {
    const nearest = film.entries.reduce((best, e) =>
      Math.abs(e.timeS - timeS) < Math.abs(best.timeS - timeS) ? e : best,
    );
    tally.entries++;
    if (Math.abs(nearest.timeS - timeS) <= 0.1) tally.within++;
    if (clip.view === 'front') {
      tally.front++;
      if (nearest.side === side) tally.sides++;
    }
  }
}
for (let i = 0; i < CLIPS; i++) {
  const clip = clipOf(SEED + 100_000 + i, false);
  if (!findStrokes(simulatedClip(clip).frames, clip.view).found) tally.refused++;
}
const [median] = seconds.sort((a, b) => a - b).slice(Math.floor(seconds.length / 2));
console.log(`clips with a swimmer that were found      ${share(tally.found, CLIPS)}`);
console.log(`rate within 2 %, of those found           ${share(tally.rate, tally.found)}`);
console.log(`rate within 2 %, plain band, of all       ${share(tally.plain, CLIPS)}`);
console.log(`proposed entries within 0.1 s             ${share(tally.within, tally.entries)}`);
console.log(`entries there were in all clips           ${tally.truth}`);
console.log(`right hand named, from the front          ${share(tally.sides, tally.front)}`);
console.log(`clips without a swimmer that were refused ${share(tally.refused, CLIPS)}`);
console.log(`refused when asked from the other side     ${share(tally.elsewhere, CLIPS)}`);
console.log(`seconds for a second of film, median      ${median!.toFixed(3)}`);
