import { swimmerPace, type SwimmerPace, type Trial } from '../../measures';
import { lengthsToMetres, type Pool } from '../../units';
import type { AnySet, GroupPlan, StrokeShares } from '../plan/model';
import { behindSeconds, gapSeconds, sendOffFor } from '../plan/leaving';
import { isPull, isStrokeGuess } from '../plan/strokePace';
import type { Breathes } from '../plan/weakSide';
import { repMetres, repSeconds, restSeconds, setsOf } from '../plan/setMeasure';
import { groupTotals, type GroupTotals } from '../plan/totals';
import { type Catch, type LaneRep, simulateLane } from './catches';
import { type LaneProposal, proposeLane } from './proposeLane';
import { assignLanes, laneCapacity } from './assignLanes';

/** Somebody in a lane. */
export interface LanePerson extends Breathes {
  readonly id: string;
  /** Speed over about 400 m, m/s. */
  readonly v400Mps: number;
  readonly paceIsGuess: boolean;
  readonly bests: readonly Trial[];
  /** Speed in other strokes as a share of crawl, from own times; the group's where it is left out. */
  readonly strokeShares?: StrokeShares;
  /** The lane they were put in by hand, of a group. */
  readonly place?: { readonly group: string; readonly lane: number };
}

export interface LaneSetLine {
  readonly set: AnySet;
  /** How often the set is swum through. */
  readonly times: number;
  /** The lane's own send-off, seconds; null for a single rep. */
  readonly sendOffS: number | null;
  readonly gapS: number;
  /** Seconds of rest after a rep of the slowest. */
  readonly restS: number;
  /** Seconds by which the last of the lane leaves after the first. */
  readonly behindS: number;
  /** Each swimmer's time for one rep and where the pace comes from, in leaving order. */
  readonly swims: readonly { readonly id: string; readonly repS: number; readonly method: SwimmerPace['method'] }[];
  readonly catches: readonly Catch[];
  readonly proposal: LaneProposal | null;
}

export interface LaneSwims {
  readonly lane: number;
  readonly people: readonly LanePerson[];
  readonly lines: readonly LaneSetLine[];
}

export interface LaneSheet extends LaneSwims {
  /** The session at the pace of this lane's slowest. */
  readonly totals: GroupTotals;
}

/** Reps looked at for catches: later ones repeat the first. */
const REPS_LOOKED_AT = 6;

/**
 * The people of a group in its lanes, by number from 1: by pace, and then those who were put somewhere by hand; nobody
 * else moves for them.
 */
export function lanesOf<P extends LanePerson>(
  group: GroupPlan,
  pool: Pool,
  people: readonly P[],
  capacity = laneCapacity(lengthsToMetres(pool, 1)),
): (readonly P[])[] {
  const { lanes } = assignLanes(
    people.map((person) => ({ person, speedMps: person.v400Mps })),
    group.lanes,
    capacity,
  );
  const out = Array.from({ length: group.lanes }, (_, i) => (lanes[i] ?? []).map(({ person }) => person));
  for (const person of people) {
    const { place } = person;
    if (!place || place.group !== group.id || place.lane > group.lanes) continue;
    out.forEach((lane, i) => (out[i] = lane.filter(({ id }) => id !== person.id)));
    out[place.lane - 1]!.push(person);
  }
  return out.map((lane) => [...lane].sort((a, b) => b.v400Mps - a.v400Mps));
}

/** How a group's lanes swim: who leaves when, each swimmer's time, the lane's send-off, who would be caught, and what to do about it. */
export function laneSwims(group: GroupPlan, pool: Pool, people: readonly LanePerson[], capacity?: number): LaneSwims[] {
  const sets = group.blocks.flatMap((block) => setsOf(block.items));
  return lanesOf(group, pool, people, capacity).flatMap((here, i) => {
    if (here.length === 0) return [];
    const lines = sets.map(({ set, times }) => laneLine(set, times, here, group, pool));
    return { lane: i + 1, people: here, lines };
  });
}

/** The sheets of a group's lanes: {@link laneSwims} with the sums of each. */
export const laneSheets = (...asked: Parameters<typeof laneSwims>): LaneSheet[] => {
  const [group, pool] = asked;
  return laneSwims(...asked).map((lane) => ({
    ...lane,
    totals: groupTotals(
      { ...group, v400Mps: Math.min(...lane.people.map((p) => p.v400Mps)), swimmers: lane.people.length, lanes: 1 },
      pool,
    ),
  }));
};

function laneLine(
  set: AnySet,
  times: number,
  people: readonly LanePerson[],
  group: GroupPlan,
  pool: Pool,
): LaneSetLine {
  const swims = people.map((person) => {
    const { strokeShares = group.strokeShares ?? {} } = person;
    const swims = { v400Mps: person.v400Mps, paceTable: group.paceTable, strokeShares };
    const repM = repMetres(set, swims, pool);
    if (set.kind === 'swim' && !set.drill && set.stroke === 'front-crawl' && !isPull(set)) {
      const pace = swimmerPace(person.v400Mps, set.effort, repM, person.bests, group.paceTable);
      return { id: person.id, repS: repM / pace.speedMps, method: person.paceIsGuess ? 'guess' : pace.method } as const;
    }
    const method: SwimmerPace['method'] =
      person.paceIsGuess || isStrokeGuess(set, strokeShares)
        ? 'guess'
        : group.paceTable.length > 0
          ? 'club table'
          : 'effort law';
    return { id: person.id, repS: repSeconds(set, swims, pool), method };
  });
  const slowest = Math.max(...swims.map((s) => s.repS));
  const gapS = gapSeconds(set);
  const leavesS = sendOffFor(slowest, restSeconds(set, repSeconds(set, group, pool)));
  const sendOffS = set.reps > 1 ? leavesS : null;
  const restS = set.kind === 'timed' ? restSeconds(set, set.seconds) : leavesS - slowest;
  const behindS = behindSeconds(set, people.length);
  const line = { set, times, sendOffS, gapS, restS, behindS, swims };
  if (set.kind === 'timed' || people.length < 2) return { ...line, catches: [], proposal: null };
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
    ...line,
    catches,
    proposal: catches.length > 0 ? proposeLane(swimmers, lane) : null,
  };
}
