// Running a session: what a device needs before it starts, and the events it notes.
import type { Me } from '@upwell/contract/account';
import type { DeckPack, EventsPage } from '@upwell/contract/deck';
import type { DeckEvent } from '@upwell/core/deck';
import type { EntityManager } from '@mikro-orm/postgresql';
import { prepared, runPrepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';
import { all, first, one, run } from '../platform/statement';
import { openFocusesOf } from '../review';
import { FocusTryEntity } from '../review/entities';
import type { RunWork } from '../work';
import { listSessions, sessionPeople, showSession } from '../sessions';
import { clubRule } from '../swimmers';
import { toEvent } from './runRecords';
import { ADD_EVENTS, ADD_VERDICTS, EVENTS_AFTER, EVENTS_OF_RUN, PAGE, RECORDS, SESSION_TO_CHANGE } from './sql';

/** The sessions of a day with everything that running them needs. */
export async function packs(em: EntityManager, me: Me, date: string): Promise<DeckPack[]> {
  const out: DeckPack[] = [];
  for (const { id } of await listSessions(em, me, { from: date, to: date, limit: 20 }))
    out.push(await pack(em, me, id));
  return out;
}

export async function pack(em: EntityManager, me: Me, sessionId: string): Promise<DeckPack> {
  const session = await showSession(em, me, sessionId);
  const people = await sessionPeople(em, session);
  return {
    session,
    people,
    focuses: await openFocusesOf(
      em,
      people.map((p) => p.id),
    ),
    laneCapacity: await clubRule(em, 'laneCapacity'),
  };
}

/** Events of a run after a place in its list, in the order in which the server got them. */
export async function eventsAfter(em: EntityManager, me: Me, sessionId: string, after: number): Promise<EventsPage> {
  await showSession(em, me, sessionId);
  const rows = await all(em, EVENTS_AFTER, [sessionId, after]);
  return { events: rows.map(toEvent), last: Number(rows.at(-1)?.seq ?? after), more: rows.length === PAGE };
}

/** An event with who noted it, when that is not who sends it. */
export type NotedEvent = DeckEvent & { readonly notedBy?: string };

/**
 * Stores events of a run and works out its records again. An event that is here already changes nothing, so
 * a device may send again whatever it is not sure of.
 */
export async function addEvents(
  em: EntityManager,
  work: RunWork,
  me: Me,
  sessionId: string,
  events: readonly NotedEvent[],
): Promise<{ readonly stored: number }> {
  const session = await first(em, SESSION_TO_CHANGE, [sessionId]);
  if (!session) throw notFound();
  const rows = events.map(({ id, device, atMs, notedBy = me.accountId, ...fact }) => ({
    ...{ id, device, at_ms: atMs, noted_by: notedBy, fact },
  }));
  const stored = await prepared(em, ADD_EVENTS, [me.clubId, sessionId, JSON.stringify(rows)]);
  if (stored.length > 0) await workOut(em, work, me, sessionId, session.held_on);
  return { stored: stored.length };
}

/** Reps, signs, verdicts and attendance of a run, from all its events. */
async function workOut(em: EntityManager, work: RunWork, me: Me, sessionId: string, heldOn: string): Promise<void> {
  const { rows: events } = await one(em, EVENTS_OF_RUN, [sessionId]);
  if (events === null)
    throw new ProblemError(422, 'Too much has been noted for this session to add more. End it and start another.');
  const records = await work('run-records', events);
  for (const kind of ['reps', 'signs', 'attendance'] as const) {
    await run(em, RECORDS[kind].empty, [sessionId]);
    await runPrepared(em, RECORDS[kind].fill, [me.clubId, sessionId, heldOn, records[kind]]);
  }
  // What was taken back on deck goes from the tries of its focus.
  if (records.takenBack.length > 0) await em.nativeDelete(FocusTryEntity, { id: { $in: [...records.takenBack] } });
  await run(em, ADD_VERDICTS, [me.clubId, records.verdicts]);
}
