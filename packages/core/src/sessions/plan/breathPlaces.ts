import type { Breathing } from './model';

/** Breaths that are counted, in a length or in a rep. */
export type Counted = Extract<Breathing, { kind: 'limited' }>;

/** What a rep is swum over. */
export interface Over {
  readonly repM: number;
  /** Metres from wall to wall. */
  readonly lengthM: number;
  readonly strokeLengthM: number;
}

/** Breaths of one rep or of each of its lengths, stepping evenly from the first rep to the last. */
export function breathsInRep({ first, last }: Counted, rep: number, reps: number): number {
  if (reps <= 1) return first;
  return Math.round(first + ((last - first) * rep) / (reps - 1));
}

/**
 * Where the counted breaths of a rep fall, metres from its start.
 *
 * In a length that ends in a turn the last breath is one stroke before the wall, so that no turn lies inside a long
 * gap; in the last length they are spread between its walls. Breaths counted over the rep go before the turns first,
 * then each into the length with the longest gap.
 *
 * @param rep which rep of the set, from 0
 * @example breathPlaces({ kind: 'limited', first: 2, last: 2, per: 'rep' }, 0, 1, { repM: 50, lengthM: 25, strokeLengthM: 1 })
 * // [24, 37.5]
 */
export function breathPlaces(counted: Counted, rep: number, reps: number, over: Over): number[] {
  const { repM, lengthM, strokeLengthM } = over;
  if (repM <= 0) return [];
  const lengths = Math.max(1, Math.ceil(repM / lengthM - 1e-9));
  const breaths = breathsInRep(counted, rep, reps);
  const sizeOf = (i: number) => Math.min(lengthM, repM - i * lengthM);
  // From the start of a length to its last breath, or to its end: where its breaths are spread evenly.
  const gapOf = (i: number, count: number) =>
    i < lengths - 1 && count > 0 ? beforeTurn(sizeOf(i), strokeLengthM) / count : sizeOf(i) / (count + 1);
  const counts =
    counted.per === 'rep'
      ? shared(breaths, lengths, gapOf)
      : Array.from({ length: lengths }, (_, i) => Math.floor((breaths * sizeOf(i)) / Math.min(lengthM, repM) + 1e-9));
  return counts.flatMap((count, i) => Array.from({ length: count }, (_, k) => i * lengthM + gapOf(i, count) * (k + 1)));
}

const beforeTurn = (sizeM: number, strokeLengthM: number): number => Math.max(sizeM / 2, sizeM - strokeLengthM);

/** Breaths of a rep by length: one before each turn, the rest where the gap is longest. */
function shared(breaths: number, lengths: number, gapOf: (i: number, count: number) => number): number[] {
  const turns = lengths - 1;
  const counts = Array.from({ length: lengths }, () => 0);
  const atTurns = Math.min(breaths, turns);
  for (let k = 0; k < atTurns; k++) counts[Math.round(((k + 1) * lengths) / (atTurns + 1)) - 1]! += 1;
  for (let left = breaths - atTurns; left > 0; left--) {
    const gaps = counts.map((count, i) => gapOf(i, count));
    counts[gaps.indexOf(Math.max(...gaps))]! += 1;
  }
  return counts;
}
