import deburr from 'lodash/deburr.js';
import upperFirst from 'lodash/upperFirst.js';

export { textOf } from './letters';

/** Text that every database, file and screen can hold: well-formed, without control characters, cut between letters. */

const LONE_SURROGATE = /\p{Surrogate}/gu;
// Tab and line breaks are wanted in notes; everything else of this kind is not text.
const CONTROL = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F]/g;

/**
 * The same text without what is not text: half characters become `�`, control characters go.
 *
 * @example cleanText('Mark \u{1F3CA}'.slice(0, 6)) // 'Mark �'
 * @example cleanText('a\u0000b') // 'ab'
 */
export function cleanText(text: string): string {
  return text.replace(LONE_SURROGATE, '\uFFFD').replace(CONTROL, '');
}

/**
 * The beginning of a text, cut between two characters as a reader sees them: never inside an emoji, a flag or a
 * letter with its accents.
 *
 * @param most largest length of the answer, in UTF-16 units as `String.length` counts them
 * @example cutText('Start 🏊🏽 here', 8) // 'Start '
 */
export function cutText(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = 0;
  // A little more than is kept is looked at, not a whole file.
  for (const { segment } of new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text.slice(0, most + 64))) {
    if (end + segment.length > most) break;
    end += segment.length;
  }
  return text.slice(0, end);
}

/** What every object has under its own name: an id like that would find it instead of what was stored. */
export const RESERVED_IDS: readonly string[] = Object.getOwnPropertyNames(Object.prototype);

/** What cannot be seen, or is not a character at all: no part of an id. */
const UNSEEN =
  '\\u0000-\\u001F\\u007F-\\u009F\\u200B-\\u200F\\u2028-\\u202E\\u2060-\\u206F\\uD800-\\uDFFF\\uFEFF\\uFFFD';

/** An id inside a document: no control or format characters, and none that a reader would call a picture. */
export const PLAIN_ID = new RegExp(`^[^${UNSEEN}]+$`);
const NOT_PLAIN = new RegExp(`[${UNSEEN}]`, 'g');

/**
 * An id out of a file as it may be used here; empty when nothing usable is left of it.
 *
 * @example plainId('m1\u0000', 40) // 'm1'
 * @example plainId('__proto__', 40) // ''
 */
export function plainId(text: string, most: number): string {
  const id = cutText(text.replace(NOT_PLAIN, ''), most);
  return RESERVED_IDS.includes(id) ? '' : id;
}

/**
 * A name as it is searched and compared: lower case, without accents, one space between words.
 *
 * @example plainName('Łukasz  DVOŘÁK') // 'lukasz dvorak'
 */
export function plainName(name: string): string {
  return deburr(name.normalize('NFD')).replace(/\p{M}/gu, '').toLowerCase().replace(/\s+/g, ' ').trim();
}

/**
 * Whether a name holds what is searched for, whatever the accents and the case; nothing searched for is in every name.
 *
 * @example nameHolds('Łukasz Dvořák', 'dvorak') // true
 */
export const nameHolds = (name: string, words: string): boolean => plainName(name).includes(plainName(words));

/**
 * A term as a heading or a label shows it: its first letter large, the rest as it is.
 *
 * @example sentenceCase('head and body line') // 'Head and body line'
 */
export const sentenceCase = (term: string): string => upperFirst(term);
