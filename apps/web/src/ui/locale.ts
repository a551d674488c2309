/**
 * How numbers and dates are written, for everybody and everywhere: as in the English sentences around them. A person
 * never sees two ways on one page, whatever the language of their phone.
 */
export const LOCALE = 'en-GB';

/** A whole number, with its thousands apart. @example countWord(1575) // '1,575' */
export const countWord = (n: number): string => n.toLocaleString(LOCALE);

/** A day and a time of day. @example momentWord('2026-11-27T10:05:00') // '27 Nov 2026, 10:05' */
export const momentWord = (at: string): string =>
  new Date(at).toLocaleString(LOCALE, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  });
