import { levelLoad, WEEK_SHARE, WEEKLY_RISE, type WeekKind } from '../sessions';
import { DAY_MS, dayMs } from '../days';
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
/** Share of the swimmer's own fullest recent week at which they restart after illness, rather than where the plan would be. */
const FLOOR_SHARE = 0.5;
/** Share of the level's usual week at which a swimmer restarts after a long absence. */
const LEAST_SHARE = 0.25;
/** Weeks that count as late. */
const OWN_WEEKS = 8;
/** Of the level's usual week, at most. */
const CEILING_SHARE = 1.6;

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

export interface Loads {
  readonly kinds: readonly WeekKind[];
  readonly loads: readonly number[];
  readonly problems: readonly string[];
  readonly worth: number;
}

const usualWeek = ({ level, minutesPerSession, sessionsPerWeek }: PlanQuestion) =>
  levelLoad(level, minutesPerSession) * sessionsPerWeek;

/** The most a week may have, from the four before it. */
export function weekLimit(before: readonly number[], usual: number, riseLimit = WEEKLY_RISE): number {
  const four = before.slice(-4);
  // Before there are records of four weeks the level's usual week stands for those that are missing.
  const whole = [...Array.from({ length: 4 - four.length }, () => usual), ...four];
  const own = Math.max(0, ...before.slice(-OWN_WEEKS));
  const floor = Math.max(own * FLOOR_SHARE, usual * LEAST_SHARE);
  return Math.min(usual * CEILING_SHARE, Math.max(floor, mean(whole) * (1 + riseLimit)));
}

export function loadsOf(q: PlanQuestion, mondays: readonly string[], shares: readonly number[], offset: number): Loads {
  const taper = shares.length;
  const usual = usualWeek(q);
  const kinds: WeekKind[] = [];
  const loads: number[] = [];
  const problems: string[] = [];
  let row = offset;
  let beforeTaper = 0;
  let worth = 0;
  mondays.forEach((monday, i) => {
    const lock = q.locks?.[monday];
    const left = mondays.length - i;
    const limit = weekLimit([...q.past, ...loads], usual, q.riseLimit);
    const other = q.otherRaces?.some((day) => day >= monday && dayMs(day) < dayMs(monday) + 7 * DAY_MS) ?? false;
    const away = q.away?.[monday] !== undefined;
    const kind: WeekKind = away
      ? 'recovery'
      : (lock?.kind ?? (left <= taper ? 'taper' : other || row >= ROW ? 'recovery' : 'normal'));
    const planned =
      kind === 'taper'
        ? (beforeTaper || limit) * shares[Math.max(0, taper - left)]!
        : kind === 'recovery'
          ? limit * WEEK_SHARE.recovery
          : limit;
    const load = away ? 0 : (lock?.load ?? Math.min(planned, limit));
    if (!away && lock?.load !== undefined && lock.load > limit * 1.005)
      problems.push(
        `Week of ${dayWord(monday)}: ${Math.round(lock.load)} is locked, ${percent(lock.load / limit - 1)} above what the weeks before it allow.`,
      );
    row = kind === 'normal' ? row + 1 : 0;
    if (kind === 'normal') beforeTaper = load;
    // Rest just before the taper is wasted.
    worth += load;
    if (kind === 'recovery' && left === taper + 1) worth -= usual * 0.6;
    kinds.push(kind);
    loads.push(load);
  });
  // A fortnight of rest pays only after weeks of work.
  if (taper === 2) worth += mondays.length >= 8 ? usual * 0.8 : -usual * 0.5;
  return { kinds, loads, problems, worth };
}
