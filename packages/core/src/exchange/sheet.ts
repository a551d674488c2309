// A list as programs write it: its letters, its separator, what stands above the headings, how decimals are written.
import Papa from 'papaparse';

/** How decimals are written. */
export type DecimalMark = '.' | ',';

/** Headings are looked for in so many rows: titles and blank lines may stand above them. */
const TITLE_ROWS = 10;
/** Two zero bytes of every four, or so: text of two bytes a letter without a mark that says so. */
const ZEROS = 0.3;

/**
 * The text of a file, whatever letters it is written in: UTF-8, UTF-16 with or without its mark, or else the letters of a
 * western office (Windows-1252).
 *
 * @example textOf(new Uint8Array([0xff, 0xfe, 0x41, 0x00])) // 'A'
 */
export function textOf(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const head = bytes.subarray(0, 400);
  const zeros = (odd: number) =>
    head.filter((byte, i) => byte === 0 && i % 2 === odd).length / Math.max(1, head.length);
  if (zeros(1) > ZEROS && zeros(0) === 0) return new TextDecoder('utf-16le').decode(bytes);
  if (zeros(0) > ZEROS && zeros(1) === 0) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch (error) {
    // By its name: it may come from another realm.
    if ((error as Error).name !== 'TypeError') throw error;
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Rows of a list with its headings found. */
export interface Sheet {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Line of the headings among those that are not blank, from 0. */
  readonly headingAt: number;
  readonly decimal: DecimalMark;
}

/**
 * A list in rows.
 *
 * @param text a first line like `sep=;` names the separator
 * @param named how many of a row's cells are known headings
 */
export function readSheet(text: string, named: (row: readonly string[]) => number): Sheet {
  const clean = text.replace(/^\uFEFF/, '');
  const said = /^"?sep=(.)"?\r?\n/i.exec(clean)?.[1];
  const parsed = Papa.parse<string[]>(clean, { skipEmptyLines: 'greedy', ...(said ? { delimiter: said } : {}) });
  const all = said ? parsed.data.slice(1) : parsed.data;
  // The first row with the most known headings; without any the first row.
  const scores = all.slice(0, TITLE_ROWS).map(named);
  const at = Math.max(0, scores.indexOf(Math.max(...scores, 1)));
  const rows = all.slice(at + 1);
  return {
    headings: all[at] ?? [],
    rows,
    headingAt: at + (said ? 1 : 0),
    decimal: decimalOf(rows.slice(0, 200), parsed.meta.delimiter),
  };
}

/** How decimals are written: as most cells have them, or else with a comma where the semicolon parts the columns. */
function decimalOf(rows: readonly (readonly string[])[], delimiter: string): DecimalMark {
  let [commas, points] = [0, 0];
  for (const row of rows)
    for (const cell of row) {
      // 5,3 and 1:10,35, but neither 1.10.2026 nor thousands.
      if (/^(\d+:)*\d+,\d{1,2}$/.test(cell.trim())) commas++;
      if (/^(\d+:)*\d+\.\d{1,2}$/.test(cell.trim())) points++;
    }
  if (commas !== points) return commas > points ? ',' : '.';
  return delimiter === ';' ? ',' : '.';
}

/**
 * A number as it is written in a list, or null. Three digits after the other mark are thousands; so are three after any mark
 * where the number would be smaller than what is counted.
 *
 * @param least what is counted is never less
 * @example numberIn('1.500', ',', 10) // 1500
 * @example numberIn('1.500', '.', 10) // 1500: nobody is timed over a metre and a half
 * @example numberIn('33.333', '.', 10) // 33.333
 */
export function numberIn(text: string, decimal: DecimalMark, least: number): number | null {
  const whole = /^\d{1,3}(?:[.,'’\u00a0\u202f ]\d{3})+$/.exec(text);
  const mark = text.includes(',') ? ',' : text.includes('.') ? '.' : null;
  if (whole) {
    const asDecimal = mark !== null && /^\d+[.,]\d{3}$/.test(text) ? Number(text.replace(',', '.')) : null;
    const isDecimal = asDecimal !== null && mark === decimal && asDecimal >= least;
    return isDecimal ? asDecimal : Number(text.replace(/\D/g, ''));
  }
  const grouped = decimal === ',' ? text.replace(/\.(?=\d{3}\b)/g, '') : text.replace(/,(?=\d{3}\b)/g, '');
  return /^\d+(?:[.,]\d+)?$/.test(grouped) ? Number(grouped.replace(',', '.')) : null;
}
