// Which lanes will not be out in time with the people who come, before anybody is in the water.
import type { SessionPlan } from '../sessions';
import { runState } from './evaluate';
import { cutsToFinish, finishMs } from './forecast';
import { type DeckPerson, plannedFinishS, runSetup } from './setup';
import { cutWords } from './words';

/** Seconds after the end from which a lane is called late: a clock at the pool is not more exact. */
export const LATE_S = 90;

/** When everybody should be out, seconds after the start: after the hour, or after a plan that is longer. */
export const endS = (plan: SessionPlan): number => Math.max(plannedFinishS(plan), plan.minutes * 60);

export interface LateLanes {
  /** Those that are late, by number; `outS` and `lateS` in seconds after the start and after the end. */
  readonly lanes: readonly { readonly number: number; readonly outS: number; readonly lateS: number }[];
  /** What to leave out so that they are in time, as the deck would. @example ['Lane 4: 8 × 100 crawl → 6 ×'] */
  readonly cuts: readonly string[];
}

/**
 * Lanes that need longer than the session has, as the deck will count them: every set at the send-off of the lane's
 * slowest, the last one leaving behind the others. The plan itself counts the pace of the group.
 *
 * @param people everybody who comes
 * @param capacity swimmers a lane holds; by the length of the pool when it is left out
 * @throws RangeError when a group is larger than can be planned
 */
export function lateLanes(plan: SessionPlan, people: readonly DeckPerson[], capacity?: number): LateLanes {
  const setup = runSetup('', plan, people, capacity);
  const state = runState([{ id: 'begin', atMs: 0, device: '', kind: 'begin', setup }]);
  const end = endS(plan);
  const lanes = state.lanes.flatMap((lane) => {
    const outS = finishMs(lane, 0) / 1000;
    return outS - end < LATE_S ? [] : [{ id: lane.id, number: lane.number, outS, lateS: outS - end }];
  });
  const late = new Set(lanes.map(({ id }) => id));
  const cuts = cutsToFinish(state, 0, end * 1000).filter((cut) => late.has(cut.lane));
  return { lanes: lanes.map(({ id: _id, ...lane }) => lane), cuts: cutWords(state, cuts, plan.pool) };
}
