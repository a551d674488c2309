// What is special about a week to a race: kept as codes, said in words where it is shown.
import { dayWord, distanceWord } from '../words';
import { ladderCard } from '../library';

/** Notes that need no more than their name. */
export const PLAIN_WEEK_NOTES = ['ill', 'away', 'race', 'taper', 'lighter'] as const;

export type WeekNote =
  | { readonly note: (typeof PLAIN_WEEK_NOTES)[number] }
  /** Another race in this week, on an ISO date. */
  | { readonly note: 'other-race'; readonly on: string }
  | LongSwimNote;

/** A long swim without a stop. */
export interface LongSwimNote {
  readonly note: 'long-swim';
  readonly metres: number;
  /** In the water of the race, or in water like it. */
  readonly outside: boolean;
  /** With food and drink as on the day. */
  readonly fed: boolean;
}

const PLAIN: Readonly<Record<(typeof PLAIN_WEEK_NOTES)[number], string>> = {
  ill: 'Ill: no swimming, and nothing is made up later.',
  away: 'Away: no swimming, and nothing is made up later.',
  race: 'Race week: familiar work, short and sharp.',
  taper: 'Fewer metres, same effort, nothing new.',
  lighter: 'A lighter week: technique, and a test while rested.',
};

/**
 * A note as a sentence.
 *
 * @example weekNoteWords({ note: 'race' }) // 'Race week: familiar work, short and sharp.'
 */
export function weekNoteWords(note: WeekNote): string {
  if (note.note === 'other-race') return `Another race on ${dayWord(note.on)}: raced without a taper.`;
  if (note.note === 'long-swim') return longSwimWords(note);
  return PLAIN[note.note];
}

function longSwimWords({ metres, outside, fed }: LongSwimNote): string {
  const where = outside ? ', in the water of the race or one like it' : '';
  return `A long swim: ${distanceWord(metres)} without a stop${where}.${fed ? ' Feed as on the day.' : ''}`;
}

/** Steps of the ladder from the pool to open water, in order; a week names its step by its place from 0. */
export const openWaterSteps = (): readonly string[] => ladderCard('pool-to-open-water').steps.map((step) => step.what);

/**
 * A step of the ladder to open water as it is said.
 *
 * @example openWaterStep(6) // 'In a group.'
 */
export const openWaterStep = (step: number): string =>
  openWaterSteps()[step] ?? 'A step that is no longer on the ladder.';
