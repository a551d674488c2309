/** What was forecast, to be read over, and what only eyes at the water can tell. */
import type { DayReadings } from '@upwell/core/water';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { compassWord } from '../conditions';

interface ReadingsProps {
  readonly readings: DayReadings;
  readonly own: Partial<DayReadings>;
  readonly onRead: (change: Partial<DayReadings>) => void;
}

const YES_NO = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
] as const;
const ASKED = [
  { of: 'lightning', label: 'Lightning or thunder?' },
  { of: 'sewage', label: 'Sewage warning?' },
  { of: 'fouled', label: 'Bloom, floating matter?' },
  { of: 'wildlife', label: 'Seals, nesting birds?' },
  { of: 'walked', label: 'Entry and exits walked?' },
] as const;
const STEPPED = [
  { of: 'waterC', label: '°C water', step: 0.5, digits: 1, least: -2 },
  { of: 'airC', label: '°C air', step: 1, digits: 0, least: -40 },
  { of: 'windMps', label: 'm/s wind', step: 0.5, digits: 1, least: 0 },
  { of: 'waveHeightM', label: 'm waves', step: 0.1, digits: 1, least: 0 },
  { of: 'currentMps', label: 'm/s current', step: 0.05, digits: 2, least: 0 },
  { of: 'rainMm72h', label: 'mm rain, 72 h', step: 1, digits: 0, least: 0 },
] as const;

export function ReadingsCard({ readings: r, own, onRead }: ReadingsProps) {
  return (
    <Card title="Read at the water">
      <View style={styles.row}>
        {STEPPED.map(({ of, label, step, digits, least }) => {
          const value = r[of] ?? 0;
          const to = (by: number) => onRead({ [of]: Math.max(least, Math.round((value + by) * 100) / 100) });
          return (
            <Stepper
              key={of}
              label={own[of] === undefined ? `${label} (forecast)` : label}
              value={numberWord(value, digits)}
              onLess={value > least ? () => to(-step) : null}
              onMore={() => to(step)}
            />
          );
        })}
      </View>
      <Choice
        label={`Wind comes from ${compassWord(r.windFromDeg)}`}
        options={['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'].map((label, i) => ({ value: String(i * 45), label }))}
        chosen={[String(Math.round(r.windFromDeg / 45) * 45 === 360 ? 0 : Math.round(r.windFromDeg / 45) * 45)]}
        onPress={(value) => onRead({ windFromDeg: Number(value) })}
      />
      {ASKED.map(({ of, label }) => (
        <Choice
          key={of}
          label={label}
          options={YES_NO}
          chosen={r[of] === null ? [] : [r[of] ? 'yes' : 'no']}
          onPress={(value) => onRead({ [of]: value === 'yes' })}
        />
      ))}
      <Choice
        label="Visibility"
        options={[
          { value: 'clear', label: 'Far' },
          { value: 'hazy', label: 'Haze' },
          { value: 'fog', label: 'Fog' },
        ]}
        chosen={r.visibility === null ? [] : [r.visibility]}
        onPress={(visibility) => onRead({ visibility })}
      />
      <Choice
        label="Boats?"
        options={[
          { value: 'none', label: 'None' },
          { value: 'lane', label: 'A lane near' },
          { value: 'through', label: 'Through the course' },
        ]}
        chosen={r.traffic === null ? [] : [r.traffic]}
        onPress={(traffic) => onRead({ traffic })}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 8 },
});
