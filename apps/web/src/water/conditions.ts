import { momentIn } from '@upwell/core/days';
import type { WaterNow } from '@upwell/core/water';
import { numberWord } from '@upwell/core/words';

/** The water as the coach reads it, kept on this device with the course. */
export interface Conditions extends Omit<WaterNow, 'at'> {
  readonly date: string;
  /** Hours of the day in quarters. */
  readonly hour: number;
}

export function firstConditions(date: string): Conditions {
  return {
    date,
    hour: 10.5,
    currentMps: 0,
    currentToDeg: 90,
    waveHeightM: 0.1,
    waveFromDeg: 270,
    hazy: false,
    cloudy: false,
    feet: false,
  };
}

export const clockOf = (hour: number) =>
  `${String(Math.floor(hour)).padStart(2, '0')}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`;

/** The moment by the clock of the course, wherever the coach plans it. */
export const waterAt = ({ date, hour, ...water }: Conditions, zone: string): WaterNow => ({
  ...water,
  at: new Date(momentIn(zone, date, clockOf(hour))),
});

export const COMPASS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;
/** The eighth of the compass of a bearing. */
export const compassWord = (deg: number) => COMPASS[Math.round((((deg % 360) + 360) % 360) / 45) % 8]!;

/**
 * The water in a few words.
 *
 * @param whose whose clock the hour is of, where that has to be said
 */
export function waterWords(c: Conditions, whose = ''): string {
  return [
    `${clockOf(c.hour)} ${whose}`.trim(),
    c.waveHeightM > 0 ? `waves ${numberWord(c.waveHeightM, 1)} m from ${compassWord(c.waveFromDeg)}` : 'flat',
    c.currentMps > 0 ? `current ${numberWord(c.currentMps, 2)} m/s to ${compassWord(c.currentToDeg)}` : 'no current',
    ...(c.hazy ? ['haze'] : []),
    ...(c.feet ? ['drafting'] : []),
  ].join(' · ');
}
