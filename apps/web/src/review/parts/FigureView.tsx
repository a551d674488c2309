import {
  frontView,
  NEUTRAL,
  posedBy,
  sideView,
  SIGN_POSES,
  type Figure,
  type HeadShape,
  type Limb,
  type Region,
} from '@upwell/core/figure';
import type { SignId } from '@upwell/core/review';
import { memo, useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Defs, Ellipse, G, LinearGradient, Path, Rect, Stop } from 'react-native-svg';
import { useTheme } from '@/ui/useTheme';
import { FigureTargets } from './FigureTargets';

export type FigureSide = 'side' | 'front';

interface FigureViewProps {
  readonly signs: readonly SignId[];
  readonly view: FigureSide;
  /** Share of the cycle; null takes the moment at which the last sign is seen best. */
  readonly phase: number | null;
  /** What the picture shows, for the screen reader. */
  readonly label: string;
  readonly chosen?: Region | null;
  readonly onChoose?: (region: Region) => void;
}

/** Statures to picture units. */
const SCALE = 400;
export const BOX = {
  side: { x: -200, y: -130, width: 620, height: 310 },
  front: { x: -230, y: -150, width: 460, height: 330 },
} as const;

/** The drawn swimmer with the signs seen, and the wanted line as a ghost. */
export function FigureView({ signs, view, phase, label, chosen = null, onChoose }: FigureViewProps) {
  const theme = useTheme();
  const shown = useMemo(() => {
    const moment = phase ?? [...signs].reverse().flatMap((s) => SIGN_POSES[s]?.phase ?? [])[0] ?? 0.25;
    const draw = view === 'side' ? sideView : frontView;
    return { posed: draw(posedBy(signs), moment), wanted: draw(NEUTRAL, moment) };
  }, [signs, view, phase]);
  const box = BOX[view];
  return (
    <View style={[styles.frame, { backgroundColor: theme.colors.background, aspectRatio: box.width / box.height }]}>
      <View role="img" aria-label={label} style={StyleSheet.absoluteFill}>
        <Svg width="100%" height="100%" viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}>
          <Defs>
            <LinearGradient id="water" x1="0" y1="0" x2="0" y2="1">
              <Stop offset="0" stopColor={theme.own.water} />
              <Stop offset="1" stopColor={theme.own.waterDeep} />
            </LinearGradient>
          </Defs>
          <Rect x={box.x} y={0} width={box.width} height={box.y + box.height} fill="url(#water)" />
          {shown.posed.rails.map((x) => (
            <Path
              key={x}
              d={`M ${x * SCALE} -20 V ${box.y + box.height}`}
              stroke={theme.colors.primary}
              strokeDasharray="3 7"
              strokeWidth={2}
              opacity={0.6}
            />
          ))}
          <Swimmer figure={shown.wanted} ghost chosen={null} />
          <Swimmer figure={shown.posed} ghost={false} chosen={chosen} />
          <Path d={surface(box.x, box.width)} stroke={theme.colors.primary} strokeWidth={2.5} fill="none" />
        </Svg>
      </View>
      {onChoose ? (
        <FigureTargets figure={shown.posed} box={box} scale={SCALE} chosen={chosen} onChoose={onChoose} />
      ) : null}
    </View>
  );
}

const Swimmer = memo(function Swimmer({
  figure,
  ghost,
  chosen,
}: {
  readonly figure: Figure;
  readonly ghost: boolean;
  readonly chosen: Region | null;
}) {
  const theme = useTheme();
  const far = figure.limbs.filter((limb) => limb.far);
  const near = figure.limbs.filter((limb) => !limb.far);
  const colour = (limb: Limb): string =>
    chosen === limb.region ? theme.colors.error : limb.far ? theme.own.skinFar : theme.own.skin;
  if (ghost) {
    return (
      <G>
        {figure.limbs.map((limb, i) => (
          <Path
            key={i}
            d={spine(limb)}
            stroke={theme.colors.primary}
            strokeWidth={2}
            strokeDasharray="2 6"
            strokeLinecap="round"
            opacity={0.75}
          />
        ))}
      </G>
    );
  }
  return (
    <G>
      {far.map((limb, i) => (
        <Path key={i} d={capsule(limb)} fill={colour(limb)} />
      ))}
      {near
        .filter((limb) => limb.region === 'body' || limb.region === 'legs')
        .map((limb, i) => (
          <Path key={i} d={capsule(limb)} fill={colour(limb)} />
        ))}
      <Head head={figure.head} side={figure.rails.length === 0} chosen={chosen === 'head'} />
      {near
        .filter((limb) => limb.region !== 'body' && limb.region !== 'legs')
        .map((limb, i) => (
          <Path
            key={i}
            d={capsule(limb)}
            fill={colour(limb)}
            stroke={limb.region === 'shoulders' ? 'none' : theme.own.waterDeep}
            strokeWidth={1}
          />
        ))}
      {figure.bubbles.map((bubble, i) => (
        <Circle
          key={i}
          cx={bubble.x * SCALE}
          cy={bubble.y * SCALE}
          r={3 + (i % 3)}
          fill={theme.colors.background}
          opacity={0.85}
        />
      ))}
      {figure.splash.size > 0 ? <Splash at={figure.splash.at.x * SCALE} size={figure.splash.size} /> : null}
    </G>
  );
});

function Head({ head, side, chosen }: { readonly head: HeadShape; readonly side: boolean; readonly chosen: boolean }) {
  const theme = useTheme();
  const [x, y, r] = [head.centre.x * SCALE, head.centre.y * SCALE, head.radius * SCALE];
  const gaze = (head.gaze * Math.PI) / 180;
  // Toward the face, in picture directions.
  const [dx, dy] = side
    ? [-Math.sin(gaze - Math.PI / 2), Math.cos(gaze - Math.PI / 2)]
    : [Math.sin(gaze - Math.PI / 2), Math.cos(gaze - Math.PI / 2)];
  const eye = r * (side ? 0.72 * (1 - head.facing) + 0.2 : 0.55);
  const skin = chosen ? theme.colors.error : theme.own.skin;
  const facing = (Math.atan2(dy, dx) * 180) / Math.PI;
  return (
    <G>
      <Ellipse cx={x} cy={y} rx={side ? r * 1.1 : r} ry={r} fill={skin} />
      {/* The cap covers the half away from the face. */}
      <Path
        d={`M 0 ${-r} A ${r * 1.06} ${r} 0 0 0 0 ${r} Q ${-r * 0.4} 0 0 ${-r} Z`}
        transform={`translate(${x} ${y}) rotate(${facing})`}
        fill={theme.own.kelp}
      />
      <Ellipse
        cx={x + dx * eye}
        cy={y + dy * eye}
        rx={r * 0.28}
        ry={r * 0.18}
        fill={theme.own.water}
        stroke={theme.own.skinFar}
        strokeWidth={1.5}
      />
      {head.facing > 0.4 || !side ? (
        <Circle
          cx={x + dx * r * 0.62 + (side ? -r * 0.4 : 0)}
          cy={y + dy * r * 0.62 + r * 0.22}
          r={r * 0.1}
          fill={theme.own.skinFar}
        />
      ) : null}
    </G>
  );
}

function Splash({ at, size }: { readonly at: number; readonly size: number }) {
  const theme = useTheme();
  const drops = [-18, -8, 2, 12, 22];
  return (
    <G>
      {drops.map((dx, i) => (
        <Path
          key={dx}
          d={`M ${at + dx} 0 q ${dx / 3} ${-18 * size - i * 3} ${dx / 1.5} ${-30 * size - ((i * 7) % 12)}`}
          stroke={theme.colors.primary}
          strokeWidth={2.5}
          strokeLinecap="round"
          fill="none"
        />
      ))}
    </G>
  );
}

/** A tapered limb with round ends as one outline. */
function capsule({ from, to, r0, r1 }: Limb): string {
  const [x0, y0, x1, y1, a, b] = [from.x, from.y, to.x, to.y, r0, r1].map((v) => v * SCALE) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const length = Math.hypot(x1 - x0, y1 - y0) || 1;
  const [nx, ny] = [-(y1 - y0) / length, (x1 - x0) / length];
  const p = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
  return `M ${p(x0 + nx * a, y0 + ny * a)} L ${p(x1 + nx * b, y1 + ny * b)} A ${b.toFixed(1)} ${b.toFixed(1)} 0 0 0 ${p(x1 - nx * b, y1 - ny * b)} L ${p(x0 - nx * a, y0 - ny * a)} A ${a.toFixed(1)} ${a.toFixed(1)} 0 0 0 ${p(x0 + nx * a, y0 + ny * a)} Z`;
}

function spine({ from, to }: Limb): string {
  return `M ${(from.x * SCALE).toFixed(1)} ${(from.y * SCALE).toFixed(1)} L ${(to.x * SCALE).toFixed(1)} ${(to.y * SCALE).toFixed(1)}`;
}

/** A quiet wave across the picture. */
function surface(x: number, width: number): string {
  const step = width / 8;
  return `M ${x} 0 ${Array.from({ length: 8 }, (_, i) => `q ${step / 2} ${i % 2 ? 5 : -5} ${step} 0`).join(' ')}`;
}

const styles = StyleSheet.create({ frame: { width: '100%' } });
