/** A swimmer's bests: each distance, in the pool and outside, with its day, what it gained, and the best of the year. */
import type { RecordsView } from '@upwell/contract/records';
import { bestsOf, type Best } from '@upwell/core/measures';
import { formatTime } from '@upwell/core/units';
import { counted, datedWord, numberWord } from '@upwell/core/words';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';

export function Bests({ records }: { readonly records: RecordsView }) {
  const today = useToday();
  const bests = useMemo(() => bestsOf(records.results, today), [records.results, today]);
  if (bests.length === 0) return null;
  return (
    <Card title="Bests">
      <View role="list">
        {bests.map((best) => (
          <Line key={`${best.distanceM} ${best.place}`} best={best} today={today} />
        ))}
      </View>
    </Card>
  );
}

function Line({ best, today }: { readonly best: Best; readonly today: string }) {
  const theme = useTheme();
  const { distanceM, place, timeS, on, gainS, year, swims } = best;
  const quiet = { color: theme.colors.onSurfaceVariant };
  const isYears = year !== null && year.timeS === timeS && year.on === on;
  const beside = [
    gainS === null ? '' : `${numberWord(gainS, 1)} s faster than before`,
    year === null
      ? 'not swum in the last twelve months'
      : isYears
        ? ''
        : `best of twelve months ${formatTime(year.timeS, 1)} on ${datedWord(year.on, today)}`,
    counted(swims, 'swim'),
  ].filter(Boolean);
  return (
    <View role="listitem" style={[styles.line, { borderTopColor: theme.own.line }]}>
      <View style={styles.row}>
        <Text variant="titleMedium" style={styles.flex}>
          {`${numberWord(distanceM)} m${place === 'outside' ? ' outside' : ''}`}
        </Text>
        <Text variant="bodySmall" style={quiet}>
          {datedWord(on, today)}
        </Text>
        <Text style={styles.time}>{formatTime(timeS, 1)}</Text>
      </View>
      <Text variant="bodySmall" style={quiet}>
        {beside.join(' · ')}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  line: { borderTopWidth: 1, paddingVertical: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 12 },
  flex: { flex: 1 },
  time: {
    fontFamily: 'Atkinson Bold',
    fontSize: 20,
    lineHeight: 26,
    minWidth: 82,
    textAlign: 'right',
    fontVariant: ['tabular-nums'],
  },
});
