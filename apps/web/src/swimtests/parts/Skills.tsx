// Tests of a single skill: glide, tumble turn, a step of a ladder.
import { LADDER_IDS, ladderCard, type LadderId } from '@upwell/core/library';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { Watch } from './Watch';
import type { Of } from './captureProps';
import { AddNumber, number, Taken, without } from './AddNumber';

export function Glide({ input, onInput }: Of<'glide'>) {
  return (
    <View style={styles.gap}>
      <AddNumber
        label="Metres from the wall to the hips"
        read={number}
        onAdd={(m) => onInput({ ...input, metres: [...input.metres, m] })}
      />
      <Taken
        words={input.metres.map((m) => `${numberWord(m, 2)} m`)}
        onDrop={(i) => onInput({ ...input, metres: without(input.metres, i) })}
      />
    </View>
  );
}

export function Tumble({ input, time, running, onInput, onRunning }: Of<'tumble'>) {
  const add = (s: number) => onInput({ ...input, timesS: [...input.timesS, Math.round(s * 100) / 100] });
  return (
    <View style={styles.gap}>
      <Watch time={time} running={running} onRunning={onRunning} onTime={add} start="5 m in" stop="5 m out" />
      <AddNumber label="Or seconds" read={number} onAdd={add} />
      <Taken
        words={input.timesS.map((s) => `${numberWord(s, 2)} s`)}
        onDrop={(i) => onInput({ ...input, timesS: without(input.timesS, i) })}
      />
    </View>
  );
}

export function Step({ input, onInput }: Of<'ladder-step'>) {
  const ladder = ladderCard(input.ladder);
  const step = ladder.steps[input.step]!;
  const pick = (id: LadderId) => onInput({ ...input, ladder: id, step: 0, tries: 0, passed: 0 });
  const count = (reached: boolean) =>
    onInput({ ...input, tries: input.tries + 1, passed: input.passed + (reached ? 1 : 0) });
  return (
    <View style={styles.gap}>
      <Choice
        label="Ladder"
        options={LADDER_IDS.map((value) => ({ value, label: ladderCard(value).name }))}
        chosen={[input.ladder]}
        onPress={pick}
      />
      <Stepper
        label={`step of ${ladder.steps.length}`}
        value={String(input.step + 1)}
        onLess={input.step > 0 ? () => onInput({ ...input, step: input.step - 1, tries: 0, passed: 0 }) : null}
        onMore={
          input.step + 1 < ladder.steps.length
            ? () => onInput({ ...input, step: input.step + 1, tries: 0, passed: 0 })
            : null
        }
      />
      <Text variant="titleMedium">{step.what}</Text>
      <Text>{`Pass mark: ${step.pass} Back a step when: ${step.backIf}`}</Text>
      <View style={styles.row}>
        <Button mode="contained" contentStyle={styles.tall} style={styles.flex} onPress={() => count(true)}>
          Reached it
        </Button>
        <Button mode="outlined" contentStyle={styles.tall} style={styles.flex} onPress={() => count(false)}>
          Not yet
        </Button>
      </View>
      <Text style={styles.figures}>{`${input.passed} of ${input.tries} tries, ${step.tries} are needed`}</Text>
      <Button disabled={input.tries === 0} onPress={() => onInput({ ...input, tries: 0, passed: 0 })}>
        Start counting again
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  flex: { flex: 1, minWidth: 140 },
  tall: { minHeight: 64 },
  figures: { fontVariant: ['tabular-nums'], flexShrink: 1 },
});
