import type { RecordsView } from '@upwell/contract/records';
import { formatTime } from '@upwell/core/units';
import { dayWord, numberWord, percent } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Empty } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

/** Rows that are shown before "more". */
const FIRST = 60;

export function Swims({ records }: { readonly records: RecordsView }) {
  const theme = useTheme();
  const [all, setAll] = useState(false);
  const rows = [
    ...records.results.map((r) => ({
      key: r.id,
      on: r.on,
      what: `${r.distanceM} m${r.kind === 'trial' ? ' all-out' : r.kind === 'track' ? ' outside' : ''}`,
      timeS: r.timeS,
      distanceM: r.distanceM,
      strokes: r.strokesPerLength,
      where: '',
    })),
    ...records.reps.map((r) => ({
      key: `${r.sessionId} ${r.set} ${r.rep}`,
      on: r.on,
      what: `${Math.round(r.distanceM)} m at ${percent(r.effort)}`,
      timeS: r.timeS,
      distanceM: r.distanceM,
      strokes: r.strokes,
      where: r.title,
    })),
  ].sort((a, b) => b.on.localeCompare(a.on));
  if (rows.length === 0)
    return <Empty title="No swim yet">Times taken on deck and results from files appear here.</Empty>;
  return (
    <View>
      <View role="table" aria-label="Swims, newest first">
        {rows.slice(0, all ? rows.length : FIRST).map((r) => (
          <View key={r.key} role="row" style={[styles.line, { borderTopColor: theme.own.line }]}>
            <Text role="cell" style={styles.day}>
              {dayWord(r.on)}
            </Text>
            <Text role="cell" style={styles.flex} numberOfLines={2}>
              {`${r.what}${r.where ? ` · ${r.where}` : ''}`}
            </Text>
            <Text role="cell" style={styles.figures}>
              {`${formatTime(r.timeS, 1)}${r.strokes ? ` · ${Math.round(r.strokes)}` : ''}`}
            </Text>
            <Text role="cell" variant="bodySmall" style={styles.speed}>
              {`${numberWord(r.distanceM / r.timeS, 2)} m/s`}
            </Text>
          </View>
        ))}
      </View>
      {rows.length > FIRST && !all ? <Button onPress={() => setAll(true)}>{`Show all ${rows.length}`}</Button> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 10, borderTopWidth: 1, paddingVertical: 8, minHeight: 48 },
  flex: { flex: 1, minWidth: 0 },
  day: { width: 96 },
  speed: { width: 66, textAlign: 'right' },
  figures: { fontVariant: ['tabular-nums'] },
});
