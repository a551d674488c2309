import type { ResultLine } from '../../measures';

/** What a column of a file means. */
export const RESULT_FIELDS = [
  'swimmer',
  'given',
  'family',
  'date',
  'distance',
  'time',
  'strokes',
  'kind',
  'pool',
  'splits',
  'meet',
  'ignore',
] as const;
export type ResultField = (typeof RESULT_FIELDS)[number];

/** Longest name of a meet, characters. */
export const LONGEST_MEET = 80;

export const DATE_ORDERS = ['ymd', 'dmy', 'mdy'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

export interface ResultMapping {
  /** One for each column of the file, in its order. */
  readonly fields: readonly ResultField[];
  readonly dateOrder: DateOrder;
  readonly unit: 'm' | 'yd';
  /** How decimals are written; a point where it is left out. */
  readonly decimal?: '.' | ',';
  /** Of headings and months, as a language tag; English where it is left out. */
  readonly language?: string;
  /** All rows are of this swimmer; for files of one person's device. */
  readonly swimmerId: string | null;
}

export interface KnownSwimmer {
  readonly id: string;
  readonly name: string;
}

export interface RowProblem {
  /** Line of the file, from 1; the heading is line 1. */
  readonly line: number;
  readonly message: string;
}

export interface ReadResults {
  readonly columns: readonly string[];
  readonly mapping: ResultMapping;
  /** The first rows as they stand in the file. */
  readonly sample: readonly (readonly string[])[];
  readonly rows: number;
  readonly results: readonly ResultLine[];
  readonly problems: readonly RowProblem[];
  /** Rows that could not be read, also those whose problem is no longer listed. */
  readonly badRows: number;
}
