/** Measured values with the sign each one shows under the stroke model, and the band it is held against. */
import { bandsOf, type Measured, measuredWord, type MeasureId, signCard, signsFromMeasures } from '@upwell/core/review';
import type { StrokeModelId } from '@upwell/core/swimmers';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';

export const MEASURE_NAME: Readonly<Record<MeasureId, string>> = {
  trunkDeg: 'trunk to the surface',
  rollDeg: 'shoulder roll',
  headTurnDeg: 'head turn',
  leadArmDeg: 'front arm under level',
  elbowDeg: 'wrist under elbow',
  entryDeg: 'hand at entry, to the surface',
  pastMiddleCm: 'hand past the middle',
  faceShare: 'face in the water',
  handDepthCm: 'hand under the shoulder',
  kneeDeg: 'knee bend',
  ankleDeg: 'foot to the shank',
  airShare: 'arm in the air',
  asymmetry: 'left against right',
  coordination: 'overlap of the arms',
  strokeRateSpm: 'stroke rate',
  oneSideShare: 'breaths to one side',
};

/** The unit of each measure as it is written in a file. */
export const MEASURE_UNIT: Readonly<Record<MeasureId, string>> = {
  trunkDeg: 'deg',
  rollDeg: 'deg',
  headTurnDeg: 'deg',
  leadArmDeg: 'deg',
  elbowDeg: 'deg',
  entryDeg: 'deg',
  pastMiddleCm: 'cm',
  faceShare: 'share',
  handDepthCm: 'cm',
  kneeDeg: 'deg',
  ankleDeg: 'deg',
  airShare: 'share',
  asymmetry: 'share',
  coordination: 'share',
  strokeRateSpm: 'strokes/min',
  oneSideShare: 'share',
};

export function MeasuredCard({ measured, model }: { readonly measured: Measured; readonly model: StrokeModelId }) {
  const theme = useTheme();
  const ids = Object.keys(measured) as MeasureId[];
  if (ids.length === 0) return null;
  const signs = signsFromMeasures(measured, model);
  const bands = bandsOf(model).filter((band) => measured[band.measure] !== undefined);
  return (
    <Card title="Measured">
      {ids.map((id) => {
        const shown = bands.filter((band) => band.measure === id && signs[band.sign] !== 'absent');
        return (
          <View key={id} style={[styles.row, { borderBottomColor: theme.own.line }]}>
            <View style={styles.flex}>
              <Text>{MEASURE_NAME[id]}</Text>
              <Text variant="labelSmall" style={{ color: theme.colors.onSurfaceVariant }}>
                {shown.length === 0
                  ? 'inside the band'
                  : shown
                      .map(
                        (band) =>
                          `${signCard(band.sign).seen}: ${band.when} ${measuredWord(id, signs[band.sign] === 'often' ? band.often : band.sometimes)}`,
                      )
                      .join('; ')}
              </Text>
            </View>
            <Text variant="titleMedium" style={styles.figures}>
              {measuredWord(id, measured[id]!)}
            </Text>
          </View>
        );
      })}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 10, paddingVertical: 6, borderBottomWidth: 1 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
});
