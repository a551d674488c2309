/** A statement to tick, as one button for finger, keyboard and screen reader. */
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Icon } from './Icon';
import { useTheme } from './useTheme';

interface CheckProps {
  readonly label: string;
  readonly on: boolean;
  readonly onPress: () => void;
}

export function Check({ label, on, onPress }: CheckProps) {
  return (
    <Pressable role="checkbox" aria-checked={on} accessibilityLabel={label} onPress={onPress} style={styles.row}>
      <TickBox on={on} />
      <Text style={styles.label}>{label}</Text>
    </Pressable>
  );
}

/** The box alone, for what is a checkbox in another shape. */
export function TickBox({ on }: Pick<CheckProps, 'on'>) {
  const { colors } = useTheme();
  return (
    <View style={[styles.box, { borderColor: colors.outline, backgroundColor: on ? colors.primary : 'transparent' }]}>
      {on ? <Icon name="check" size={20} color={colors.onPrimary} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: 10 },
  box: { width: 26, height: 26, borderWidth: 2, borderRadius: 4, alignItems: 'center', justifyContent: 'center' },
  label: { flex: 1 },
});
