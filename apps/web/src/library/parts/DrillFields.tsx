/** The fields of a drill's card: words, the faults that it answers, and how much of it. */
import { MOST_OF_OWN, type Dose, type Drill } from '@upwell/core/library';
import { CAUSE_IDS, causeCard, type CauseId } from '@upwell/core/review';
import { percent } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Choice, FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { SearchField } from '@/ui/SearchField';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';

/** A list with something taken in, or out where it was in. */
export const flip = <T,>(list: readonly T[], item: T): T[] =>
  list.includes(item) ? list.filter((other) => other !== item) : [...list, item];

/** What each way of counting begins with. */
const DOSES: Readonly<Record<Dose['kind'], Dose>> = {
  distance: { kind: 'distance', tries: 4, metres: 25, mostM: 50 },
  seconds: { kind: 'seconds', tries: 4, seconds: 10 },
  repeats: { kind: 'repeats', tries: 5, eachS: 20 },
};

interface TextProps {
  readonly label: string;
  readonly value: string;
  readonly max: number;
  readonly multiline?: boolean;
  readonly error?: string | undefined;
  readonly onChange: (text: string) => void;
}

export function Field({ label, value, max, multiline = false, error, onChange }: TextProps) {
  return (
    <View>
      <Input
        label={label}
        value={value}
        maxLength={max}
        multiline={multiline}
        error={error !== undefined}
        onChangeText={onChange}
      />
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}

/** The causes that an own drill answers: chosen ones as chips, others by name. */
export function Answers({
  answers,
  error,
  onChange,
}: {
  readonly answers: readonly CauseId[];
  readonly error: string | undefined;
  readonly onChange: (answers: readonly CauseId[]) => void;
}) {
  const theme = useTheme();
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const found = wanted ? CAUSE_IDS.filter((id) => causeCard(id).name.toLowerCase().includes(wanted)).slice(0, 8) : [];
  const shown = [...answers, ...found.filter((id) => !answers.includes(id))];
  return (
    <View style={styles.fields}>
      <SearchField
        label="Find a fault that it answers"
        placeholder="Find a fault that it answers"
        style={{ backgroundColor: theme.own.sand }}
        value={search}
        onChange={setSearch}
      />
      {shown.length > 0 || error ? (
        <Choice
          label="It answers"
          options={shown.map((value) => ({ value, label: causeCard(value).name }))}
          chosen={answers}
          error={error}
          onPress={(id) => onChange(flip(answers, id))}
        />
      ) : null}
    </View>
  );
}

const KIND_WORD: Readonly<Record<Dose['kind'], string>> = {
  distance: 'metres',
  seconds: 'seconds',
  repeats: 'tries on the spot',
};

export function DoseInput({
  card: { dose, factor },
  fixed,
  error,
  onChange,
}: {
  readonly card: Drill;
  /** A built-in drill is counted as it was. */
  readonly fixed: boolean;
  readonly error: string | undefined;
  readonly onChange: (change: Partial<Drill>) => void;
}) {
  const step = (label: string, value: string, by: number, now: number, most: number, to: (n: number) => Dose) => (
    <Stepper
      label={label}
      value={value}
      onLess={now - by >= 1 ? () => onChange({ dose: to(now - by) }) : null}
      onMore={now + by <= most ? () => onChange({ dose: to(now + by) }) : null}
    />
  );
  return (
    <View style={styles.fields}>
      {fixed ? null : (
        <Choice
          label="Counted in"
          options={(Object.keys(KIND_WORD) as Dose['kind'][]).map((value) => ({ value, label: KIND_WORD[value] }))}
          chosen={[dose.kind]}
          onPress={(kind) => onChange({ dose: DOSES[kind], factor: kind === 'distance' ? 0.8 : null })}
        />
      )}
      <View style={styles.row}>
        {step('tries', String(dose.tries), 1, dose.tries, MOST_OF_OWN.tries, (tries) => ({ ...dose, tries }))}
        {dose.kind === 'distance' ? (
          <>
            {step('m of one try', String(dose.metres), 5, dose.metres, MOST_OF_OWN.metres, (metres) => ({
              ...dose,
              ...{ metres, mostM: Math.max(metres, dose.mostM) },
            }))}
            {step('m at most', String(dose.mostM), 5, dose.mostM, MOST_OF_OWN.metres, (mostM) => ({ ...dose, mostM }))}
          </>
        ) : null}
        {dose.kind === 'seconds'
          ? step('s at most', String(dose.seconds), 5, dose.seconds, MOST_OF_OWN.seconds, (seconds) => ({
              ...dose,
              seconds,
            }))
          : null}
        {dose.kind === 'repeats'
          ? step('s each', String(dose.eachS), 5, dose.eachS, MOST_OF_OWN.seconds, (eachS) => ({ ...dose, eachS }))
          : null}
        {dose.kind === 'distance' && factor !== null ? (
          <Stepper
            label="of easy swimming"
            value={percent(factor)}
            onLess={factor > 0.25 ? () => onChange({ factor: Math.round((factor - 0.05) * 100) / 100 }) : null}
            onMore={factor < 1.2 ? () => onChange({ factor: Math.round((factor + 0.05) * 100) / 100 }) : null}
          />
        ) : null}
      </View>
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  fields: { gap: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
});
