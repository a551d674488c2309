// A whole club as one file, and back into an empty club.
import type { Me } from '@upwell/contract/account';
import {
  ARCHIVE_FORMAT,
  ARCHIVE_PARTS,
  type ArchivePart,
  type ArchiveTaken,
  type PartTaken,
} from '@upwell/contract/archive';
import type { ClubRules } from '@upwell/contract/club';
import type { SessionSave } from '@upwell/contract/sessions';
import { isChild } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { NIL } from 'uuid';
import { addEvents, type NotedEvent } from '../deck';
import { prepared } from '../platform/prepared';
import { ProblemError } from '../platform/problem';
import { sqlStateOf } from '../platform/sqlState';
import { refuseHarm } from '../sessions';
import type { RunWork } from '../work';
import { WORKED_COLUMNS, type ReadArchive } from './readArchive';
import { fieldOf, PART_TABLES, type RowPart } from './tables';

const RULES: readonly string[] = ['kit', 'laneCapacity', 'paceTable', 'water'] satisfies (keyof ClubRules)[];

/** Rows that are read at once; fewer of those that are long. */
const PAGE = 1000;
const LONG: readonly ArchivePart[] = ['sessions', 'tracks', 'courses', 'clips'];
const LONG_PAGE = 50;

const thisYear = () => new Date().getFullYear();

/** The people that an archive of the club is about. */
export async function everybody(em: EntityManager): Promise<string[]> {
  return (await em.execute<{ id: string }[]>('select id from swimmer')).map((s) => s.id);
}

/** Everything the club keeps as the text of one file, piece by piece. */
export async function* archiveText(em: EntityManager, me: Me): AsyncGenerator<string> {
  const [club] = await em.execute<{ name: string; settings: object }[]>('select name, settings from club', [], 'all');
  const head = {
    format: ARCHIVE_FORMAT,
    version: 1,
    savedAt: new Date().toISOString(),
    clubId: me.clubId,
    clubName: club!.name,
    rules: Object.fromEntries(Object.entries(club!.settings).filter(([key]) => RULES.includes(key))),
  };
  yield JSON.stringify(head).slice(0, -1);
  for (const part of ARCHIVE_PARTS) {
    yield `,"${part}":[`;
    let after: string | number = part === 'deckEvents' ? 0 : NIL;
    for (let pages = 0; ; pages++) {
      // The database writes the JSON; here it only passes through.
      const [page]: { rows: string | null; last: string | number; n: number }[] = await prepared(em, pageOf(part), [
        after,
      ]);
      if (page!.rows !== null) yield (pages > 0 ? ',' : '') + page!.rows.slice(1, -1);
      if (page!.n < (LONG.includes(part) ? LONG_PAGE : PAGE)) break;
      after = page!.last;
    }
    yield ']';
  }
  yield '}\n';
}

/** A page of a part behind a place: its rows as JSON, the place of the last one, and how many there are. */
function pageOf(part: ArchivePart): string {
  if (part === 'deckEvents')
    return `select json_agg(json_build_object('sessionId', session_id, 'notedBy', noted_by,
        'event', fact || jsonb_build_object('id', id, 'device', device, 'atMs', at_ms)) order by seq)::text as rows,
      max(seq) as last, count(*)::int as n
    from (select * from deck_event where seq > ?::bigint order by seq limit ${PAGE}) x`;
  const table = PART_TABLES[part];
  const fields = table.columns.map(
    (column) => `${column}${table.days?.includes(column) ? '::text' : ''} as "${fieldOf(table, column)}"`,
  );
  if (part === 'squads')
    fields.push(
      `(select coalesce(json_agg(c.account_id order by c.account_id), '[]') from squad_coach c where c.squad_id = t.id) as "coachIds"`,
    );
  return `select json_agg(x order by x.id)::text as rows, max(x.id::text) as last, count(*)::int as n
    from (select * from (select ${table.id ?? 'id'} as id, ${fields.join(', ')} from ${table.table} t
        where ${table.only ?? 'true'}) y
      where id > ?::uuid order by id limit ${LONG.includes(part) ? LONG_PAGE : PAGE}) x`;
}

/**
 * Takes in an archive that was read: what is missing is added, what is here stays as it is. All of it or nothing:
 * the caller's transaction.
 *
 * @param lines what {@link readArchive} wrote
 * @throws ProblemError 422 with what is wrong
 */
export async function takeArchive(
  em: EntityManager,
  work: RunWork,
  me: Me,
  read: ReadArchive,
  lines: AsyncIterable<string>,
): Promise<ArchiveTaken> {
  await em.execute('update club set settings = ?::jsonb || settings', [JSON.stringify(read.rules)], 'run');
  const added = Object.fromEntries(ARCHIVE_PARTS.map((part) => [part, 0])) as Record<ArchivePart, number>;
  const squads = new Set<string>();
  let coached = false;
  for await (const line of lines) {
    const tab = line.indexOf('\t');
    const part = line.slice(0, tab) as ArchivePart;
    const rows = line.slice(tab + 1);
    if (part === 'accounts') {
      added[part] += (await em.execute('select take_in_authors(?::jsonb)', [rows], 'all')).length;
      continue;
    }
    // Who coaches what is known before anything of the squads is stored.
    if (part !== 'squads' && !coached) {
      await putCoaches(
        em,
        me,
        read.coaches.filter((c) => squads.has(c.squad_id)),
      );
      coached = true;
    }
    if (part === 'deckEvents') {
      const { sessionId, events } = JSON.parse(rows) as { sessionId: string; events: NotedEvent[] };
      added[part] += (await refusingOrphans(part, () => addEvents(em, work, me, sessionId, events))).stored;
      continue;
    }
    if (part === 'sessions') await refuseSession(em, work, me, rows);
    const stored = await insert(em, me, part, rows);
    added[part] += stored.length;
    if (part === 'squads') stored.forEach((id) => squads.add(id));
    if (part === 'clips') await refuseClips(em, stored);
  }
  if (!coached)
    await putCoaches(
      em,
      me,
      read.coaches.filter((c) => squads.has(c.squad_id)),
    );
  return Object.fromEntries(
    ARCHIVE_PARTS.map((part): [ArchivePart, PartTaken] => [
      part,
      { added: added[part], here: read.counts[part] - added[part] },
    ]),
  ) as ArchiveTaken;
}

/** Coaches who are here are put in charge of the squads that came. */
async function putCoaches(em: EntityManager, me: Me, pairs: ReadArchive['coaches']): Promise<void> {
  await em.execute(
    `insert into squad_coach (squad_id, account_id, club_id)
     select x.squad_id, x.account_id, ? from jsonb_to_recordset(?::jsonb) as x (squad_id uuid, account_id uuid)
     on conflict do nothing`,
    [me.clubId, JSON.stringify(pairs)],
    'run',
  );
}

/** No clip of a child without the guardian's word, which is what is noted here, not what a file says of somebody here. */
async function refuseClips(em: EntityManager, ids: readonly string[]): Promise<void> {
  const swimmers = await em.execute<{ birth_year: number | null; clip_consent: boolean }[]>(
    `select birth_year, clip_consent from swimmer where id in (select swimmer_id from clip where id = any(?::uuid[]))`,
    [`{${ids.join(',')}}`],
    'all',
  );
  if (!swimmers.some((s) => !s.clip_consent && isChild(s.birth_year, thisYear()))) return;
  const message = 'The guardian of a child has not agreed to clips here. Note it on the swimmer’s page first.';
  throw new ProblemError(422, `Nothing was taken in: clips: ${message}`, { fields: [{ field: 'clips', message }] });
}

/** The same doors as for a session that a coach saves. */
async function refuseSession(em: EntityManager, work: RunWork, me: Me, rows: string): Promise<void> {
  for (const row of JSON.parse(rows) as Record<string, unknown>[]) {
    const { plan, squad_ids: squadIds, breathe_freely: breatheFreely, done } = row;
    await refuseHarm(em, work, me, { plan, squadIds, breatheFreely, done } as unknown as SessionSave, null);
  }
}

/** Parts whose rows are saved with a version. */
const VERSIONED: readonly RowPart[] = [
  'squads',
  'swimmers',
  'reviews',
  'focuses',
  'clips',
  'sessions',
  'tests',
  'courses',
  'racePlans',
];

/** Stores what is missing of some rows of a part; answers the ids of those. */
async function insert(em: EntityManager, me: Me, part: RowPart, rows: string): Promise<string[]> {
  const table = PART_TABLES[part];
  const columns = [...(table.id ? [] : ['id']), ...table.columns, ...(WORKED_COLUMNS[part] ?? [])];
  const own = VERSIONED.includes(part) ? ', write_id' : '';
  // A swimmer who has an open focus here keeps it; the archive's one is over.
  const value = (column: string) =>
    part === 'focuses' && column === 'closed_at'
      ? `coalesce(x.closed_at, case when exists (select from focus f
          where f.swimmer_id = x.swimmer_id and f.closed_at is null and f.id <> x.id) then x.since end)`
      : `x.${column}`;
  const stored = await refusingOrphans(part, () =>
    prepared<{ id: string }>(
      em,
      `insert into ${table.table} (club_id, ${columns.join(', ')}${own})
       select ?, ${columns.map(value).join(', ')}${own && ', gen_random_uuid()'}
       from jsonb_populate_recordset(null::${table.table}, ?::jsonb) x
       on conflict do nothing returning ${table.id ?? 'id'} as id`,
      [me.clubId, rows],
    ),
  );
  return stored.map((row) => row.id);
}

/** SQLSTATEs of a row whose owner is missing, or is not one's own. */
const ORPHAN = ['23503', '42501'];

/** A row that hangs on something the archive does not hold is refused by the database. */
async function refusingOrphans<T>(part: ArchivePart, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!ORPHAN.includes(sqlStateOf(error) ?? '')) throw error;
    const message = 'A row belongs to something that is neither here nor in the archive.';
    throw new ProblemError(422, `Nothing was taken in: ${part}: ${message}`, { fields: [{ field: part, message }] });
  }
}
