import type { PoolUnit } from '@upwell/core/units';
import { readRoster, rosterText, type ReadRoster, type RosterEntry, type RosterMapping } from '@upwell/core/exchange';

/** A list of swimmers, as text or as entries, read in a thread of its own. */
export const readRosterText = (asked: {
  readonly text?: string;
  readonly rows?: readonly RosterEntry[];
  readonly mapping: RosterMapping | null;
  readonly year: number;
  readonly units: PoolUnit;
}): ReadRoster => readRoster(asked.text ?? rosterText(asked.rows ?? []), asked.mapping, asked.year, asked.units);
