import { drillCard } from '@upwell/core/library';
import { measuredWord, modelChange, signCard } from '@upwell/core/review';
import type { StrokeModelId } from '@upwell/core/swimmers';
import { View } from 'react-native';
import { Text } from 'react-native-paper';

/** What follows from a switch of the stroke model, line by line. */
export function ModelChangeList({ from, to }: { readonly from: StrokeModelId; readonly to: StrokeModelId }) {
  if (from === to) return <Text variant="bodySmall">Nothing changes.</Text>;
  const change = modelChange(from, to);
  const lines = [
    `Stroke rate: ${change.rateFrom.join('–')} becomes ${change.rateTo.join('–')} strokes a minute.`,
    ...change.bands
      .filter(({ after }) => after.measure !== 'strokeRateSpm')
      .map(
        ({ before, after }) =>
          `“${signCard(after.sign).seen}” counts from ${measuredWord(after.measure, after.sometimes)} instead of ${measuredWord(before.measure, before.sometimes)}.`,
      ),
    ...change.nowAllowed.map((sign) => `“${signCard(sign).seen}” is no longer a fault.`),
    ...change.nowFaults.map((sign) => `“${signCard(sign).seen}” becomes a fault.`),
    ...change.drillsOut.map((id) => `${drillCard(id).name} now goes against the model.`),
    ...change.drillsIn.map((id) => `${drillCard(id).name} may be used again.`),
  ];
  return (
    <View role="list">
      {lines.map((line) => (
        <Text key={line} role="listitem" variant="bodySmall">{`• ${line}`}</Text>
      ))}
    </View>
  );
}
