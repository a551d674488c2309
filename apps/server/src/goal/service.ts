// The race plan of a swimmer: what is known, what was decided, and how it is stored.
import type { Me } from '@upwell/contract/account';
import type { RacePlanSave, RacePlanView } from '@upwell/contract/goal';
import { weekOf } from '@upwell/core/days';
import type { PlanWeek } from '@upwell/core/goal';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { SwimmerEntity } from '../swimmers/entities';
import { lockSwimmers } from '../platform/lock';
import type { RunWork } from '../work';
import { RacePlanEntity } from './entities';
import { knownOf, type Known } from './facts';

const toView = ({ id, name, version, choices, facts }: Known): RacePlanView => ({
  swimmerId: id,
  name,
  version,
  choices,
  facts,
});

/** What is known of one swimmer; 404 for whoever may not see them. */
export async function known(em: EntityManager, id: string, today: string): Promise<Known> {
  const [one] = await knownOf(em, [id], today);
  if (!one) throw notFound();
  return one;
}

/** What the way of a swimmer to their race is worked out from. */
export async function showRacePlan(em: EntityManager, id: string, today: string): Promise<RacePlanView> {
  return toView(await known(em, id, today));
}

/** Stores what a coach decided and works the weeks out anew. */
export async function saveRacePlan(
  em: EntityManager,
  work: RunWork,
  me: Me,
  id: string,
  save: RacePlanSave,
  today: string,
): Promise<RacePlanView> {
  if ((await lockSwimmers(em, [id])).length === 0)
    throw new ProblemError(404, 'This swimmer is not here, or not yours to see.');
  await saveVersioned(em, RacePlanEntity, id, save, { clubId: me.clubId, choices: save.choices }, (row) => ({
    swimmerId: id,
    version: row.version,
    choices: row.choices,
  }));
  await planSwimmers(em, work, me.clubId, [id], today);
  return showRacePlan(em, id, today);
}

/**
 * Works out the weeks and the outlook of some swimmers and stores them. Weeks that are over stay as they were
 * planned. Doing it twice changes nothing.
 */
export async function planSwimmers(
  em: EntityManager,
  work: RunWork,
  clubId: string,
  ids: readonly string[],
  today: string,
): Promise<void> {
  await lockSwimmers(em, ids);
  const all = await knownOf(em, ids, today);
  const list = `{${all.map((k) => k.id).join(',')}}`;
  await em.execute(
    'delete from plan_week where swimmer_id = any(?::uuid[]) and monday >= ?::date',
    [list, weekOf(today)],
    'run',
  );
  await em.execute('delete from race_outlook where swimmer_id = any(?::uuid[])', [list], 'run');
  const racers = all.flatMap(({ id, facts, choices }) => (facts ? [{ id, facts, choices }] : []));
  const plans = racers.length > 0 ? await work('plan-races', { racers, today }) : [];
  const weeks = plans.flatMap(({ id, plan }) => plan.weeks.map((week) => ({ swimmer_id: id, ...week })));
  await em.execute(
    `insert into race_outlook (swimmer_id, club_id, event, race_on, outlook, problems, made_on)
     select x.swimmer_id, ?, x.event, x.race_on, x.outlook, x.problems, ?::date
     from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, event text, race_on date, outlook jsonb, problems jsonb)`,
    [
      clubId,
      today,
      JSON.stringify(
        plans.map(({ id, facts, plan, outlook }) => ({
          swimmer_id: id,
          event: facts.event,
          race_on: facts.raceOn,
          outlook,
          problems: plan.problems,
        })),
      ),
    ],
    'run',
  );
  await em.execute(
    `insert into plan_week (swimmer_id, monday, club_id, phase, kind, load, theme, step, test, words)
     select x.swimmer_id, x.monday, ?, x.phase, x.kind, x.load, x.theme, x.step, x.test, x.words
     from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, monday date, phase text, kind text, load integer,
       theme text, step text, test boolean, words jsonb)`,
    [clubId, JSON.stringify(weeks)],
    'run',
  );
}

/** Swimmers with a race on or after a day, for planning; in a fixed order. */
export async function racersOf(em: EntityManager, today: string): Promise<string[]> {
  const rows = await em.execute<{ id: string }[]>(
    `select s.id from swimmer s where not s.archived and s.goal is not null and s.goal->>'date' >= ? order by s.id limit 5000`,
    [today],
    'all',
  );
  return rows.map((r) => r.id);
}

/** The stored weeks of a swimmer from a day on; all that are stored without one. */
export async function keptWeeks(em: EntityManager, id: string, from = '1900-01-01'): Promise<PlanWeek[]> {
  if ((await em.count(SwimmerEntity, { id })) === 0) throw notFound();
  return em.execute<PlanWeek[]>(
    `select monday::text as monday, phase, kind, load, theme, step, test, words from plan_week
     where swimmer_id = ? and monday >= ?::date order by monday limit 200`,
    [id, from],
    'all',
  );
}
