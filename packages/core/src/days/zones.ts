// Clocks at a place. A zone is an IANA name such as `Europe/Lisbon`; a moment is a number of milliseconds, or ISO text.
import { TZDate, tzOffset } from '@date-fns/tz';
import { dayMs, isoOf } from './calendar';

const MINUTE_MS = 60_000;
type Moment = number | string | Date;
const msOf = (at: Moment): number => (typeof at === 'number' ? at : new Date(at).getTime());

/**
 * The usual spelling of a zone's name; null when there is no such zone. Fixed distances from Greenwich such as `+02:00` are
 * no zones: their clocks do not change in spring.
 *
 * @example zoneNamed('europe/lisbon') // 'Europe/Lisbon'
 * @example zoneNamed('Mars/Olympus') // null
 */
export function zoneNamed(name: string): string | null {
  if (!/^[A-Za-z]/.test(name)) return null;
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone;
  } catch {
    return null;
  }
}

/** The zone of the clock of this computer or phone. */
export const deviceZone = (): string => new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** How far the clock at a place is ahead of Greenwich at a moment, minutes. @example minutesAhead('Asia/Kathmandu', 0) // 330 */
export const minutesAhead = (zone: string, at: Moment): number => tzOffset(zone, new Date(at));

/** What the clock at a place shows, as if it hung in Greenwich, milliseconds. */
const wallMs = (zone: string, at: Moment): number => msOf(at) + minutesAhead(zone, at) * MINUTE_MS;

/** The calendar day at a place. @example dayIn('Pacific/Auckland', '2026-11-27T18:00:00Z') // '2026-11-28' */
export const dayIn = (zone: string, at: Moment): string => isoOf(wallMs(zone, at));

/** The time of day at a place. @example timeIn('Europe/Lisbon', '2026-07-01T18:05:59Z') // '19:05' */
export const timeIn = (zone: string, at: Moment): string => new Date(wallMs(zone, at)).toISOString().slice(11, 16);

/** How far the last place on Earth is behind UTC, milliseconds. */
const LAST_PLACE_MS = 12 * 60 * 60_000;

/** The year that has begun everywhere on Earth. @example yearEverywhere(Date.parse('2027-01-01T11:59:00Z')) // 2026 */
export const yearEverywhere = (at: number): number => new Date(at - LAST_PLACE_MS).getUTCFullYear();

/** The year at a place. @example yearIn('Pacific/Auckland', '2026-12-31T18:00:00Z') // 2027 */
export const yearIn = (zone: string, at: Moment): number => Number(dayIn(zone, at).slice(0, 4));

/**
 * The moment when the clock at a place shows a time on a day, milliseconds. A time that a clock leaves out in spring is taken
 * as the hour after it; one that it shows twice in autumn is the second.
 *
 * @example momentIn('Pacific/Auckland', '2027-01-10', '18:30') // Date.parse('2027-01-10T05:30:00Z')
 */
export function momentIn(zone: string, day: string, time: string): number {
  const at = new Date(dayMs(day) + Date.parse(`1970-01-01T${time}:00Z`));
  const parts = [at.getUTCFullYear(), at.getUTCMonth(), at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()] as const;
  return new TZDate(...parts, zone).getTime();
}

/**
 * The moment that a text in ISO 8601 tells, milliseconds; NaN where it tells none. One that does not say its zone is of the
 * clock of a place.
 *
 * @example momentOf('2026-06-01 18:30:05.5', 'Europe/Lisbon') // Date.parse('2026-06-01T17:30:05.500Z')
 * @example momentOf('2026-06-01T18:30:05+02:00', 'Europe/Lisbon') // Date.parse('2026-06-01T16:30:05Z')
 */
export function momentOf(text: string, zone: string): number {
  const local = /^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2})(?::(\d{2}(?:\.\d+)?))?$/.exec(text.trim());
  if (!local) return Date.parse(text);
  const [, day, time, seconds = '0'] = local;
  return Math.round(momentIn(zone, day!, time!) + Number(seconds) * 1000);
}
