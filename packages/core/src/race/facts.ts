import type { LadderId } from '../library';
import type { Trial, TrialsProblem } from '../measures';
import type { CauseId } from '../review';
import { tooFarForAge, type TooFar } from '../safety';
import type { LevelId } from '../swimmers';
import type { Absence, TaperWeeks, WeekLock } from './planModel';

/** What is known of a swimmer and the race, from everything the club keeps. */
export interface RaceFacts {
  readonly event: string;
  /** Day of the race, ISO date. */
  readonly raceOn: string;
  readonly distanceM: number;
  readonly place: 'pool' | 'open-water';
  /** Null where the goal is the distance, without a clock. */
  readonly targetS: number | null;
  readonly level: LevelId;
  /** Null when it is not known. */
  readonly birthYear: number | null;
  readonly breathes: 'left' | 'right' | 'both';
  /** All-out swims of the last months, or else the best times; the newest of them, ISO date. */
  readonly trials: readonly Trial[];
  readonly trialsOn: string | null;
  /** What contradicts among the swims it could rest on; left out by pages that a device kept from before. */
  readonly contradiction?: TrialsProblem | null;
  /** Strokes a minute for distance from the last rate ramp. */
  readonly rampSpm: number | null;
  /** Metres beyond the course in the last kept track, as a share. */
  readonly extra: { readonly share: number; readonly on: string } | null;
  /** Metres of the kept tracks of the last months; left out by pages that a device kept from before. */
  readonly swumM?: readonly number[];
  /** Loads of the weeks before this one as this swimmer swam them, the oldest first. */
  readonly past: readonly number[];
  /** The squad's hired water: sessions and minutes of one. */
  readonly week: { readonly sessions: number; readonly minutes: number } | null;
  /** The open focus and what the last review found likely, the most wanted first. */
  readonly needs: readonly CauseId[];
  readonly ladderSteps: Readonly<Partial<Record<LadderId, number>>>;
  /** Sessions outside that the swimmer was in the water for. */
  readonly outside: number;
  /** Whether a track of the chosen course is kept. */
  readonly rehearsed: boolean;
}

/** Why the race is too far for the swimmer's age, or null when it is not; a course that is drawn may be longer than the goal. */
export function tooFarForTheAge(facts: RaceFacts, { courseM = 0 }: RaceChoices): TooFar | null {
  if (facts.place === 'pool') return null;
  // A page that a device kept from before does not say the year.
  const { birthYear = null } = facts;
  return tooFarForAge(Math.max(facts.distanceM, courseM), birthYear, Number(facts.raceOn.slice(0, 4)));
}

/** What a coach decided; whatever is left out is taken from what is known, or guessed and shown as a guess. */
export interface RaceChoices {
  readonly courseId?: string | null;
  /** Metres of the chosen course as it is drawn; left out, the distance of the goal counts. */
  readonly courseM?: number;
  readonly extraToday?: number;
  readonly extraThen?: number;
  readonly feetToday?: number;
  readonly feetThen?: number;
  readonly lostTodayS?: number;
  readonly lostThenS?: number;
  readonly growthLow?: number;
  readonly growthHigh?: number;
  readonly rateSpm?: number;
  readonly wetsuit?: boolean;
  readonly wetsuitGain?: number;
  readonly currentMps?: number;
  readonly waterC?: number | null;
  /** A ride and a run follow the swim: save the legs. */
  readonly rideFollows?: boolean;
  /** Metres of the longest swim without a stop so far. */
  readonly longestM?: number;
  readonly sessionsPerWeek?: number;
  readonly minutesPerSession?: number;
  readonly taperWeeks?: TaperWeeks;
  readonly otherRaces?: readonly OtherRace[];
  readonly locks?: Readonly<Record<string, WeekLock>>;
  readonly away?: Readonly<Record<string, Absence>>;
  readonly marks?: ReadyMarks;
}

export interface OtherRace {
  readonly event: string;
  readonly date: string;
}

/** What the coach has seen with own eyes. */
export interface ReadyMarks {
  readonly sighting?: boolean;
  readonly groupStart?: boolean;
  readonly coldDips?: number;
  readonly wetsuit?: boolean;
  readonly course?: boolean;
  readonly longSwims?: boolean;
  readonly fed?: boolean;
  readonly card?: boolean;
}
