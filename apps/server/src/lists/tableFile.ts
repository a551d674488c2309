// A table as a file: for paper, for a spreadsheet, or for any program.
import type { ListFormat } from '@upwell/contract/lists';
import { CAUTION } from '@upwell/core/safety';
import { formatTime } from '@upwell/core/units';
import { numberWord, shortDayWord } from '@upwell/core/words';
import Papa from 'papaparse';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { CSV_MARK } from '../platform/fileName';
import { GREEN, makePdf, QUIET } from '../platform/pdf';
import { inTurns } from '../platform/turns';

/** What a column holds: text, a number with so many decimals, seconds, or an ISO day. */
export type ColumnKind = 'text' | 'time' | 'day' | { readonly decimals: number };

export interface Column {
  readonly head: string;
  readonly kind: ColumnKind;
}

export type Cell = string | number | null;
export type Row = readonly Cell[];

export interface Table {
  readonly title: string;
  /** What must be known to read it. */
  readonly note?: string;
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
}

/** A table whose rows are made when they are wanted. */
export type MadeTable = Omit<Table, 'rows'> & { readonly rows: Iterable<Row> };

/** A table on its way to a thread: some rows in each text, as JSON. */
type PackedTable = Omit<Table, 'rows'> & { readonly rows: readonly string[] };

/** A list: whose it is, as of when, and its tables. */
export interface List<T = Table> {
  /** Without an ending; any letters. */
  readonly fileName: string;
  readonly title: string;
  readonly under: string;
  readonly tables: readonly T[];
}

/** Rows that go to the thread as one text. */
const ROWS_AT_ONCE = 500;

/** Packs a list for the thread that makes the file; others are answered meanwhile, however long it is. */
export async function packed(list: List<MadeTable>): Promise<List<PackedTable>> {
  const tables: PackedTable[] = [];
  for (const table of list.tables) {
    const rows: string[] = [];
    for await (const text of inTurns(textsOf(table.rows))) rows.push(text);
    tables.push({ ...table, rows });
  }
  return { ...list, tables };
}

function* textsOf(rows: Iterable<Row>): Generator<string> {
  let some: Row[] = [];
  for (const row of rows) {
    some.push(row);
    if (some.length < ROWS_AT_ONCE) continue;
    yield JSON.stringify(some);
    some = [];
  }
  yield JSON.stringify(some);
}

export const LIST_TYPES: Readonly<Record<ListFormat, string>> = {
  pdf: 'application/pdf',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  csv: 'text/csv; charset=utf-8',
};

/** A cell as people read it. */
function cellWord(cell: Cell, kind: ColumnKind): string {
  if (cell === null) return '';
  if (typeof cell === 'string') return kind === 'day' ? `${shortDayWord(cell)} ${cell.slice(0, 4)}` : cell;
  return kind === 'time' ? formatTime(cell, 2) : numberWord(cell, typeof kind === 'object' ? kind.decimals : 0);
}

const isFigure = (kind: ColumnKind): boolean => kind === 'time' || typeof kind === 'object';

/** Beyond so many columns a page lies on its side. */
const UPRIGHT_COLUMNS = 7;

function listPdf({ title, under, tables }: List): Promise<Buffer> {
  const wide = Math.max(...tables.map((table) => table.columns.length)) > UPRIGHT_COLUMNS;
  return makePdf({
    pageSize: 'A4',
    pageOrientation: wide ? 'landscape' : 'portrait',
    pageMargins: [36, 32, 36, 40],
    info: { title },
    defaultStyle: { fontSize: 9.5 },
    content: [
      { text: title, fontSize: 18, bold: true },
      { text: under, color: QUIET, margin: [0, 0, 0, 6] },
      ...tables.flatMap((table) => tableContent(table)),
    ],
    footer: () => ({ text: CAUTION, fontSize: 7.5, color: QUIET, margin: [36, 8, 36, 0] }),
  });
}

/** Nobody turns more pages than these rows fill; a spreadsheet has all of them. */
const PAPER_ROWS = 1500;

function tableContent({ title, note: said, columns, rows: all }: Table): Content[] {
  const rows = all.slice(0, PAPER_ROWS);
  const cut = all.length > rows.length ? `The first ${numberWord(rows.length)} of ${numberWord(all.length)}.` : '';
  const note = [said, cut].filter(Boolean).join(' ');
  const cell = (text: string, kind: ColumnKind, look: object = {}): TableCell => ({
    ...{ text, alignment: isFigure(kind) ? 'right' : 'left' },
    ...look,
  });
  return [
    { text: title, fontSize: 13, bold: true, color: GREEN, margin: [0, 10, 0, 2] },
    ...(note ? [{ text: note, fontSize: 8.5, color: QUIET, margin: [0, 0, 0, 3] } as Content] : []),
    rows.length === 0
      ? { text: 'Nothing yet.', color: QUIET }
      : {
          table: {
            headerRows: 1,
            dontBreakRows: true,
            widths: columns.map(({ kind }, i) => (kind === 'text' && i === columns.length - 1 ? '*' : 'auto')),
            body: [
              columns.map(({ head, kind }) => cell(head, kind, { bold: true })),
              ...rows.map((row) => columns.map(({ kind }, i) => cell(cellWord(row[i] ?? null, kind), kind))),
            ],
          },
          layout: 'lightHorizontalLines',
        },
  ];
}

/** Seconds as a spreadsheet adds them up: a share of a day, shown as minutes. */
const DAY_S = 86_400;

async function listXlsx({ tables }: List): Promise<Buffer> {
  const cellOf = (cell: Cell, kind: ColumnKind) => {
    if (cell === null) return null;
    if (typeof cell === 'string' && kind === 'day')
      return { type: Date, value: new Date(`${cell}T00:00:00Z`), format: 'yyyy-mm-dd' };
    if (typeof cell === 'string') return { type: String, value: cell };
    if (kind === 'time') return { type: Number, value: cell / DAY_S, format: '[m]:ss.00' };
    const decimals = typeof kind === 'object' ? kind.decimals : 0;
    return { type: Number, value: cell, format: decimals === 0 ? '0' : `0.${'0'.repeat(decimals)}` };
  };
  const sheets = tables.map(({ title, columns, rows }) => ({
    // Names of sheets are short and without marks.
    sheet: title.replace(/[\\/?*[\]:]/g, ' ').slice(0, 31),
    columns: columns.map(({ kind }) => ({ width: kind === 'text' ? 26 : 12 })),
    stickyRowsCount: 1,
    data: [
      columns.map(({ head }) => ({ type: String, value: head, fontWeight: 'bold' as const })),
      ...rows.map((row) => columns.map(({ kind }, i) => cellOf(row[i] ?? null, kind))),
    ],
  }));
  // Read when the first workbook is wanted: a server starts sooner without.
  const { default: writeExcelFile } = await import('write-excel-file/node');
  return writeExcelFile(sheets).toBuffer();
}

/** The tables one below another, each with a name and its headings; formulas are made harmless. */
function listCsv({ tables }: List): Buffer {
  const text = tables.map(({ title, columns, rows }) => {
    const table = Papa.unparse(
      {
        fields: columns.map(({ head }) => head),
        data: rows.map((row) => columns.map((_, i) => row[i] ?? '')),
      },
      { newline: '\r\n', escapeFormulae: true },
    );
    return tables.length === 1 ? table : `${title}\r\n${table}`;
  });
  return Buffer.from(CSV_MARK + text.join('\r\n\r\n'));
}

/** A list as a file of one format. */
export async function listFile({
  list: { tables, ...about },
  format,
}: {
  readonly list: List<PackedTable>;
  readonly format: ListFormat;
}): Promise<Buffer> {
  const unpacked = tables.map((t) => ({ ...t, rows: t.rows.flatMap((text) => JSON.parse(text) as Row[]) }));
  const list: List = { ...about, tables: unpacked };
  if (format === 'csv') return listCsv(list);
  return format === 'xlsx' ? listXlsx(list) : listPdf(list);
}
