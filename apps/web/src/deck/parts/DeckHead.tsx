/** The top of a page at the pool side: the way back, what it is, and what can be done from here. */
import { type Href, useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';

interface DeckHeadProps {
  readonly title: string;
  readonly under?: string;
  /** The address that it leads back to. */
  readonly back: string;
  readonly children?: ReactNode;
}

export function DeckHead({ title, under, back, children }: DeckHeadProps) {
  const router = useRouter();
  return (
    <View style={styles.top}>
      <IconButton icon="arrow-left" size={30} accessibilityLabel="Back" onPress={() => router.navigate(back as Href)} />
      <View style={styles.flex}>
        <Text variant="titleMedium" role="heading" aria-level={1} numberOfLines={2}>
          {title}
        </Text>
        {under === undefined ? null : <Text variant="bodySmall">{under}</Text>}
      </View>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  top: { flexDirection: 'row', alignItems: 'center', paddingRight: 16, paddingTop: 8 },
  flex: { flex: 1 },
});
