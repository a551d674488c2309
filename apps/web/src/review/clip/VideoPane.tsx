/** The video with what is drawn on it, and its transport. */
import type { ClipLine } from '@upwell/contract/clips';
import type { FramePoint } from '@upwell/core/measures';
import { numberWord } from '@upwell/core/words';
import { createElement, useState, type CSSProperties, type KeyboardEvent } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import Svg, { Circle, Line } from 'react-native-svg';
import { Choices } from '@/figure';
import { Slider } from '@/ui/Slider';
import { Toggle } from '@/ui/Toggle';
import { useTheme } from '@/ui/useTheme';
import type { Video } from './useVideo';

const RATES = [0.25, 0.5, 1] as const;
const RATE_WORD: Readonly<Record<(typeof RATES)[number], string>> = { 0.25: '¼', 0.5: '½', 1: '1×' };
/** Half the length of a loop around the present moment, seconds. */
const LOOP_S = 1;
/** How far one arrow key moves the cross, share of the frame. */
const KEY_STEP = 0.01;

interface VideoPaneProps {
  readonly video: Video;
  readonly source: string;
  readonly label: string;
  /** Lines drawn on the frame that is shown. */
  readonly lines?: readonly ClipLine[];
  /** Called with each point while lines are drawn. */
  readonly onPoint?: ((point: FramePoint) => void) | null;
  readonly pending?: FramePoint | null;
}

const VIDEO_STYLE: CSSProperties = { width: '100%', height: '100%', objectFit: 'fill', display: 'block' };

export function VideoPane({ video, source, label, lines = [], onPoint = null, pending = null }: VideoPaneProps) {
  const theme = useTheme();
  const { state } = video;
  const [rate, setRate] = useState<(typeof RATES)[number]>(1);
  const [loop, setLoop] = useState<readonly [number, number] | null>(null);
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
        {onPoint ? <Pointer onPoint={onPoint} /> : null}
      </View>
      <View style={styles.row}>
        <IconButton
          icon={state.playing ? 'pause' : 'play'}
          mode="contained"
          style={styles.button}
          disabled={!state.ready}
          accessibilityLabel={state.playing ? 'Pause the clip' : 'Play the clip'}
          onPress={video.toggle}
        />
        <IconButton
          icon="chevron-left"
          style={styles.button}
          disabled={!state.ready}
          accessibilityLabel="One frame back"
          onPress={() => video.step(-1)}
        />
        <IconButton
          icon="chevron-right"
          style={styles.button}
          disabled={!state.ready}
          accessibilityLabel="One frame forward"
          onPress={() => video.step(1)}
        />
        <Text
          variant="titleMedium"
          style={styles.time}
          aria-label={`${numberWord(state.timeS, 2)} seconds of ${numberWord(state.durationS, 1)}`}
        >
          {numberWord(state.timeS, 2)}
        </Text>
        <Choices
          label="Speed of the clip"
          options={RATES.map((value) => ({ value, word: RATE_WORD[value], said: `Clip speed ${RATE_WORD[value]}` }))}
          value={rate}
          onChange={(value) => {
            setRate(value);
            video.setRate(value);
          }}
        />
        <Toggle
          label="Loop"
          on={loop !== null}
          onPress={() => {
            const next = loop ? null : ([Math.max(0, state.timeS - LOOP_S), state.timeS + LOOP_S] as const);
            setLoop(next);
            video.setLoop(next);
          }}
        />
      </View>
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
function Pointer({ onPoint }: { readonly onPoint: (point: FramePoint) => void }) {
  const theme = useTheme();
  const [cross, setCross] = useState<FramePoint | null>(null);
  const move = (dx: number, dy: number) =>
    setCross((at) => ({
      x: Math.min(1, Math.max(0, (at?.x ?? 0.5) + dx)),
      y: Math.min(1, Math.max(0, (at?.y ?? 0.5) + dy)),
    }));
  return createElement(
    'div',
    {
      role: 'button',
      tabIndex: 0,
      'aria-label': 'Draw on the frame: click two places, or move the cross with the arrow keys and press Enter',
      style: { position: 'absolute', inset: 0, cursor: 'crosshair', touchAction: 'none' },
      onPointerDown: (event: PointerEvent & { currentTarget: HTMLElement }) => {
        const box = event.currentTarget.getBoundingClientRect();
        onPoint({ x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
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
        else onPoint(cross ?? { x: 0.5, y: 0.5 });
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
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6, alignItems: 'center', marginTop: 8 },
  button: { margin: 0, width: 48, height: 48 },
  time: { fontVariant: ['tabular-nums'], minWidth: 56, textAlign: 'center' },
});
