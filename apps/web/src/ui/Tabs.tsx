/** One of a few views, side by side; every one fits on a phone. */
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from './useTheme';

interface TabsProps<T extends string> {
  /** What is chosen between, for the screen reader. */
  readonly label: string;
  readonly tabs: readonly { readonly value: T; readonly label: string }[];
  readonly chosen: T;
  readonly onChoose: (value: T) => void;
}

export function Tabs<T extends string>({ label, tabs, chosen, onChoose }: TabsProps<T>) {
  const theme = useTheme();
  return (
    <View role="tablist" aria-label={label} style={[styles.row, { borderBottomColor: theme.own.line }]}>
      {tabs.map(({ value, label: text }) => {
        const on = value === chosen;
        return (
          <Pressable
            key={value}
            role="tab"
            aria-selected={on}
            onPress={() => onChoose(value)}
            style={[styles.tab, { borderBottomColor: on ? theme.colors.primary : 'transparent' }]}
          >
            <Text
              variant="labelLarge"
              numberOfLines={1}
              style={{ color: on ? theme.colors.primary : theme.colors.onSurfaceVariant }}
            >
              {text}
            </Text>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', borderBottomWidth: 1, marginBottom: 12 },
  tab: { flex: 1, minHeight: 48, alignItems: 'center', justifyContent: 'center', borderBottomWidth: 4, minWidth: 0 },
});
