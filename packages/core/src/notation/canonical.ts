// Tokens as the notation has them, in the place of what stands in the text.
import type { IToken, TokenType } from 'chevrotain';
import * as t from './tokens';
import { FILLERS, NUMBER_WORDS } from './words';

/** Words alike but for blanks, hyphens and capitals. */
const plain = (text: string): string => text.toLowerCase().replace(/[\s-]+/g, '');

/** What a table says of a word, however it is spelled. @example lookUp({ 'flat out': 1 }, 'Flat-out') // 1 */
export function lookUp<T>(table: Readonly<Record<string, T>>, image: string): T | undefined {
  const wanted = plain(image);
  const key = Object.keys(table).find((k) => plain(k) === wanted);
  return key === undefined ? undefined : table[key];
}

/** A token of another kind or with other words, at the place of one or of several that stand in the text. */
export function token(type: TokenType, image: string, from: IToken, to: IToken = from): IToken {
  return {
    ...from,
    ...{ image, tokenType: type, tokenTypeIdx: type.tokenTypeIdx!, payload: typed(from) },
    ...(to.endOffset === undefined ? {} : { endOffset: to.endOffset }),
    ...(to.endColumn === undefined ? {} : { endColumn: to.endColumn }),
  };
}

/** What stands in the text for a token. */
export const typed = ({ payload, image }: IToken): string => (payload as string | undefined) ?? image;

export const is = (tok: IToken | undefined, ...types: readonly TokenType[]): boolean =>
  tok !== undefined && types.some((type) => tok.tokenType === type);

/** Whether a token says nothing: `the`, `of`, `strokes`. */
export const isFiller = (tok: IToken | undefined): boolean =>
  is(tok, t.Word) && FILLERS.includes(tok!.image.toLowerCase());

/** The number that a token says, in figures or as a word; null for any other. */
export function numberOf(tok: IToken | undefined): number | null {
  if (is(tok, t.Numeral)) return Number(tok!.image.replace(',', ''));
  return is(tok, t.Word) ? (NUMBER_WORDS[tok!.image.toLowerCase()] ?? null) : null;
}

/** Seconds of minutes that are written with a dot: `1.30`; null for any other number. */
export function dottedSeconds(tok: IToken | undefined): number | null {
  const found = is(tok, t.Numeral) ? /^(\d)\.([0-5]\d)$/.exec(tok!.image) : null;
  return found ? Number(found[1]) * 60 + Number(found[2]) : null;
}

/** Seconds of a clock time. @example clockSeconds(':15') // 15 */
export function clockSeconds(image: string): number {
  const [minutes = '0', seconds = '0'] = image.split(':');
  return Number(minutes || 0) * 60 + Number(seconds);
}
