// When the water is looked at and who it is for, and the water in words.
import { momentIn } from '@upwell/core/days';
import type { LegField, LegWater, Source, WaterNow, WaterOfLeg } from '@upwell/core/water';
import { clockWord, numberWord } from '@upwell/core/words';

/** When the water is looked at, with what is only tried; kept on this device with the course. */
export interface Conditions extends Pick<WaterNow, 'feet' | 'others'> {
  readonly date: string;
  /** Hours of the day in quarters. */
  readonly hour: number;
  /** Tried by hand over what was read: it is nobody's reading. */
  readonly tried: Partial<WaterOfLeg>;
}

export const firstConditions = (date: string): Conditions => ({ date, hour: 10.5, feet: false, tried: {} });

export const clockOf = (hour: number) =>
  `${String(Math.floor(hour)).padStart(2, '0')}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`;

/** The moment by the clock of the course, wherever the coach plans it. */
export const momentOf = ({ date, hour }: Pick<Conditions, 'date' | 'hour'>, zone: string): Date =>
  new Date(momentIn(zone, date, clockOf(hour)));

export const COMPASS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;
/** The eighth of the compass of a bearing. */
export const compassWord = (deg: number) => COMPASS[Math.round((((deg % 360) + 360) % 360) / 45) % 8]!;

/** Where a number comes from. @example sourceWord({ kind: 'forecast' }, zone) // 'forecast' */
export function sourceWord(source: Source, zone: string): string {
  if (source.kind === 'read') return `read ${clockWord(source.atMs, zone)}`;
  return source.kind === 'tried' ? 'tried by hand' : source.kind;
}

/**
 * The water in a few words, each with where it comes from.
 *
 * @param zone of the course
 * @param whose whose clock the hour is of, where that has to be said
 */
export function waterWords(c: Conditions, { water, from }: LegWater, zone: string, whose = ''): string {
  const said = (words: string, field: LegField) => `${words} (${sourceWord(from[field], zone)})`;
  const waves = `waves ${numberWord(water.waveHeightM, 1)} m from ${compassWord(water.waveFromDeg)}`;
  const current = `current ${numberWord(water.currentMps, 2)} m/s to ${compassWord(water.currentToDeg)}`;
  return [
    `${clockOf(c.hour)} ${whose}`.trim(),
    said(water.waveHeightM > 0 ? waves : 'flat', 'waveHeightM'),
    said(water.currentMps > 0 ? current : 'no current', 'currentMps'),
    ...(water.hazy ? [said('haze', 'hazy')] : []),
    ...(water.cloudy ? [said('thick cloud', 'cloudy')] : []),
    ...(c.feet ? ['drafting'] : []),
  ].join(' · ');
}

/** A number that was typed, or why it is none. */
export function typedNumber(text: string, least: number, most: number): number | string {
  const value = /^-?\d{1,4}(?:[.,]\d{1,3})?$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN;
  if (Number.isNaN(value)) return 'A number, please.';
  return value < least || value > most ? `From ${numberWord(least)} to ${numberWord(most)}.` : value;
}
