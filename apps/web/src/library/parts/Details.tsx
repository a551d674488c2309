import { bestView } from '@upwell/core/figure';
import { doseWord, type Drill, drillCard, type DrillId, KIT, ladderCard, type LadderId } from '@upwell/core/library';
import {
  CAUSE_IDS,
  causeCard,
  type CauseId,
  linksOf,
  signCard,
  type SignId,
  type Stroke,
  upstreamOf,
} from '@upwell/core/review';
import { levelCard, STROKE_MODEL } from '@upwell/core/swimmers';
import { percent } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { MovingFigure } from '@/figure';
import { useTheme } from '@/ui/useTheme';

/** A cause: the fault and the wanted line moving, how it shows, how to tell it apart, what answers it. */
export function CauseDetails({ id }: { readonly id: CauseId }) {
  const cause = causeCard(id);
  const signs = Object.keys(linksOf(id)) as SignId[];
  const [stroke] = cause.strokes as readonly [Stroke];
  const upstream = upstreamOf(id);
  return (
    <>
      <Text>{cause.costs}</Text>
      <View style={styles.figure}>
        <MovingFigure
          stroke={stroke}
          signs={signs}
          view={bestView(signs)}
          label={`${cause.name}: ${signs.map((s) => signCard(s).seen).join(', ')}`}
        />
      </View>
      <Text>{`Shows as: ${signs.map((s) => signCard(s).seen).join('; ')}.`}</Text>
      <Text>{`To tell it from others: ${cause.check}`}</Text>
      {upstream.length > 0 ? (
        <Text>{`May come from: ${upstream.map((from) => causeCard(from).name).join(', ')}.`}</Text>
      ) : null}
      <Text>{`Cue: “${cause.cue}” Drills: ${(cause.answers as readonly DrillId[]).map((d) => drillCard(d).name).join(', ')}.`}</Text>
    </>
  );
}

export const PLACE_WORD = {
  land: 'on land',
  wall: 'at the wall',
  shallow: 'in standing depth',
  pool: 'in the pool',
  deep: 'in deep water',
  'open-water': 'outside',
};

/** The full card of a drill. */
export function DrillDetails({ id }: { readonly id: DrillId }) {
  return (
    <DrillCard card={drillCard(id)} answers={CAUSE_IDS.filter((cause) => causeCard(cause).answers.includes(id))} />
  );
}

/** A card as it stands in the library, or will. */
export function DrillCard({ card: drill, answers }: { readonly card: Drill; readonly answers: readonly CauseId[] }) {
  const theme = useTheme();
  const facts = [
    `Where: ${drill.places.map((place) => PLACE_WORD[place]).join(' or ')}, from ${levelCard(drill.from).name}`,
    `Kit: ${drill.kit.map((k) => KIT[k]).join(', ') || 'none'}`,
    `Dose: ${doseWord(drill.dose)}${drill.dose.kind === 'distance' ? `, ${drill.dose.mostM} m at most in one` : ''}`,
    drill.factor === null ? null : `Pace: ${percent(drill.factor)} of easy swimming`,
    `Look from: ${drill.view}`,
  ].filter((fact) => fact !== null);
  return (
    <>
      <Text>{drill.purpose}</Text>
      <Text variant="labelMedium">
        {answers.length > 0
          ? `Answers: ${answers.map((cause) => causeCard(cause).name).join(', ')}`
          : `Trains: ${drill.trains ?? ''}`}
      </Text>
      {drill.steps.map((text, i) => (
        <Text key={`${i} ${text}`}>{`${i + 1}. ${text}`}</Text>
      ))}
      <Text>{`It feels like: ${drill.feel}`}</Text>
      <Text>{`Watch for: ${drill.mistakes.join(', ')}.`}</Text>
      <Text>{`Cue: “${drill.cue}”`}</Text>
      <Text variant="bodySmall">{`${facts.join('. ')}.`}</Text>
      {drill.contradicts.length > 0 ? (
        <Text variant="bodySmall">{`Goes against: ${drill.contradicts.map((m) => STROKE_MODEL[m].name).join(', ')}.`}</Text>
      ) : null}
      {drill.notWith.length > 0 ? (
        <Text variant="bodySmall" style={{ color: theme.colors.error }}>
          {`Not with: ${drill.notWith.join(', ')}.`}
        </Text>
      ) : null}
      {drill.cautions.map((text) => (
        <Text key={text} style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
    </>
  );
}

/** A ladder: each step with its pass mark and the way back. */
export function LadderDetails({ id }: { readonly id: LadderId }) {
  const theme = useTheme();
  const ladder = ladderCard(id);
  return (
    <>
      <Text>{ladder.purpose}</Text>
      {ladder.cautions.map((text) => (
        <Text key={text} style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
      {ladder.steps.map((step, i) => (
        <View key={step.what} style={[styles.step, { borderLeftColor: theme.own.kelp }]}>
          <Text variant="titleSmall">{`${i + 1}. ${step.what}`}</Text>
          <Text variant="bodySmall">
            {`${step.tries} tries${step.kit.length > 0 ? `, with ${step.kit.map((k) => KIT[k]).join(', ')}` : ''}${step.drill ? `. Drill: ${drillCard(step.drill).name}` : ''}`}
          </Text>
          <Text variant="bodySmall">{`Pass: ${step.pass}`}</Text>
          <Text
            variant="bodySmall"
            style={{ color: theme.colors.onSurfaceVariant }}
          >{`Go back if: ${step.backIf}`}</Text>
        </View>
      ))}
    </>
  );
}

const styles = StyleSheet.create({
  figure: { maxWidth: 520, width: '100%' },
  step: { borderLeftWidth: 4, paddingLeft: 10, marginTop: 8, gap: 2 },
});
