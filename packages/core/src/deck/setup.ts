import {
  BETWEEN_SETS_S,
  breathWarnings,
  freelyIn,
  groupClock,
  groupFor,
  hasFew,
  isSet,
  laneSwims,
  repMetres,
  repSeconds,
  restSeconds,
  sizeProblem,
  TALK_KNOWN_S,
  TALK_NEW_S,
  untilAgain,
} from '../sessions';
import type { AnySet, Block, GroupPerson, GroupPlan, Item, LanePerson, LaneSetLine, SessionPlan } from '../sessions';
import type { DeckLane, FewBreathsOnDeck, Passage, RunSetup } from './model';

/** Somebody who comes: their lane, their level, and what safety must know of them. */
export type DeckPerson = LanePerson & GroupPerson;

/** What is settled at the pool side before a run with few breaths begins. */
export interface BreathAnswer {
  /** The lifeguard is there and everyone was told the rules just now; without it everyone breathes freely. */
  readonly told: boolean;
  /** Ids of those left out, one by one. */
  readonly leftOut: readonly string[];
}

const NOT_ASKED: BreathAnswer = { told: false, leftOut: [] };

/**
 * The lanes of a session as they are run: who leaves when, and every passage in its order with the
 * lane's own send-offs.
 *
 * People swim in the group of their level; without such a group they swim in the first. Lanes are
 * numbered through from 1 in the order of the groups; a group without swimmers has none. In sets with few breaths
 * everyone breathes freely except those who may swim them, once the lifeguard and the rules are confirmed.
 *
 * @throws RangeError when a group is larger than can be planned, see {@link sizeProblem}
 */
export function runSetup(
  title: string,
  plan: SessionPlan,
  people: readonly DeckPerson[],
  capacity?: number,
  answer: BreathAnswer = NOT_ASKED,
): RunSetup {
  const lanes: DeckLane[] = [];
  // A lane that was left empty by hand keeps its number.
  let before = 0;
  for (const group of plan.groups) {
    const tooLarge = sizeProblem(group.blocks);
    if (tooLarge) throw new RangeError(tooLarge);
    const here = people.filter((p) => groupFor(plan, p) === group);
    if (here.length === 0) continue;
    for (const sheet of laneSwims(group, plan.pool, here, capacity)) {
      const lines = new Map(sheet.lines.map((line) => [line.set.id, line]));
      lanes.push({
        id: `${group.id}/${sheet.lane}`,
        groupId: group.id,
        number: before + sheet.lane,
        swimmers: sheet.people.map((p) => p.id),
        passages: passagesOf(group, plan, lines, here, answer),
      });
    }
    before = lanes.at(-1)!.number;
  }
  return { title, minutes: plan.minutes, swimmers: people.map(({ id, name }) => ({ id, name })), lanes };
}

function passagesOf(
  group: GroupPlan,
  plan: SessionPlan,
  lines: ReadonlyMap<string, LaneSetLine>,
  people: readonly DeckPerson[],
  answer: BreathAnswer,
): Passage[] {
  const known = new Set<string>(group.knownDrills);
  const out: Passage[] = [];
  // Nothing comes before the first set in the water; the next time through goes on at the send-off of the set before.
  let first = true;
  let untilNext = 0;
  for (const block of group.blocks) {
    if (block.landMinutes > 0) {
      out.push({
        id: `${block.id}#land`,
        ...inBlock(block),
        set: null,
        round: null,
        reps: 1,
        repM: 0,
        countdownS: block.landMinutes * 60,
        sendOffS: null,
        gapS: 0,
        beforeS: 0,
        expectedS: {},
      });
    }
    let pausedS = 0;
    const walk = (items: readonly Item[], round: Passage['round'], path: string, again: boolean): void => {
      for (const item of items) {
        if (item.kind === 'pause') {
          pausedS += item.seconds;
          continue;
        }
        if (!isSet(item)) {
          for (let pass = 1; pass <= item.rounds; pass++)
            walk(item.items, { pass, of: item.rounds }, `${path}.${pass}`, again || pass > 1);
          continue;
        }
        // In whole seconds, as a break is counted down.
        const between = first ? 0 : again ? Math.round(untilNext) : BETWEEN_SETS_S;
        // A pause takes the place of the time between two sets, never of the rest that few breaths ask for.
        let beforeS = Math.max(pausedS > 0 ? pausedS : between, out.at(-1)?.fewBreaths?.restS ?? 0);
        pausedS = 0;
        if (item.drill && !again) {
          beforeS += known.has(item.drill) ? TALK_KNOWN_S : TALK_NEW_S;
          known.add(item.drill);
        }
        const few = hasFew(item, group, plan.pool) ? fewOnDeck(item, group, plan, people, answer) : undefined;
        const passage = passageOf(item, `${item.id}#${path}`, block, round, beforeS, group, plan, lines);
        out.push(few ? { ...passage, fewBreaths: few } : passage);
        const { restS, behindS } = lines.get(item.id)!;
        untilNext = untilAgain({ restS, behindS, few: few !== undefined });
        first = false;
      }
    };
    walk(block.items, null, '1', false);
  }
  return out;
}

function fewOnDeck(
  set: AnySet,
  group: GroupPlan,
  { pool }: SessionPlan,
  people: readonly DeckPerson[],
  { told, leftOut }: BreathAnswer,
): FewBreathsOnDeck {
  const freely = new Set(freelyIn(set, group, pool, people, leftOut).map((f) => f.id));
  return {
    warnings: breathWarnings(set, group, pool),
    may: told ? people.filter((p) => !freely.has(p.id)).map((p) => p.id) : [],
    restS: restSeconds(set, repSeconds(set, group, pool)),
  };
}

const inBlock = ({ kind, name }: Block): Pick<Passage, 'block' | 'blockName'> => ({
  block: kind,
  ...(name ? { blockName: name } : {}),
});

function passageOf(
  set: AnySet,
  id: string,
  block: Block,
  round: Passage['round'],
  beforeS: number,
  group: GroupPlan,
  { pool }: SessionPlan,
  lines: ReadonlyMap<string, LaneSetLine>,
): Passage {
  const line = lines.get(set.id)!;
  return {
    id,
    ...inBlock(block),
    set,
    round,
    reps: set.reps,
    repM: set.kind === 'timed' ? 0 : repMetres(set, group, pool),
    // A timed set is counted down rep by rep with its rests as one stretch.
    countdownS: set.kind === 'timed' ? timedSeconds(set) : null,
    sendOffS: line.sendOffS,
    gapS: line.gapS,
    beforeS,
    expectedS: Object.fromEntries(line.swims.map(({ id: swimmer, repS }) => [swimmer, repS])),
  };
}

function timedSeconds(set: AnySet): number {
  if (set.kind !== 'timed') return 0;
  const rest = set.timing.kind === 'rest' ? set.timing.seconds : Math.max(0, set.timing.seconds - set.seconds);
  return set.seconds * set.reps + rest * (set.reps - 1);
}

/** The minute at which a plan's groups are all out, seconds after the start. */
export function plannedFinishS(plan: SessionPlan): number {
  return Math.max(...plan.groups.map((group) => groupClock(group, plan.pool).totalS));
}
