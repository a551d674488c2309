/** Good enough for today: the next fault of the same look, without looking at everything again. */
import type { FocusView, ReviewView } from '@upwell/contract/review';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { causeCard, linksOf, type SignId, type SignsSeen, whyFirst } from '@upwell/core/review';
import { type Href, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useDraft } from '@/state/hooks';
import { newReviewDraft, type ReviewDraft } from '../draft';
import { useInference } from '../useInference';

interface NextFaultProps {
  readonly swimmer: SwimmerPage;
  readonly focus: FocusView;
  readonly review: ReviewView;
}

export function NextFault({ swimmer, focus, review }: NextFaultProps) {
  const router = useRouter();
  const [first] = useState(() => newReviewDraft(review.stroke));
  const [, setDraft] = useDraft<ReviewDraft>(`review:${swimmer.id}`, first);
  const { level, strokeModel: model } = swimmer;
  const signs = othersThan(focus, review);
  const inference = useInference({ stroke: review.stroke, model, level, signs }, {});
  const next = inference?.focus;
  if (!next) return null;
  const begin = () => {
    // A look that was begun already stays as it is.
    setDraft((now) =>
      Object.keys(now.signs).length > 0
        ? now
        : { ...now, signs, outcome: 'better', good: `Better: ${causeCard(focus.cause).name.toLowerCase()}` },
    );
    router.navigate(`/swimmers/${swimmer.id}/review` as Href);
  };
  return (
    <View style={styles.next}>
      <Text variant="bodySmall">{whyFirst(inference)}</Text>
      <Button mode="contained-tonal" onPress={begin}>
        {`Next fault: ${causeCard(next).name}`}
      </Button>
    </View>
  );
}

/** What else was seen in the look that gave the focus. */
function othersThan({ cause }: FocusView, { signs }: ReviewView): SignsSeen {
  return Object.fromEntries(
    Object.entries(signs).filter(([sign, seen]) => seen !== 'absent' && !((sign as SignId) in linksOf(cause))),
  );
}

const styles = StyleSheet.create({ next: { marginTop: 10, gap: 6 } });
