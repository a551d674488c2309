// Reads a club archive and says what is wrong with it, before anything is stored.
import { plainName } from '@upwell/core/text';
import {
  ARCHIVE_PARTS,
  ARCHIVE_ROWS,
  archiveSchema,
  type ArchivePart,
  type ClubArchive,
} from '@upwell/contract/archive';
import { check } from '@upwell/contract/common';
import { libraryEntrySchema } from '@upwell/contract/library';
import { type LibraryEntry, entriesOf, keyOf, libraryProblems, shelvesOf } from '@upwell/core/clubLibrary';
import type { SessionDone } from '@upwell/contract/sessions';
import type { SessionPlan } from '@upwell/core/sessions';
import { ageYear, isChild } from '@upwell/core/swimmers';
import { keptOutcome, testOutcome, type TestInput } from '@upwell/core/swimtests';
import type { Course, DayReason } from '@upwell/core/water';
import type { Schema } from 'joi';
import { createHash } from 'node:crypto';
import { closeSync, openSync, readFileSync, writeSync } from 'node:fs';
import { v5 } from 'uuid';
import { ProblemError } from '../platform/problemError';
import { inShelves, shelvesNow } from '../platform/shelves';
import { fieldsProblem, readJson } from '../platform/readJson';
import { summaryOf } from '../sessions/columns';
import { swimmableLength, trackSummary } from '../water/columns';
import { reasonOfOlder } from './olderReasons';
import { codesOfOlder, type OlderWeek } from './olderWeeks';
import { fieldOf, PART_TABLES, ROW_PARTS, type RowPart } from './tables';

type Row = Readonly<Record<string, unknown>> & { readonly id: string };

/** How many problems are reported. */
const MOST_REPORTED = 20;
/** Rows and bytes of one line: what is stored at once. */
const LINE = { rows: 500, bytes: 1024 * 1024 };

export interface ReadArchive {
  readonly rules: unknown;
  readonly counts: Readonly<Record<ArchivePart, number>>;
  readonly coaches: readonly { readonly squad_id: string; readonly account_id: string }[];
}

/**
 * Reads an archive, checks every row, and writes what is to be stored into another file: a line for some rows of a
 * part, `part`, a tab, and the rows as JSON with the columns of the database; parts in the order in which they are
 * taken in. What is stored beside a row because lists want it is worked out here and never believed from the file.
 *
 * @param accounts accounts of this club; what others did is theirs by name, or noted as done by `me` if the file has none
 * @param erased stand-ins of people who were erased here: an archive from before does not bring them back
 * @throws ProblemError 400 when it is no archive, 422 with the rows that are wrong
 */
export function readArchive({
  file,
  into,
  clubId,
  me,
  accounts,
  erased,
}: {
  readonly file: string;
  readonly into: string;
  readonly clubId: string;
  readonly me: string;
  readonly accounts: readonly string[];
  readonly erased: readonly string[];
}): ReadArchive {
  const sent = check(archiveSchema, readJson(readFileSync(file, 'utf8')));
  if (sent.error) throw fieldsProblem(sent.error.details);
  const archive = sent.value.clubId === clubId ? sent.value : inClub(sent.value, clubId);
  const rows = withoutErased(
    inItsLibrary(archive, () => checked(archive)),
    new Set(erased),
  );
  refuseClips(rows.clips, rows.swimmers);
  refuseUnsafe(rows.library);
  const here = new Set(accounts);
  const known = new Set([...accounts, ...rows.accounts.map((a) => a.id)]);
  const whoIsHere = (id: unknown) => (known.has(id as string) ? id : me);

  const out = openSync(into, 'w', 0o600);
  try {
    for (const part of ROW_PARTS) {
      const table = PART_TABLES[part];
      const columns = ['id', ...table.columns, ...(DERIVED_COLUMNS[part] ?? [])];
      const account = table.account && fieldOf(table, table.account);
      const line = lines(out, part);
      for (const row of part === 'focuses' ? oneOpen(rows.focuses) : rows[part]) {
        const whole = { ...row, ...derived[part]?.(row), ...(account ? { [account]: whoIsHere(row[account]) } : {}) };
        line.add(Object.fromEntries(columns.map((c) => [c, (whole as Row)[fieldOf(table, c)]])));
        // A session is looked at by itself before it is stored.
        if (part === 'sessions') line.end();
      }
      line.end();
    }
    for (const [sessionId, events] of bySession(rows.deckEvents, whoIsHere))
      writeSync(out, `deckEvents\t${JSON.stringify({ sessionId, events })}\n`);
  } finally {
    closeSync(out);
  }
  return {
    rules: archive.rules,
    counts: Object.fromEntries(ARCHIVE_PARTS.map((part) => [part, rows[part].length])) as ReadArchive['counts'],
    coaches: rows.squads.flatMap((squad) =>
      (squad.coachIds as string[])
        .filter((id) => here.has(id))
        .map((account_id) => ({ squad_id: squad.id, account_id })),
    ),
  };
}

/** Runs a check in the club's library with the archive's laid under it: a session may name a drill that comes with it. */
function inItsLibrary<T>(archive: ClubArchive, work: () => T): T {
  const coming = archive.library.flatMap((row) => {
    const { kind, key, body } = row as LibraryEntry;
    const { error, value } = check(libraryEntrySchema, { kind, key, body });
    return error ? [] : [value];
  });
  const { shelves } = shelvesNow();
  const both = shelvesOf([...coming, ...entriesOf(shelves)]);
  return inShelves({ stamp: 'archive', shelves: both }, work);
}

type Rows = Readonly<Record<ArchivePart, readonly Row[]>>;

/** As the database makes it: it follows from the id, and the id does not follow from it. */
const erasedMark = (id: string) => createHash('md5').update(`erased ${id}`).digest('hex');

function withoutErased(rows: Rows, erased: ReadonlySet<string>): Rows {
  if (erased.size === 0) return rows;
  const plain = new Set([...erased].map((id) => id.replaceAll('-', '')));
  const stays = ({ id, swimmerId }: Row) =>
    ![id, swimmerId].some((one) => typeof one === 'string' && plain.has(erasedMark(one)));
  return Object.fromEntries(ARCHIVE_PARTS.map((part) => [part, rows[part].filter(stays)])) as unknown as Rows;
}

/** Gathers rows of a part into lines that are stored at once. */
function lines(out: number, part: ArchivePart) {
  let rows: string[] = [];
  let bytes = 0;
  const end = () => {
    if (rows.length > 0) writeSync(out, `${part}\t[${rows.join(',')}]\n`);
    rows = [];
    bytes = 0;
  };
  const add = (row: object) => {
    const text = JSON.stringify(row);
    rows.push(text);
    bytes += text.length;
    if (rows.length >= LINE.rows || bytes >= LINE.bytes) end();
  };
  return { add, end };
}

function bySession(rows: readonly Row[], whoIsHere: (id: unknown) => unknown): Map<string, object[]> {
  const sessions = new Map<string, object[]>();
  for (const { sessionId, notedBy, event } of rows) {
    const events = sessions.get(sessionId as string) ?? [];
    events.push({ ...(event as object), notedBy: whoIsHere(notedBy) });
    sessions.set(sessionId as string, events);
  }
  return sessions;
}

/** Of several focuses of a swimmer that are open in an archive, the newest is the one that counts. */
function oneOpen(focuses: readonly Row[]): readonly Row[] {
  const newest = new Map<string, Row>();
  for (const focus of focuses) {
    const before = newest.get(focus.swimmerId as string);
    if (focus.closedAt === null && (!before || (focus.since as string) > (before.since as string)))
      newest.set(focus.swimmerId as string, focus);
  }
  return focuses.map((focus) => {
    const open = newest.get(focus.swimmerId as string);
    return focus.closedAt === null && open !== focus ? { ...focus, closedAt: open!.since } : focus;
  });
}

/** What is stored beside a row because lists want it. */
const derived: Partial<Record<RowPart, (row: Row) => Readonly<Record<string, unknown>>>> = {
  swimmers: (row) => ({ searchName: plainName(`${row.givenName as string} ${row.familyName as string}`) }),
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
    return { kind: input.kind, outcome: keptOutcome(testOutcome(input)) };
  },
  // Archives from before the codes hold the reasons as sentences.
  waterDays: ({ reasons }) => ({
    reasons: (reasons as readonly (string | DayReason)[]).map((r) => (typeof r === 'string' ? reasonOfOlder(r) : r)),
  }),
  weeks: (row) => codesOfOlder(row as unknown as OlderWeek) as Readonly<Record<string, unknown>>,
  courses: (row) => ({ lengthM: swimmableLength(row.course as Course) }),
  tracks: (row) => ({ summary: trackSummary(row as unknown as Parameters<typeof trackSummary>[0]) }),
};
export const DERIVED_COLUMNS: Partial<Record<RowPart, readonly string[]>> = {
  swimmers: ['search_name'],
  sessions: ['theme', 'minutes', 'summary', 'done_summary'],
  tests: ['kind', 'outcome'],
  courses: ['length_m'],
  tracks: ['summary'],
};

/** Every row, checked. */
function checked(archive: ClubArchive): Rows {
  const fields: { field: string; message: string }[] = [];
  const rows: Partial<Record<ArchivePart, Row[]>> = {};
  for (const part of ARCHIVE_PARTS) {
    const good: Row[] = [];
    for (const [i, row] of archive[part].entries()) {
      const { error, value } = check(ARCHIVE_ROWS[part] as Schema<Row>, row);
      if (error) fields.push({ field: `${part}[${i}].${error.details[0]!.path.join('.')}`, message: error.message });
      else good.push(value as Row);
      if (fields.length >= MOST_REPORTED) break;
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
  throw new ProblemError(422, `Nothing was imported: ${first!.field}: ${first!.message}${rest}`, { fields });
}

/** No clip of a child without the guardian's word, by whatever way it comes. */
function refuseClips(clips: readonly Row[], swimmers: readonly Row[]): void {
  const year = ageYear();
  const without = new Set(
    swimmers.filter((s) => isChild(s.birthYear as number | null, year) && !s.clipConsent).map((s) => s.id),
  );
  refuse(
    clips.flatMap(({ swimmerId }, i) =>
      without.has(swimmerId as string)
        ? [{ field: `clips[${i}]`, message: 'The guardian of this child has not agreed to clips.' }]
        : [],
    ),
  );
}

/** No card in an archive that a club could not write. */
function refuseUnsafe(library: readonly Row[]): void {
  const entries = library as unknown as readonly LibraryEntry[];
  refuse(
    libraryProblems(shelvesOf(entries)).map(({ entry, problems: [problem] }) => {
      const at = entries.findIndex((other) => keyOf(other) === keyOf(entry));
      return { field: `library[${at}].body.${problem!.field}`, message: problem!.message };
    }),
  );
}

const UUID = /"([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})"/gi;

/**
 * The same archive for another club: every id is made from the old one and the club, wherever it is named, so that
 * it cannot meet a row of another club and taking it in twice still adds nothing twice.
 */
function inClub(archive: ClubArchive, clubId: string): ClubArchive {
  return JSON.parse(
    JSON.stringify(archive).replace(UUID, (_, id: string) => `"${v5(id.toLowerCase(), clubId)}"`),
  ) as ClubArchive;
}
