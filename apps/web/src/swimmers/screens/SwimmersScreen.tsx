// Everybody in the club, found by name, level, squad or focus.
import { useToday } from '@/state/hooks';
import { levelCard, type LevelId, LEVELS } from '@upwell/core/swimmers';
import { causeCard } from '@upwell/core/review';
import type { SwimmerRow } from '@upwell/contract/swimmers';
import { type Href, Link, useRouter } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { SearchField } from '@/ui/SearchField';
import { distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Toggle } from '@/ui/Toggle';
import { useTheme } from '@/ui/useTheme';
import { useSquadsQuery, useSwimmersInfiniteQuery } from '../api';

export function SwimmersScreen() {
  const router = useRouter();
  const { data: me } = useMeQuery();
  const [search, setSearch] = useState('');
  const [squadId, setSquad] = useState<string>();
  const [level, setLevel] = useState<LevelId>();
  const [archived, setArchived] = useState(false);
  const asked = useDeferredValue(search.trim());
  const { data: squads } = useSquadsQuery();
  const query = useSwimmersInfiniteQuery({
    limit: 40,
    archived,
    ...(asked ? { search: asked } : {}),
    ...(squadId ? { squadId } : {}),
    ...(level ? { level } : {}),
  });
  const rows = query.data?.pages.flatMap((page) => page.items) ?? [];
  const filtered = Boolean(asked || squadId || level || archived);
  const coach = me?.role !== 'swimmer';

  return (
    <Screen
      title="Swimmers"
      actions={
        coach ? (
          <>
            <Button mode="outlined" icon="chart-bar" onPress={() => router.navigate('/swimmers/results' as Href)}>
              Results
            </Button>
            <Button mode="outlined" icon="video" onPress={() => router.navigate('/swimmers/film' as Href)}>
              Film
            </Button>
            <Button mode="contained" icon="plus" onPress={() => router.navigate('/swimmers/new')}>
              Add swimmer
            </Button>
          </>
        ) : null
      }
    >
      <SearchField
        placeholder="Find by name"
        value={search}
        onChange={setSearch}
        style={styles.search}
        label="Find a swimmer by name"
      />
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={styles.chips}>
        {squads
          ?.filter((s) => !s.archived)
          .map((s) => (
            <Toggle
              key={s.id}
              label={s.name}
              on={squadId === s.id}
              onPress={() => setSquad(squadId === s.id ? undefined : s.id)}
            />
          ))}
        {LEVELS.map((id) => (
          <Toggle
            key={id}
            label={levelCard(id).name}
            on={level === id}
            onPress={() => setLevel(level === id ? undefined : id)}
          />
        ))}
        <Toggle label="Archived" on={archived} onPress={() => setArchived(!archived)} />
      </ScrollView>
      {query.error ? <Failure error={query.error} retry={() => void query.refetch()} /> : null}
      {query.isLoading ? <Loading label="Loading swimmers" /> : null}
      <View role="list">
        {rows.map((row) => (
          <SwimmerLine key={row.id} row={row} />
        ))}
      </View>
      {query.data && rows.length === 0 ? (
        filtered ? (
          <Empty title="Nobody found">Change the search or remove a filter.</Empty>
        ) : (
          <Empty
            title="No swimmers yet"
            action={
              coach ? (
                <Button mode="contained" onPress={() => router.navigate('/swimmers/roster' as Href)}>
                  Import a list
                </Button>
              ) : null
            }
          >
            Add the first one, or import a list of all of them.
          </Empty>
        )
      ) : null}
      {query.hasNextPage ? (
        <Button
          mode="outlined"
          disabled={query.isFetchingNextPage}
          onPress={() => void query.fetchNextPage()}
          style={styles.more}
        >
          {query.isFetchingNextPage ? 'Loading…' : 'Show more'}
        </Button>
      ) : null}
    </Screen>
  );
}

function SwimmerLine({ row }: { readonly row: SwimmerRow }) {
  const theme = useTheme();
  const today = useToday();
  const due = row.focus && row.focus.relookOn <= today;
  return (
    <View role="listitem">
      <Link href={`/swimmers/${row.id}` as Href} asChild>
        <Pressable style={StyleSheet.flatten([styles.line, { borderBottomColor: theme.own.line }])}>
          <View style={styles.flex}>
            <Text variant="titleMedium">{`${row.givenName} ${row.familyName}`}</Text>
            <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
              {[
                levelCard(row.level).name,
                row.squadName,
                row.child ? 'counts as under 18' : '',
                row.goal ? `${row.goal.event} ${distanceInDays(today, row.goal.date)}` : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
          </View>
          {row.focus ? (
            <View style={styles.focus}>
              <Text variant="labelMedium" numberOfLines={2} style={styles.cause}>
                {causeCard(row.focus.cause).name}
              </Text>
              <Text variant="bodySmall" style={{ color: due ? theme.colors.error : theme.colors.onSurfaceVariant }}>
                {due ? 'second look due' : `look again ${distanceInDays(today, row.focus.relookOn)}`}
              </Text>
            </View>
          ) : null}
        </Pressable>
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  search: { marginBottom: 10 },
  chips: { gap: 8, paddingBottom: 12 },
  line: {
    minHeight: 64,
    paddingVertical: 10,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    borderBottomWidth: 1,
  },
  flex: { flex: 1 },
  cause: { textAlign: 'right' },
  focus: { maxWidth: '46%', alignItems: 'flex-end' },
  more: { marginTop: 16, alignSelf: 'center' },
});
