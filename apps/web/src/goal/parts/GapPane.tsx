import { assumed, growthAround, SAVE_THE_LEGS, type Assumed, type GapPart, type RaceGap } from '@upwell/core/goal';
import { FEET_GAIN } from '@upwell/core/measures';
import { formatTime } from '@upwell/core/units';
import { memo, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { dayWord } from '@/ui/dates';
import { Slider } from '@/ui/Slider';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { chosen, type Patch } from '../raceDraft';
import type { PaneProps } from '../useRace';
import { PART_WORD, percent, signedTime, VERDICT_WORD } from '../words';
import { AssumptionsCard } from './AssumptionsCard';
import { Problems } from './Problems';

/** How far the swimmer is from the target, what the way is made of, and what it takes. */
export function GapPane({ race, facts, coach }: PaneProps) {
  const wide = useWide();
  const { outlook } = race;
  if (outlook.kind === 'none')
    return (
      <View>
        <Notice>{outlook.reason}</Notice>
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
        {wide ? null : <Seconds gap={gap} race={race} facts={facts} coach={coach} />}
        <Card title="What it asks">
          <Fact
            what="Pace through the water"
            value={`${formatTime(gap.neededPer100S, 1)} per 100 m`}
            beside={`today ${formatTime((100 / gap.strokeLengthM / outlook.rateBand[0]) * 60, 1)}`}
          />
          <Fact
            what={`Metres a stroke at ${outlook.rateBand[0]} strokes a minute`}
            value={`${gap.neededStrokeLengthM.toFixed(2)} m`}
            beside={`today ${gap.strokeLengthM.toFixed(2)} m`}
          />
          <Fact
            what="Stroke rate"
            value={
              Math.round(outlook.rateBand[1]) > outlook.rateBand[0]
                ? `${outlook.rateBand[0]}–${Math.round(outlook.rateBand[1])} a minute`
                : `${outlook.rateBand[0]} a minute`
            }
            beside="from length alone to rate alone"
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
          {`Foretold from ${facts.trials.map((t) => `${t.distanceM} m in ${formatTime(t.timeS, 1)}`).join(', ')}${facts.trialsOn ? `, the last on ${dayWord(facts.trialsOn)}` : ', best times of unknown date'}. The chance is the share of 2,000 simulated races: how sure the prediction is, how much the weeks bring, how much of what is trained is there on the day.`}
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
            {gap.gapS > 0 ? 'Missing' : 'To spare'}
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
            {percent(gap.chance)}
          </Text>
        </View>
      </View>
      <Text>
        {`Today ${formatTime(gap.todayS)} (${formatTime(gap.lowS)} to ${formatTime(gap.highS)}), target ${formatTime(targetS)}.`}
      </Text>
      <Text variant="titleMedium" style={styles.top}>
        {VERDICT_WORD[gap.verdict]}
      </Text>
      <Text>{gap.reason}</Text>
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

/** The gap as stairs from today down to the target; each stair can be dragged. */
function Seconds({ gap, race, facts, coach }: PaneProps & { readonly gap: RaceGap }) {
  const { choices } = race.draft;
  const with_ = assumed(facts, choices);
  const outside = facts.place === 'open-water';
  const set = (patch: Patch) => race.change((now) => chosen(now, patch, true));
  const month = (with_.growth.low + with_.growth.high) / 2;
  const after = new Map<GapPart, number>();
  let left = gap.gapS;
  for (const [part, seconds] of Object.entries(gap.parts) as [GapPart, number][]) {
    after.set(part, left);
    left -= seconds;
  }
  const most = Math.max(1, gap.gapS, ...[...after.entries()].map(([part, from]) => from - gap.parts[part]));
  const least = Math.min(0, ...[...after.entries()].map(([part, from]) => from - gap.parts[part]));
  const stair = (part: GapPart, words: string, slider: ReactNode) => (
    <Stair
      key={part}
      name={PART_WORD[part]}
      seconds={gap.parts[part]}
      words={words}
      from={(after.get(part)! - least) / (most - least)}
      to={(after.get(part)! - gap.parts[part] - least) / (most - least)}
      zero={-least / (most - least)}
      spare={part === 'technique'}
    >
      {coach ? slider : null}
    </Stair>
  );
  return (
    <Card title="Where the seconds are" aside={<Text variant="labelMedium">{coach ? 'drag to ask what if' : ''}</Text>}>
      {outside
        ? stair(
            'straightness',
            `${percent(with_.today.extraShare, 1)} farther than the course today, ${percent(with_.then.extraShare, 1)} on the day`,
            <Slider
              label="Metres beyond the course on the day"
              value={with_.then.extraShare * 100}
              min={0}
              max={Math.max(5, Math.ceil(with_.today.extraShare * 100))}
              step={0.5}
              words={percent(with_.then.extraShare, 1)}
              onChange={(value) => set({ extraThen: value / 100 })}
            />,
          )
        : null}
      {outside
        ? stair(
            'feet',
            `${percent(with_.then.feetShare)} of the way at somebody’s feet, each second there ${percent(FEET_GAIN)} faster`,
            <Slider
              label="Share of the way on feet"
              value={with_.then.feetShare * 100}
              min={0}
              max={90}
              step={5}
              words={percent(with_.then.feetShare)}
              onChange={(value) => set({ feetThen: value / 100 })}
            />,
          )
        : null}
      {outside
        ? stair(
            'skills',
            `${Math.round(with_.today.lostS)} s lost at turns, knots and missed breaths today, ${Math.round(with_.then.lostS)} s on the day`,
            <Slider
              label="Seconds lost on the day"
              value={with_.then.lostS}
              min={0}
              max={Math.max(30, Math.ceil(with_.today.lostS))}
              step={1}
              words={`${Math.round(with_.then.lostS)} seconds`}
              onChange={(value) => set({ lostThenS: value })}
            />,
          )
        : null}
      {stair(
        'fitness',
        `${percent(month, 2)} more speed a month`,
        <Slider
          label="Speed that training brings a month"
          value={month * 100}
          min={0}
          max={3}
          step={0.05}
          words={percent(month, 2)}
          onChange={(value) => {
            const { low, high } = growthAround(value / 100);
            set({ growthLow: low, growthHigh: high });
          }}
        />,
      )}
      {stair('technique', technique(gap, with_), null)}
    </Card>
  );
}

function technique({ parts, neededStrokeLengthM, strokeLengthM }: RaceGap, { rateSpm }: Assumed): string {
  if (parts.technique <= 0) return 'Nothing is left for it: the rest reaches the target.';
  return `What is left: ${strokeLengthM.toFixed(2)} to ${neededStrokeLengthM.toFixed(2)} m a stroke at ${rateSpm} a minute, fitness counted in`;
}

interface StairProps {
  readonly name: string;
  readonly seconds: number;
  readonly words: string;
  readonly from: number;
  readonly to: number;
  /** Where the target lies. */
  readonly zero: number;
  /** What is left over: below nothing it is to spare. */
  readonly spare: boolean;
  readonly children: ReactNode;
}

function Stair({ name, seconds, words, from, to, zero, spare, children }: StairProps) {
  const theme = useTheme();
  const costs = seconds < -0.5 && !spare;
  const place = {
    left: `${Math.min(from, to) * 100}%`,
    width: `${Math.max(0.6, Math.abs(from - to) * 100)}%`,
  } as const;
  return (
    <View style={styles.stair}>
      <View style={styles.line}>
        <Text variant="titleSmall" style={styles.flex}>
          {name}
        </Text>
        <Text variant="titleMedium" style={[styles.figures, costs ? { color: theme.colors.error } : null]}>
          {spare && seconds < 0 ? `${signedTime(-seconds).slice(1)} to spare` : signedTime(-seconds)}
        </Text>
      </View>
      <View style={[styles.track, { backgroundColor: theme.own.sand }]} aria-hidden>
        <View
          style={[
            styles.bar,
            place,
            {
              backgroundColor: costs
                ? theme.colors.error
                : spare && seconds < 0
                  ? theme.own.kelp
                  : theme.colors.primary,
            },
          ]}
        />
        <View style={[styles.target, { left: `${zero * 100}%`, backgroundColor: theme.colors.onSurface }]} />
      </View>
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {words}
      </Text>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  answer: { flexDirection: 'row', justifyContent: 'space-between', marginBottom: 6 },
  right: { alignItems: 'flex-end' },
  figures: { fontVariant: ['tabular-nums'] },
  flex: { flex: 1 },
  top: { marginTop: 8 },
  fact: { flexDirection: 'row', gap: 12, alignItems: 'center', paddingVertical: 8, borderBottomWidth: 1 },
  stair: { marginTop: 10 },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: 8 },
  track: { height: 16, borderRadius: 3, marginVertical: 4 },
  bar: { position: 'absolute', top: 0, bottom: 0, borderRadius: 3 },
  target: { position: 'absolute', top: -2, bottom: -2, width: 2 },
});
