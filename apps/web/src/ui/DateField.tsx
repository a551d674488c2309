import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { useState } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { IconButton } from 'react-native-paper';
import { DatePickerInput, DatePickerModal, en, enGB, registerTranslation } from 'react-native-paper-dates';
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
  const [open, setOpen] = useState(false);
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => {
        const date = field.value ? new Date(`${String(field.value)}T12:00:00`) : undefined;
        return (
          <View style={style}>
            <View style={styles.row}>
              <View style={styles.flex}>
                <DatePickerInput
                  locale={LOCALE}
                  mode="outlined"
                  label={label}
                  accessibilityLabel={label}
                  inputMode="start"
                  withModal={false}
                  value={date}
                  onChange={(next) => field.onChange(next ? dayOf(next) : '')}
                  hasError={fieldState.error !== undefined}
                  hideValidationErrors
                />
              </View>
              {/* A button of our own: the library's has no name for a screen reader. */}
              <IconButton icon="calendar" accessibilityLabel={`Choose a day: ${label}`} onPress={() => setOpen(true)} />
            </View>
            <DatePickerModal
              locale={LOCALE}
              mode="single"
              visible={open}
              date={date}
              label={label}
              onDismiss={() => setOpen(false)}
              onConfirm={({ date: next }) => {
                setOpen(false);
                field.onChange(next ? dayOf(next) : '');
              }}
            />
            {fieldState.error?.message ? <FieldError>{fieldState.error.message}</FieldError> : null}
          </View>
        );
      }}
    />
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', alignItems: 'center' }, flex: { flex: 1 } });
