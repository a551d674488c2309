// Chance with a seed: the demo club is the same every time it is made.
import { seeded } from '@upwell/core/units';
import { v5 } from 'uuid';

const NAMESPACE = '5f3c2a1e-7b64-4b8c-9d7e-2f0a6c1b8e43';

/** The same id for the same name, so that the demo is the same each time. */
export const idFor = (name: string): string => v5(name, NAMESPACE);

/** A seeded stream of numbers from 0 to 1. */
export function numbers(seed: number): () => number {
  let index = 0;
  return () => seeded(seed, index++);
}
