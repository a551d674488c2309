/** Which line is drawn, what it measures, and how far repeated clicks differ. */
import type { ClipLine } from '@upwell/contract/clips';
import { FOREARM_CM, lineBeside, type LineKind, lineUnit, lineValues, SHOULDERS_CM } from '@upwell/core/measures';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choices } from '@/figure';
import { useTheme } from '@/ui/useTheme';
import { readingsOf, type KindReading } from './clipDraft';

export const LINE_WORD: Readonly<Record<LineKind, string>> = {
  trunk: 'Trunk',
  'lead-arm': 'Front arm',
  elbow: 'Elbow',
  entry: 'Entry',
  'head-turn': 'Head',
  roll: 'Shoulders',
  'past-middle': 'Middle',
  surface: 'Surface',
  face: 'Face',
  'hand-depth': 'Hand depth',
  thigh: 'Thigh',
  shank: 'Shank',
  foot: 'Foot',
  free: 'Free line',
  'free-angle': 'Free angle',
};

const HOW: Readonly<Record<LineKind, string>> = {
  trunk: 'From the side: click the shoulder, then the hip.',
  'lead-arm': 'From the side, at the breath: click the front shoulder, then its hand.',
  elbow: 'From the side, at the catch: click the elbow, then the wrist.',
  'head-turn': 'From the front, at the breath: click the top of the head, then the chin.',
  entry: 'From the side, as the hand enters: click the wrist, then the fingertips.',
  roll: 'From the front: click one shoulder, then the other.',
  'past-middle': 'From the front, as the hand enters: click the shoulder of that arm, then the fingertips.',
  surface: 'From the side: click the surface left of the head, then right of it.',
  face: 'From the side, at the breath: click the top of the head, then the chin.',
  'hand-depth': 'From the side, in the pull: click the shoulder, then the fingertips.',
  thigh: 'From the side: click the hip, then the knee.',
  shank: 'From the side: click the knee, then the ankle.',
  foot: 'From the side: click the ankle, then the toes.',
  free: 'Click two places: the angle is to the horizontal.',
  'free-angle': 'Click two places: the angle is to the free line of this moment.',
};

/** What a line gives once the other one of its moment is there. */
const GIVES: Readonly<Partial<Record<LineKind, string>>> = {
  'past-middle': `the hand past the middle; the shoulders give the middle and the scale (${SHOULDERS_CM} cm)`,
  face: 'the share of the face in the water',
  'hand-depth': `how deep the hand is; the forearm gives the scale (${FOREARM_CM} cm)`,
  shank: 'the bend of the knee',
  foot: 'how far the foot is bent up',
};

/** What can be drawn, by where the swimmer was filmed from. */
const FROM: readonly { readonly label: string; readonly kinds: readonly LineKind[] }[] = [
  { label: 'Lines from the side', kinds: ['trunk', 'lead-arm', 'elbow', 'entry'] },
  { label: 'Head and depth, from the side', kinds: ['surface', 'face', 'hand-depth'] },
  { label: 'Legs, from the side', kinds: ['thigh', 'shank', 'foot'] },
  { label: 'Lines from the front', kinds: ['head-turn', 'roll', 'past-middle'] },
  { label: 'Lines without a name', kinds: ['free', 'free-angle'] },
];

/** A reading with its error, in the unit of its line. */
function readingWord(reading: KindReading | undefined): string {
  if (!reading) return 'drawn';
  const { kind, mean, error, readings } = reading;
  const unit = lineUnit(kind);
  const scale = unit === ' %' ? 100 : 1;
  const value = `${numberWord(mean * scale)}${unit}`;
  return error === null ? `${value}, one reading` : `${value} ± ${numberWord(error * scale, 1)} (${readings})`;
}

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
  const beside = lineBeside(kind);
  const readings = readingsOf(lines, aspect);
  return (
    <View style={styles.gap}>
      <View style={styles.kinds}>
        {FROM.map(({ label, kinds }) => (
          <Choices<LineKind | ''>
            key={label}
            label={label}
            options={kinds.map((value) => ({ value, word: LINE_WORD[value], said: `Draw: ${LINE_WORD[value]}` }))}
            value={kinds.includes(kind) ? kind : ''}
            onChange={(value) => onKind(value as LineKind)}
          />
        ))}
      </View>
      <Text>{half ? 'Now click the second place.' : HOW[kind]}</Text>
      {beside && lineValues(kind, lines, aspect).length === 0 ? (
        <Text variant="bodySmall">
          {`Draw “${LINE_WORD[beside]}” in the same moment too${GIVES[kind] ? `: both give ${GIVES[kind]}` : ''}.`}
        </Text>
      ) : null}
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        Draw it three times: the spread of your clicks is the reading error.
      </Text>
      {[...new Set(lines.map((l) => l.kind))].map((drawn) => (
        <View key={drawn} style={[styles.row, { borderBottomColor: theme.own.line }]}>
          <Text style={styles.flex}>{LINE_WORD[drawn]}</Text>
          <Text variant="titleMedium" style={styles.figures}>
            {readingWord(readings.find((r) => r.kind === drawn))}
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
  kinds: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 48, borderBottomWidth: 1 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
});
