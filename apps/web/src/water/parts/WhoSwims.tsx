/** Who the sheet is for: a swimmer found by name, or what is usual at a level. */
import { levelCard, LEVELS } from '@upwell/core/swimmers';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Disclosure } from '@/ui/Disclosure';
import { Toggle } from '@/ui/Toggle';
import { FindSwimmer } from './FindSwimmer';
import type { Who } from '../useSwimmerOutside';

interface WhoSwimsProps {
  readonly who: Who;
  readonly name: string;
  readonly onChoose: (who: Who) => void;
}

export function WhoSwims({ who, name, onChoose }: WhoSwimsProps) {
  const [open, setOpen] = useState(false);
  const choose = (next: Who) => {
    onChoose(next);
    setOpen(false);
  };
  return (
    <View>
      <Disclosure
        label={'level' in who ? `For a swimmer at ${levelCard(who.level).name}` : `For ${name || '…'}`}
        open={open}
        onPress={() => setOpen(!open)}
      />
      {open ? (
        <View style={styles.box}>
          <FindSwimmer chosen={'id' in who ? who.id : null} onChoose={(id) => choose({ id })} />
          <Text variant="labelMedium">Or what is usual at a level</Text>
          <View style={styles.row}>
            {LEVELS.filter((l) => l !== 'settle').map((level) => (
              <Toggle
                key={level}
                label={levelCard(level).name}
                on={'level' in who && who.level === level}
                onPress={() => choose({ level })}
              />
            ))}
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
