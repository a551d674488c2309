import type { Me } from '@upwell/contract/account';
import {
  ARCHIVE_FORMAT,
  ARCHIVE_PARTS,
  ARCHIVE_ROWS,
  type ArchivePart,
  type ArchiveTaken,
  type ClubArchive,
  type PartTaken,
} from '@upwell/contract/archive';
import type { ClubRules } from '@upwell/contract/club';
import { VALIDATION } from '@upwell/contract/common';
import type { DeckEvent } from '@upwell/core/deck';
import { isChild } from '@upwell/core/swimmers';
import { testOutcome, type TestInput } from '@upwell/core/swimtests';
import type { SessionPlan } from '@upwell/core/sessions';
import type { Course } from '@upwell/core/water';
import type { SessionDone, SessionSave } from '@upwell/contract/sessions';
import type { RunWork } from '../work';
import type { ValidationError } from 'joi';
import { DriverException } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import { setImmediate as breathe } from 'node:timers/promises';
import { v5 } from 'uuid';
import { addEvents } from '../deck';
import { ProblemError } from '../platform/problem';
import { refuseHarm, summaryOf } from '../sessions';
import { searchable } from '../swimmers';
import { swimmableLength, trackSummary } from '../water';
import { fieldOf, PART_TABLES } from './tables';

type Row = Readonly<Record<string, unknown>> & { readonly id: string };
type RowPart = Exclude<ArchivePart, 'deckEvents'>;
const ROW_PARTS = ARCHIVE_PARTS.filter((part): part is RowPart => part !== 'deckEvents');

const RULES: readonly string[] = ['kit', 'laneCapacity', 'paceTable', 'water'] satisfies (keyof ClubRules)[];

/** Rows checked or stored between two breaths of the server. */
const AT_ONCE = 1000;
/** Problems that are told. */
const MOST_TOLD = 20;

/** Everything the club keeps; each child's record counts as looked at. */
export async function saveArchive(em: EntityManager, me: Me): Promise<ClubArchive> {
  const parts: Partial<Record<ArchivePart, readonly unknown[]>> = {};
  for (const part of ROW_PARTS) {
    const table = PART_TABLES[part];
    const fields = table.columns.map(
      (column) => `${column}${table.days?.includes(column) ? '::text' : ''} as "${fieldOf(table, column)}"`,
    );
    parts[part] = await em.execute<Row[]>(`select id, ${fields.join(', ')} from ${table.table} order by id`, [], 'all');
  }
  const coaches = await em.execute<{ squad_id: string; account_id: string }[]>(
    'select squad_id, account_id from squad_coach order by account_id',
    [],
    'all',
  );
  parts.squads = (parts.squads as Row[]).map((squad) => ({
    ...squad,
    coachIds: coaches.filter((c) => c.squad_id === squad.id).map((c) => c.account_id),
  }));
  parts.deckEvents = await em.execute<unknown[]>(
    `select session_id as "sessionId", noted_by as "notedBy",
       fact || jsonb_build_object('id', id, 'device', device, 'atMs', at_ms) as event
     from deck_event order by seq`,
    [],
    'all',
  );
  const children = (parts.swimmers as Row[]).filter((s) => isChild(s.birthYear as number | null, thisYear()));
  await em.execute(
    'insert into access_log (club_id, account_id, swimmer_id) select ?, ?, unnest(?::uuid[])',
    [me.clubId, me.accountId, `{${children.map((c) => c.id).join(',')}}`],
    'run',
  );
  const [club] = await em.execute<{ name: string; settings: object }[]>('select name, settings from club', [], 'all');
  return {
    format: ARCHIVE_FORMAT,
    version: 1,
    savedAt: new Date().toISOString(),
    clubId: me.clubId,
    clubName: club!.name,
    rules: Object.fromEntries(Object.entries(club!.settings).filter(([key]) => RULES.includes(key))),
    ...(parts as Record<ArchivePart, readonly unknown[]>),
  };
}

const thisYear = () => new Date().getFullYear();

/**
 * Takes an archive in: what is missing is added, what is here stays as it is. What follows from other things
 * is worked out anew. All of it or nothing: the caller's transaction.
 * @throws ProblemError 422 with the rows that are wrong
 */
export async function takeArchive(em: EntityManager, work: RunWork, me: Me, sent: ClubArchive): Promise<ArchiveTaken> {
  const archive = sent.clubId === me.clubId ? sent : inClub(sent, me.clubId);
  const rows = await checked(archive);
  refuseClips(rows.clips, rows.swimmers);
  const accounts = await em.execute<{ id: string }[]>('select id from account', [], 'all');
  const known = new Set(accounts.map((a) => a.id));
  const whoIsHere = (id: unknown) => (known.has(id as string) ? id : me.accountId);

  await em.execute('update club set settings = ?::jsonb || settings', [JSON.stringify(archive.rules)], 'run');
  const taken: Partial<Record<ArchivePart, PartTaken>> = {};
  for (const part of ROW_PARTS) {
    if (part === 'sessions') await refuseSessions(em, work, me, rows.sessions);
    const { account } = PART_TABLES[part];
    const field = account && fieldOf(PART_TABLES[part], account);
    const ready: Row[] = [];
    for (const row of rows[part]) {
      // A track takes a while to measure: others are answered in between.
      if (part === 'tracks') await breathe();
      ready.push({ ...row, ...worked[part]?.(row), ...(field ? { [field]: whoIsHere(row[field]) } : {}) });
    }
    const stored = await insert(em, me, part, ready);
    taken[part] = { added: stored.size, here: rows[part].length - stored.size };
    if (part === 'squads')
      await putCoaches(
        em,
        me,
        rows.squads.filter((squad) => stored.has(squad.id)),
        known,
      );
  }
  taken.deckEvents = await takeEvents(em, work, me, rows.deckEvents);
  return taken as ArchiveTaken;
}

/** Coaches who are here are put in charge of the squads that came. */
async function putCoaches(
  em: EntityManager,
  me: Me,
  squads: readonly Row[],
  known: ReadonlySet<string>,
): Promise<void> {
  const pairs = squads.flatMap((squad) =>
    (squad.coachIds as string[]).filter((id) => known.has(id)).map((id) => ({ squad_id: squad.id, account_id: id })),
  );
  await em.execute(
    `insert into squad_coach (squad_id, account_id, club_id)
     select x.squad_id, x.account_id, ? from jsonb_to_recordset(?::jsonb) as x (squad_id uuid, account_id uuid)
     on conflict do nothing`,
    [me.clubId, JSON.stringify(pairs)],
    'run',
  );
}

/** What is stored beside a row because lists want it; never believed from a file. */
const worked: Partial<Record<RowPart, (row: Row) => Readonly<Record<string, unknown>>>> = {
  swimmers: (row) => ({ searchName: searchable(`${row.givenName as string} ${row.familyName as string}`) }),
  sessions: (row) => {
    const plan = row.plan as SessionPlan;
    const done = row.done as SessionDone | null;
    return {
      theme: plan.theme,
      minutes: Math.round(plan.minutes),
      summary: summaryOf(plan),
      doneSummary: done ? summaryOf(done.plan, done.ratings) : null,
    };
  },
  tests: (row) => {
    const input = row.input as TestInput;
    return { kind: input.kind, outcome: testOutcome(input) };
  },
  courses: (row) => {
    const course = row.course as Course;
    return { lengthM: swimmableLength(course) };
  },
  tracks: (row) => ({ summary: trackSummary(row as unknown as Parameters<typeof trackSummary>[0]) }),
};
const WORKED_COLUMNS: Partial<Record<RowPart, readonly string[]>> = {
  swimmers: ['search_name'],
  sessions: ['theme', 'minutes', 'summary', 'done_summary'],
  tests: ['kind', 'outcome'],
  courses: ['length_m'],
  tracks: ['summary'],
};
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

/** Stores what is missing of a part; answers the ids of those rows. */
async function insert(em: EntityManager, me: Me, part: RowPart, rows: readonly Row[]): Promise<ReadonlySet<string>> {
  const table = PART_TABLES[part];
  const columns = ['id', ...table.columns, ...(WORKED_COLUMNS[part] ?? [])];
  const own = VERSIONED.includes(part) ? ', write_id' : '';
  const added = new Set<string>();
  for (let from = 0; from < rows.length; from += AT_ONCE) {
    const some = rows
      .slice(from, from + AT_ONCE)
      .map((row) => Object.fromEntries(columns.map((column) => [column, row[fieldOf(table, column)]])));
    const stored = await whole(part, () =>
      em.execute<{ id: string }[]>(
        `insert into ${table.table} (club_id, ${columns.join(', ')}${own})
       select ?, ${columns.map((c) => `x.${c}`).join(', ')}${own && ', gen_random_uuid()'}
       from jsonb_populate_recordset(null::${table.table}, ?::jsonb) x
       on conflict (id) do nothing returning id`,
        [me.clubId, JSON.stringify(some)],
        'all',
      ),
    );
    for (const { id } of stored) added.add(id);
  }
  return added;
}

/** A row that hangs on something the archive does not hold is refused by the database. */
async function whole<T>(part: ArchivePart, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const code = error instanceof DriverException ? error.code : null;
    if (code !== FOREIGN_KEY && code !== NOT_ONES_OWN) throw error;
    const message = 'A row belongs to something that is neither here nor in the archive.';
    throw new ProblemError(422, `Nothing was taken in: ${part}: ${message}`, { fields: [{ field: part, message }] });
  }
}
const FOREIGN_KEY = '23503';
const NOT_ONES_OWN = '42501';

async function takeEvents(em: EntityManager, work: RunWork, me: Me, rows: readonly Row[]): Promise<PartTaken> {
  const bySession = new Map<string, DeckEvent[]>();
  for (const { sessionId, event } of rows) {
    const events = bySession.get(sessionId as string) ?? [];
    events.push(event as DeckEvent);
    bySession.set(sessionId as string, events);
  }
  let added = 0;
  for (const [sessionId, events] of bySession)
    added += (await whole('deckEvents', () => addEvents(em, work, me, sessionId, events))).stored;
  return { added, here: rows.length - added };
}

/** Checks every row; other requests are answered in between. */
async function checked(archive: ClubArchive): Promise<Readonly<Record<ArchivePart, readonly Row[]>>> {
  const fields: { field: string; message: string }[] = [];
  const rows: Partial<Record<ArchivePart, Row[]>> = {};
  for (const part of ARCHIVE_PARTS) {
    const good: Row[] = [];
    for (const [i, row] of archive[part].entries()) {
      if (i % AT_ONCE === AT_ONCE - 1) await breathe();
      const result: { error?: ValidationError; value: unknown } = ARCHIVE_ROWS[part].validate(row, VALIDATION);
      const { error } = result;
      if (error) fields.push({ field: `${part}[${i}].${error.details[0]!.path.join('.')}`, message: error.message });
      else good.push(result.value as Row);
      if (fields.length >= MOST_TOLD) break;
    }
    rows[part] = good;
  }
  refuse(fields);
  return rows as Record<ArchivePart, Row[]>;
}

function refuse(fields: readonly { readonly field: string; readonly message: string }[]): void {
  if (fields.length === 0) return;
  const [first] = fields;
  const rest = fields.length > 1 ? ` and ${fields.length - 1} more` : '';
  throw new ProblemError(422, `Nothing was taken in: ${first!.field}: ${first!.message}${rest}`, { fields });
}

/** No clip of a child without the guardian's word, by whatever way it comes. */
function refuseClips(clips: readonly Row[], swimmers: readonly Row[]): void {
  const without = new Set(
    swimmers.filter((s) => isChild(s.birthYear as number | null, thisYear()) && !s.clipConsent).map((s) => s.id),
  );
  refuse(
    clips.flatMap(({ swimmerId }, i) =>
      without.has(swimmerId as string)
        ? [{ field: `clips[${i}]`, message: 'The guardian of this child has not agreed to clips.' }]
        : [],
    ),
  );
}

/** The same doors as for a session that a coach saves. */
async function refuseSessions(em: EntityManager, work: RunWork, me: Me, sessions: readonly Row[]): Promise<void> {
  for (const { plan, squadIds, done } of sessions)
    await refuseHarm(em, work, me, { plan, squadIds, done } as unknown as SessionSave, null);
}

const UUID = /"([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})"/gi;

/**
 * The same archive for another club: every id is made anew from the old one and the club, wherever it is
 * named, so that it cannot meet a row of another club and taking it in twice still adds nothing twice.
 */
function inClub(archive: ClubArchive, clubId: string): ClubArchive {
  return JSON.parse(
    JSON.stringify(archive).replace(UUID, (_, id: string) => `"${v5(id.toLowerCase(), clubId)}"`),
  ) as ClubArchive;
}
