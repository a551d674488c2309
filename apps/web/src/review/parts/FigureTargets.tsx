import { REGIONS, type Figure, type Point, type Region } from '@upwell/core/figure';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useTheme } from '@/ui/useTheme';

interface FigureTargetsProps {
  readonly figure: Figure;
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  readonly scale: number;
  readonly chosen: Region | null;
  readonly onChoose: (region: Region) => void;
}

const SIZE = 48;

/** Buttons of finger size over the parts of the figure, real ones for keyboard and screen reader. */
export function FigureTargets({ figure, box, scale, chosen, onChoose }: FigureTargetsProps) {
  const theme = useTheme();
  const [size, setSize] = useState({ width: 0, height: 0 });
  const place = (at: Point) => ({
    left: clamp(((at.x * scale - box.x) / box.width) * size.width - SIZE / 2, size.width - SIZE),
    top: clamp(((at.y * scale - box.y) / box.height) * size.height - SIZE / 2, size.height - SIZE),
  });
  return (
    <View
      style={StyleSheet.absoluteFill}
      role="group"
      aria-label="Parts of the body"
      onLayout={(event) => setSize(event.nativeEvent.layout)}
    >
      {REGIONS.map((region) => {
        const at = middleOf(figure, region);
        if (!at || size.width === 0) return null;
        const on = chosen === region;
        return (
          <Pressable
            key={region}
            accessibilityLabel={`Signs at the ${region}`}
            role="button"
            aria-pressed={on}
            onPress={() => onChoose(region)}
            style={[styles.target, place(at), { borderColor: on ? theme.colors.error : theme.colors.primary }]}
          >
            <View style={[styles.dot, { backgroundColor: on ? theme.colors.error : theme.colors.primary, borderColor: theme.colors.background }]} />
          </Pressable>
        );
      })}
    </View>
  );
}

function middleOf(figure: Figure, region: Region): Point | null {
  if (region === 'head') return figure.head.centre;
  const limbs = figure.limbs.filter((limb) => limb.region === region);
  if (limbs.length === 0) return null;
  const near = limbs.filter((limb) => !limb.far);
  const used = near.length > 0 ? near : limbs;
  const limb = used[region === 'shoulders' ? 0 : Math.floor(used.length / 2)]!;
  return { x: (limb.from.x + limb.to.x) / 2, y: (limb.from.y + limb.to.y) / 2 };
}

const clamp = (value: number, high: number): number => Math.max(0, Math.min(high, value));

const styles = StyleSheet.create({
  target: { position: 'absolute', width: SIZE, height: SIZE, borderRadius: SIZE / 2, alignItems: 'center', justifyContent: 'center' },
  dot: { width: 16, height: 16, borderRadius: 8, borderWidth: 3 },
});
