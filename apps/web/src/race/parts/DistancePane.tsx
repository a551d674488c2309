/** A goal without a clock: how far it goes today, the steps on the way, and when the distance is there. */
import { distanceGoal, type DistanceGoal } from '@upwell/core/race';
import { dayWord, distanceWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { chosen } from '../raceDraft';
import type { PaneProps } from '../useRace';
import { SOURCE_WORD } from '../words';
import { Problems } from './Problems';

/** Steps of the number by hand: lengths of a pool at first, then hundreds. */
const stepFrom = (metres: number) => (metres < 400 ? 25 : metres < 1000 ? 50 : 100);
const MOST_M = 100_000;

export function DistancePane({ race, facts, coach }: PaneProps) {
  const wide = useWide();
  const goal = distanceGoal(facts, race.draft.choices, race.plan);
  const { todayM, goalM } = goal;
  const set = (longestM: number) => race.change((now) => chosen(now, { longestM }));
  return (
    <View style={wide ? styles.columns : undefined}>
      <View style={wide ? styles.column : undefined}>
        <Card strong>
          <View style={styles.answer} aria-live="polite">
            <Distance label="Without a stop today" metres={todayM} />
            <Distance label={goalM === facts.distanceM ? 'The goal' : 'Longest swim before it'} metres={goalM} />
          </View>
          <Text variant="titleMedium">{VERDICT[goal.verdict]}</Text>
          <Text>{said(goal)}</Text>
        </Card>
        <Problems problems={race.plan.problems} />
        {goal.verdict === 'short' && race.plan.reach ? <Notice>{race.plan.reach}</Notice> : null}
        {coach ? (
          <Card title="Longest swim without a stop so far">
            <Stepper
              label="m without a stop"
              value={String(todayM)}
              onLess={todayM > 25 ? () => set(Math.max(25, todayM - stepFrom(todayM - 1))) : null}
              onMore={todayM < MOST_M ? () => set(todayM + stepFrom(todayM)) : null}
              onType={(text) => {
                const metres = Math.round(Number(text));
                if (!(metres >= 10 && metres <= MOST_M)) return 'Metres between 10 and 100,000, please.';
                set(metres);
                return null;
              }}
            />
            <Text variant="bodySmall" style={styles.top}>
              {goal.from === 'guess'
                ? 'What is usual at this level: a guess until it is swum.'
                : SOURCE_WORD[goal.from]}
            </Text>
          </Card>
        ) : null}
      </View>
      {goal.steps.length > 0 ? (
        <View style={wide ? styles.column : undefined}>
          <Card title="Step by step">
            <View role="list">
              {goal.steps.map(({ monday, metres }) => (
                <Step key={monday} monday={monday} metres={metres} share={metres / goalM} last={metres >= goalM} />
              ))}
            </View>
            <Text variant="bodySmall" style={styles.top}>
              A fifth farther at most, every second week of work; the goal is the distance, as slowly as it takes.
            </Text>
          </Card>
        </View>
      ) : null}
    </View>
  );
}

const VERDICT: Readonly<Record<DistanceGoal['verdict'], string>> = {
  there: 'Already there',
  'in-time': 'In time',
  short: 'Not yet',
  'too-early': 'Too early to plan',
};

function said({ verdict, reachedIn, goalM }: DistanceGoal): string {
  if (verdict === 'too-early') return 'Steps are planned from a year before the day on.';
  if (verdict === 'there') return 'The distance is there: swim it with company, or choose the next one.';
  return reachedIn
    ? `${distanceWord(goalM)} in the week of ${dayWord(reachedIn)}, if every step is swum.`
    : 'The weeks are too few for safe steps: a later day, or a shorter goal first.';
}

function Distance({ label, metres }: { readonly label: string; readonly metres: number }) {
  const theme = useTheme();
  return (
    <View>
      <Text variant="labelMedium" style={{ color: theme.colors.onSurfaceVariant }}>
        {label}
      </Text>
      <Text variant="displayMedium" style={styles.figures}>
        {distanceWord(metres)}
      </Text>
    </View>
  );
}

interface StepProps {
  readonly monday: string;
  readonly metres: number;
  readonly share: number;
  readonly last: boolean;
}

function Step({ monday, metres, share, last }: StepProps) {
  const theme = useTheme();
  return (
    <View role="listitem" style={[styles.step, { borderBottomColor: theme.own.line }]}>
      <Text style={styles.when}>{dayWord(monday)}</Text>
      <View style={styles.rail} aria-hidden>
        <View
          style={[
            styles.bar,
            { width: `${Math.round(share * 100)}%`, backgroundColor: last ? theme.colors.primary : theme.own.kelp },
          ]}
        />
      </View>
      <Text variant="titleMedium" style={styles.metres}>
        {distanceWord(metres)}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  answer: { flexDirection: 'row', justifyContent: 'space-between', gap: 12, marginBottom: 6 },
  figures: { fontVariant: ['tabular-nums'] },
  step: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 44, borderBottomWidth: 1 },
  when: { width: 92 },
  rail: { flex: 1 },
  bar: { height: 14, borderRadius: 3 },
  metres: { width: 72, textAlign: 'right', fontVariant: ['tabular-nums'] },
  top: { marginTop: 8 },
});
