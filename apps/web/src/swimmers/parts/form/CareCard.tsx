/** What the coach takes care of, with the consent to keep it, and the kit the swimmer has. */
import { KIT, KIT_IDS } from '@upwell/core/library';
import { HEALTH_FLAGS } from '@upwell/core/swimmers';
import { Controller, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Choice, FieldError } from '@/ui/Choice';
import type { FormControl } from './Pick';

const toggle = <T extends string>(list: readonly T[], value: T): T[] =>
  list.includes(value) ? list.filter((v) => v !== value) : [...list, value];

export function CareCard({ control, child }: { readonly control: FormControl; readonly child: boolean }) {
  const flags = useWatch({ control, name: 'healthFlags' });
  return (
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
  );
}
