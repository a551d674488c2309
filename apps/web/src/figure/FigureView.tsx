/** The drawn swimmer with the signs seen, and the wanted line as a ghost. */
import { bestMoment, drawnFigure, PHASE_AT, posedBy, type FigureSide, type Region } from '@upwell/core/figure';
import type { SignId, Stroke } from '@upwell/core/review';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from '@/ui/useTheme';
import { Drawing, frameOf } from './Drawing';
import { FigureTargets } from './FigureTargets';

interface FigureViewProps {
  readonly stroke: Stroke;
  readonly signs: readonly SignId[];
  readonly view: FigureSide;
  /** Share of the cycle; null takes the moment at which the last sign is seen best. */
  readonly phase: number | null;
  /** What the picture shows, for the screen reader. */
  readonly label: string;
  readonly ghost?: boolean;
  readonly chosen?: Region | null;
  readonly onChoose?: (region: Region) => void;
}

export function FigureView({
  stroke,
  signs,
  view,
  phase,
  label,
  ghost = true,
  chosen = null,
  onChoose,
}: FigureViewProps) {
  const theme = useTheme();
  const posed = useMemo(() => posedBy(signs), [signs]);
  const moment = phase ?? bestMoment(signs, view) ?? PHASE_AT.catch;
  const box = frameOf(stroke, view);
  return (
    <View style={[styles.frame, { backgroundColor: theme.colors.background, aspectRatio: box.width / box.height }]}>
      <View role="img" aria-label={label} style={StyleSheet.absoluteFill}>
        <Drawing
          stroke={stroke}
          view={view}
          posed={posed}
          phase={moment}
          chosen={chosen}
          ghost={ghost && signs.length > 0}
        />
      </View>
      {onChoose ? (
        <FigureTargets
          figure={drawnFigure(stroke, view, posed, moment)}
          box={box}
          chosen={chosen}
          onChoose={onChoose}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ frame: { width: '100%', overflow: 'hidden', borderRadius: 6 } });
