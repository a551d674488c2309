// What a coach types into the numbers of a set.
import type { SessionPlan } from '@upwell/core/sessions';
import { lengthsOf, parseTime, wholeDistancesBeside } from '@upwell/core/units';
import { numberWord } from '@upwell/core/words';

/** What was read, or why it cannot be. */
export type Typed =
  { readonly value: number; readonly problem: null } | { readonly value: null; readonly problem: string };

const good = (value: number): Typed => ({ value, problem: null });
const bad = (problem: string): Typed => ({ value: null, problem });

/** Takes a number that was read, and says why not otherwise: for a field that can be typed into. */
export function taken({ value, problem }: Typed, take: (value: number) => void): string | null {
  if (value !== null) take(value);
  return problem;
}

const numberOf = (text: string): number | null =>
  /^\d{1,6}(?:[.,]\d{1,2})?$/.test(text) ? Number(text.replace(',', '.')) : null;

/** A whole number between two others. */
export function typedWhole(text: string, from: number, to: number): Typed {
  const value = numberOf(text);
  if (value === null || !Number.isInteger(value)) return bad('A whole number, please.');
  return value < from || value > to ? bad(`From ${from} to ${numberWord(to)}.`) : good(value);
}

/** A distance in the pool's own unit as lengths, or loops outside, which end where they began. */
export function typedLengths(text: string, { pool, place }: Pick<SessionPlan, 'pool' | 'place'>, most: number): Typed {
  const value = numberOf(text);
  if (value === null || value <= 0) return bad('A number, please.');
  const lengths = place === 'open-water' ? (Number.isInteger(value) ? value : null) : lengthsOf(pool, value);
  if (lengths === null) {
    if (place === 'open-water') return bad('Whole loops: each ends where it began.');
    const [down, up] = wholeDistancesBeside(pool, value);
    return bad(`Not whole lengths: ${down} or ${up}?`);
  }
  return lengths > most ? bad('This is too far for one swim.') : good(lengths);
}

/** A time like 1:30; a number by itself is seconds, or minutes where that is what is meant. */
export function typedSeconds(text: string, from: number, to: number, alone: 'seconds' | 'minutes' = 'seconds'): Typed {
  const seconds = parseTime(text.replace(/\s*(?:s|sec|min)$/i, ''));
  if (seconds === null) return bad('A time, like 20 or 1:30.');
  const plain = !text.includes(':');
  const value = Math.round(plain && (alone === 'minutes' || /min$/i.test(text)) ? seconds * 60 : seconds);
  return value < from || value > to ? bad('That is too short or too long.') : good(value);
}
