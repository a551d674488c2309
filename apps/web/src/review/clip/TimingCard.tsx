/** What the taps say: each number with what it is made of. */
import type { StrokeTiming } from '@upwell/core/measures';
import { numberWord, percent } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Input } from '@/ui/Input';
import { useTheme } from '@/ui/useTheme';

interface TimingCardProps {
  readonly timing: StrokeTiming | null;
  readonly reason: string;
  readonly distance: string;
  readonly onDistance: (distance: string) => void;
}

export function TimingCard({ timing, reason, distance, onDistance }: TimingCardProps) {
  const theme = useTheme();
  return (
    <Card title="From the taps" strong>
      {timing ? (
        <>
          <View style={styles.numbers}>
            <Measure
              name="strokes a minute"
              value={numberWord(timing.strokeRateSpm, 1)}
              how={`${timing.strokes} strokes`}
            />
            {timing.strokeLengthM === null ? null : (
              <Measure
                name="metres a stroke"
                value={numberWord(timing.strokeLengthM, 2)}
                how={`${distance} m ÷ ${timing.strokes}`}
              />
            )}
            {timing.asymmetry === null ? null : (
              <Measure
                name="left against right"
                value={percent(timing.asymmetry)}
                how={longerAfter(timing.asymmetry)}
              />
            )}
            {timing.variability === null ? null : (
              <Measure name="varies by" value={percent(timing.variability)} how="spread of the gaps" />
            )}
            {timing.trendSpmPerMin === null ? null : (
              <Measure name="rate trend" value={numberWord(timing.trendSpmPerMin, 1)} how="a minute, each minute" />
            )}
            {timing.shares ? (
              <>
                <Measure name="in front" value={percent(timing.shares.front)} how="entry to catch" />
                <Measure name="pulling" value={percent(timing.shares.pull)} how="catch to exit" />
                <Measure name="in the air" value={percent(timing.shares.air)} how="exit to entry" />
              </>
            ) : null}
            {timing.coordination === null ? null : (
              <Measure
                name="overlap of the arms"
                value={percent(timing.coordination)}
                how={timing.coordination < 0 ? 'a gap: waits in front' : 'the pulls overlap'}
              />
            )}
            {timing.breaths.left + timing.breaths.right > 0 ? (
              <Measure name="breaths" value={`${timing.breaths.left} · ${timing.breaths.right}`} how="left · right" />
            ) : null}
          </View>
          {timing.problems.map((p) => (
            <Text key={`${p.index} ${p.message}`} variant="bodySmall" style={{ color: theme.colors.error }}>
              {p.message}
            </Text>
          ))}
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            Overlap: index of coordination (Chollet et al. 2000). One clip only; tap it again to see how repeatable your
            taps are.
          </Text>
        </>
      ) : (
        <Text>{reason}</Text>
      )}
      <Input
        label="Metres from first to last entry"
        value={distance}
        onChangeText={onDistance}
        inputMode="decimal"
        style={styles.gap}
      />
    </Card>
  );
}

/** After which side the pause is longer, in per cent as they stand beside it. */
function longerAfter(asymmetry: number): string {
  const shown = Math.round(asymmetry * 100);
  if (shown === 0) return 'both as long';
  return shown > 0 ? 'after left longer' : 'after right longer';
}

function Measure({ name, value, how }: { readonly name: string; readonly value: string; readonly how: string }) {
  const theme = useTheme();
  return (
    <View style={styles.number}>
      <Text variant="titleLarge" style={styles.figures}>
        {value}
      </Text>
      <Text variant="labelSmall">{name}</Text>
      <Text variant="labelSmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {how}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  numbers: { flexDirection: 'row', flexWrap: 'wrap', columnGap: 20, rowGap: 10 },
  number: { minWidth: 96 },
  figures: { fontVariant: ['tabular-nums'] },
  gap: { marginTop: 10 },
});
