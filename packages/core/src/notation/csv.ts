// A session as CSV, a row for each set, and back.
import Papa from 'papaparse';
import {
  BLOCK_NAME,
  cautionsOf,
  isSet,
  LONGEST_TEXT,
  pauseWord,
  repLengths,
  type GroupPlan,
  type Item,
} from '../sessions';
import { poolDistance } from '../units';
import type { TextProblem } from './problem';
import { readSession, type ReadSession } from './read';
import { GROUP_KEYS, PLAN_KEYS } from './words';
import { groupFacts, joinParts, planFacts, setParts, type SessionDocument, type SetParts } from './write';

const SET_COLUMNS = ['reps', 'extent', 'what', 'effort', 'breathing', 'sighting', 'rate', 'timing', 'kit'] as const;

/** Columns of the file, in their order. Each holds what the text would say there; cautions are worked out, not read. */
export const CSV_COLUMNS = [
  'title',
  ...PLAN_KEYS,
  'session note',
  'group number',
  'group',
  ...GROUP_KEYS,
  'group note',
  'block number',
  'block',
  'block name',
  'block minutes',
  'block note',
  'rounds',
  ...SET_COLUMNS,
  'note',
  'total',
  'cautions',
] as const;
type Column = (typeof CSV_COLUMNS)[number];
type Row = Partial<Record<Column, string>>;

/** Rounds around a set, outermost first, each with a name of its own: `a:2 > b:3`. */
interface Around {
  readonly name: string;
  readonly rounds: number;
}

/**
 * A session as CSV, one row a set; {@link readSessionCsv} reads it back.
 *
 * What concerns the whole session or a group stands in every row, so that a row explains itself.
 */
export function writeSessionCsv(document: SessionDocument): string {
  const { plan } = document;
  const outside = plan.place === 'open-water';
  const whole: Row = {
    title: document.title,
    ...(Object.fromEntries(planFacts(document)) as Row),
    'session note': plan.note,
  };
  let names = 0;
  const rowsOf = (items: readonly Item[], group: GroupPlan, around: readonly Around[]): Row[] =>
    items.flatMap((item) => {
      const where = around.map((a) => `${a.name}:${a.rounds}`).join(' > ');
      if (item.kind === 'pause') return [{ rounds: where, timing: pauseWord(item), note: item.note }];
      if (!isSet(item)) return rowsOf(item.items, group, [...around, { name: letters(names++), rounds: item.rounds }]);
      const times = around.reduce((product, a) => product * a.rounds, 1);
      const lengths = repLengths(item) * item.reps * times;
      return {
        rounds: where,
        ...setParts(item, plan.pool, outside),
        note: item.note,
        total: lengths > 0 ? String(poolDistance(plan.pool, lengths)) : '',
        cautions: cautionsOf(item, group, plan.pool).join(' '),
      };
    });
  const rows = plan.groups.flatMap((group, g) => {
    const ofGroup: Row = {
      ...whole,
      'group number': String(g + 1),
      group: group.name,
      ...(Object.fromEntries(groupFacts(group)) as Row),
      'group note': group.note,
    };
    const blocks = group.blocks.flatMap((block, b) => {
      const ofBlock: Row = {
        ...ofGroup,
        'block number': String(b + 1),
        block: BLOCK_NAME[block.kind],
        'block name': block.name ?? '',
        'block minutes': block.landMinutes > 0 ? String(block.landMinutes) : '',
        'block note': block.note,
      };
      const sets = rowsOf(block.items, group, []);
      return sets.length > 0 ? sets.map((set) => ({ ...ofBlock, ...set })) : [ofBlock];
    });
    return blocks.length > 0 ? blocks : [ofGroup];
  });
  return Papa.unparse(
    { fields: [...CSV_COLUMNS], data: rows.map((row) => CSV_COLUMNS.map((column) => harmless(row[column] ?? ''))) },
    { newline: '\n' },
  );
}

/** A spreadsheet would run a cell that begins like a formula; an apostrophe keeps it text. */
const harmless = (cell: string): string => (/^[=+\-@'\t]/.test(cell) ? `'${cell}` : cell);
const asWritten = (cell: string): string => (cell.startsWith("'") ? cell.slice(1) : cell);

/** a … z, aa … */
function letters(n: number): string {
  return n < 26 ? String.fromCharCode(97 + n) : letters(Math.floor(n / 26) - 1) + letters(n % 26);
}

/** A day and a time as spreadsheets write them again: seconds, a T, dots, or the month first. */
const REWRITTEN =
  /^(?:(\d{4})-(\d\d)-(\d\d)|(\d{1,2})([./])(\d{1,2})\5(\d{4}))?(?:[ T]*(\d{1,2}):(\d\d)(?::00(?:\.0+)?)?(?: ?([AP])M)?)?$/i;

/**
 * A cell as it was before a spreadsheet wrote it again. A day that could be read in two ways stays as it is, and is asked
 * about where it is read.
 */
function asBefore(column: Column, cell: string): string {
  if (column === 'effort') {
    const share = /^(0[.,]\d+|1)$/.exec(cell);
    if (share) return `${Math.round(Number(share[1]!.replace(',', '.')) * 1000) / 10}%`;
    return cell.replace(/(\d),(\d+) ?%/g, '$1.$2%');
  }
  if (column !== 'when') return cell;
  const [found, year, month, day, first, dots, second, ofYear, hour, minute, half] = REWRITTEN.exec(cell) ?? [];
  if (!found) return cell;
  const two = (n: number | string) => String(n).padStart(2, '0');
  const dayFirst = dots === '.' || Number(first) > 12;
  if (first && !dayFirst && Number(second) <= 12) return cell;
  const [m, d] = first ? (dayFirst ? [second!, first] : [first, second!]) : [month, day];
  const afternoon = half ? (Number(hour) % 12) + (half.toUpperCase() === 'P' ? 12 : 0) : hour;
  const date = m && d ? `${year ?? ofYear}-${two(m)}-${two(d)}` : '';
  return [date, hour ? `${two(afternoon!)}:${minute}` : ''].filter(Boolean).join(' ');
}

/**
 * Reads a session from CSV. Problems are reported by row; nothing is half-read.
 */
export function readSessionCsv(text: string): ReadSession {
  if (text.length > LONGEST_TEXT * 3) return readSession('x'.repeat(LONGEST_TEXT + 1));
  const { data, errors, meta } = Papa.parse<Row>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transform: (cell, column) => asBefore(column as Column, asWritten(cell)),
  });
  const missing = (['block', 'extent', 'what'] as const).filter((column) => !meta.fields?.includes(column));
  const broken: TextProblem[] = [
    ...missing.map((column) => atRow(1, `The column “${column}” is missing.`)),
    ...errors
      .filter((e) => e.type !== 'Delimiter')
      .map((e) => atRow((e.row ?? 0) + 2, `This row cannot be read: ${e.message}.`)),
  ];
  const { lines, rowOf } = toText(missing.length > 0 ? [] : data);
  const read = readSession(lines.join('\n'));
  return {
    ...read,
    problems: [...broken, ...read.problems.map((p) => ({ ...p, line: rowOf[p.line - 1] ?? p.line, column: 1 }))],
  };
}

const atRow = (line: number, message: string): TextProblem => ({
  line,
  column: 1,
  length: 0,
  message,
  severity: 'error',
});

/** The rows as the text they stand for, with the row of each line. */
function toText(rows: readonly Row[]): { readonly lines: readonly string[]; readonly rowOf: readonly number[] } {
  const lines: string[] = [];
  const rowOf: number[] = [];
  let around: Around[] = [];
  let block = '';
  let group = '';
  rows.forEach((row, i) => {
    const say = (text: string) => {
      // A cell may hold a line break; in the text it would begin something else.
      lines.push(text.replace(/[\r\n]+/g, ' '));
      rowOf.push(i + 2);
    };
    const facts = (columns: readonly Column[]) => {
      for (const column of columns) if (row[column]?.trim()) say(`${column}: ${row[column]}`);
    };
    const close = (keep: number) => {
      while (around.length > keep) {
        around = around.slice(0, -1);
        say(')');
      }
    };
    if (i === 0) {
      say(`# ${row.title ?? ''}`);
      facts(PLAN_KEYS);
      if (row['session note']) say(`// ${row['session note']}`);
    }
    const thisGroup = `${row['group number']} ${row.group}`;
    if (thisGroup !== group) {
      close(0);
      group = thisGroup;
      block = '';
      say(`== ${row.group?.trim() || 'Everybody'}`);
      facts(GROUP_KEYS);
      if (row['group note']) say(`// ${row['group note']}`);
    }
    const thisBlock = `${row['block number']} ${row.block}`;
    if (row.block && thisBlock !== block) {
      close(0);
      block = thisBlock;
      const onLand = row.block?.toLowerCase() === 'land' ? '' : ' on land';
      const minutes = row['block minutes'] ? ` ${row['block minutes']} min${onLand}` : '';
      const name = row['block name']?.trim().replace(/["“”=/]/g, '');
      say(`${row.block}${name ? ` "${name}"` : ''}${minutes}${row['block note'] ? `  // ${row['block note']}` : ''}`);
    }
    // A row without an extent is a pause, or the heading of a block.
    if (!row.extent?.trim() && !row.timing?.trim()) return;
    const path = pathOf(row.rounds ?? '');
    const same = path.findIndex((a, depth) => around[depth]?.name !== a.name);
    close(same === -1 ? path.length : same);
    for (const a of path.slice(around.length)) {
      say(`${a.rounds} x (`);
      around = [...around, a];
    }
    const parts = Object.fromEntries(SET_COLUMNS.map((c) => [c, row[c]?.trim() ?? ''])) as unknown as SetParts;
    say(joinParts(parts, row.note?.trim() ?? ''));
  });
  while (around.length > 0) {
    around = around.slice(0, -1);
    lines.push(')');
    rowOf.push(rows.length + 1);
  }
  return { lines, rowOf };
}

function pathOf(rounds: string): Around[] {
  return rounds
    .split('>')
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => {
      const [name = '', times = '1'] = part.split(':');
      return { name, rounds: Number(times) };
    });
}
