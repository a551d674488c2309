// Calendar days as ISO dates; no clock, no zone.
export const DAY_MS = 86_400_000;
export const dayMs = (iso: string) => Date.parse(`${iso}T00:00:00Z`);
export const isoOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
export const daysBetween = (a: string, b: string) => Math.round((dayMs(b) - dayMs(a)) / DAY_MS);

/** The Monday of the week of a day. @example weekOf('2027-01-07') // '2027-01-04' */
export function weekOf(day: string): string {
  return isoOf(dayMs(day) - ((new Date(dayMs(day)).getUTCDay() + 6) % 7) * DAY_MS);
}
