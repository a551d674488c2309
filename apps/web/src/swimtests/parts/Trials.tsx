// Time trials: one or more distances all out.
import { formatTime, parseTime } from '@upwell/core/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Watch } from './Watch';
import type { Of } from './captureProps';
import { AddNumber, Taken, without } from './AddNumber';

const DISTANCES = ['100', '200', '400', '800'] as const;

export function Trials({ input, time, running, onInput, onRunning }: Of<'critical-speed'>) {
  const [distance, setDistance] = useState<(typeof DISTANCES)[number]>('400');
  const add = (timeS: number) =>
    onInput({
      ...input,
      trials: [...input.trials, { distanceM: Number(distance), timeS: Math.round(timeS * 100) / 100 }],
    });
  return (
    <View style={styles.gap}>
      <Choice
        label="Distance, metres"
        options={DISTANCES.map((value) => ({ value, label: value }))}
        chosen={[distance]}
        onPress={setDistance}
      />
      <Watch time={time} running={running} onRunning={onRunning} onTime={add} />
      <AddNumber label={`Or the time of ${distance} m (5:52)`} read={parseTime} onAdd={add} />
      <Taken
        words={input.trials.map((t) => `${t.distanceM} m in ${formatTime(t.timeS, 1)}`)}
        onDrop={(i) => onInput({ ...input, trials: without(input.trials, i) })}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12 },
});
