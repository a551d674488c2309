// The latest of each swim test, and all of them.
import type { RecordsView, TestView } from '@upwell/contract/records';
import { compareTests, SWIM_TEST, testValue } from '@upwell/core/swimtests';
import { datedWord, dayWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { Empty } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useRemoveTestMutation } from '../api';

const VERDICT_WORD = {
  better: 'better',
  worse: 'not as good',
  different: 'different',
  'no real change': 'no real change',
  'cannot tell': 'too few repeats to tell',
} as const;

/** The newest of a test and whether it is a change. */
export function Latest({ test, before }: { readonly test: TestView; readonly before: TestView | undefined }) {
  const change = before ? compareTests(test.kind, test.outcome, before.outcome) : null;
  return (
    <View>
      <Text variant="titleLarge" style={styles.figures}>
        {testValue(test.kind, test.outcome.value)}
      </Text>
      <Text variant="bodySmall">{`${dayWord(test.heldOn)} · ${test.outcome.words}`}</Text>
      {change ? (
        <Text variant="labelMedium">
          {`${VERDICT_WORD[change.verdict]}${change.smallest === null ? '' : `; a change counts from ${testValue(test.kind, change.smallest)}`}`}
        </Text>
      ) : null}
    </View>
  );
}

export function Tests({ records, coach }: { readonly records: RecordsView; readonly coach: boolean }) {
  const theme = useTheme();
  const today = useToday();
  const [remove] = useRemoveTestMutation();
  const [asked, setAsked] = useState<string | null>(null);
  if (records.tests.length === 0) return <Empty title="No test yet">Each takes a few minutes on deck.</Empty>;
  return (
    <View role="list">
      {records.tests.map((test) => (
        <View key={test.id} role="listitem" style={[styles.line, { borderTopColor: theme.own.line }]}>
          <View style={styles.flex}>
            <Text variant="titleMedium">{`${SWIM_TEST[test.kind].name}: ${testValue(test.kind, test.outcome.value)}`}</Text>
            <Text variant="bodySmall">{`${datedWord(test.heldOn, today)} · ${test.outcome.words}`}</Text>
            <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
              {test.outcome.method}
            </Text>
          </View>
          {coach ? (
            <Button compact onPress={() => (asked === test.id ? void remove(test.id) : setAsked(test.id))}>
              {asked === test.id ? 'Yes, remove it' : 'Take out'}
            </Button>
          ) : null}
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 10, borderTopWidth: 1, paddingVertical: 8, minHeight: 48 },
  flex: { flex: 1, minWidth: 0 },
  figures: { fontVariant: ['tabular-nums'] },
});
