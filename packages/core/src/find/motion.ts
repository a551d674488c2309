// How much moves where: what is left when the camera's own shake is taken out.
import type { Frames } from './shapes';

/** Asked for millions of times: by name at hand. */
const { abs, floor, max, min, round, sqrt } = Math;

/** Cells that motion is told by, across and down. */
export const ACROSS = 12;
export const DOWN = 9;
export const CELLS = ACROSS * DOWN;
/** Points that a shake between two pictures may reach. */
const REACH = 5;
const EDGE = REACH + 1;
/** Grey levels of change from one picture to the next that count at most: a flash is not more motion than an arm. */
const MOST_CHANGE = 40;
/** Seconds at least between two pictures that are compared, where there are so many. */
const GAP_S = 0.05;
/** Motion is told against the mean of so many seconds around it. */
const AROUND_S = 3;
/** And smoothed over so many. */
const SMOOTH_S = 0.12;

/** Motion in each cell, evenly in time: zero on the whole, since only its coming and going tells of strokes. */
export interface Motion {
  /** Seconds between two values. */
  readonly stepS: number;
  readonly startS: number;
  readonly length: number;
  /** At each moment one value for each cell, left to right, then down. */
  readonly moments: readonly Float64Array[];
}

/**
 * The motion of a clip.
 *
 * Each picture is laid on the one before so that their sums over columns and over rows agree, and what still differs is added
 * up in cells.
 *
 * @param onProgress share done, 0–1
 */
export function motionOf(frames: Frames, onProgress: (share: number) => void = () => {}): Motion {
  const { width, height, grey, timesS } = frames;
  const n = timesS.length;
  const [edge, across, most] = [EDGE, ACROSS, MOST_CHANGE];
  const cellWidth = width / ACROSS;
  const cellHeight = height / DOWN;
  const cells = Array.from({ length: CELLS }, () => new Float64Array(n));
  const changed = new Float32Array(width * height);
  const told = Array.from({ length: n }, (_, f) => profiles(frames, f));
  let earlier = 0;
  for (let f = 1; f < n; f++) {
    // From one picture of sixty a second to the next an arm hardly moves, and grain does.
    while (earlier + 1 < f && timesS[f]! - timesS[earlier + 1]! >= GAP_S) earlier++;
    if (f % 32 === 0) onProgress(f / n);
    const dx = moved(told[f]!.columns, told[earlier]!.columns);
    const dy = moved(told[f]!.rows, told[earlier]!.rows);
    const [x0, y0] = [floor(dx), floor(dy)];
    const [fx, fy] = [dx - x0, dy - y0];
    const [a, b] = [(1 - fx) * (1 - fy), fx * (1 - fy)];
    const [c, d] = [(1 - fx) * fy, fx * fy];
    const here = f * width * height;
    const there = earlier * width * height;
    // What the shake brings in at the edge was not there before.
    for (let y = edge; y < height - edge; y++)
      for (let x = edge; x < width - edge; x++) {
        const at = there + (y - y0) * width + (x - x0);
        const was = a * grey[at]! + b * grey[at - 1]! + c * grey[at - width]! + d * grey[at - width - 1]!;
        changed[y * width + x] = grey[here + y * width + x]! - was;
      }
    // Grain and glitter change a point, an arm changes its neighbours too.
    for (let y = edge + 1; y < height - edge - 1; y++)
      for (let x = edge + 1; x < width - edge - 1; x++) {
        let sum = 0;
        for (let at = (y - 1) * width + x; at <= (y + 1) * width + x; at += width)
          sum += changed[at - 1]! + changed[at]! + changed[at + 1]!;
        const cell = floor(y / cellHeight) * across + floor(x / cellWidth);
        cells[cell]![f]! += min(most, abs(sum) / 9);
      }
  }
  for (const cell of cells) cell[0] = cell[1] ?? 0;
  onProgress(1);
  return evenly(cells, timesS);
}

interface Profiles {
  readonly columns: Float64Array;
  readonly rows: Float64Array;
}

/** Brightness of each column and each row, without that of the whole picture. */
function profiles({ width, height, grey }: Frames, frame: number): Profiles {
  const columns = new Float64Array(width);
  const rows = new Float64Array(height);
  let at = frame * width * height;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++, at++) {
      columns[x]! += grey[at]! / height;
      rows[y]! += grey[at]! / width;
    }
  return { columns: centred(columns), rows: centred(rows) };
}

function centred(values: Float64Array): Float64Array {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  return values.map((v) => v - mean);
}

/** How far a profile moved, in points and parts of them. */
function moved(now: Float64Array, before: Float64Array): number {
  const costs: number[] = [];
  for (let s = -REACH; s <= REACH; s++) {
    let cost = 0;
    for (let i = REACH; i < now.length - REACH; i++) cost += (now[i]! - before[i - s]!) ** 2;
    costs.push(cost);
  }
  const best = costs.indexOf(min(...costs));
  return best - REACH + between(costs, best);
}

/** Where a lowest or highest value lies between its neighbours, −½ to ½ of a step. */
export function between(values: readonly number[], at: number): number {
  if (at <= 0 || at >= values.length - 1) return 0;
  const [low, middle, high] = [values[at - 1]!, values[at]!, values[at + 1]!];
  const bend = low - 2 * middle + high;
  return bend === 0 ? 0 : max(-0.5, min(0.5, (0.5 * (low - high)) / bend));
}

/** At even times, with what is steady taken out. Roots keep one bright splash from speaking for the whole clip. */
function evenly(cells: readonly Float64Array[], timesS: readonly number[]): Motion {
  const startS = timesS[0]!;
  const stepS = (timesS.at(-1)! - startS) / max(1, timesS.length - 1);
  const length = timesS.length;
  const half = max(1, round(AROUND_S / 2 / stepS));
  const smooth = round(SMOOTH_S / 2 / stepS);
  let next = 0;
  const from = Array.from({ length }, (_, i) => {
    const t = startS + i * stepS;
    while (next + 2 < timesS.length && timesS[next + 1]! < t) next++;
    return next;
  });
  const even = cells.map((cell) => {
    const roots = Float64Array.from({ length }, (_, i) => {
      const j = from[i]!;
      const gap = (timesS[j + 1] ?? timesS[j]!) - timesS[j]!;
      const share = gap > 0 ? max(0, min(1, (startS + i * stepS - timesS[j]!) / gap)) : 0;
      return sqrt(cell[j]! * (1 - share) + (cell[j + 1] ?? cell[j]!) * share);
    });
    return meaned(minus(roots, meaned(roots, half)), smooth);
  });
  const moments = Array.from({ length }, (_, i) => Float64Array.from(even, (cell) => cell[i]!));
  return { startS, stepS, length, moments };
}

const minus = (a: Float64Array, b: Float64Array): Float64Array => a.map((v, i) => v - b[i]!);

/** Each value as the mean of those around it. */
function meaned(values: Float64Array, half: number): Float64Array {
  const sums = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i++) sums[i + 1] = sums[i]! + values[i]!;
  return values.map((_, i) => {
    const [from, to] = [max(0, i - half), min(values.length, i + half + 1)];
    return (sums[to]! - sums[from]!) / (to - from);
  });
}
