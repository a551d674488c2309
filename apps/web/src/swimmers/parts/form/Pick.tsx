import { Controller, type Control, type FieldPath } from 'react-hook-form';
import { Choice } from '@/ui/Choice';
import type { SwimmerForm } from '../../formValues';

/** Ties a field to the form of a swimmer. */
export type FormControl = Control<SwimmerForm>;

interface PickProps {
  readonly control: FormControl;
  readonly name: FieldPath<SwimmerForm>;
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

/** One of a few, as a field of the form. */
export function Pick({ control, name, label, options }: PickProps) {
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
