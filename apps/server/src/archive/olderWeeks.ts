// Weeks in archives from before the codes: their step and their notes stand there as sentences.
import { LADDERS } from '@upwell/core/library';
import type { PlanWeek, WeekNote } from '@upwell/core/race';

/** How each note began, and its code. */
const NOTES: readonly (readonly [string, WeekNote])[] = [
  ['Ill:', { note: 'ill' }],
  ['Away:', { note: 'away' }],
  ['Race week', { note: 'race' }],
  ['Metres down', { note: 'taper' }],
  ['A lighter week', { note: 'lighter' }],
];

export interface OlderWeek {
  readonly step: string | number | null;
  readonly words?: readonly string[];
}

/** The codes of an older week; nothing of one that has codes already. A sentence that is not known is left out. */
export function codesOfOlder({ step, words }: OlderWeek): Partial<Pick<PlanWeek, 'step' | 'notes'>> {
  if (words === undefined) return {};
  const at = LADDERS['pool-to-open-water'].steps.findIndex(({ what }) => what === step);
  return { step: at < 0 ? null : at, notes: words.flatMap(noteOf) };
}

function noteOf(said: string): WeekNote[] {
  const on = /^Another race on (\d{4}-\d{2}-\d{2})/.exec(said)?.[1];
  if (on) return [{ note: 'other-race', on }];
  return NOTES.filter(([begins]) => said.startsWith(begins)).map(([, note]) => note);
}
