// What a test says, and whether it is better than last time.
import type { TestView } from '@upwell/contract/records';
import { compareTests, SWIM_TEST, testValue, type SwimTestKind, type TestOutcome } from '@upwell/core/swimtests';
import { dayWord, numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';

interface SaysProps {
  readonly kind: SwimTestKind;
  readonly outcome: TestOutcome | null;
  readonly refused: string | null;
  readonly last: TestView | undefined;
}

const VERDICT_WORD = {
  better: 'better than last time',
  worse: 'not as good as last time',
  different: 'different from last time',
  'no real change': 'no real change: within the test’s own variation',
  'cannot tell': 'too few repeats to say whether it changed',
} as const;

/** The number, how sure it is, and whether it is a change; or why there is none. */
export function Says({ kind, outcome, refused, last }: SaysProps) {
  const theme = useTheme();
  const change = outcome && last ? compareTests(kind, outcome, last.outcome) : null;
  return (
    <Card title={SWIM_TEST[kind].measures} strong={outcome !== null}>
      {outcome ? (
        <View aria-live="polite">
          <Text style={styles.figure}>{testValue(kind, outcome.value)}</Text>
          <Text variant="labelMedium">
            {outcome.error === null
              ? 'one test only'
              : `± ${numberWord(2 * outcome.error, Math.max(1, SWIM_TEST[kind].decimals))}`}
          </Text>
          <Text style={styles.words}>{outcome.words}</Text>
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {outcome.method}
          </Text>
        </View>
      ) : (
        <Text aria-live="polite">{refused}</Text>
      )}
      {change && last ? (
        <View style={[styles.last, { borderTopColor: theme.own.line }]}>
          <Text>{`${dayWord(last.heldOn)}: ${testValue(kind, last.outcome.value)}`}</Text>
          <Text variant="labelMedium">{VERDICT_WORD[change.verdict]}</Text>
          {change.smallest !== null ? (
            <Text variant="bodySmall">{`A change counts from ${testValue(kind, change.smallest)}.`}</Text>
          ) : null}
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  figure: { fontFamily: 'Atkinson Bold', fontSize: 40, lineHeight: 46, fontVariant: ['tabular-nums'] },
  words: { marginVertical: 6 },
  last: { borderTopWidth: 1, marginTop: 10, paddingTop: 8 },
});
