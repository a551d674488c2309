/** The second look: each old sign beside what is seen now, and what became of the focus. */
import { useToday, useZone } from '@/state/hooks';
import { dayIn } from '@upwell/core/days';
import type { FocusView, ReviewView } from '@upwell/contract/review';
import {
  causeCard,
  compareLooks,
  FOCUS_OUTCOMES,
  type FocusOutcome,
  type Sighting,
  type SignId,
  type SignsSeen,
} from '@upwell/core/review';
import { datedWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choices } from '@/figure';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';
import { SIGHTING_MARK, SignRow } from './SignRow';

export const OUTCOME_WORD: Readonly<Record<FocusOutcome, string>> = {
  better: 'Better',
  same: 'Same',
  worse: 'Worse',
  solved: 'Solved',
};

interface RelookCardProps {
  readonly focus: FocusView;
  readonly before: ReviewView;
  readonly now: SignsSeen;
  readonly onAnswer: (sign: SignId, sighting: Sighting) => void;
  readonly outcome: FocusOutcome | null;
  readonly onOutcome: (outcome: FocusOutcome) => void;
}

export function RelookCard({ focus, before, now, onAnswer, outcome, onOutcome }: RelookCardProps) {
  const zone = useZone();
  const thisDay = useToday();
  const theme = useTheme();
  const { rows, outcome: compared } = compareLooks(focus.cause, before.signs, now);
  const shown = outcome ?? compared;
  return (
    <Card
      title="Then and now"
      aside={<Text variant="bodySmall">{`since ${datedWord(dayIn(zone, focus.since), thisDay)}`}</Text>}
    >
      <Text>{`Worked on: ${causeCard(focus.cause).name}. Look at the same things again.`}</Text>
      {rows.map(({ sign, before: then, now: today }) => (
        <View key={sign}>
          <Text variant="labelSmall" style={[styles.then, { color: theme.colors.onSurfaceVariant }]}>
            {`then ${SIGHTING_MARK[then]}${today ? `, now ${SIGHTING_MARK[today]}` : ''}`}
          </Text>
          <SignRow sign={sign} sighting={today} onAnswer={(sighting) => onAnswer(sign, sighting)} />
        </View>
      ))}
      <View style={styles.outcome}>
        <Text variant="labelLarge" style={styles.flex}>
          {shown ? 'Overall' : 'Overall: look at one of these first'}
        </Text>
        <Choices
          label="Outcome of the focus"
          options={FOCUS_OUTCOMES.map((value) => ({
            value,
            word: OUTCOME_WORD[value],
            said: `Outcome: ${OUTCOME_WORD[value]}`,
          }))}
          value={shown ?? ''}
          onChange={(value) => onOutcome(value as FocusOutcome)}
        />
      </View>
      {compared && outcome && outcome !== compared ? (
        <Text variant="bodySmall">{`The signs suggest ${OUTCOME_WORD[compared].toLowerCase()}; you decide.`}</Text>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  then: { marginTop: 8 },
  outcome: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8, marginTop: 12 },
  flex: { flexGrow: 1 },
});
