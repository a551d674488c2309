/** One line of text in a form, with what is wrong right under it. */
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { View, type ViewStyle } from 'react-native';
import { type TextInputProps } from 'react-native-paper';
import { Input } from './Input';
import { FieldError } from './Choice';

interface TextFieldProps<F extends FieldValues> {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly label: string;
  readonly placeholder?: string;
  readonly inputMode?: TextInputProps['inputMode'];
  readonly style?: ViewStyle;
}

export function TextField<F extends FieldValues>({
  control,
  name,
  label,
  placeholder,
  inputMode,
  style,
}: TextFieldProps<F>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <View style={style}>
          <Input
            label={label}
            value={(field.value as string | undefined) ?? ''}
            onChangeText={field.onChange}
            onBlur={field.onBlur}
            error={fieldState.error !== undefined}
            {...(placeholder ? { placeholder } : {})}
            {...(inputMode ? { inputMode } : {})}
          />
          {fieldState.error?.message ? <FieldError>{fieldState.error.message}</FieldError> : null}
        </View>
      )}
    />
  );
}
