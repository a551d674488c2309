/** What was forecast, to be read over, and what only eyes at the water can tell. */
import { contradictionsIn, type DayReadings, type Noted, type ReadField, type WaterRead } from '@upwell/core/water';
import { clockWord, numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { COMPASS, compassWord, typedNumber } from '../conditions';

interface ReadingsProps {
  readonly readings: DayReadings;
  readonly waveFromDeg: number;
  /** Thick cloud; null while nobody looked. */
  readonly cloudy: boolean | null;
  readonly noted: Noted;
  readonly zone: string;
  readonly onRead: (change: Partial<WaterRead>) => void;
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
  { of: 'waterC', label: '°C water', step: 0.5, digits: 1, least: -2, most: 40 },
  { of: 'airC', label: '°C air', step: 1, digits: 0, least: -40, most: 50 },
  { of: 'windMps', label: 'm/s wind', step: 0.5, digits: 1, least: 0, most: 40 },
  { of: 'waveHeightM', label: 'm waves', step: 0.1, digits: 1, least: 0, most: 10 },
  { of: 'currentMps', label: 'm/s current', step: 0.05, digits: 2, least: 0, most: 5 },
  { of: 'rainMm72h', label: 'mm rain, 72 h', step: 1, digits: 0, least: 0, most: 500 },
] as const;
const FROM = COMPASS.map((label, i) => ({ value: String(i * 45), label }));
const eighth = (deg: number) => String(COMPASS.indexOf(compassWord(deg)) * 45);

export function ReadingsCard({ readings: r, waveFromDeg, cloudy, noted, zone, onRead }: ReadingsProps) {
  const readAt = (field: ReadField) => {
    const entry = noted[field];
    return entry && entry.value !== null ? `read ${clockWord(entry.atMs, zone)}` : null;
  };
  /** What is asked, with when it was answered. */
  const asked = (label: string, field: ReadField) =>
    [label, readAt(field) && `(${readAt(field)})`].filter(Boolean).join(' ');
  const contradictions = contradictionsIn(noted);
  return (
    <Card title="Read at the water">
      <View style={styles.row}>
        {STEPPED.map(({ of, label, step, digits, least, most }) => {
          const value = r[of] ?? 0;
          const to = (next: number) => onRead({ [of]: Math.min(most, Math.max(least, Math.round(next * 100) / 100)) });
          return (
            <Stepper
              key={of}
              label={`${label} (${readAt(of) ?? 'forecast'})`}
              value={numberWord(value, digits)}
              onLess={value > least ? () => to(value - step) : null}
              onMore={value < most ? () => to(value + step) : null}
              vouched
              onType={(text) => {
                const typed = typedNumber(text, least, most);
                if (typeof typed === 'string') return typed;
                onRead({ [of]: typed });
                return null;
              }}
            />
          );
        })}
      </View>
      {contradictions.map((text) => (
        <Notice key={text}>{text}</Notice>
      ))}
      <Choice
        label={`Wind comes from ${compassWord(r.windFromDeg)} (${readAt('windFromDeg') ?? 'forecast'})`}
        options={FROM}
        chosen={[eighth(r.windFromDeg)]}
        onPress={(value) => onRead({ windFromDeg: Number(value) })}
      />
      {(r.waveHeightM ?? 0) > 0 ? (
        <Choice
          label={`Waves come from ${compassWord(waveFromDeg)} (${readAt('waveFromDeg') ?? 'guessed from the wind'})`}
          options={FROM}
          chosen={[eighth(waveFromDeg)]}
          onPress={(value) => onRead({ waveFromDeg: Number(value) })}
        />
      ) : null}
      {(r.currentMps ?? 0) > 0 ? (
        <Choice
          label={`Current goes to ${compassWord(r.currentToDeg)} (${readAt('currentToDeg') ?? 'forecast'})`}
          options={FROM}
          chosen={[eighth(r.currentToDeg)]}
          onPress={(value) => onRead({ currentToDeg: Number(value) })}
        />
      ) : null}
      {ASKED.map(({ of, label }) => (
        <Choice
          key={of}
          label={asked(label, of)}
          options={YES_NO}
          chosen={r[of] === null ? [] : [r[of] ? 'yes' : 'no']}
          onPress={(value) => onRead({ [of]: value === 'yes' })}
        />
      ))}
      <Choice
        label={asked('Visibility', 'visibility')}
        options={[
          { value: 'clear', label: 'Far' },
          { value: 'hazy', label: 'Haze' },
          { value: 'fog', label: 'Fog' },
        ]}
        chosen={r.visibility === null ? [] : [r.visibility]}
        onPress={(visibility) => onRead({ visibility })}
      />
      <Choice
        label={asked('Sky', 'cloudy')}
        options={[
          { value: 'sun', label: 'Sun' },
          { value: 'cloud', label: 'Thick cloud' },
        ]}
        chosen={cloudy === null ? [] : [cloudy ? 'cloud' : 'sun']}
        onPress={(sky) => onRead({ cloudy: sky === 'cloud' })}
      />
      <Choice
        label={asked('Boats?', 'traffic')}
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
