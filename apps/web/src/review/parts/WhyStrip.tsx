/** The likely cause, the second, what speaks for and against, and the one thing to look at next. */
import {
  causeCard,
  type CauseId,
  closedIn,
  FOCUS_FROM,
  type Inference,
  isLearning,
  linkExperience,
  linksOf,
  ourExperience,
  type RankedCause,
  type Reason,
  type Score,
  type Sighting,
  signCard,
  type SignId,
  whyFirst,
} from '@upwell/core/review';
import { numberWord, percent } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { useTheme } from '@/ui/useTheme';
import { SignRow } from './SignRow';

/** The cause that stands at the head: the focus, or what is likeliest while nothing is likely enough. */
export const leaderOf = ({ ranking, focus }: Inference): RankedCause =>
  ranking.find((r) => r.cause === focus) ?? ranking[0]!;

/** Whether anything that was seen speaks for a cause; without it the likeliest one says nothing. */
export const pointsTo = ({ reasons }: RankedCause): boolean => reasons.some(({ kind }) => kind !== 'against');

/** Said where nothing that was seen points to a cause. */
export const NOTHING_YET = 'Nothing seen points to a fault.';

export function WhyStrip({ inference }: { readonly inference: Inference }) {
  const theme = useTheme();
  const { ranking, focus, second } = inference;
  const leader = leaderOf(inference);
  const runnerUp = ranking.find((r) => r.cause === second && r.cause !== leader.cause);
  const why = whyFirst(inference);
  return (
    <View aria-live="polite">
      <Card title="Why" strong aside={<Text variant="bodySmall">{reasonsCounted(leader)}</Text>}>
        {pointsTo(leader) ? (
          <>
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
            {why && runnerUp && runnerUp.probability >= FOCUS_FROM ? <Text style={styles.gap}>{why}</Text> : null}
            {runnerUp && pointsTo(runnerUp) ? (
              <Text
                variant="bodySmall"
                style={{ color: theme.colors.onSurfaceVariant }}
              >{`${focus ? 'second choice' : 'or'}: ${causeCard(runnerUp.cause).name}, ${percent(runnerUp.probability)} likely`}</Text>
            ) : null}
            <Reasons leader={leader} inference={inference} />
            {isLearning() ? (
              <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
                {`With our club’s experience of ${closedIn(ourExperience())[1]} closed focuses.`}
              </Text>
            ) : null}
          </>
        ) : (
          <Text>{NOTHING_YET}</Text>
        )}
        {inference.conflicts.map(({ signs, reason }) => (
          <Text key={signs.join()} variant="bodySmall" style={{ color: theme.colors.error }}>
            {`These two contradict each other: ${signs.map((s) => signCard(s).seen).join(' and ')}. ${reason}`}
          </Text>
        ))}
        {inference.setAside.map(({ sign, reason }) => (
          <Text key={sign} variant="bodySmall">{`Not counted: ${signCard(sign).seen} ${reason}.`}</Text>
        ))}
      </Card>
    </View>
  );
}

interface LookNextProps {
  readonly inference: Inference;
  readonly onAnswer: (sign: SignId, sighting: Sighting) => void;
  /** Without its frame, where room is short. */
  readonly compact?: boolean;
}

/** The one sign that tells most, asked for where it can be answered at once. */
export function LookNext({ inference, onAnswer, compact = false }: LookNextProps) {
  const theme = useTheme();
  const [ask] = inference.lookNext;
  if (!ask) return null;
  return (
    <View
      style={[
        styles.next,
        { borderLeftColor: theme.own.kelp },
        compact ? null : [styles.framed, { backgroundColor: theme.own.sand }],
      ]}
    >
      {compact && !ask.upstream ? null : (
        <Text variant="labelMedium">
          {ask.upstream
            ? `Look first, it may come from: ${causeCard(ask.upstream).name}`
            : inference.focus
              ? 'To be more certain, look at this next'
              : 'Look next: this tells most'}
        </Text>
      )}
      <SignRow
        sign={ask.sign}
        sighting={undefined}
        onAnswer={(sighting) => onAnswer(ask.sign, sighting)}
        compact={compact}
      />
    </View>
  );
}

/** @example '2 for · 1 against · 1 explained' */
function reasonsCounted({ reasons }: RankedCause): string {
  const count = (kind: Reason['kind']) => reasons.filter((r) => r.kind === kind).length;
  const explained = count('explained');
  return `${count('for')} for · ${count('against')} against${explained > 0 ? ` · ${explained} explained` : ''}`;
}

/** What speaks for and against, and why it comes first; opened when asked. */
function Reasons({ leader, inference }: { readonly leader: RankedCause; readonly inference: Inference }) {
  const theme = useTheme();
  const [open, setOpen] = useState(false);
  const score = inference.scores[0];
  const most = Math.max(...leader.reasons.map((r) => Math.abs(r.weight)), 1);
  const colour = { for: theme.colors.primary, against: theme.colors.error, explained: theme.colors.outline };
  return (
    <View>
      <Disclosure label={open ? 'Hide the reasons' : 'Show the reasons'} open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <View style={styles.reasons}>
          {leader.reasons.map(({ sign, kind, by, weight }) => (
            <View key={sign} style={styles.line}>
              <View style={styles.flex}>
                <Text variant="bodySmall">{`${signCard(sign).seen}${hereWords(leader.cause, sign)}`}</Text>
                <View
                  style={[
                    styles.weight,
                    { width: `${Math.round((Math.abs(weight) / most) * 100)}%`, backgroundColor: colour[kind] },
                  ]}
                />
              </View>
              <Text variant="labelMedium" style={styles.kind}>
                {by ? `explained by ${causeCard(by).name.toLowerCase()}` : kind}
              </Text>
            </View>
          ))}
          <Text variant="bodySmall">{`To tell it from others: ${causeCard(leader.cause).check}`}</Text>
          <Text variant="bodySmall">
            {score
              ? `${whyFirst(inference)} ${scoreWords(score)}`
              : `No cause reaches ${percent(FOCUS_FROM)} yet: look at one more thing before choosing.`}
          </Text>
        </View>
      ) : null}
    </View>
  );
}

/** How often the fault showed the sign in this club. @example ' (here in 12 of 13)' */
function hereWords(cause: CauseId, sign: SignId): string {
  if (!(sign in linksOf(cause))) return '';
  const [so, of] = linkExperience(cause, sign).seen;
  return of > 0 ? ` (here in ${so} of ${of})` : '';
}

/** How the score comes about, term by term. */
const scoreWords = (s: Score): string =>
  `${percent(s.probability)} likely × ${numberWord(s.worth, 2)} for ${s.stage} × ${numberWord(s.effect, 1)} for the goal × ${s.shows} how often × ${numberWord(s.teachable, 1)} teachable now × ${numberWord(s.pastSuccess, 2)} past success${s.halved ? ' × ½, since it failed twice' : ''} = ${numberWord(s.score, 2)}.`;

function Bar({ value }: { readonly value: number }) {
  const theme = useTheme();
  return (
    <View style={[styles.bar, { backgroundColor: theme.own.line }]} aria-hidden>
      <View style={[styles.fill, { width: `${Math.round(value * 100)}%`, backgroundColor: theme.colors.primary }]} />
      <View style={[styles.mark, { left: `${FOCUS_FROM * 100}%`, backgroundColor: theme.colors.onSurface }]} />
    </View>
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
  kind: { flexShrink: 1, maxWidth: '45%', textAlign: 'right' },
  next: { borderLeftWidth: 6, paddingLeft: 12 },
  framed: { borderRadius: 4, padding: 12, marginBottom: 12 },
});
