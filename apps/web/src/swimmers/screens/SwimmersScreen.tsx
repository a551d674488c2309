// Everybody in the club, found by name, level, squad or focus.
import { useToday } from '@/state/hooks';
import { levelCard, type LevelId, LEVELS } from '@upwell/core/swimmers';
import { causeCard } from '@upwell/core/review';
import type { SwimmerRow } from '@upwell/contract/swimmers';
import { type Href, Link, useRouter } from 'expo-router';
import { lazy, Suspense, useDeferredValue, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { SearchField } from '@/ui/SearchField';
import { distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Toggle } from '@/ui/Toggle';
import { useRoomy } from '@/ui/useRoomy';
import { useTheme } from '@/ui/useTheme';
import { useSquadsQuery, useSwimmersInfiniteQuery } from '../api';

const SwimmerPane = lazy(() => import('../parts/SwimmerPane'));

export function SwimmersScreen() {
  const router = useRouter();
  const roomy = useRoomy();
  const [pointedId, setPointed] = useState<string | null>(null);
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
  const pointed = roomy ? (rows.find((row) => row.id === pointedId) ?? rows[0]) : undefined;

  return (
    <Screen
      title="Swimmers"
      {...(roomy ? { maxWidth: 1320 } : {})}
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
      <View style={roomy ? styles.columns : undefined}>
        <View role="list" style={roomy ? styles.list : undefined}>
          {rows.map((row) => (
            <SwimmerLine key={row.id} row={row} onPoint={() => setPointed(row.id)} />
          ))}
        </View>
        {pointed ? (
          <View style={styles.pane}>
            <Suspense fallback={<Loading label="Opening the swimmer" />}>
              <SwimmerPane key={pointed.id} row={pointed} coach={coach} />
            </Suspense>
          </View>
        ) : null}
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

interface SwimmerLineProps {
  readonly row: SwimmerRow;
  /** The mouse is over it, or the keyboard on it. */
  readonly onPoint: () => void;
}

function SwimmerLine({ row, onPoint }: SwimmerLineProps) {
  const theme = useTheme();
  const today = useToday();
  const due = row.focus && row.focus.relookOn <= today;
  return (
    <View role="listitem">
      <Link href={`/swimmers/${row.id}` as Href} asChild>
        <Pressable
          onHoverIn={onPoint}
          onFocus={onPoint}
          style={StyleSheet.flatten([styles.line, { borderBottomColor: theme.own.line }])}
        >
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
  columns: { flexDirection: 'row', gap: 28, alignItems: 'flex-start' },
  list: { flex: 3, minWidth: 0 },
  // Stays in sight beside a long list.
  pane: { flex: 4, minWidth: 0, position: 'sticky' as 'relative', top: 0 },
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
