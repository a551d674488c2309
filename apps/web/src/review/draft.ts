import type { DrillId } from '@upwell/core/library';
import {
  signsFromMeasures,
  type CauseId,
  type FocusOutcome,
  type Measured,
  type Sighting,
  type SignId,
  type Stroke,
} from '@upwell/core/review';
import type { ReviewView } from '@upwell/contract/review';
import type { StrokeModelId } from '@upwell/core/swimmers';
import isEqual from 'lodash/isEqual.js';
import { v7 } from 'uuid';
import { NO_HISTORY, undoable, type History } from '@/state/history';

/** Signs with how often each was seen. */
type Signs = Readonly<Partial<Record<SignId, Sighting>>>;

/** A review while it is being made; kept on the device until it is saved. */
export interface ReviewDraft extends History<Signs> {
  readonly id: string;
  readonly writeId: string;
  readonly focusId: string;
  readonly stroke: Stroke;
  readonly signs: Signs;
  /** What was measured; its signs are among `signs`. */
  readonly measured: Measured;
  /** The coach's own word on the outcome of the last focus, where it differs from the comparison. */
  readonly outcome: FocusOutcome | null;
  /** What was seen besides the listed signs. */
  readonly noted?: string;
  readonly good: string;
  /** The coach's choice where it differs from the proposal. */
  readonly cause: CauseId | null;
  readonly drill: DrillId | null;
  readonly cue: string | null;
  readonly tries: number | null;
  readonly relookOn: string | null;
}

export function newReviewDraft(stroke: Stroke = 'front-crawl'): ReviewDraft {
  return {
    id: v7(),
    writeId: v7(),
    focusId: v7(),
    stroke,
    signs: {},
    measured: {},
    outcome: null,
    noted: '',
    good: '',
    cause: null,
    drill: null,
    cue: null,
    tries: null,
    relookOn: null,
    ...NO_HISTORY,
  };
}

/** The same look as one of its own, beside one that is stored already. */
export const asAnother = (draft: ReviewDraft): ReviewDraft => ({ ...draft, id: v7(), writeId: v7(), focusId: v7() });

/** Whether a look is stored as it stands here: its answer was lost, or the app was closed before it came. */
export const isStored = (draft: ReviewDraft, { signs, good, noted }: ReviewView): boolean =>
  isEqual(draft.signs, signs) &&
  // What is good may have been said for the coach, where a focus was solved.
  ['', good].includes(draft.good.trim()) &&
  noted === (draft.noted ?? '').trim();

// Other signs may have another cause: what was chosen of the old ones goes.
const steps = undoable<ReviewDraft, Signs>(
  (draft) => draft.signs,
  (draft, signs) => ({ ...draft, signs, cause: null, drill: null, cue: null, writeId: v7() }),
);

export const { undone, redone } = steps;

/** The draft with one sign set, or taken back when it already stood so. */
export function withSign(draft: ReviewDraft, sign: SignId, sighting: Sighting): ReviewDraft {
  const { [sign]: before, ...others } = draft.signs;
  return steps.changed(draft, before === sighting ? others : { ...draft.signs, [sign]: sighting });
}

/** The draft with measured values; the signs they show are answered, over what was seen by eye. */
export function withMeasured(draft: ReviewDraft, measured: Measured, model: StrokeModelId): ReviewDraft {
  const all = { ...draft, measured: { ...draft.measured, ...measured } };
  return steps.changed(all, { ...draft.signs, ...signsFromMeasures(measured, model) });
}

/** The draft with signs noted on deck; what was seen in this look stays. */
export function withNoted(draft: ReviewDraft, noted: Signs): ReviewDraft {
  return steps.changed(draft, { ...noted, ...draft.signs });
}
