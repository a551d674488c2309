/** The race or the distance that is trained for, or a button to set one. */
import { PLACES } from '@upwell/contract/swimmers';
import { CLOCKLESS } from '@upwell/core/race';
import { useWatch } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { DateField } from '@/ui/DateField';
import { TextField } from '@/ui/TextField';
import { Pick, type FormControl } from './Pick';

const PLACE_WORD = { pool: 'Pool', 'open-water': 'Open water' } as const;

interface GoalCardProps {
  readonly control: FormControl;
  readonly setGoal: (has: boolean) => void;
  /** Fills in a goal without a clock. */
  readonly suggest: (goal: (typeof CLOCKLESS)[number]) => void;
}

export function GoalCard({ control, setGoal, suggest }: GoalCardProps) {
  const [hasGoal, event] = useWatch({ control, name: ['hasGoal', 'goal.event'] });
  return (
    <Card title="Goal">
      {hasGoal ? (
        <View>
          <Choice
            label="Without a race or a clock"
            options={CLOCKLESS.map(({ event }) => ({ value: event, label: event }))}
            chosen={[event]}
            onPress={(value) => suggest(CLOCKLESS.find((goal) => goal.event === value)!)}
          />
          <View style={styles.row}>
            <TextField control={control} name="goal.event" label="Event" style={styles.flex} />
            <DateField control={control} name="goal.date" label="Date" style={styles.flex} />
          </View>
          <View style={styles.row}>
            <TextField
              control={control}
              name="goal.distanceM"
              label="Distance, metres"
              inputMode="decimal"
              style={styles.flex}
            />
            <TextField
              control={control}
              name="goal.target"
              label="Target time, or none"
              placeholder="1:02:30"
              style={styles.flex}
            />
          </View>
          <Pick
            control={control}
            name="goal.place"
            label="Where"
            options={PLACES.map((v) => ({ value: v, label: PLACE_WORD[v] }))}
          />
          <Button onPress={() => setGoal(false)}>No goal</Button>
        </View>
      ) : (
        <Button icon="plus" mode="outlined" onPress={() => setGoal(true)} style={styles.start}>
          Set a goal
        </Button>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'flex-start', marginVertical: 4 },
  flex: { flex: 1, minWidth: 180 },
  start: { alignSelf: 'flex-start', marginTop: 6 },
});
