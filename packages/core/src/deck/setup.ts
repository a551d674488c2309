import {
  BETWEEN_SETS_S,
  groupClock,
  isSet,
  laneSheets,
  repMetres,
  sizeProblem,
  TALK_KNOWN_S,
  TALK_NEW_S,
} from '../sessions';
import type { AnySet, GroupPlan, Item, LanePerson, LaneSetLine, SessionPlan } from '../sessions';
import type { LevelId } from '../swimmers';
import type { DeckLane, Passage, RunSetup } from './model';

/** Somebody who comes, with the level whose group they swim in. */
export interface DeckPerson extends LanePerson {
  readonly level: LevelId;
}

/**
 * The lanes of a session as they are run: who leaves when, and every passage in its order with the
 * lane's own send-offs.
 *
 * People swim in the group of their level; without such a group they swim in the first. Lanes are
 * numbered through from 1 in the order of the groups; a group nobody comes for has none.
 *
 * @throws RangeError when a group is larger than can be planned, see {@link sizeProblem}
 */
export function runSetup(title: string, plan: SessionPlan, people: readonly DeckPerson[], capacity?: number): RunSetup {
  const lanes: DeckLane[] = [];
  for (const group of plan.groups) {
    const tooLarge = sizeProblem(group.blocks);
    if (tooLarge) throw new RangeError(tooLarge);
    const here = people.filter((p) => groupOf(plan, p) === group);
    if (here.length === 0) continue;
    for (const sheet of laneSheets(group, plan.pool, here, capacity)) {
      const lines = new Map(sheet.lines.map((line) => [line.set.id, line]));
      lanes.push({
        id: `${group.id}/${sheet.lane}`,
        groupId: group.id,
        number: lanes.length + 1,
        swimmers: sheet.people.map((p) => p.id),
        passages: passagesOf(group, plan, lines),
      });
    }
  }
  return { title, minutes: plan.minutes, swimmers: people.map(({ id, name }) => ({ id, name })), lanes };
}

function groupOf(plan: SessionPlan, person: DeckPerson): GroupPlan | undefined {
  return plan.groups.find((g) => g.level === person.level) ?? plan.groups[0];
}

function passagesOf(group: GroupPlan, plan: SessionPlan, lines: ReadonlyMap<string, LaneSetLine>): Passage[] {
  const known = new Set<string>(group.knownDrills);
  const out: Passage[] = [];
  for (const block of group.blocks) {
    if (block.landMinutes > 0) {
      out.push({
        id: `${block.id}#land`,
        block: block.kind,
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
    const walk = (items: readonly Item[], round: Passage['round'], path: string): void => {
      for (const item of items) {
        if (!isSet(item)) {
          for (let pass = 1; pass <= item.rounds; pass++)
            walk(item.items, { pass, of: item.rounds }, `${path}.${pass}`);
          continue;
        }
        let beforeS = out.length === 0 || (round !== null && round.pass > 1) ? 0 : BETWEEN_SETS_S;
        if (item.drill && (round === null || round.pass === 1)) {
          beforeS += known.has(item.drill) ? TALK_KNOWN_S : TALK_NEW_S;
          known.add(item.drill);
        }
        out.push(passageOf(item, `${item.id}#${path}`, block.kind, round, beforeS, group, plan, lines.get(item.id)!));
      }
    };
    walk(block.items, null, '1');
  }
  return out;
}

function passageOf(
  set: AnySet,
  id: string,
  block: Passage['block'],
  round: Passage['round'],
  beforeS: number,
  group: GroupPlan,
  { pool }: SessionPlan,
  line: LaneSetLine,
): Passage {
  return {
    id,
    block,
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
