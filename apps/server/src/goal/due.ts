import type { LoadDue, ReadyDue, TestDue } from '@upwell/contract/goal';
import { dueSoon, raceReadiness, READY_DAYS, type RaceChoices, type ReadyFacts } from '@upwell/core/goal';
import type { EntityManager } from '@mikro-orm/postgresql';
import { loadView } from '../sessions';
import { addDays, weekOf } from '@upwell/core/days';
import { OUTSIDE, REHEARSED } from './facts';

/** Most lines of one kind on the deck's first page. */
const MOST_DUE = 12;

/** Tests that are planned for this week and not done yet. */
export function testsDue(em: EntityManager, today: string): Promise<TestDue[]> {
  const monday = weekOf(today);
  return em.execute<TestDue[]>(
    `select s.id as "swimmerId", s.given_name || ' ' || s.family_name as name, s.squad_id as "squadId",
       w.monday::text as monday
     from plan_week w join swimmer s on s.id = w.swimmer_id
     where w.monday = ?::date and w.test and not s.archived
       and not exists (select from test_result t where t.swimmer_id = s.id and t.held_on >= w.monday)
     order by s.search_name, s.id limit ${MOST_DUE}`,
    [monday],
    'all',
  );
}

interface NearRow extends Omit<ReadyFacts, 'place' | 'raceOn'> {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  readonly event: string;
  readonly raceOn: string;
  readonly choices: RaceChoices | null;
}

/** Who lacks something before a race outside that is due within the week, or late. */
export async function readyDue(em: EntityManager, today: string): Promise<ReadyDue[]> {
  const near = await em.execute<NearRow[]>(
    `select s.id, s.given_name || ' ' || s.family_name as name, s.squad_id as "squadId", s.goal->>'event' as event,
       s.goal->>'date' as "raceOn", s.breathing_side as breathes, s.ladder_steps as "ladderSteps", p.choices,
       ${OUTSIDE} as outside, ${REHEARSED} as rehearsed
     from swimmer s left join race_plan p on p.id = s.id
     where not s.archived and s.goal->>'place' = 'open-water' and s.goal->>'date' >= ? and s.goal->>'date' <= ?
     order by s.goal->>'date', s.id limit 60`,
    [today, addDays(today, READY_DAYS)],
    'all',
  );
  const due = near.flatMap(({ id, name, squadId, event, choices, ...facts }) => {
    const missing = dueSoon(raceReadiness({ ...facts, place: 'open-water' }, choices ?? {}, today), today);
    return missing.length > 0 ? [{ swimmerId: id, name, squadId, event, raceOn: facts.raceOn, missing }] : [];
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
