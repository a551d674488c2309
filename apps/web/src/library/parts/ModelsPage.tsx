import { DISAGREEMENTS, OPEN_QUESTIONS } from '@upwell/core/library';
import { STROKE_MODEL, STROKE_MODELS, type StrokeModelId } from '@upwell/core/swimmers';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Choices } from '@/figure';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { ModelChangeList } from './ModelChangeList';

/** Where good coaches differ: the three models side by side, both reasons, and what a switch would change. */
export function ModelsPage() {
  const wide = useWide();
  const theme = useTheme();
  const [from, setFrom] = useState<StrokeModelId>('long-line');
  const [to, setTo] = useState<StrokeModelId>('quick-rhythm');
  const pick = (label: string, value: StrokeModelId, onChange: (model: StrokeModelId) => void) => (
    <View style={styles.pick}>
      <Text variant="labelMedium">{label}</Text>
      <Choices
        label={label}
        options={STROKE_MODELS.map((id) => ({
          value: id,
          word: STROKE_MODEL[id].name,
          said: `${label}: ${STROKE_MODEL[id].name}`,
        }))}
        value={value}
        onChange={onChange}
      />
    </View>
  );
  return (
    <View>
      <View style={wide ? styles.row : undefined}>
        {STROKE_MODELS.map((id) => (
          <Card key={id} title={STROKE_MODEL[id].name} style={styles.flex}>
            <Text>{`For ${STROKE_MODEL[id].suits}.`}</Text>
            <Text variant="bodySmall">{`${STROKE_MODEL[id].rateBandSpm.join(' to ')} strokes a minute`}</Text>
          </Card>
        ))}
      </View>
      <Card title="From one to another">
        {pick('From', from, setFrom)}
        {pick('To', to, setTo)}
        <ModelChangeList from={from} to={to} />
      </Card>
      {DISAGREEMENTS.map(({ topic, says, reasons }) => (
        <Card key={topic} title={topic}>
          <View style={wide ? styles.row : undefined}>
            {STROKE_MODELS.map((id) => (
              <View key={id} style={[styles.flex, styles.says]}>
                <Text variant="labelSmall" style={{ color: theme.colors.primary }}>
                  {STROKE_MODEL[id].name}
                </Text>
                <Text>{says[id]}</Text>
              </View>
            ))}
          </View>
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {`Because: ${reasons[0]} But: ${reasons[1]}`}
          </Text>
        </Card>
      ))}
      {OPEN_QUESTIONS.map(({ topic, reasons, here }) => (
        <Card key={topic} title={topic}>
          <Text>{`Some say: ${reasons[0]}`}</Text>
          <Text>{`Others say: ${reasons[1]}`}</Text>
          <Text variant="labelMedium" style={styles.here}>{`Here: ${here}`}</Text>
        </Card>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 12 },
  flex: { flex: 1 },
  says: { marginBottom: 6 },
  pick: { gap: 4, marginBottom: 8 },
  here: { marginTop: 6 },
});
