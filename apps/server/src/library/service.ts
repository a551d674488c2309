// How a club's library is read and written.
import type { Me } from '@upwell/contract/account';
import type { EntrySave, EntryView, LibraryFile, LibraryImport, LibraryView } from '@upwell/contract/library';
import { entriesOf, keyOf, shelvesOf, withEntry, type LibraryEntry } from '@upwell/core/clubLibrary';
import type { OwnKind, OwnShelves } from '@upwell/core/own';
import { experienceClub } from '@upwell/core/review';
import { counted } from '@upwell/core/words';
import type { EntityManager } from '@mikro-orm/postgresql';
import { v5, v7 } from 'uuid';
import { ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { all, first, one } from '../platform/statement';
import type { RunWork } from '../work';
import { LibraryEntryEntity } from './entities';
import { DRILL_STANDS, ENTRIES, ENTRY_ID, LOCKED_STATE, STATE } from './sql';

/** Everything that the club has of its own. */
export async function showLibrary(em: EntityManager): Promise<LibraryView> {
  const { version } = await one(em, STATE);
  return { version, entries: (await all(em, ENTRIES)) as EntryView[] };
}

/** The club's library as a file, for another club. */
export async function libraryFile(em: EntityManager, me: Me): Promise<LibraryFile> {
  // What other clubs have given stays here: they give it themselves, and nothing is counted twice.
  const entries = entriesOf(shelvesIn(await showLibrary(em))).filter(
    ({ kind, key }) => kind !== 'experience' || experienceClub(key) === null,
  );
  return { format: 'upwell-library', formatVersion: 1, club: me.clubName, savedAt: new Date().toISOString(), entries };
}

const shelvesIn = ({ entries }: LibraryView): OwnShelves =>
  shelvesOf(entries.filter((entry): entry is EntryView & LibraryEntry => entry.body !== null));

/**
 * Changes one entry, or goes back to what is built in.
 *
 * @throws ProblemError 422 where a card is unsafe or the rest of the library does not stand with it; 409 where somebody
 * else changed the same entry meanwhile
 */
export async function saveEntry(em: EntityManager, work: RunWork, me: Me, save: EntrySave): Promise<LibraryView> {
  await one(em, LOCKED_STATE);
  const before = await showLibrary(em);
  const { kind, key, body } = save;
  const stored = before.entries.find((entry) => entry.kind === kind && entry.key === key);
  // A change on another version is somebody else's to see first; it is told below, whatever it holds.
  if ((stored?.version ?? 0) === save.version) {
    if (kind === 'drills' && body === null) await refuseUsed(em, key);
    await refuse(work, before, withEntry(shelvesIn(before), kind, key, body), keyOf(save as LibraryEntry));
  }
  await store(em, me, kind, key, body, save);
  return showLibrary(em);
}

async function store(
  em: EntityManager,
  me: Me,
  kind: OwnKind,
  key: string,
  body: object | null,
  save: { readonly version: number; readonly writeId: string },
): Promise<void> {
  const fields = { clubId: me.clubId, kind, key, body, changedBy: me.accountId, changedAt: new Date() };
  // One that came with an archive, or was counted together, has an id of its own.
  const stored = await first(em, ENTRY_ID, [kind, key]);
  await saveVersioned(em, LibraryEntryEntity, stored?.id ?? v7(), save, fields, (row) => ({
    ...{ kind: row.kind, key: row.key, body: row.body ?? null, version: row.version },
  }));
}

/** Takes in entries of a file, all of them or none. They were chosen on one state of the library, and count on that. */
export async function importLibrary(
  em: EntityManager,
  work: RunWork,
  me: Me,
  { entries, version, writeId }: LibraryImport,
): Promise<LibraryView> {
  const { version: now } = await one(em, LOCKED_STATE);
  const before = await showLibrary(em);
  const repeated = await em.count(LibraryEntryEntity, {
    writeId: { $in: entries.map((entry) => writeIdOf(writeId, entry)) },
  });
  if (repeated === entries.length) return before;
  if (now !== version)
    throw new ProblemError(409, 'The library was changed meanwhile. Look at the file beside it once more.', {
      current: before,
    });
  let after = shelvesIn(before);
  for (const { kind, key, body } of entries) after = withEntry(after, kind, key, body);
  await refuse(work, before, after, null);
  for (const entry of entries) {
    const { kind, key, body } = entry;
    const stored = before.entries.find((e) => e.kind === kind && e.key === key)?.version ?? 0;
    await store(em, me, kind, key, body, { version: stored, writeId: writeIdOf(writeId, entry) });
  }
  return showLibrary(em);
}

/** Each entry of an import has its own, so that one sent twice is stored once. */
const writeIdOf = (writeId: string, entry: LibraryEntry): string => v5(keyOf(entry), writeId);

/** A drill that stands somewhere keeps its card, or nobody could read what was planned. */
async function refuseUsed(em: EntityManager, key: string): Promise<void> {
  if (!key.startsWith('own-')) return;
  const { sessions, focuses } = await one(em, DRILL_STANDS, [key, key, key]);
  if (sessions + focuses === 0) return;
  const where = [
    sessions > 0 ? counted(sessions, 'session') : '',
    focuses > 0 ? counted(focuses, 'focus', 'focuses') : '',
  ];
  const message = `It stands in ${where.filter(Boolean).join(' and ')}. Hide it instead: it is then no longer planned.`;
  throw new ProblemError(422, message, { fields: [{ field: 'body', message }] });
}

/** Refuses what may not stand with the rest of the library. */
async function refuse(work: RunWork, before: LibraryView, after: OwnShelves, changed: string | null): Promise<void> {
  const found = await work('check-library', { before: shelvesIn(before), after });
  if (found.length === 0) return;
  const fields = found.map(({ entry, field, message }) => ({
    field: entry === changed ? `body.${field}` : `${entry}.${field}`,
    message,
  }));
  throw new ProblemError(422, found[0]!.message, { fields: fields.slice(0, 20) });
}
