import type { DeckToday } from '@upwell/contract/deck';
import { drillCard } from '@upwell/core/library';
import { causeCard } from '@upwell/core/review';
import { CAUTION } from '@upwell/core/safety';
import { type Matter, type MatterGroup, type MatterKind, mattersToday, testsBySquad } from '@upwell/core/today';
import { counted, dayWord } from '@upwell/core/words';
import { type Href, Link, Redirect, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { offlineWords } from '@/offline';
import { SessionLine } from '@/sessions';
import { useSquadsQuery } from '@/swimmers';
import { useAppSelector, useToday } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';
import { Disclosure } from '@/ui/Disclosure';
import { Screen } from '@/ui/Screen';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { usePacksQuery, useTodayQuery } from '../api';
import { FirstSteps } from '../FirstSteps';

/** Something that matters, with the one thing to do about it. */
interface Due extends Matter {
  readonly id: string;
  readonly action: string;
  readonly href: string;
}

const HEADING: Readonly<Record<Exclude<MatterKind, 'session'>, string>> = {
  relook: 'Second looks due',
  test: 'Tests this week',
  ready: 'Before a race',
  load: 'A word about load',
  unsent: 'Waiting to be sent',
};

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
              <Group key={group.kind} group={group} />
            ))}
          </View>
          <View style={wide ? styles.column : undefined}>
            {rest.map((group) => (
              <Group key={group.kind} group={group} />
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
  { label: 'Season', icon: 'calendar', href: '/sessions/season' },
  { label: 'Film', icon: 'video', href: '/swimmers/film' },
  { label: 'Delayed mirror', icon: 'clock-outline', href: '/deck/mirror' },
] as const;

/** What the server knows to be due; pages kept by an older app know less. */
function dueToday(
  { date, sessions, relooks, tests = [], ready = [], loads = [] }: DeckToday,
  here: ReadonlySet<string>,
  squads: ReadonlyMap<string, string>,
): Due[] {
  const about = (kind: MatterKind, id: string) => ({ kind, id: `${kind} ${id}`, here: here.has(id) });
  return [
    ...relooks.map((focus) => ({
      ...about('relook', focus.swimmerId),
      title: focus.swimmerName,
      why: `${causeCard(focus.cause).name} · ${drillCard(focus.drill).name}, due ${distanceInDays(date, focus.relookOn)}`,
      due: focus.relookOn,
      action: 'Look',
      href: `/swimmers/${focus.swimmerId}/review`,
    })),
    ...testsBySquad(tests).map(({ squadId, tests: ofSquad }) => {
      const [one] = ofSquad;
      const alone = ofSquad.length === 1;
      return {
        ...about('test', alone ? one!.swimmerId : squadId),
        here: ofSquad.some((test) => here.has(test.swimmerId)),
        title: alone ? one!.name : [squads.get(squadId), counted(ofSquad.length, 'swimmer')].filter(Boolean).join(', '),
        why: alone
          ? 'Planned for this week, while rested'
          : `Planned for this week, while rested: ${ofSquad.map((test) => test.name.split(' ')[0]).join(', ')}`,
        due: one!.monday,
        action: alone ? 'Test' : 'Test all',
        href: alone ? `/swimmers/${one!.swimmerId}/test` : `/deck/tests?squad=${squadId}`,
      };
    }),
    ...ready.map(({ swimmerId, name, event, raceOn, missing }) => ({
      ...about('ready', swimmerId),
      title: name,
      why: `${event} ${distanceInDays(date, raceOn)}; still to do: ${missing[0]!.text}, by ${dayWord(missing[0]!.by)}${missing.length > 1 ? `, and ${missing.length - 1} more` : ''}`,
      due: missing[0]!.by,
      action: 'Tick',
      href: `/swimmers/${swimmerId}/race?view=ready`,
    })),
    ...loads.map(({ id, name, squadId, prompt }) => ({
      kind: 'load' as const,
      id: `load ${id}`,
      here: sessions.some((s) => s.squadIds.includes(squadId)),
      title: name,
      why: prompt,
      action: 'See',
      href: '/sessions/load',
    })),
  ];
}

const unsentDue = (words: string): Due => ({
  kind: 'unsent',
  id: 'unsent',
  title: words,
  why: 'Safe on this device; nothing is lost.',
  action: 'See',
  href: '/waiting',
});

function Group({ group }: { readonly group: MatterGroup<Due> }) {
  const [open, setOpen] = useState(false);
  const { kind, shown, more } = group;
  if (kind === 'session') return null;
  return (
    <Card title={HEADING[kind]} aside={<Text variant="labelMedium">{shown.length + more.length}</Text>}>
      <View role="list">
        {[...shown, ...(open ? more : [])].map((due) => (
          <DueLine key={due.id} due={due} />
        ))}
      </View>
      {more.length > 0 ? (
        <Disclosure label={open ? 'Fewer' : `${more.length} more`} open={open} onPress={() => setOpen(!open)} />
      ) : null}
    </Card>
  );
}

function DueLine({ due }: { readonly due: Due }) {
  const theme = useTheme();
  return (
    <View role="listitem">
      <Link href={due.href as Href} asChild>
        <Pressable style={StyleSheet.flatten([styles.due, { borderBottomColor: theme.own.line }])}>
          <View style={styles.flex}>
            <Text variant="titleMedium">{due.title}</Text>
            <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
              {due.why}
            </Text>
          </View>
          <Text variant="labelLarge" style={{ color: theme.colors.primary }}>
            {due.action}
          </Text>
        </Pressable>
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1 },
  gap: { marginTop: 12, alignSelf: 'flex-start' },
  ways: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginBottom: 12 },
  due: { minHeight: 56, paddingVertical: 8, borderBottomWidth: 1, flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
});
