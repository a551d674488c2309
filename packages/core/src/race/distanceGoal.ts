// A goal without a clock: how far it goes today, the steps, and when the distance is there.
import type { Source } from './assumed';
import type { RaceChoices, RaceFacts } from './facts';
import { longestFor } from './longRace';
import type { BlockPlan } from './planModel';
import { longestSwum, raceAsked } from './racePlan';
import type { LongSwimNote, WeekNote } from './weekNotes';

/** What the next goals without a clock usually are, metres; a swim with friends is as far as they swim. */
export const CLOCKLESS = [
  { event: 'First 400 m without a stop', distanceM: 400 },
  { event: 'First kilometre', distanceM: 1000 },
  { event: 'A swim with friends', distanceM: null },
] as const;

export interface DistanceGoal {
  /** The longest swim without a stop so far, metres, and where that is from. */
  readonly todayM: number;
  readonly from: Source;
  /** The longest swim that the goal asks of the weeks, metres: up to 3 km the goal itself. */
  readonly goalM: number;
  /** Longer swims on the way, one every second week of work. */
  readonly steps: readonly { readonly monday: string; readonly metres: number }[];
  /** Monday of the week in which the goal is there; null when it is there today or no week reaches it. */
  readonly reachedIn: string | null;
  readonly verdict: 'there' | 'in-time' | 'short' | 'too-early';
}

/**
 * How far a goal without a clock is, in metres instead of seconds.
 *
 * @param plan the weeks to it
 * @example from 200 m to 400 m: 240, 275, 325, 400 m, every second week
 */
export function distanceGoal(facts: RaceFacts, choices: RaceChoices, plan: Pick<BlockPlan, 'weeks'>): DistanceGoal {
  const { metres: todayM, from } = longestSwum(facts, choices);
  const goalM = Math.round(longestFor(raceAsked(facts, choices)));
  const isLong = (note: WeekNote): note is LongSwimNote => note.note === 'long-swim';
  const all = plan.weeks.flatMap(({ monday, notes }) => {
    const long = notes.find(isLong);
    return long ? [{ monday, metres: long.metres }] : [];
  });
  // The same distance again is no step.
  const steps = all.filter(({ metres }, i) => metres > Math.max(todayM, ...all.slice(0, i).map((s) => s.metres)));
  const last = steps.at(-1);
  const there = todayM >= goalM;
  // Long swims are said in whole steps: a goal in between is reached from the last of them.
  const reached = !there && last !== undefined && last.metres >= REACHED * goalM;
  return {
    todayM,
    from,
    goalM,
    steps: there ? [] : steps,
    reachedIn: reached ? last.monday : null,
    // No weeks, though the day is to come: farther away than a plan reaches.
    verdict: there ? 'there' : reached ? 'in-time' : plan.weeks.length === 0 ? 'too-early' : 'short',
  };
}

/** A long swim that comes this near to what is asked is enough. */
const REACHED = 0.95;
