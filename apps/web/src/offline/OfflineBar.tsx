import { useRouter, type Href } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useAppSelector } from '@/state/hooks';
import { useTheme } from '@/ui/useTheme';
import { counted } from '@upwell/core/words';

/** What the line says, or null when there is nothing to say. */
export function offlineWords(state: {
  readonly reachable: boolean;
  readonly trouble: boolean;
  readonly waiting: number;
  readonly undecided: number;
  readonly full: boolean;
}): string | null {
  const { reachable, trouble, waiting, undecided, full } = state;
  if (full) return 'This device has no room left: save what waits to a file now';
  if (undecided > 0) return `${counted(undecided, 'change needs', 'changes need')} your decision`;
  const waits = waiting > 0 ? counted(waiting, 'waits', 'wait') : '';
  if (!reachable) return `Offline${waits ? ` · ${waits}` : ''}`;
  if (trouble) return `The server is having trouble${waits ? ` · ${waits}` : ''}`;
  return waits ? `Sending · ${waits}` : null;
}

/** A quiet line over everything while something is not as usual; it leads to what waits. */
export function OfflineBar() {
  const theme = useTheme();
  const router = useRouter();
  const state = useAppSelector((s) => s.offline);
  const words = offlineWords(state);
  if (!words) return null;
  const alarm = state.full || state.undecided > 0;
  const color = alarm ? theme.colors.onErrorContainer : theme.colors.onSurface;
  return (
    <View role="status" aria-live="polite">
      <Pressable
        role="link"
        accessibilityLabel={`${words}. See what waits`}
        onPress={() => router.navigate('/waiting' as Href)}
        style={[
          styles.bar,
          {
            backgroundColor: alarm ? theme.colors.errorContainer : theme.own.sand,
            borderBottomColor: alarm ? theme.colors.error : theme.own.kelp,
          },
        ]}
      >
        <Text variant="labelMedium" style={{ color }}>
          {words}
        </Text>
      </Pressable>
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { minHeight: 40, paddingHorizontal: 16, justifyContent: 'center', borderBottomWidth: 2 },
});
