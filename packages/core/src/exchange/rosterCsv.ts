import Papa from 'papaparse';
import { FASTEST_MPS } from '../measures';
import { plainName } from '../text';
import { parseTime, type PoolUnit } from '../units';
import { lineNumbers } from './resultsCsv';
import { languageOf } from './resultHeadings';
import { guessRoster, levelNamed } from './rosterHeadings';
import {
  LARGEST_ROSTER,
  MOST_ROSTER_ROWS,
  type ReadRoster,
  type RosterColumn,
  type RosterEntry,
  type RosterField,
  type RosterLine,
  type RosterMapping,
} from './shapes';

/** Whether the first line names columns in words that are not known: years, addresses and levels begin under it. */
function isHeading([first = [], ...rows]: readonly (readonly string[])[]): boolean {
  if (rows.length === 0) return false;
  return guessWithout(rows).some(
    ({ field }, i) => ['birth', 'email', 'level'].includes(field) && guessWithout([first])[i]?.field !== field,
  );
}

const YEAR = /^(?:19|20)\d\d$/;

/** Columns of a list without headings, from what stands in them: names first, then a squad. */
function guessWithout(
  rows: readonly (readonly string[])[],
  width = Math.max(...rows.map((row) => row.length)),
): RosterColumn[] {
  const most = (column: number, is: (cell: string) => boolean) => {
    const cells = rows.map((row) => (row[column] ?? '').trim()).filter((cell) => cell !== '');
    return cells.length > 0 && cells.filter(is).length >= cells.length * 0.7;
  };
  const kinds = Array.from({ length: width }, (_, i): RosterField => {
    if (most(i, (cell) => cell.includes('@'))) return 'email';
    if (most(i, (cell) => yearOf(cell) !== null)) return 'birth';
    if (most(i, (cell) => levelNamed(cell) !== null)) return 'level';
    return most(i, (cell) => /\p{L}/u.test(cell)) ? 'given' : 'ignore';
  });
  const texts = kinds.flatMap((kind, i) => (kind === 'given' ? [i] : []));
  // One column of names, or two words in the first where a squad follows.
  const whole = texts.length === 1 || (texts.length === 2 && most(texts[0]!, (cell) => /\S[,\s]\S*/.test(cell)));
  const order: readonly RosterField[] = whole ? ['given-family', 'squad'] : ['given', 'family', 'squad'];
  return kinds.map((kind, i) => ({ field: kind === 'given' ? (order[texts.indexOf(i)] ?? 'ignore') : kind }));
}

/** The year of `2012`, `2012-05-30`, `30.05.2012` or `5/30/2012`; null for anything else. */
function yearOf(cell: string): number | null {
  const date =
    /^(\d{4})(?:[-./]\d{1,2}[-./]\d{1,2})?(?:[T ].*)?$|^\d{1,2}[-./ ]{1,2}\d{1,2}[-./ ]{1,2}(\d{4})(?:[T ].*)?$/.exec(
      cell,
    );
  const year = date?.[1] ?? date?.[2];
  return year && YEAR.test(year) ? Number(year) : null;
}

/**
 * Entries as the text that {@link readRoster} reads, so that both ways in obey the same rules.
 *
 * @example rosterText([{ given: 'Ada', family: 'Lindqvale', born: 2012 }]) // 'given,family,born\nAda,Lindqvale,2012'
 */
export function rosterText(entries: readonly RosterEntry[]): string {
  const words = (['given', 'family', 'name', 'born', 'squad', 'level', 'email'] as const).filter((field) =>
    entries.some((entry) => entry[field] !== undefined),
  );
  const distances = [...new Set(entries.flatMap((e) => (e.bestTimes ?? []).map((b) => b.distanceM)))];
  const data = entries.map((entry) => [
    ...words.map((field) => entry[field] ?? ''),
    ...distances.map((d) => entry.bestTimes?.find((b) => b.distanceM === d)?.timeS ?? ''),
  ]);
  return Papa.unparse({ fields: [...words, ...distances.map((d) => `${d} m`)], data }, { newline: '\n' });
}

/** The youngest and the oldest that a club teaches, years. */
export const ROSTER_AGES = { least: 2, most: 110 } as const;
const LONGEST_NAME = 60;
const TITLE_ROWS = 8;

/**
 * Swimmers out of a CSV file or a pasted list, each line with what stands against it.
 *
 * Any column names, given and family name apart or together ("Lindqvale, Ada" too), a title above the headings or no
 * headings at all. Of a date of birth only the year is kept. A line without a usable name cannot come in; what else
 * cannot be read is left out and said.
 *
 * @param mapping what the columns mean; null guesses it
 * @param thisYear the year it is, for ages
 * @param units what a distance is in where a heading does not say it
 * @example readRoster('First name,Surname,Born\nAda,Lindqvale,2012', null, 2026).lines[0].birthYear // 2012
 */
export function readRoster(
  text: string,
  mapping: RosterMapping | null,
  thisYear: number,
  units: PoolUnit = 'm',
): ReadRoster {
  const nothing = (problem: string): ReadRoster => ({
    headings: [],
    columns: [],
    headed: false,
    sample: [],
    lines: [],
    problem,
  });
  if (text.length > LARGEST_ROSTER) return nothing('This file is too large for a list of swimmers.');
  if (text.includes('\u0000')) return nothing('This is not a text file. Save the sheet as CSV.');
  const clean = text.replace(/^\uFEFF/, '').replace(/^sep=.(?=\r?\n)/i, '');
  const all = Papa.parse<string[]>(clean, { skipEmptyLines: 'greedy' }).data;
  if (all.length === 0) return nothing('The list is empty.');
  const named = (row: readonly string[]) => {
    const guess = guessRoster(row);
    return guess.some(({ field }) => field !== 'ignore' && field !== 'best' && field !== 'email');
  };
  // A title may stand above; a name that happens to read like a heading is no heading when it stands alone.
  const at = all
    .slice(0, TITLE_ROWS)
    .findIndex((row) => named(row) && (row.filter((c) => c.trim()).length > 1 || row.length === 1));
  const guessed = at >= 0 || isHeading(all);
  const headed = mapping?.headed ?? guessed;
  const top = headed ? Math.max(at, 0) + 1 : 0;
  const rows = all.slice(top);
  if (rows.length === 0) return nothing('There is no line under the headings.');
  if (rows.length > MOST_ROSTER_ROWS)
    return nothing(`At most ${MOST_ROSTER_ROWS} swimmers come in at once; this file has ${rows.length} lines.`);
  const above = headed ? all[top - 1]! : [];
  const width = Math.max(...rows.map((row) => row.length), above.length);
  const headings = Array.from({ length: width }, (_, i) => above[i]?.trim() || `Column ${i + 1}`);
  const chosen =
    mapping?.columns.length === width
      ? mapping.columns
      : at >= 0 && headed
        ? guessRoster(headings, units)
        : guessWithout(rows, width);
  const head = {
    ...{ headings, columns: chosen, headed, sample: rows.slice(0, 4) },
    ...(headed ? { language: languageOf(headings) } : {}),
  };
  const fields = chosen.map((c) => c.field);
  const whole = fields.includes('given-family') || fields.includes('family-given');
  if (!whole && !(fields.includes('given') && fields.includes('family')))
    return { ...head, lines: [], problem: 'Say which columns hold the names.' };
  const numbers = lineNumbers(clean);
  const seen = new Map<string, RosterLine[]>();
  const lines = rows.map((row, i) => {
    const line = readLine(row, chosen, numbers[i + top] ?? i + top + 1, thisYear);
    const name = plainName(`${line.given} ${line.family}`);
    const others = seen.get(name) ?? [];
    const same = others.find((o) => o.birthYear === null || line.birthYear === null || o.birthYear === line.birthYear);
    seen.set(name, [...others, line]);
    return same && line.problems.length === 0 ? { ...line, sameAs: same.line } : line;
  });
  return { ...head, lines, problem: null };
}

/** Both parts of a name that stands in one cell. */
function parted(cell: string, familyFirst: boolean): readonly [given: string, family: string] {
  const comma = cell.indexOf(',');
  if (comma >= 0) return [cell.slice(comma + 1).trim(), cell.slice(0, comma).trim()];
  const words = cell.split(/\s+/);
  if (words.length < 2) return [cell, ''];
  return familyFirst ? [words.slice(1).join(' '), words[0]!] : [words.slice(0, -1).join(' '), words.at(-1)!];
}

function readLine(
  row: readonly string[],
  columns: readonly RosterColumn[],
  line: number,
  thisYear: number,
): RosterLine {
  const problems: string[] = [];
  const notes: string[] = [];
  const cell = (field: RosterField) =>
    (row[columns.findIndex((c) => c.field === field)] ?? '').replace(/\s+/g, ' ').trim();
  const together = cell('given-family') || cell('family-given');
  const [given, family] = together ? parted(together, cell('family-given') !== '') : [cell('given'), cell('family')];
  if (given === '' && family === '') problems.push('There is no name.');
  else if (given === '' || family === '') problems.push(`“${given || family}”: a given and a family name are needed.`);
  if ([given, family].some((name) => name.length > LONGEST_NAME))
    problems.push(`A name has at most ${LONGEST_NAME} letters.`);
  // What a spreadsheet would run is nobody's name.
  if (
    [given, family].some((name) => /^[=+@\t\r-]|https?:|[<>{}|\\]/.test(name) || (name !== '' && !/\p{L}/u.test(name)))
  )
    problems.push(`“${`${given} ${family}`.slice(0, 40)}” does not look like a name.`);
  const born = cell('birth');
  const year = yearOf(born);
  const likely = year !== null && thisYear - year >= ROSTER_AGES.least && thisYear - year <= ROSTER_AGES.most;
  if (born !== '' && !likely)
    notes.push(`“${born.slice(0, 20)}” is not a year of birth: the age stays unknown, which counts as a child.`);
  const saidLevel = cell('level');
  const level = levelNamed(saidLevel);
  if (saidLevel !== '' && level === null)
    notes.push(`“${saidLevel.slice(0, 30)}” is not a level: the level chosen for all is used.`);
  const saidEmail = cell('email').toLowerCase();
  const email = /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(saidEmail) && saidEmail.length <= 200 ? saidEmail : null;
  if (saidEmail !== '' && email === null) notes.push(`“${saidEmail.slice(0, 30)}” is not an e-mail address.`);
  let squad = cell('squad');
  if (squad.length > LONGEST_NAME || /^[=+@-]/.test(squad)) {
    notes.push('The name of the squad cannot be used.');
    squad = '';
  }
  return {
    line,
    given,
    family,
    birthYear: likely ? year : null,
    squad,
    level,
    email,
    bestTimes: bestsOf(row, columns, notes),
    problems,
    notes,
    sameAs: null,
  };
}

function bestsOf(row: readonly string[], columns: readonly RosterColumn[], notes: string[]): RosterLine['bestTimes'] {
  const best = new Map<number, number>();
  columns.forEach(({ field, distanceM }, i) => {
    const said = (row[i] ?? '').trim();
    if (field !== 'best' || distanceM === undefined || /^(-|–|nt|n\/a|0)?$/i.test(said)) return;
    const timeS = parseTime(said);
    if (timeS === null || timeS <= 0) notes.push(`“${said.slice(0, 20)}” is no time over ${distanceM} m.`);
    else if (distanceM / timeS > FASTEST_MPS) notes.push(`${distanceM} m in ${said} is faster than anybody swims.`);
    else best.set(distanceM, Math.min(timeS, best.get(distanceM) ?? Infinity));
  });
  return [...best].map(([distanceM, timeS]) => ({ distanceM, timeS })).slice(0, 30);
}
