import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { useTitle } from '@/ui/useTitle';

/** A page in front of the sign-in: a title and what to do, in the middle. */
export function DoorPage({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  const theme = useTheme();
  useTitle(title);
  return (
    <ScrollView style={{ backgroundColor: theme.colors.background }} contentContainerStyle={styles.page}>
      <View role="main" style={styles.box}>
        <Text variant="headlineMedium" role="heading" aria-level={1}>
          {title}
        </Text>
        {children}
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  page: { padding: 20, flexGrow: 1, justifyContent: 'center' },
  box: { width: '100%', maxWidth: 480, alignSelf: 'center', gap: 12 },
});
