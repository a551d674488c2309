/** Reviews in time, the newest first: what was seen, what was chosen, how the tries went, what became of it. */
import { useToday, useZone } from '@/state/hooks';
import { dayIn } from '@upwell/core/days';
import type { FocusView, ReviewView } from '@upwell/contract/review';
import { drillCard } from '@upwell/core/library';
import { causeCard, type FocusOutcome, helped, type Outcome, signCard, type SignId } from '@upwell/core/review';
import { datedWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { useTheme } from '@/ui/useTheme';

interface TimelineProps {
  readonly reviews: readonly ReviewView[];
  readonly focuses: readonly FocusView[];
}

const OUTCOME_WORD: Readonly<Record<FocusOutcome, string>> = {
  better: 'better',
  same: 'same as before',
  worse: 'worse',
  solved: 'solved',
};
const VERDICT_MARK: Readonly<Record<Outcome, string>> = { better: '▲', same: '▬', worse: '▼' };
const FIRST = 4;

export function Timeline({ reviews, focuses }: TimelineProps) {
  const zone = useZone();
  const today = useToday();
  const theme = useTheme();
  const [all, setAll] = useState(false);
  if (reviews.length === 0) return null;
  const quiet = { color: theme.colors.onSurfaceVariant };
  return (
    <Card title="Reviews in time" aside={<Text variant="bodySmall">{reviews.length}</Text>}>
      {reviews.slice(0, all ? reviews.length : FIRST).map((review) => {
        const focus = focuses.find((f) => f.reviewId === review.id);
        const seen = (Object.keys(review.signs) as SignId[]).filter((id) => review.signs[id] !== 'absent');
        const better = focus?.outcome ? helped(focus.outcome) : false;
        return (
          <View
            key={review.id}
            style={[styles.review, { borderLeftColor: better ? theme.colors.primary : theme.own.kelp }]}
          >
            <Text variant="labelMedium">{`${datedWord(dayIn(zone, review.lookedAt), today)} · ${review.coachName}`}</Text>
            <Text>
              {review.focusCause ? causeCard(review.focusCause).name : 'Looked, nothing new to work on'}
              {focus?.outcome ? `: ${OUTCOME_WORD[focus.outcome]}` : focus && !focus.closedAt ? ', working on it' : ''}
            </Text>
            {focus ? (
              <Text variant="bodySmall" style={quiet}>
                {`${drillCard(focus.drill).name}${focus.triesMade.length > 0 ? `, tries ${focus.triesMade.map((t) => VERDICT_MARK[t.verdict]).join(' ')}` : ''}`}
              </Text>
            ) : null}
            {focus?.felt ? <Text variant="bodySmall" style={quiet}>{`Felt: “${focus.felt}”`}</Text> : null}
            <Text variant="bodySmall" style={quiet}>{`Good: ${review.good}`}</Text>
            <Text variant="bodySmall" style={quiet}>
              {seen.map((id) => signCard(id).seen).join('; ')}
            </Text>
            {review.noted ? <Text variant="bodySmall" style={quiet}>{`Noted: ${review.noted}`}</Text> : null}
          </View>
        );
      })}
      {reviews.length > FIRST ? (
        <Disclosure
          label={all ? 'Only the latest' : `All ${reviews.length} reviews`}
          open={all}
          onPress={() => setAll(!all)}
        />
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({ review: { borderLeftWidth: 4, paddingLeft: 10, marginTop: 10 } });
