import { usePathname } from 'expo-router';
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useAppSelector } from '@/state/hooks';
import { useTheme } from '@/ui/useTheme';
import { holdsBack } from '@/state/version';
import { loadNewer } from './version';

/**
 * Says that a newer version is there. It is loaded with the next page that is opened, or at a press; never while a clock
 * runs or something waits to be sent.
 */
export function VersionBar() {
  const theme = useTheme();
  const path = usePathname();
  const { newer, heardAt } = useAppSelector((state) => state.version);
  const why = useAppSelector(holdsBack);
  useEffect(() => {
    if (newer && heardAt !== path && why === null) loadNewer();
  }, [newer, heardAt, path, why]);
  if (!newer) return null;
  return (
    <View
      role="status"
      aria-live="polite"
      style={[styles.bar, { backgroundColor: theme.own.sand, borderBottomColor: theme.own.kelp }]}
    >
      <Text variant="labelMedium" style={styles.flex}>
        {why ? `A new version of Upwell is ready. It waits ${why}.` : 'A new version of Upwell is ready.'}
      </Text>
      {why ? null : (
        <Button compact onPress={loadNewer}>
          Load it
        </Button>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    minHeight: 48,
    paddingHorizontal: 16,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    borderBottomWidth: 2,
  },
  flex: { flex: 1 },
});
