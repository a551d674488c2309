// What was timed on deck.
import type { RecordsView } from '@upwell/contract/records';
import { signCard } from '@upwell/core/review';
import { dayWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Empty } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

export function OnDeck({ records }: { readonly records: RecordsView }) {
  const theme = useTheme();
  const there = records.attended.filter((a) => a.as !== 'absent').length;
  if (records.attended.length + records.signs.length === 0)
    return <Empty title="Nothing noted on deck yet">Run a session, count heads and note what you see.</Empty>;
  return (
    <View>
      <Card title={`Present at ${there} of the last ${records.attended.length} sessions counted`}>
        {records.attended.slice(0, 30).map((a) => (
          <Text key={a.sessionId}>{`${dayWord(a.on)} · ${a.title}: ${a.as === 'absent' ? 'not there' : 'there'}`}</Text>
        ))}
      </Card>
      {records.signs.length > 0 ? (
        <Card title="Seen on deck">
          {records.signs.map((s) => (
            <Text key={s.id} style={[styles.line, { borderTopColor: theme.own.line }]}>
              {`${dayWord(s.on)} · ${signCard(s.sign).seen}`}
            </Text>
          ))}
        </Card>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 10, borderTopWidth: 1, paddingVertical: 8, minHeight: 48 },
});
