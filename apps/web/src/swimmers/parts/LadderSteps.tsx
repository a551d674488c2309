/** How far a swimmer is on each ladder that is kept; the builder plans nothing further up than the next step. */
import { LADDER_IDS, ladderCard, type LadderId } from '@upwell/core/library';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';

interface LadderStepsProps {
  readonly steps: Readonly<Partial<Record<LadderId, number>>>;
  readonly onChange: (steps: Partial<Record<LadderId, number>>) => void;
}

export function LadderSteps({ steps, onChange }: LadderStepsProps) {
  const kept = LADDER_IDS.filter((id) => steps[id] !== undefined);
  const without = (id: LadderId) => {
    const { [id]: _gone, ...others } = steps;
    return others;
  };
  return (
    <View style={styles.all}>
      <Choice
        label="This swimmer’s ladders"
        options={LADDER_IDS.map((value) => ({ value, label: ladderCard(value).name }))}
        chosen={kept}
        onPress={(id) => onChange(kept.includes(id) ? without(id) : { ...steps, [id]: 0 })}
      />
      {kept.map((id) => {
        const ladder = ladderCard(id);
        const passed = steps[id]!;
        const next = ladder.steps[passed];
        return (
          <View key={id} style={styles.row}>
            <Stepper
              label={`passed, ${ladder.name}`}
              value={`${passed} of ${ladder.steps.length}`}
              onLess={passed > 0 ? () => onChange({ ...steps, [id]: passed - 1 }) : null}
              onMore={next ? () => onChange({ ...steps, [id]: passed + 1 }) : null}
            />
            <Text variant="bodySmall" style={styles.flex}>
              {next ? `Working on: ${next.what} Pass mark: ${next.pass}` : 'All steps passed.'}
            </Text>
            <Button compact onPress={() => onChange(without(id))}>
              Leave out
            </Button>
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center' },
  flex: { flex: 1, minWidth: 180 },
});
