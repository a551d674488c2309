import { levelCard, type LevelId } from '../../swimmers';

/** How much a week may rise over the mean of the last four, as a share. */
export const WEEKLY_RISE = 0.1;

export const WEEK_KINDS = ['normal', 'recovery', 'taper'] as const;
export type WeekKind = (typeof WEEK_KINDS)[number];

/** Share of the usual load in each kind of week. */
export const WEEK_SHARE: Readonly<Record<WeekKind, number>> = { normal: 1, recovery: 0.7, taper: 0.5 };

export interface PastLoad {
  /** Whole days before the session being planned, ≥ 0. */
  readonly daysAgo: number;
  /** Metres × effort factor. */
  readonly load: number;
}

/** Load factor of a usual session: mostly easy and steady. */
export const USUAL_FACTOR = 1.25;

/** Load of a usual session of a level: the middle of its metres. @example levelLoad('hold', 60) // 2750 */
export function levelLoad(level: LevelId, minutes: number): number {
  const [low, high] = levelCard(level).metresPerHour;
  return ((((low + high) / 2) * minutes) / 60) * USUAL_FACTOR;
}

/** Weeks looked back at for the baseline, and how many of them it takes. */
export const BASELINE_LOOKS_BACK = 12;
export const BASELINE_WEEKS = 4;

/** A week under this share of the usual one was lighter by plan, or somebody was away: it does not lower the baseline. */
export const NORMAL_WEEK = 0.75;

/** The last four swum, normal weeks before the last seven days, the nearest first; null with fewer than four weeks of records. */
function baselineWeeks(past: readonly PastLoad[]): readonly number[] | null {
  const loads = Array.from({ length: BASELINE_LOOKS_BACK }, (_, i) => i + 1).flatMap((week) => {
    const load = past.filter((p) => Math.floor(p.daysAgo / 7) === week).reduce((sum, p) => sum + p.load, 0);
    return load > 0 ? [{ week, load }] : [];
  });
  if (loads.length < BASELINE_WEEKS) return null;
  const usual = [...loads].sort((a, b) => a.load - b.load)[Math.floor(loads.length / 2)]!.load;
  return loads
    .filter(({ load }) => load >= NORMAL_WEEK * usual)
    .slice(0, BASELINE_WEEKS)
    .map(({ week }) => week);
}

/**
 * The load one more session may have so that the week stays within the rise limit.
 *
 * The last seven days count as this week, the last four swum, normal weeks before them as the baseline. The limit
 * shapes the proposal and never refuses everything: it does not fall below six tenths of a usual
 * session.
 *
 * @returns metres × effort factor, or null with less than four weeks of records: then the level's
 * default is the baseline
 * @example
 * sessionLoadLimit([0, 7, 14, 21, 28].map((w) => ({ daysAgo: w + 6, load: 1000 }))) // 600: the week is nearly full
 */
export function sessionLoadLimit(past: readonly PastLoad[]): number | null {
  const weeks = baselineWeeks(past);
  if (weeks === null) return null;
  const baseline = past.filter((p) => weeks.includes(Math.floor(p.daysAgo / 7)));
  const total = baseline.reduce((sum, p) => sum + p.load, 0);
  const thisWeek = past.filter((p) => p.daysAgo < 7).reduce((sum, p) => sum + p.load, 0);
  const usualSession = total / baseline.length;
  return Math.max((total / weeks.length) * (1 + WEEKLY_RISE) - thisWeek, 0.6 * usualSession);
}
