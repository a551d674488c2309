/** A swimmer's bests: each distance in each length of pool and outside, and where they stand to what the club asks for. */
import type { RecordsView } from '@upwell/contract/records';
import {
  bestsOf,
  poolWord,
  splitsWord,
  standardWord,
  standingsOf,
  swumWord,
  type Best,
  type Standing,
} from '@upwell/core/measures';
import { formatTime } from '@upwell/core/units';
import { counted, datedWord, numberWord } from '@upwell/core/words';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Icon } from '@/ui/Icon';
import { useTheme } from '@/ui/useTheme';

export function Bests({ records }: { readonly records: RecordsView }) {
  const today = useToday();
  const bests = useMemo(() => bestsOf(records.results, today), [records.results, today]);
  const standings = useMemo(() => standingsOf(bests, records.standards ?? []), [bests, records.standards]);
  if (bests.length === 0) return null;
  return (
    <>
      <Card title="Bests">
        <View role="list">
          {bests.map((best) => (
            <Line key={`${titleOf(best)} ${best.distanceM}`} best={best} today={today} />
          ))}
        </View>
      </Card>
      {standings.length > 0 ? (
        <Card title="Standards">
          <View role="list">
            {standings.map((standing, i) => (
              <StandingLine key={i} standing={standing} today={today} />
            ))}
          </View>
        </Card>
      ) : null}
    </>
  );
}

/** Where somebody stands to a standard, in words. @internal */
export function standingWord({ best, shortS }: Standing, today: string): string {
  if (best === null || shortS === null) return 'not swum yet';
  const swum = `${formatTime(best.timeS, 1)} on ${datedWord(best.on, today)}`;
  return shortS === 0 ? `reached: ${swum}` : `${numberWord(shortS, 1)} s to go: ${swum}`;
}

function StandingLine({ standing, today }: { readonly standing: Standing; readonly today: string }) {
  const theme = useTheme();
  const { standard, shortS } = standing;
  return (
    <View role="listitem" style={[styles.line, { borderTopColor: theme.own.line }]}>
      <View style={styles.row}>
        {shortS === 0 ? <Icon name="check" size={20} color={theme.colors.primary} /> : null}
        <Text variant="titleMedium" style={styles.flex}>
          {standard.name}
        </Text>
        <Text style={styles.time}>{formatTime(standard.timeS, 1)}</Text>
      </View>
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {`${standardWord(standard)}: ${standingWord(standing, today)}`}
      </Text>
    </View>
  );
}

/** What was swum and where, like "400 m, 25 m pool". */
const titleOf = (best: Best): string =>
  [swumWord(best), best.place === 'outside' ? 'outside' : best.pool ? `${poolWord(best.pool)} pool` : '']
    .filter(Boolean)
    .join(', ');

function Line({ best, today }: { readonly best: Best; readonly today: string }) {
  const theme = useTheme();
  const { timeS, on, gainS, year, swims, details } = best;
  const splits = splitsWord(best);
  const quiet = { color: theme.colors.onSurfaceVariant };
  const isYears = year !== null && year.timeS === timeS && year.on === on;
  const beside = [
    details.meet ?? '',
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
          {titleOf(best)}
        </Text>
        <Text variant="bodySmall" style={quiet}>
          {datedWord(on, today)}
        </Text>
        <Text style={styles.time}>{formatTime(timeS, 1)}</Text>
      </View>
      <Text variant="bodySmall" style={quiet}>
        {beside.join(' · ')}
      </Text>
      {splits ? (
        <Text variant="bodySmall" style={quiet}>
          {splits}
        </Text>
      ) : null}
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
