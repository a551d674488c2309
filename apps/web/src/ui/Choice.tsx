/** A row of chips: choose one or several, nothing to unfold. */
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Toggle } from './Toggle';
import { useTheme } from './useTheme';

interface Option<T extends string> {
  readonly value: T;
  readonly label: string;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly options: readonly Option<T>[];
  readonly chosen: readonly T[];
  readonly onPress: (value: T) => void;
  readonly error?: string | undefined;
}

export function Choice<T extends string>({ label, options, chosen, onPress, error }: ChoiceProps<T>) {
  return (
    <View role="group" aria-label={label} style={styles.group}>
      <Text variant="labelMedium">{label}</Text>
      <View style={styles.chips}>
        {options.map(({ value, label: text }) => (
          <Toggle key={value} label={text} on={chosen.includes(value)} onPress={() => onPress(value)} />
        ))}
      </View>
      {error ? <FieldError>{error}</FieldError> : null}
    </View>
  );
}

/** What is wrong, right under the field. */
export function FieldError({ children }: { readonly children: string }) {
  const { colors } = useTheme();
  return (
    <Text role="alert" variant="bodySmall" style={{ color: colors.error }}>
      {children}
    </Text>
  );
}

const styles = StyleSheet.create({
  group: { gap: 6, marginVertical: 6 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
