// What a club has of its own, and where a drill of its own stands.
import type { OwnKind } from '@upwell/core/own';
import { int, json, moment, orNull, rows, text, textOf, uuid } from '../platform/statement';

/** The state of the library of the club. */
export const STATE = rows({ version: int }, 'select library_version as version from club limit 1');
/** The same, while other changes of it wait. */
export const LOCKED_STATE = rows({ version: int }, 'select library_version as version from club for no key update');

/** Every entry with who wrote it, for those who may see names, by kind and key. */
export const ENTRIES = rows(
  { kind: textOf<OwnKind>(), key: text, body: orNull(json<object>()), version: int, by: text, at: moment },
  `select e.kind, e.key, e.body, e.version, coalesce(a.name, '') as by, e.changed_at as at
   from library_entry e left join account a on a.id = e.changed_by order by e.kind, e.key`,
);

/** The entry of a kind and a key. */
export const ENTRY_ID = rows({ id: uuid }, 'select id from library_entry where kind = ? and key = ?');

/** How many sessions and focuses hold a drill: its id three times. */
export const DRILL_STANDS = rows(
  { sessions: int, focuses: int },
  `select
     (select count(*)::int from training_session
        where position('"' || ? || '"' in plan::text || coalesce(done::text, '')) > 0) as sessions,
     (select count(*)::int from (
        select id from focus where drill = ? union select focus_id from focus_try where drill = ?) x) as focuses`,
);
