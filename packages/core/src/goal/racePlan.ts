import { LADDERS, type LadderId } from '../library';
import { criticalSpeed, UnusableTrials, type Trial } from '../measures';
import type { CauseId } from '../review';
import { LEVEL, type LevelId } from '../swimmers';
import { formatTime } from '../units';
import { blockPlan, type Absence, type BlockPlan, type WeekLock } from './blockPlan';
import { GROWTH, raceGap, WETSUIT_GAIN, type Growth, type RaceGap, type RaceHabits } from './raceGap';
import { readiness, type ReadyItem } from './readiness';

/** What is known of a swimmer and the race, from everything the club keeps. */
export interface RaceFacts {
  readonly event: string;
  /** Day of the race, ISO date. */
  readonly raceOn: string;
  readonly distanceM: number;
  readonly place: 'pool' | 'open-water';
  readonly targetS: number | null;
  readonly level: LevelId;
  readonly breathes: 'left' | 'right' | 'both';
  /** All-out swims of the last months, or else the best times; the newest of them, ISO date. */
  readonly trials: readonly Trial[];
  readonly trialsOn: string | null;
  /** Strokes a minute for distance from the last rate ramp. */
  readonly rampSpm: number | null;
  /** Metres beyond the course in the last kept track, as a share. */
  readonly extra: { readonly share: number; readonly on: string } | null;
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
  readonly sessionsPerWeek?: number;
  readonly minutesPerSession?: number;
  readonly taperWeeks?: 1 | 2;
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
  readonly card?: boolean;
}

/** Where a number comes from: the coach, a record, or nobody. */
export type Source = 'coach' | 'record' | 'guess';

/** The numbers behind a prediction, each with its source. */
export interface Assumed {
  readonly today: RaceHabits;
  readonly then: RaceHabits;
  readonly growth: Growth;
  readonly rateSpm: number;
  readonly wetsuitGain: number;
  readonly currentMps: number;
  readonly from: Readonly<Record<'extra' | 'feet' | 'lost' | 'growth' | 'rate', Source>>;
}

/** What a level swims beyond the course outside when nobody measured it, as a share: our guess, shown as one. */
const EXTRA: Readonly<Record<LevelId, number>> = { settle: 0.15, build: 0.12, hold: 0.08, race: 0.05 };
/** Half of the extra metres can be trained away, and nobody swims straighter than this. */
const STRAIGHT_SHARE = 0.5;
const STRAIGHTEST = 0.01;
/** Share of the way on feet: today nobody plans for it; trained, this much. */
const FEET_THEN = 0.3;
/** Seconds lost outside in every 400 m at turns, knots of swimmers and missed breaths: today and trained. */
const LOST_PER_400_S = { today: 3, then: 1.5 };
/** Longest distance that a level swims without a stop, metres: who belongs there says it. */
const REACH_M: Readonly<Record<LevelId, number>> = { settle: 50, build: 400, hold: 3000, race: 10_000 };
/** The longest swim may double in so many weeks: our own rule of thumb. */
const DOUBLES_WEEKS = 6;
/** Who swims this share of a race without a stop gets through it on the day. */
const ENOUGH = 0.75;
/** Distances that say something about a race. */
const LEAST_TRIAL_M = 100;
/** Two races nearer than this share one taper. */
const NEAR_DAYS = 14;

const DAY_MS = 86_400_000;
const dayMs = (iso: string) => Date.parse(`${iso}T00:00:00Z`);
const isoOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const daysBetween = (a: string, b: string) => Math.round((dayMs(b) - dayMs(a)) / DAY_MS);

/** The Monday of the week of a day. @example weekOf('2027-01-07') // '2027-01-04' */
export function weekOf(day: string): string {
  return isoOf(dayMs(day) - ((new Date(dayMs(day)).getUTCDay() + 6) % 7) * DAY_MS);
}

/**
 * The all-out swims that a prediction rests on: the fastest of each distance of late, when they fit together,
 * or else the best times.
 *
 * @example chosenTrials([], [{ distanceM: 50, timeS: 35 }]) // []: a sprint says nothing about a race
 */
export function chosenTrials(recent: readonly Trial[], bests: readonly Trial[]): readonly Trial[] {
  const fastest = (trials: readonly Trial[]) => {
    const byDistance = new Map<number, Trial>();
    for (const t of trials) {
      const known = byDistance.get(t.distanceM);
      if (t.distanceM >= LEAST_TRIAL_M && (!known || t.timeS < known.timeS)) byDistance.set(t.distanceM, t);
    }
    return [...byDistance.values()].sort((a, b) => a.distanceM - b.distanceM);
  };
  const late = fastest(recent);
  const best = fastest(bests);
  return fits(late) ? late : fits(best) ? best : late.length > 0 ? late.slice(-1) : best.slice(-1);
}

function fits(trials: readonly Trial[]): boolean {
  if (trials.length < 2) return false;
  try {
    criticalSpeed(trials);
    return true;
  } catch (error) {
    if (error instanceof UnusableTrials) return false;
    throw error;
  }
}

/** The numbers a prediction uses, and where each comes from. */
export function assumed(facts: RaceFacts, choices: RaceChoices): Assumed {
  const outside = facts.place === 'open-water';
  const extra = choices.extraToday ?? facts.extra?.share ?? (outside ? EXTRA[facts.level] : 0);
  const per400 = outside ? facts.distanceM / 400 : 0;
  const feetToday = choices.feetToday ?? 0;
  const lostToday = choices.lostTodayS ?? Math.round(LOST_PER_400_S.today * per400);
  const growth = facts.level === 'settle' || facts.level === 'build' ? GROWTH.new : GROWTH.trained;
  const speed = facts.trials.at(-1);
  const strokeLengthM = LEVEL[facts.level].defaultStrokeLengthM;
  const guessSpm = Math.round(
    ((speed ? speed.distanceM / speed.timeS : LEVEL[facts.level].defaultV400Mps) * 60) / strokeLengthM,
  );
  const source = (chosen: unknown, record: boolean): Source =>
    chosen !== undefined ? 'coach' : record ? 'record' : 'guess';
  return {
    today: { extraShare: extra, feetShare: feetToday, lostS: lostToday },
    then: {
      extraShare: choices.extraThen ?? Math.min(extra, Math.max(STRAIGHTEST, extra * STRAIGHT_SHARE)),
      feetShare: choices.feetThen ?? (outside ? Math.max(feetToday, FEET_THEN) : 0),
      lostS: choices.lostThenS ?? Math.min(lostToday, Math.round(LOST_PER_400_S.then * per400)),
    },
    growth: {
      low: choices.growthLow ?? growth.low,
      high: Math.max(choices.growthHigh ?? growth.high, choices.growthLow ?? growth.low),
    },
    rateSpm: choices.rateSpm ?? facts.rampSpm ?? guessSpm,
    wetsuitGain: choices.wetsuit ? (choices.wetsuitGain ?? WETSUIT_GAIN) : 0,
    currentMps: choices.currentMps ?? 0,
    from: {
      extra: source(choices.extraToday, facts.extra !== null || !outside),
      feet: source(choices.feetThen, !outside),
      lost: source(choices.lostTodayS, !outside),
      growth: source(choices.growthLow ?? choices.growthHigh, false),
      rate: source(choices.rateSpm, facts.rampSpm !== null),
    },
  };
}

/** Today's answer to a goal, or why there is none yet. */
export type Outlook =
  | {
      readonly kind: 'gap';
      readonly gap: RaceGap;
      /** Critical speed today and as the target asks, m/s; null with one trial. */
      readonly criticalSpeed: { readonly todayMps: number; readonly neededMps: number } | null;
      /** From today's rate to the one that would do it all at today's stroke length, strokes a minute. */
      readonly rateBand: readonly [number, number];
    }
  | { readonly kind: 'none'; readonly reason: string };

/**
 * How far the swimmer is from the target today; honest where nothing can be said.
 *
 * @param today ISO date
 * @param seed of the simulated races
 */
export function raceOutlook(facts: RaceFacts, choices: RaceChoices, today: string, seed = 1): Outlook {
  const days = daysBetween(today, facts.raceOn);
  if (days < 0) return { kind: 'none', reason: 'The race is over: choose the next one.' };
  if (facts.targetS === null) return { kind: 'none', reason: 'No target time: set one in the goal to see the gap.' };
  if (facts.trials.length === 0)
    return {
      kind: 'none',
      reason: `No all-out swim yet, so nothing is foretold. The target asks ${formatTime((facts.targetS / facts.distanceM) * 100, 1)} per 100 m over the course; a timed 200 and 400 m would say how far that is.`,
    };
  const with_ = assumed(facts, choices);
  if (facts.targetS <= with_.then.lostS)
    return { kind: 'none', reason: 'The target is shorter than the seconds lost at turns: check the two.' };
  try {
    const gap = raceGap({
      targetS: facts.targetS,
      race: {
        courseM: choices.courseM ?? facts.distanceM,
        wetsuitGain: with_.wetsuitGain,
        currentMps: with_.currentMps,
        weeksLeft: days / 7,
      },
      trials: facts.trials,
      today: with_.today,
      then: with_.then,
      growth: with_.growth,
      rateSpm: with_.rateSpm,
      seed,
    });
    return {
      kind: 'gap',
      gap,
      criticalSpeed: criticalSpeedNeeded(facts.trials, gap, with_.rateSpm),
      rateBand: [with_.rateSpm, Math.max(with_.rateSpm, (gap.neededMps * 60) / gap.strokeLengthM)],
    };
  } catch (error) {
    // A current that carries back, or swims that do not fit together: said, not hidden.
    if (error instanceof RangeError) return { kind: 'none', reason: error.message };
    throw error;
  }
}

/** As much more critical speed as the target asks more speed. */
function criticalSpeedNeeded(trials: readonly Trial[], { neededMps, strokeLengthM }: RaceGap, rateSpm: number) {
  if (!fits(trials)) return null;
  const todayMps = criticalSpeed(trials).criticalSpeedMps;
  return { todayMps, neededMps: (todayMps * neededMps * 60) / (strokeLengthM * rateSpm) };
}

/** The weeks to the race as they stand today, with what does not fit said first. */
export function racePlan(facts: RaceFacts, choices: RaceChoices, today: string): BlockPlan {
  if (facts.raceOn < today) return { weeks: [], problems: ['The race is over: choose the next one.'] };
  const others = (choices.otherRaces ?? []).filter((r) => r.date !== facts.raceOn || r.event !== facts.event);
  const plan = blockPlan({
    from: weekOf(today),
    raceOn: facts.raceOn,
    past: facts.past,
    level: facts.level,
    place: facts.place,
    sessionsPerWeek: choices.sessionsPerWeek ?? facts.week?.sessions ?? 2,
    minutesPerSession: choices.minutesPerSession ?? facts.week?.minutes ?? 60,
    needs: facts.needs,
    steps: openSteps(facts),
    otherRaces: others.map((r) => r.date).filter((day) => day >= today && day <= facts.raceOn),
    ...(choices.taperWeeks ? { taperWeeks: choices.taperWeeks } : {}),
    ...(choices.locks ? { locks: choices.locks } : {}),
    ...(choices.away ? { away: choices.away } : {}),
  });
  if (plan.weeks.length === 0) return plan;
  return { ...plan, problems: [...tooFar(facts, today), ...nearRaces(facts, others), ...plan.problems] };
}

/** Steps of the ladder to open water not passed yet; none for a pool, or for those who raced outside before. */
function openSteps({ place, ladderSteps, level, extra }: RaceFacts): string[] {
  if (place === 'pool') return [];
  const passed = ladderSteps['pool-to-open-water'];
  // Not kept on the ladder: who holds or races, or has a track, has been out already.
  if (passed === undefined && (extra !== null || level === 'hold' || level === 'race')) return [];
  return LADDERS['pool-to-open-water'].steps.slice(passed ?? 0).map((s) => s.what);
}

function tooFar({ level, distanceM, raceOn, trials }: RaceFacts, today: string): string[] {
  const weeks = Math.max(0, daysBetween(today, raceOn) / 7);
  const longest = Math.max(REACH_M[level], ...trials.map((t) => t.distanceM));
  const reach = longest * 2 ** (weeks / DOUBLES_WEEKS);
  if (reach >= distanceM * ENOUGH) return [];
  const first = Math.max(100, Math.floor(reach / 100) * 100);
  return [
    `${LEVEL[level].name} means: ${LEVEL[level].who}. From ${longest} m without a stop, ${weeks < 1 ? 'the days left' : `${Math.round(weeks)} weeks`} reach about ${first} m, not ${distanceM} m. A first goal of ${first} m, and this race later.`,
  ];
}

function nearRaces({ raceOn, event }: RaceFacts, others: readonly OtherRace[]): string[] {
  return others.flatMap((other) => {
    const days = daysBetween(other.date, raceOn);
    if (Math.abs(days) > NEAR_DAYS) return [];
    const apart = Math.abs(days) === 1 ? '1 day' : `${Math.abs(days)} days`;
    return [
      days >= 0
        ? `${other.event} is ${apart} before ${event}: one taper for both. It is swum for practice; the goal stays ${event}.`
        : `${other.event} is ${apart} after ${event}: nothing is built in between, only rest and short swims. Which of the two is the goal?`,
    ];
  });
}

/** What the list before a race is worked out from. */
export type ReadyFacts = Pick<RaceFacts, 'place' | 'raceOn' | 'breathes' | 'ladderSteps' | 'outside' | 'rehearsed'>;

/** The list before a race outside; empty for a pool. */
export function raceReadiness(facts: ReadyFacts, choices: RaceChoices, today: string): ReadyItem[] {
  if (facts.place === 'pool' || facts.raceOn < today) return [];
  const marks = choices.marks ?? {};
  const ladder = (id: LadderId): boolean | null => {
    const passed = facts.ladderSteps[id];
    return passed === undefined ? null : passed >= LADDERS[id].steps.length;
  };
  return readiness({
    raceOn: facts.raceOn,
    today,
    wetsuit: choices.wetsuit ?? false,
    waterC: choices.waterC ?? null,
    known: {
      breathes: facts.breathes,
      sightsWithoutStopping: marks.sighting ?? ladder('sighting'),
      groupStart: marks.groupStart ?? ladder('group'),
      coldDips: Math.max(marks.coldDips ?? 0, facts.outside),
      wetsuitTried: marks.wetsuit ?? null,
      courseRehearsed: marks.course ?? (facts.rehearsed ? true : null),
      cardRead: marks.card ?? null,
    },
  });
}

/** How to swim when a ride and a run follow. */
export const SAVE_THE_LEGS = [
  'A ride and a run follow: save the legs. Short kick only at the start, at marks and to catch feet.',
  'A wetsuit carries the legs: even less kick.',
] as const;
