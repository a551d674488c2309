import type { Pool } from '../units';
import type { AnySet, Block, GroupPlan, Item } from './model';
import { repSeconds } from './setMeasure';

/** Seconds between two sets. */
export const BETWEEN_SETS_S = 30;
/** Seconds to explain a drill the group has not done before, and one it knows. */
export const TALK_NEW_S = 60;
export const TALK_KNOWN_S = 20;

/** One passage of a set on the clock. */
export interface Slot {
  readonly set: AnySet;
  readonly startS: number;
  readonly endS: number;
  readonly swimS: number;
  readonly restS: number;
  readonly talkS: number;
}

export interface BlockClock {
  readonly block: Block;
  readonly startS: number;
  readonly endS: number;
  readonly slots: readonly Slot[];
}

export interface GroupClock {
  readonly blocks: readonly BlockClock[];
  readonly totalS: number;
  readonly swimS: number;
  readonly restS: number;
  readonly talkS: number;
  readonly landS: number;
}

/** Rest after one rep, seconds; a send-off shorter than the swim leaves none. */
export function restSeconds(set: AnySet, repS: number): number {
  return set.timing.kind === 'rest' ? set.timing.seconds : Math.max(0, set.timing.seconds - repS);
}

/**
 * Lays a group's plan on the clock: land, talk, swimming and rest, second by second.
 *
 * Rest follows every rep but the last of a set; {@link BETWEEN_SETS_S} lie between two sets; a drill
 * is explained before its first passage. From the second round on, a set's own rest leads to the next.
 */
export function groupClock(group: GroupPlan, pool: Pool): GroupClock {
  const known = new Set<string>(group.knownDrills);
  const totals = { swimS: 0, restS: 0, talkS: 0, landS: 0 };
  let now = 0;
  let first = true;

  const blocks = group.blocks.map((block): BlockClock => {
    const startS = now;
    const slots: Slot[] = [];
    now += block.landMinutes * 60;
    totals.landS += block.landMinutes * 60;

    const walk = (items: readonly Item[], again: boolean): void => {
      for (const item of items) {
        if (item.kind === 'rounds') {
          for (let pass = 0; pass < item.rounds; pass++) walk(item.items, again || pass > 0);
          continue;
        }
        const repS = repSeconds(item, group, pool);
        const rest = restSeconds(item, repS);
        const gap = first ? 0 : again ? rest : BETWEEN_SETS_S;
        let talkS = again ? 0 : gap;
        if (!again && item.drill) {
          talkS += known.has(item.drill) ? TALK_KNOWN_S : TALK_NEW_S;
          known.add(item.drill);
        }
        const restS = rest * (item.reps - 1) + (again ? gap : 0);
        const swimS = repS * item.reps;
        const slot = { set: item, startS: now, endS: now + talkS + restS + swimS, swimS, restS, talkS };
        slots.push(slot);
        now = slot.endS;
        totals.swimS += swimS;
        totals.restS += restS;
        totals.talkS += talkS;
        first = false;
      }
    };
    walk(block.items, false);
    return { block, startS, endS: now, slots };
  });
  return { blocks, totalS: now, ...totals };
}
