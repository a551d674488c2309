/** A calendar day, typed or picked. */
import { dayIn, deviceZone } from '@upwell/core/days';
import { useState } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { IconButton } from 'react-native-paper';
import { DatePickerInput, DatePickerModal, en, enGB, registerTranslation } from 'react-native-paper-dates';
import { FieldError } from './Choice';

registerTranslation('en', en);
registerTranslation('en-GB', enGB);

/** Typed month first where people write it so: the field says which; what is shown elsewhere names its month. */
const TYPED = typeof navigator !== 'undefined' && navigator.language === 'en-US' ? 'en' : 'en-GB';

export interface DayPickerProps {
  readonly label: string;
  /** A day like 2027-06-21, or nothing. */
  readonly value: string;
  readonly onChange: (day: string) => void;
  readonly error?: string | undefined;
  readonly style?: ViewStyle | undefined;
}

export function DayPicker({ label, value, onChange, error, style }: DayPickerProps) {
  const [open, setOpen] = useState(false);
  const date = value ? new Date(`${value}T12:00:00`) : undefined;
  const take = (next: Date | undefined) => onChange(next ? dayIn(deviceZone(), next) : '');
  return (
    <View style={style}>
      <View style={styles.row}>
        <View style={styles.flex}>
          <DatePickerInput
            locale={TYPED}
            mode="outlined"
            label={label}
            accessibilityLabel={label}
            inputMode="start"
            withModal={false}
            value={date}
            onChange={take}
            hasError={error !== undefined}
            hideValidationErrors
          />
        </View>
        {/* A button of our own: the library's has no name for a screen reader. */}
        <IconButton icon="calendar" accessibilityLabel={`Choose a day: ${label}`} onPress={() => setOpen(true)} />
      </View>
      <DatePickerModal
        locale={TYPED}
        mode="single"
        visible={open}
        date={date}
        label={label}
        onDismiss={() => setOpen(false)}
        onConfirm={({ date: next }) => {
          setOpen(false);
          take(next);
        }}
      />
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', alignItems: 'center' }, flex: { flex: 1 } });
