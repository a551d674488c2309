// The latest tries of every coach, for one's own record and for comparison.
import type { EyeTry } from '@upwell/contract/eye';
import { json, rows, text, uuid } from '../platform/statement';

/** Tries shown of each coach. */
const SHOWN = 300;

export const TRIES = rows(
  { account_id: uuid, name: text, tries: json<readonly EyeTry[]>() },
  `select a.id as account_id, a.name, t.tries from account a
     cross join lateral (
       select json_agg(json_build_object('grade', e.grade, 'seed', e.seed, 'marked', e.marked)) as tries
       from (select * from eye_try where account_id = a.id order by at desc, id desc limit ${SHOWN}) e
     ) t
   where a.role <> 'swimmer' and t.tries is not null order by a.name limit 50`,
);
