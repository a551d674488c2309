import type { Sun, WaterOfLeg } from '@upwell/core/water';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { compassWord } from '../conditions';

/** Sun, waves and current at the edge of the map, each as an arrow and words. */
export function EdgeSigns({ water: c, sun }: { readonly water: WaterOfLeg; readonly sun: Sun | null }) {
  const theme = useTheme();
  return (
    <View style={[styles.box, { backgroundColor: theme.colors.surface }]}>
      {sun ? (
        <Sign turn={sun.bearingDeg} word={`sun ${Math.round(sun.bearingDeg)}°, ${Math.round(sun.altitudeDeg)}° up`} />
      ) : null}
      {c.waveHeightM > 0 ? (
        <Sign
          turn={c.waveFromDeg + 180}
          word={`waves ${numberWord(c.waveHeightM, 1)} m from ${compassWord(c.waveFromDeg)}`}
        />
      ) : null}
      {c.currentMps > 0 ? (
        <Sign
          turn={c.currentToDeg}
          word={`current ${numberWord(c.currentMps, 2)} m/s to ${compassWord(c.currentToDeg)}`}
        />
      ) : null}
    </View>
  );
}

function Sign({ turn, word }: { readonly turn: number; readonly word: string }) {
  const theme = useTheme();
  return (
    <View style={styles.row}>
      <Svg width={22} height={22} aria-hidden>
        <Path d="M11 2L16 12H12.5V20H9.5V12H6Z" fill={theme.colors.onBackground} transform={`rotate(${turn} 11 11)`} />
      </Svg>
      <Text variant="labelSmall" style={{ color: theme.colors.onBackground }}>
        {word}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: 2, borderRadius: 6, paddingVertical: 4, paddingHorizontal: 6 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 4 },
});
