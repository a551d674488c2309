/** What stands at the pool side until a session is here, or where it cannot be had: with a way back. */
import { type Href, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

interface DeckWaitProps {
  readonly title: string;
  readonly error: unknown;
  readonly retry: () => void;
}

export function DeckWait({ title, error, retry }: DeckWaitProps) {
  const theme = useTheme();
  const router = useRouter();
  return (
    <View style={[styles.page, { backgroundColor: theme.colors.background }]} role="main">
      <View style={styles.top}>
        <IconButton
          icon="arrow-left"
          size={30}
          accessibilityLabel="Back"
          onPress={() => router.navigate('/deck' as Href)}
        />
        <Text variant="titleMedium" role="heading" aria-level={1}>
          {title}
        </Text>
      </View>
      {error ? <Failure error={error} retry={retry} /> : <Loading label={`Opening the ${title.toLowerCase()}`} />}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, padding: 8, gap: 8 },
  top: { flexDirection: 'row', alignItems: 'center' },
});
