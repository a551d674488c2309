/** Draws with a thumb at the lower edge: sliding here moves the cross on the frame, and no finger hides the place. */
import { useRef, type CSSProperties } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import type { Drawing } from './drawing';

/** How far the cross moves for a thumb: finer than the finger itself. */
const FINER = 0.5;

const PAD: CSSProperties = {
  ...{ display: 'flex', alignItems: 'center', justifyContent: 'center', height: '100%' },
  ...{ borderRadius: 6, touchAction: 'none', userSelect: 'none' },
};

interface AimPadProps {
  readonly drawing: Drawing;
  readonly aspect: number;
  /** Whether one end of a line is set. */
  readonly half: boolean;
}

export function AimPad({ drawing, aspect, half }: AimPadProps) {
  const theme = useTheme();
  const last = useRef<{ readonly x: number; readonly y: number } | null>(null);
  return (
    <View style={styles.row}>
      <View style={styles.pad}>
        <div
          aria-hidden
          data-testid="aim-pad"
          style={{ ...PAD, border: `1.5px dashed ${theme.colors.outline}` }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            last.current = { x: event.clientX, y: event.clientY };
          }}
          onPointerMove={(event) => {
            if (!last.current) return;
            const { width } = event.currentTarget.getBoundingClientRect();
            const [dx, dy] = [event.clientX - last.current.x, event.clientY - last.current.y];
            last.current = { x: event.clientX, y: event.clientY };
            drawing.move((dx / width) * FINER, (dy / width) * FINER * aspect);
          }}
          onPointerUp={() => {
            last.current = null;
          }}
          onPointerCancel={() => {
            last.current = null;
          }}
        >
          <Text variant="bodySmall">Slide here to aim</Text>
        </div>
      </View>
      <Button mode="contained" contentStyle={styles.tall} onPress={() => drawing.set()}>
        {half ? 'Set the end' : 'Set the start'}
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 8, alignItems: 'stretch', marginTop: 8 },
  pad: { flex: 1, height: 96 },
  tall: { height: 96 },
});
