// What was timed on deck.
import type { RecordsView } from '@upwell/contract/records';
import { attendanceOf, MISSED_TO_ASK } from '@upwell/core/deck';
import { signCard } from '@upwell/core/review';
import { counted as countedWord, datedWord } from '@upwell/core/words';
import { lazy, Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Empty, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

const AttendanceChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.AttendanceChart })));

export function OnDeck({ records }: { readonly records: RecordsView }) {
  const theme = useTheme();
  const today = useToday();
  const { months, there, counted, missed } = attendanceOf(records.attended, today);
  if (records.attended.length + records.signs.length === 0)
    return <Empty title="Nothing noted on deck yet">Run a session, count heads and note what you see.</Empty>;
  return (
    <View>
      <Card title={`There at ${there} of ${countedWord(counted, 'session')} in twelve months`}>
        {missed >= MISSED_TO_ASK ? (
          <Notice>{`Not there at the last ${missed} sessions: worth a friendly question.`}</Notice>
        ) : null}
        {months.length > 1 ? (
          <Suspense fallback={<View style={styles.chart} />}>
            <AttendanceChart months={months} />
          </Suspense>
        ) : null}
        {records.attended.slice(0, 30).map((a) => (
          <Text
            key={a.sessionId}
          >{`${datedWord(a.on, today)} · ${a.title}: ${a.as === 'absent' ? 'not there' : 'there'}`}</Text>
        ))}
      </Card>
      {records.signs.length > 0 ? (
        <Card title="Seen on deck">
          {records.signs.map((s) => (
            <Text key={s.id} style={[styles.line, { borderTopColor: theme.own.line }]}>
              {`${datedWord(s.on, today)} · ${signCard(s.sign).seen}`}
            </Text>
          ))}
        </Card>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  chart: { height: 120 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 10, borderTopWidth: 1, paddingVertical: 8, minHeight: 48 },
});
