// What signing in and beginning a club ask the database: functions that see more than the one who asks may.
import { bool, change, moment, rows, text, textOf, uuid } from '../platform/statement';

/** The account of an address, with the hash of its password. */
export const ACCOUNT_OF = rows({ id: uuid, club_id: uuid, password_hash: text }, 'select * from sign_in_account(?)');

/** The hash of one's own password. */
export const OWN_HASH = rows({ hash: text }, 'select own_password_hash() as hash');

/** Changes one's own password and ends every other sign-in: the new hash, the hash of the sign-in that stays. */
export const CHANGE_PASSWORD = change('select change_password(?, ?)');

/** Devices on which one is signed in, this one first: the hash of its sign-in twice. */
export const SIGN_INS = rows(
  { id: uuid, device: text, begunAt: moment, usedAt: moment, here: bool },
  `select id, device, begun_at as "begunAt", used_at as "usedAt", token_hash = ? as here
   from sign_in_session where expires_at > now() order by token_hash = ? desc, used_at desc, id limit 100`,
);

/** Whether this server has no club yet. */
export const SETUP_NEEDED = rows({ needed: bool }, 'select setup_needed() as needed');

/** The one code with which the first club is begun: the one there is, or else the one given. */
export const SETUP_CODE = rows(
  { code: text },
  `with made as (insert into setup (code) select ?::text where not exists (select from setup) returning code)
   select code from made union all select code from setup limit 1`,
);
/** With a club there is nothing to begin. */
export const FORGET_CODE = change('delete from setup');

/** Begins the first club: code, club, head coach. */
export const BEGIN_CLUB = rows(
  { said: textOf<'begun' | 'there' | 'wrong code'>() },
  'select begin_club(?, ?::jsonb, ?::jsonb) as said',
);
