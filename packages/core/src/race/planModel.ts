// The weeks to a race: what is asked, and what comes out.
import type { CauseId } from '../review';
import { WEEK_SHARE, type WeekKind } from '../sessions';
import type { LevelId } from '../swimmers';
import type { RaceAsked } from './longRace';
import type { WeekNote } from './weekNotes';

export const PHASES = ['learn', 'build', 'sharpen', 'taper'] as const;
export type Phase = (typeof PHASES)[number];
/** Weeks a taper can have, and what each of them keeps of the last week of work: volume falls by 40 to 60 %, effort stays. */
export const TAPER_SHARE = { 1: [WEEK_SHARE.taper], 2: [0.6, 0.4] } as const;
export type TaperWeeks = keyof typeof TAPER_SHARE;
export const TAPER_WEEKS = Object.keys(TAPER_SHARE).map(Number) as readonly TaperWeeks[];

/** What a coach locks in a week. */
export interface WeekLock {
  readonly kind?: WeekKind;
  readonly load?: number;
  readonly theme?: CauseId;
}

export interface PlanQuestion {
  /** Monday of the first week, ISO date. */
  readonly from: string;
  /** Day of the race, ISO date. */
  readonly raceOn: string;
  /** Loads of the weeks before, the oldest first; as they were swum, not as they were planned. */
  readonly past: readonly number[];
  readonly level: LevelId;
  /** Outside there are skills of its own; the pool when left out. */
  readonly place?: 'pool' | 'open-water';
  readonly sessionsPerWeek: number;
  readonly minutesPerSession: number;
  /** What the weeks lead to; without it they rise as far as they may. */
  readonly race?: RaceAsked;
  /** Share a week may rise over the mean of the last four normal ones. */
  readonly riseLimit?: number;
  /** Causes this swimmer needs, the most wanted first. */
  readonly needs: readonly CauseId[];
  /** Steps of the ladder to open water that are not passed yet, in order; none for a race in a pool. */
  readonly steps: readonly number[];
  /** Weeks of taper; solved when left out. */
  readonly taperWeeks?: TaperWeeks;
  /** Other races on the way, ISO dates. */
  readonly otherRaces?: readonly string[];
  /** By the Monday of the week. */
  readonly locks?: Readonly<Record<string, WeekLock>>;
  /** Weeks in which nothing is swum, by their Monday; what is missed is not made up for. */
  readonly away?: Readonly<Record<string, Absence>>;
}

export const ABSENCES = ['ill', 'away'] as const;
export type Absence = (typeof ABSENCES)[number];

export interface PlanWeek {
  readonly monday: string;
  readonly phase: Phase;
  readonly kind: WeekKind;
  /** Metres × effort factor. */
  readonly load: number;
  readonly theme: CauseId;
  /** Step of the ladder to open water that is passed this week, from 0; null when none is. */
  readonly step: number | null;
  /** Critical speed and drift are measured again. */
  readonly test: boolean;
  readonly notes: readonly WeekNote[];
}

export interface BlockPlan {
  readonly weeks: readonly PlanWeek[];
  /** What could not be done, and why. */
  readonly problems: readonly string[];
  /** How far the weeks make ready, where that is less than the race. */
  readonly reach?: string;
}

/** Longest plan, weeks. */
export const MOST_WEEKS = 52;
