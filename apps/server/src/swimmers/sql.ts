// What squads, swimmers and the log of looks ask the database beyond single rows.
import type { PoolTime } from '@upwell/contract/swimmers';
import { bigint, bool, int, json, moment, orNull, rows, text, uuid, uuids } from '../platform/statement';

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

/** Who looked at what of a child, the newest first: swimmer twice, what came before twice, one more than shown. */
export const LOOKS_AT = rows(
  { id: bigint, at: moment, by: text, swimmer_id: uuid, swimmer: text, what: text },
  `select l.id, l.looked_at as at, a.name as by, l.swimmer_id, s.given_name || ' ' || s.family_name as swimmer, l.what
   from access_log l join account a on a.id = l.account_id join swimmer s on s.id = l.swimmer_id
   where (?::uuid is null or l.swimmer_id = ?::uuid) and (?::bigint is null or l.id < ?::bigint)
   order by l.id desc limit ?`,
);
