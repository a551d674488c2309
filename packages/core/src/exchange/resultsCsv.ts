import { dayIn } from '../days';
import type { PoolUnit } from '../units';
import {
  FASTEST_MPS,
  readPool,
  readSplits,
  RESULT_KINDS,
  resultYearProblem,
  splitsProblem,
  type ResultKind,
  type ResultLine,
  type SwimDetails,
} from '../measures';
import {
  LONGEST_MEET,
  type DateOrder,
  type KnownSwimmer,
  type ReadResults,
  type ResultField,
  type ResultMapping,
  type RowProblem,
} from './shapes';
import { plainName } from '../text';
import { METRES_PER_YARD, parseTime, POOL_LENGTH } from '../units';
import { type FileLanguage, fieldsOf, languageOf, monthNamed } from './resultHeadings';
import { type DecimalMark, numberIn, readSheet } from './sheet';

/** Largest file that is read, characters; 20,000 rows are about one million. */
export const LARGEST_CSV = 20_000_000;
export const MOST_ROWS = 100_000;
const MOST_PROBLEMS = 200;
const SAMPLE = 5;

/** Where a club is and what it measures in. */
export interface ClubPlace {
  /** An IANA name like `Europe/Lisbon`. */
  readonly timeZone: string;
  readonly units: PoolUnit;
  /** Left out, the year it is there now. */
  readonly thisYear?: number;
}

/**
 * A mapping guessed from the headings and, for the order of day and month, from the dates themselves.
 *
 * @param units what distances are in where no heading says it: the units of the club
 * @param decimal how decimals are written
 */
export function guessMapping(
  columns: readonly string[],
  sample: readonly (readonly string[])[],
  units: PoolUnit = 'm',
  decimal: DecimalMark = '.',
): ResultMapping {
  const fields = fieldsOf(columns);
  const dates = fields.indexOf('date');
  const first = sample
    .map((row) => /^(\d{1,4})[./-](\d{1,2})[./-]/.exec(row[dates]?.trim() ?? ''))
    .filter((m) => m !== null);
  const dateOrder: DateOrder = first.some((m) => m[1]!.length === 4)
    ? 'ymd'
    : first.some((m) => Number(m[2]) > 12)
      ? 'mdy'
      : 'dmy';
  const language = languageOf(columns);
  const said = (unit: RegExp) => columns.some((c) => unit.test(c));
  const unit = said(/yd|yard/i) ? 'yd' : said(/met(re|er)|(\(|_|\b)m\b/i) ? 'm' : units;
  return { fields, dateOrder, unit, decimal, language, swimmerId: null };
}

/**
 * Results out of a CSV file, with every row that cannot be read named by its line.
 *
 * Commas, semicolons or tabs, also as a first line names them; titles above the headings; headings and months in the
 * languages of {@link FILE_LANGUAGES}; decimals with a point or a comma; times like 5:52.3, 1'10"30 or in seconds; dates in
 * the order of the mapping. A swimmer is found by "given family", "family, given" or both in columns of their own,
 * whatever the accents and the case.
 *
 * @param mapping what the columns mean; null guesses it
 * @param club in whose units distances are where nothing says it, and by whose clock a moment has its day
 * @param onProgress share read so far, 0–1
 * @example readResults('swimmer,date,distance,time\nAda Lindqvale,2026-11-01,400,6:20', null, [{ id: '1', name: 'Ada Lindqvale' }]).results[0].timeS // 380
 */
export function readResults(
  text: string,
  mapping: ResultMapping | null,
  swimmers: readonly KnownSwimmer[],
  { timeZone, units, thisYear = Number(dayIn(timeZone, Date.now()).slice(0, 4)) }: ClubPlace = {
    timeZone: 'UTC',
    units: 'm',
  },
  onProgress: (share: number) => void = () => {},
): ReadResults {
  const nothing = (message: string, columns: readonly string[] = []): ReadResults => ({
    columns,
    mapping: mapping ?? guessMapping(columns, [], units),
    sample: [],
    rows: 0,
    results: [],
    problems: [{ line: 1, message }],
    badRows: 0,
  });
  if (text.length > LARGEST_CSV) return nothing(`This file is larger than ${LARGEST_CSV / 1e6} million characters.`);
  if (text.includes('\u0000')) return nothing('This is not a text file.');
  const sheet = readSheet(text, (row) => fieldsOf(row).filter((field) => field !== 'ignore').length);
  const { headings: heading, rows } = sheet;
  if (rows.length === 0) return nothing('There is no row under the heading.', heading);
  if (rows.length > MOST_ROWS)
    return nothing(`At most ${MOST_ROWS} rows are read at once; this file has ${rows.length}.`, heading);
  const map =
    mapping && mapping.fields.length === heading.length
      ? mapping
      : guessMapping(heading, rows.slice(0, 50), units, sheet.decimal);
  const at = (field: ResultField) => map.fields.indexOf(field);
  const columns = {
    swimmer: at('swimmer'),
    given: at('given'),
    family: at('family'),
    date: at('date'),
    distance: at('distance'),
    time: at('time'),
    strokes: at('strokes'),
    kind: at('kind'),
    pool: at('pool'),
    splits: at('splits'),
    meet: at('meet'),
  };
  const head = { columns: heading, mapping: map, sample: rows.slice(0, SAMPLE), rows: rows.length };
  const missing = (['date', 'distance', 'time'] as const).filter((field) => columns[field] < 0);
  if (columns.swimmer < 0 && (columns.given < 0 || columns.family < 0) && !map.swimmerId)
    missing.unshift('swimmer' as never);
  if (missing.length > 0) {
    const message = `Say which column is the ${missing.join(', the ')}.`;
    return { ...head, results: [], problems: [{ line: 1, message }], badRows: rows.length };
  }
  const byName = namesOf(swimmers);
  const results: ResultLine[] = [];
  const problems: RowProblem[] = [];
  let badRows = 0;
  // Blank lines are skipped by the reader; the line of a row is counted in the file itself.
  const lines = lineNumbers(text);
  rows.forEach((row, i) => {
    if (i % 1000 === 0) onProgress(i / rows.length);
    const read = readRow(row, columns, map, byName, { timeZone, thisYear });
    if (typeof read === 'string') {
      badRows++;
      if (problems.length < MOST_PROBLEMS)
        problems.push({ line: lines[sheet.headingAt + 1 + i] ?? i + 2, message: read });
    } else results.push(read);
  });
  onProgress(1);
  return { ...head, results, problems, badRows };
}

type Columns = Readonly<Record<Exclude<ResultField, 'ignore'>, number>>;

function readRow(
  row: readonly string[],
  columns: Columns,
  map: ResultMapping,
  byName: ReadonlyMap<string, string | null>,
  { timeZone, thisYear }: { readonly timeZone: string; readonly thisYear: number },
): ResultLine | string {
  const cell = (column: number) => (column < 0 ? '' : (row[column] ?? '').trim());
  const name = cell(columns.swimmer) || [cell(columns.given), cell(columns.family)].filter(Boolean).join(' ');
  const { decimal = '.' } = map;
  const swimmerId = map.swimmerId ?? byName.get(plainName(name));
  if (swimmerId === null) return `There are several swimmers called “${name}”.`;
  if (swimmerId === undefined) return name ? `Nobody here is called “${name}”.` : 'No swimmer is named.';
  const on = readDate(cell(columns.date), map, timeZone);
  if (on === null) return `“${cell(columns.date)}” is not a date in this order.`;
  const wrongYear = resultYearProblem(on, thisYear);
  if (wrongYear) return `“${cell(columns.date)}” is in ${wrongYear}`;
  const distance = readDistance(cell(columns.distance), map.unit, decimal);
  if (distance === 'stroke') return `“${cell(columns.distance)}” is in another stroke: results here are front crawl.`;
  if (distance === null) return `“${cell(columns.distance)}” is not a distance from 1 m to 100 km.`;
  const timeS = swimTime(cell(columns.time), distance);
  if (timeS === null || !(timeS > 0 && timeS <= 86_400)) return `“${cell(columns.time)}” is not a time.`;
  if (distance / timeS > FASTEST_MPS) return `${distance} m in ${cell(columns.time)} is faster than anybody swims.`;
  const counted = cell(columns.strokes);
  const strokes = counted === '' ? null : (numberIn(counted, decimal, 1) ?? Number.NaN);
  if (strokes !== null && !(strokes > 0 && strokes <= 200))
    return `“${counted}” is not a number of strokes in a length.`;
  const written = cell(columns.kind).toLowerCase();
  const kind = KIND_SAID[written] ?? written;
  if (kind !== '' && !(RESULT_KINDS as readonly string[]).includes(kind))
    return `“${written}” is not one of ${RESULT_KINDS.join(', ')}.`;
  const said = { pool: cell(columns.pool), splits: cell(columns.splits), meet: cell(columns.meet) };
  const details = readDetails(said, { distanceM: distance, timeS, kind }, map.unit);
  if (typeof details === 'string') return details;
  return {
    swimmerId,
    on,
    distanceM: distance,
    timeS,
    strokesPerLength: strokes,
    kind: kind === '' ? 'trial' : (kind as ResultKind),
    ...(Object.keys(details).length > 0 ? { details } : {}),
  };
}

/** The pool, splits and meet of a row; why they cannot be right, as a sentence. */
function readDetails(
  said: Readonly<Record<'pool' | 'splits' | 'meet', string>>,
  swim: { readonly distanceM: number; readonly timeS: number; readonly kind: string },
  unit: PoolUnit,
): SwimDetails | string {
  const pool = said.pool === '' || swim.kind === 'track' ? null : readPool(said.pool, unit);
  if (said.pool !== '' && swim.kind !== 'track') {
    if (pool === null) return `“${said.pool}” is not the length of a pool.`;
    if (pool.length < POOL_LENGTH.min || pool.length > POOL_LENGTH.max)
      return `A pool is ${POOL_LENGTH.min} to ${POOL_LENGTH.max} ${pool.unit} long, not ${said.pool}.`;
  }
  const splitsS = readSplits(said.splits, swim.timeS);
  if (splitsS === null) return `“${said.splits}” are not times with spaces between them.`;
  // A sign before a formula was put there to make it harmless.
  const meet = said.meet.replace(/^'(?=[=+\-@])/, '').trim();
  if (meet.length > LONGEST_MEET) return `The name of a meet has at most ${LONGEST_MEET} characters.`;
  const details = {
    ...(pool ? { pool } : {}),
    ...(splitsS.length > 0 ? { splitsS } : {}),
    ...(meet ? { meet } : {}),
  };
  return splitsProblem({ ...swim, details }) ?? details;
}

/** Kinds as lists for people say them. */
const KIND_SAID: Readonly<Record<string, ResultKind>> = { 'all-out': 'trial', 'all out': 'trial', outside: 'track' };

/** Nobody takes longer over a result, m/s. */
const SLOWEST_MPS = 0.05;

/** A time; `5:52` that a spreadsheet took for hours, and wrote as `5:52:00`, is minutes again where nobody is that slow. */
function swimTime(text: string, distanceM: number): number | null {
  const timeS = parseTime(text);
  const asHours = /^\d{1,2}:\d{2}:00(?:[.,]0+)?$/.test(text.trim());
  return timeS !== null && asHours && distanceM / timeS < SLOWEST_MPS ? timeS / 60 : timeS;
}

/** Ids by both ways of writing a name; null where two people share one. */
function namesOf(swimmers: readonly KnownSwimmer[]): Map<string, string | null> {
  const byName = new Map<string, string | null>();
  const put = (key: string, id: string) => byName.set(key, byName.has(key) && byName.get(key) !== id ? null : id);
  for (const { id, name } of swimmers) {
    put(plainName(name), id);
    const words = name.trim().split(/\s+/);
    if (words.length > 1)
      for (let i = 1; i < words.length; i++)
        put(plainName(`${words.slice(i).join(' ')}, ${words.slice(0, i).join(' ')}`), id);
  }
  return byName;
}

/** Two digits of a year are of this century up to so many years from now; nothing older is swum by anyone here. */
const CENTURY = 2000;

function readDate(
  text: string,
  { dateOrder: order, language = 'en' }: Pick<ResultMapping, 'dateOrder' | 'language'>,
  timeZone: string,
): string | null {
  const match = /^(\d{1,4})[./-] ?(\d{1,2})[./-] ?(\d{1,4})(?:[T ].*)?$/.exec(text);
  const [year, month, day] = match
    ? order === 'ymd'
      ? [match[1]!, match[2]!, match[3]!]
      : order === 'dmy'
        ? [match[3]!, match[2]!, match[1]!]
        : [match[3]!, match[1]!, match[2]!]
    : (namedDate(text, language as FileLanguage) ?? ['', '', '']);
  if (year.length !== 4 && year.length !== 2) return null;
  const whole = year.length === 2 ? String(CENTURY + Number(year)) : year;
  const iso = `${whole}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  const date = new Date(`${iso}T00:00:00Z`);
  if (Number.isNaN(date.getTime()) || !date.toISOString().startsWith(iso)) return null;
  // A moment that says its zone has another day where the club is, perhaps.
  const moment = order === 'ymd' && /T.*(Z|[+-]\d{2}:?\d{2})$/i.test(text) ? Date.parse(text) : Number.NaN;
  return Number.isNaN(moment) ? iso : dayIn(timeZone, moment);
}

/** Year, month and day of `19 Oct 2026`, `19. Oktober 2026`, `Oct 19, 2026`, `Mon 19 Oct 2026`, `19 de octubre de 2026`. */
function namedDate(text: string, language: FileLanguage): readonly [string, string, string] | null {
  const words = text
    .replace(/[.,]/g, ' ')
    .split(/[\s/-]+/)
    .filter((word) => word !== '' && !/^(de|del|the|of)$/i.test(word));
  const numbers = words.filter((word) => /^\d{1,4}(st|nd|rd|th)?$/.test(word)).map((word) => word.replace(/\D/g, ''));
  const month = words.map((word) => monthNamed(word, language)).find((m) => m !== null);
  if (!month || numbers.length !== 2) return null;
  const [a, b] = numbers as [string, string];
  return a.length === 4 ? [a, String(month), b] : [b, String(month), a];
}

/** Shorter than this nothing is timed, metres. */
const LEAST_M = 5;
const FREE =
  /^(free|freestyle|fr|fc|crawl|front crawl|kraul|freistil|nl|nage libre|libre|libres|stile libero|sl|dowolny|dow|vrij|frisim|livre)$/;

/** A distance in metres; 'stroke' where it says another stroke than front crawl; null where it is none. */
function readDistance(text: string, unit: 'm' | 'yd', decimal: DecimalMark): number | 'stroke' | null {
  const match = /^([\d.,'’\u00a0\u202f]+)\s*(km|meters?|metres?|m|yards?|yds?|y)?\b\s*(\D*)$/i.exec(text);
  if (!match) return null;
  const said = match[2]?.toLowerCase() ?? unit;
  const stroke = plainName(match[3] ?? '').trim();
  const number = numberIn(match[1]!, decimal, said === 'km' ? 0 : LEAST_M);
  if (number === null) return null;
  if (stroke !== '' && !FREE.test(stroke)) return 'stroke';
  const metres = said === 'km' ? number * 1000 : said.startsWith('y') ? number * METRES_PER_YARD : number;
  return metres >= 1 && metres <= 100_000 ? Math.round(metres * 1000) / 1000 : null;
}

/** The line in the file of each row that is not blank, counting breaks inside quotes. @internal */
export function lineNumbers(text: string): number[] {
  const out: number[] = [];
  let line = 1;
  let start = 1;
  let blank = true;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (c === 34) quoted = !quoted;
    if (c === 10) {
      if (!quoted) {
        if (!blank) out.push(start);
        start = line + 1;
        blank = true;
      }
      line++;
    } else if (c !== 13 && c !== 32 && c !== 9 && c !== 44 && c !== 59 && c !== 34) blank = false;
  }
  if (!blank) out.push(start);
  return out;
}
