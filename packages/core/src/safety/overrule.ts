/** The least a written reason needs: different words of at least three letters, and letters in total. */
const REASON = { words: 4, letters: 20 } as const;

/**
 * Why a text is no reason that can stand on record, or null when it is one: it takes whole words, not a row of dots.
 *
 * @example reasonProblem('..........') // 'Write the reason in full: …'
 * @example reasonProblem('The harbour master allows it until nine.') // null
 */
export function reasonProblem(text: string): string | null {
  const words = new Set(text.toLowerCase().match(/\p{L}{3,}/gu) ?? []);
  // A word has at least two different letters.
  const real = [...words].filter((word) => new Set(word).size > 1);
  const letters = (text.match(/\p{L}/gu) ?? []).length;
  if (real.length >= REASON.words && letters >= REASON.letters) return null;
  return 'Write the reason in full: which local rule or which licensed person allows it, and why.';
}
