import type { Me } from '@upwell/contract/account';
import type { DeckPack, EventsPage } from '@upwell/contract/deck';
import type { DeckEvent } from '@upwell/core/deck';
import type { EntityManager } from '@mikro-orm/postgresql';
import { prepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';
import { openFocusesOf } from '../review';
import type { RunWork } from '../work';
import { clubSetting, listSessions, sessionPeople, showSession } from '../sessions';
import { toEvent, type EventRow } from './runRecords';

/** Events of a page. */
const PAGE = 1000;

/** The sessions of a day with everything that running them needs. */
export async function packs(em: EntityManager, me: Me, date: string): Promise<DeckPack[]> {
  const out: DeckPack[] = [];
  for (const { id } of await listSessions(em, { from: date, to: date, limit: 20 })) out.push(await pack(em, me, id));
  return out;
}

export async function pack(em: EntityManager, me: Me, sessionId: string): Promise<DeckPack> {
  const session = await showSession(em, me, sessionId);
  const people = await sessionPeople(em, session.squadIds);
  return {
    session,
    people,
    focuses: await openFocusesOf(
      em,
      people.map((p) => p.id),
    ),
    laneCapacity: (await clubSetting<number>(em, 'laneCapacity')) ?? null,
  };
}

/** Events of a run after a place in its list, in the order in which the server got them. */
export async function eventsAfter(em: EntityManager, me: Me, sessionId: string, after: number): Promise<EventsPage> {
  await showSession(em, me, sessionId);
  const rows = await em.execute<EventRow[]>(
    `select seq, id, device, at_ms, fact from deck_event where session_id = ? and seq > ? order by seq limit ${PAGE}`,
    [sessionId, after],
    'all',
  );
  return { events: rows.map(toEvent), last: Number(rows.at(-1)?.seq ?? after), more: rows.length === PAGE };
}

/** An event with who noted it, when that is not who sends it. */
export type NotedEvent = DeckEvent & { readonly notedBy?: string };

/** Most events of one run, and most bytes of them: an evening of six groups has about three thousand. */
const MOST_OF_A_RUN = { events: 20_000, bytes: 16 * 1024 * 1024 };

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
  // Two devices at once: one after the other, so that the records are of all events.
  const [session] = await em.execute<{ held_on: string }[]>(
    'select date::text as held_on from training_session where id = ? for no key update',
    [sessionId],
    'all',
  );
  if (!session) throw notFound();
  const rows = events.map(({ id, device, atMs, notedBy = me.accountId, ...fact }) => ({
    ...{ id, device, at_ms: atMs, noted_by: notedBy, fact },
  }));
  const stored = await prepared<{ id: string }>(
    em,
    `insert into deck_event (id, club_id, session_id, noted_by, device, at_ms, fact)
     select e.id, ?, ?, e.noted_by, e.device, e.at_ms, e.fact
     from jsonb_to_recordset(?::jsonb) as e (id uuid, device uuid, at_ms double precision, noted_by uuid, fact jsonb)
     on conflict (id) do nothing returning id`,
    [me.clubId, sessionId, JSON.stringify(rows)],
  );
  if (stored.length > 0) await workOut(em, work, me, sessionId, session.held_on);
  return { stored: stored.length };
}

/** Reps, signs, verdicts and attendance of a run, from all its events. */
async function workOut(em: EntityManager, work: RunWork, me: Me, sessionId: string, heldOn: string): Promise<void> {
  const [all] = await em.execute<{ events: number; bytes: number; rows: string | null }[]>(
    `select count(*)::int as events, coalesce(sum(length(fact::text)), 0)::int as bytes,
       case when count(*) <= ${MOST_OF_A_RUN.events} and coalesce(sum(length(fact::text)), 0) <= ${MOST_OF_A_RUN.bytes}
         then json_agg(json_build_object('id', id, 'device', device, 'at_ms', at_ms, 'fact', fact))::text end as rows
     from deck_event where session_id = ?`,
    [sessionId],
    'all',
  );
  if (all!.rows === null)
    throw new ProblemError(422, 'So much was noted for this session that no more is taken. End it and begin another.');
  const records = await work('run-records', all!.rows);
  // Bound rather than written into the text: these are long.
  const put = (sql: string, rows: string) => prepared(em, sql, [me.clubId, sessionId, heldOn, rows]);
  // A coach sees some of the swimmers; the others' rows are left to whoever sees them.
  const seen = 'exists (select from swimmer s where s.id = x.swimmer_id)';

  await em.execute('delete from swim_rep where session_id = ?', [sessionId], 'run');
  await put(
    `insert into swim_rep (club_id, session_id, held_on, swimmer_id, passage, rep, distance_m, time_s, strokes, effort, stroke, drill, at_ms)
     select ?, ?, ?::date, x.* from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, passage text, rep integer,
       distance_m double precision, time_s double precision, strokes double precision, effort double precision,
       stroke text, drill text, at_ms double precision) where ${seen} on conflict do nothing`,
    records.reps,
  );
  await em.execute('delete from deck_sign where session_id = ?', [sessionId], 'run');
  await put(
    `insert into deck_sign (club_id, session_id, noted_on, id, swimmer_id, sign, sighting)
     select ?, ?, ?::date, x.* from jsonb_to_recordset(?::jsonb) as x (id uuid, swimmer_id uuid, sign text, sighting text)
     where ${seen} on conflict do nothing`,
    records.signs,
  );
  await em.execute('delete from attendance where session_id = ?', [sessionId], 'run');
  await put(
    `insert into attendance (club_id, session_id, held_on, swimmer_id, status, in_ms, out_ms)
     select ?, ?, ?::date, x.* from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, status text,
       in_ms double precision, out_ms double precision) where ${seen} on conflict do nothing`,
    records.attendance,
  );
  // Better, same, worse for a focus become its tries; what was taken back on deck goes.
  if (records.takenBack.length > 0)
    await em.execute('delete from focus_try where id = any(?::uuid[])', [`{${records.takenBack.join(',')}}`], 'run');
  await em.execute(
    `insert into focus_try (id, club_id, swimmer_id, focus_id, drill, verdict, note, at)
     select x.id, ?, f.swimmer_id, f.id, x.drill, x.verdict, '', to_timestamp(x.at_ms / 1000)
     from jsonb_to_recordset(?::jsonb) as x (id uuid, focus_id uuid, drill text, verdict text, at_ms double precision)
       join focus f on f.id = x.focus_id
     on conflict (id) do nothing`,
    [me.clubId, records.verdicts],
    'run',
  );
}
