// When each lane is out with the people who come, before anybody is in the water.
import type { SessionPlan } from '../sessions';
import { runState } from './evaluate';
import { cutsToFinish, finishMs } from './forecast';
import { type DeckPerson, plannedFinishS, runSetup } from './setup';
import { cutsIn } from './words';

/** Seconds after the end from which a lane is called late: a clock at the pool is not more exact. */
export const LATE_S = 90;

/** When everybody should be out, seconds after the start: after the hour, or after a plan that is longer. */
export const endS = (plan: SessionPlan): number => Math.max(plannedFinishS(plan), plan.minutes * 60);

/** When a lane is out with the people who come. */
export interface LaneOut {
  readonly groupId: string;
  /** From 1 in its group. */
  readonly lane: number;
  /** Seconds after the start. */
  readonly outS: number;
  /** Seconds after the end; 0 where it is in time, see {@link LATE_S}. */
  readonly lateS: number;
  /** What to leave out to be in time, as the deck would. @example ['8 × 100 crawl → 6 ×'] */
  readonly cuts: readonly string[];
}

/**
 * When each lane is out, as the deck will count it: every set at the send-off of the lane's slowest, the last one leaving
 * behind the others. The plan itself counts the pace of the group.
 *
 * @param people everybody who comes
 * @param capacity swimmers a lane holds; by the length of the pool when it is left out
 * @throws RangeError when a group is larger than can be planned
 */
export function lanesOut(plan: SessionPlan, people: readonly DeckPerson[], capacity?: number): LaneOut[] {
  const setup = runSetup('', plan, people, capacity);
  const state = runState([{ id: 'begin', atMs: 0, device: '', kind: 'begin', setup }]);
  const end = endS(plan);
  const cuts = cutsToFinish(state, 0, end * 1000);
  return state.lanes.map((lane) => {
    const { groupId } = lane;
    const outS = finishMs(lane, 0) / 1000;
    const late = outS - end >= LATE_S;
    return {
      ...{ groupId, lane: Number(lane.id.slice(groupId.length + 1)), outS },
      ...{ lateS: late ? outS - end : 0, cuts: late ? cutsIn(lane, cuts, plan.pool) : [] },
    };
  });
}
