// Results as a file that other programs read.
import Papa from 'papaparse';
import { poolWord, splitsText, type ResultLine } from '../measures';

export interface ResultRow extends ResultLine {
  readonly name: string;
}

const HEADINGS = ['swimmer', 'date', 'distance_m', 'time_s', 'strokes_per_length', 'kind', 'pool', 'splits', 'meet'];
/** Rows of a piece: a few milliseconds of work. */
const PIECE_ROWS = 500;

const cellsOf = ({ details = {}, ...r }: ResultRow) => [
  ...[r.name, r.on, r.distanceM, r.timeS, r.strokesPerLength ?? '', r.kind],
  ...[details.pool ? poolWord(details.pool) : '', splitsText(details.splitsS ?? []), details.meet ?? ''],
];

/**
 * Results as CSV that `readResults` reads back, piece by piece: a server answers others between the pieces. Formulas
 * are made harmless.
 *
 * @example [...resultPieces([])] // ['swimmer,date,…,meet']
 */
export function* resultPieces(rows: readonly ResultRow[]): Generator<string> {
  yield HEADINGS.join(',');
  for (let from = 0; from < rows.length; from += PIECE_ROWS) {
    const cells = rows.slice(from, from + PIECE_ROWS).map(cellsOf);
    yield `\n${Papa.unparse(cells, { newline: '\n', escapeFormulae: true })}`;
  }
}

/** Results as one text of CSV, see {@link resultPieces}. */
export const writeResults = (rows: readonly ResultRow[]): string => [...resultPieces(rows)].join('');
