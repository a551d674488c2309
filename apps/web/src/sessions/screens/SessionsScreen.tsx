import type { SessionRow } from '@upwell/contract/sessions';
import { CAUSES } from '@upwell/core/review';
import { Link, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Searchbar, Text } from 'react-native-paper';
import { useMeQuery } from '@/account/api';
import { addDays, dayOf, dayWord } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useSessionsQuery } from '../api';

export function SessionsScreen() {
  const router = useRouter();
  const today = dayOf(new Date());
  const [search, setSearch] = useState('');
  const { data: me } = useMeQuery();
  const { data, error, refetch } = useSessionsQuery({ from: addDays(today, -60), limit: 200 });
  const wanted = search.trim().toLowerCase();
  const rows = data?.filter((row) => `${row.title} ${CAUSES[row.theme].name}`.toLowerCase().includes(wanted)) ?? [];
  const coming = rows.filter((row) => row.date >= today);
  const past = rows.filter((row) => row.date < today).reverse();
  return (
    <Screen
      title="Sessions"
      actions={
        me?.role === 'swimmer' ? null : (
          <Button mode="contained" icon="plus" onPress={() => router.navigate('/sessions/new')}>
            Build a session
          </Button>
        )
      }
    >
      <Searchbar
        placeholder="Find by title or theme"
        value={search}
        onChangeText={setSearch}
        style={styles.search}
        accessibilityLabel="Find a session by title or theme"
      />
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!data && !error ? <Loading label="Loading sessions" /> : null}
      <Days title="Today and later" rows={coming} />
      <Days title="Before" rows={past} />
      {data && rows.length === 0 ? (
        <Empty title={wanted ? 'Nothing found' : 'No sessions yet'}>
          {wanted
            ? 'Try another word.'
            : 'Choose who comes and a theme; the rest is worked out for every level at once.'}
        </Empty>
      ) : null}
    </Screen>
  );
}

function Days({ title, rows }: { readonly title: string; readonly rows: readonly SessionRow[] }) {
  if (rows.length === 0) return null;
  return (
    <View style={styles.days}>
      <Text variant="titleSmall" role="heading" aria-level={2}>
        {title}
      </Text>
      <View role="list">
        {rows.map((row) => (
          <SessionLine key={row.id} row={row} href={`/sessions/${row.id}`} />
        ))}
      </View>
    </View>
  );
}

/** One session in a list: when, theme, and the metres per level as bars. */
export function SessionLine({ row, href }: { readonly row: SessionRow; readonly href: string }) {
  const theme = useTheme();
  const most = Math.max(...row.groups.map((g) => g.metres), 1);
  return (
    <View role="listitem">
      <Link href={href} asChild>
        <Pressable style={StyleSheet.flatten([styles.line, { borderBottomColor: theme.own.line }])}>
          <View style={styles.when}>
            <Text variant="labelMedium">{dayWord(row.date)}</Text>
            <Text variant="bodySmall">{row.startTime}</Text>
          </View>
          <View style={styles.flex}>
            <Text variant="titleMedium">{row.title}</Text>
            <Text
              variant="bodySmall"
              style={{ color: theme.colors.onSurfaceVariant }}
            >{`${CAUSES[row.theme].name} · ${row.minutes} min`}</Text>
          </View>
          <View style={styles.groups}>
            {row.groups.map((group) => (
              <View key={group.name} style={styles.group}>
                <Text
                  variant="labelSmall"
                  style={styles.metres}
                >{`${group.name} ${Math.round(group.metres).toLocaleString()}`}</Text>
                <View
                  style={[styles.bar, { width: 6 + 44 * (group.metres / most), backgroundColor: theme.colors.primary }]}
                  aria-hidden
                />
              </View>
            ))}
          </View>
        </Pressable>
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  search: { marginBottom: 12 },
  days: { marginBottom: 18 },
  line: {
    minHeight: 68,
    paddingVertical: 10,
    borderBottomWidth: 1,
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: 12,
    rowGap: 4,
    alignItems: 'center',
  },
  when: { width: 86 },
  flex: { flexGrow: 1, flexShrink: 1, flexBasis: 170 },
  groups: { gap: 2, alignItems: 'flex-start', width: 140 },
  group: { flexDirection: 'row', alignItems: 'center', gap: 6 },
  metres: { width: 82, fontVariant: ['tabular-nums'], textAlign: 'right' },
  bar: { height: 6, borderRadius: 3 },
});
