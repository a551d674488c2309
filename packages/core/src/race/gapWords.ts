// Why a gap can be closed or not, and why there is no outlook: kept as codes with their numbers, said in words where shown.
import { trialsWords, type TrialsProblem } from '../measures';
import { tooFarWords, type TooFar } from '../safety';
import { formatTime } from '../units';
import { counted, distanceWord, numberWord, percent, plural } from '../words';

/** How the verdict on a gap came about. */
export type GapReason =
  /** By times over at most so many metres, where the race is much farther. */
  | { readonly why: 'there'; readonly fromM?: number }
  /** A straighter line, feet and skills are enough. */
  | { readonly why: 'todays-speed'; readonly allOnTheDay: boolean }
  /** The weeks bring the speed that is missing, a share of today's. */
  | { readonly why: 'weeks'; readonly more: number; readonly weeks: number; readonly allOnTheDay: boolean }
  /** The weeks bring a part of it, a share too. */
  | {
      readonly why: 'stroke-length' | 'not-yet';
      readonly more: number;
      readonly weeks: number;
      readonly brought: number;
    }
  | { readonly why: 'beyond-anybody'; readonly neededMps: number; readonly courseM: number };

/** Why there is no outlook yet. */
export type NoOutlook =
  | { readonly why: 'over' | 'no-target' | 'lost-time' | 'current' }
  /** Nobody is that fast; what the target asks, m/s, over the course. */
  | { readonly why: 'beyond-anybody'; readonly neededMps: number; readonly courseM: number }
  /** The target is many times as long as today's time, seconds. */
  | { readonly why: 'slow-target'; readonly todayS: number }
  | { readonly why: 'swims'; readonly problem: TrialsProblem }
  /** What the target asks for 100 m, seconds. */
  | { readonly why: 'no-swim'; readonly per100S: number }
  | ({ readonly why: 'too-far' } & TooFar);

const ALL_ON_THE_DAY = ' It all has to come together on the day.';

/**
 * The reason for a verdict as a sentence.
 *
 * @example gapWords({ why: 'there' }) // 'Today’s times already reach the target.'
 */
export function gapWords(reason: GapReason): string {
  if (reason.why === 'there')
    return `Today’s times already reach the target.${reason.fromM === undefined ? '' : ` They are from ${distanceWord(reason.fromM)} at most: only long swims can show it.`}`;
  if (reason.why === 'beyond-anybody')
    return `The target needs ${numberWord(reason.neededMps, 2)} m/s over ${reason.courseM} m: faster than anyone swims.`;
  if (reason.why === 'todays-speed')
    return `A straighter line, feet and skills reach it at today’s speed.${reason.allOnTheDay ? ALL_ON_THE_DAY : ''}`;
  const bring = `It needs ${percent(reason.more, 1)} more speed; ${counted(reason.weeks, 'week')} ${plural(reason.weeks, 'brings', 'bring')}`;
  if (reason.why === 'weeks')
    return `${bring} that, by a cautious estimate.${reason.allOnTheDay ? ALL_ON_THE_DAY : ''}`;
  const brought = percent(reason.brought, 1);
  return reason.why === 'stroke-length'
    ? `${bring} ${brought}, by a cautious estimate. The rest must come from stroke length.`
    : `${bring} ${brought} at best. Choose a later race, or an earlier target first.`;
}

/** Why there is no outlook, where no number belongs to it. */
type Plain = Exclude<NoOutlook['why'], 'no-swim' | 'too-far' | 'swims' | 'beyond-anybody' | 'slow-target'>;
const NONE: Readonly<Record<Plain, string>> = {
  over: 'The race is over: choose the next one.',
  'no-target': 'No target time: the goal is to get there without a stop.',
  'lost-time': 'The target is shorter than the time lost at turns: check both.',
  current: 'The current is as fast as the swimmer: this race cannot be swum.',
};

/**
 * Why there is no outlook, as a sentence.
 *
 * @example noOutlookWords({ why: 'over' }) // 'The race is over: choose the next one.'
 */
export function noOutlookWords(reason: NoOutlook): string {
  if (reason.why === 'too-far') return tooFarWords(reason);
  if (reason.why === 'swims') return trialsWords(reason.problem);
  if (reason.why === 'no-swim')
    return `No all-out swim yet, so there is no prediction. The target needs ${formatTime(reason.per100S, 1)} per 100 m over the course; a timed 200 and 400 m would show how far off that is.`;
  if (reason.why === 'beyond-anybody') return gapWords(reason);
  if (reason.why === 'slow-target')
    return `The target is far slower than today’s time of ${formatTime(reason.todayS)}: choose a nearer one, or none.`;
  return NONE[reason.why];
}

/** Nobody can be surer than this, nor less sure than its other side. */
const SUREST = 0.95;

/**
 * A chance as it may be said: never all or nothing.
 *
 * @example chanceWord(0.73) // '73 %'
 * @example chanceWord(1) // 'over 95 %'
 */
export function chanceWord(chance: number): string {
  if (chance > SUREST) return `over ${percent(SUREST)}`;
  return chance < 1 - SUREST - 1e-9 ? `under ${percent(1 - SUREST)}` : percent(chance);
}
