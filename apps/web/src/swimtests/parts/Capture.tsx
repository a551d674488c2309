import type { SessionPerson } from '@upwell/contract/sessions';
import { ENTRY_RANGE as RANGE, rampRepM, rampReps, type TestInput } from '@upwell/core/swimtests';
import { LADDER_IDS, LADDERS, type LadderId } from '@upwell/core/library';
import { formatTime, parseTime } from '@upwell/core/units';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { BeeperPanel, type DeckTime } from '@/deck';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import { Stepper } from '@/ui/Stepper';
import type { TestDraft } from '../draft';
import { PoolChoice } from './PoolChoice';
import { Watch } from './Watch';

/** A rate of a ramp is chosen by the ramp, not by somebody's last one. */
const NOBODY: readonly SessionPerson[] = [];

interface CaptureProps<Input_ extends TestInput = TestInput> {
  readonly input: Input_;
  readonly running: TestDraft['running'];
  readonly time: DeckTime;
  readonly onInput: (input: TestInput) => void;
  readonly onRunning: (running: TestDraft['running']) => void;
  /** Metres of one length; null until it is known. */
  readonly poolM: number | null;
  readonly onPool: (lengthM: number) => void;
}
type Of<K extends TestInput['kind']> = CaptureProps<Extract<TestInput, { kind: K }>>;

/** Takes a test down as it happens. */
export function Capture(props: CaptureProps) {
  const { input } = props;
  switch (input.kind) {
    case 'critical-speed':
      return <Trials {...(props as Of<'critical-speed'>)} />;
    case 'rate-ramp':
      return <InPool {...props} of={(poolM) => <Ramp {...(props as Of<'rate-ramp'>)} poolM={poolM} />} />;
    case 'clean-length':
      return <InPool {...props} of={(poolM) => <Lengths {...(props as Of<'clean-length'>)} poolM={poolM} />} />;
    case 'closed-eyes':
      return <Eyes {...(props as Of<'closed-eyes'>)} />;
    case 'glide':
      return <Glide {...(props as Of<'glide'>)} />;
    case 'tumble':
      return <Tumble {...(props as Of<'tumble'>)} />;
    case 'ladder-step':
      return <Step {...(props as Of<'ladder-step'>)} />;
  }
}

/** A test whose numbers hang on the length of the pool: nothing is taken before that is known. */
function InPool({ poolM, onPool, of }: CaptureProps & { readonly of: (poolM: number) => ReactNode }) {
  return (
    <View style={styles.gap}>
      <PoolChoice poolM={poolM} onPool={onPool} />
      {poolM === null ? null : of(poolM)}
    </View>
  );
}

type Known<T> = Omit<T, 'poolM'> & { readonly poolM: number };

/** What was taken, each with a way to take it out. */
function Taken({ words, onDrop }: { readonly words: readonly string[]; readonly onDrop: (index: number) => void }) {
  if (words.length === 0) return <Text variant="bodySmall">Nothing taken yet.</Text>;
  return (
    <View role="list" aria-label="Taken so far">
      {words.map((word, i) => (
        <View key={`${i} ${word}`} role="listitem" style={styles.taken}>
          <Text style={styles.figures}>{`${i + 1}.  ${word}`}</Text>
          <Button compact accessibilityLabel={`Take out number ${i + 1}`} onPress={() => onDrop(i)}>
            Take out
          </Button>
        </View>
      ))}
    </View>
  );
}

/** A number typed by hand, added with a button. */
function AddNumber({
  label,
  read,
  onAdd,
}: {
  readonly label: string;
  readonly read: (text: string) => number | null;
  readonly onAdd: (value: number) => void;
}) {
  const [text, setText] = useState('');
  const value = read(text);
  const add = () => {
    if (value === null) return;
    onAdd(value);
    setText('');
  };
  return (
    <View style={styles.row}>
      <Input
        label={label}
        value={text}
        onChangeText={setText}
        inputMode="decimal"
        error={text !== '' && value === null}
        onSubmitEditing={add}
        style={styles.flex}
      />
      <Button mode="outlined" disabled={value === null} onPress={add}>
        Add
      </Button>
    </View>
  );
}

const number = (text: string): number | null => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || Number.isNaN(value) ? null : value;
};
const without = <T,>(list: readonly T[], index: number): T[] => list.filter((_, i) => i !== index);

const DISTANCES = ['100', '200', '400', '800'] as const;

function Trials({ input, time, running, onInput, onRunning }: Of<'critical-speed'>) {
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
      <AddNumber label={`Or the time of ${distance} m, like 5:52`} read={parseTime} onAdd={add} />
      <Taken
        words={input.trials.map((t) => `${t.distanceM} m in ${formatTime(t.timeS, 1)}`)}
        onDrop={(i) => onInput({ ...input, trials: without(input.trials, i) })}
      />
    </View>
  );
}

function Ramp({ input, time, running, onInput, onRunning, poolM }: Known<Of<'rate-ramp'>>) {
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
        label={`Or the time of ${repM / poolM === 1 ? 'one length' : `${Math.round(repM / poolM)} lengths`}, with ${strokes} strokes`}
        read={parseTime}
        onAdd={add}
      />
      <Taken
        words={input.reps.map(
          (r, i) =>
            `${formatTime(r.timeS, 1)}, ${r.strokes} strokes: rate ${rates[i]!.strokeRateSpm.toFixed(0)}, ${rates[i]!.speedMps.toFixed(2)} m/s`,
        )}
        onDrop={(i) => onInput({ ...input, reps: without(input.reps, i) })}
      />
      <View style={styles.row}>
        <Stepper
          label="m of push-off"
          value={input.pushOffM.toFixed(1)}
          onLess={
            input.pushOffM > RANGE.pushOffM[0] ? () => onInput({ ...input, pushOffM: input.pushOffM - 0.5 }) : null
          }
          onMore={
            input.pushOffM < RANGE.pushOffM[1] ? () => onInput({ ...input, pushOffM: input.pushOffM + 0.5 }) : null
          }
        />
        <Stepper
          label="s of push-off"
          value={input.pushOffS.toFixed(1)}
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

function Lengths({ input, time, running, onInput, onRunning, poolM }: Known<Of<'clean-length'>>) {
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
          value={pushOffM.toFixed(1)}
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
          (l) => `${formatTime(l.timeS, 2)}, first stroke ${l.pushOffS.toFixed(2)} s, ${l.strokes} strokes`,
        )}
        onDrop={(i) => onInput({ ...input, lengths: without(input.lengths, i) })}
      />
    </View>
  );
}

function Eyes({ input, onInput }: Of<'closed-eyes'>) {
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
          value={input.strokeLengthM.toFixed(2)}
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
        words={input.offM.map((y) => `${Math.abs(y).toFixed(2)} m ${y < 0 ? 'left' : y > 0 ? 'right' : 'off'}`)}
        onDrop={(i) => onInput({ ...input, offM: without(input.offM, i) })}
      />
    </View>
  );
}

function Glide({ input, onInput }: Of<'glide'>) {
  return (
    <View style={styles.gap}>
      <AddNumber
        label="Metres from the wall to the hips"
        read={number}
        onAdd={(m) => onInput({ ...input, metres: [...input.metres, m] })}
      />
      <Taken
        words={input.metres.map((m) => `${m.toFixed(2)} m`)}
        onDrop={(i) => onInput({ ...input, metres: without(input.metres, i) })}
      />
    </View>
  );
}

function Tumble({ input, time, running, onInput, onRunning }: Of<'tumble'>) {
  const add = (s: number) => onInput({ ...input, timesS: [...input.timesS, Math.round(s * 100) / 100] });
  return (
    <View style={styles.gap}>
      <Watch time={time} running={running} onRunning={onRunning} onTime={add} start="5 m in" stop="5 m out" />
      <AddNumber label="Or seconds" read={number} onAdd={add} />
      <Taken
        words={input.timesS.map((s) => `${s.toFixed(2)} s`)}
        onDrop={(i) => onInput({ ...input, timesS: without(input.timesS, i) })}
      />
    </View>
  );
}

function Step({ input, onInput }: Of<'ladder-step'>) {
  const ladder = LADDERS[input.ladder];
  const step = ladder.steps[input.step]!;
  const pick = (id: LadderId) => onInput({ ...input, ladder: id, step: 0, tries: 0, passed: 0 });
  const count = (reached: boolean) =>
    onInput({ ...input, tries: input.tries + 1, passed: input.passed + (reached ? 1 : 0) });
  return (
    <View style={styles.gap}>
      <Choice
        label="Ladder"
        options={LADDER_IDS.map((value) => ({ value, label: LADDERS[value].name }))}
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
      <Text style={styles.figures}>{`${input.passed} of ${input.tries} tries, ${step.tries} are asked for`}</Text>
      <Button disabled={input.tries === 0} onPress={() => onInput({ ...input, tries: 0, passed: 0 })}>
        Count again from nothing
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  flex: { flex: 1, minWidth: 140 },
  tall: { minHeight: 64 },
  taken: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', minHeight: 48 },
  figures: { fontVariant: ['tabular-nums'], flexShrink: 1 },
});
