/** The drawn swimmer at one moment, with water, rails and ghost. */
import {
  drawnFigure,
  figureLayers,
  FLOOR,
  FRAME,
  ghostPath,
  type LandPose,
  landSkeleton,
  NEUTRAL,
  project,
  TURN_FRAME,
  UNITS,
  type FigureParameters,
  type FigureSide,
  type Region,
} from '@upwell/core/figure';
import type { Stroke } from '@upwell/core/review';
import { forwardRef, useImperativeHandle, useLayoutEffect, useMemo, useRef, type ElementRef } from 'react';
import { StyleSheet } from 'react-native';
import Svg, { Defs, LinearGradient, Path, Rect, Stop } from 'react-native-svg';
import { useTheme } from '@/ui/useTheme';
import { layerPaint } from './layerPaint';

export interface Moment {
  readonly stroke: Stroke;
  readonly view: FigureSide;
  readonly posed: FigureParameters;
  readonly phase: number;
  readonly chosen: Region | null;
  /** Draws the wanted line behind the swimmer. */
  readonly ghost: boolean;
  /** On land: a floor instead of water, and no stroke. */
  readonly land?: LandPose;
}

/** What a moving picture calls for each frame: new outlines, no new elements. */
export interface DrawingHandle {
  readonly draw: (phase: number) => void;
}

type Shape = ElementRef<typeof Path>;

/** The part of the picture that is shown. */
export function frameOf(stroke: Stroke, view: FigureSide) {
  return stroke === 'turn' && view === 'side' ? TURN_FRAME : FRAME[view];
}

/** Every outline at a phase: the ghost first, then the layers. */
export function outlines({ stroke, view, posed, chosen, ghost, land }: Moment, phase: number): string[] {
  const figure = land ? project(landSkeleton(land), view) : drawnFigure(stroke, view, posed, phase);
  const layers = figureLayers(figure, chosen);
  return [ghost ? ghostPath(drawnFigure(stroke, view, NEUTRAL, phase)) : '', ...layers.map((layer) => layer.d)];
}

export const Drawing = forwardRef<DrawingHandle, Moment>(function Drawing(moment, handle) {
  const theme = useTheme();
  const shapes = useRef<(Shape | null)[]>([]);
  const { stroke, view, posed, phase, chosen, ghost, land } = moment;
  const box = frameOf(stroke, view);
  const shown = useMemo(
    () => outlines({ stroke, view, posed, phase, chosen, ghost, ...(land ? { land } : {}) }, phase),
    [stroke, view, posed, phase, chosen, ghost, land],
  );
  const last = useRef<readonly string[]>([]);
  // What React has just drawn is what the next frame differs from.
  useLayoutEffect(() => {
    last.current = shown;
  }, [shown]);
  useImperativeHandle(
    handle,
    () => ({
      draw: (now) => {
        const next = outlines({ stroke, view, posed, phase: now, chosen, ghost }, now);
        next.forEach((d, i) => {
          if (d !== last.current[i]) setOutline(shapes.current[i] ?? null, d);
        });
        last.current = next;
      },
    }),
    [stroke, view, posed, chosen, ghost],
  );
  const paints = Object.entries(layerPaint(theme));
  return (
    <Svg
      width="100%"
      height="100%"
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      style={StyleSheet.absoluteFill}
    >
      <Defs>
        <LinearGradient id="water" x1="0" y1="0" x2="0" y2="1">
          <Stop offset="0" stopColor={theme.own.water} />
          <Stop offset="1" stopColor={theme.own.waterDeep} />
        </LinearGradient>
      </Defs>
      {land ? (
        <Rect x={box.x} y={FLOOR * UNITS} width={box.width} height={box.height} fill={theme.own.sand} />
      ) : (
        <Rect
          x={box.x}
          y={view === 'top' ? box.y : 0}
          width={box.width}
          height={view === 'top' ? box.height : box.y + box.height}
          fill={view === 'top' ? theme.own.water : 'url(#water)'}
        />
      )}
      <Path
        ref={(shape) => void (shapes.current[0] = shape)}
        d={shown[0]}
        fill="none"
        stroke={theme.colors.primary}
        strokeWidth={2}
        strokeDasharray="2 6"
        strokeLinecap="round"
        opacity={0.75}
      />
      {paints.map(([role, paint], i) => (
        <Path
          key={role}
          ref={(shape) => void (shapes.current[i + 1] = shape)}
          d={shown[i + 1]}
          fill={paint.fill}
          stroke={paint.stroke}
          strokeWidth={paint.width}
          strokeLinecap="round"
          {...(paint.dash ? { strokeDasharray: paint.dash } : {})}
          opacity={paint.opacity ?? 1}
        />
      ))}
      {view === 'top' || land ? null : (
        <Path d={surface(box.x, box.width)} stroke={theme.colors.primary} strokeWidth={2.5} fill="none" />
      )}
    </Svg>
  );
});

/** Changes one outline in place; React is not asked, so sixty frames a second cost little. */
function setOutline(shape: Shape | null, d: string): void {
  const { elementRef } = (shape ?? {}) as { elementRef?: { current: Element | null } };
  elementRef?.current?.setAttribute('d', d);
}

/** A quiet wave across the picture. */
function surface(x: number, width: number): string {
  const step = width / 8;
  return `M ${x} 0 ${Array.from({ length: 8 }, (_, i) => `q ${step / 2} ${i % 2 ? 5 : -5} ${step} 0`).join(' ')}`;
}
