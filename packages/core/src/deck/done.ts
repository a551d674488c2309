import { isSet, setsOf, type AnySet, type Block, type Item, type SessionPlan } from '../sessions';
import type { LaneState, PassageState, RunState } from './model';
import { repsBegun } from './forecast';

/**
 * What was swum, as a plan: for each group the lane that got furthest, with the reps its first swimmer
 * left for. Rounds that were swum as planned stay rounds; otherwise their passages are written out one
 * by one. Groups that never went stay empty, with their land minutes only where those were run.
 *
 * @param nowMs the end of the run, deck clock
 */
export function swumPlan(plan: SessionPlan, state: RunState, nowMs: number): SessionPlan {
  return {
    ...plan,
    groups: plan.groups.map((group) => {
      const lanes = state.lanes.filter((lane) => lane.groupId === group.id);
      const lane = lanes.sort((a, b) => metres(b, nowMs) - metres(a, nowMs))[0];
      return { ...group, blocks: group.blocks.map((block) => swumBlock(block, lane, nowMs)) };
    }),
  };
}

const metres = (lane: LaneState, nowMs: number): number =>
  lane.passages.reduce((sum, p) => sum + p.repM * repsSwum(p, nowMs), 0);

/** Reps of a passage that were begun; a stretch by the clock counts when it was begun. */
export function repsSwum(passage: PassageState, nowMs: number): number {
  if (passage.goMs === null || passage.skipped) return 0;
  return passage.countdownS !== null ? passage.reps : repsBegun(passage, nowMs);
}

function swumBlock(block: Block, lane: LaneState | undefined, nowMs: number): Block {
  const passages = lane?.passages ?? [];
  const land = passages.find((p) => p.id === `${block.id}#land`);
  const swum = block.items.flatMap((item): readonly Item[] => {
    const sets = setsOf([item]);
    const ids = new Set(sets.map(({ set }) => set.id));
    const mine = passages.filter((p) => p.set && ids.has(p.set.id));
    const asPlanned =
      mine.length === sets.reduce((sum, { times }) => sum + times, 0) &&
      mine.every((p) => repsSwum(p, nowMs) === p.set!.reps);
    if (asPlanned) return [item];
    return mine.flatMap((p, i): AnySet[] => {
      const reps = repsSwum(p, nowMs);
      return reps === 0 ? [] : [{ ...p.set!, reps, id: isSet(item) && i === 0 ? p.set!.id : `${p.set!.id}-${i + 1}` }];
    });
  });
  // A pause before what nobody swam was none.
  const items = swum.some((item) => item.kind !== 'pause') ? swum : [];
  return { ...block, landMinutes: land && land.goMs !== null && !land.skipped ? block.landMinutes : 0, items };
}
