// Best times of a swimmer, in crawl and in other strokes, as they are typed.
import { useFieldArray } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton } from 'react-native-paper';
import { STROKE_WORD, TIMED_STROKES } from '@upwell/core/sessions';
import { Card } from '@/ui/Card';
import { TextField } from '@/ui/TextField';
import { Pick, type FormControl } from './Pick';

const STROKES = (['front-crawl', ...TIMED_STROKES] as const).map((value) => ({ value, label: STROKE_WORD[value] }));

/** Distances with the best time over each, in crawl and in other strokes. */
export function BestTimesCard({ control }: { readonly control: FormControl }) {
  const bestTimes = useFieldArray({ control, name: 'bestTimes' });
  return (
    <Card title="Best times">
      {bestTimes.fields.map((field, i) => (
        <View key={field.id} style={styles.row}>
          <View style={styles.whole}>
            <Pick
              control={control}
              name={`bestTimes.${i}.stroke`}
              label={`Stroke of time ${i + 1}`}
              options={STROKES}
            />
          </View>
          <TextField
            control={control}
            name={`bestTimes.${i}.distanceM`}
            label="Metres"
            inputMode="decimal"
            style={styles.small}
          />
          <TextField
            control={control}
            name={`bestTimes.${i}.time`}
            label="Time"
            placeholder="5:52"
            style={styles.flex}
          />
          <IconButton
            icon="trash-can-outline"
            accessibilityLabel={`Remove time ${i + 1}`}
            onPress={() => bestTimes.remove(i)}
          />
        </View>
      ))}
      <Button
        icon="plus"
        mode="outlined"
        onPress={() =>
          bestTimes.append({ stroke: 'front-crawl', distanceM: bestTimes.fields.length === 0 ? '400' : '', time: '' })
        }
        style={styles.start}
      >
        Add a time
      </Button>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'flex-start', marginVertical: 4 },
  flex: { flex: 1, minWidth: 110 },
  small: { width: 120 },
  whole: { width: '100%' },
  start: { alignSelf: 'flex-start', marginTop: 6 },
});
