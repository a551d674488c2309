// What the weeks before say about the next one: where a swimmer stands, and the way back after weeks away.
import { BASELINE_WEEKS, NORMAL_WEEK, type WeekKind } from '../sessions';

/** A week as it was swum; nothing was swum where the load is 0. */
export interface PastWeek {
  readonly load: number;
  /** As it was planned, where that is known. */
  readonly kind?: WeekKind;
}

/** Where a swimmer stands before a week. */
export interface Standing {
  /** The mean of the last four swum, normal weeks, metres × effort factor. */
  readonly baseline: number;
  /** Share of it that this week may have on the way back; null when there is nothing to come back from. */
  readonly share: number | null;
}

/** More weeks away than this, and the way back begins lower. */
const LONG_AWAY = 8;
/** Most a week may rise on the way back, until the baseline. */
const BACK_RISE = 1.2;

/**
 * The way back after weeks away: a share of the baseline for each working week, the last one the whole of it.
 *
 * @example returnShares(1) // [0.7, 1]
 */
export function returnShares(weeksAway: number): readonly number[] {
  if (weeksAway < 1) return [];
  if (weeksAway === 1) return [0.7, 1];
  if (weeksAway === 2) return [1 / 2, 2 / 3, 5 / 6, 1];
  const shares = [weeksAway > LONG_AWAY ? 0.25 : 0.5];
  for (let last = shares[0]!; last < 1; shares.push(last)) last = Math.min(1, last * BACK_RISE);
  return shares;
}

interface Back {
  readonly base: number;
  /** Shares of it that are still to come. */
  readonly left: readonly number[];
}

/**
 * Where the weeks before leave a swimmer. Weeks that were lighter by plan, weeks away and the weeks of the way back do not
 * lower the baseline; a lighter week on the way back puts it off, and weeks away begin it again, never further on. Four
 * lighter weeks in a row that nobody planned are what the swimmer swims now.
 *
 * @param past the oldest first
 * @param usual the level's usual week, which stands for what is not on record
 * @example standing([1000, 1000, 1000, 1000, 0].map((load) => ({ load })), 1000) // { baseline: 1000, share: 0.7 }
 */
export function standing(past: readonly PastWeek[], usual: number): Standing {
  let normal: readonly number[] = [];
  let lighter: readonly number[] = [];
  let back: Back | null = null;
  let away = 0;
  for (const { load, kind } of past) {
    if (load === 0) {
      away++;
      continue;
    }
    back = wayBack(back, normal, away, usual);
    away = 0;
    const asked: number = back
      ? back.base * back.left[0]!
      : normal.length < BASELINE_WEEKS
        ? 0
        : baselineOf(normal, usual);
    if (kind ? kind !== 'normal' : load < NORMAL_WEEK * asked) {
      lighter = kind ? [] : [...lighter, load];
      if (lighter.length === BASELINE_WEEKS) [normal, lighter, back] = [lighter, [], null];
      continue;
    }
    lighter = [];
    const whole: boolean = !back || load >= back.base || back.left.length === 1;
    if (whole) normal = [...normal, load].slice(-BASELINE_WEEKS);
    back = whole || !back ? null : { ...back, left: back.left.slice(1) };
  }
  const now = wayBack(back, normal, away, usual);
  return now ? { baseline: now.base, share: now.left[0]! } : { baseline: baselineOf(normal, usual), share: null };
}

/** The way back after weeks away, or the rest of one that had begun, whichever is longer. */
function wayBack(back: Back | null, normal: readonly number[], away: number, usual: number): Back | null {
  if (away === 0) return back;
  const base = back?.base ?? baselineOf(normal, usual);
  // Nothing on record before the weeks away: nobody knows how long they were.
  const left = returnShares(normal.length === 0 && !back ? LONG_AWAY + 1 : away);
  return back && back.left.length > left.length ? back : { base, left };
}

/** The mean of the last four normal weeks; the level's usual week stands for those that are not on record. */
function baselineOf(normal: readonly number[], usual: number): number {
  return (normal.reduce((sum, load) => sum + load, 0) + (BASELINE_WEEKS - normal.length) * usual) / BASELINE_WEEKS;
}
