// What the deck asks the database beyond single rows: the events of a run, and everything that follows from them.
import type { DeckFact } from '@upwell/core/deck';
import { bigint, change, float, json, orNull, rows, text, uuid } from '../platform/statement';

/** Events of a page. */
export const PAGE = 1000;

/** Events of a run after a place in its list: session, place. */
export const EVENTS_AFTER = rows(
  { seq: bigint, id: uuid, device: uuid, at_ms: float, fact: json<DeckFact>() },
  `select seq, id, device, at_ms, fact from deck_event where session_id = ? and seq > ? order by seq limit ${PAGE}`,
);

/** The day of a session whose records change: others who change them wait, so that they are of all events. */
export const SESSION_TO_CHANGE = rows(
  { held_on: text },
  'select date::text as held_on from training_session where id = ? for no key update',
);

/** Adds events that are not here yet: club, session, events. */
export const ADD_EVENTS = rows(
  { id: uuid },
  `insert into deck_event (id, club_id, session_id, noted_by, device, at_ms, fact)
   select e.id, ?, ?, e.noted_by, e.device, e.at_ms, e.fact
   from jsonb_to_recordset(?::jsonb) as e (id uuid, device uuid, at_ms double precision, noted_by uuid, fact jsonb)
   on conflict (id) do nothing returning id`,
);

/** Most events of one run, and most bytes of them: an evening of six groups has about three thousand. */
const MOST_OF_A_RUN = { events: 20_000, bytes: 16 * 1024 * 1024 };

/** All events of a run as one text, or null when they are too many; only the worker reads it. */
export const EVENTS_OF_RUN = rows(
  { rows: orNull(text) },
  `select case when count(*) <= ${MOST_OF_A_RUN.events} and coalesce(sum(length(fact::text)), 0) <= ${MOST_OF_A_RUN.bytes}
     then json_agg(json_build_object('id', id, 'device', device, 'at_ms', at_ms, 'fact', fact))::text end as rows
   from deck_event where session_id = ?`,
);

// A coach sees some of the swimmers; the rows of the others are left to those who see them.
const SEEN = 'exists (select from swimmer s where s.id = x.swimmer_id)';

/** Each kind of record of a run: what empties it (session), and what fills it (club, session, day, rows). */
export const RECORDS = {
  reps: {
    empty: change('delete from swim_rep where session_id = ?'),
    fill: change(
      `insert into swim_rep (club_id, session_id, held_on, swimmer_id, passage, rep, distance_m, time_s, strokes, effort,
         stroke, drill, at_ms)
       select ?, ?, ?::date, x.* from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, passage text, rep integer,
         distance_m double precision, time_s double precision, strokes double precision, effort double precision,
         stroke text, drill text, at_ms double precision) where ${SEEN} on conflict do nothing`,
    ),
  },
  signs: {
    empty: change('delete from deck_sign where session_id = ?'),
    fill: change(
      `insert into deck_sign (club_id, session_id, noted_on, id, swimmer_id, sign, sighting)
       select ?, ?, ?::date, x.* from jsonb_to_recordset(?::jsonb) as x (id uuid, swimmer_id uuid, sign text, sighting text)
       where ${SEEN} on conflict do nothing`,
    ),
  },
  attendance: {
    empty: change('delete from attendance where session_id = ?'),
    fill: change(
      `insert into attendance (club_id, session_id, held_on, swimmer_id, status, in_ms, out_ms)
       select ?, ?, ?::date, x.* from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, status text,
         in_ms double precision, out_ms double precision) where ${SEEN} on conflict do nothing`,
    ),
  },
} as const;

/** Better, same, worse for a focus become its tries: club, verdicts. */
export const ADD_VERDICTS = change(
  `insert into focus_try (id, club_id, swimmer_id, focus_id, drill, verdict, note, at)
   select x.id, ?, f.swimmer_id, f.id, x.drill, x.verdict, '', to_timestamp(x.at_ms / 1000)
   from jsonb_to_recordset(?::jsonb) as x (id uuid, focus_id uuid, drill text, verdict text, at_ms double precision)
     join focus f on f.id = x.focus_id
   on conflict (id) do nothing`,
);
