import { StyleSheet, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

/** Height of the longest group, px. */
export const HEIGHT = { phone: 460, wide: 660 } as const;
export const AXIS = 34;

/** Ticks along the edge: short for counted breaths, long for looks. */
export function Ticks({
  height,
  colour,
  looks,
}: {
  readonly height: number;
  readonly colour: string;
  readonly looks: boolean;
}) {
  const count = Math.floor(height / 9);
  return (
    <View style={styles.ticks} aria-hidden>
      <Svg width={10} height={height}>
        {Array.from({ length: count }, (_, i) => (
          <Path
            key={i}
            d={`M ${looks && i % 3 === 0 ? 0 : 4} ${i * 9 + 5} H 10`}
            stroke={colour}
            strokeWidth={1.4}
            opacity={0.75}
          />
        ))}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  ticks: { position: 'absolute', right: 0, top: 0, bottom: 0 },
});
