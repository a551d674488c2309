// One save for everything with a version: applied once, and never over a newer one unseen.
import type { Saved } from '@upwell/contract/common';
import type { EntityManager } from '@mikro-orm/postgresql';
import { Utils, type EntityName } from '@mikro-orm/core';
import { ProblemError } from './problem';

interface Versioned {
  id: string;
  version: number;
  writeId: string;
}

/**
 * Creates or changes one row so that a save can be repeated and cannot overwrite a newer one.
 *
 * The same `writeId` again is answered with what is stored. Another version than the one the change
 * was made on is a 409 that carries what is stored now.
 *
 * @param fields the columns to set, for a new row all of them; or how they follow from what is stored
 */
export async function saveVersioned<T extends Versioned>(
  em: EntityManager,
  entity: EntityName<T>,
  id: string,
  save: Saved,
  fields: Partial<T> | ((stored: T | null) => Partial<T>),
  show: (row: T) => unknown,
): Promise<{ row: T; repeated: boolean }> {
  // Rows that hang on this one may still be added meanwhile: only other changes of the row itself wait.
  const table = em.getMetadata().get(Utils.className(entity)).tableName;
  await em.execute(`select from ${table} where id = ? for no key update`, [id], 'run');
  const row: T | null = await em.findOne<T>(entity, { id } as never);
  const changed = typeof fields === 'function' ? fields(row) : fields;
  if (row === null) {
    if (save.version > 0) throw new ProblemError(404, 'This is no longer here, or not yours to see.');
    const created = em.create(entity, { id, writeId: save.writeId, ...changed } as never, { partial: true }) as T;
    await em.persist(created).flush();
    return { row: created, repeated: false };
  }
  if (row.writeId === save.writeId) return { row, repeated: true };
  if (row.version !== save.version) {
    throw new ProblemError(409, 'This was changed elsewhere in the meantime. Choose which version to keep.', {
      current: show(row),
    });
  }
  em.assign(row, { ...changed, writeId: save.writeId } as never);
  await em.flush();
  return { row, repeated: false };
}
