/** Which line is drawn, what it measures, and how far repeated clicks differ. */
import type { ClipLine } from '@upwell/contract/clips';
import { type LineKind, lineUnit, lineValues, SHOULDERS_CM } from '@upwell/core/measures';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choices } from '@/figure';
import { useTheme } from '@/ui/useTheme';
import { readingsOf } from './clipDraft';

export const LINE_WORD: Readonly<Record<LineKind, string>> = {
  trunk: 'Trunk',
  'lead-arm': 'Front arm',
  elbow: 'Elbow',
  entry: 'Entry',
  'head-turn': 'Head',
  roll: 'Shoulders',
  'past-middle': 'Middle',
};

const HOW: Readonly<Record<LineKind, string>> = {
  trunk: 'From the side: click the shoulder, then the hip.',
  'lead-arm': 'From the side, at the breath: click the front shoulder, then its hand.',
  elbow: 'From the side, at the catch: click the elbow, then the wrist.',
  'head-turn': 'From the front, at the breath: click the top of the head, then the chin.',
  entry: 'From the side, as the hand enters: click the wrist, then the fingertips.',
  roll: 'From the front: click one shoulder, then the other.',
  'past-middle': 'From the front, as the hand enters: click the shoulder of that arm, then the fingertips.',
};

/** What can be drawn, by where the swimmer was filmed from. */
const FROM: readonly { readonly label: string; readonly kinds: readonly LineKind[] }[] = [
  { label: 'Lines from the side', kinds: ['trunk', 'lead-arm', 'elbow', 'entry'] },
  { label: 'Lines from the front', kinds: ['head-turn', 'roll', 'past-middle'] },
];

interface LinePadProps {
  readonly kind: LineKind;
  readonly onKind: (kind: LineKind) => void;
  readonly lines: readonly ClipLine[];
  readonly aspect: number;
  readonly half: boolean;
  readonly onClear: (kind: LineKind) => void;
}

export function LinePad({ kind, onKind, lines, aspect, half, onClear }: LinePadProps) {
  const theme = useTheme();
  return (
    <View style={styles.gap}>
      {FROM.map(({ label, kinds }) => (
        <Choices<LineKind | ''>
          key={label}
          label={label}
          options={kinds.map((value) => ({ value, word: LINE_WORD[value], said: `Draw: ${LINE_WORD[value]}` }))}
          value={kinds.includes(kind) ? kind : ''}
          onChange={(value) => onKind(value as LineKind)}
        />
      ))}
      <Text>{half ? 'Now click the second place.' : HOW[kind]}</Text>
      {kind === 'past-middle' && lineValues(kind, lines, aspect).length === 0 ? (
        <Text variant="bodySmall">
          {`Draw the shoulders in the same moment too: they give the middle and the scale (${SHOULDERS_CM} cm).`}
        </Text>
      ) : null}
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        Draw it three times: the spread of your clicks is the reading error.
      </Text>
      {readingsOf(lines, aspect).map(({ kind: drawn, mean, error, readings }) => (
        <View key={drawn} style={[styles.row, { borderBottomColor: theme.own.line }]}>
          <Text style={styles.flex}>{LINE_WORD[drawn]}</Text>
          <Text variant="titleMedium" style={styles.figures}>
            {`${numberWord(mean)}${lineUnit(drawn)}${error === null ? ', one reading' : ` ± ${numberWord(error, 1)} (${readings})`}`}
          </Text>
          <Button
            compact
            accessibilityLabel={`Remove the lines for ${LINE_WORD[drawn]}`}
            onPress={() => onClear(drawn)}
          >
            Remove
          </Button>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 6, marginTop: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 48, borderBottomWidth: 1 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
});
