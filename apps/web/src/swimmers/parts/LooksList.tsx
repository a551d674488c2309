import { useToday, useZone } from '@/state/hooks';
import { dayIn } from '@upwell/core/days';
import type { Look } from '@upwell/contract/looks';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useLooksInfiniteQuery } from '../api';
import { clockWord, datedWord } from '@upwell/core/words';

/** Looks of one day, the newest first. */
interface Day {
  readonly day: string;
  readonly looks: Look[];
}

function byDay(looks: readonly Look[], zone: string): Day[] {
  const days: Day[] = [];
  for (const look of looks) {
    const day = dayIn(zone, look.at);
    if (days.at(-1)?.day !== day) days.push({ day, looks: [] });
    days.at(-1)!.looks.push(look);
  }
  return days;
}

/** Who looked at what: of one child, or of all children of the club. */
export function LooksList({ swimmerId }: { readonly swimmerId?: string }) {
  const theme = useTheme();
  const zone = useZone();
  const today = useToday();
  const { data, error, refetch, fetchNextPage, hasNextPage, isFetching } = useLooksInfiniteQuery(swimmerId ?? null);
  if (error && !data) return <Failure error={error} retry={() => void refetch()} />;
  if (!data) return <Loading label="Loading the log" />;
  const looks = data.pages.flatMap((page) => page.items);
  if (looks.length === 0) return <Text>No coach has looked yet.</Text>;
  return (
    <View>
      {byDay(looks, zone).map(({ day, looks: ofDay }) => (
        <View key={day} role="list" accessibilityLabel={datedWord(day, today)}>
          <Text variant="labelLarge" style={styles.day}>
            {datedWord(day, today)}
          </Text>
          {ofDay.map((look) => (
            <View key={look.id} role="listitem" style={[styles.row, { borderTopColor: theme.own.line }]}>
              <Text style={styles.time}>{clockWord(look.at, zone)}</Text>
              <View style={styles.flex}>
                <Text>{swimmerId ? look.what : `${look.swimmer} · ${look.what}`}</Text>
                <Text variant="bodySmall">{look.by}</Text>
              </View>
            </View>
          ))}
        </View>
      ))}
      {hasNextPage ? (
        <Button mode="outlined" disabled={isFetching} onPress={() => void fetchNextPage()} style={styles.older}>
          {isFetching ? 'Loading…' : 'Show older looks'}
        </Button>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  day: { marginTop: 12, marginBottom: 4 },
  row: { flexDirection: 'row', gap: 12, borderTopWidth: 1, paddingVertical: 6 },
  time: { width: 76, fontVariant: ['tabular-nums'] },
  flex: { flex: 1 },
  older: { alignSelf: 'flex-start', marginTop: 12 },
});
