// Clean lengths: strokes and time of each.
import { ENTRY_RANGE as RANGE } from '@upwell/core/swimtests';
import { formatTime } from '@upwell/core/units';
import { numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Stepper } from '@/ui/Stepper';
import { Watch } from './Watch';
import type { Known, Of } from './captureProps';
import { Taken, without } from './AddNumber';

export function Lengths({ input, time, running, onInput, onRunning, poolM }: Known<Of<'clean-length'>>) {
  const [strokes, setStrokes] = useState(input.lengths.at(-1)?.strokes ?? 20);
  const [pushOffM, setPushOffM] = useState(input.lengths.at(-1)?.pushOffM ?? 5);
  return (
    <View style={styles.gap}>
      <View style={styles.row}>
        <Stepper
          label="strokes"
          value={String(strokes)}
          onLess={strokes > RANGE.strokesPerLength[0] ? () => setStrokes(strokes - 1) : null}
          onMore={strokes < RANGE.strokesPerLength[1] ? () => setStrokes(strokes + 1) : null}
        />
        <Stepper
          label="m to the first stroke"
          value={numberWord(pushOffM, 1)}
          onLess={pushOffM > RANGE.pushOffM[0] ? () => setPushOffM(pushOffM - 0.5) : null}
          onMore={pushOffM < RANGE.pushOffM[1] ? () => setPushOffM(pushOffM + 0.5) : null}
        />
      </View>
      <Watch
        time={time}
        running={running}
        onRunning={onRunning}
        start="Push-off"
        split="First stroke"
        stop="Wall"
        onTime={(timeS, split) =>
          onInput({
            ...input,
            lengths: [...input.lengths, { lengthM: poolM, pushOffM, pushOffS: split ?? 0, timeS, strokes }],
          })
        }
      />
      <Taken
        words={input.lengths.map(
          (l) => `${formatTime(l.timeS, 2)}, first stroke ${numberWord(l.pushOffS, 2)} s, ${l.strokes} strokes`,
        )}
        onDrop={(i) => onInput({ ...input, lengths: without(input.lengths, i) })}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
