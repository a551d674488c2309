import { assumed, growthAround, type Assumed, type GapPart, type RaceGap } from '@upwell/core/race';
import { FEET_GAIN } from '@upwell/core/measures';
import { numberWord, percent } from '@upwell/core/words';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Slider } from '@/ui/Slider';
import { useTheme } from '@/ui/useTheme';
import { chosen, type Patch } from '../raceDraft';
import type { PaneProps } from '../useRace';
import { PART_WORD, signedTime } from '../words';

/** The gap as stairs from today down to the target; each stair can be dragged. */
export function Seconds({ gap, race, facts, coach }: PaneProps & { readonly gap: RaceGap }) {
  const { choices } = race.draft;
  const assumptions = assumed(facts, choices);
  const outside = facts.place === 'open-water';
  const set = (patch: Patch) => race.change((now) => chosen(now, patch, true));
  const month = (assumptions.growth.low + assumptions.growth.high) / 2;
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
    <Card
      title="Where the seconds are"
      aside={<Text variant="labelMedium">{coach ? 'drag to try what-ifs' : ''}</Text>}
    >
      {outside
        ? stair(
            'straightness',
            `${percent(assumptions.today.extraShare, 1)} extra distance today, ${percent(assumptions.then.extraShare, 1)} on the day`,
            <Slider
              label="Extra distance on race day"
              value={assumptions.then.extraShare * 100}
              min={0}
              max={Math.max(5, Math.ceil(assumptions.today.extraShare * 100))}
              step={0.5}
              words={percent(assumptions.then.extraShare, 1)}
              onChange={(value) => set({ extraThen: value / 100 })}
            />,
          )
        : null}
      {outside
        ? stair(
            'feet',
            `${percent(assumptions.then.feetShare)} of the race on someone’s feet, ${percent(FEET_GAIN)} faster`,
            <Slider
              label="Share of the race spent drafting"
              value={assumptions.then.feetShare * 100}
              min={0}
              max={90}
              step={5}
              words={percent(assumptions.then.feetShare)}
              onChange={(value) => set({ feetThen: value / 100 })}
            />,
          )
        : null}
      {outside
        ? stair(
            'skills',
            `${Math.round(assumptions.today.lostS)} s lost to turns, congestion and missed breaths today, ${Math.round(assumptions.then.lostS)} s on the day`,
            <Slider
              label="Seconds lost on race day"
              value={assumptions.then.lostS}
              min={0}
              max={Math.max(30, Math.ceil(assumptions.today.lostS))}
              step={1}
              words={`${Math.round(assumptions.then.lostS)} seconds`}
              onChange={(value) => set({ lostThenS: value })}
            />,
          )
        : null}
      {stair(
        'fitness',
        `${percent(month, 2)} more speed a month`,
        <Slider
          label="Speed gained from training per month"
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
      {stair('technique', technique(gap, assumptions), null)}
    </Card>
  );
}

function technique({ parts, neededStrokeLengthM, strokeLengthM }: RaceGap, { rateSpm }: Assumed): string {
  if (parts.technique <= 0) return 'Nothing left to find: the rest reaches the target.';
  return `What is left: ${numberWord(strokeLengthM, 2)} to ${numberWord(neededStrokeLengthM, 2)} m a stroke at ${rateSpm} strokes a minute, fitness included`;
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
  figures: { fontVariant: ['tabular-nums'] },
  flex: { flex: 1 },
  stair: { marginTop: 10 },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: 8 },
  track: { height: 16, borderRadius: 3, marginVertical: 4 },
  bar: { position: 'absolute', top: 0, bottom: 0, borderRadius: 3 },
  target: { position: 'absolute', top: -2, bottom: -2, width: 2 },
});
