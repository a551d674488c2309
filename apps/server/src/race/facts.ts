import type { RaceGoal } from '@upwell/contract/swimmers';
import {
  chosenTrials,
  contradiction,
  extraShare,
  needsFrom,
  waterWeek,
  weeklyLoads,
  type RaceChoices,
  type RaceFacts,
} from '@upwell/core/race';
import { weekOf } from '@upwell/core/days';
import type { EntityManager } from '@mikro-orm/postgresql';
import { all, type RowOf } from '../platform/statement';
import { KNOWN } from './sql';

/** Everything the weeks of one swimmer are worked out from. */
export interface Known {
  readonly id: string;
  readonly name: string;
  readonly givenName: string;
  readonly squadId: string;
  /** Null without a goal. */
  readonly facts: RaceFacts | null;
  readonly choices: RaceChoices;
  readonly version: number;
}

type KnownRow = RowOf<typeof KNOWN>;

/**
 * What is known of some swimmers and their races on a day, in one question for all of them.
 *
 * @param ids swimmers; those one may not see are left out
 */
export async function knownOf(em: EntityManager, ids: readonly string[], today: string): Promise<Known[]> {
  const monday = weekOf(today);
  const rows = await all(em, KNOWN, [today, today, today, today, today, monday, monday, `{${ids.join(',')}}`]);
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    givenName: row.given_name,
    squadId: row.squad_id,
    choices: row.choices ?? {},
    version: row.version ?? 0,
    facts: row.goal ? toFacts(row, row.goal, monday) : null,
  }));
}

function toFacts(row: KnownRow, goal: RaceGoal, monday: string): RaceFacts {
  const recent = [
    ...(row.trials ?? []),
    ...(row.tested ?? []).flatMap(({ on, trials }) => trials.map((t) => ({ ...t, on }))),
  ];
  const trials = chosenTrials(recent, row.best_times);
  const used = recent.filter((r) => trials.some((t) => t.distanceM === r.distanceM && t.timeS === r.timeS));
  return {
    event: goal.event,
    raceOn: goal.date,
    distanceM: goal.distanceM,
    birthYear: row.birth_year,
    place: goal.place,
    targetS: goal.targetTimeS,
    level: row.level,
    breathes: row.breathes,
    trials: trials.map(({ distanceM, timeS }) => ({ distanceM, timeS })),
    contradiction: contradiction(recent, row.best_times),
    trialsOn:
      used
        .map((r) => r.on)
        .sort()
        .at(-1) ?? null,
    rampSpm: Math.round(Number(row.ramp ?? 0)) || null,
    extra: row.swum ? { share: extraShare(row.swum.swumM, row.swum.courseM), on: row.swum.on } : null,
    swumM: row.swum_m ?? [],
    past: weeklyLoads(row.past ?? [], monday),
    week: waterWeek(row.pool_times),
    needs: needsFrom(row.focus, row.ranking ?? []),
    ladderSteps: row.ladder_steps,
    outside: row.outside,
    rehearsed: row.rehearsed,
  };
}
