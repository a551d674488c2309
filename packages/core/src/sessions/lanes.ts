import { swimmerPace, type SwimmerPace, type Trial } from '../measures';
import { lengthsToMetres, type Pool } from '../units';

import type { AnySet, GroupPlan } from './model';
import { repMetres, repSeconds, restSeconds } from './setMeasure';
import { groupTotals, setsOf, type GroupTotals } from './totals';

/** Seconds between two swimmers leaving in one lane. */
export const LEAVING_GAP_S = 5;
export const DRILL_GAP_S = 10;

/** Swimmers one lane holds by default: 8 in short pools, 12 in 50 m pools. */
export function laneCapacity(poolM: number): number {
  return poolM > 40 ? 12 : 8;
}

export interface LaneSwimmer {
  readonly id: string;
  readonly speedMps: number;
}

export interface LaneRep {
  readonly poolLengthM: number;
  /** Metres of one rep. */
  readonly rep: number;
  readonly gapS: number;
  readonly sendOffS: number;
  readonly reps: number;
}

export interface Catch {
  /** The slower swimmer. */
  readonly who: string;
  readonly caughtBy: string;
  /** From 1. */
  readonly rep: number;
  /** Where in the rep the slower one is caught, metres. */
  readonly atM: number;
}

/**
 * Who is caught by whom when a lane swims a set, swimmers leaving in the order given.
 *
 * Everybody swims at their own steady speed, in a circle on the two sides of the lane. Somebody is
 * caught from behind by a later and faster swimmer, or lapped by the leader over two lengths. Who
 * comes home after the next send-off leaves at once, without rest.
 *
 * @throws RangeError when a number is not over 0 or there are more than 40 swimmers
 * @example
 * simulateLane([{ id: 'slow', speedMps: 1 }, { id: 'fast', speedMps: 1.25 }], { poolLengthM: 50, rep: 50, gapS: 5, sendOffS: 90, reps: 1 })
 * // [{ who: 'slow', caughtBy: 'fast', rep: 1, atM: 25 }]
 */
export function simulateLane(swimmers: readonly LaneSwimmer[], lane: LaneRep): Catch[] {
  if (swimmers.length > 40) throw new RangeError('at most 40 swimmers in a lane');
  if (!(lane.rep > 0 && lane.poolLengthM > 0 && lane.sendOffS > 0 && swimmers.every((s) => s.speedMps > 0)))
    throw new RangeError('distances, speeds and the send-off must be over 0');
  const catches: Catch[] = [];
  let home = swimmers.map(() => 0);
  for (let rep = 1; rep <= lane.reps; rep++) {
    const starts = swimmers.map((_, i) => Math.max((rep - 1) * lane.sendOffS + i * lane.gapS, home[i]!));
    swimmers.forEach((ahead, i) => {
      swimmers.slice(i + 1).forEach((behind, offset) => {
        const atM = caughtAt(ahead, starts[i]!, behind, starts[i + 1 + offset]!, lane);
        if (atM === null) return;
        const slower = ahead.speedMps < behind.speedMps ? ahead : behind;
        const faster = slower === ahead ? behind : ahead;
        catches.push({ who: slower.id, caughtBy: faster.id, rep, atM });
      });
    });
    home = swimmers.map((s, i) => starts[i]! + lane.rep / s.speedMps);
  }
  return catches;
}

/** Where the slower of two is caught in one rep, or null. */
function caughtAt(
  ahead: LaneSwimmer,
  startAhead: number,
  behind: LaneSwimmer,
  startBehind: number,
  { rep, poolLengthM }: LaneRep,
): number | null {
  const gain = behind.speedMps - ahead.speedMps;
  if (gain === 0) return null;
  // A later swimmer closes the head start; the leader must gain a whole circle on the one behind.
  const lead = gain > 0 ? 0 : 2 * poolLengthM;
  const time = (behind.speedMps * startBehind - ahead.speedMps * startAhead - lead) / gain;
  const xAhead = ahead.speedMps * (time - startAhead);
  const xBehind = behind.speedMps * (time - startBehind);
  if (time < Math.max(startAhead, startBehind) || xAhead >= rep - 1e-9 || xBehind >= rep - 1e-9) return null;
  return gain > 0 ? xAhead : xBehind;
}

export interface LaneProposal {
  readonly kind: 'keep' | 'order' | 'gap' | 'move';
  readonly order: readonly string[];
  readonly gapS: number;
  /** Who should change lanes, when nothing else helps. */
  readonly move: string | null;
  readonly reason: string;
}

/** Widest gap worth trying before somebody has to change lanes, seconds. */
const WIDEST_GAP_S = 20;

/** The smallest change after which nobody is caught: the order, then wider gaps, then one swimmer less. */
export function proposeLane(swimmers: readonly LaneSwimmer[], lane: LaneRep): LaneProposal {
  const free = (list: readonly LaneSwimmer[], gapS: number) => simulateLane(list, { ...lane, gapS }).length === 0;
  const say = (
    kind: LaneProposal['kind'],
    list: readonly LaneSwimmer[],
    gapS: number,
    reason: string,
    move?: string,
  ) => ({
    kind,
    order: list.map((s) => s.id),
    gapS,
    move: move ?? null,
    reason,
  });
  if (free(swimmers, lane.gapS)) return say('keep', swimmers, lane.gapS, 'Nobody is caught.');
  const sorted = [...swimmers].sort((a, b) => b.speedMps - a.speedMps);
  if (free(sorted, lane.gapS)) return say('order', sorted, lane.gapS, 'Let the fastest lead.');
  for (let gapS = Math.ceil(lane.gapS) + 1; gapS <= WIDEST_GAP_S; gapS++) {
    // The last must be away before the first leaves again.
    if (gapS * (sorted.length - 1) >= lane.sendOffS) break;
    if (free(sorted, gapS)) return say('gap', sorted, gapS, `Leave ${gapS} s apart, the fastest first.`);
  }
  const one = [sorted[sorted.length - 1]!, ...sorted].find((s) =>
    free(
      sorted.filter((o) => o !== s),
      lane.gapS,
    ),
  );
  const out = one ?? sorted[sorted.length - 1]!;
  return say(
    'move',
    sorted.filter((s) => s !== out),
    lane.gapS,
    one ? 'One swimmer is better in another lane.' : 'The lane is too mixed: move the slowest, then look again.',
    out.id,
  );
}

export interface LaneAssignment<T> {
  readonly lanes: readonly (readonly T[])[];
  /** Swimmers more than the lanes hold by the club's rule. */
  readonly over: number;
}

/**
 * Swimmers in lanes by pace: the fastest in the first lane, lanes as even in pace as can be, no lane
 * over its capacity. With too many swimmers the lanes are filled evenly and `over` says by how many.
 *
 * Solved exactly: of all ways to cut the sorted list the one with the least sum of squared pace
 * differences inside the lanes.
 */
export function assignLanes<T extends { readonly speedMps: number }>(
  swimmers: readonly T[],
  lanes: number,
  capacity: number,
): LaneAssignment<T> {
  const sorted = [...swimmers].sort((a, b) => b.speedMps - a.speedMps);
  const n = sorted.length;
  const used = Math.min(lanes, Math.max(1, n));
  const over = Math.max(0, n - lanes * capacity);
  const most = over > 0 ? Math.ceil(n / used) : capacity;
  const cost = (from: number, to: number) => (sorted[from]!.speedMps - sorted[to - 1]!.speedMps) ** 2;
  // best[k][i]: cheapest way to put the first i swimmers into k lanes, and where the last lane begins.
  const best = Array.from({ length: used + 1 }, () =>
    Array.from({ length: n + 1 }, () => ({ cost: Infinity, from: 0 })),
  );
  best[0]![0] = { cost: 0, from: 0 };
  for (let k = 1; k <= used; k++) {
    for (let i = 1; i <= n; i++) {
      for (let from = Math.max(0, i - most); from < i; from++) {
        const total = best[k - 1]![from]!.cost + cost(from, i);
        if (total < best[k]![i]!.cost) best[k]![i] = { cost: total, from };
      }
    }
  }
  const out: T[][] = [];
  for (let k = used, i = n; k > 0 && i > 0; k--) {
    const { from } = best[k]![i]!;
    out.unshift(sorted.slice(from, i));
    i = from;
  }
  return { lanes: out, over };
}

/** Seconds of send-off: the swim of the slowest plus rest, rounded up to 5 s. @example sendOffFor(61.2, 15) // 80 */
export function sendOffFor(slowestS: number, restS: number): number {
  return Math.ceil((slowestS + restS) / 5 - 1e-9) * 5;
}

/** Somebody in a lane. */
export interface LanePerson {
  readonly id: string;
  readonly name: string;
  /** Speed over about 400 m, m/s. */
  readonly v400Mps: number;
  readonly paceIsGuess: boolean;
  readonly bests: readonly Trial[];
}

export interface LaneSetLine {
  readonly set: AnySet;
  /** How often the set is swum through. */
  readonly times: number;
  /** The lane's own send-off, seconds; null for a single rep. */
  readonly sendOffS: number | null;
  readonly gapS: number;
  /** Each swimmer's time for one rep and where the pace comes from, in leaving order. */
  readonly swims: readonly { readonly id: string; readonly repS: number; readonly method: SwimmerPace['method'] }[];
  readonly catches: readonly Catch[];
  readonly proposal: LaneProposal | null;
}

export interface LaneSheet {
  readonly lane: number;
  readonly people: readonly LanePerson[];
  /** The session at the pace of this lane's slowest. */
  readonly totals: GroupTotals;
  readonly lines: readonly LaneSetLine[];
}

/** Reps looked at for catches: later ones repeat the first. */
const REPS_LOOKED_AT = 6;

/**
 * The sheets of a group's lanes: who leaves when, each swimmer's time, the lane's send-off, who would
 * be caught, and what to do about it.
 */
export function laneSheets(
  group: GroupPlan,
  pool: Pool,
  people: readonly LanePerson[],
  capacity?: number,
): LaneSheet[] {
  const poolM = lengthsToMetres(pool, 1);
  const withSpeed = people.map((person) => ({ person, speedMps: person.v400Mps }));
  const { lanes } = assignLanes(withSpeed, group.lanes, capacity ?? laneCapacity(poolM));
  return lanes.map((lane, i) => {
    const here = lane.map(({ person }) => person);
    const sets = group.blocks.flatMap((block) => setsOf(block.items));
    return {
      lane: i + 1,
      people: here,
      totals: groupTotals({ ...group, v400Mps: Math.min(...here.map((p) => p.v400Mps)) }, pool),
      lines: sets.map(({ set, times }) => laneLine(set, times, here, group, pool)),
    };
  });
}

function laneLine(
  set: AnySet,
  times: number,
  people: readonly LanePerson[],
  group: GroupPlan,
  pool: Pool,
): LaneSetLine {
  const swims = people.map((person) => {
    const swims = { v400Mps: person.v400Mps, paceTable: group.paceTable };
    const repM = repMetres(set, swims, pool);
    if (set.kind === 'swim' && !set.drill) {
      const pace = swimmerPace(person.v400Mps, set.effort, repM, person.bests, group.paceTable);
      return { id: person.id, repS: repM / pace.speedMps, method: person.paceIsGuess ? 'guess' : pace.method } as const;
    }
    const method: SwimmerPace['method'] = person.paceIsGuess
      ? 'guess'
      : group.paceTable.length > 0
        ? 'club table'
        : 'effort law';
    return { id: person.id, repS: repSeconds(set, swims, pool), method };
  });
  const slowest = Math.max(...swims.map((s) => s.repS));
  const gapS = set.drill ? DRILL_GAP_S : LEAVING_GAP_S;
  const restS = restSeconds(set, repSeconds(set, group, pool));
  const sendOffS = set.reps > 1 ? sendOffFor(slowest, restS) : null;
  if (set.kind === 'timed' || people.length < 2)
    return { set, times, sendOffS, gapS, swims, catches: [], proposal: null };
  const repM = lengthsToMetres(pool, set.lengths);
  const lane: LaneRep = {
    poolLengthM: lengthsToMetres(pool, 1),
    rep: repM,
    gapS,
    sendOffS: sendOffS ?? slowest + 1,
    reps: Math.min(set.reps, REPS_LOOKED_AT),
  };
  const swimmers = swims.map((s) => ({ id: s.id, speedMps: repM / s.repS }));
  const catches = simulateLane(swimmers, lane);
  return {
    set,
    times,
    sendOffS,
    gapS,
    swims,
    catches,
    proposal: catches.length > 0 ? proposeLane(swimmers, lane) : null,
  };
}
