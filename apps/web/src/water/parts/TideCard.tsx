/** When there is water enough at the entry, and when it runs least. */
import { dayIn } from '@upwell/core/days';
import { nearestSlack, waterWindow } from '@upwell/core/water';
import { clockWord, numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';

interface TideCardProps {
  readonly at: Date;
  /** Whose clock the times are of. */
  readonly zone: string;
  readonly minutes: number;
  /** Depth at the entry when the tide is at its mean, metres; null when it does not matter here. */
  readonly depthM: number | null;
  /** Least depth anybody may go in at, metres. */
  readonly leastM: number;
  readonly onChange: (depthM: number | null) => void;
}

const FIRST_M = 1.2;
const STEP_M = 0.1;
const day = (ms: number, at: Date, zone: string) => (dayIn(zone, ms) === dayIn(zone, at) ? '' : ' next day');

export function TideCard({ at, zone, minutes, depthM, leastM, onChange }: TideCardProps) {
  const from = at.getTime();
  const span = depthM === null ? null : waterWindow(from, leastM - depthM);
  const fits = span !== null && span.fromMs <= from && from + minutes * 60_000 <= span.toMs;
  return (
    <Card title="Tide">
      <Text>{`Slack water ${clockWord(nearestSlack(from), zone)}: hard swims near it.`}</Text>
      <View style={styles.row}>
        <Toggle
          label="Depth at the entry matters here"
          on={depthM !== null}
          onPress={() => onChange(depthM === null ? FIRST_M : null)}
        />
        {depthM !== null ? (
          <Stepper
            label="m at mean tide"
            value={numberWord(depthM, 1)}
            onLess={depthM > 0 ? () => onChange(Math.max(0, Math.round((depthM - STEP_M) * 10) / 10)) : null}
            onMore={depthM < 10 ? () => onChange(Math.round((depthM + STEP_M) * 10) / 10) : null}
          />
        ) : null}
      </View>
      {depthM === null ? null : (
        <Text role="status">
          {span === null
            ? `The tide does not bring ${numberWord(leastM, 1)} m to this entry.`
            : `${numberWord(leastM, 1)} m or more from ${clockWord(span.fromMs, zone)} to ${clockWord(span.toMs, zone)}${day(span.toMs, at, zone)}. ${fits ? 'The plan fits.' : 'The plan does not fit: move the start.'}`}
        </Text>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 8, alignItems: 'center' },
});
