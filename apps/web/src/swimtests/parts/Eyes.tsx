// The straight-line test: ten strokes with closed eyes.
import { ENTRY_RANGE as RANGE } from '@upwell/core/swimtests';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Stepper } from '@/ui/Stepper';
import type { Of } from './captureProps';
import { AddNumber, Taken, number, without } from './AddNumber';

export function Eyes({ input, onInput }: Of<'closed-eyes'>) {
  return (
    <View style={styles.gap}>
      <View style={styles.row}>
        <Stepper
          label="strokes a try"
          value={String(input.strokes)}
          onLess={
            input.strokes > RANGE.blindStrokes[0] ? () => onInput({ ...input, strokes: input.strokes - 1 }) : null
          }
          onMore={
            input.strokes < RANGE.blindStrokes[1] ? () => onInput({ ...input, strokes: input.strokes + 1 }) : null
          }
        />
        <Stepper
          label="m a stroke"
          value={numberWord(input.strokeLengthM, 2)}
          onLess={
            input.strokeLengthM > RANGE.strokeLengthM[0]
              ? () => onInput({ ...input, strokeLengthM: Math.round(input.strokeLengthM * 20 - 1) / 20 })
              : null
          }
          onMore={
            input.strokeLengthM < RANGE.strokeLengthM[1]
              ? () => onInput({ ...input, strokeLengthM: Math.round(input.strokeLengthM * 20 + 1) / 20 })
              : null
          }
        />
      </View>
      <AddNumber
        label="Metres off the line: left −, right +"
        read={number}
        onAdd={(y) => onInput({ ...input, offM: [...input.offM, y] })}
      />
      <Taken
        words={input.offM.map((y) => `${numberWord(Math.abs(y), 2)} m ${y < 0 ? 'left' : y > 0 ? 'right' : 'off'}`)}
        onDrop={(i) => onInput({ ...input, offM: without(input.offM, i) })}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
