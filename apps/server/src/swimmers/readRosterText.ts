import { readRoster, type ReadRoster, type RosterMapping } from '@upwell/core/exchange';

/** A list of swimmers, read in a thread of its own. */
export const readRosterText = (asked: {
  readonly text: string;
  readonly mapping: RosterMapping | null;
  readonly year: number;
}): ReadRoster => readRoster(asked.text, asked.mapping, asked.year);
