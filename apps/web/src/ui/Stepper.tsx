/** A number with a button on each side; 48 px targets. */
import { StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { useTheme } from './useTheme';

interface StepperProps {
  /** What is counted, for the screen reader: "reps". */
  readonly label: string;
  readonly value: string;
  readonly onLess: (() => void) | null;
  readonly onMore: (() => void) | null;
}

export function Stepper({ label, value, onLess, onMore }: StepperProps) {
  const theme = useTheme();
  return (
    <View style={[styles.box, { borderColor: theme.colors.outline }]} role="group" aria-label={label}>
      <IconButton
        icon="minus"
        size={20}
        style={styles.button}
        disabled={!onLess}
        accessibilityLabel={`Fewer ${label}`}
        onPress={() => onLess?.()}
      />
      <View style={styles.middle}>
        <Text variant="titleMedium" style={styles.value} aria-live="polite">
          {value}
        </Text>
        <Text variant="labelSmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {label}
        </Text>
      </View>
      <IconButton
        icon="plus"
        size={20}
        style={styles.button}
        disabled={!onMore}
        accessibilityLabel={`More ${label}`}
        onPress={() => onMore?.()}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1,
    borderRadius: 6,
    height: 50,
    alignSelf: 'flex-start',
  },
  button: { margin: 0, width: 48, height: 48, borderRadius: 6 },
  middle: { minWidth: 56, alignItems: 'center' },
  value: { fontVariant: ['tabular-nums'], lineHeight: 22 },
});
