/** All of a swimmer as one form, kept on the device at every key. */
import type { Squad, Swimmer } from '@upwell/contract/swimmers';
import { ageYear, isChild, levelCard } from '@upwell/core/swimmers';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Controller, type FieldErrors, type FieldPath, set, useForm, useWatch } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { v7 } from 'uuid';
import { fieldMessages } from '@/api/problem';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { SaveProblem } from '@/ui/SaveProblem';
import { Notice } from '@/ui/States';
import { useSaveSwimmerMutation } from '../api';
import { emptyForm, formOf, readForm, type SwimmerForm } from '../formValues';
import { BestTimesCard } from './form/BestTimesCard';
import { CareCard } from './form/CareCard';
import { GoalCard } from './form/GoalCard';
import { StrokeCard } from './form/StrokeCard';
import { WhoCard } from './form/WhoCard';
import { LadderSteps } from './LadderSteps';

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
  const birthYear = useWatch({ control, name: 'birthYear' });
  const child = isChild(Number(birthYear) || null, ageYear());

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
              Discard them
            </Button>
          }
        >
          Your unsaved changes from before are back.
        </Notice>
      ) : null}
      <WhoCard control={control} squads={squads} child={child} />
      <StrokeCard control={control} before={stored?.strokeModel ?? null} />
      <Card title="Ladders">
        <Controller
          control={control}
          name="ladderSteps"
          render={({ field }) => <LadderSteps steps={field.value} onChange={field.onChange} />}
        />
      </Card>
      <GoalCard
        control={control}
        setGoal={(has) => setValue('hasGoal', has, { shouldDirty: true })}
        suggest={({ event, distanceM }) => {
          const options = { shouldDirty: true };
          setValue('goal.event', event, options);
          setValue('goal.target', '', options);
          if (distanceM !== null) setValue('goal.distanceM', String(distanceM), options);
        }}
      />
      <BestTimesCard control={control} />
      <CareCard control={control} child={child} />
      <SaveProblem<Swimmer>
        error={error}
        name={({ givenName, familyName, level, bestTimes }) =>
          `${givenName} ${familyName} (level ${levelCard(level).name}, ${bestTimes.length} best times)`
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
            {stored.archived ? 'Restore' : 'Archive'}
          </Button>
        ) : null}
      </View>
    </View>
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
});
