// A list in whatever file it stands: text, or the workbook of a spreadsheet.
import { unzipSync } from 'fflate';
import Papa from 'papaparse';
import readWorkbook from 'read-excel-file/universal';
import { textOf } from '../../text';

/** The text of a list, or why there is none. */
export type ListText =
  | {
      readonly text: string;
      /** Of a workbook: the sheet that was read, and the others. */
      readonly sheet?: string;
      readonly others?: readonly string[];
    }
  | { readonly refused: string };

const ZIP = [0x50, 0x4b, 0x03, 0x04];
const OLD_EXCEL = [0xd0, 0xcf, 0x11, 0xe0];
const begins = (bytes: Uint8Array, mark: readonly number[]) => mark.every((byte, i) => bytes[i] === byte);

/** A workbook that unpacks to more than this is none that a club keeps, bytes. */
const LARGEST_UNPACKED = 300e6;

/** A spreadsheet counts its days from here; what lies on the first of them is a length of time. */
const FIRST_DAY = Date.UTC(1899, 11, 30);
const FIRST_REAL_DAY = Date.UTC(1900, 1, 1);

/** A length of time as lists of results have it. @example clockOf(349.5) // '5:49.50' */
function clockOf(seconds: number): string {
  const hundredths = Math.round(seconds * 100);
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(hundredths / 360_000), Math.floor(hundredths / 6000) % 60, (hundredths / 100) % 60];
  const rest = s.toFixed(2).padStart(5, '0');
  return h > 0 ? `${h}:${two(m)}:${rest}` : `${m}:${rest}`;
}

/** A cell as a text file would have it. */
function cellText(cell: string | number | boolean | Date | null | undefined): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) {
    const ms = cell.getTime();
    if (ms < FIRST_REAL_DAY) return clockOf((ms - FIRST_DAY) / 1000);
    const [day, time] = cell.toISOString().split('T') as [string, string];
    return time.startsWith('00:00:00') ? day : `${day} ${time.slice(0, 8)}`;
  }
  // Sums of decimals have more digits than anybody measured.
  return typeof cell === 'number' ? String(Number(cell.toPrecision(12))) : String(cell);
}

/**
 * The text of a list: a text file in whatever letters, or the first sheet of a workbook (XLSX) that has more than one row.
 *
 * @returns why not, for a workbook that cannot be read: older ones, damaged ones, those locked with a password
 */
export async function listText(bytes: Uint8Array): Promise<ListText> {
  if (begins(bytes, OLD_EXCEL))
    return { refused: 'This is an older Excel file, or one with a password. Save it as .xlsx or as CSV.' };
  if (!begins(bytes, ZIP)) return { text: textOf(bytes) };
  const refused = 'This workbook cannot be read. Save it again as .xlsx, or as CSV.';
  const names: string[] = [];
  let unpacked = 0;
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        names.push(name);
        unpacked += originalSize;
        return false;
      },
    });
  } catch {
    return { refused: 'This workbook is damaged or cut off. Copy it again.' };
  }
  if (!names.includes('xl/workbook.xml')) return { refused: 'This is no workbook. Save the list as .xlsx or as CSV.' };
  if (unpacked > LARGEST_UNPACKED) return { refused: 'This workbook is too large.' };
  let sheets;
  try {
    sheets = await readWorkbook(new Blob([bytes as Uint8Array<ArrayBuffer>]));
  } catch {
    return { refused };
  }
  const filled = sheets.filter(({ data }) => data.length > 1);
  const [first, ...others] = filled;
  if (!first) return { refused: 'There is no list in this workbook.' };
  return {
    text: Papa.unparse(
      first.data.map((row) => row.map((cell) => cellText(cell as Parameters<typeof cellText>[0]))),
      { newline: '\n' },
    ),
    sheet: first.sheet,
    others: others.map(({ sheet }) => sheet),
  };
}
