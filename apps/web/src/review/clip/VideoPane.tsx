/** The video with what is drawn on it, and its transport. */
import type { ClipLine } from '@upwell/contract/clips';
import type { FramePoint } from '@upwell/core/measures';
import { createElement, type CSSProperties, type KeyboardEvent } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { Slider } from '@/ui/Slider';
import { useTheme } from '@/ui/useTheme';
import type { Drawing } from './drawing';
import { Transport } from './Transport';
import type { Video } from './useVideo';

/** How far one arrow key moves the cross, share of the frame. */
const KEY_STEP = 0.01;

interface VideoPaneProps {
  readonly video: Video;
  readonly source: string;
  readonly label: string;
  /** Lines drawn on the frame that is shown. */
  readonly lines?: readonly ClipLine[];
  /** The cross, while lines are drawn. */
  readonly drawing?: Drawing | null;
  /** Without them they stand elsewhere. */
  readonly controls?: boolean;
  readonly pending?: FramePoint | null;
}

const VIDEO_STYLE: CSSProperties = { width: '100%', height: '100%', objectFit: 'fill', display: 'block' };

export function VideoPane({
  video,
  source,
  label,
  lines = [],
  drawing = null,
  controls = true,
  pending = null,
}: VideoPaneProps) {
  const theme = useTheme();
  const { state } = video;
  const shown = lines.filter((l) => Math.abs(l.timeS - state.timeS) < state.frameS * 0.75);
  return (
    <View>
      <View style={[styles.frame, { aspectRatio: state.aspect, backgroundColor: theme.own.waterDeep }]}>
        {createElement('video', {
          ref: video.attach,
          src: source,
          muted: true,
          playsInline: true,
          preload: 'auto',
          'aria-label': label,
          style: VIDEO_STYLE,
        })}
        <View style={[StyleSheet.absoluteFill, styles.through]}>
          <Svg width="100%" height="100%" viewBox="0 0 1000 1000" preserveAspectRatio="none">
            {shown.map(({ id, line: [a, b] }) => (
              <Line
                key={id}
                x1={a.x * 1000}
                y1={a.y * 1000}
                x2={b.x * 1000}
                y2={b.y * 1000}
                stroke={theme.colors.error}
                strokeWidth={3}
                vectorEffect="non-scaling-stroke"
              />
            ))}
            {pending ? <Circle cx={pending.x * 1000} cy={pending.y * 1000} r={10} fill={theme.colors.error} /> : null}
          </Svg>
        </View>
        {drawing ? <Pointer drawing={drawing} /> : null}
      </View>
      {controls ? <Transport video={video} withTime /> : null}
      <Slider
        label="Place in the clip"
        min={0}
        max={state.durationS || 1}
        step={state.frameS}
        value={state.timeS}
        disabled={!state.ready}
        onChange={(at) => video.seek(at)}
      />
    </View>
  );
}

/** Catches clicks for lines; with the keyboard a cross is moved by the arrows and set by Enter. */
function Pointer({ drawing }: { readonly drawing: Drawing }) {
  const theme = useTheme();
  const { cross, move, set } = drawing;
  return createElement(
    'div',
    {
      role: 'button',
      tabIndex: 0,
      'aria-label': 'Draw on the frame: click two places, or move the cross with the arrow keys and press Enter',
      style: { position: 'absolute', inset: 0, cursor: 'crosshair', touchAction: 'none' },
      onPointerDown: (event: PointerEvent & { currentTarget: HTMLElement }) => {
        const box = event.currentTarget.getBoundingClientRect();
        set({ x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
      },
      onKeyDown: (event: KeyboardEvent) => {
        const arrows: Readonly<Record<string, readonly [number, number]>> = {
          ArrowLeft: [-KEY_STEP, 0],
          ArrowRight: [KEY_STEP, 0],
          ArrowUp: [0, -KEY_STEP],
          ArrowDown: [0, KEY_STEP],
        };
        const arrow = arrows[event.key];
        if (!arrow && event.key !== 'Enter') return;
        event.preventDefault();
        event.stopPropagation();
        if (arrow) move(...arrow);
        else set();
      },
    },
    cross
      ? createElement('div', {
          'aria-hidden': true,
          style: {
            position: 'absolute',
            left: `calc(${cross.x * 100}% - 8px)`,
            top: `calc(${cross.y * 100}% - 8px)`,
            width: 16,
            height: 16,
            border: `2px solid ${theme.colors.error}`,
            borderRadius: 8,
          },
        })
      : null,
  );
}

const styles = StyleSheet.create({
  frame: { width: '100%', borderRadius: 6, overflow: 'hidden' },
  through: { pointerEvents: 'none' },
});
