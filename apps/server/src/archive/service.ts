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
import { ageYear, isChild } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { NIL } from 'uuid';
import { addEvents, type NotedEvent } from '../deck';
import { readShelves } from '../platform/clubShelves';
import { prepared } from '../platform/prepared';
import { goOnIn } from '../platform/shelves';
import { ProblemError } from '../platform/problem';
import { sqlStateOf } from '../platform/sqlState';
import { all, run } from '../platform/statement';
import { refuseHarm } from '../sessions';
import type { RunWork } from '../work';
import { ClubEntity, SwimmerEntity } from '../swimmers/entities';
import type { ReadArchive } from './readArchive';
import { ADD, ADD_AUTHORS, ADD_COACHES, ADD_RULES, LEARN_SO_FAR, CLIP_SWIMMERS, PAGES, pageSize } from './sql';

/** Parts whose rows are stored as they are. */
type Stored = keyof typeof ADD;

const RULES: readonly string[] = [
  'timeZone',
  'units',
  'kit',
  'laneCapacity',
  'paceTable',
  'water',
  'standards',
] satisfies (keyof ClubRules)[];

/** The people that an archive of the club is about. */
export async function everybody(em: EntityManager): Promise<string[]> {
  return (await em.find(SwimmerEntity, {}, { fields: ['id'] })).map((s) => s.id);
}

/** Everything the club keeps as the text of one file, piece by piece. */
export async function* archiveText(em: EntityManager, me: Me): AsyncGenerator<string> {
  const club = await em.findOneOrFail(ClubEntity, me.clubId);
  const head = {
    format: ARCHIVE_FORMAT,
    version: 1,
    savedAt: new Date().toISOString(),
    clubId: me.clubId,
    clubName: club.name,
    rules: Object.fromEntries(Object.entries(club.settings).filter(([key]) => RULES.includes(key))),
  };
  yield JSON.stringify(head).slice(0, -1);
  for (const part of ARCHIVE_PARTS) {
    yield `,"${part}":[`;
    let after: string | number = part === 'deckEvents' ? 0 : NIL;
    for (let pages = 0; ; pages++) {
      // The database writes the JSON; here it only passes through.
      const page = (await prepared(em, PAGES[part], [after]))[0]!;
      if (page.rows !== null) yield (pages > 0 ? ',' : '') + page.rows.slice(1, -1);
      if (page.n < pageSize(part)) break;
      after = page.last!;
    }
    yield ']';
  }
  yield '}\n';
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
  await run(em, ADD_RULES, [JSON.stringify(read.rules)]);
  const added = Object.fromEntries(ARCHIVE_PARTS.map((part) => [part, 0])) as Record<ArchivePart, number>;
  const squads = new Set<string>();
  let coached = false;
  for await (const line of lines) {
    const tab = line.indexOf('\t');
    const part = line.slice(0, tab) as ArchivePart;
    const rows = line.slice(tab + 1);
    if (part === 'accounts') {
      added[part] += (await all(em, ADD_AUTHORS, [rows])).length;
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
    // What comes after it may name its drills.
    if (part === 'library') goOnIn(await readShelves(em, me.clubId, true));
    if (part === 'squads') stored.forEach((id) => squads.add(id));
    if (part === 'clips') await refuseClips(em, stored);
  }
  if (!coached)
    await putCoaches(
      em,
      me,
      read.coaches.filter((c) => squads.has(c.squad_id)),
    );
  await all(em, LEARN_SO_FAR);
  return Object.fromEntries(
    ARCHIVE_PARTS.map((part): [ArchivePart, PartTaken] => [
      part,
      { added: added[part], here: read.counts[part] - added[part] },
    ]),
  ) as ArchiveTaken;
}

/** Coaches who are here are put in charge of the squads that came. */
async function putCoaches(em: EntityManager, me: Me, pairs: ReadArchive['coaches']): Promise<void> {
  await run(em, ADD_COACHES, [me.clubId, JSON.stringify(pairs)]);
}

/** No clip of a child without the guardian's word, which is what is noted here, not what a file says of somebody here. */
async function refuseClips(em: EntityManager, ids: readonly string[]): Promise<void> {
  const swimmers = await all(em, CLIP_SWIMMERS, [`{${ids.join(',')}}`]);
  const year = ageYear();
  if (!swimmers.some((s) => !s.clip_consent && isChild(s.birth_year, year))) return;
  const message = 'The guardian of a child has not agreed to clips here. Note it on the swimmer’s page first.';
  throw new ProblemError(422, `Nothing was imported: clips: ${message}`, { fields: [{ field: 'clips', message }] });
}

/** The same doors as for a session that a coach saves. */
async function refuseSession(em: EntityManager, work: RunWork, me: Me, rows: string): Promise<void> {
  for (const row of JSON.parse(rows) as Record<string, unknown>[]) {
    const { plan, squad_ids: squadIds, breathe_freely: breatheFreely, tonight, done } = row;
    await refuseHarm(em, work, me, { plan, squadIds, breatheFreely, tonight, done } as unknown as SessionSave, null);
  }
}

/** Stores what is missing of some rows of a part; answers the ids of those. */
async function insert(em: EntityManager, me: Me, part: Stored, rows: string): Promise<string[]> {
  const stored = await refusingOrphans(part, () => prepared(em, ADD[part], [me.clubId, rows]));
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
    throw new ProblemError(422, `Nothing was imported: ${part}: ${message}`, { fields: [{ field: part, message }] });
  }
}
