import type { LoadDue, ReadyDue, TestDue } from '@upwell/contract/race';
import { dueSoon, raceReadiness, READY_DAYS } from '@upwell/core/race';
import type { EntityManager } from '@mikro-orm/postgresql';
import { loadView } from '../sessions';
import { addDays, weekOf } from '@upwell/core/days';
import { all } from '../platform/statement';
import { knownOf } from './facts';
import { MOST_DUE, RACES_NEAR, TESTS_DUE } from './sql';

/** Tests that are planned for this week and not done yet. */
export function testsDue(em: EntityManager, today: string): Promise<TestDue[]> {
  return all(em, TESTS_DUE, [weekOf(today)]);
}

/** Who lacks something before a race outside that is due within the week, or late. */
export async function readyDue(em: EntityManager, today: string): Promise<ReadyDue[]> {
  const near = await all(em, RACES_NEAR, [today, addDays(today, READY_DAYS)]);
  const known = await knownOf(
    em,
    near.map(({ id }) => id),
    today,
  );
  const due = known.flatMap(({ id, name, squadId, facts, choices }) => {
    const missing = facts ? dueSoon(raceReadiness(facts, choices, today), today) : [];
    return missing.length > 0
      ? [{ swimmerId: id, name, squadId, event: facts!.event, raceOn: facts!.raceOn, missing }]
      : [];
  });
  return due.sort((a, b) => a.missing[0]!.by.localeCompare(b.missing[0]!.by)).slice(0, MOST_DUE);
}

/** Which squads and levels have a load that asks for a talk. */
export async function loadsDue(em: EntityManager, today: string): Promise<LoadDue[]> {
  const { groups } = await loadView(em, today);
  return groups
    .flatMap(({ id, name, squadId, prompts }) => (prompts[0] ? [{ id, name, squadId, prompt: prompts[0] }] : []))
    .slice(0, MOST_DUE);
}
