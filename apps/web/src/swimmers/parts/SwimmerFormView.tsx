import { BREATHING_SIDES, PLACES, type Squad, type Swimmer } from '@upwell/contract/swimmers';
import { KIT, KIT_IDS } from '@upwell/core/library';
import { HEALTH_FLAGS, isChild, LEVEL, LEVELS, STROKE_MODEL, STROKE_MODELS } from '@upwell/core/swimmers';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Controller, set, useFieldArray, useForm, useWatch, type FieldErrors, type FieldPath } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton } from 'react-native-paper';
import { v7 } from 'uuid';
import { fieldMessages } from '@/api/problem';
import { SaveProblem } from '@/ui/SaveProblem';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Choice, FieldError } from '@/ui/Choice';
import { DateField } from '@/ui/DateField';
import { Notice } from '@/ui/States';
import { TextField } from '@/ui/TextField';
import { useSaveSwimmerMutation } from '../api';
import { emptyForm, formOf, readForm, type SwimmerForm } from '../formValues';
import { LadderSteps } from './LadderSteps';
import { ModelHint } from './ModelHint';

interface Kept {
  readonly form: SwimmerForm | null;
  readonly id: string;
  /** Stays the same until something is changed, so that a save whose answer was lost can be repeated. */
  readonly writeId: string;
  /** The version the typing began on: a newer one must not be overwritten unseen. */
  readonly version: number;
}

interface SwimmerFormViewProps {
  readonly stored: Swimmer | null;
  readonly squads: readonly Squad[];
}

const SIDE_WORD = { left: 'Left', right: 'Right', both: 'Both' } as const;
const PLACE_WORD = { pool: 'Pool', 'open-water': 'Open water' } as const;

export default function SwimmerFormView({ stored, squads }: SwimmerFormViewProps) {
  const [initial] = useState(() => (stored ? formOf(stored) : emptyForm(squads.length === 1 ? squads[0]!.id : '')));
  const router = useRouter();
  const [first] = useState<Kept>(() => ({
    form: null,
    id: stored?.id ?? v7(),
    writeId: v7(),
    version: stored?.version ?? 0,
  }));
  const [draft, keepDraft, dropDraft] = useDraft<Kept>(`swimmer:${stored?.id ?? 'new'}`, first);
  // Only what was there when the form opened is from before.
  const [restored, setRestored] = useState(draft.form !== null);
  const [save, { error, isLoading }] = useSaveSwimmerMutation();
  const { control, handleSubmit, setError, reset, subscribe, setValue } = useForm<SwimmerForm>({
    defaultValues: draft.form ?? initial,
    resolver: (form) => {
      const { fields, errors } = readForm(form, stored?.archived ?? false);
      return fields ? { values: form, errors: {} } : { values: {}, errors: nested(errors) };
    },
  });
  const bestTimes = useFieldArray({ control, name: 'bestTimes' });
  const [hasGoal, birthYear, flags] = useWatch({ control, name: ['hasGoal', 'birthYear', 'healthFlags'] });
  const child = isChild(Number(birthYear) || null, new Date().getFullYear());

  // Every key typed is kept on the device until it is saved.
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values }) =>
          keepDraft((now) =>
            JSON.stringify(now.form ?? initial) === JSON.stringify(values)
              ? now
              : { ...now, form: structuredClone(values), writeId: v7() },
          ),
      }),
    [subscribe, keepDraft, initial],
  );

  const write = (archived: boolean, version = draft.version) =>
    handleSubmit(async (form) => {
      const { fields } = readForm(form, archived);
      if (!fields) return;
      const result = await save({
        id: draft.id,
        body: { ...fields, version, writeId: archived === (stored?.archived ?? false) ? draft.writeId : v7() },
      });
      if ('error' in result && result.error) {
        for (const [field, message] of Object.entries(fieldMessages(result.error)))
          setError(field as FieldPath<SwimmerForm>, { message });
        return;
      }
      dropDraft();
      router.navigate(archived && !stored?.archived ? '/swimmers' : `/swimmers/${draft.id}`);
    });

  const toggle = <T extends string>(list: readonly T[], value: T): T[] =>
    list.includes(value) ? list.filter((v) => v !== value) : [...list, value];

  return (
    <View>
      {restored ? (
        <Notice
          action={
            <Button
              onPress={() => {
                dropDraft();
                reset(initial);
                setRestored(false);
              }}
            >
              Drop them
            </Button>
          }
        >
          Your unsaved changes from before are back.
        </Notice>
      ) : null}
      <Card title="Who">
        <View style={styles.row}>
          <TextField control={control} name="givenName" label="Given name" style={styles.flex} />
          <TextField control={control} name="familyName" label="Family name" style={styles.flex} />
          <TextField control={control} name="birthYear" label="Birth year" inputMode="numeric" style={styles.small} />
        </View>
        {child ? (
          <View>
            <Notice>
              {`${Number(birthYear) ? 'Under 18' : 'Without a birth year a swimmer counts as under 18'}: clips and health notes need the guardian’s consent, and every look at the record is logged.`}
            </Notice>
            <Controller
              control={control}
              name="clipConsent"
              render={({ field }) => (
                <Check
                  label="The guardian agreed to clips"
                  on={field.value}
                  onPress={() => field.onChange(!field.value)}
                />
              )}
            />
          </View>
        ) : null}
        <Pick
          control={control}
          name="squadId"
          label="Squad"
          options={squads.map((s) => ({ value: s.id, label: s.name }))}
        />
        <Pick
          control={control}
          name="level"
          label="Level"
          options={LEVELS.map((v) => ({ value: v, label: LEVEL[v].name }))}
        />
      </Card>
      <Card title="Stroke">
        <Pick
          control={control}
          name="strokeModel"
          label="Stroke model"
          options={STROKE_MODELS.map((v) => ({ value: v, label: `${STROKE_MODEL[v].name}: ${STROKE_MODEL[v].suits}` }))}
        />
        <ModelHint control={control} before={stored?.strokeModel ?? null} />
        <Pick
          control={control}
          name="breathingSide"
          label="Usual breathing side"
          options={BREATHING_SIDES.map((v) => ({ value: v, label: SIDE_WORD[v] }))}
        />
      </Card>
      <Card title="Ladders">
        <Controller
          control={control}
          name="ladderSteps"
          render={({ field }) => <LadderSteps steps={field.value} onChange={field.onChange} />}
        />
      </Card>
      <Card title="Race goal">
        {hasGoal ? (
          <View>
            <View style={styles.row}>
              <TextField control={control} name="goal.event" label="Event" style={styles.flex} />
              <DateField control={control} name="goal.date" label="Date" style={styles.flex} />
            </View>
            <View style={styles.row}>
              <TextField
                control={control}
                name="goal.distanceM"
                label="Distance, metres"
                inputMode="decimal"
                style={styles.flex}
              />
              <TextField
                control={control}
                name="goal.target"
                label="Target time"
                placeholder="1:02:30"
                style={styles.flex}
              />
            </View>
            <Pick
              control={control}
              name="goal.place"
              label="Where"
              options={PLACES.map((v) => ({ value: v, label: PLACE_WORD[v] }))}
            />
            <Button onPress={() => setValue('hasGoal', false, { shouldDirty: true })}>No race goal</Button>
          </View>
        ) : (
          <Button
            icon="plus"
            mode="outlined"
            onPress={() => setValue('hasGoal', true, { shouldDirty: true })}
            style={styles.start}
          >
            Set a race goal
          </Button>
        )}
      </Card>
      <Card title="Best times">
        {bestTimes.fields.map((field, i) => (
          <View key={field.id} style={styles.row}>
            <TextField
              control={control}
              name={`bestTimes.${i}.distanceM`}
              label="Metres"
              inputMode="decimal"
              style={styles.small}
            />
            <TextField
              control={control}
              name={`bestTimes.${i}.time`}
              label="Time"
              placeholder="5:52"
              style={styles.flex}
            />
            <IconButton
              icon="trash-can-outline"
              accessibilityLabel={`Remove time ${i + 1}`}
              onPress={() => bestTimes.remove(i)}
            />
          </View>
        ))}
        <Button
          icon="plus"
          mode="outlined"
          onPress={() => bestTimes.append({ distanceM: bestTimes.fields.length === 0 ? '400' : '', time: '' })}
          style={styles.start}
        >
          Add a time
        </Button>
      </Card>
      <Card title="Take care">
        <Controller
          control={control}
          name="healthFlags"
          render={({ field }) => (
            <Choice
              label="Health notes"
              options={HEALTH_FLAGS.map((v) => ({ value: v, label: v }))}
              chosen={field.value}
              onPress={(v) => field.onChange(toggle(field.value, v))}
            />
          )}
        />
        {flags.length > 0 ? (
          <Controller
            control={control}
            name="healthConsent"
            render={({ field, fieldState }) => (
              <View>
                <Check
                  label={child ? 'The guardian agreed that we keep this' : 'The swimmer agreed that we keep this'}
                  on={field.value}
                  onPress={() => field.onChange(!field.value)}
                />
                {fieldState.error?.message ? <FieldError>{fieldState.error.message}</FieldError> : null}
              </View>
            )}
          />
        ) : null}
        <Controller
          control={control}
          name="kit"
          render={({ field }) => (
            <Choice
              label="Own kit"
              options={KIT_IDS.map((v) => ({ value: v, label: KIT[v] }))}
              chosen={field.value}
              onPress={(v) => field.onChange(toggle(field.value, v))}
            />
          )}
        />
      </Card>
      <SaveProblem<Swimmer>
        error={error}
        name={({ givenName, familyName, level, bestTimes }) =>
          `${givenName} ${familyName} (level ${LEVEL[level].name}, ${bestTimes.length} best times)`
        }
        keepMine={({ version }) => void write(stored?.archived ?? false, version)()}
        takeTheirs={(newer) => {
          dropDraft();
          reset(formOf(newer));
          keepDraft({ ...draft, form: null, version: newer.version });
        }}
      />
      <View style={styles.row}>
        <Button
          mode="contained"
          icon="check"
          disabled={isLoading}
          onPress={() => void write(stored?.archived ?? false)()}
        >
          {isLoading ? 'Saving…' : 'Save swimmer'}
        </Button>
        {stored ? (
          <Button
            mode="outlined"
            icon="archive-outline"
            disabled={isLoading}
            onPress={() => void write(!stored.archived)()}
          >
            {stored.archived ? 'Bring back' : 'Archive'}
          </Button>
        ) : null}
      </View>
    </View>
  );
}

interface PickProps {
  readonly control: ReturnType<typeof useForm<SwimmerForm>>['control'];
  readonly name: FieldPath<SwimmerForm>;
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

function Pick({ control, name, label, options }: PickProps) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Choice
          label={label}
          options={options}
          chosen={[field.value as string]}
          onPress={(value) => field.onChange(value)}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}

/** Messages by path as the nested object the form library wants. */
function nested(errors: Readonly<Record<string, string>>): FieldErrors<SwimmerForm> {
  const out: FieldErrors<SwimmerForm> = {};
  for (const [path, message] of Object.entries(errors)) set(out, path, { type: 'check', message });
  return out;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'flex-start', marginVertical: 4 },
  flex: { flex: 1, minWidth: 180 },
  small: { width: 120 },
  start: { alignSelf: 'flex-start', marginTop: 6 },
});
