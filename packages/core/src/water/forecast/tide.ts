import { RAD } from '../../units';

/** Harmonic constituents: speed in degrees an hour, amplitude in metres, phase in degrees. */
const TIDE = [
  { speed: 28.9841042, metres: 0.62, phase: 40 }, // M2, the moon twice a day
  { speed: 30, metres: 0.21, phase: 75 }, // S2, the sun twice a day
  { speed: 28.4397295, metres: 0.12, phase: 20 }, // N2, the moon's distance
  { speed: 15.0410686, metres: 0.08, phase: 130 }, // K1, once a day
  { speed: 13.9430356, metres: 0.06, phase: 310 }, // O1, once a day
] as const;

export const HOUR_MS = 3_600_000;
export const DAY_MS = 24 * HOUR_MS;
export const EPOCH = Date.UTC(2026, 0, 1);

/**
 * Height of the simulated tide over its mean level, a sum of harmonic constituents.
 *
 * @returns metres
 */
export function tideAt(atMs: number): number {
  const hours = (atMs - EPOCH) / HOUR_MS;
  return TIDE.reduce((sum, t) => sum + t.metres * Math.cos((t.speed * hours - t.phase) * RAD), 0);
}

/** Rise of the tide, metres an hour. */
export function riseAt(atMs: number): number {
  const hours = (atMs - EPOCH) / HOUR_MS;
  return TIDE.reduce((sum, t) => sum - t.metres * t.speed * RAD * Math.sin((t.speed * hours - t.phase) * RAD), 0);
}

/** The next high water after a moment, to the minute. */
export function nextHighWater(atMs: number): number {
  const step = 60_000;
  for (let t = atMs; t < atMs + 16 * HOUR_MS; t += step) if (riseAt(t) > 0 && riseAt(t + step) <= 0) return t;
  return atMs;
}

/** A span of time, milliseconds since 1970. */
export interface Span {
  readonly fromMs: number;
  readonly toMs: number;
}

/** So far ahead a window is looked for: two tides. */
const AHEAD_MS = 26 * HOUR_MS;
const STEP_MS = 5 * 60_000;

/**
 * When there is enough water: the span around a high water in which the tide stays at or over a level,
 * the one a moment lies in or else the next.
 *
 * @param leastM over the mean level, metres
 * @returns null when the tide does not come so high within two tides; open-ended spans are cut at two tides
 */
export function waterWindow(atMs: number, leastM: number): Span | null {
  const enough = (t: number) => tideAt(t) >= leastM;
  let from = atMs;
  if (enough(from)) while (from > atMs - AHEAD_MS && enough(from - STEP_MS)) from -= STEP_MS;
  else while (from < atMs + AHEAD_MS && !enough(from)) from += STEP_MS;
  if (!enough(from)) return null;
  let to = from;
  while (to < atMs + AHEAD_MS && enough(to + STEP_MS)) to += STEP_MS;
  return { fromMs: from, toMs: to };
}

/** The nearest slack water: where the tide turns, before or after a moment. */
export function nearestSlack(atMs: number): number {
  for (let off = 0; off < 8 * HOUR_MS; off += STEP_MS)
    for (const t of [atMs - off, atMs + off]) if (riseAt(t) * riseAt(t + STEP_MS) <= 0) return t;
  return atMs;
}

/** Lowest tide between two moments, metres over the mean level. */
export function lowestTide({ fromMs, toMs }: Span): number {
  let least = Math.min(tideAt(fromMs), tideAt(toMs));
  for (let t = fromMs; t < toMs; t += STEP_MS) least = Math.min(least, tideAt(t));
  return least;
}
