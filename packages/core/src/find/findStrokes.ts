// Finds the strokes of a swimmer in a clip from its pixels alone.
import type { FigureSide } from '../figure';
import type { Side } from '../measures';
import type { Frames } from './frames';
import { ACROSS, between, CELLS, DOWN, motionOf, type Motion } from './motion';
import { simulatedClip } from './simulatedClip';

/** A hand that seems to go in: nothing counts before a coach confirms it. */
export interface ProposedEntry {
  /** Seconds from the start of the clip. */
  readonly timeS: number;
  /** Of a side view: the arm toward the camera, or the other one. */
  readonly side: Side;
}

export type NotFound = 'too-short' | 'no-rhythm' | 'no-swimmer';

/** What was found, or why nothing was. */
export type FoundStrokes =
  | {
      readonly found: true;
      /** Strokes a minute, and how far off it may be. */
      readonly strokesPerMin: number;
      readonly errorPerMin: number;
      readonly entries: readonly ProposedEntry[];
      /** How alike the clip is to a swimmer who is drawn, 0–1. */
      readonly likeness: number;
    }
  | { readonly found: false; readonly why: NotFound };

/** Shortest clip that is looked at, seconds: three cycles of a slow swimmer. */
export const SHORTEST_S = 6;
/** Seconds of one cycle of both arms that are looked for: 105 to 34 strokes a minute. */
const CYCLE_S = [1.14, 3.5] as const;
/** How alike a clip must be to itself one cycle later. */
const LEAST_RHYTHM = 0.06;
/** How alike it must be to a drawn swimmer. */
const LEAST_LIKENESS = 0.35;
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
  if (!cycle) return { found: false, why: 'no-rhythm' };
  const match = likest(folded(motion, cycle.cycleS), view);
  onProgress(0.9);
  if (match.likeness < LEAST_LIKENESS) return { found: false, why: 'no-swimmer' };
  const entries = entriesOf(motion, cycle.cycleS, match);
  onProgress(1);
  const strokesPerMin = 120 / cycle.cycleS;
  return {
    found: true,
    strokesPerMin,
    errorPerMin: (strokesPerMin * cycle.errorS) / cycle.cycleS,
    entries,
    likeness: match.likeness,
  };
}

/** How alike the motion is to itself some steps later, −1 to 1. */
function alike({ cells, length }: Motion, lag: number): number {
  let [both, one, other] = [0, 0, 0];
  for (const cell of cells)
    for (let i = 0; i + lag < length; i++) {
      both += cell[i]! * cell[i + lag]!;
      one += cell[i]! ** 2;
      other += cell[i + lag]! ** 2;
    }
  return one > 0 && other > 0 ? both / Math.sqrt(one * other) : 0;
}

interface Cycle {
  readonly cycleS: number;
  readonly errorS: number;
  readonly rhythm: number;
}

/** The cycle of both arms; null where nothing repeats. */
export function cycleOf(motion: Motion): Cycle | null {
  const { stepS, length } = motion;
  const most = Math.min(length - 2, Math.ceil(Math.min(length * 0.6, (2.2 * CYCLE_S[1]) / stepS)));
  const likeness = Array.from({ length: most + 1 }, (_, lag) => (lag * stepS < 0.4 ? 0 : alike(motion, lag)));
  const peaks = likeness.flatMap((value, lag) =>
    lag * stepS >= CYCLE_S[0] &&
    lag * stepS <= CYCLE_S[1] &&
    value >= likeness[lag - 1]! &&
    value >= (likeness[lag + 1] ?? value)
      ? [lag]
      : [],
  );
  const best = Math.max(...peaks.map((lag) => likeness[lag]!), 0);
  if (best < LEAST_RHYTHM) return null;
  // Two cycles later it is nearly as alike: the first peak that is nearly as high as the highest.
  const lag = peaks.find((at) => likeness[at]! >= 0.85 * best)!;
  let cycle = lag + between(likeness, lag);
  // Later cycles tell the length of one more finely.
  for (let k = 2; k * cycle < most - 1; k++) {
    const near = Math.round(k * cycle);
    const reach = Math.max(1, Math.round(0.06 * cycle));
    let at = near;
    for (let j = near - reach; j <= Math.min(most - 1, near + reach); j++) if (likeness[j]! > likeness[at]!) at = j;
    if (likeness[at]! < 0.5 * best) break;
    cycle = (at + between(likeness, at)) / k;
  }
  const cycles = Math.max(1, Math.floor(most / cycle));
  return { cycleS: cycle * stepS, errorS: (0.5 * stepS) / cycles, rhythm: best };
}

/** One cycle of the motion: for each moment of it the cells, and nothing on the whole. */
type Fold = readonly Float64Array[];

function folded({ cells, stepS, startS, length }: Motion, cycleS: number): Fold {
  const fold = Array.from({ length: BINS }, () => new Float64Array(CELLS));
  const counts = new Float64Array(BINS);
  for (let i = 0; i < length; i++) {
    const phase = ((startS + i * stepS) / cycleS) * BINS;
    const bin = Math.floor(phase) % BINS;
    counts[bin]!++;
    for (let c = 0; c < CELLS; c++) fold[bin]![c]! += cells[c]![i]!;
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
  readonly drawn: Fold;
  readonly across: number;
  readonly down: number;
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
        for (let down = -BESIDE.down; down <= BESIDE.down; down++)
          for (let entryBin = 0; entryBin < BINS; entryBin++) {
            const place = { drawn, across, down, mirrored, entryBin };
            const likeness = likenessOf(fold, place);
            if (!best || likeness > best.likeness) best = { ...place, likeness };
          }
    }
  return best!;
}

const cellOf = (x: number, y: number): number => y * ACROSS + x;

/** How alike a fold is to a drawn one that is moved in time and place, −1 to 1. */
function likenessOf(fold: Fold, { drawn, across, down, mirrored, entryBin }: Omit<Match, 'likeness'>): number {
  let [both, seen, known] = [0, 0, 0];
  for (let bin = 0; bin < BINS; bin++) {
    const now = fold[bin]!;
    const then = drawn[(bin - entryBin + BINS) % BINS]!;
    for (let y = 0; y < DOWN; y++)
      for (let x = 0; x < ACROSS; x++) {
        const value = now[cellOf(x, y)]!;
        seen += value * value;
        const [dx, dy] = [mirrored ? ACROSS - 1 - (x - across) : x - across, y - down];
        if (dx < 0 || dx >= ACROSS || dy < 0 || dy >= DOWN) continue;
        const other = then[cellOf(dx, dy)]!;
        known += other * other;
        both += value * other;
      }
  }
  return seen > 0 && known > 0 ? both / Math.sqrt(seen * known) : 0;
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
function nearest({ cells, startS, stepS, length }: Motion, cycleS: number, match: Match, timeS: number, phase: number): number {
  const { drawn, across, down, mirrored } = match;
  const half = Math.round((cycleS * 0.5) / stepS);
  const reach = Math.round((cycleS * UNEVEN) / stepS);
  const middle = Math.round((timeS - startS) / stepS);
  const fits: number[] = [];
  for (let move = -reach; move <= reach; move++) {
    let fit = 0;
    for (let i = -half; i <= half; i++) {
      const at = middle + move + i;
      if (at < 0 || at >= length) continue;
      const cyclePhase = (((phase + (i * stepS) / cycleS) % 1) + 1) % 1;
      const then = drawn[Math.floor(cyclePhase * BINS) % BINS]!;
      // What is near the entry in time says most about it.
      const weight = 0.5 + 0.5 * Math.cos((Math.PI * i) / half);
      for (let y = 0; y < DOWN; y++)
        for (let x = 0; x < ACROSS; x++) {
          const [dx, dy] = [mirrored ? ACROSS - 1 - (x - across) : x - across, y - down];
          if (dx < 0 || dx >= ACROSS || dy < 0 || dy >= DOWN) continue;
          fit += weight * cells[cellOf(x, y)]![at]! * then[cellOf(dx, dy)]!;
        }
    }
    fits.push(fit);
  }
  const best = fits.indexOf(Math.max(...fits));
  return startS + (middle + best - reach + between(fits, best)) * stepS;
}
