// The one thing a swimmer works on, with how it looks and how it is practised.
import { dayIn } from '@upwell/core/days';
import { useToday, useZone } from '@/state/hooks';
import type { FocusView, ReviewView } from '@upwell/contract/review';
import { bestView } from '@upwell/core/figure';
import { doseWord, drillCard, KIT } from '@upwell/core/library';
import { causeCard, linksOf, signCard, type SignId, type Stroke } from '@upwell/core/review';
import { datedWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { FigureView } from '@/figure';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';
import { useTheme } from '@/ui/useTheme';

interface FocusCardProps {
  readonly focus: FocusView | null;
  /** The look that it came from; without it the figure shows all signs of the cause. */
  readonly review?: ReviewView | undefined;
}

export function FocusCard({ focus, review }: FocusCardProps) {
  const theme = useTheme();
  const today = useToday();
  const zone = useZone();
  if (!focus) {
    return (
      <Card title="The one focus" strong>
        <Text>No focus yet. Look at the stroke and choose one thing to work on.</Text>
      </Card>
    );
  }
  const drill = drillCard(focus.drill);
  const cause = causeCard(focus.cause);
  const stroke = review?.stroke ?? (cause.strokes[0] as Stroke);
  const seen = review
    ? Object.entries(review.signs)
        .filter(([, s]) => s !== 'absent')
        .map(([id]) => id as SignId)
    : (Object.keys(linksOf(focus.cause)) as SignId[]);
  return (
    <Card
      title="The one focus"
      strong
      aside={<Text variant="bodySmall">{`since ${datedWord(dayIn(zone, focus.since), today)}`}</Text>}
    >
      <Text variant="titleLarge">{cause.name}</Text>
      <Text variant="bodyLarge" style={{ color: theme.colors.primary }}>{`“${focus.cue}”`}</Text>
      <View style={styles.figure}>
        <FigureView
          stroke={stroke}
          signs={seen}
          view={bestView(seen)}
          phase={null}
          label={`How it looks: ${seen.map((s) => signCard(s).seen).join(', ')}`}
        />
      </View>
      <Text>{`${drill.name}: ${doseWord(drill.dose, focus.tries)}${drill.kit.length > 0 ? ` with ${drill.kit.map((k) => KIT[k]).join(', ')}` : ''}.`}</Text>
      {drill.steps.map((text, i) => (
        <Text key={text} variant="bodySmall">{`${i + 1}. ${text}`}</Text>
      ))}
      {drill.cautions.map((text) => (
        <Text key={text} variant="labelMedium" style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
      <Text
        variant="labelMedium"
        style={styles.top}
      >{`Look again ${datedWord(focus.relookOn, today)}, ${distanceInDays(today, focus.relookOn)}`}</Text>
    </Card>
  );
}

const styles = StyleSheet.create({
  figure: { marginVertical: 8, borderRadius: 6, overflow: 'hidden' },
  top: { marginTop: 8 },
});
