import { sessionFieldsOf } from '@upwell/contract/sessions';
import type { SessionFields, SessionView } from '@upwell/contract/sessions';
import { same, type SessionPlan, type Tonight } from '@upwell/core/sessions';
import { v7 } from 'uuid';
import { NO_HISTORY, undoable, type History } from '@/state/history';
import { mergeSession } from './together';

/** What undo brings back: the plan, and who swims where. */
type Step = Pick<SessionFields, 'plan' | 'tonight'>;

/** Changes to a stored session that are not saved yet, with the way back. */
export interface SessionDraft extends History<Step> {
  readonly fields: SessionFields;
  /** What was stored when the changes began; missing in drafts that an earlier version of the app left. */
  readonly base?: SessionFields;
  readonly version: number;
  readonly writeId: string;
  /** What was changed differently here and elsewhere, until the coach has seen it. */
  readonly clashes?: readonly string[];
}

export function draftOf(view: SessionView): SessionDraft {
  const fields = sessionFieldsOf(view);
  return { fields, base: fields, version: view.version, writeId: v7(), ...NO_HISTORY };
}

/** Whether a draft says something else than what was stored. */
export const isChanged = ({ fields, base }: SessionDraft): boolean => !base || !same(fields, base);

/**
 * The draft on top of what is stored by now: with the changes of others, and its own, which can still be undone. Null when
 * it is not known what its changes began from.
 */
export function rebased(draft: SessionDraft, view: SessionView): SessionDraft | null {
  const { base } = draft;
  if (!base) return null;
  const theirs = sessionFieldsOf(view);
  const onTop = (mine: SessionFields) => mergeSession({ base, mine, theirs });
  const step = (one: Step): Step => partsOf({ ...draft, fields: onTop({ ...draft.fields, ...one }).fields });
  const { fields, clashes } = onTop(draft.fields);
  return {
    ...draft,
    fields,
    base: theirs,
    version: view.version,
    writeId: v7(),
    clashes: [...new Set([...(draft.clashes ?? []), ...clashes])],
    past: draft.past.map(step),
    future: (draft.future ?? []).map(step),
  };
}

/** The draft once the coach has seen what met. */
export const seen = ({ clashes: _, ...draft }: SessionDraft): SessionDraft => draft;

const partsOf = ({ fields: { plan, tonight } }: SessionDraft): Step => ({ plan, ...(tonight ? { tonight } : {}) });

const steps = undoable<SessionDraft, Step>(partsOf, ({ fields, ...draft }, step) => {
  const { tonight: _, ...others } = fields;
  // A draft that an earlier version of the app left on this device has plans alone behind it.
  const back = 'plan' in step ? step : { ...fields, plan: step as SessionPlan };
  return { ...draft, fields: { ...others, ...back }, writeId: v7() };
});

export const { undone, redone } = steps;

/** The draft with another plan. */
export const withPlan = (draft: SessionDraft, plan: SessionPlan): SessionDraft =>
  steps.changed(draft, { ...partsOf(draft), plan });

/** The draft with other people, or people elsewhere. */
export const withTonight = (draft: SessionDraft, tonight: Tonight): SessionDraft =>
  steps.changed(draft, { plan: draft.fields.plan, tonight });

/** The draft with something else changed, like the title. */
export function withFields(draft: SessionDraft, patch: Partial<Omit<SessionFields, 'plan' | 'tonight'>>): SessionDraft {
  return { ...draft, fields: { ...draft.fields, ...patch }, writeId: v7() };
}
