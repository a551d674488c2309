// What records ask the database beyond single rows: everything of one swimmer, the club's list, and files on their way in.
import type { RecordsView, RepView } from '@upwell/contract/records';
import { RESULT_SORTS, RESULTS_COUNTED, type ResultSort } from '@upwell/contract/recordLimits';
import type { ResultKind, SwimDetails } from '@upwell/core/measures';
import {
  bool,
  change,
  float,
  int,
  json,
  orNull,
  rows,
  text,
  textOf,
  uuid,
  type Change,
  type RowOf,
  type Statement,
} from '../platform/statement';

/** Most rows of one kind that a swimmer's records show. */
export const MOST = 2000;

type Sign = RecordsView['signs'][number];

/** The results of a swimmer, the newest first. */
export const RESULTS_OF = rows(
  {
    ...{ id: uuid, on: text, distanceM: float, timeS: float },
    ...{ strokesPerLength: orNull(float), kind: textOf<ResultKind>(), details: json<SwimDetails>() },
  },
  `select id, held_on::text as "on", distance_m as "distanceM", time_s as "timeS",
     strokes_per_length as "strokesPerLength", kind, details
   from result where swimmer_id = ? order by held_on desc, id limit ${MOST}`,
);

/** What a swimmer swam in sessions, the newest first. */
export const REPS_OF = rows(
  {
    ...{ sessionId: uuid, title: text, on: text, rep: int, set: text, distanceM: float, timeS: float },
    strokes: orNull(float),
    effort: float,
    stroke: textOf<RepView['stroke']>(),
    drill: orNull(textOf<NonNullable<RepView['drill']>>()),
  },
  `select r.session_id as "sessionId", t.title, r.held_on::text as "on", r.rep, r.passage as "set",
     r.distance_m as "distanceM", r.time_s as "timeS", r.strokes, r.effort, r.stroke, r.drill
   from swim_rep r join training_session t on t.id = r.session_id
   where r.swimmer_id = ? order by r.held_on desc, r.at_ms limit ${MOST}`,
);

/** Signs that were noted on deck, the newest first. */
export const SIGNS_OF = rows(
  { id: uuid, sign: textOf<Sign['sign']>(), sighting: textOf<Sign['sighting']>(), on: text },
  `select id, sign, sighting, noted_on::text as "on" from deck_sign
   where swimmer_id = ? order by noted_on desc, id limit ${MOST}`,
);

/** Sessions that a swimmer came to or missed, the newest first. */
export const ATTENDED_BY = rows(
  { sessionId: uuid, title: text, on: text, as: textOf<RecordsView['attended'][number]['as']>() },
  `select a.session_id as "sessionId", t.title, a.held_on::text as "on", a.status as "as"
   from attendance a join training_session t on t.id = a.session_id
   where a.swimmer_id = ? order by a.held_on desc, a.session_id limit ${MOST}`,
);

const RESULT_COLUMNS = {
  ...{ id: uuid, swimmerId: uuid, name: text, on: text, distanceM: float, timeS: float },
  ...{ strokesPerLength: orNull(float), kind: textOf<ResultKind>(), details: json<SwimDetails>() },
};
const SHOWN = `select r.id, r.swimmer_id as "swimmerId", s.given_name || ' ' || s.family_name as name,
    r.held_on::text as "on", r.distance_m as "distanceM", r.time_s as "timeS",
    r.strokes_per_length as "strokesPerLength", r.kind, r.details
  from result r`;
const RESULT = `${SHOWN} join swimmer s on s.id = r.swimmer_id`;
/** The swimmer of each result is looked up for itself, so that results are read one after the other, and no more than are shown. */
const EACH_RESULT = `${SHOWN} cross join lateral (select * from swimmer x where x.id = r.swimmer_id offset 0) s`;

/** One result with its swimmer's name. */
export const RESULT_BY_ID = rows(RESULT_COLUMNS, `${RESULT} where r.id = ?`);

/** Adds a result of a swimmer that one may see: id, club, day, distance, time, strokes, kind, details or null, swimmer. */
export const ADD_RESULT = change(
  `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s, strokes_per_length, kind, details)
   select ?::uuid, ?::uuid, s.id, ?::date, ?::double precision, ?::double precision, ?::double precision, ?,
     coalesce(?::jsonb, '{}')
   from swimmer s where s.id = ? on conflict (id) do nothing`,
);

/**
 * Corrects a result as long as it is what it was: day, distance, time, strokes, kind, details; id, swimmer; then the same six
 * as they were. Details that are null stay as they are, and are not compared.
 */
export const CHANGE_RESULT = change(
  `update result set held_on = ?::date, distance_m = ?::double precision, time_s = ?::double precision,
     strokes_per_length = ?::double precision, kind = ?, details = coalesce(?::jsonb, details)
   where id = ?::uuid and swimmer_id = ?::uuid and held_on = ?::date and distance_m = ?::double precision
     and time_s = ?::double precision and strokes_per_length is not distinct from ?::double precision and kind = ?
     and details = coalesce(?::jsonb, details)`,
);

const FOUND = `where not s.archived and (?::text = '' or s.search_name like ? or plain_text(r.details->>'meet') like ?) and (?::uuid is null or s.squad_id = ?::uuid)
  and (?::text is null or r.kind = ?) and (?::double precision is null or r.distance_m = ?)`;
const ORDER: Readonly<Record<ResultSort, string>> = {
  on: 'r.held_on',
  name: 's.search_name',
  distance: 'r.distance_m',
  time: 'r.time_s',
  speed: 'r.distance_m / r.time_s',
};
const page = (from: string) => (sort: ResultSort, way: 'asc' | 'desc') =>
  rows(RESULT_COLUMNS, `${from} ${FOUND} order by ${ORDER[sort]} ${way}, r.held_on desc, r.id offset ? limit ?`);

/**
 * Results of everybody one may see, a page of them, by order: words, words as a pattern twice, and squad, kind and distance
 * twice each; then how many to leave out and how many to give.
 */
export const RESULT_PAGE = pages(page(RESULT));

/** The same for orders that there is an index of: its first rows are read, and the others are not. */
export const RESULT_PAGE_READ = pages(page(EACH_RESULT));

function pages(made: ReturnType<typeof page>) {
  return Object.fromEntries(
    RESULT_SORTS.map((sort) => [sort, { rising: made(sort, 'asc'), falling: made(sort, 'desc') }]),
  ) as Readonly<Record<ResultSort, Readonly<Record<'rising' | 'falling', Statement<RowOf<typeof RESULT_BY_ID>>>>>>;
}

/**
 * How many there are of {@link RESULT_PAGE}, counted no further than is told; the same without the page. Who swims is asked
 * once for all of them, not once for each.
 */
export const RESULT_COUNT = rows(
  { total: int },
  `select count(*)::int as total from (
     select from result r
     where r.swimmer_id not in (select s.id from swimmer s where s.archived)
       and (?::text = '' or r.swimmer_id in (select s.id from swimmer s where s.search_name like ?)
         or plain_text(r.details->>'meet') like ?)
       and (?::uuid is null or r.swimmer_id in (select s.id from swimmer s where s.squad_id = ?::uuid))
       and (?::text is null or r.kind = ?) and (?::double precision is null or r.distance_m = ?)
     limit ${RESULTS_COUNTED + 1}) x`,
);

/** For the rest of a transaction: rows are read in the order of an index, rather than all of them and then sorted. */
export const READ_IN_ORDER = rows({ off: text }, `select set_config('enable_sort', 'off', true) as off`);

/** Results of everybody one may see, for a file: squad twice. */
export const RESULTS_FOR_FILE = rows(
  RESULT_COLUMNS,
  `${RESULT} where not s.archived and (?::uuid is null or s.squad_id = ?::uuid)
   order by r.held_on, s.search_name, r.id limit 100000`,
);

/** What was begun and never ended is swept away by the next who imports. */
export const SWEEP_CHUNKS = change(`delete from result_chunk where created_at < now() - interval '1 day'`);

/** Rows of a file: import, chunk, club, account, rows. */
export const ADD_CHUNK = change(
  `insert into result_chunk (import_id, chunk, club_id, account_id, rows)
   values (?, ?, ?, ?, ?::jsonb) on conflict do nothing`,
);

export const DROP_CHUNKS = change('delete from result_chunk where import_id = ?');

/** The rows of an import that have arrived, one by one. */
const ARRIVED = `from result_chunk c, rows from (jsonb_to_recordset(c.rows) as ("swimmerId" uuid, "on" date,
    "distanceM" double precision, "timeS" double precision, "strokesPerLength" double precision, kind text, details jsonb))
    with ordinality as x ("swimmerId", "on", "distanceM", "timeS", "strokesPerLength", kind, details, line)
  where c.import_id = ?`;

/** What makes two swims the same; hundredths of a second are what a stopwatch tells apart. */
const sameSwim = (swimmer: string, on: string, distance: string, time: string) =>
  `${swimmer}, ${on}, ${distance}, round(${time}::numeric, 2)`;

/**
 * Each arrived row with whether it is here already. The lengths of a session are often equal: of as many equal rows
 * as there are in a file, as many are known as are stored.
 */
const ROWS = `with arrived as (
    select x.*, row_number() over (
      partition by ${sameSwim('x."swimmerId"', 'x."on"', 'x."distanceM"', 'x."timeS"')} order by c.chunk, x.line) as nth
    ${ARRIVED}
  ), here as (
    select ${sameSwim('r.swimmer_id', 'r.held_on', 'r.distance_m', 'r.time_s')} as hundredths, count(*) as times
    from result r where r.swimmer_id in (select "swimmerId" from arrived)
    group by 1, 2, 3, 4
  )
  select a.*, coalesce(a.nth <= h.times, false) as known from arrived a left join here h
    on (h.swimmer_id, h.held_on, h.distance_m, h.hundredths)
     = (${sameSwim('a."swimmerId"', 'a."on"', 'a."distanceM"', 'a."timeS"')})`;

/** How many rows of an import have arrived, and how many of them are here already. */
export const ARRIVED_KNOWN = rows(
  { rows: int, known: int },
  `select count(*)::int as rows, (count(*) filter (where known))::int as known from (${ROWS}) x`,
);

/** A few of the rows that are here already. */
export const KNOWN_EXAMPLES = rows(
  {
    ...{ swimmerId: uuid, name: text, on: text, distanceM: float, timeS: float },
    ...{ strokesPerLength: orNull(float), kind: textOf<ResultKind>(), details: json<SwimDetails>() },
  },
  `select x."swimmerId", s.given_name || ' ' || s.family_name as name, x."on"::text as "on", x."distanceM", x."timeS",
     x."strokesPerLength", x.kind, coalesce(x.details, '{}') as details
   from (${ROWS}) x join swimmer s on s.id = x."swimmerId" where x.known order by x."on" desc, name limit 8`,
);

/** How many rows of an import have arrived, and how many of them are of swimmers one may see. */
export const ARRIVED_OURS = rows(
  { rows: int, ours: int },
  `select count(*)::int as rows, (count(*) filter (where s.id is not null))::int as ours
   from (select x."swimmerId" ${ARRIVED}) x left join swimmer s on s.id = x."swimmerId"`,
);

const store = (which: string): Change =>
  change(
    `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s, strokes_per_length, kind, details,
       import_id)
     select gen_random_uuid(), ?, x."swimmerId", x."on", x."distanceM", x."timeS", x."strokesPerLength", x.kind,
       coalesce(x.details, '{}'), ?
     from ${which}`,
  );
/** Stores what has arrived: club and the import twice. Nothing is given back: each row would be checked again. */
export const STORE_ALL = store(`(select x.* ${ARRIVED}) x`);
export const STORE_UNKNOWN = store(`(${ROWS}) x where not x.known`);

/** Begins an import, once: id, club, account, name, rows. */
export const BEGIN_IMPORT = change(
  `insert into result_import (id, club_id, account_id, name, rows, stored) values (?, ?, ?, ?, ?, 0)
   on conflict (id) do nothing`,
);

/** Whether an import was taken back; nobody else takes it back meanwhile. */
export const IMPORT_TO_UNDO = rows(
  { undone: bool },
  'select undone_at is not null as undone from result_import where id = ? for update',
);
/** Results of an import that are still here, also those that one may not see. */
export const RESULTS_LEFT = rows({ n: int }, 'select results_of_import(?) as n');
