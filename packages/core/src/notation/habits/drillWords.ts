// Drills by any usual spelling, with or without the word “drill”.
import type { IToken } from 'chevrotain';
import { drillCard, isDrill, knownDrillIds, type DrillId } from '../../library';

/** Other names that whiteboards have for drills of the library. */
const ALIASES: Readonly<Record<string, string>> = {
  scull: 'front-scull',
  sculling: 'front-scull',
  fingertips: 'fingertip-drag',
  fingerdrag: 'fingertip-drag',
  dogpaddle: 'doggy-paddle',
  longdogpaddle: 'doggy-paddle',
  '616': 'six-one-six',
  '636': 'six-three-six',
};

/** Most words of a drill's name. */
const MOST_WORDS = 5;

const letters = (text: string): string => text.toLowerCase().replace(/[^a-z0-9à-ž]/g, '');

/** The drill that some tokens name from the first of them on, and how many of them do; null when they name none. */
export type DrillIn = (
  tokens: readonly IToken[],
  from: number,
) => { readonly id: DrillId; readonly words: number } | null;

/**
 * Finds drills of the club's library as they stand now: “finger tip drag”, “Fingertip-drag” and “fingertip drag” are the same.
 */
export function drillFinder(): DrillIn {
  const spelled = new Map<string, DrillId>();
  for (const id of knownDrillIds()) {
    const own = letters(id.replace(/^own-/, ''));
    for (const text of [own, `${own}s`, letters(drillCard(id).name), letters(id)]) spelled.set(text, id);
  }
  for (const [text, id] of Object.entries(ALIASES)) if (isDrill(id)) spelled.set(text, id);
  return (tokens, from) => {
    let text = '';
    let best: { readonly id: DrillId; readonly words: number } | null = null;
    for (let i = from; i < Math.min(from + MOST_WORDS, tokens.length); i++) {
      const { image } = tokens[i]!;
      const part = letters(image);
      if (part === '' && !/^[-–/,]$/.test(image)) break;
      text += part;
      const id = part === '' ? undefined : spelled.get(text);
      if (id) best = { id, words: i - from + 1 };
    }
    return best;
  };
}
