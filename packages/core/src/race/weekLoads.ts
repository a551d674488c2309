import { levelLoad, WEEK_SHARE, WEEKLY_RISE, type WeekKind } from '../sessions';
import { DAY_MS, dayMs } from '../days';
import { fullestWeekLoad } from './longRace';
import { type PastWeek, standing } from './pastWeeks';
import { type Phase, type PlanQuestion, type PlanWeek } from './planModel';
import { percent, dayWord } from '../words';

/** How deep a phase reaches, as an effort: for pictures of the weeks. */
const PHASE_EFFORT: Readonly<Record<Phase, number>> = { learn: 0.68, build: 0.78, sharpen: 0.95, taper: 0.62 };
const LIGHT_EFFORT = 0.55;

/** The effort by which a week is drawn: deeper from learning to sharpening, light in a lighter week. */
export const weekEffort = ({ kind, phase }: Pick<PlanWeek, 'kind' | 'phase'>): number =>
  kind === 'recovery' ? LIGHT_EFFORT : PHASE_EFFORT[phase];

/** By how much a coach moves the load of a week at a time: a twentieth, half a rise. */
export const loadStep = (load: number): number => Math.max(50, Math.round(load * 0.05));
/** Weeks in a row before one of recovery. */
export const ROW = 3;
/** Share of the level's usual week that a week may have, however little was swum before. */
const LEAST_SHARE = 0.25;
/** A usual week for that share has no more minutes, however many are planned: more sessions do not lift the first week. */
const LEAST_OF_MIN = 120;
/** Of the level's usual week, at most: more does not fit into its sessions. */
export const SESSION_CEILING = 1.6;

export interface Loads {
  readonly kinds: readonly WeekKind[];
  readonly loads: readonly number[];
  readonly problems: readonly string[];
  readonly worth: number;
}

const usualWeek = ({ level, minutesPerSession, sessionsPerWeek }: PlanQuestion) =>
  levelLoad(level, minutesPerSession) * sessionsPerWeek;

/**
 * The most a week may have after those before it: the rise limit over the baseline, or the way back to it.
 *
 * @param usual the level's usual week in the sessions that are planned
 * @param least what a week may have however little was swum
 */
export function weekLimit(
  before: readonly PastWeek[],
  usual: number,
  riseLimit = WEEKLY_RISE,
  least = usual * LEAST_SHARE,
): number {
  const { baseline, share } = standing(before, usual);
  const most = share === null ? Math.max(least, baseline * (1 + riseLimit)) : baseline * share;
  return Math.min(usual * SESSION_CEILING, most);
}

/** As full as a week needs to be: what the race asks, and no less than what is swum already. */
function fullEnough({ race, past }: PlanQuestion, usual: number): number {
  if (!race) return Infinity;
  return Math.max(
    fullestWeekLoad(race.distanceM),
    standing(
      past.map((load) => ({ load })),
      usual,
    ).baseline,
  );
}

/** The fullest week that the sessions of a week hold. */
export const mostOfSessions = (q: PlanQuestion): number => usualWeek(q) * SESSION_CEILING;

export function loadsOf(q: PlanQuestion, mondays: readonly string[], shares: readonly number[], offset: number): Loads {
  const taper = shares.length;
  const usual = usualWeek(q);
  const least = LEAST_SHARE * Math.min(usual, levelLoad(q.level, LEAST_OF_MIN));
  const enough = fullEnough(q, usual);
  const before: PastWeek[] = q.past.map((load) => ({ load }));
  const kinds: WeekKind[] = [];
  const loads: number[] = [];
  const problems: string[] = [];
  let row = offset;
  let beforeTaper = 0;
  let worth = 0;
  let wasted = false;
  mondays.forEach((monday, i) => {
    const lock = q.locks?.[monday];
    const left = mondays.length - i;
    const limit = weekLimit(before, usual, q.riseLimit, least);
    const other = q.otherRaces?.some((day) => day >= monday && dayMs(day) < dayMs(monday) + 7 * DAY_MS) ?? false;
    const away = q.away?.[monday] !== undefined;
    const kind: WeekKind = away
      ? 'recovery'
      : (lock?.kind ?? (left <= taper ? 'taper' : other || row >= ROW ? 'recovery' : 'normal'));
    const planned =
      kind === 'taper'
        ? (beforeTaper || Math.min(limit, enough)) * shares[Math.max(0, taper - left)]!
        : kind === 'recovery'
          ? Math.min(limit, enough) * WEEK_SHARE.recovery
          : Math.min(limit, enough);
    const load = away ? 0 : (lock?.load ?? Math.min(planned, limit));
    if (!away && lock?.load !== undefined && lock.load > limit * 1.005)
      problems.push(
        `Week of ${dayWord(monday)}: ${Math.round(lock.load)} is locked, ${percent(lock.load / limit - 1)} above what the weeks before it allow.`,
      );
    row = kind === 'normal' ? row + 1 : 0;
    if (kind === 'normal') beforeTaper = load;
    // Rest just before the taper is wasted.
    worth += load;
    if (kind === 'recovery' && left === taper + 1) wasted = true;
    kinds.push(kind);
    loads.push(load);
    before.push({ load, kind });
  });
  // Both as shares of the fullest week: the fuller the weeks, the more rest is worth.
  const full = Math.max(usual, ...loads);
  if (wasted) worth -= full * 0.6;
  // A fortnight of rest pays only after weeks of work.
  if (taper === 2) worth += mondays.length >= 8 ? full * 0.8 : -full * 0.5;
  return { kinds, loads, problems, worth };
}
