import { chanceWord, SAVE_THE_LEGS, type RaceGap, gapWords, noOutlookWords } from '@upwell/core/race';
import { formatTime } from '@upwell/core/units';
import { dayWord, numberWord } from '@upwell/core/words';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import type { PaneProps } from '../useRace';
import { VERDICT_WORD } from '../words';
import { AssumptionsCard } from './AssumptionsCard';
import { DistancePane } from './DistancePane';
import { Problems } from './Problems';
import { Seconds } from './Seconds';

/** How far the swimmer is from the target, what the way is made of, and what it takes. */
export function GapPane({ race, facts, coach }: PaneProps) {
  const wide = useWide();
  const { outlook } = race;
  if (outlook.kind === 'none' && outlook.reason.why === 'no-target')
    return <DistancePane race={race} facts={facts} coach={coach} />;
  if (outlook.kind === 'none')
    return (
      <View>
        <Notice>{noOutlookWords(outlook.reason)}</Notice>
        {race.plan.weeks.length > 0 ? <Problems problems={race.plan.problems} /> : null}
        <AssumptionsCard race={race} facts={facts} coach={coach} />
      </View>
    );
  const { gap } = outlook;
  return (
    <View style={wide ? styles.columns : undefined}>
      <View style={wide ? styles.column : undefined}>
        <Answer gap={gap} targetS={facts.targetS!} />
        <Problems problems={race.plan.problems} />
        {race.plan.reach ? <Notice>{`The time is one thing, the distance another. ${race.plan.reach}`}</Notice> : null}
        {wide ? null : <Seconds gap={gap} race={race} facts={facts} coach={coach} />}
        <Card title="What it takes">
          <Fact
            what="Pace through the water"
            value={`${formatTime(gap.neededPer100S, 1)} per 100 m`}
            beside={`today ${formatTime((100 / gap.strokeLengthM / outlook.rateBand[0]) * 60, 1)}`}
          />
          <Fact
            what={`Metres a stroke at ${outlook.rateBand[0]} strokes a minute`}
            value={`${numberWord(gap.neededStrokeLengthM, 2)} m`}
            beside={`today ${numberWord(gap.strokeLengthM, 2)} m`}
          />
          <Fact
            what="Stroke rate"
            value={
              Math.round(outlook.rateBand[1]) > outlook.rateBand[0]
                ? `${outlook.rateBand[0]}–${Math.round(outlook.rateBand[1])} a minute`
                : `${outlook.rateBand[0]} a minute`
            }
            beside="from stroke length alone to stroke rate alone"
          />
          {outlook.criticalSpeed ? (
            <Fact
              what="Critical speed"
              value={`${formatTime(100 / outlook.criticalSpeed.neededMps, 1)} per 100 m`}
              beside={`today ${formatTime(100 / outlook.criticalSpeed.todayMps, 1)}`}
            />
          ) : null}
          {race.draft.choices.rideFollows ? (
            <Text variant="bodySmall" style={styles.top}>
              {SAVE_THE_LEGS[0]} {race.draft.choices.wetsuit ? SAVE_THE_LEGS[1] : ''}
            </Text>
          ) : null}
        </Card>
      </View>
      <View style={wide ? styles.column : undefined}>
        {wide ? <Seconds gap={gap} race={race} facts={facts} coach={coach} /> : null}
        <AssumptionsCard race={race} facts={facts} coach={coach} />
        <Text variant="bodySmall">
          {`Predicted from ${facts.trials.map((t) => `${t.distanceM} m in ${formatTime(t.timeS, 1)}`).join(', ')}${facts.trialsOn ? `, the last on ${dayWord(facts.trialsOn)}` : ', best times of unknown date'}. The chance is the share of 2,000 simulated races that reach the target; they vary how sure the prediction is, how much the weeks bring, and how much of it shows on the day.`}
        </Text>
      </View>
    </View>
  );
}

function Answer({ gap, targetS }: { readonly gap: RaceGap; readonly targetS: number }) {
  const theme = useTheme();
  const quiet = { color: theme.colors.onSurfaceVariant };
  return (
    <Card strong>
      <View style={styles.answer} aria-live="polite">
        <View>
          <Text variant="labelMedium" style={quiet}>
            {gap.gapS > 0 ? 'To find' : 'To spare'}
          </Text>
          <Text variant="displayMedium" style={styles.figures}>
            {formatTime(Math.abs(gap.gapS))}
          </Text>
        </View>
        <View style={styles.right}>
          <Text variant="labelMedium" style={quiet}>
            Chance
          </Text>
          <Text variant="displayMedium" style={styles.figures}>
            {chanceWord(gap.chance)}
          </Text>
        </View>
      </View>
      <Text>
        {`Today ${formatTime(gap.todayS)} (${formatTime(gap.lowS)} to ${formatTime(gap.highS)}), target ${formatTime(targetS)}.`}
      </Text>
      <Text variant="titleMedium" style={styles.top}>
        {VERDICT_WORD[gap.verdict]}
      </Text>
      <Text>{gapWords(gap.reason)}</Text>
    </Card>
  );
}

interface FactProps {
  readonly what: string;
  readonly value: string;
  readonly beside: string;
}

const Fact = memo(function Fact({ what, value, beside }: FactProps) {
  const theme = useTheme();
  return (
    <View style={[styles.fact, { borderBottomColor: theme.own.line }]}>
      <Text style={styles.flex}>{what}</Text>
      <View style={styles.right}>
        <Text variant="titleMedium" style={styles.figures}>
          {value}
        </Text>
        <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {beside}
        </Text>
      </View>
    </View>
  );
});

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  answer: { flexDirection: 'row', justifyContent: 'space-between', marginBottom: 6 },
  right: { alignItems: 'flex-end' },
  figures: { fontVariant: ['tabular-nums'] },
  flex: { flex: 1 },
  top: { marginTop: 8 },
  fact: { flexDirection: 'row', gap: 12, alignItems: 'center', paddingVertical: 8, borderBottomWidth: 1 },
});
