import { CAUTION } from '@upwell/core/safety';
import { mattersToday } from '@upwell/core/today';
import { dayWord } from '@upwell/core/words';
import { type Href, Redirect, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { type Due, DueGroup, dueToday, useTodayQuery } from '@/due';
import { offlineWords } from '@/offline';
import { SessionLine } from '@/sessions';
import { useSquadsQuery } from '@/swimmers';
import { useAppSelector, useToday } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Screen } from '@/ui/Screen';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { usePacksQuery } from '../api';
import { FirstSteps } from '../FirstSteps';

/** Today: what matters, in the order in which it does, each with one thing to do. */
export function DeckScreen() {
  const router = useRouter();
  const wide = useWide();
  const theme = useTheme();
  const { data: me } = useMeQuery();
  const today = useToday();
  const { data, error, refetch } = useTodayQuery(today);
  // Kept for the pool, where there may be no network.
  const { data: packs } = usePacksQuery(today, { skip: !me || me.role === 'swimmer' });
  const { data: squads = [] } = useSquadsQuery();
  const unsent = useAppSelector((state) => state.offline);
  if (me?.role === 'swimmer') return <Redirect href={'/my-week' as Href} />;
  const here = new Set((packs ?? []).flatMap((pack) => pack.people.map((p) => p.id)));
  const words = offlineWords(unsent);
  const due = [
    ...(data ? dueToday(data, here, new Map(squads.map((s) => [s.id, s.name]))) : []),
    ...(words && unsent.waiting + unsent.undecided > 0 ? [unsentDue(words)] : []),
  ];
  const groups = mattersToday(due);
  const first = groups.filter((g) => g.kind === 'relook');
  const rest = groups.filter((g) => g.kind !== 'relook');
  return (
    <Screen title={dayWord(today)} over={me ? `${me.clubName}, ${me.name}` : undefined}>
      {me?.role === 'head' ? <FirstSteps /> : null}
      {error && !data ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!data && !error ? <Loading label="Loading today" /> : null}
      {data ? (
        <View style={wide ? styles.columns : undefined}>
          <View style={wide ? styles.column : undefined}>
            <Card title="Sessions today">
              {data.sessions.length === 0 ? (
                <Text>Nothing planned. Build one for tonight; it takes a minute.</Text>
              ) : null}
              <View role="list">
                {data.sessions.map((row) => (
                  <SessionLine key={row.id} row={row} href={`/deck/${row.id}`} />
                ))}
              </View>
              <Button mode="contained" icon="plus" onPress={() => router.navigate('/sessions/new')} style={styles.gap}>
                Build a session
              </Button>
            </Card>
            {first.length === 0 ? (
              <Card title="Second looks due">
                <Text>No second looks due. Review someone new.</Text>
              </Card>
            ) : null}
            {first.map((group) => (
              <DueGroup key={group.kind} group={group} />
            ))}
          </View>
          <View style={wide ? styles.column : undefined}>
            {rest.map((group) => (
              <DueGroup key={group.kind} group={group} />
            ))}
            <View style={styles.ways}>
              {WAYS.map(({ label, icon, href }) => (
                <Button key={href} mode="outlined" icon={icon} onPress={() => router.navigate(href as Href)}>
                  {label}
                </Button>
              ))}
            </View>
          </View>
        </View>
      ) : null}
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {CAUTION}
      </Text>
    </Screen>
  );
}

const WAYS = [
  { label: 'The week', icon: 'calendar', href: '/sessions?view=week' },
  { label: 'Season', icon: 'calendar', href: '/sessions/season' },
  { label: 'Film', icon: 'video', href: '/swimmers/film' },
  { label: 'Delayed mirror', icon: 'clock-outline', href: '/deck/mirror' },
] as const;

const unsentDue = (words: string): Due => ({
  kind: 'unsent',
  id: 'unsent',
  title: words,
  why: 'Safe on this device; nothing is lost.',
  action: 'See',
  href: '/waiting',
});

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1 },
  gap: { marginTop: 12, alignSelf: 'flex-start' },
  ways: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginBottom: 12 },
});
