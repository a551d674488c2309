import type { SessionFields, SessionView } from '@upwell/contract/sessions';
import type { SessionPlan } from '@upwell/core/sessions';
import { v7 } from 'uuid';

/** Changes to a stored session that are not saved yet, with the way back. */
export interface SessionDraft {
  readonly fields: SessionFields;
  readonly version: number;
  readonly writeId: string;
  readonly past: readonly SessionPlan[];
  readonly future: readonly SessionPlan[];
}

/** How many steps can be undone. */
const STEPS = 50;

export function draftOf(view: SessionView): SessionDraft {
  const { id: _id, version, ...fields } = view;
  return { fields, version, writeId: v7(), past: [], future: [] };
}

export function withPlan(draft: SessionDraft, plan: SessionPlan): SessionDraft {
  return {
    ...draft,
    fields: { ...draft.fields, plan },
    writeId: v7(),
    past: [...draft.past, draft.fields.plan].slice(-STEPS),
    future: [],
  };
}

/** The draft with something else than the plan changed, like the title. */
export function withFields(draft: SessionDraft, patch: Partial<Omit<SessionFields, 'plan'>>): SessionDraft {
  return { ...draft, fields: { ...draft.fields, ...patch }, writeId: v7() };
}

export function undone(draft: SessionDraft): SessionDraft {
  const plan = draft.past[draft.past.length - 1];
  if (!plan) return draft;
  return {
    ...draft,
    fields: { ...draft.fields, plan },
    writeId: v7(),
    past: draft.past.slice(0, -1),
    future: [draft.fields.plan, ...draft.future],
  };
}

export function redone(draft: SessionDraft): SessionDraft {
  const [plan, ...future] = draft.future;
  if (!plan) return draft;
  return {
    ...draft,
    fields: { ...draft.fields, plan },
    writeId: v7(),
    past: [...draft.past, draft.fields.plan],
    future,
  };
}
