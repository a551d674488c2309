// A list as programs write it: its separator, what stands above the headings, how decimals are written.
import Papa from 'papaparse';

/** How decimals are written. */
export type DecimalMark = '.' | ',';

/** Headings are looked for in so many rows: titles and blank lines may stand above them. */
const TITLE_ROWS = 10;

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
