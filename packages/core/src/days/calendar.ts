// Calendar days as ISO dates such as `2027-01-04`; no clock, no zone.

export const DAY_MS = 86_400_000;

/** Midnight of a day, milliseconds as if it lay in Greenwich. */
export const dayMs = (iso: string): number => Date.parse(`${iso}T00:00:00Z`);

/** The day of a moment in Greenwich. @example isoOf(0) // '1970-01-01' */
export const isoOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** A day some days later. @example addDays('2027-02-27', 2) // '2027-03-01' */
export const addDays = (day: string, days: number): string => isoOf(dayMs(day) + days * DAY_MS);

/** Whole days from one day to another. @example daysBetween('2027-02-27', '2027-03-01') // 2 */
export const daysBetween = (from: string, to: string): number => Math.round((dayMs(to) - dayMs(from)) / DAY_MS);

/** Day of the week: 1 is Monday, 7 Sunday. @example weekdayOf('2027-01-10') // 7 */
export const weekdayOf = (day: string): number => ((new Date(dayMs(day)).getUTCDay() + 6) % 7) + 1;

/** The Monday of the week of a day. @example weekOf('2027-01-07') // '2027-01-04' */
export const weekOf = (day: string): string => addDays(day, 1 - weekdayOf(day));
