// A file of results on its way in: chunk by chunk, looked at, stored in one step, and taken back.
import type { Me } from '@upwell/contract/account';
import type { CommitBody, ImportCheck, ImportState, ImportView } from '@upwell/contract/records';
import type { ResultLine } from '@upwell/core/measures';
import type { EntityManager } from '@mikro-orm/postgresql';
import { runPrepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';
import { all, first, one, run } from '../platform/statement';
import { ResultEntity } from '../swimmers/entities';
import { ResultImportEntity, type ResultImportRecord } from './entities';
import * as sql from './sql';

/** Rows of a file on their way in; the same chunk again changes nothing. */
export async function addChunk(
  em: EntityManager,
  me: Me,
  importId: string,
  chunk: number,
  rows: readonly ResultLine[],
): Promise<{ readonly kept: number }> {
  await run(em, sql.SWEEP_CHUNKS);
  await runPrepared(em, sql.ADD_CHUNK, [importId, chunk, me.clubId, me.accountId, JSON.stringify(rows)]);
  return { kept: rows.length };
}

/** What is known of the rows of an import before they are stored. */
export async function checkImport(em: EntityManager, importId: string): Promise<ImportCheck> {
  const counted = await one(em, sql.ARRIVED_KNOWN, [importId]);
  if (counted.rows === 0) throw new ProblemError(404, 'No rows of this import have arrived.');
  return { ...counted, examples: await all(em, sql.KNOWN_EXAMPLES, [importId]) };
}

/** Imports, the newest first: one's own, or for the head coach those of the club. */
export async function listImports(em: EntityManager): Promise<ImportView[]> {
  const orderBy = { storedAt: 'desc', id: 'asc' } as const;
  return (await em.find(ResultImportEntity, {}, { populate: ['account'], orderBy, limit: 50 })).map(toView);
}

const toView = ({ id, name, account, rows, stored, storedAt, undoneAt, removed }: ResultImportRecord): ImportView => ({
  ...{ id, name, by: account?.name ?? null, rows, stored, removed },
  storedAt: storedAt.toISOString(),
  undoneAt: undoneAt?.toISOString() ?? null,
});

/** What became of an import, for a device that lost the answer. */
export async function importState(em: EntityManager, importId: string): Promise<ImportState> {
  // As it is stored now: this is asked again in one transaction.
  const done = await em.findOne(ResultImportEntity, { id: importId }, { populate: ['account'], refresh: true });
  return { done: done && toView(done) };
}

/**
 * Stores all rows of an import in one step, or none when some are missing or not one's own swimmers'. The same
 * import again, at the same time or later, is answered with what was stored the first time.
 */
export async function commitImport(
  em: EntityManager,
  me: Me,
  importId: string,
  { rows, name, skipKnown }: CommitBody,
): Promise<ImportView> {
  // The second one waits here for the first one's transaction, and then finds its row.
  const mine = await run(em, sql.BEGIN_IMPORT, [importId, me.clubId, me.accountId, name || 'Results', rows]);
  if (mine > 0) await storeRows(em, me, importId, rows, skipKnown);
  const { done } = await importState(em, importId);
  if (!done) throw notFound();
  return done;
}

async function storeRows(em: EntityManager, me: Me, importId: string, rows: number, skip: boolean): Promise<void> {
  const arrived = await one(em, sql.ARRIVED_OURS, [importId]);
  if (arrived.rows !== rows)
    throw new ProblemError(
      422,
      `Only ${arrived.rows} of ${rows} rows have arrived; nothing was stored. Import the file again.`,
    );
  if (arrived.ours !== rows)
    throw new ProblemError(422, 'Some of these swimmers are not here, or not yours; nothing was stored.');
  const stored = await run(em, skip ? sql.STORE_UNKNOWN : sql.STORE_ALL, [me.clubId, importId, importId]);
  await em.nativeUpdate(ResultImportEntity, { id: importId }, { stored });
  await dropImport(em, importId);
}

/** Takes back exactly the results that an import brought and that are still here; undoing twice changes nothing. */
export async function undoImport(em: EntityManager, importId: string): Promise<ImportView> {
  const open = await first(em, sql.IMPORT_TO_UNDO, [importId]);
  if (!open) throw notFound();
  if (!open.undone) {
    const removed = await em.nativeDelete(ResultEntity, { importId });
    if ((await one(em, sql.RESULTS_LEFT, [importId])).n > 0)
      throw new ProblemError(
        422,
        'Some of these results belong to swimmers you no longer coach. Nothing was undone; ask the head coach.',
      );
    await em.nativeUpdate(ResultImportEntity, { id: importId }, { undoneAt: new Date(), removed });
  }
  return (await importState(em, importId)).done!;
}

/** Forgets rows that have arrived and were not stored. */
export async function dropImport(em: EntityManager, importId: string): Promise<{ readonly dropped: true }> {
  await run(em, sql.DROP_CHUNKS, [importId]);
  return { dropped: true };
}
