// When each lane is out with the people who come, before anybody is in the water.
import { setsOf } from '../sessions';
import type { GroupPlan, SessionPlan } from '../sessions';
import { runState } from './evaluate';
import { cutsToFinish, finishMs, passageSeconds } from './forecast';
import type { LaneState } from './model';
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
  /** When each block of the group begins, seconds after the start, in the order of the plan. */
  readonly blocksS: readonly number[];
  /** Seconds after the end; 0 where it is in time, see {@link LATE_S}. */
  readonly lateS: number;
  /** What to leave out to be in time, as the deck would. @example ['8 × 100 crawl → 6 ×'] */
  readonly cuts: readonly string[];
}

/**
 * When each lane is out, as the deck will count it: every set at the send-off of the lane's slowest, the last one leaving
 * behind the others. The plan itself counts everybody at the pace of the group.
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
    const blocksS = blockStarts(
      lane,
      plan.groups.find((group) => group.id === groupId)!,
    );
    return {
      ...{ groupId, lane: Number(lane.id.slice(groupId.length + 1)), outS, blocksS },
      ...{ lateS: late ? outS - end : 0, cuts: late ? cutsIn(lane, cuts, plan.pool) : [] },
    };
  });
}

/** When each block begins for a lane: where the block before it has ended. */
function blockStarts(lane: LaneState, group: GroupPlan): number[] {
  let next = 0;
  let nowS = 0;
  return group.blocks.map((block) => {
    const startS = nowS;
    const sets = new Set(setsOf(block.items).map(({ set }) => set.id));
    for (let passage = lane.passages[next]; passage; passage = lane.passages[++next]) {
      if (passage.set ? !sets.has(passage.set.id) : passage.id !== `${block.id}#land`) break;
      nowS += passage.beforeS + passageSeconds(passage, passage.reps, lane.swimmers.length);
    }
    return startS;
  });
}
