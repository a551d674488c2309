// What an archive asks the database: pages of every part as JSON, and rows of a part on their way in.
import { ARCHIVE_PARTS, type ArchivePart } from '@upwell/contract/archive';
import { bool, change, int, orNull, rows, text, uuid, type Column, type Statement } from '../platform/statement';
import { DERIVED_COLUMNS } from './readArchive';
import { fieldOf, PART_TABLES, type RowPart } from './tables';

/** Rows that are read at once; fewer of those that are long. */
const PAGE = 1000;
const LONG: readonly ArchivePart[] = ['sessions', 'tracks', 'courses', 'clips'];
const LONG_PAGE = 50;
export const pageSize = (part: ArchivePart): number => (LONG.includes(part) ? LONG_PAGE : PAGE);

/** The last row of a page: an id, or the number of an event. */
const place: Column<string> = { types: ['text', 'int8'] };

function page(part: ArchivePart) {
  const columns = { rows: orNull(text), last: orNull(place), n: int };
  if (part === 'deckEvents')
    return rows(
      columns,
      `select json_agg(json_build_object('sessionId', session_id, 'notedBy', noted_by,
          'event', fact || jsonb_build_object('id', id, 'device', device, 'atMs', at_ms)) order by seq)::text as rows,
        max(seq) as last, count(*)::int as n
      from (select * from deck_event where seq > ?::bigint order by seq limit ${PAGE}) x`,
    );
  const table = PART_TABLES[part];
  const fields = table.columns.map(
    (column) => `${column}${table.days?.includes(column) ? '::text' : ''} as "${fieldOf(table, column)}"`,
  );
  if (part === 'squads')
    fields.push(
      `(select coalesce(json_agg(c.account_id order by c.account_id), '[]') from squad_coach c where c.squad_id = t.id) as "coachIds"`,
    );
  return rows(
    columns,
    `select json_agg(x order by x.id)::text as rows, max(x.id::text) as last, count(*)::int as n
     from (select * from (select ${table.id ?? 'id'} as id, ${fields.join(', ')} from ${table.table} t
         where ${table.only ?? 'true'}) y
       where id > ?::uuid order by id limit ${pageSize(part)}) x`,
  );
}
/** A page of a part behind a place: its rows as JSON, the place of the last one, and how many there are. */
export const PAGES = Object.fromEntries(ARCHIVE_PARTS.map((part) => [part, page(part)])) as Readonly<
  Record<ArchivePart, ReturnType<typeof page>>
>;

/** Parts whose rows are saved with a version. */
const VERSIONED: readonly RowPart[] = [
  ...([
    'library',
    'squads',
    'swimmers',
    'reviews',
    'focuses',
    'clips',
    'sessions',
    'tests',
    'courses',
    'racePlans',
  ] as const),
];

function add(part: RowPart): Statement<{ readonly id: string }> {
  const table = PART_TABLES[part];
  const columns = [...(table.id ? [] : ['id']), ...table.columns, ...(DERIVED_COLUMNS[part] ?? [])];
  const own = VERSIONED.includes(part) ? ', write_id' : '';
  // A swimmer who has an open focus here keeps it; the archive's one is over.
  const value = (column: string) =>
    part === 'focuses' && column === 'closed_at'
      ? `coalesce(x.closed_at, case when exists (select from focus f
          where f.swimmer_id = x.swimmer_id and f.closed_at is null and f.id <> x.id) then x.since end)`
      : `x.${column}`;
  return rows(
    { id: uuid },
    `insert into ${table.table} (club_id, ${columns.join(', ')}${own})
     select ?, ${columns.map(value).join(', ')}${own && ', gen_random_uuid()'}
     from jsonb_populate_recordset(null::${table.table}, ?::jsonb) x
     on conflict do nothing returning ${table.id ?? 'id'} as id`,
  );
}
/** Stores what is missing of some rows of a part and gives the ids of those: club, rows. */
export const ADD = Object.fromEntries(
  ARCHIVE_PARTS.filter((part) => part !== 'deckEvents' && part !== 'accounts').map((part) => [part, add(part)]),
) as Readonly<Record<Exclude<RowPart, 'accounts'>, Statement<{ readonly id: string }>>>;

/** Adds the names of those who wrote what comes, and gives the ids of those who were missing. */
export const ADD_AUTHORS = rows({ id: uuid }, 'select take_in_authors(?::jsonb) as id');

/** The rules of an archive; those of the club go before them. */
export const ADD_RULES = change('update club set settings = ?::jsonb || settings');

/** Counts what the second looks that came have taught, where the club has no experience of its own: an older archive. */
export const LEARN_SO_FAR = rows(
  { learned: int },
  `select count(learn(taught_so_far(app_club())))::int as learned
   where not exists (select from library_entry where kind = 'experience' and key = 'ours')
     and exists (select from focus where outcome is not null)`,
);

/** Puts coaches in charge of squads: club, pairs. */
export const ADD_COACHES = change(
  `insert into squad_coach (squad_id, account_id, club_id)
   select x.squad_id, x.account_id, ? from jsonb_to_recordset(?::jsonb) as x (squad_id uuid, account_id uuid)
   on conflict do nothing`,
);

/** Swimmers of some clips, with whether a guardian agreed. */
export const CLIP_SWIMMERS = rows(
  { birth_year: orNull(int), clip_consent: bool },
  'select birth_year, clip_consent from swimmer where id in (select swimmer_id from clip where id = any(?::uuid[]))',
);

/** The ids that stand where somebody was erased. */
export const ERASED = rows({ id: uuid }, 'select stand_in as id from erased');
