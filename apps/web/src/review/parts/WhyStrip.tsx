/** The likely cause, the second, what speaks for and against, and the one thing to look at next. */
import {
  causeCard,
  FOCUS_FROM,
  type Inference,
  type RankedCause,
  type Score,
  type Sighting,
  signCard,
  type SignId,
} from '@upwell/core/review';
import { numberWord, percent } from '@upwell/core/words';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { useTheme } from '@/ui/useTheme';
import { SignRow } from './SignRow';

interface WhyStripProps {
  readonly inference: Inference;
  readonly onAnswer: (sign: SignId, sighting: Sighting) => void;
}

export function WhyStrip({ inference, onAnswer }: WhyStripProps) {
  const theme = useTheme();
  const { ranking, focus, second, lookNext } = inference;
  const leader = ranking.find((r) => r.cause === focus) ?? ranking[0]!;
  const runnerUp = ranking.find((r) => r.cause === second && r.cause !== leader.cause);
  const [ask] = lookNext;
  const forIt = leader.reasons.filter((r) => r.weight > 0).length;
  const against = leader.reasons.filter((r) => r.weight < 0).length;
  return (
    <View aria-live="polite">
      <Card title="Why" strong aside={<Text variant="bodySmall">{`${forIt} for · ${against} against`}</Text>}>
        <View style={styles.line}>
          <Text variant="titleLarge" style={styles.flex}>
            {causeCard(leader.cause).name}
          </Text>
          <Text variant="titleLarge" style={styles.figures}>
            {percent(leader.probability)}
          </Text>
        </View>
        <Bar value={leader.probability} />
        <Text style={styles.gap}>{causeCard(leader.cause).costs}</Text>
        {runnerUp ? (
          <Text
            variant="bodySmall"
            style={{ color: theme.colors.onSurfaceVariant }}
          >{`then ${causeCard(runnerUp.cause).name} ${percent(runnerUp.probability)}`}</Text>
        ) : null}
        <Reasons leader={leader} inference={inference} />
        {inference.conflicts.map(({ signs, reason }) => (
          <Text key={signs.join()} variant="bodySmall" style={{ color: theme.colors.error }}>
            {`These two contradict each other: ${signs.map((s) => signCard(s).seen).join(' and ')}. ${reason}`}
          </Text>
        ))}
        {inference.setAside.map(({ sign, reason }) => (
          <Text key={sign} variant="bodySmall">{`Not counted: ${signCard(sign).seen} ${reason}.`}</Text>
        ))}
      </Card>
      {ask ? (
        <View style={[styles.next, { backgroundColor: theme.own.sand, borderLeftColor: theme.own.kelp }]}>
          <View style={styles.line}>
            <Text variant="labelMedium" style={styles.flex}>
              {ask.upstream
                ? `Look first, it may come from: ${causeCard(ask.upstream).name}`
                : focus
                  ? 'To be more certain, look at this next'
                  : 'Look next'}
            </Text>
            <Text variant="labelMedium">{`${numberWord(ask.gainBits, 2)} bit`}</Text>
          </View>
          <SignRow sign={ask.sign} sighting={undefined} onAnswer={(sighting) => onAnswer(ask.sign, sighting)} />
        </View>
      ) : null}
    </View>
  );
}

/** What speaks for and against, and why it comes first; opened when asked. */
function Reasons({ leader, inference }: { readonly leader: RankedCause; readonly inference: Inference }) {
  const theme = useTheme();
  const [open, setOpen] = useState(false);
  const score = inference.scores[0];
  const most = Math.max(...leader.reasons.map((r) => Math.abs(r.weight)), 1);
  return (
    <View>
      <Disclosure label={open ? 'Hide the reasons' : 'Show the reasons'} open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <View style={styles.reasons}>
          {leader.reasons.map(({ sign, weight }) => (
            <View key={sign} style={styles.line}>
              <View style={styles.flex}>
                <Text variant="bodySmall">{signCard(sign).seen}</Text>
                <View
                  style={[
                    styles.weight,
                    {
                      width: `${Math.round((Math.abs(weight) / most) * 100)}%`,
                      backgroundColor: weight > 0 ? theme.colors.primary : theme.colors.error,
                    },
                  ]}
                />
              </View>
              <Text variant="labelMedium">{weight > 0 ? 'for' : 'against'}</Text>
            </View>
          ))}
          <Text variant="bodySmall">{`To tell it from others: ${causeCard(leader.cause).check}`}</Text>
          {score ? (
            <Text variant="bodySmall">
              {`${firstBecause(inference, score)} ${percent(score.probability)} likely × ${numberWord(score.effect, 1)} for the goal × ${score.shows} how often × ${numberWord(score.teachable, 1)} teachable now × ${numberWord(score.pastSuccess, 2)} past success${score.halved ? ' × ½, since it failed twice' : ''} = ${numberWord(score.score, 2)}.`}
            </Text>
          ) : (
            <Text variant="bodySmall">{`No cause reaches ${percent(FOCUS_FROM)} yet: look at one more thing before choosing.`}</Text>
          )}
        </View>
      ) : null}
    </View>
  );
}

/** Why the focus comes before the others, by the rule that put it there. */
function firstBecause({ order }: Inference, { stage, danger }: Score): string {
  if (danger) return `It comes first because ${danger}.`;
  if (order === 'race-near') return 'The race is under two weeks away, so what helps most now comes first:';
  return `It comes first because ${stage} is furthest upstream among the likely causes. Within that stage:`;
}

function Bar({ value }: { readonly value: number }) {
  const theme = useTheme();
  return (
    <View style={[styles.bar, { backgroundColor: theme.own.line }]} aria-hidden>
      <View style={[styles.fill, { width: `${Math.round(value * 100)}%`, backgroundColor: theme.colors.primary }]} />
      <View style={[styles.mark, { left: `${FOCUS_FROM * 100}%`, backgroundColor: theme.colors.onSurface }]} />
    </View>
  );
}

/** A cause as a line that can be chosen instead. */
export function OtherCause({ ranked, onChoose }: { readonly ranked: RankedCause; readonly onChoose: () => void }) {
  const theme = useTheme();
  return (
    <Pressable role="button" onPress={onChoose} style={[styles.other, { borderColor: theme.colors.outline }]}>
      <Text variant="labelMedium">{`${causeCard(ranked.cause).name} ${percent(ranked.probability)}`}</Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
  bar: { height: 10, borderRadius: 5, marginVertical: 8 },
  fill: { height: 10, borderRadius: 5 },
  mark: { position: 'absolute', top: -3, width: 3, height: 16 },
  gap: { marginBottom: 4 },
  reasons: { gap: 8 },
  weight: { height: 5, borderRadius: 3, marginTop: 2 },
  next: { borderLeftWidth: 6, borderRadius: 4, padding: 12, marginBottom: 12 },
  other: { minHeight: 48, borderWidth: 1, borderRadius: 6, paddingHorizontal: 12, justifyContent: 'center' },
});
