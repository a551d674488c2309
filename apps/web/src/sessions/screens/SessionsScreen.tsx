/** What was planned and what is to come: as a list, a week, or the templates to begin from. */
import { useToday } from '@/state/hooks';
import type { SessionRow } from '@upwell/contract/sessions';
import { Link, useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { addDays, weekOf } from '@upwell/core/days';
import { summaryWord } from '@upwell/core/units';
import { dayWord, numberWord, startTimeWord } from '@upwell/core/words';
import { SearchField } from '@/ui/SearchField';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { WayOn } from '@/ui/WayOn';
import { useSessionsQuery } from '../api';
import { SessionLine } from '../parts/SessionLine';

const VIEWS = ['list', 'week', 'templates'] as const;
type View_ = (typeof VIEWS)[number];
const VIEW_WORD: Readonly<Record<View_, string>> = { list: 'List', week: 'Week', templates: 'Templates' };

export function SessionsScreen() {
  const router = useRouter();
  const { data: me } = useMeQuery();
  const { view: asked } = useLocalSearchParams<{ view?: string }>();
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
      {view === 'week' ? <Week /> : <List templates={view === 'templates'} />}
    </Screen>
  );
}

function List({ templates }: { readonly templates: boolean }) {
  const today = useToday();
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
    ...(templates || asked !== '' ? {} : { from: addDays(today, -60) }),
    search: asked,
    templates,
    limit: 200,
  });
  return (
    <View>
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
        <Days title="Templates" rows={rows ?? []} />
      ) : (
        <>
          <Days title="Today and later" rows={rows?.filter((row) => row.date >= today) ?? []} />
          <Days title="Before" rows={rows?.filter((row) => row.date < today).reverse() ?? []} />
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
}

/** Seven days side by side, or below one another on a phone. */
function Week() {
  const wide = useWide();
  const theme = useTheme();
  const today = useToday();
  const [monday, setMonday] = useState(() => weekOf(today));
  const { data: rows, error, refetch } = useSessionsQuery({ from: monday, to: addDays(monday, 6), limit: 100 });
  const days = Array.from({ length: 7 }, (_, i) => addDays(monday, i));
  return (
    <View>
      <View style={styles.weekHead}>
        <IconButton
          icon="chevron-left"
          accessibilityLabel="The week before"
          onPress={() => setMonday(addDays(monday, -7))}
        />
        <Text variant="titleMedium" role="heading" aria-level={2}>
          {`Week of ${dayWord(monday)}`}
        </Text>
        <IconButton
          icon="chevron-right"
          accessibilityLabel="The next week"
          onPress={() => setMonday(addDays(monday, 7))}
        />
      </View>
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      <View style={wide ? styles.week : undefined}>
        {days.map((day) => {
          const here = rows?.filter((row) => row.date === day) ?? [];
          return (
            <View
              key={day}
              style={[
                wide ? styles.day : styles.dayRow,
                { borderColor: day === today ? theme.colors.primary : theme.own.line },
              ]}
              role="group"
              aria-label={dayWord(day)}
            >
              <Text variant="labelMedium" style={styles.dayName}>
                {dayWord(day)}
              </Text>
              <View style={styles.flex}>
                {here.map((row) => (
                  <Link key={row.id} href={`/sessions/${row.id}` as Href} asChild>
                    <Pressable style={StyleSheet.flatten([styles.inDay, { backgroundColor: theme.own.sand }])}>
                      <Text variant="labelMedium">{startTimeWord(row)}</Text>
                      <Text variant="bodySmall">{row.title}</Text>
                      <Text variant="bodySmall">
                        {row.groups.map((g) => `${g.name} ${summaryWord(g, numberWord)}`).join(', ')}
                      </Text>
                    </Pressable>
                  </Link>
                ))}
              </View>
            </View>
          );
        })}
      </View>
    </View>
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

const styles = StyleSheet.create({
  search: { marginBottom: 12 },
  days: { marginBottom: 18 },
  weekHead: { flexDirection: 'row', alignItems: 'center', justifyContent: 'center', gap: 8, marginBottom: 8 },
  week: { flexDirection: 'row', gap: 6, alignItems: 'stretch' },
  day: { flex: 1, borderWidth: 1, borderRadius: 6, padding: 6, minHeight: 220 },
  dayRow: { flexDirection: 'row', borderBottomWidth: 1, paddingVertical: 8, gap: 8, minHeight: 52 },
  dayName: { minWidth: 84, marginBottom: 6 },
  inDay: { borderRadius: 4, padding: 8, marginBottom: 6 },
  flex: { flex: 1 },
});
