/** The water as the coach reads it: a line of words that opens to be changed. */
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import { clockOf, COMPASS, compassWord, waterAt, waterWords, type Conditions } from '../conditions';
import { numberWord, zoneNote } from '@upwell/core/words';

interface ConditionsCardProps {
  /** Whose clock the hour is of. */
  readonly zone: string;
  readonly conditions: Conditions;
  readonly onChange: (change: Partial<Conditions>) => void;
}

const DIRECTIONS = COMPASS.map((word, i) => ({ value: String(i * 45), label: word }));
const OTHERS = [
  { value: 'left', label: 'left' },
  { value: 'right', label: 'right' },
  { value: 'around', label: 'all around' },
] as const;
const hundredth = (n: number) => Math.round(n * 100) / 100;

export function ConditionsCard({ conditions: c, zone, onChange }: ConditionsCardProps) {
  const [open, setOpen] = useState(false);
  const step = (field: 'currentMps' | 'waveHeightM', by: number, most: number) => {
    const to = hundredth(c[field] + by);
    return to >= 0 && to <= most ? () => onChange({ [field]: to }) : null;
  };
  return (
    <View>
      <Disclosure
        label={waterWords(c, zoneNote(zone, waterAt(c, zone).at.getTime()))}
        open={open}
        onPress={() => setOpen(!open)}
      />
      {open ? (
        <View style={styles.box}>
          <View style={styles.row}>
            <Stepper
              label="o’clock"
              value={clockOf(c.hour)}
              onLess={c.hour > 0 ? () => onChange({ hour: c.hour - 0.25 }) : null}
              onMore={c.hour < 23.75 ? () => onChange({ hour: c.hour + 0.25 }) : null}
            />
            <Stepper
              label="m waves"
              value={numberWord(c.waveHeightM, 1)}
              onLess={step('waveHeightM', -0.1, 3)}
              onMore={step('waveHeightM', 0.1, 3)}
            />
            <Stepper
              label="m/s current"
              value={numberWord(c.currentMps, 2)}
              onLess={step('currentMps', -0.05, 2)}
              onMore={step('currentMps', 0.05, 2)}
            />
          </View>
          {c.waveHeightM > 0 ? (
            <Choice
              label="The waves come from"
              options={DIRECTIONS}
              chosen={[String(COMPASS.indexOf(compassWord(c.waveFromDeg)) * 45)]}
              onPress={(value) => onChange({ waveFromDeg: Number(value) })}
            />
          ) : null}
          {c.currentMps > 0 ? (
            <Choice
              label="The current goes to"
              options={DIRECTIONS}
              chosen={[String(COMPASS.indexOf(compassWord(c.currentToDeg)) * 45)]}
              onPress={(value) => onChange({ currentToDeg: Number(value) })}
            />
          ) : null}
          <Choice
            label="Most others swim on the"
            options={OTHERS}
            chosen={[c.others ?? 'around']}
            onPress={(side) => onChange({ others: side === 'around' ? null : side })}
          />
          <View style={styles.row}>
            <Toggle label="Haze" on={c.hazy} onPress={() => onChange({ hazy: !c.hazy })} />
            <Toggle label="Thick cloud" on={c.cloudy} onPress={() => onChange({ cloudy: !c.cloudy })} />
            <Toggle label="Drafting behind someone" on={c.feet} onPress={() => onChange({ feet: !c.feet })} />
          </View>
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: 10, marginBottom: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
