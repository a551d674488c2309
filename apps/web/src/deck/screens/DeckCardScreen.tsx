import { startTimeWord } from '@upwell/core/words';
import { KIT } from '@upwell/core/library';
import { causeCard } from '@upwell/core/review';
import {
  type AnySet,
  blockWord,
  blockLengths,
  cautionsOf,
  describeSet,
  distanceWord,
  groupClock,
  type GroupPlan,
  groupTotals,
  isSet,
  pauseWord,
  setDetails,
  type Item,
  type SessionPlan,
  totalWord,
} from '@upwell/core/sessions';
import type { SessionView } from '@upwell/contract/sessions';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useSessionQuery } from '@/sessions';
import { DeckHead } from '../parts/DeckHead';
import { DeckWait } from '../parts/DeckWait';
import { DeckLight } from '../DeckLight';
import { sentenceCase } from '@upwell/core/text';
import { clockAfter } from '@upwell/core/units';
import { effortTint } from '@/ui/effortTint';
import { useTheme } from '@/ui/useTheme';
import { useTitle } from '@/ui/useTitle';

/** The session as it is read at the pool side: one level at a time, very large. */
export function DeckCardScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: session, error, refetch } = useSessionQuery(id);
  return (
    <DeckLight>
      {session ? <DeckCard session={session} /> : <DeckWait title="Card" error={error} retry={() => void refetch()} />}
    </DeckLight>
  );
}

function DeckCard({ session }: { readonly session: SessionView }) {
  const theme = useTheme();
  const router = useRouter();
  const { plan } = session;
  const [groupId, setGroupId] = useState(plan.groups[0]?.id);
  const group = plan.groups.find((g) => g.id === groupId) ?? plan.groups[0];
  useTitle(`${session.title} on deck`);
  return (
    <View style={[styles.page, { backgroundColor: theme.colors.background }]} role="main">
      <DeckHead
        title={session.title}
        under={`${startTimeWord(session)} · ${causeCard(plan.theme).name}`}
        back={`/sessions/${session.id}`}
      >
        {session.courseId ? (
          <Button
            mode="outlined"
            onPress={() => router.navigate(`/water/${session.courseId!}/day?session=${session.id}` as Href)}
          >
            Go or not?
          </Button>
        ) : null}
        <Button
          mode="contained"
          icon="clock-outline"
          onPress={() => router.navigate(`/deck/${session.id}/run` as Href)}
        >
          Run it
        </Button>
      </DeckHead>
      <View style={styles.levels} role="tablist" aria-label="Levels">
        {plan.groups.map((g) => {
          const on = g.id === group?.id;
          return (
            <Pressable
              key={g.id}
              role="tab"
              aria-selected={on}
              onPress={() => setGroupId(g.id)}
              style={[
                styles.level,
                { borderColor: theme.colors.primary, backgroundColor: on ? theme.colors.primary : 'transparent' },
              ]}
            >
              <Text variant="titleMedium" style={{ color: on ? theme.colors.onPrimary : theme.colors.onSurface }}>
                {g.name}
              </Text>
            </Pressable>
          );
        })}
      </View>
      {group ? <GroupCard group={group} plan={plan} startTime={session.startTime} /> : null}
    </View>
  );
}

function GroupCard({
  group,
  plan,
  startTime,
}: {
  readonly group: GroupPlan;
  readonly plan: SessionPlan;
  readonly startTime: string;
}) {
  const theme = useTheme();
  const clock = groupClock(group, plan.pool);
  const totals = groupTotals(group, plan.pool);
  return (
    <ScrollView contentContainerStyle={styles.card} role="tabpanel" aria-label={group.name} tabIndex={0}>
      <View style={styles.totals}>
        <Text style={styles.huge}>{totalWord(totals, plan.pool)}</Text>
        <Text
          style={[styles.out, { color: theme.colors.onSurfaceVariant }]}
        >{`out ${clockAfter(startTime, clock.totalS)}`}</Text>
      </View>
      <Text style={styles.kit}>
        {totals.kit.length > 0 ? `Bring ${totals.kit.map((k) => KIT[k]).join(', ')}` : 'No kit needed'}
      </Text>
      {clock.blocks.map(({ block, startS }) => (
        <View key={block.id} style={styles.block}>
          <View style={[styles.blockHead, { borderBottomColor: theme.colors.primary }]}>
            <Text style={styles.blockName} role="heading" aria-level={2}>
              {blockWord(block)}
            </Text>
            <Text style={styles.blockTime}>
              {`${block.landMinutes > 0 ? `${block.landMinutes} min · ` : blockLengths(block) > 0 ? `${distanceWord(plan.pool, blockLengths(block))} · ` : ''}${clockAfter(startTime, startS)}`}
            </Text>
          </View>
          {block.note ? <Text style={styles.detail}>{block.note}</Text> : null}
          <Sets items={block.items} group={group} plan={plan} />
        </View>
      ))}
    </ScrollView>
  );
}

interface SetsProps {
  readonly items: readonly Item[];
  readonly group: GroupPlan;
  readonly plan: SessionPlan;
}

function Sets({ items, group, plan }: SetsProps) {
  const theme = useTheme();
  return (
    <>
      {items.map((item) =>
        item.kind === 'pause' ? (
          <Text key={item.id} style={styles.times}>
            {[sentenceCase(pauseWord(item)), item.note].filter(Boolean).join('. ')}
          </Text>
        ) : !isSet(item) ? (
          <View key={item.id} style={[styles.rounds, { borderLeftColor: theme.colors.primary }]}>
            <Text style={styles.times}>{`${item.rounds} times through`}</Text>
            <Sets items={item.items} group={group} plan={plan} />
          </View>
        ) : (
          <SetOnDeck key={item.id} set={item} group={group} plan={plan} />
        ),
      )}
    </>
  );
}

function SetOnDeck({ set, group, plan }: Omit<SetsProps, 'items'> & { readonly set: AnySet }) {
  const theme = useTheme();
  return (
    <View style={[styles.set, { borderLeftColor: effortTint(set.effort, theme.own).background }]}>
      <Text style={styles.what}>{describeSet(set, plan.pool, plan.place)}</Text>
      <Text style={[styles.detail, { color: theme.colors.onSurfaceVariant }]}>{setDetails(set).join(' · ')}</Text>
      {cautionsOf(set, group, plan.pool).map((text) => (
        <Text key={text} style={[styles.detail, { color: theme.colors.error }]}>
          {text}
        </Text>
      ))}
    </View>
  );
}

const bold = { fontFamily: 'Atkinson Bold' } as const;
const styles = StyleSheet.create({
  page: { flex: 1 },
  levels: { flexDirection: 'row', gap: 8, padding: 12 },
  level: { flex: 1, minHeight: 56, borderWidth: 2, borderRadius: 8, alignItems: 'center', justifyContent: 'center' },
  card: { padding: 16, paddingBottom: 48, width: '100%', maxWidth: 900, alignSelf: 'center' },
  totals: { flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between', flexWrap: 'wrap' },
  huge: { ...bold, fontSize: 54, lineHeight: 60, fontVariant: ['tabular-nums'] },
  out: { ...bold, fontSize: 28, lineHeight: 34, fontVariant: ['tabular-nums'] },
  kit: { fontSize: 20, lineHeight: 26, marginBottom: 8 },
  block: { marginTop: 18 },
  blockHead: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    borderBottomWidth: 3,
    paddingBottom: 4,
  },
  blockName: { ...bold, fontSize: 26, lineHeight: 32 },
  blockTime: { fontSize: 20, lineHeight: 26, fontVariant: ['tabular-nums'] },
  rounds: { borderLeftWidth: 5, paddingLeft: 12, marginTop: 12 },
  times: { ...bold, fontSize: 22, lineHeight: 28 },
  set: { borderLeftWidth: 10, paddingLeft: 12, marginTop: 14 },
  what: { ...bold, fontSize: 32, lineHeight: 38 },
  detail: { fontSize: 20, lineHeight: 27 },
});
