import type { CauseId } from '../../review';

/** Distinct causes, the most common first; equal ones keep their order. */
export function byFrequency(causes: readonly CauseId[]): CauseId[] {
  const counts = new Map<CauseId, number>();
  for (const cause of causes) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  return [...counts.keys()].sort((a, b) => counts.get(b)! - counts.get(a)!);
}
