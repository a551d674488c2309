import { bestView, pictureOfDrill } from '@upwell/core/figure';
import {
  doseWord,
  type Drill,
  drillCard,
  type DrillId,
  KIT,
  LADDER_IDS,
  ladderCard,
  type LadderId,
} from '@upwell/core/library';
import {
  answeredBy,
  causeCard,
  type CauseId,
  closedIn,
  isLearning,
  LEARN_FROM,
  linkExperience,
  linksOf,
  ourExperience,
  signCard,
  type SignId,
  type Stroke,
  upstreamOf,
} from '@upwell/core/review';
import { levelCard, STROKE_MODEL } from '@upwell/core/swimmers';
import { counted, percent } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { FigureCard, FigureThumb, MovingFigure } from '@/figure';
import { useTheme } from '@/ui/useTheme';
import { CardLinks, toCause, toDrill, toLadder } from './CardLink';

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
      <CauseExperience id={id} />
      <Text>{`To tell it from others: ${cause.check}`}</Text>
      {upstream.length > 0 ? <CardLinks label="May come from:" cards={upstream.map(toCause)} /> : null}
      <Text>{`Cue: “${cause.cue}”`}</Text>
      <CardLinks label="Drills, the best first:" cards={cause.answers.map(toDrill)} />
    </>
  );
}

/** How the fault has shown here, sign by sign, and what counts of it. */
function CauseExperience({ id }: { readonly id: CauseId }) {
  const theme = useTheme();
  const experience = ourExperience();
  const here = experience[id];
  if (!here) return null;
  const [helped, closed] = closedIn({ [id]: here });
  const seen = (Object.keys(linksOf(id)) as SignId[])
    .map((sign) => ({ sign, ...linkExperience(id, sign) }))
    .filter((link) => link.seen[1] > 0);
  return (
    <View style={[styles.step, { borderLeftColor: theme.own.kelp }]}>
      <Text variant="titleSmall">Our club’s experience</Text>
      <Text variant="bodySmall">{`${counted(closed, 'closed focus', 'closed focuses')}, ${helped} of them helped.`}</Text>
      {seen.map(({ sign, seen: [so, of], counts }) => (
        <View key={sign} style={styles.link}>
          <Text variant="bodySmall" style={styles.flex}>
            {signCard(sign).seen}
          </Text>
          <View>
            <Text variant="bodySmall" style={styles.right}>{`seen in ${so} of ${of}`}</Text>
            {isLearning() ? (
              <Text variant="labelMedium" style={styles.right}>{`counts ${percent(counts)}`}</Text>
            ) : null}
          </View>
        </View>
      ))}
      {isLearning() ? null : (
        <Text variant="bodySmall">
          {`Counts from ${LEARN_FROM} closed focuses on: ${closedIn(experience)[1]} so far.`}
        </Text>
      )}
    </View>
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
  const answers = answeredBy(id);
  const picture = pictureOfDrill(id);
  const rungs = LADDER_IDS.flatMap((ladder) =>
    ladderCard(ladder).steps.flatMap((step, i) => (step.drill === id ? [toLadder(ladder, i + 1)] : [])),
  );
  return (
    <>
      {picture ? <FigureCard picture={picture} label={`${drillCard(id).name}: the figure in its pose`} /> : null}
      <DrillCard card={drillCard(id)} answers={answers} linked />
      <CardLinks label="Answers:" cards={answers.map(toCause)} />
      <CardLinks label="On the ladder:" cards={rungs} />
    </>
  );
}

interface DrillCardProps {
  readonly card: Drill;
  readonly answers: readonly CauseId[];
  /** Links to what it answers follow, so the names need not stand here. */
  readonly linked?: boolean;
}

/** A card as it stands in the library, or will. */
export function DrillCard({ card: drill, answers, linked = false }: DrillCardProps) {
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
      {linked && answers.length > 0 ? null : (
        <Text variant="labelMedium">
          {answers.length > 0
            ? `Answers: ${answers.map((cause) => causeCard(cause).name).join(', ')}`
            : `Trains: ${drill.trains ?? ''}`}
        </Text>
      )}
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
            {`${step.tries} tries${step.kit.length > 0 ? `, with ${step.kit.map((k) => KIT[k]).join(', ')}` : ''}`}
          </Text>
          {step.drill ? <StepDrill id={step.drill} /> : null}
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

/** The drill of a step: its picture, where it is swum, and the way to its card. */
function StepDrill({ id }: { readonly id: DrillId }) {
  const picture = pictureOfDrill(id);
  return (
    <View style={styles.drill}>
      {picture ? <FigureThumb picture={picture} /> : null}
      <CardLinks label="Drill:" cards={[toDrill(id)]} />
    </View>
  );
}

const styles = StyleSheet.create({
  figure: { maxWidth: 520, width: '100%' },
  link: { flexDirection: 'row', gap: 10, alignItems: 'center', maxWidth: 520, paddingVertical: 2 },
  flex: { flex: 1 },
  drill: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 10 },
  right: { textAlign: 'right', fontVariant: ['tabular-nums'] },
  step: { borderLeftWidth: 4, paddingLeft: 10, marginTop: 8, gap: 2 },
});
