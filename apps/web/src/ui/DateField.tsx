/** A calendar day of a form. */
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import type { ViewStyle } from 'react-native';
import { DayInput } from './DayInput';

interface DateFieldProps<F extends FieldValues> {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly label: string;
  readonly style?: ViewStyle;
}

export function DateField<F extends FieldValues>({ control, name, label, style }: DateFieldProps<F>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <DayInput
          label={label}
          value={field.value ? String(field.value) : ''}
          onChange={field.onChange}
          error={fieldState.error?.message}
          style={style}
        />
      )}
    />
  );
}
