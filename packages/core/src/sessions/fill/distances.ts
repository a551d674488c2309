import { lengthsToMetres, type Pool } from '../../units';
import type { SwimSet } from '../plan/model';

/** Distances of a recipe for this group: its own, and the same stretched by how far the group gets. */
export function stretched(metres: readonly number[], reach: number): number[] {
  if (reach > 0.85 && reach < 1.2) return [...metres];
  return [...metres, ...metres.map((m) => Math.max(25, Math.round((m * reach) / 25) * 25))];
}

/** Distances in metres as distinct numbers of pool lengths, shortest first; halves only in long pools. */
export function options(metres: readonly number[], pool: Pool): number[] {
  return [...new Set(metres.map((m) => wholeLengths(m, pool)))].sort((a, b) => a - b);
}

export function wholeLengths(metres: number, pool: Pool): number {
  const exact = metres / lengthsToMetres(pool, 1);
  return exact <= 0.6 ? 0.5 : Math.max(1, Math.round(exact));
}

/** Sets that end at the far side cost a little: the coach stands at the other end. */
export function oddness(items: readonly SwimSet[]): number {
  return items.reduce((sum, { reps, lengths }) => sum + ((reps * lengths) % 2 === 0 ? 0 : 0.02), 0);
}
