import { deviceZone, minutesAhead, momentIn } from '../days';

/**
 * How numbers, shares, days and plurals are written, for every page, file and print: as in the English sentences around
 * them, whatever the language of a phone. Another language is another {@link LOCALE} with its own sentences.
 */
export const LOCALE = 'en-GB';

const PLURALS = new Intl.PluralRules(LOCALE);
const LIST = new Intl.ListFormat(LOCALE, { type: 'conjunction' });
const MINUS = '\u2212';
const NUMBERS = new Map<number, Intl.NumberFormat>();
const DAY_OF_YEAR = { day: 'numeric', month: 'short', year: 'numeric' } as const;
const CLOCK = { hour: '2-digit', minute: '2-digit' } as const;

function numbers(decimals: number): Intl.NumberFormat {
  const made =
    NUMBERS.get(decimals) ??
    new Intl.NumberFormat(LOCALE, { minimumFractionDigits: decimals, maximumFractionDigits: decimals });
  NUMBERS.set(decimals, made);
  return made;
}

/**
 * A number with its thousands apart and a true minus sign.
 *
 * @param decimals how many are shown
 * @example numberWord(1575) // '1,575'
 * @example numberWord(-0.5, 2) // '−0.50'
 */
export function numberWord(value: number, decimals = 0): string {
  const text = numbers(decimals).format(value);
  // Nothing is not less than nothing.
  return Number(value.toFixed(decimals)) === 0 ? text.replace('-', '') : text.replace('-', MINUS);
}

/** What a language is called. @example languageWord('de') // 'German' */
export const languageWord = (tag: string): string => new Intl.DisplayNames(LOCALE, { type: 'language' }).of(tag) ?? tag;

/** A number as it was noted, with a true minus sign. @example asNoted(-5.1) // '−5.1' */
export const asNoted = (value: number): string => String(value).replace('-', MINUS);

/**
 * The form of a word that goes with a number; the plural ends in s where none is given.
 *
 * @example plural(1, 'result') // 'result'
 * @example plural(0, 'is', 'are') // 'are'
 */
export const plural = (n: number, one: string, many = `${one}s`): string => (PLURALS.select(n) === 'one' ? one : many);

/**
 * A number of things.
 *
 * @example counted(1, 'swimmer') // '1 swimmer'
 * @example counted(1200, 'address', 'addresses') // '1,200 addresses'
 */
export const counted = (n: number, one: string, many?: string): string => `${numberWord(n)} ${plural(n, one, many)}`;

/**
 * Roughly how far: kilometres with at most one decimal, below that tens of metres.
 *
 * @example distanceWord(10_000) // '10 km'
 * @example distanceWord(3740) // '3.7 km'
 * @example distanceWord(364) // '360 m'
 */
export function distanceWord(metres: number): string {
  const tens = Math.round(metres / 10) * 10;
  if (tens < 1000) return `${numberWord(tens)} m`;
  const km = Math.round(metres / 100) / 10;
  return `${numberWord(km, Number.isInteger(km) ? 0 : 1)} km`;
}

/** How often. @example timesWord(2) // 'twice' */
export const timesWord = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : counted(n, 'time'));

/** Things one after the other. @example listWord(['boats', 'the wind', 'waves']) // 'boats, the wind and waves' */
export const listWord = (things: readonly string[]): string => LIST.format(things);

/** A share of one as a percentage. @example percent(0.034, 1) // '3.4 %' */
export const percent = (share: number, decimals = 0): string => `${numberWord(share * 100, decimals)} %`;

/** A change as a percentage, with its sign. @example percentMore(-0.034, 1) // '−3.4 %' */
export const percentMore = (share: number, decimals = 0): string =>
  `${share < 0 ? '' : '+'}${percent(share, decimals)}`;

const written = (format: Intl.DateTimeFormat, at: Date): string =>
  Number.isNaN(at.getTime()) ? String(at) : format.format(at);

/** A way to write days. It is made once, when it is first wanted: making it costs more than a hundred uses. */
function days(options: Intl.DateTimeFormatOptions): (at: Date) => string {
  let format: Intl.DateTimeFormat | undefined;
  return (at) => {
    format ??= new Intl.DateTimeFormat(LOCALE, { ...options, timeZone: 'UTC' });
    return written(format, at).replace(',', '');
  };
}

/** The same for moments, once for each zone. */
function moments(options: Intl.DateTimeFormatOptions): (timeZone: string) => Intl.DateTimeFormat {
  const made = new Map<string, Intl.DateTimeFormat>();
  return (timeZone) => {
    const format = made.get(timeZone) ?? new Intl.DateTimeFormat(LOCALE, { ...options, timeZone });
    made.set(timeZone, format);
    return format;
  };
}

const DAYS = days({ weekday: 'short', day: 'numeric', month: 'short' });
const LONG_DAYS = days({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });
const SHORT_DAYS = days({ day: 'numeric', month: 'short' });
const MONTHS = days({ month: 'short' });
const WEEKDAYS = days({ weekday: 'short' });
const MOMENTS = moments({ ...DAY_OF_YEAR, ...CLOCK });
const CLOCKS = moments(CLOCK);
const OFFSETS = moments({ timeZoneName: 'shortOffset' });

/** A day as {@link days} take it, whose clock stands at Greenwich. */
const noon = (day: string): Date => new Date(`${day}T12:00:00Z`);

/** A calendar day. @example dayWord('2026-11-24') // 'Tue 24 Nov' */
export const dayWord = (day: string): string => DAYS(noon(day));

/**
 * A calendar day with its year where that is not this one.
 *
 * @param thisYear as text, or any day of it
 * @example datedWord('2025-11-24', '2026') // 'Mon 24 Nov 2025'
 */
export const datedWord = (day: string, thisYear: string): string =>
  day.slice(0, 4) === thisYear.slice(0, 4) ? dayWord(day) : `${dayWord(day)} ${day.slice(0, 4)}`;

/** A calendar day in full, as on paper. @example longDayWord('2026-11-24') // 'Tuesday 24 November 2026' */
export const longDayWord = (day: string): string => LONG_DAYS(noon(day));

/** A calendar day where there is little room. @example shortDayWord('2026-11-24') // '24 Nov' */
export const shortDayWord = (day: string): string => SHORT_DAYS(noon(day));

/** The month of a calendar day. @example monthWord('2026-11-24') // 'Nov' */
export const monthWord = (day: string): string => MONTHS(noon(day));

/** A day of the week, 1 is Monday. @example weekdayWord(7) // 'Sun' */
export const weekdayWord = (weekday: number): string => WEEKDAYS(new Date(Date.UTC(2024, 0, weekday, 12)));

/** A day and a time of day as the clock stands at a place. @example momentWord('2026-11-27T10:05:00Z', 'Europe/Lisbon') // '27 Nov 2026, 10:05' */
export const momentWord = (at: number | string, timeZone: string): string => written(MOMENTS(timeZone), new Date(at));

/** A time of day at a place. @example clockWord('2026-07-27T10:05:00Z', 'Europe/Lisbon') // '11:05' */
export const clockWord = (at: number | string, timeZone: string): string => written(CLOCKS(timeZone), new Date(at));

/** Whose clock it is. @example zoneWord('Pacific/Auckland') // 'Auckland time' @example zoneWord('Etc/GMT-12') // 'UTC+12' */
export function zoneWord(timeZone: string): string {
  const city = /^(?!Etc\/).+\/([^/]+)$/.exec(timeZone)?.[1];
  if (city !== undefined) return `${city.replaceAll('_', ' ')} time`;
  const parts = OFFSETS(timeZone).formatToParts(0);
  const word = parts.find((p) => p.type === 'timeZoneName')!.value;
  return word.replace(/^GMT(\+0)?/, 'UTC').replace('-', MINUS);
}

/** The same moment for a reader whose clock nobody knows, as on paper. @example placeMomentWord('2026-11-27T23:05:00Z', 'UTC') // '27 Nov 2026, 23:05 UTC' */
export const placeMomentWord = (at: number | string, timeZone: string): string =>
  `${momentWord(at, timeZone)} ${zoneWord(timeZone)}`;

/**
 * Whose clock a time is, for a reader whose own clock shows another time then; nothing for everybody else.
 *
 * @param reader the zone of the reader's own clock
 * @example zoneNote('Europe/Lisbon', '2026-11-27T10:05:00Z', 'Europe/Madrid') // 'Lisbon time'
 * @example zoneNote('Europe/Lisbon', '2026-11-27T10:05:00Z', 'Europe/London') // ''
 */
export const zoneNote = (zone: string, at: number | string, reader = deviceZone()): string =>
  minutesAhead(zone, at) === minutesAhead(reader, at) ? '' : zoneWord(zone);

/** When something begins, by the clock of its place. */
interface Start {
  readonly date: string;
  /** `19:00` */
  readonly startTime: string;
  readonly timeZone: string;
}

/** The time at which something begins, and whose clock that is where the reader's shows another. @example '19:00 Athens time' */
export const startTimeWord = ({ date, startTime, timeZone }: Start, reader = deviceZone()): string =>
  [startTime, zoneNote(timeZone, momentIn(timeZone, date, startTime), reader)].filter(Boolean).join(' ');

/** The same with its day. @example 'Tue 24 Nov 19:00 Athens time' */
export const startWord = (start: Start, reader = deviceZone()): string =>
  `${dayWord(start.date)} ${startTimeWord(start, reader)}`;
export * from './find';
