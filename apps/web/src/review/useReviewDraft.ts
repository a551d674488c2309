// The look that is being made of a swimmer: kept on the device, and never one that is stored already.
import type { SwimmerPage } from '@upwell/contract/swimmers';
import type { Stroke } from '@upwell/core/review';
import { useEffect, useState } from 'react';
import { useDraft } from '@/state/hooks';
import { asAnother, isStored, newReviewDraft, type ReviewDraft } from './draft';

/** @param stroke what a new look begins with */
export function useReviewDraft({ id, reviews }: SwimmerPage, stroke: Stroke | undefined) {
  const [first, setFirst] = useState(() => newReviewDraft(stroke));
  const [draft, setDraft, dropDraft] = useDraft<ReviewDraft>(`review:${id}`, first);
  // What is stored stays as it is: this is the next look, and what was changed since belongs to it.
  const stored = reviews.find((r) => r.id === draft.id);
  if (stored?.id === first.id) setFirst(newReviewDraft(stroke));
  useEffect(() => {
    if (!stored) return;
    if (isStored(draft, stored)) dropDraft();
    else setDraft(asAnother);
  }, [stored, draft, dropDraft, setDraft]);
  return [draft, setDraft, dropDraft] as const;
}
