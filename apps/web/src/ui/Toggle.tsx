/** A choice that is on or off; several stand side by side. */
import { Pressable, StyleSheet } from 'react-native';
import { Text } from 'react-native-paper';
import { Icon } from './Icon';
import { useTheme } from './useTheme';

interface ToggleProps {
  readonly label: string;
  readonly on: boolean;
  readonly onPress: () => void;
}

export function Toggle({ label, on, onPress }: ToggleProps) {
  const { colors } = useTheme();
  const color = on ? colors.onSecondaryContainer : colors.onSurface;
  return (
    <Pressable
      role="button"
      aria-pressed={on}
      onPress={onPress}
      style={[
        styles.toggle,
        {
          borderColor: on ? colors.primary : colors.outline,
          backgroundColor: on ? colors.secondaryContainer : 'transparent',
        },
      ]}
    >
      {on ? <Icon name="check" size={18} color={color} /> : null}
      <Text variant="labelMedium" style={[styles.label, { color }]}>
        {label}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  toggle: {
    minHeight: 48,
    maxWidth: '100%',
    paddingHorizontal: 14,
    borderWidth: 1.5,
    borderRadius: 8,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 6,
  },
  label: { flexShrink: 1 },
});
