// The load of the last weeks, and when to ask about it.
import type { PastLoad } from './loadLimit';
import { WEEKLY_RISE } from './loadLimit';
import { percent } from '../../words';

export interface LoadSummary {
  /** Sum of the last seven days. */
  readonly week: number;
  /** Mean week of the four weeks before; null with fewer than four weeks of records. */
  readonly fourWeekMean: number | null;
  /** This week over that mean. */
  readonly ratio: number | null;
  /** Mean over standard deviation of the daily load of the last seven days (Foster 2001); null when every day is alike. */
  readonly monotony: number | null;
  /** The last eight weeks, oldest first. */
  readonly weeks: readonly number[];
}

/** What numbers like these cannot tell. */
export const LOAD_LIMITS =
  'A prompt for a talk, not a verdict: it knows metres and effort, not sleep, work, worry or the swimming done elsewhere.';

/**
 * Weekly load, its four-week mean, the ratio of the two and the monotony of the week.
 *
 * @param past one entry per session, in days before today; today is 0
 * @example loadSummary([0, 7, 14, 21, 28].map((daysAgo) => ({ daysAgo, load: 1000 }))).ratio // 1
 */
export function loadSummary(past: readonly PastLoad[]): LoadSummary {
  const sum = (from: number, to: number) =>
    past.filter((p) => p.daysAgo >= from && p.daysAgo < to).reduce((total, p) => total + p.load, 0);
  const week = sum(0, 7);
  const known = new Set(past.filter((p) => p.daysAgo >= 7 && p.daysAgo < 35).map((p) => Math.floor(p.daysAgo / 7)));
  const fourWeekMean = known.size === 4 ? sum(7, 35) / 4 : null;
  const days = Array.from({ length: 7 }, (_, day) => sum(day, day + 1));
  const mean = week / 7;
  const deviation = Math.sqrt(days.reduce((total, load) => total + (load - mean) ** 2, 0) / 7);
  return {
    week,
    fourWeekMean,
    ratio: fourWeekMean ? week / fourWeekMean : null,
    monotony: deviation > 0 ? mean / deviation : null,
    weeks: Array.from({ length: 8 }, (_, i) => sum((7 - i) * 7, (8 - i) * 7)),
  };
}

/** Above this the days of a week are so alike that recovery may be missing. */
const MONOTONOUS = 2;

/** What a coach might ask about, in sentences; empty when nothing stands out. */
export function loadPrompts(summary: LoadSummary): string[] {
  const { ratio, monotony } = summary;
  const prompts: string[] = [];
  if (ratio !== null && ratio > 1 + WEEKLY_RISE)
    prompts.push(`${percent(ratio - 1)} more than the average of the last four weeks. How do they feel?`);
  if (ratio !== null && ratio < 0.5) prompts.push('Less than half of usual. Away, ill, or planned?');
  if (monotony !== null && monotony > MONOTONOUS) prompts.push('Every day is much the same. Where is the easy day?');
  return prompts;
}

/**
 * Load of a session by how it felt: rating times minutes (Foster 2001).
 *
 * @param rating 0 (rest) to 10 (nothing left)
 * @throws RangeError outside 0–10
 * @example ratingLoad(6, 60) // 360
 */
export function ratingLoad(rating: number, minutes: number): number {
  if (!(rating >= 0 && rating <= 10)) throw new RangeError('a rating is from 0 to 10');
  return rating * minutes;
}
