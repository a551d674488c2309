/** Signs noted on deck since the last look, to be taken into this one. */
import { dayIn } from '@upwell/core/days';
import { useZone } from '@/state/hooks';
import type { ReviewView } from '@upwell/contract/review';
import { signCard, type SignId, signsFor, type Stroke } from '@upwell/core/review';
import { Button } from 'react-native-paper';
import { useRecordsQuery } from '@/records';
import { Notice } from '@/ui/States';
import type { ReviewDraft } from '../draft';

interface NotedOnDeckProps {
  readonly swimmerId: string;
  readonly stroke: Stroke;
  readonly reviews: readonly ReviewView[];
  readonly signs: ReviewDraft['signs'];
  readonly onTake: (noted: ReviewDraft['signs']) => void;
}

export function NotedOnDeck({ swimmerId, stroke, reviews, signs, onTake }: NotedOnDeckProps) {
  const zone = useZone();
  const { data } = useRecordsQuery(swimmerId);
  const last =
    reviews
      .map((r) => dayIn(zone, r.lookedAt))
      .sort()
      .at(-1) ?? '';
  const listed = signsFor(stroke);
  // The newest word on each sign; a sign that was answered here needs no other.
  const noted: Partial<Record<SignId, ReviewDraft['signs'][SignId]>> = {};
  for (const { sign, sighting, on } of data?.signs ?? [])
    if (on >= last && listed.includes(sign) && !(sign in signs) && !(sign in noted)) noted[sign] = sighting;
  const ids = Object.keys(noted) as SignId[];
  if (ids.length === 0) return null;
  return (
    <Notice
      action={
        <Button mode="outlined" onPress={() => onTake(noted)}>
          Add to the review
        </Button>
      }
    >
      {`Noted on deck since the last look: ${ids.map((id) => signCard(id).seen).join('; ')}.`}
    </Notice>
  );
}
