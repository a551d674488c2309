// Finds the strokes of a swimmer in a clip from its pixels alone.
import type { FigureSide } from '../figure';
import type { Side } from '../measures';
import { SHORTEST_S, type FoundStrokes, type Frames, type ProposedEntry } from './shapes';
import { ACROSS, between, CELLS, DOWN, motionOf, type Motion } from './motion';
import { simulatedClip } from './simulatedClip';

/** Asked for millions of times: by name at hand. */
const { PI, SQRT2, ceil, cos, floor, max, min, round, sqrt } = Math;

/** Seconds of one cycle of both arms that are looked for: 105 to 34 strokes a minute. */
const CYCLE_S = [1.14, 3.5] as const;
/** How alike a clip must be to itself one cycle later. */
const LEAST_RHYTHM = 0.06;
/** How alike it must be to a drawn swimmer. */
const LEAST_LIKENESS = 0.24;
/** Moments of a cycle that are told apart. */
const BINS = 24;
/** Sizes of a swimmer in the picture, and how far beside the middle, cells. */
const SIZES = [0.6, 0.8, 1] as const;
const BESIDE = { across: 3, down: 2 } as const;

/**
 * Finds hand entries and the stroke rate.
 *
 * What moves in each part of the picture repeats with every cycle of both arms: that gives the rate. Folded to one cycle it is
 * laid beside a drawn swimmer of the same view, which says where in the cycle the hands go in, and whether it is a swimmer.
 *
 * @param view from where it was filmed
 * @param onProgress share done, 0–1
 */
export function findStrokes(
  frames: Frames,
  view: Exclude<FigureSide, 'top'>,
  onProgress: (share: number) => void = () => {},
): FoundStrokes {
  const { timesS } = frames;
  if (timesS.length < 2 || timesS.at(-1)! - timesS[0]! < SHORTEST_S - 0.5) return { found: false, why: 'too-short' };
  const motion = motionOf(frames, (share) => onProgress(share * 0.7));
  const cycle = cycleOf(motion);
  onProgress(0.8);
  if (cycle === null) return { found: false, why: 'no-rhythm' };
  // Two cycles look like one another too: the length whose cycle is more like a swimmer is the right one.
  const halved = cycle / 2;
  const folds = [cycle, ...(halved >= CYCLE_S[0] ? [halved] : [])].map((cycleS) => ({
    cycleS,
    fold: folded(motion, cycleS),
  }));
  const seenFrom = (from: typeof view) =>
    folds
      .map(({ cycleS, fold }) => ({ cycleS, match: likest(fold, from) }))
      .reduce((best, one) => (one.match.likeness > best.match.likeness ? one : best));
  const { cycleS, match } = seenFrom(view);
  onProgress(0.95);
  if (match.likeness < LEAST_LIKENESS) return { found: false, why: 'no-swimmer' };
  const other = seenFrom(view === 'side' ? 'front' : 'side');
  if (other.match.likeness > match.likeness) return { found: false, why: 'other-view' };
  const entries = entriesOf(motion, cycleS, match);
  onProgress(1);
  if (entries.length < 3) return { found: false, why: 'no-rhythm' };
  return { found: true, ...rateOf(entries), entries, likeness: match.likeness };
}

/** How far off an entry is at most, nine times of ten, seconds: measured on simulated clips by `npm run bench -- find`. */
export const ENTRY_ERROR_S = 0.1;

/**
 * The rate, and what an error at the first and the last entry makes of it.
 *
 * The median of the seconds a stroke between any two entries: one that is far off, as at the ends of a clip, does not move it.
 */
function rateOf(entries: readonly ProposedEntry[]): { readonly strokesPerMin: number; readonly errorPerMin: number } {
  const spanS = entries.at(-1)!.timeS - entries[0]!.timeS;
  const strokeS = entries
    .flatMap((from, i) => entries.slice(i + 1).map((to, more) => (to.timeS - from.timeS) / (more + 1)))
    .sort((a, b) => a - b);
  const strokesPerMin = 60 / strokeS[floor(strokeS.length / 2)]!;
  return { strokesPerMin, errorPerMin: (strokesPerMin * SQRT2 * ENTRY_ERROR_S) / spanS };
}

/** How alike the motion is to itself some steps later, −1 to 1. */
function alike({ moments, length }: Motion, energies: readonly number[], lag: number): number {
  let [both, one, other] = [0, 0, 0];
  for (let i = 0; i + lag < length; i++) {
    both += dot(moments[i]!, moments[i + lag]!);
    one += energies[i]!;
    other += energies[i + lag]!;
  }
  return one > 0 && other > 0 ? both / sqrt(one * other) : 0;
}

/** Seconds of a cycle of both arms; null where nothing repeats. */
function cycleOf(motion: Motion): number | null {
  const { stepS, length } = motion;
  const most = min(length - 2, ceil(min(length * 0.6, (2.2 * CYCLE_S[1]) / stepS)));
  const energies = motion.moments.map((cells) => dot(cells, cells));
  const likeness = Array.from({ length: most + 1 }, (_, lag) => (lag * stepS < 0.4 ? 0 : alike(motion, energies, lag)));
  const peaks = likeness.flatMap((value, lag) =>
    lag * stepS >= CYCLE_S[0] &&
    lag * stepS <= CYCLE_S[1] &&
    value >= likeness[lag - 1]! &&
    value >= (likeness[lag + 1] ?? value)
      ? [lag]
      : [],
  );
  const best = max(...peaks.map((lag) => likeness[lag]!), 0);
  if (best < LEAST_RHYTHM) return null;
  // Two cycles later it is nearly as alike: the first peak that is nearly as high as the highest.
  const lag = peaks.find((at) => likeness[at]! >= 0.85 * best)!;
  let cycle = lag + between(likeness, lag);
  // Later cycles tell the length of one more finely.
  for (let k = 2; k * cycle < most - 1; k++) {
    const near = round(k * cycle);
    const reach = max(1, round(0.06 * cycle));
    let at = near;
    for (let j = near - reach; j <= min(most - 1, near + reach); j++) if (likeness[j]! > likeness[at]!) at = j;
    if (likeness[at]! < 0.5 * best) break;
    cycle = (at + between(likeness, at)) / k;
  }
  return cycle * stepS;
}

/** One cycle of the motion: for each moment of it the cells, and nothing on the whole. */
type Fold = readonly Float64Array[];

function folded({ moments, stepS, startS, length }: Motion, cycleS: number): Fold {
  const fold = Array.from({ length: BINS }, () => new Float64Array(CELLS));
  const counts = new Float64Array(BINS);
  for (let i = 0; i < length; i++) {
    const phase = ((startS + i * stepS) / cycleS) * BINS;
    const bin = floor(phase) % BINS;
    counts[bin]!++;
    const now = moments[i]!;
    const into = fold[bin]!;
    for (let c = 0; c < now.length; c++) into[c]! += now[c]!;
  }
  fold.forEach((cellsNow, bin) => cellsNow.forEach((v, c) => (cellsNow[c] = counts[bin]! > 0 ? v / counts[bin]! : 0)));
  return level(fold);
}

/** Without what a cell has in every moment. */
function level(fold: Float64Array[]): Fold {
  for (let c = 0; c < CELLS; c++) {
    const mean = fold.reduce((sum, cells) => sum + cells[c]!, 0) / BINS;
    for (const cells of fold) cells[c]! -= mean;
  }
  return fold;
}

interface Match {
  readonly likeness: number;
  /** Moment of the cycle at which the left hand of the drawn swimmer goes in. */
  readonly entryBin: number;
  /** Where it lies in the picture. */
  readonly drawn: Fold;
  /** Swims to the right. */
  readonly mirrored: boolean;
}

const DRAWN = new Map<string, Fold>();
/** Seconds of a cycle of the drawn swimmer; any will do. */
const DRAWN_CYCLE_S = 2;

/** The motion of a drawn swimmer over one cycle that begins as the left hand goes in. */
function drawnFold(view: Exclude<FigureSide, 'top'>, size: number): Fold {
  const key = `${view} ${size}`;
  const known = DRAWN.get(key);
  if (known) return known;
  const film = simulatedClip({ seed: 1, view, strokesPerMin: 120 / DRAWN_CYCLE_S, seconds: 8, fps: 24, blur: 1, size });
  const motion = motionOf(film.frames);
  const first = film.entries.find(({ side }) => side === 'left')!.timeS;
  const fold = folded({ ...motion, startS: motion.startS - first + DRAWN_CYCLE_S * 8 }, DRAWN_CYCLE_S);
  DRAWN.set(key, fold);
  return fold;
}

/** The drawn swimmer that the fold of a clip is likest. */
function likest(fold: Fold, view: Exclude<FigureSide, 'top'>): Match {
  let best: Match | null = null;
  for (const size of SIZES)
    for (const mirrored of view === 'side' ? [false, true] : [false]) {
      const drawn = drawnFold(view, size);
      for (let across = -BESIDE.across; across <= BESIDE.across; across++)
        for (let down = -BESIDE.down; down <= BESIDE.down; down++) {
          const there = placed(drawn, across, down, mirrored);
          const likeness = likenessesOf(fold, there);
          const most = max(...likeness);
          if (!best || most > best.likeness)
            best = { likeness: most, entryBin: likeness.indexOf(most), drawn: there, mirrored };
        }
    }
  return best!;
}

/** A drawn fold where it lies in the picture: nothing where it reaches out of it. */
function placed(drawn: Fold, across: number, down: number, mirrored: boolean): Fold {
  return drawn.map((cells) => {
    const moved = new Float64Array(CELLS);
    for (let y = 0; y < DOWN; y++)
      for (let x = 0; x < ACROSS; x++) {
        const [dx, dy] = [mirrored ? ACROSS - 1 - (x - across) : x - across, y - down];
        if (dx >= 0 && dx < ACROSS && dy >= 0 && dy < DOWN) moved[y * ACROSS + x] = cells[dy * ACROSS + dx]!;
      }
    return moved;
  });
}

/** How alike a fold is to a drawn one, −1 to 1, for each moment at which that may begin. */
function likenessesOf(fold: Fold, drawn: Fold): number[] {
  const energy = (of: Fold) => of.reduce((sum, cells) => sum + dot(cells, cells), 0);
  const size = sqrt(energy(fold) * energy(drawn));
  return Array.from({ length: BINS }, (_, entryBin) => {
    let both = 0;
    for (let bin = 0; bin < BINS; bin++) both += dot(fold[bin]!, drawn[(bin - entryBin + BINS) % BINS]!);
    return size > 0 ? both / size : 0;
  });
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
}

/** Hand entries: where the cycle says they are, each moved to where its own cycle fits best. */
function entriesOf(motion: Motion, cycleS: number, match: Match): ProposedEntry[] {
  const { startS, stepS, length } = motion;
  const endS = startS + (length - 1) * stepS;
  const entries: ProposedEntry[] = [];
  const offsetS = (match.entryBin / BINS) * cycleS;
  for (let half = -2; ; half++) {
    const timeS = offsetS + half * (cycleS / 2);
    if (timeS > endS) break;
    if (timeS < startS) continue;
    const left = half % 2 === 0;
    const side: Side = left !== match.mirrored ? 'left' : 'right';
    const at = nearest(motion, cycleS, match, timeS, half % 2 === 0 ? 0 : 0.5);
    if (at >= startS && at <= endS) entries.push({ timeS: at, side });
  }
  return entries;
}

/** How far a stroke may be from where the even cycle has it, share of a cycle. */
const UNEVEN = 0.16;

/** The moment near a time at which the drawn cycle around it fits best. */
function nearest(
  { moments, startS, stepS, length }: Motion,
  cycleS: number,
  match: Match,
  timeS: number,
  phase: number,
): number {
  const half = round((cycleS * 0.5) / stepS);
  const reach = round((cycleS * UNEVEN) / stepS);
  const middle = round((timeS - startS) / stepS);
  const fits: number[] = [];
  for (let move = -reach; move <= reach; move++) {
    let fit = 0;
    for (let i = -half; i <= half; i++) {
      const at = middle + move + i;
      if (at < 0 || at >= length) continue;
      const cyclePhase = (((phase + (i * stepS) / cycleS) % 1) + 1) % 1;
      const then = match.drawn[floor(cyclePhase * BINS) % BINS]!;
      // What is near the entry in time says most about it.
      const weight = 0.5 + 0.5 * cos((PI * i) / half);
      fit += weight * dot(moments[at]!, then);
    }
    fits.push(fit);
  }
  const best = fits.indexOf(max(...fits));
  return startS + (middle + best - reach + between(fits, best)) * stepS;
}
