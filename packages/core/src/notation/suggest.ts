import { closest, distance } from 'fastest-levenshtein';

/** Two neighbouring letters that changed places, and nothing else. */
function isSwapped(a: string, b: string): boolean {
  if (a.length !== b.length) return false;
  const at = [...a].findIndex((letter, i) => letter !== b[i]);
  return at >= 0 && a[at] === b[at + 1] && a[at + 1] === b[at] && a.slice(at + 2) === b.slice(at + 2);
}

/** Words of a pool that are near one of the notation and are not meant as it. */
const OTHER_WORDS = ['best', 'first', 'fist', 'hand', 'last', 'lock', 'mix', 'past', 'pick', 'race', 'test'];

/**
 * The word that was probably meant, or null when none is near: a wrong guess is worse than none. One letter may be wrong,
 * two neighbours may have changed places, and from six letters on two may be wrong behind the right first one.
 *
 * @example suggest('brethe', ['breathe', 'rest']) // 'breathe'
 * @example suggest('talk', ['back', 'kick']) // null
 */
export function suggest(word: string, known: readonly string[]): string | null {
  if (known.length === 0 || word.length > 40 || word.length < 3) return null;
  const lower = word.toLowerCase();
  if (OTHER_WORDS.includes(lower)) return null;
  const swapped = known.find((k) => isSwapped(lower, k));
  if (swapped) return swapped;
  const best = closest(lower, [...known]);
  const slips = distance(lower, best);
  if (slips <= 1) return best;
  return slips === 2 && lower.length >= 6 && best[0] === lower[0] ? best : null;
}
