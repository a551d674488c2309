// The race plan of a swimmer: what is known, what was decided, and how it is stored.
import type { Me } from '@upwell/contract/account';
import type { RacePlanSave, RacePlanView } from '@upwell/contract/race';
import { weekOf } from '@upwell/core/days';
import type { PlanWeek } from '@upwell/core/race';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { SwimmerEntity } from '../swimmers/entities';
import { lockSwimmers } from '../platform/lock';
import type { RunWork } from '../work';
import { all } from '../platform/statement';
import { PlanWeekEntity, RaceOutlookEntity, RacePlanEntity } from './entities';
import { knownOf, type Known } from './facts';
import { RACERS } from './sql';

const toView = ({ id, name, version, choices, facts }: Known): RacePlanView => ({
  swimmerId: id,
  name,
  version,
  choices,
  facts,
});

/** What is known of one swimmer; 404 for anyone who may not see them. */
export async function known(em: EntityManager, id: string, today: string): Promise<Known> {
  const [one] = await knownOf(em, [id], today);
  if (!one) throw notFound();
  return one;
}

/** What the way of a swimmer to their race is worked out from. */
export async function showRacePlan(em: EntityManager, id: string, today: string): Promise<RacePlanView> {
  return toView(await known(em, id, today));
}

/** Stores what a coach decided and works the weeks out again. */
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
  const everybody = await knownOf(em, ids, today);
  const swimmerId = { $in: everybody.map((k) => k.id) };
  await em.nativeDelete(PlanWeekEntity, { swimmerId, monday: { $gte: weekOf(today) } });
  await em.nativeDelete(RaceOutlookEntity, { swimmerId });
  const racers = everybody.flatMap(({ id, facts, choices }) => (facts ? [{ id, facts, choices }] : []));
  const plans = racers.length > 0 ? await work('plan-races', { racers, today }) : [];
  const outlooks = plans.map(({ id, facts, outlook }) => ({
    ...{ swimmerId: id, clubId, event: facts.event, raceOn: facts.raceOn },
    ...{ outlook, madeOn: today },
  }));
  const weeks = plans.flatMap(({ id, plan }) => plan.weeks.map((week) => ({ swimmerId: id, clubId, ...week })));
  if (outlooks.length > 0) await em.insertMany(RaceOutlookEntity, outlooks);
  if (weeks.length > 0) await em.insertMany(PlanWeekEntity, weeks);
}

/** Swimmers with a race on or after a day, for planning; in a fixed order. */
export async function racersOf(em: EntityManager, today: string): Promise<string[]> {
  const rows = await all(em, RACERS, [today]);
  return rows.map((r) => r.id);
}

/** The stored weeks of a swimmer from a day on; all that are stored without one. */
export async function keptWeeks(em: EntityManager, id: string, from = '1900-01-01'): Promise<PlanWeek[]> {
  if ((await em.count(SwimmerEntity, { id })) === 0) throw notFound();
  const weeks = await em.find(
    PlanWeekEntity,
    { swimmerId: id, monday: { $gte: from } },
    { orderBy: { monday: 'asc' }, limit: 200, disableIdentityMap: true },
  );
  return weeks.map(({ monday, phase, kind, load, theme, step, test, notes }) => ({
    ...{ monday, phase, kind, load, theme, step: step ?? null, test, notes },
  }));
}
