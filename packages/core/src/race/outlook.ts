import { criticalSpeed, UnusableTrials, type Trial } from '../measures';
import { assumed } from './assumed';
import { daysBetween } from '../days';
import { tooFarForTheAge, type RaceChoices, type RaceFacts } from './facts';
import type { NoOutlook } from './gapWords';
import { MOST_WEEKS } from './planModel';
import { CurrentTooStrong, raceGap, type RaceGap } from './raceGap';
import { fits } from './trials';

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
  | { readonly kind: 'none'; readonly reason: NoOutlook };

/** A target so many times as long as today's time is none. */
const SLOW_TARGET = 3;

/**
 * How far the swimmer is from the target today; honest where nothing can be said. Of a race farther away than a plan
 * reaches no more growth is counted than that of a plan's weeks: nobody can say more.
 *
 * @param today ISO date
 * @param seed of the simulated races
 */
export function raceOutlook(facts: RaceFacts, choices: RaceChoices, today: string, seed = 1): Outlook {
  const none = (reason: NoOutlook) => ({ kind: 'none', reason }) as const;
  const days = daysBetween(today, facts.raceOn);
  if (days < 0) return none({ why: 'over' });
  const far = tooFarForTheAge(facts, choices);
  if (far !== null) return none({ why: 'too-far', ...far });
  if (facts.targetS === null) return none({ why: 'no-target' });
  if (facts.trials.length === 0) return none({ why: 'no-swim', per100S: (facts.targetS / facts.distanceM) * 100 });
  const assumptions = assumed(facts, choices);
  if (facts.targetS <= assumptions.then.lostS) return none({ why: 'lost-time' });
  try {
    const gap = raceGap({
      targetS: facts.targetS,
      race: {
        courseM: choices.courseM ?? facts.distanceM,
        wetsuitGain: assumptions.wetsuitGain,
        currentMps: assumptions.currentMps,
        weeksLeft: Math.min(days / 7, MOST_WEEKS),
      },
      trials: facts.trials,
      today: assumptions.today,
      then: assumptions.then,
      growth: assumptions.growth,
      rateSpm: assumptions.rateSpm,
      seed,
    });
    if (gap.reason.why === 'beyond-anybody') return none(gap.reason);
    if (facts.targetS > SLOW_TARGET * gap.todayS) return none({ why: 'slow-target', todayS: gap.todayS });
    return {
      kind: 'gap',
      gap,
      criticalSpeed: criticalSpeedNeeded(facts.trials, gap, assumptions.rateSpm),
      rateBand: [assumptions.rateSpm, Math.max(assumptions.rateSpm, (gap.neededMps * 60) / gap.strokeLengthM)],
    };
  } catch (error) {
    // A current that carries back, or swims that do not fit together: said, not hidden.
    if (error instanceof CurrentTooStrong) return none({ why: 'current' });
    if (error instanceof UnusableTrials) return none({ why: 'swims', problem: error.problem });
    throw error;
  }
}

/** As much more critical speed as the target asks more speed. */
function criticalSpeedNeeded(trials: readonly Trial[], { neededMps, strokeLengthM }: RaceGap, rateSpm: number) {
  if (!fits(trials)) return null;
  const todayMps = criticalSpeed(trials).criticalSpeedMps;
  return { todayMps, neededMps: (todayMps * neededMps * 60) / (strokeLengthM * rateSpm) };
}
