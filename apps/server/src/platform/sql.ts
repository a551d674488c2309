// What every request asks the database before anything else: who asks, and that PostgreSQL knows it.
import type { Role } from '@upwell/contract/account';
import type { PoolUnit } from '@upwell/core/units';
import type { OwnShelves } from '@upwell/core/own';
import { int, json, orNull, rows, text, textOf, uuid, uuids } from './statement';

/** Who a sign-in belongs to, by the hash of its secret. */
export const IDENTITY = rows(
  {
    ...{ account_id: uuid, club_id: uuid, role: textOf<Role>(), swimmer_id: orNull(uuid) },
    ...{ squad_ids: uuids, name: text, club_name: text, time_zone: text, units: textOf<PoolUnit>() },
    library_version: int,
  },
  'select * from sign_in_identity(?)',
);

/** Tells the policies of this transaction who asks: club, account, role, swimmer, squads. */
export const WHO_ASKS = rows(
  { club: text, account: text, role: text, swimmer: text, squads: text },
  `select set_config('app.club_id', ?, true) as club, set_config('app.account_id', ?, true) as account,
     set_config('app.role', ?, true) as role, set_config('app.swimmer_id', ?, true) as swimmer,
     set_config('app.squad_ids', ?, true) as squads`,
);

/** The library of the club of this transaction: its state, and what is other than built in, by kind and by key. */
export const SHELVES = rows(
  { version: int, shelves: json<OwnShelves>() },
  `select c.library_version as version, coalesce((
     select jsonb_object_agg(x.kind, x.entries) from (
       select kind, jsonb_object_agg(key, body) as entries from library_entry where body is not null group by kind) x
   ), '{}') as shelves from club c limit 1`,
);

/** Swimmers that one may see, while others who change them, or what there is once for each of them, wait. */
export const LOCK_SWIMMERS = rows(
  { id: uuid },
  'select id from swimmer where id = any(?::uuid[]) order by id for no key update',
);
