// What is done when something that waited meets a newer version: put together where the two can be.
import type { Waiting } from './db';

/**
 * Puts a change that waited together with what is stored by now; null when a coach has to say what counts.
 *
 * @param base what was stored when the change was made
 */
type Merge = (base: unknown, mine: unknown, theirs: unknown) => Promise<object | null>;

const merges: { readonly path: RegExp; readonly merge: Merge }[] = [];

/** Says how the changes of some addresses are put together. */
export function mergeWith(path: RegExp, merge: Merge): void {
  merges.push({ path, merge });
}

/** A change as it can be sent on top of what is stored by now; null when it cannot be put together. */
export async function onTopOf(entry: Waiting, current: unknown): Promise<Waiting | null> {
  const version = (current as { version?: number } | null)?.version;
  const merge = merges.find(({ path }) => path.test(entry.path))?.merge;
  if (!merge || entry.base === undefined || typeof version !== 'number') return null;
  const body = await merge(entry.base, entry.body, current);
  return body && { ...entry, body: { ...(entry.body as object), ...body, version }, base: current };
}
