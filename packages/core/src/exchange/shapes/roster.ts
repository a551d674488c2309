import type { LevelId } from '../../swimmers';

/** What a column holds. */
export const ROSTER_FIELDS = [
  'ignore',
  'given',
  'family',
  'given-family',
  'family-given',
  'birth',
  'squad',
  'level',
  'email',
  'best',
] as const;
export type RosterField = (typeof ROSTER_FIELDS)[number];

export interface RosterColumn {
  readonly field: RosterField;
  /** With `best`: over which distance, metres. */
  readonly distanceM?: number;
}

/** Swimmers that come in with one file. */
export const MOST_ROSTER_ROWS = 5000;
/** Characters of a file with that many. */
export const LARGEST_ROSTER = 1_000_000;

/** A swimmer as a line of a file tells of them. */
export interface RosterLine {
  /** Line in the file, from 1. */
  readonly line: number;
  readonly given: string;
  readonly family: string;
  readonly birthYear: number | null;
  /** As it is written; empty when the line names none. */
  readonly squad: string;
  readonly level: LevelId | null;
  readonly email: string | null;
  readonly bestTimes: readonly { readonly distanceM: number; readonly timeS: number }[];
  /** Why this line cannot be imported. */
  readonly problems: readonly string[];
  /** What of it stays out. */
  readonly notes: readonly string[];
  /** An earlier line that says the same person. */
  readonly sameAs: number | null;
}

/** What a coach says of a file where the guess is wrong. */
export interface RosterMapping {
  readonly columns: readonly RosterColumn[];
  /** Whether the first line, or the one under a title, names the columns. */
  readonly headed: boolean;
}

export interface ReadRoster extends RosterMapping {
  /** Headings, or `Column 1` and so on where the file has none. */
  readonly headings: readonly string[];
  /** First lines as they are written. */
  readonly sample: readonly (readonly string[])[];
  readonly lines: readonly RosterLine[];
  /** Of the headings, as a language tag; left out where there are none. */
  readonly language?: string;
  /** Why nothing of it can be read. */
  readonly problem: string | null;
}

/** A swimmer as a program sends one, instead of a line of a file. */
export interface RosterEntry {
  readonly given?: string;
  readonly family?: string;
  /** Both in one, where they are not apart. */
  readonly name?: string;
  /** A year or a date of birth. */
  readonly born?: string | number;
  readonly squad?: string;
  readonly level?: string;
  readonly email?: string;
  readonly bestTimes?: readonly { readonly distanceM: number; readonly timeS: number }[];
}
