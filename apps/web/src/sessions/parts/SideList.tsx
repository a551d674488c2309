/** The sessions beside the one that is open: from one to the next without going back. */
import type { SessionRow } from '@upwell/contract/sessions';
import { addDays } from '@upwell/core/days';
import { dayWord, startTimeWord } from '@upwell/core/words';
import { Link, type Href } from 'expo-router';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useSessionsQuery } from '../api';
import { LISTED_DAYS, MOST_LISTED } from '../listed';

export function SideList({ open }: { readonly open: string }) {
  const theme = useTheme();
  const today = useToday();
  const { data: rows = [], isLoading } = useSessionsQuery({
    from: addDays(today, -LISTED_DAYS),
    search: '',
    templates: false,
    limit: MOST_LISTED,
  });
  const parts = [
    { title: 'Today and later', rows: rows.filter((row) => row.date >= today) },
    { title: 'Before', rows: rows.filter((row) => row.date < today).reverse() },
  ];
  return (
    <View role="navigation" aria-label="Sessions" style={[styles.side, { borderRightColor: theme.own.line }]}>
      <ScrollView contentContainerStyle={styles.list}>
        {isLoading ? <Loading label="Loading sessions" /> : null}
        {parts.map((part) =>
          part.rows.length > 0 ? (
            <View key={part.title} style={styles.part}>
              <Text variant="labelMedium">{part.title}</Text>
              {part.rows.map((row) => (
                <Line key={row.id} row={row} open={row.id === open} />
              ))}
            </View>
          ) : null,
        )}
      </ScrollView>
    </View>
  );
}

function Line({ row, open }: { readonly row: SessionRow; readonly open: boolean }) {
  const theme = useTheme();
  const look = {
    backgroundColor: open ? theme.own.sand : 'transparent',
    borderLeftColor: open ? theme.colors.primary : 'transparent',
  };
  return (
    <Link href={`/sessions/${row.id}` as Href} asChild>
      <Pressable aria-current={open ? 'page' : undefined} style={StyleSheet.flatten([styles.line, look])}>
        <Text variant="labelMedium">{`${dayWord(row.date)} ${startTimeWord(row)}`}</Text>
        <Text variant="bodySmall" numberOfLines={2}>
          {row.title}
        </Text>
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  side: { width: 220, borderRightWidth: 1 },
  list: { padding: 12, gap: 16 },
  part: { gap: 2 },
  line: { minHeight: 52, paddingVertical: 6, paddingHorizontal: 8, borderLeftWidth: 4, borderRadius: 4 },
});
