// What squads, swimmers and the log of looks ask the database beyond single rows.
import type { RosterView } from '@upwell/contract/roster';
import type { PoolTime, SwimmerRow } from '@upwell/contract/swimmers';
import type { LevelId } from '@upwell/core/swimmers';
import {
  bigint,
  bool,
  change,
  int,
  json,
  moment,
  orNull,
  rows,
  text,
  textOf,
  uuid,
  uuids,
} from '../platform/statement';
import type { FocusRow } from '../review';

/** The squads one may see, with how many train in each and who coaches it. */
export const SQUADS = rows(
  {
    id: uuid,
    version: int,
    name: text,
    archived: bool,
    pool_times: json<readonly PoolTime[]>(),
    swimmers: int,
    coach_ids: orNull(uuids),
  },
  `select q.id, q.version, q.name, q.archived, q.pool_times,
     (select count(*)::int from swimmer s where s.squad_id = q.id and not s.archived) as swimmers,
     (select array_agg(c.account_id) from squad_coach c where c.squad_id = q.id) as coach_ids
   from squad q order by q.archived, q.name limit 200`,
);

/**
 * Who looked at what of a child, the newest first: swimmer twice, what came before twice, one more than shown. The page is
 * taken before names are put to it: who may ask sees everybody of the club.
 */
export const LOOKS_AT = rows(
  { id: bigint, at: moment, by: text, swimmer_id: uuid, swimmer: text, what: text },
  `select l.id, l.looked_at as at, a.name as by, l.swimmer_id, s.given_name || ' ' || s.family_name as swimmer, l.what
   from (
     select * from access_log l where (?::uuid is null or l.swimmer_id = ?::uuid) and (?::bigint is null or l.id < ?::bigint)
     order by l.id desc limit ?) l
   join account a on a.id = l.account_id join swimmer s on s.id = l.swimmer_id
   order by l.id desc`,
);

/** Notes a look at children, at most once in a while: club, account, what, children, account, what, the while. */
export const NOTE_LOOKS = change(
  `insert into access_log (club_id, account_id, swimmer_id, what)
   select ?, ?, child, ? from unnest(?::uuid[]) child where not exists (select from access_log l
     where l.swimmer_id = child and l.account_id = ? and l.what = ? and l.looked_at > now() - ?::interval)`,
);

const LISTED = {
  ...{ id: uuid, given_name: text, family_name: text, level: textOf<LevelId>(), squad_id: uuid, squad_name: text },
  ...{
    birth_year: orNull(int),
    clip_consent: bool,
    archived: bool,
    goal: orNull(json<NonNullable<SwimmerRow['goal']>>()),
  },
  focus: orNull(json<FocusRow>()),
};
/** A page of swimmers: who asks (club, account, role, swimmer, squads), archived, pattern, squad, level, most. */
export const SWIMMERS_FIRST = rows(LISTED, 'select * from swimmers_first(?, ?, ?, ?, ?, ?, ?, ?, ?, ?)');
/** The page that follows: the same, and the family name, given name and id of the last one shown. */
export const SWIMMERS_NEXT = rows(LISTED, 'select * from swimmers_next(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)');
/** A page of one squad: the same without a pattern, with nulls for the last one shown on the first page. */
export const SWIMMERS_OF_SQUAD = rows(LISTED, 'select * from swimmers_of_squad(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)');
/** A page of those whose name has the pattern in it: the same, with nulls for the last one shown on the first page. */
export const SWIMMERS_FOUND = rows(LISTED, 'select * from swimmers_found(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)');

/** Who is here under some names, given as a JSON list. */
export const SAME_NAMES = rows(
  { id: uuid, name: text, search: text, birth_year: orNull(int), squad: text },
  `select s.id, s.given_name || ' ' || s.family_name as name, s.search_name as search, s.birth_year, q.name as squad
   from swimmer s join squad q on q.id = s.squad_id
   where s.search_name in (select jsonb_array_elements_text(?::jsonb)) order by s.archived, s.id`,
);

/** Lists that were looked at and never stored go after a day; of those that were stored, the lines. */
export const SWEEP_ROSTERS = change(
  `delete from roster_import where stored_at is null and created_at < now() - interval '1 day'`,
);
export const SWEEP_LINES = change(
  `update roster_import set lines = '[]' where lines <> '[]' and stored_at < now() - interval '1 day'`,
);

/** Keeps a list that was looked at, while it is one's own and not stored: id, club, account, name, lines. */
export const KEEP_ROSTER = change(
  `insert into roster_import (id, club_id, account_id, name, lines) values (?, ?, ?, ?, ?::jsonb)
   on conflict (id) do update set lines = excluded.lines, name = excluded.name
     where roster_import.stored_at is null and roster_import.account_id = excluded.account_id`,
);

const ROSTER_COLUMNS = {
  ...{ id: uuid, name: text, by: text, swimmers: int, squads: int },
  ...{ storedAt: moment, undoneAt: orNull(moment), removed: int },
};
const roster = (also: string) => `select i.id, i.name, a.name as by, i.swimmers, i.squads, i.stored_at as "storedAt",
    i.undone_at as "undoneAt", i.removed${also} from roster_import i join account a on a.id = i.account_id
  where i.stored_at is not null`;
/** Lists that were stored, the newest first: one's own, or for the head coach those of the club. */
export const ROSTERS = rows(ROSTER_COLUMNS, `${roster('')} order by i.stored_at desc, i.id limit 20`);
export const ROSTER_BY_ID = rows(ROSTER_COLUMNS, `${roster('')} and i.id = ?`);
/** A stored list with who came by it. */
export const ROSTER_DONE = rows(
  { ...ROSTER_COLUMNS, lines: json<readonly { readonly id: string; readonly email: string | null }[]>() },
  `${roster(', i.lines')} and i.id = ?`,
);
/** A list that is about to be stored; nobody else stores it meanwhile. */
export const ROSTER_TO_STORE = rows(
  { stored: bool, lines: json<readonly RosterView[]>() },
  'select stored_at is not null as stored, lines from roster_import where id = ? for update',
);

/** Adds the squads of a list: club, list, squads. */
export const ADD_SQUADS = change(
  `insert into squad (id, club_id, name, roster_id, write_id)
   select x.id, ?, x.name, ?, x.write from jsonb_to_recordset(?::jsonb) as x (id uuid, name text, write uuid)`,
);
/** Adds the swimmers of a list: club, list, swimmers. */
export const ADD_SWIMMERS = change(
  `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, birth_year, stroke_model,
     breathing_side, best_times, roster_id, write_id)
   select x.id, ?, x.squad, x.given, x.family, x.search, x.level, x."birthYear", x.model, 'right', x."bestTimes", ?,
     gen_random_uuid()
   from jsonb_to_recordset(?::jsonb) as x (id uuid, squad uuid, given text, family text, search text, level text,
     "birthYear" integer, model text, "bestTimes" jsonb)`,
);
/** Notes that a list was stored: swimmers, squads, who came by it, list. */
export const STORE_ROSTER = change(
  'update roster_import set stored_at = now(), swimmers = ?, squads = ?, lines = ?::jsonb where id = ?',
);
/** Takes back the swimmers of a list that have not been worked with since. */
export const UNDO_ROSTER = change('select undo_roster(?)');

/** Taps at ladders that move no step: no new version of the record that somebody may be editing. */
export const KEEP_TAPS = change('update swimmer set ladder_log = ?::jsonb where id = ?');
