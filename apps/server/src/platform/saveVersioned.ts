import type { Saved } from '@upwell/contract/common';
import type { EntityManager } from '@mikro-orm/postgresql';
import { LockMode, type EntityName } from '@mikro-orm/core';
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
 * @param fields the columns to set; for a new row all of them
 */
export async function saveVersioned<T extends Versioned>(
  em: EntityManager,
  entity: EntityName<T>,
  id: string,
  save: Saved,
  fields: Partial<T>,
  show: (row: T) => unknown,
): Promise<{ row: T; repeated: boolean }> {
  const row: T | null = await em.findOne<T>(entity, { id } as never, { lockMode: LockMode.PESSIMISTIC_WRITE });
  if (row === null) {
    if (save.version > 0) throw new ProblemError(404, 'This is not here any more, or not yours to see.');
    const created = em.create(entity, { id, writeId: save.writeId, ...fields } as never, { partial: true }) as T;
    await em.persist(created).flush();
    return { row: created, repeated: false };
  }
  if (row.writeId === save.writeId) return { row, repeated: true };
  if (row.version !== save.version) {
    throw new ProblemError(409, 'This was changed elsewhere in the meantime. Choose which version to keep.', {
      current: show(row),
    });
  }
  em.assign(row, { ...fields, writeId: save.writeId } as never);
  await em.flush();
  return { row, repeated: false };
}
