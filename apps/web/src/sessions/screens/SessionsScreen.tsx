/** What was planned and what is to come: as a list, a week, or the templates to begin from. */
import { useToday } from '@/state/hooks';
import type { SessionRow } from '@upwell/contract/sessions';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { addDays } from '@upwell/core/days';
import { SearchField } from '@/ui/SearchField';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { useRoomy } from '@/ui/useRoomy';
import { WayOn } from '@/ui/WayOn';
import { useSessionsQuery } from '../api';
import { LISTED_DAYS, MOST_LISTED } from '../listed';
import { SessionLine } from '../parts/SessionLine';
import { SessionPreview } from '../parts/SessionPreview';
import { WeekBoard } from '../parts/WeekBoard';

const VIEWS = ['list', 'week', 'templates'] as const;
type View_ = (typeof VIEWS)[number];
const VIEW_WORD: Readonly<Record<View_, string>> = { list: 'List', week: 'Week', templates: 'Templates' };

export function SessionsScreen() {
  const router = useRouter();
  const { data: me } = useMeQuery();
  const { view: asked, week } = useLocalSearchParams<{ view?: string; week?: string }>();
  const view = VIEWS.find((v) => v === asked) ?? 'list';
  const coach = me?.role !== 'swimmer';
  return (
    <Screen
      title="Sessions"
      actions={
        coach ? (
          <>
            <Button icon="calendar" onPress={() => router.navigate('/sessions/season' as Href)}>
              Season
            </Button>
            <Button icon="chart-bar" onPress={() => router.navigate('/sessions/load')}>
              Load
            </Button>
            <Button mode="outlined" icon="text-box-outline" onPress={() => router.navigate('/sessions/write')}>
              Write one
            </Button>
            <Button mode="contained" icon="plus" onPress={() => router.navigate('/sessions/new')}>
              Build a session
            </Button>
          </>
        ) : null
      }
    >
      {coach ? (
        <Tabs
          label="View of the sessions"
          tabs={VIEWS.map((value) => ({ value, label: VIEW_WORD[value] }))}
          chosen={view}
          onChoose={(value) => router.setParams({ view: value })}
        />
      ) : null}
      {view === 'week' ? (
        <WeekBoard key={week} plans={coach} at={week} />
      ) : (
        <List key={view} templates={view === 'templates'} />
      )}
    </Screen>
  );
}

function List({ templates }: { readonly templates: boolean }) {
  const today = useToday();
  const roomy = useRoomy();
  const [pointed, setPointed] = useState<string | null>(null);
  const [search, setSearch] = useState('');
  const [asked, setAsked] = useState('');
  useEffect(() => {
    const timer = setTimeout(() => setAsked(search.trim()), 200);
    return () => clearTimeout(timer);
  }, [search]);
  const {
    data: rows,
    error,
    refetch,
  } = useSessionsQuery({
    // Searching looks through everything, without it the last two months are enough.
    ...(templates || asked !== '' ? {} : { from: addDays(today, -LISTED_DAYS) }),
    search: asked,
    templates,
    limit: MOST_LISTED,
  });
  // The next one, until another is pointed at.
  const next = templates ? rows?.[0] : (rows?.find((row) => row.date >= today) ?? rows?.at(-1));
  const shown = rows?.find(({ id }) => id === pointed) ?? next;
  const list = (
    <View style={roomy ? styles.list : undefined}>
      <SearchField
        placeholder="Find by title or theme"
        value={search}
        onChange={setSearch}
        style={styles.search}
        label="Find a session by title or theme"
      />
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!rows && !error ? <Loading label="Loading sessions" /> : null}
      {templates ? (
        <Days title="Templates" rows={rows ?? []} onPoint={setPointed} />
      ) : (
        <>
          <Days title="Today and later" rows={rows?.filter((row) => row.date >= today) ?? []} onPoint={setPointed} />
          <Days title="Before" rows={rows?.filter((row) => row.date < today).reverse() ?? []} onPoint={setPointed} />
        </>
      )}
      {rows && rows.length === 0 ? (
        <Empty
          title={asked ? 'Nothing found' : templates ? 'No templates yet' : 'No sessions yet'}
          action={asked || templates ? null : <WayOn to="/sessions/new" label="Build a session" />}
        >
          {asked
            ? 'Try another word.'
            : templates
              ? 'Open a session that went well, and save it as a template.'
              : 'Choose who comes and a theme; the rest is worked out for every level at once.'}
        </Empty>
      ) : null}
    </View>
  );
  if (!roomy) return list;
  return (
    <View style={styles.columns}>
      {list}
      <View style={styles.preview}>{shown ? <SessionPreview key={shown.id} id={shown.id} /> : null}</View>
    </View>
  );
}

function Days({
  title,
  rows,
  onPoint,
}: {
  readonly title: string;
  readonly rows: readonly SessionRow[];
  readonly onPoint: (id: string) => void;
}) {
  if (rows.length === 0) return null;
  return (
    <View style={styles.days}>
      <Text variant="titleSmall" role="heading" aria-level={2}>
        {title}
      </Text>
      <View role="list">
        {rows.map((row) => (
          <SessionLine key={row.id} row={row} href={`/sessions/${row.id}`} onPoint={() => onPoint(row.id)} />
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  search: { marginBottom: 12 },
  days: { marginBottom: 18 },
  columns: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  list: { flex: 5, minWidth: 0 },
  preview: { flex: 4, minWidth: 0 },
});
