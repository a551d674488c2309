import type { Me } from '@upwell/contract/account';
import type { CommitBody, ImportCheck, ImportState, ImportView } from '@upwell/contract/records';
import type { ResultLine } from '@upwell/core/measures';
import type { EntityManager } from '@mikro-orm/postgresql';
import { prepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';

/** Rows of a file on their way in; the same chunk again changes nothing. */
export async function addChunk(
  em: EntityManager,
  me: Me,
  importId: string,
  chunk: number,
  rows: readonly ResultLine[],
): Promise<{ readonly kept: number }> {
  // What was begun and never ended is swept away by the next who imports.
  await em.execute(`delete from result_chunk where created_at < now() - interval '1 day'`, [], 'run');
  await prepared(
    em,
    `insert into result_chunk (import_id, chunk, club_id, account_id, rows) values (?, ?, ?, ?, ?::jsonb) on conflict do nothing`,
    [importId, chunk, me.clubId, me.accountId, JSON.stringify(rows)],
  );
  return { kept: rows.length };
}

/** The rows of an import that have arrived, one by one. */
const ARRIVED = `from result_chunk c, rows from (jsonb_to_recordset(c.rows) as ("swimmerId" uuid, "on" date,
    "distanceM" double precision, "timeS" double precision, "strokesPerLength" double precision, kind text))
    with ordinality as x ("swimmerId", "on", "distanceM", "timeS", "strokesPerLength", kind, line)
  where c.import_id = ?`;

/** What makes two swims the same; hundredths of a second are what a stopwatch tells apart. */
const sameSwim = (swimmer: string, on: string, distance: string, time: string) =>
  `${swimmer}, ${on}, ${distance}, round(${time}::numeric, 2)`;

/**
 * Each arrived row with whether it is here already. The lengths of a session are often equal: of as many equal rows
 * as there are in a file, as many are known as are stored.
 */
const ROWS = `with arrived as (
    select x.*, row_number() over (
      partition by ${sameSwim('x."swimmerId"', 'x."on"', 'x."distanceM"', 'x."timeS"')} order by c.chunk, x.line) as nth
    ${ARRIVED}
  ), here as (
    select ${sameSwim('r.swimmer_id', 'r.held_on', 'r.distance_m', 'r.time_s')} as hundredths, count(*) as times
    from result r where r.swimmer_id in (select "swimmerId" from arrived)
    group by 1, 2, 3, 4
  )
  select a.*, coalesce(a.nth <= h.times, false) as known from arrived a left join here h
    on (h.swimmer_id, h.held_on, h.distance_m, h.hundredths)
     = (${sameSwim('a."swimmerId"', 'a."on"', 'a."distanceM"', 'a."timeS"')})`;

const EXAMPLES = 8;

/** What is known of the rows of an import before they are stored. */
export async function checkImport(em: EntityManager, importId: string): Promise<ImportCheck> {
  const [counted] = await em.execute<{ rows: number; known: number }[]>(
    `select count(*)::int as rows, (count(*) filter (where known))::int as known from (${ROWS}) x`,
    [importId],
    'all',
  );
  if (counted!.rows === 0) throw new ProblemError(404, 'No rows of this import have arrived.');
  const examples = await em.execute<ImportCheck['examples'][number][]>(
    `select x."swimmerId", s.given_name || ' ' || s.family_name as name, x."on"::text as "on", x."distanceM", x."timeS",
       x."strokesPerLength", x.kind
     from (${ROWS}) x join swimmer s on s.id = x."swimmerId" where x.known order by x."on" desc, name limit ${EXAMPLES}`,
    [importId],
    'all',
  );
  return { ...counted!, examples };
}

const IMPORTS = `select i.id, i.name, a.name as by, i.rows, i.stored, i.stored_at as "storedAt", i.undone_at as "undoneAt",
    i.removed from result_import i left join account a on a.id = i.account_id`;

/** Imports, the newest first: one's own, or for the head coach those of the club. */
export async function listImports(em: EntityManager): Promise<ImportView[]> {
  return em.execute<ImportView[]>(`${IMPORTS} order by i.stored_at desc, i.id limit 50`, [], 'all');
}

/** What became of an import; for whoever lost the answer. */
export async function importState(em: EntityManager, importId: string): Promise<ImportState> {
  const [done] = await em.execute<ImportView[]>(`${IMPORTS} where i.id = ?`, [importId], 'all');
  return { done: done ?? null };
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
  // Whoever comes second waits here for the first one's transaction, and then finds its row.
  const mine = await em.execute<unknown[]>(
    `insert into result_import (id, club_id, account_id, name, rows, stored) values (?, ?, ?, ?, ?, 0)
     on conflict (id) do nothing returning id`,
    [importId, me.clubId, me.accountId, name || 'Results', rows],
    'all',
  );
  if (mine.length > 0) await storeRows(em, me, importId, rows, skipKnown);
  const { done } = await importState(em, importId);
  if (!done) throw notFound();
  return done;
}

async function storeRows(em: EntityManager, me: Me, importId: string, rows: number, skip: boolean): Promise<void> {
  const [arrived] = await em.execute<{ rows: number; ours: number }[]>(
    `select count(*)::int as rows, (count(*) filter (where s.id is not null))::int as ours
     from (select x."swimmerId" ${ARRIVED}) x left join swimmer s on s.id = x."swimmerId"`,
    [importId],
    'all',
  );
  if (arrived!.rows !== rows)
    throw new ProblemError(
      422,
      `Only ${arrived!.rows} of ${rows} rows have arrived; nothing was stored. Import the file again.`,
    );
  if (arrived!.ours !== rows)
    throw new ProblemError(422, 'Some of these swimmers are not here, or not yours; nothing was stored.');
  // Nothing is asked back row by row: each question would be checked against who may see what.
  const { affectedRows: stored } = await em.execute<{ affectedRows: number }>(
    `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s, strokes_per_length, kind, import_id)
     select gen_random_uuid(), ?, x."swimmerId", x."on", x."distanceM", x."timeS", x."strokesPerLength", x.kind, ?
     from (${skip ? ROWS : `select x.* ${ARRIVED}`}) x ${skip ? 'where not x.known' : ''}`,
    [me.clubId, importId, importId],
    'run',
  );
  await em.execute('update result_import set stored = ? where id = ?', [stored, importId], 'run');
  await dropImport(em, importId);
}

/** Takes back exactly the results that an import brought and that are still here; undoing twice changes nothing. */
export async function undoImport(em: EntityManager, importId: string): Promise<ImportView> {
  const [open] = await em.execute<{ undone: boolean }[]>(
    'select undone_at is not null as undone from result_import where id = ? for update',
    [importId],
    'all',
  );
  if (!open) throw notFound();
  if (!open.undone) {
    const { affectedRows: removed } = await em.execute<{ affectedRows: number }>(
      'delete from result where import_id = ?',
      [importId],
      'run',
    );
    const [left] = await em.execute<{ n: number }[]>('select results_of_import(?) as n', [importId], 'all');
    if (left!.n > 0)
      throw new ProblemError(
        422,
        'Some of these results are of swimmers who are not yours any more. Nothing was undone; ask the head coach.',
      );
    await em.execute(
      'update result_import set undone_at = now(), removed = ? where id = ?',
      [removed, importId],
      'run',
    );
  }
  return (await importState(em, importId)).done!;
}

/** Forgets rows that have arrived and were not stored. */
export async function dropImport(em: EntityManager, importId: string): Promise<{ readonly dropped: true }> {
  await em.execute('delete from result_chunk where import_id = ?', [importId], 'run');
  return { dropped: true };
}
