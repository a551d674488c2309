import { sessionFieldsOf } from '@upwell/contract/sessions';
import type { SessionFields, SessionView } from '@upwell/contract/sessions';
import type { SessionPlan } from '@upwell/core/sessions';
import { v7 } from 'uuid';
import { NO_HISTORY, undoable, type History } from '@/state/history';

/** Changes to a stored session that are not saved yet, with the way back. */
export interface SessionDraft extends History<SessionPlan> {
  readonly fields: SessionFields;
  readonly version: number;
  readonly writeId: string;
}

export function draftOf(view: SessionView): SessionDraft {
  return { fields: sessionFieldsOf(view), version: view.version, writeId: v7(), ...NO_HISTORY };
}

const steps = undoable<SessionDraft, SessionPlan>(
  (draft) => draft.fields.plan,
  (draft, plan) => ({ ...draft, fields: { ...draft.fields, plan }, writeId: v7() }),
);

export const { changed: withPlan, undone, redone } = steps;

/** The draft with something else than the plan changed, like the title. */
export function withFields(draft: SessionDraft, patch: Partial<Omit<SessionFields, 'plan'>>): SessionDraft {
  return { ...draft, fields: { ...draft.fields, ...patch }, writeId: v7() };
}
