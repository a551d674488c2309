import type { CauseId } from '../review';
import type { RaceFacts } from './facts';
import { DAY_MS, dayMs, isoOf } from '../days';

/** Days in which an all-out swim still says what a swimmer can do today. */
export const TRIAL_DAYS = 180;
/** Weeks of load that shape the next ones. */
export const PAST_WEEKS = 26;
/** Probability from which a cause of the last review counts as a need, and how many count at most. */
const LIKELY = 0.3;
const MOST_NEEDS = 4;
const WEEK_MS = 7 * DAY_MS;

/**
 * What a swimmer needs: the open focus, then what the last review found likely.
 *
 * @example needsFrom('spins', [{ cause: 'unease', probability: 0.2 }]) // ['spins']
 */
export function needsFrom(
  focus: CauseId | null,
  ranking: readonly { readonly cause: CauseId; readonly probability: number }[],
): CauseId[] {
  const likely = ranking.filter((r) => r.probability >= LIKELY).map((r) => r.cause);
  return [...new Set([...(focus ? [focus] : []), ...likely])].slice(0, MOST_NEEDS);
}

/** How much further than the course a swimmer swam, as a share of the course: 0 to 1. @example extraShare(1650, 1500) // 0.1 */
export const extraShare = (swumM: number, courseM: number): number => Math.min(1, Math.max(0, swumM / courseM - 1));

/** How often a squad has water and for how long on average, minutes; null when that is not known. */
export function waterWeek(times: readonly { readonly minutes: number }[]): RaceFacts['week'] {
  if (times.length === 0) return null;
  return { sessions: times.length, minutes: times.reduce((sum, t) => sum + t.minutes, 0) / times.length };
}

/**
 * Loads week by week from the first that is on record to the last one before a Monday; a week without any is 0.
 *
 * @example weeklyLoads([{ monday: '2027-01-04', load: 900 }], '2027-01-18') // [900, 0]
 */
export function weeklyLoads(
  weeks: readonly { readonly monday: string; readonly load: number }[],
  monday: string,
): number[] {
  const first = weeks.map((w) => w.monday).sort()[0];
  if (!first) return [];
  const count = Math.max(0, Math.round((dayMs(monday) - dayMs(first)) / WEEK_MS));
  return Array.from({ length: count }, (_, i) => {
    const day = isoOf(dayMs(first) + i * WEEK_MS);
    return weeks.find((w) => w.monday === day)?.load ?? 0;
  });
}
