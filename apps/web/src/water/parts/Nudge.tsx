import { StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';

/** One push of an arrow button, metres. */
export const NUDGE_M = 5;

export function Nudge({ onMove }: { readonly onMove: (bearingDeg: number) => void }) {
  const arrow = (icon: string, word: string, deg: number) => (
    <IconButton mode="outlined" icon={icon} accessibilityLabel={`${NUDGE_M} m ${word}`} onPress={() => onMove(deg)} />
  );
  return (
    <View style={styles.row} role="group" aria-label="Move it">
      {arrow('chevron-up', 'north', 0)}
      {arrow('chevron-down', 'south', 180)}
      {arrow('chevron-left', 'west', 270)}
      {arrow('chevron-right', 'east', 90)}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
