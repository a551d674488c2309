/** What each interval costs, with those that are as good; drag the knob, or use the arrow keys. */
import type { Sweep } from '@upwell/core/water';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Path, Rect, Text as SvgText } from 'react-native-svg';
import { FONT } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';

interface IntervalCurveProps {
  readonly sweep: Sweep;
  readonly interval: number;
  readonly onChange: (interval: number) => void;
  readonly words: string;
}

const HEIGHT = 132;
const PAD = 22;
const TOP = 14;
const FOOT = 24;

export function IntervalCurve({ sweep, interval, onChange, words }: IntervalCurveProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const box = useRef<View>(null);
  const dragging = useRef(false);
  const { results, nearOptimal } = sweep;
  const [first, last] = [results[0]!.interval, results.at(-1)!.interval];
  const times = results.map((r) => r.meanTimeS);
  const least = Math.min(...times);
  // Far off the best the curve leaves the frame: what matters is near it.
  const most = Math.min(Math.max(...times), least * 1.12);
  const x = (n: number) => PAD + ((n - first) / (last - first)) * (width - 2 * PAD);
  const y = (t: number) =>
    TOP + (1 - (Math.min(t, most) - least) / Math.max(1e-9, most - least)) * (HEIGHT - TOP - FOOT);
  const clamp = (n: number) => Math.min(last, Math.max(first, n));
  const at = (event: { nativeEvent: { clientX: number } }) => {
    const frame = (box.current as unknown as HTMLElement).getBoundingClientRect();
    const share = (event.nativeEvent.clientX - frame.left - PAD) / (width - 2 * PAD);
    onChange(clamp(Math.round(first + share * (last - first))));
  };
  const knob = results.find((r) => r.interval === interval);
  const keys = {
    tabIndex: 0,
    onKeyDown: (event: { key: string; preventDefault(): void }) => {
      const step: Record<string, number> = {
        ArrowLeft: -1,
        ArrowDown: -1,
        ArrowRight: 1,
        ArrowUp: 1,
        Home: -99,
        End: 99,
      };
      const by = step[event.key];
      if (by === undefined) return;
      event.preventDefault();
      onChange(clamp(interval + by));
    },
  } as object;
  return (
    <View
      ref={box}
      {...keys}
      role="slider"
      aria-label="Strokes between looks"
      aria-valuemin={first}
      aria-valuemax={last}
      aria-valuenow={interval}
      aria-valuetext={words}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      onPointerDown={
        ((event: { nativeEvent: { clientX: number; pointerId: number } }) => {
          dragging.current = true;
          (box.current as unknown as HTMLElement).setPointerCapture?.(event.nativeEvent.pointerId);
          at(event);
        }) as never
      }
      onPointerMove={((event: { nativeEvent: { clientX: number } }) => dragging.current && at(event)) as never}
      onPointerUp={(() => (dragging.current = false)) as never}
      onPointerCancel={(() => (dragging.current = false)) as never}
      style={styles.box}
    >
      {width > 80 ? (
        <Svg width={width} height={HEIGHT} aria-hidden>
          <Rect
            x={x(nearOptimal[0]) - 6}
            y={TOP - 8}
            width={x(nearOptimal[1]) - x(nearOptimal[0]) + 12}
            height={HEIGHT - TOP - FOOT + 12}
            fill={theme.colors.primaryContainer}
          />
          <SvgText
            x={x(nearOptimal[0])}
            y={TOP + 4}
            fontSize={13}
            fontFamily={FONT}
            fill={theme.colors.onPrimaryContainer}
          >
            {`${nearOptimal[0]} to ${nearOptimal[1]}`}
          </SvgText>
          <Path
            d={results
              .map((r, i) => `${i === 0 ? 'M' : 'L'}${x(r.interval).toFixed(1)} ${y(r.meanTimeS).toFixed(1)}`)
              .join('')}
            stroke={theme.colors.onBackground}
            strokeWidth={2.5}
            fill="none"
          />
          {knob ? <Circle cx={x(interval)} cy={y(knob.meanTimeS)} r={12} fill={theme.colors.primary} /> : null}
          {[first, 4, 8, 12, 16, last].map((n) => (
            <SvgText
              key={n}
              x={x(n)}
              y={HEIGHT - 6}
              textAnchor="middle"
              fontSize={13}
              fontFamily={FONT}
              fill={theme.colors.onSurfaceVariant}
            >
              {n}
            </SvgText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { height: HEIGHT, touchAction: 'none', cursor: 'pointer' } as never,
});
