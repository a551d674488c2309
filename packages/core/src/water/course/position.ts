// A position as people write it.
import type { Place } from './plane';

/** Degrees, minutes and seconds of one half of a position, with the letter of its hemisphere before or behind. */
const HALF =
  /([NSEW])?\s*([+\-−])?\s*(\d{1,3}(?:[.,]\d+)?)\s*(?:°|º|deg|\s|$)?\s*(?:(\d{1,2}(?:[.,]\d+)?)\s*(?:['′’]|\s|$))?\s*(?:(\d{1,2}(?:[.,]\d+)?)\s*(?:["″”]|'')?)?\s*([NSEW])?/giu;

const numberOf = (text: string | undefined) => (text === undefined ? 0 : Number(text.replace(',', '.')));

/** Two plain numbers: a point for decimals with anything between, or a comma for decimals with a blank or semicolon between. */
const PLAIN = [
  /^([+\-−]?\d{1,3}(?:\.\d+)?)\s*[,;\s]\s*([+\-−]?\d{1,3}(?:\.\d+)?)$/u,
  /^([+\-−]?\d{1,3}(?:,\d+)?)\s*[;\s]\s*([+\-−]?\d{1,3}(?:,\d+)?)$/u,
];
const signed = (text: string) => Number(text.replace('−', '-').replace(',', '.'));
const onEarth = (lat: number, lon: number): Place | null =>
  Math.abs(lat) <= 90 && Math.abs(lon) <= 180 ? { lat, lon } : null;

/**
 * A position from text: decimal degrees, latitude first, or degrees with minutes and seconds and letters in any order.
 *
 * @returns null when it is none, or not on the earth
 * @example readPosition('31.4, -41.2') // { lat: 31.4, lon: -41.2 }
 * @example readPosition('N 31° 24.0′ W 41° 12′ 0″') // { lat: 31.4, lon: -41.2 }
 */
export function readPosition(text: string): Place | null {
  const said = text.trim().toUpperCase();
  for (const plain of PLAIN) {
    const [, lat, lon] = plain.exec(said) ?? [];
    if (lat !== undefined && lon !== undefined) return onEarth(signed(lat), signed(lon));
  }
  if (!/[NS]/.test(said) || !/[EW]/.test(said)) return null;
  let [lat, lon] = [Number.NaN, Number.NaN];
  for (const part of halves(said)) {
    const letter = part.letter;
    if (letter === 'N' || letter === 'S') lat = letter === 'S' ? -part.deg : part.deg;
    else lon = letter === 'W' ? -part.deg : part.deg;
  }
  return onEarth(lat, lon);
}

/** The two halves of a position with letters; none where something else stands between. */
function halves(said: string): { readonly letter: string; readonly deg: number }[] {
  // The letters stand either before their numbers or behind them.
  const before = /^[NSEW]/.test(said);
  const parts = said.split(before ? /(?=[NSEW])/ : /(?<=[NSEW])/).map((part) => part.replace(/^[\s,;]+|[\s,;]+$/g, ''));
  const whole = parts.filter((part) => part !== '');
  if (whole.length !== 2) return [];
  return whole.flatMap((part) => {
    const [found] = part.matchAll(HALF);
    if (!found || found[0].trim() !== part) return [];
    const [, first, sign, deg, min, sec, last] = found;
    const letter = first ?? last;
    const [m, s] = [numberOf(min), numberOf(sec)];
    if (!letter || (first && last) || sign || m >= 60 || s >= 60) return [];
    return [{ letter, deg: numberOf(deg) + m / 60 + s / 3600 }];
  });
}
