/** What stands at the pool side until a session is here, or where it cannot be had: with a way back. */
import { StyleSheet, View } from 'react-native';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { DeckHead } from './DeckHead';

interface DeckWaitProps {
  readonly title: string;
  readonly error: unknown;
  readonly retry: () => void;
}

export function DeckWait({ title, error, retry }: DeckWaitProps) {
  const theme = useTheme();
  return (
    <View style={[styles.page, { backgroundColor: theme.colors.background }]} role="main">
      <DeckHead title={title} back="/deck" />
      {error ? <Failure error={error} retry={retry} /> : <Loading label={`Opening the ${title.toLowerCase()}`} />}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, padding: 8, gap: 8 },
});
