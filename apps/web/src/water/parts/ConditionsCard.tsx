/** The water of the leg in a line, with where each number comes from; it opens to be tried otherwise. */
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { zoneNote, numberWord } from '@upwell/core/words';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import { clockOf, COMPASS, compassWord, typedNumber, waterWords } from '../conditions';
import type { Water } from '../useWater';

interface ConditionsCardProps {
  /** Whose clock the hour is of. */
  readonly zone: string;
  readonly water: Pick<Water, 'when' | 'setWhen' | 'leg' | 'at'>;
}

const DIRECTIONS = COMPASS.map((word, i) => ({ value: String(i * 45), label: word }));
const OTHERS = [
  { value: 'left', label: 'left' },
  { value: 'right', label: 'right' },
  { value: 'around', label: 'all around' },
] as const;
const hundredth = (n: number) => Math.round(n * 100) / 100;

export function ConditionsCard({ water: { when, setWhen, leg, at }, zone }: ConditionsCardProps) {
  const [open, setOpen] = useState(false);
  const { water } = leg;
  const attempt = (change: typeof when.tried) => setWhen({ tried: { ...when.tried, ...change } });
  const stepper = (field: 'currentMps' | 'waveHeightM', label: string, by: number, most: number, digits: number) => {
    const to = (value: number) => (value >= 0 && value <= most ? () => attempt({ [field]: value }) : null);
    return (
      <Stepper
        label={label}
        value={numberWord(water[field], digits)}
        onLess={to(hundredth(water[field] - by))}
        onMore={to(hundredth(water[field] + by))}
        onType={(text) => {
          const typed = typedNumber(text, 0, most);
          if (typeof typed === 'string') return typed;
          attempt({ [field]: typed });
          return null;
        }}
      />
    );
  };
  return (
    <View>
      <Disclosure
        label={waterWords(when, leg, zone, zoneNote(zone, at.getTime()))}
        open={open}
        onPress={() => setOpen(!open)}
      />
      {open ? (
        <View style={styles.box}>
          <Text variant="bodySmall">
            What you change here is tried out, not noted: readings are noted under “Go or not?”.
          </Text>
          <View style={styles.row}>
            <Stepper
              label="o’clock"
              value={clockOf(when.hour)}
              onLess={when.hour > 0 ? () => setWhen({ hour: when.hour - 0.25 }) : null}
              onMore={when.hour < 23.75 ? () => setWhen({ hour: when.hour + 0.25 }) : null}
            />
            {stepper('waveHeightM', 'm waves', 0.1, 3, 1)}
            {stepper('currentMps', 'm/s current', 0.05, 2, 2)}
          </View>
          {water.waveHeightM > 0 ? (
            <Choice
              label="The waves come from"
              options={DIRECTIONS}
              chosen={[String(COMPASS.indexOf(compassWord(water.waveFromDeg)) * 45)]}
              onPress={(value) => attempt({ waveFromDeg: Number(value) })}
            />
          ) : null}
          {water.currentMps > 0 ? (
            <Choice
              label="The current goes to"
              options={DIRECTIONS}
              chosen={[String(COMPASS.indexOf(compassWord(water.currentToDeg)) * 45)]}
              onPress={(value) => attempt({ currentToDeg: Number(value) })}
            />
          ) : null}
          <Choice
            label="Most others swim on the"
            options={OTHERS}
            chosen={[when.others ?? 'around']}
            onPress={(side) => setWhen({ others: side === 'around' ? null : side })}
          />
          <View style={styles.row}>
            <Toggle label="Haze" on={water.hazy} onPress={() => attempt({ hazy: !water.hazy })} />
            <Toggle label="Thick cloud" on={water.cloudy} onPress={() => attempt({ cloudy: !water.cloudy })} />
            <Toggle label="Drafting behind someone" on={when.feet} onPress={() => setWhen({ feet: !when.feet })} />
          </View>
        </View>
      ) : null}
      {Object.keys(when.tried).length > 0 ? (
        <Button compact icon="undo" style={styles.back} onPress={() => setWhen({ tried: {} })}>
          Back to what was read
        </Button>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: 10, marginBottom: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  back: { alignSelf: 'flex-start' },
});
