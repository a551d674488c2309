import type { Pool } from '../../units';
import { hasFew } from './fewBreaths';
import { behindSeconds, fullestLane, untilAgain } from './leaving';
import type { AnySet, Block, GroupPlan, Item, Pause } from './model';
import { repSeconds, restSeconds } from './setMeasure';
import { sizeProblem } from './size';

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
}

/** Seconds of swimming, of rest and of talk before it. */
interface Spent {
  readonly swimS: number;
  readonly restS: number;
  readonly talkS: number;
  /** Of the rest, what the first of the lane only waits for the last. */
  readonly waitS: number;
}

const NOTHING: Spent = { swimS: 0, restS: 0, talkS: 0, waitS: 0 };

export interface GroupClock extends Spent {
  readonly blocks: readonly BlockClock[];
  readonly totalS: number;
  readonly landS: number;
}

/** What a clock knows on its way through a group's plan. */
class Walk {
  private readonly known: Set<string>;
  private first = true;
  /** Whether a pause came right before. */
  private rested = false;
  /** From the end of the set swum last until the next time through, which takes the rest after its last rep too. */
  private untilNext = 0;
  /** What of the wait for the last is rest when the next time through follows. */
  private waitRests = 0;
  /** Rest that is owed after the set swum last, whatever comes next: after few breaths. */
  private owed = 0;

  constructor(
    private readonly group: GroupPlan,
    private readonly pool: Pool,
  ) {
    this.known = new Set(group.knownDrills);
  }

  /**
   * One passage of a set, which ends when the last of the lane is home. Rest follows every rep but the last;
   * {@link BETWEEN_SETS_S} lie between two sets; a drill is explained before its first passage. From the second time
   * through rounds, the rest of a set leads to the next; after few breaths it always does.
   */
  passage(set: AnySet, again: boolean): Spent {
    const repS = repSeconds(set, this.group, this.pool);
    const rest = restSeconds(set, repS);
    const behindS = behindSeconds(set, fullestLane(this.group));
    const few = hasFew(set, this.group, this.pool);
    const gap = this.first || this.rested ? 0 : again ? this.untilNext : Math.max(BETWEEN_SETS_S, this.owed);
    let talkS = again ? 0 : gap;
    if (!again && set.drill) {
      talkS += this.known.has(set.drill) ? TALK_KNOWN_S : TALK_NEW_S;
      this.known.add(set.drill);
    }
    this.first = false;
    this.rested = false;
    const waitS = behindS - (again ? this.waitRests : 0);
    this.untilNext = untilAgain({ restS: rest, behindS, few });
    this.waitRests = rest - this.untilNext;
    this.owed = few ? rest : 0;
    return { swimS: repS * set.reps, restS: rest * (set.reps - 1) + behindS + (again ? gap : 0), talkS, waitS };
  }

  /** A pause takes the place of the rest or the time between two sets that would come after it. */
  pause({ seconds }: Pause): Spent {
    const restS = Math.max(seconds, this.owed);
    this.owed = 0;
    this.waitRests = 0;
    this.rested = true;
    return { ...NOTHING, restS };
  }

  /**
   * All passages of some items. Every time through rounds but the first takes equally long, so it is measured
   * once and multiplied.
   */
  through(items: readonly Item[], again: boolean): Spent {
    let sum = NOTHING;
    for (const item of items) {
      if (item.kind === 'pause') {
        sum = plus(sum, this.pause(item), 1);
      } else if (item.kind !== 'rounds') {
        sum = plus(sum, this.passage(item, again), 1);
      } else if (again) {
        // What led to the first time through may be another set's rest than what leads to the later ones.
        sum = plus(sum, this.through(item.items, true), 1);
        if (item.rounds > 1) sum = plus(sum, this.through(item.items, true), item.rounds - 1);
      } else {
        sum = plus(sum, this.through(item.items, false), 1);
        if (item.rounds > 1) sum = plus(sum, this.through(item.items, true), item.rounds - 1);
      }
    }
    return sum;
  }
}

const plus = (sum: Spent, part: Spent, times: number): Spent => ({
  swimS: sum.swimS + part.swimS * times,
  restS: sum.restS + part.restS * times,
  talkS: sum.talkS + part.talkS * times,
  waitS: sum.waitS + part.waitS * times,
});

const secondsOf = ({ swimS, restS, talkS }: Spent): number => swimS + restS + talkS;

/**
 * Lays a group's plan on the clock: land, talk, swimming and rest. The work grows with what is written, not
 * with how often it is swum.
 *
 * @example groupClock(group, { length: 25, unit: 'm' }).totalS // 3590
 */
export function groupClock(group: GroupPlan, pool: Pool): GroupClock {
  const walk = new Walk(group, pool);
  let sum = NOTHING;
  let landS = 0;
  const blocks = group.blocks.map((block): BlockClock => {
    const startS = landS + secondsOf(sum);
    landS += block.landMinutes * 60;
    sum = plus(sum, walk.through(block.items, false), 1);
    return { block, startS, endS: landS + secondsOf(sum) };
  });
  return { blocks, totalS: landS + secondsOf(sum), landS, ...sum };
}

/** The wait from which a coach would think of another lane, and what one must save to be worth it, seconds. */
export const WAIT_SAID_S = 60;
export const LANE_SAVES_S = 120;

/**
 * What the first of a lane waits for the last in the whole session, and what another lane would make of it.
 *
 * @returns null where it is not worth a word
 * @example waitWord(group, pool) // '9′ waiting for the last of the lane, 4′ with one more lane'
 */
export function waitWord(group: GroupPlan, pool: Pool): string | null {
  const { waitS } = groupClock(group, pool);
  if (waitS < WAIT_SAID_S) return null;
  const fewer = groupClock({ ...group, lanes: group.lanes + 1 }, pool).waitS;
  const minutes = (seconds: number) => `${Math.round(seconds / 60)}′`;
  const said = `${minutes(waitS)} waiting for the last of the lane`;
  return waitS - fewer < LANE_SAVES_S ? said : `${said}, ${minutes(fewer)} with one more lane`;
}

/**
 * Every passage of a group's plan in the order it is swum, block by block: for drawing.
 *
 * @throws RangeError when the plan is larger than a group can be, see {@link sizeProblem}
 */
export function groupSlots(group: GroupPlan, pool: Pool): readonly (readonly Slot[])[] {
  const problem = sizeProblem(group.blocks);
  if (problem) throw new RangeError(problem);
  const walk = new Walk(group, pool);
  let now = 0;
  return group.blocks.map((block) => {
    const slots: Slot[] = [];
    now += block.landMinutes * 60;
    const swim = (items: readonly Item[], again: boolean): void => {
      for (const item of items) {
        if (item.kind === 'pause') {
          now += secondsOf(walk.pause(item));
          continue;
        }
        if (item.kind === 'rounds') {
          for (let pass = 0; pass < item.rounds; pass++) swim(item.items, again || pass > 0);
          continue;
        }
        const spent = walk.passage(item, again);
        slots.push({ set: item, startS: now, endS: now + secondsOf(spent), ...spent });
        now += secondsOf(spent);
      }
    };
    swim(block.items, false);
    return slots;
  });
}
