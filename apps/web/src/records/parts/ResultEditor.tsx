/** One result corrected or taken out, where it stands. */
import {
  readSplits,
  splitsProblem,
  splitsText,
  swumDistance,
  swumMetres,
  type ResultLine,
  type SwimDetails,
} from '@upwell/core/measures';
import { LONGEST_MEET } from '@upwell/core/exchange/shapes';
import { formatTime, parseTime } from '@upwell/core/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { fieldMessages, sentence } from '@/api/problem';
import { DayInput } from '@/ui/DayInput';
import { FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { SwumIn } from '@/ui/SwumIn';
import { useRemoveResultMutation, useSaveResultMutation } from '../api';

/** A result with its id. */
export type KeptResult = ResultLine & { readonly id: string };

/** What was just done, so that it can be undone. */
export interface ResultChange {
  readonly did: 'corrected' | 'removed';
  readonly before: KeptResult;
  readonly after: KeptResult | null;
}

interface ResultEditorProps {
  readonly result: KeptResult;
  readonly onDone: (change: ResultChange | null) => void;
}

const valuesOf = ({ swimmerId: _, ...values }: ResultLine) => values;

export function ResultEditor({ result, onDone }: ResultEditorProps) {
  const [on, setOn] = useState(result.on);
  const [distance, setDistance] = useState(String(swumDistance(result)));
  const [time, setTime] = useState(formatTime(result.timeS, 2));
  const [strokes, setStrokes] = useState(result.strokesPerLength === null ? '' : String(result.strokesPerLength));
  const [pool, setPool] = useState(result.details?.pool ?? null);
  const [splits, setSplits] = useState(splitsText(result.details?.splitsS ?? []));
  const [meet, setMeet] = useState(result.details?.meet ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const outside = result.kind === 'track';
  const [save, saving] = useSaveResultMutation();
  const [remove, removing] = useRemoveResultMutation();
  const busy = saving.isLoading || removing.isLoading;
  const store = async () => {
    const distanceM = swumMetres(Number(distance.replace(',', '.')), pool);
    const timeS = parseTime(time);
    const strokesPerLength = strokes.trim() === '' ? null : Number(strokes.replace(',', '.'));
    if (!(distanceM >= 1)) return setProblem('The distance as a number, please.');
    if (timeS === null || timeS <= 0) return setProblem('A time like 5:52.3, please.');
    if (strokesPerLength !== null && !(strokesPerLength > 0)) return setProblem('Strokes of one length, or nothing.');
    const splitsS = readSplits(splits, timeS);
    if (splitsS === null) return setProblem('Splits are times with spaces between them, like 1:24 2:53 4:23.');
    const details: SwimDetails = {
      ...(pool ? { pool } : {}),
      ...(splitsS.length > 0 ? { splitsS } : {}),
      ...(meet.trim() ? { meet: meet.trim() } : {}),
    };
    const wrong = splitsProblem({ distanceM, timeS, details });
    if (wrong) return setProblem(wrong);
    const { id, swimmerId, kind } = result;
    const line = { swimmerId, on, distanceM, timeS, strokesPerLength, kind, details };
    const { id: _, ...was } = result;
    const answer = await save({ id, body: { ...line, was: valuesOf(was) } });
    if ('error' in answer && answer.error)
      setProblem(Object.values(fieldMessages(answer.error))[0] ?? sentence(answer.error));
    else onDone({ did: 'corrected', before: result, after: { id, ...line } });
  };
  const takeOut = async () => {
    const answer = await remove(result.id);
    if ('error' in answer && answer.error) setProblem(sentence(answer.error));
    else onDone({ did: 'removed', before: result, after: null });
  };
  return (
    <View style={styles.all} role="group" aria-label="Correct this result">
      <View style={styles.row}>
        <DayInput label="Day" value={on} onChange={setOn} style={styles.field} />
        <Input
          label={pool?.unit === 'yd' ? 'Yards' : 'Metres'}
          value={distance}
          inputMode="decimal"
          onChangeText={setDistance}
          style={styles.field}
        />
        <Input label="Time" value={time} onChangeText={setTime} style={styles.field} />
        <Input
          label="Strokes a length"
          value={strokes}
          inputMode="decimal"
          onChangeText={setStrokes}
          style={styles.field}
        />
      </View>
      {outside ? null : <SwumIn pool={pool} onPool={setPool} none="not known" />}
      <View style={styles.row}>
        <Input
          label="Splits"
          value={splits}
          placeholder="1:24 2:53 4:23"
          maxLength={1000}
          onChangeText={setSplits}
          style={styles.field}
        />
        <Input label="Meet" value={meet} maxLength={LONGEST_MEET} onChangeText={setMeet} style={styles.field} />
      </View>
      {problem ? <FieldError>{problem}</FieldError> : null}
      <View style={styles.row}>
        <Button mode="contained" disabled={busy} onPress={() => void store()}>
          Save it
        </Button>
        <Button disabled={busy} onPress={() => onDone(null)}>
          Leave it
        </Button>
        <Button icon="trash-can-outline" disabled={busy} onPress={() => void takeOut()}>
          Take it out
        </Button>
      </View>
    </View>
  );
}

/** Puts back what {@link ResultEditor} did. */
export function useUndoResult() {
  const [save, { isLoading, error }] = useSaveResultMutation();
  const undo = async ({ before, after }: ResultChange): Promise<boolean> => {
    const { id, ...line } = before;
    const { id: _, ...now } = after ?? before;
    const answer = await save({ id, body: after ? { ...line, was: valuesOf(now) } : line });
    return !('error' in answer && answer.error);
  };
  return { undo, undoing: isLoading, error };
}

const styles = StyleSheet.create({
  all: { gap: 8, paddingVertical: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  field: { minWidth: 130, flexGrow: 1 },
});
