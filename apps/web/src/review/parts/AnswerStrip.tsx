/** On a phone the answer stays in sight: the leading cause, and the one thing to look at next. */
import { causeCard, type Inference, type Sighting, type SignId } from '@upwell/core/review';
import { percent } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { LookNext, leaderOf, NOTHING_YET, pointsTo } from './WhyStrip';

interface AnswerStripProps {
  readonly inference: Inference;
  readonly onAnswer: (sign: SignId, sighting: Sighting) => void;
}

export function AnswerStrip({ inference, onAnswer }: AnswerStripProps) {
  const leader = leaderOf(inference);
  const sure = inference.focus !== null;
  return (
    <View style={styles.strip} role="status" aria-label="The likely cause so far">
      {pointsTo(leader) ? (
        <View style={styles.line}>
          <Text variant="titleMedium" style={styles.flex}>
            {`${sure ? '' : 'Perhaps: '}${causeCard(leader.cause).name}`}
          </Text>
          <Text variant="titleMedium" style={styles.figures}>
            {percent(leader.probability)}
          </Text>
        </View>
      ) : (
        <Text variant="titleMedium">{NOTHING_YET}</Text>
      )}
      <LookNext inference={inference} onAnswer={onAnswer} compact />
    </View>
  );
}

const styles = StyleSheet.create({
  strip: { marginBottom: 8 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
});
