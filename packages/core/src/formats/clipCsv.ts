import Papa from 'papaparse';
import type { Tap } from '../measures';

/** Taps of a clip as CSV with a heading, one tap a line, times in seconds. */
export function tapsCsv(taps: readonly Tap[]): string {
  return Papa.unparse(
    {
      fields: ['kind', 'side', 'time_s'],
      data: taps.map((tap) => [tap.kind, tap.side, tap.timeS.toFixed(3)]),
    },
    { newline: '\n' },
  );
}

/** Named values as CSV: name, value, unit. Text that a spreadsheet would run as a formula is made harmless. */
export function valuesCsv(
  rows: readonly { readonly name: string; readonly value: number | string; readonly unit: string }[],
): string {
  return Papa.unparse(
    { fields: ['name', 'value', 'unit'], data: rows.map((r) => [r.name, r.value, r.unit]) },
    { newline: '\n', escapeFormulae: true },
  );
}
