import type { RacePlanView } from '@upwell/contract/race';
import type { RaceChoices, WeekLock } from '@upwell/core/race';
import { v7 } from 'uuid';
import { NO_HISTORY, undoable, type History } from '@/state/history';

/** What the coach decided and has not kept yet, with the way back. */
export interface RaceDraft extends History<RaceChoices> {
  readonly choices: RaceChoices;
  readonly version: number;
  readonly writeId: string;
  /** What the last change was of: a slider that is dragged is one step. */
  readonly last: string;
}

export const raceKey = (id: string) => `race:${id}`;

export const draftOf = ({ choices, version }: RacePlanView): RaceDraft => ({
  choices,
  version,
  writeId: v7(),
  ...NO_HISTORY,
  last: '',
});

const withChoices = (draft: RaceDraft, choices: RaceChoices): RaceDraft => ({
  ...draft,
  choices,
  last: '',
  writeId: v7(),
});

const steps = undoable<RaceDraft, RaceChoices>((draft) => draft.choices, withChoices);

export const { undone, redone } = steps;

/** Some choices; `undefined` takes one back. */
export type Patch = { readonly [K in keyof RaceChoices]?: RaceChoices[K] | undefined };

/** The draft with some choices changed; `undefined` goes back to what is known. */
export function chosen(draft: RaceDraft, patch: Patch, dragged = false): RaceDraft {
  const choices = Object.fromEntries(
    Object.entries({ ...draft.choices, ...patch }).filter(([, value]) => value !== undefined),
  ) as RaceChoices;
  const last = dragged ? Object.keys(patch).join() : '';
  const on = last !== '' && last === draft.last;
  return { ...(on ? withChoices(draft, choices) : steps.changed(draft, choices)), last };
}

/** The draft with other locks on a week, or unlocked where nothing is locked. */
export function lockedWeek(
  draft: RaceDraft,
  monday: string,
  patch: { readonly [K in keyof WeekLock]?: WeekLock[K] | undefined },
): RaceDraft {
  const { [monday]: before, ...others } = draft.choices.locks ?? {};
  const lock = Object.fromEntries(Object.entries({ ...before, ...patch }).filter(([, value]) => value !== undefined));
  return chosen(draft, { locks: Object.keys(lock).length > 0 ? { ...others, [monday]: lock } : others });
}

export function freedWeek(draft: RaceDraft, monday: string): RaceDraft {
  const { [monday]: _lock, ...locks } = draft.choices.locks ?? {};
  const { [monday]: _away, ...away } = draft.choices.away ?? {};
  return chosen(draft, { locks, away });
}
