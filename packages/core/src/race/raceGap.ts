import { FEET_GAIN, raceTime, type Trial } from '../measures';
import { seeded, seededNormal } from '../units';
import type { GapReason } from './gapWords';

/** A race as the swimmer will meet it. */
export interface RaceAhead {
  /** Along the lines of the course, metres. */
  readonly courseM: number;
  /** Share of speed a wetsuit gives; 0 without one. */
  readonly wetsuitGain: number;
  /** Average flow along the whole course, m/s; positive with the swimmer. */
  readonly currentMps: number;
  readonly weeksLeft: number;
}

/** What makes the time of a race besides speed. */
export interface RaceHabits {
  /** Metres swum beyond the course, as a share of it. */
  readonly extraShare: number;
  /** Share of the way spent drafting. */
  readonly feetShare: number;
  /** Lost to turns, congestion and missed breaths, seconds in total. */
  readonly lostS: number;
}

/** Speed gained from training per month, as a share: from the careful guess to the hopeful one. */
export interface Growth {
  readonly low: number;
  readonly high: number;
}

/** Growth of critical speed a month: trained swimmers, and those who began lately. */
export const GROWTH = {
  trained: { low: 0.005, high: 0.01 },
  new: { low: 0.01, high: 0.02 },
} as const satisfies Readonly<Record<string, Growth>>;

/** Careful and hopeful around a middle, as far apart as the usual ones. @example growthAround(0.0075) // { low: 0.005, high: 0.01 } */
export function growthAround(middle: number): Growth {
  return { low: (middle * 2) / 3, high: (middle * 4) / 3 };
}

/** A wetsuit in the water, as a share of speed; swimmers differ. */
export const WETSUIT_GAIN = 0.04;
const WEEKS_PER_MONTH = 365.25 / 12 / 7;
/** A day's form, as a share of the time. */
const DAY_FORM = 0.01;
/** Of what is trained for, at least so much is there on the day: our own rule of thumb. */
const LEAST_THERE = 0.5;
const DRAWS = 2000;

export const GAP_PARTS = ['straightness', 'feet', 'skills', 'fitness', 'technique'] as const;
export type GapPart = (typeof GAP_PARTS)[number];

export interface GapQuestion {
  readonly targetS: number;
  readonly race: RaceAhead;
  /** All-out swims, one at least. */
  readonly trials: readonly Trial[];
  readonly today: RaceHabits;
  /** What is trained for by the day of the race. */
  readonly then: RaceHabits;
  readonly growth: Growth;
  /** Strokes a minute of the race. */
  readonly rateSpm: number;
  readonly seed: number;
}

export interface RaceGap {
  readonly todayS: number;
  readonly lowS: number;
  readonly highS: number;
  /** Today's time minus the target; negative when it is swum already. */
  readonly gapS: number;
  /** Seconds of the gap by part, adding up to it; technique is what the others leave. */
  readonly parts: Readonly<Record<GapPart, number>>;
  /** Speed through the water that the target asks, m/s, and for 100 m, seconds. */
  readonly neededMps: number;
  readonly neededPer100S: number;
  /** Metres a stroke at the race's rate: today, and what the target asks. */
  readonly strokeLengthM: number;
  readonly neededStrokeLengthM: number;
  /** Share of simulated races that reach the target, 0–1. */
  readonly chance: number;
  readonly verdict: 'there' | 'realistic' | 'hopeful' | 'not-yet' | 'beyond-anybody';
  readonly reason: GapReason;
}

/** A current that carries the swimmer back. */
export class CurrentTooStrong extends RangeError {}

/** The fastest swims there are lie a little under this curve: m/s over 50 m, and how it falls with the distance. */
const FASTEST = { mps: 2.4, overM: 50, fall: 0.08 };
/** A race so many times farther than the longest trial is not shown by trials. */
const MUCH_FARTHER = 4;
/** Stroke length that technique may add a month, as a share: our own rule of thumb. */
const TECHNIQUE_A_MONTH = 0.01;

/**
 * Time over a course at a speed through the water.
 *
 * @throws CurrentTooStrong when the current carries the swimmer back
 * @example courseTime(1, { courseM: 1500, wetsuitGain: 0, currentMps: 0, weeksLeft: 8 }, { extraShare: 0.1, feetShare: 0, lostS: 0 }) // 1650
 */
export function courseTime(speedMps: number, race: RaceAhead, habits: RaceHabits): number {
  const ground = speedMps * (1 + race.wetsuitGain) * (1 + FEET_GAIN * habits.feetShare) + race.currentMps;
  if (ground <= 0) throw new CurrentTooStrong('The current is as fast as the swimmer.');
  return (race.courseM * (1 + habits.extraShare)) / ground + habits.lostS;
}

/** Speed through the water with which a time is swum; the other way round of {@link courseTime}. */
export function speedFor(timeS: number, race: RaceAhead, habits: RaceHabits): number {
  const ground = (race.courseM * (1 + habits.extraShare)) / (timeS - habits.lostS);
  return (ground - race.currentMps) / (1 + race.wetsuitGain) / (1 + FEET_GAIN * habits.feetShare);
}

/**
 * How far a swimmer is from a target and what the way is made of.
 *
 * The parts are taken one after the other, each from where the one before it left off, so that they add up to
 * the gap exactly: a straighter line, feet, skills, the fitness that the weeks may bring (the middle of the
 * growth asked), and technique for what is left.
 *
 * @throws RangeError when a number is out of range; UnusableTrials without a trial
 */
export function raceGap(q: GapQuestion): RaceGap {
  const { race, today, then, growth } = q;
  if (!(q.targetS > 0) || !(race.courseM > 0)) throw new RangeError('targetS and race.courseM: over 0');
  if (!(race.weeksLeft >= 0)) throw new RangeError('race.weeksLeft: from 0');
  if (q.targetS <= then.lostS) throw new RangeError('targetS: longer than the seconds lost');
  const swumM = race.courseM * (1 + today.extraShare);
  const predicted = raceTime(q.trials, swumM);
  const speed = swumM / predicted.timeS;
  const months = race.weeksLeft / WEEKS_PER_MONTH;
  const grown = (share: number) => speed * (1 + share) ** months;

  const todayS = courseTime(speed, race, today);
  const straight = courseTime(speed, race, { ...today, extraShare: then.extraShare });
  const onFeet = courseTime(speed, race, { ...then, lostS: today.lostS });
  const skilled = courseTime(speed, race, then);
  const fit = courseTime(grown((growth.low + growth.high) / 2), race, then);
  const needed = speedFor(q.targetS, race, then);
  const spread = (timeS: number) => courseTime(swumM / timeS, race, today);

  const sd = (predicted.highS - predicted.lowS) / (2 * 1.96) / predicted.timeS;
  let reached = 0;
  for (let i = 0; i < DRAWS; i++) {
    const now = speed / Math.max(0.5, 1 + sd * seededNormal(q.seed, i));
    const month = growth.low + (growth.high - growth.low) * seeded(q.seed + 1, i);
    const technique = TECHNIQUE_A_MONTH * seeded(q.seed + 4, i);
    const day = 1 + DAY_FORM * seededNormal(q.seed + 2, i);
    // How much of what is trained for is there on the day.
    const share = LEAST_THERE + (1 - LEAST_THERE) * seeded(q.seed + 3, i);
    const mix = (a: number, b: number) => a + (b - a) * share;
    const habits = {
      extraShare: mix(today.extraShare, then.extraShare),
      feetShare: mix(today.feetShare, then.feetShare),
      lostS: mix(today.lostS, then.lostS),
    };
    if (courseTime(Math.max(0.05, now * ((1 + month) * (1 + technique)) ** months), race, habits) * day <= q.targetS)
      reached++;
  }
  const gap = {
    todayS,
    lowS: spread(predicted.lowS),
    highS: spread(predicted.highS),
    gapS: todayS - q.targetS,
    parts: {
      straightness: todayS - straight,
      feet: straight - onFeet,
      skills: onFeet - skilled,
      fitness: skilled - fit,
      technique: fit - q.targetS,
    },
    neededMps: needed,
    neededPer100S: 100 / needed,
    strokeLengthM: (speed * 60) / q.rateSpm,
    neededStrokeLengthM: (needed * 60) / q.rateSpm,
    chance: reached / DRAWS,
  };
  return { ...gap, ...verdictOf(q, gap, speed, months) };
}

function verdictOf(
  { targetS, race, trials, growth }: GapQuestion,
  { todayS, neededMps, chance }: Pick<RaceGap, 'todayS' | 'neededMps' | 'chance'>,
  speed: number,
  months: number,
): Pick<RaceGap, 'verdict' | 'reason'> {
  const careful = (1 + growth.low) ** months;
  const hopeful = ((1 + growth.high) * (1 + TECHNIQUE_A_MONTH)) ** months;
  const more = neededMps / speed - 1;
  const weeks = Math.round(race.weeksLeft);
  if (neededMps > FASTEST.mps * (Math.max(FASTEST.overM, race.courseM) / FASTEST.overM) ** -FASTEST.fall)
    return { verdict: 'beyond-anybody', reason: { why: 'beyond-anybody', neededMps, courseM: race.courseM } };
  if (todayS <= targetS) {
    const fromM = Math.max(...trials.map((t) => t.distanceM));
    const far = race.courseM > MUCH_FARTHER * fromM;
    return { verdict: 'there', reason: { why: 'there', ...(far ? { fromM } : {}) } };
  }
  // Everything has to come together: that is a hope, however well the sums add up.
  const allOnTheDay = chance < 0.5;
  const verdict = allOnTheDay ? 'hopeful' : 'realistic';
  if (neededMps <= speed) return { verdict, reason: { why: 'todays-speed', allOnTheDay } };
  if (neededMps <= speed * careful) return { verdict, reason: { why: 'weeks', more, weeks, allOnTheDay } };
  return neededMps <= speed * hopeful
    ? { verdict: 'hopeful', reason: { why: 'stroke-length', more, weeks, brought: careful - 1 } }
    : { verdict: 'not-yet', reason: { why: 'not-yet', more, weeks, brought: hopeful - 1 } };
}
