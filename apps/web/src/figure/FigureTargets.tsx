/** Buttons of finger size over the parts of the figure, real ones for keyboard and screen reader. */
import { regionPoints, UNITS, type Figure, type Region } from '@upwell/core/figure';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useTheme } from '@/ui/useTheme';

interface FigureTargetsProps {
  readonly figure: Figure;
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  readonly chosen: Region | null;
  readonly onChoose: (region: Region) => void;
}

const SIZE = 48;

export function FigureTargets({ figure, box, chosen, onChoose }: FigureTargetsProps) {
  const theme = useTheme();
  const [size, setSize] = useState({ width: 0, height: 0 });
  const places = useMemo(() => {
    const found = regionPoints(figure).map(({ region, at }) => ({
      region,
      x: ((at.x * UNITS - box.x) / box.width) * size.width,
      y: ((at.y * UNITS - box.y) / box.height) * size.height,
    }));
    return spread(found, size);
  }, [figure, box, size]);
  return (
    <View
      style={StyleSheet.absoluteFill}
      role="group"
      aria-label="Parts of the body"
      onLayout={(event) => setSize(event.nativeEvent.layout)}
    >
      {places.map(({ region, x, y }) => {
        if (size.width === 0) return null;
        const on = chosen === region;
        return (
          <Pressable
            key={region}
            accessibilityLabel={`Signs at the ${region}`}
            role="button"
            aria-pressed={on}
            onPress={() => onChoose(region)}
            style={[
              styles.target,
              { left: x - SIZE / 2, top: y - SIZE / 2 },
              { borderColor: on ? theme.colors.error : theme.colors.primary },
            ]}
          >
            <View
              style={[
                styles.dot,
                {
                  backgroundColor: on ? theme.colors.error : theme.colors.primary,
                  borderColor: theme.colors.background,
                },
              ]}
            />
          </Pressable>
        );
      })}
    </View>
  );
}

interface Place {
  readonly region: Region;
  x: number;
  y: number;
}

/** Pushes buttons apart until no two overlap, inside the picture: every part stays tappable in every pose. */
function spread(places: Place[], { width, height }: { readonly width: number; readonly height: number }): Place[] {
  const clamp = (value: number, high: number) => Math.max(SIZE / 2, Math.min(high - SIZE / 2, value));
  for (let round = 0; round < 60; round++) {
    for (const a of places) {
      for (const b of places) {
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const away = Math.hypot(dx, dy) || 1;
        if (a === b || away >= SIZE) continue;
        const push = (SIZE - away) / 2 + 0.5;
        // Two at the very same place part sideways.
        const [ux, uy] = dx === 0 && dy === 0 ? [1, 0] : [dx / away, dy / away];
        a.x = clamp(a.x - ux * push, width);
        a.y = clamp(a.y - uy * push, height);
        b.x = clamp(b.x + ux * push, width);
        b.y = clamp(b.y + uy * push, height);
      }
    }
  }
  return places;
}

const styles = StyleSheet.create({
  target: {
    position: 'absolute',
    width: SIZE,
    height: SIZE,
    borderRadius: SIZE / 2,
    alignItems: 'center',
    justifyContent: 'center',
  },
  dot: { width: 16, height: 16, borderRadius: 8, borderWidth: 3 },
});
