// Finding cards by what people call things, not only by what the cards call them.

/** What coaches and parents say, and the words that the cards have for it. */
const EVERYDAY: Readonly<Record<string, readonly string[]>> = {
  afraid: ['ease'],
  anxious: ['ease'],
  belly: ['belly', 'core', 'sags'],
  boat: ['boats'],
  buoy: ['mark', 'buoy'],
  cadence: ['rate', 'rhythm'],
  center: ['middle', 'crossing'],
  centre: ['middle', 'crossing', 'centre'],
  centreline: ['middle', 'crossing', 'nose'],
  core: ['core', 'belly'],
  corkscrew: ['roll', 'crooked'],
  crossover: ['middle', 'crossing', 'across'],
  fear: ['ease'],
  fishtail: ['snake'],
  flip: ['tumble', 'somersault'],
  flipturn: ['tumble'],
  flutter: ['kick'],
  frog: ['breaststroke', 'kick'],
  hypoxic: ['breath'],
  inhale: ['breath'],
  exhale: ['bubbles', 'blow', 'exhale'],
  lopsided: ['one', 'limps', 'unequal'],
  midline: ['middle', 'crossing', 'across', 'nose'],
  navigate: ['line', 'mark', 'aim'],
  navigation: ['line', 'mark', 'aim'],
  nose: ['nose', 'bubbles', 'hum', 'blow'],
  panic: ['ease', 'calm'],
  recovery: ['recovery', 'air'],
  rotation: ['roll'],
  rotate: ['roll'],
  scared: ['ease'],
  sighting: ['look', 'sight'],
  sink: ['low', 'sink'],
  slap: ['splash', 'flat'],
  stomach: ['belly', 'core', 'sags'],
  straight: ['straight', 'line'],
  swerve: ['veer', 'drift'],
  tempo: ['rate', 'rhythm'],
  tummy: ['belly', 'core', 'sags'],
  underwater: ['under'],
  wiggle: ['snake'],
  windmill: ['high', 'wide', 'swing'],
};

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];

/** A word without its ending, so that "sculling" finds "scull" and "breathes" finds "breath". */
function stem(word: string): string {
  const bare = word.replace(/(ing|es|ed|s)$/, '');
  return bare.length >= 3 ? bare : word;
}

/**
 * How well a card answers what is looked for: 2 where its name says it, 1 where its other words do, 0 where some word
 * of the question is nowhere in it. Nothing asked finds everything.
 *
 * @param asked what was typed; each of its words has to be found, itself or what the cards call it
 * @param name what the card is called
 * @param others what else the card says
 * @example
 * found('sculling', 'Front scull', '') // 2
 * found('midline', 'Crossing over', '') // 2
 * found('nose', 'Bob ladder', 'Hum out under water') // 1
 */
export function found(asked: string, name: string, others: string): 0 | 1 | 2 {
  const questions = wordsOf(asked).map((word) => [word, stem(word), ...(EVERYDAY[word] ?? EVERYDAY[stem(word)] ?? [])]);
  const answeredBy = (text: string) => {
    const words = wordsOf(text);
    return questions.every((meanings) => meanings.some((meaning) => words.some((word) => word.startsWith(meaning))));
  };
  if (answeredBy(name)) return 2;
  return answeredBy(`${name} ${others}`) ? 1 : 0;
}

/** The cards that answer a question, those that say it in their name first; otherwise in their own order. */
export function findAmong<T>(
  asked: string,
  cards: readonly T[],
  textOf: (card: T) => { readonly name: string; readonly others: string },
): T[] {
  return cards
    .map((card) => ({ card, fit: found(asked, textOf(card).name, textOf(card).others) }))
    .filter(({ fit }) => fit > 0)
    .sort((a, b) => b.fit - a.fit)
    .map(({ card }) => card);
}
