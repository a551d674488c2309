// The rate ramp: reps at rising stroke rates.
import { ENTRY_RANGE as RANGE, rampRepM, rampReps } from '@upwell/core/swimtests';
import { formatTime, parseTime } from '@upwell/core/units';
import { counted, numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { BeeperPanel } from '@/deck';
import { Disclosure } from '@/ui/Disclosure';
import { Stepper } from '@/ui/Stepper';
import { Watch } from './Watch';
import { type Known, NOBODY, type Of } from './captureProps';
import { AddNumber, Taken, without } from './AddNumber';

export function Ramp({ input, time, running, onInput, onRunning, poolM }: Known<Of<'rate-ramp'>>) {
  const repM = rampRepM(poolM);
  const add = (timeS: number) => onInput({ ...input, lengthM: poolM, repM, reps: [...input.reps, { timeS, strokes }] });
  const [strokes, setStrokes] = useState(input.reps.at(-1)?.strokes ?? 20);
  const [beeper, setBeeper] = useState(false);
  const rates = input.reps.length > 0 ? rampReps(input) : [];
  return (
    <View style={styles.gap}>
      <Disclosure label="Beeper" open={beeper} onPress={() => setBeeper(!beeper)} />
      {beeper ? (
        <BeeperPanel
          suggested={rates.length > 0 ? Math.round(rates.at(-1)!.strokeRateSpm) + 4 : null}
          people={NOBODY}
        />
      ) : null}
      <Stepper
        label="strokes in one length"
        value={String(strokes)}
        onLess={strokes > RANGE.strokesPerLength[0] ? () => setStrokes(strokes - 1) : null}
        onMore={strokes < RANGE.strokesPerLength[1] ? () => setStrokes(strokes + 1) : null}
      />
      <Watch
        time={time}
        running={running}
        onRunning={onRunning}
        onTime={add}
        start={`Start rep ${input.reps.length + 1}`}
        stop="Wall"
      />
      <AddNumber
        label={`Or the time of ${counted(Math.round(repM / poolM), 'length')}, with ${strokes} strokes`}
        read={parseTime}
        onAdd={add}
      />
      <Taken
        words={input.reps.map(
          (r, i) =>
            `${formatTime(r.timeS, 1)}, ${r.strokes} strokes: rate ${numberWord(rates[i]!.strokeRateSpm)}, ${numberWord(rates[i]!.speedMps, 2)} m/s`,
        )}
        onDrop={(i) => onInput({ ...input, reps: without(input.reps, i) })}
      />
      <View style={styles.row}>
        <Stepper
          label="m of push-off"
          value={numberWord(input.pushOffM, 1)}
          onLess={
            input.pushOffM > RANGE.pushOffM[0] ? () => onInput({ ...input, pushOffM: input.pushOffM - 0.5 }) : null
          }
          onMore={
            input.pushOffM < RANGE.pushOffM[1] ? () => onInput({ ...input, pushOffM: input.pushOffM + 0.5 }) : null
          }
        />
        <Stepper
          label="s of push-off"
          value={numberWord(input.pushOffS, 1)}
          onLess={
            input.pushOffS > RANGE.pushOffS[0]
              ? () => onInput({ ...input, pushOffS: Math.round(input.pushOffS * 10 - 1) / 10 })
              : null
          }
          onMore={
            input.pushOffS < RANGE.pushOffS[1]
              ? () => onInput({ ...input, pushOffS: Math.round(input.pushOffS * 10 + 1) / 10 })
              : null
          }
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
