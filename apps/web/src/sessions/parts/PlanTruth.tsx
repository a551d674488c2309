/** The truth about a plan: when everybody is out, breaths per side, load, kit, and what is broken. */
import { KIT } from '@upwell/core/library';
import {
  checkPlan,
  groupTotals,
  isOneSided,
  waitWord,
  weakSideWords,
  type GroupPeople,
  type SessionPlan,
} from '@upwell/core/sessions';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { clockAfter } from '@upwell/core/units';
import { numberWord, percent } from '@upwell/core/words';
import { useTheme } from '@/ui/useTheme';

const NOBODY: readonly GroupPeople[] = [];
const NONE: readonly string[] = [];

export function PlanTruth({
  plan,
  startTime,
  notes = [],
  people = NOBODY,
  leftOut = NONE,
  lanes = null,
}: {
  readonly plan: SessionPlan;
  readonly startTime: string;
  readonly notes?: readonly string[];
  /** Who is in each group, for what could hurt somebody. */
  readonly people?: readonly GroupPeople[];
  /** Ids of those the coach left out of sets with few breaths. */
  readonly leftOut?: readonly string[];
  /** What the people of tonight make of it, in a line. */
  readonly lanes?: string | null;
}) {
  const theme = useTheme();
  const check = useMemo(() => checkPlan(plan, people, leftOut), [plan, people, leftOut]);
  const totals = useMemo(() => plan.groups.map((group) => groupTotals(group, plan.pool)), [plan]);
  const waits = useMemo(() => plan.groups.map((group) => waitWord(group, plan.pool)), [plan]);
  const last = Math.max(...check.finishes.map((f) => f.endS));
  const kit = [...new Set(totals.flatMap((t) => t.kit))];
  return (
    <Card
      title={`Everyone out at ${clockAfter(startTime, last)}`}
      strong
      aside={
        <Text variant="bodySmall">{`${check.spreadS < 90 ? `${Math.round(check.spreadS)} s` : minutes(check.spreadS)} apart`}</Text>
      }
    >
      {lanes === null ? null : <Text variant="bodyMedium">{lanes}</Text>}
      {check.blocked.map((problem) => (
        <Text key={problem} role="alert" variant="labelLarge" style={{ color: theme.colors.error }}>
          {`Cannot be saved. ${problem}`}
        </Text>
      ))}
      {check.problems.map((problem) => (
        <Text key={problem} role="alert" variant="labelMedium" style={{ color: theme.colors.error }}>
          {problem}
        </Text>
      ))}
      {isOneSided(plan.theme)
        ? plan.groups.flatMap((group, i) => {
            const words = weakSideWords(people[i] ?? []);
            return words === null ? [] : <Text key={group.id} variant="bodyMedium">{`${group.name}. ${words}`}</Text>;
          })
        : null}
      {plan.groups.map((group, i) => {
        const { breaths, load, looks, swimS, restS, waitS, talkS, landS } = totals[i]!;
        const counted = breaths.left + breaths.right;
        return (
          <View key={group.id} style={[styles.line, { borderTopColor: theme.own.line }]}>
            <Text variant="labelMedium" style={styles.name}>
              {group.name}
            </Text>
            <Text variant="bodySmall" style={styles.flex}>
              {[
                `${group.swimmers} swimmers`,
                `${minutes(swimS)} swimming, ${minutes(restS - waitS)} rest, ${minutes(talkS)} talk, ${minutes(landS)} land`,
                waits[i] ?? '',
                `load ${numberWord(Math.round(load))}`,
                counted > 0 ? `${percent(breaths.left / counted)} breaths left` : '',
                looks > 0 ? `${looks} looks` : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
          </View>
        );
      })}
      <Text
        variant="bodySmall"
        style={styles.top}
      >{`Kit: ${kit.length > 0 ? kit.map((k) => KIT[k]).join(', ') : 'none'}`}</Text>
      {notes.map((note) => (
        <Text key={note} variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {note}
        </Text>
      ))}
    </Card>
  );
}

const minutes = (seconds: number): string => `${Math.round(seconds / 60)}′`;

const styles = StyleSheet.create({
  line: { flexDirection: 'row', gap: 8, paddingVertical: 6, borderTopWidth: 1, alignItems: 'baseline' },
  name: { minWidth: 56 },
  flex: { flex: 1 },
  top: { marginTop: 6 },
});
