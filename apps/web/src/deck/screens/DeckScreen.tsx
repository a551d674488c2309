import type { FocusView } from '@upwell/contract/review';
import { drillCard } from '@upwell/core/library';
import { CAUSES } from '@upwell/core/review';
import { CAUTION } from '@upwell/core/safety';
import { Link, Redirect, useRouter, type Href } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account/api';
import { SessionLine } from '@/sessions/screens/SessionsScreen';
import { Card } from '@/ui/Card';
import { dayOf, dayWord, distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { usePacksQuery, useTodayQuery } from '../api';

/** Today: what to run, and whose stroke is due for a second look. */
export function DeckScreen() {
  const router = useRouter();
  const wide = useWide();
  const theme = useTheme();
  const { data: me } = useMeQuery();
  const today = dayOf(new Date());
  const { data, error, refetch } = useTodayQuery(today);
  // Kept for the pool, where there may be no network.
  usePacksQuery(today, { skip: !me || me.role === 'swimmer' });
  if (me?.role === 'swimmer') return <Redirect href={`/swimmers/${me.swimmerId}` as Href} />;
  return (
    <Screen title={dayWord(today)} over={me ? `${me.clubName}, ${me.name}` : undefined}>
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
          </View>
          <View style={wide ? styles.column : undefined}>
            <Card title="Second looks due" aside={<Text variant="labelMedium">{data.relooks.length}</Text>}>
              {data.relooks.length === 0 ? <Text>Nobody is due. Look at somebody new.</Text> : null}
              <View role="list">
                {data.relooks.map((focus) => (
                  <Due key={focus.id} focus={focus} today={today} />
                ))}
              </View>
            </Card>
          </View>
        </View>
      ) : null}
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {CAUTION}
      </Text>
    </Screen>
  );
}

function Due({ focus, today }: { readonly focus: FocusView; readonly today: string }) {
  const theme = useTheme();
  return (
    <View role="listitem">
      <Link href={`/swimmers/${focus.swimmerId}/review` as Href} asChild>
        <Pressable style={StyleSheet.flatten([styles.due, { borderBottomColor: theme.own.line }])}>
          <View style={styles.flex}>
            <Text variant="titleMedium">{focus.swimmerName}</Text>
            <Text
              variant="bodySmall"
              style={{ color: theme.colors.onSurfaceVariant }}
            >{`${CAUSES[focus.cause].name} · ${drillCard(focus.drill).name}`}</Text>
          </View>
          <Text variant="labelMedium">{distanceInDays(today, focus.relookOn)}</Text>
        </Pressable>
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1 },
  gap: { marginTop: 12, alignSelf: 'flex-start' },
  due: { minHeight: 56, paddingVertical: 8, borderBottomWidth: 1, flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
});
