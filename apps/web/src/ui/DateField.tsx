import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { View, type ViewStyle } from 'react-native';
import { DatePickerInput, en, enGB, registerTranslation } from 'react-native-paper-dates';
import { FieldError } from './Choice';
import { dayOf } from './dates';

registerTranslation('en', en);
registerTranslation('en-GB', enGB);

/** Month first only where people write it so. */
const LOCALE = typeof navigator !== 'undefined' && navigator.language === 'en-US' ? 'en' : 'en-GB';

interface DateFieldProps<F extends FieldValues> {
  readonly control: Control<F>;
  readonly name: FieldPath<F>;
  readonly label: string;
  readonly style?: ViewStyle;
}

/** A calendar day, typed or picked. */
export function DateField<F extends FieldValues>({ control, name, label, style }: DateFieldProps<F>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <View style={style}>
          <DatePickerInput
            locale={LOCALE}
            mode="outlined"
            label={label}
            accessibilityLabel={label}
            inputMode="start"
            value={field.value ? new Date(`${String(field.value)}T12:00:00`) : undefined}
            onChange={(date) => field.onChange(date ? dayOf(date) : '')}
            hasError={fieldState.error !== undefined}
            hideValidationErrors
          />
          {fieldState.error?.message ? <FieldError>{fieldState.error.message}</FieldError> : null}
        </View>
      )}
    />
  );
}
