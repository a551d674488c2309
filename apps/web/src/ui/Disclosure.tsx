/** Opens and closes something below it, and says so to a screen reader. */
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Icon } from './Icon';
import { useTheme } from './useTheme';

interface DisclosureProps {
  readonly label: string;
  readonly open: boolean;
  readonly onPress: () => void;
}

export function Disclosure({ label, open, onPress }: DisclosureProps) {
  const { colors } = useTheme();
  return (
    <Pressable role="button" aria-expanded={open} onPress={onPress} style={styles.row}>
      <View>
        <Icon name={open ? 'chevron-up' : 'chevron-down'} size={20} color={colors.primary} />
      </View>
      <Text variant="labelLarge" style={[styles.label, { color: colors.primary }]}>
        {label}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  label: { flexShrink: 1 },
  row: { minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: 4, alignSelf: 'flex-start' },
});
