import type { DrillId } from '@upwell/core/library';
import type { CauseId, Sighting, SignId, Stroke } from '@upwell/core/review';
import { v7 } from 'uuid';

/** A review while it is being made; kept on the device until it is saved. */
export interface ReviewDraft {
  readonly id: string;
  readonly writeId: string;
  readonly focusId: string;
  readonly stroke: Stroke;
  readonly signs: Readonly<Partial<Record<SignId, Sighting>>>;
  readonly good: string;
  /** The coach's choice where it differs from the proposal. */
  readonly cause: CauseId | null;
  readonly drill: DrillId | null;
  readonly cue: string | null;
  readonly tries: number | null;
  readonly relookOn: string | null;
  /** Earlier states of the signs, for undo. */
  readonly past: readonly ReviewDraft['signs'][];
}

export function newReviewDraft(): ReviewDraft {
  return {
    id: v7(),
    writeId: v7(),
    focusId: v7(),
    stroke: 'front-crawl',
    signs: {},
    good: '',
    cause: null,
    drill: null,
    cue: null,
    tries: null,
    relookOn: null,
    past: [],
  };
}

/** The draft with one sign set, or taken back when it already stood so. */
export function withSign(draft: ReviewDraft, sign: SignId, sighting: Sighting): ReviewDraft {
  const { [sign]: before, ...others } = draft.signs;
  const signs = before === sighting ? others : { ...draft.signs, [sign]: sighting };
  return { ...draft, signs, past: [...draft.past, draft.signs].slice(-40), cause: null, drill: null, cue: null };
}

export function withUndo(draft: ReviewDraft): ReviewDraft {
  const last = draft.past[draft.past.length - 1];
  return last ? { ...draft, signs: last, past: draft.past.slice(0, -1), cause: null, drill: null, cue: null } : draft;
}
