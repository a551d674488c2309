import type { DrillId } from '@upwell/core/library';
import {
  signsFromMeasures,
  type CauseId,
  type Measured,
  type Outcome,
  type Sighting,
  type SignId,
  type Stroke,
} from '@upwell/core/review';
import type { StrokeModelId } from '@upwell/core/swimmers';
import { v7 } from 'uuid';

/** A review while it is being made; kept on the device until it is saved. */
export interface ReviewDraft {
  readonly id: string;
  readonly writeId: string;
  readonly focusId: string;
  readonly stroke: Stroke;
  readonly signs: Readonly<Partial<Record<SignId, Sighting>>>;
  /** What was measured; its signs are among `signs`. */
  readonly measured: Measured;
  /** The coach's own word on the outcome of the last focus, where it differs from the comparison. */
  readonly outcome: Outcome | null;
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
    measured: {},
    outcome: null,
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

/** The draft with measured values; the signs they show are answered, over what was seen by eye. */
export function withMeasured(draft: ReviewDraft, measured: Measured, model: StrokeModelId): ReviewDraft {
  const signs = { ...draft.signs, ...signsFromMeasures(measured, model) };
  const past = [...draft.past, draft.signs].slice(-40);
  return { ...draft, measured: { ...draft.measured, ...measured }, signs, past, cause: null, drill: null, cue: null };
}

/** The draft with signs noted on deck; what was seen in this look stays. */
export function withNoted(draft: ReviewDraft, noted: ReviewDraft['signs']): ReviewDraft {
  const past = [...draft.past, draft.signs].slice(-40);
  return { ...draft, signs: { ...noted, ...draft.signs }, past, cause: null, drill: null, cue: null };
}
