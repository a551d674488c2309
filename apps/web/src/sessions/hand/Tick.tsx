/** A box to choose a row by. */
import { Pressable, StyleSheet } from 'react-native';
import { TickBox } from '@/ui/Check';

interface TickProps {
  /** What is chosen. */
  readonly label: string;
  readonly on: boolean;
  readonly onPress: () => void;
}

export function Tick({ label, on, onPress }: TickProps) {
  return (
    <Pressable role="checkbox" aria-checked={on} aria-label={`Choose ${label}`} onPress={onPress} style={styles.tick}>
      <TickBox on={on} />
    </Pressable>
  );
}

const styles = StyleSheet.create({
  tick: { width: 44, minHeight: 48, alignItems: 'center', justifyContent: 'center' },
});
