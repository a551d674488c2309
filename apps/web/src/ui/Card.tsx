/** A quiet box with an optional heading. */
import type { ReactNode } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from './useTheme';

interface CardProps {
  readonly title?: string;
  readonly aside?: ReactNode;
  /** Framed in ink: the answer of this screen. */
  readonly strong?: boolean;
  readonly style?: ViewStyle;
  readonly children: ReactNode;
}

export function Card({ title, aside, strong = false, style, children }: CardProps) {
  const theme = useTheme();
  return (
    <View
      style={[
        styles.card,
        {
          backgroundColor: theme.colors.surface,
          borderColor: strong ? theme.colors.onSurface : theme.own.line,
          borderWidth: strong ? 2 : 1,
        },
        style,
      ]}
    >
      {title ? (
        <View style={styles.head}>
          <Text variant="titleMedium" role="heading" aria-level={2}>
            {title}
          </Text>
          {aside}
        </View>
      ) : null}
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderRadius: 6, padding: 14, marginBottom: 12 },
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', marginBottom: 6, gap: 8 },
});
