/** What is due and who needs it, kind by kind, each with the one thing to do about it. */
import type { DeckToday } from '@upwell/contract/deck';
import { drillCard } from '@upwell/core/library';
import { causeCard } from '@upwell/core/review';
import { type Matter, type MatterGroup, type MatterKind, testsBySquad } from '@upwell/core/today';
import { counted, dayWord } from '@upwell/core/words';
import { type Href, Link } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';
import { Disclosure } from '@/ui/Disclosure';
import { useTheme } from '@/ui/useTheme';

/** Something that matters, with the one thing to do about it. */
export interface Due extends Matter {
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

/** What the server knows to be due; pages kept by an older app know less. */
export function dueToday(
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

export function DueGroup({ group }: { readonly group: MatterGroup<Due> }) {
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
  due: { minHeight: 56, paddingVertical: 8, borderBottomWidth: 1, flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
});
