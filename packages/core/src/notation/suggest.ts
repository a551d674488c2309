import { closest, distance } from 'fastest-levenshtein';

/**
 * The word that was probably meant, or null when none is near.
 *
 * @example suggest('brethe', ['breathe', 'rest']) // 'breathe'
 */
export function suggest(word: string, known: readonly string[]): string | null {
  if (known.length === 0 || word.length > 40) return null;
  const lower = word.toLowerCase();
  const best = closest(lower, [...known]);
  // Two letters that changed places count as two.
  const slips = lower.length < 4 ? 1 : Math.max(2, Math.floor(lower.length / 3));
  return distance(lower, best) <= slips ? best : null;
}
