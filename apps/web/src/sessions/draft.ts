import { sessionFieldsOf } from '@upwell/contract/sessions';
import type { SessionFields, SessionView } from '@upwell/contract/sessions';
import type { SessionPlan, Tonight } from '@upwell/core/sessions';
import { v7 } from 'uuid';
import { NO_HISTORY, undoable, type History } from '@/state/history';

/** What undo brings back: the plan, and who swims where. */
type Step = Pick<SessionFields, 'plan' | 'tonight'>;

/** Changes to a stored session that are not saved yet, with the way back. */
export interface SessionDraft extends History<Step> {
  readonly fields: SessionFields;
  readonly version: number;
  readonly writeId: string;
}

export function draftOf(view: SessionView): SessionDraft {
  return { fields: sessionFieldsOf(view), version: view.version, writeId: v7(), ...NO_HISTORY };
}

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
