/**
 * Speed against stroke rate: the reps, the fitted curve inside the tested range, and the best rate with its
 * interval. Drawn by hand because points with a curve through them are not what the chart library has.
 */
import type { RampRep, RateRamp } from '@upwell/core/measures';
import { numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { Text } from 'react-native-paper';
import { FONT } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';

interface RampChartProps {
  readonly reps: readonly RampRep[];
  readonly ramp: RateRamp;
}

const HEIGHT = 190;
const LEFT = 46;
const FOOT = 26;
const TOP = 14;

export function RampChart({ reps, ramp }: RampChartProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const rates = reps.map((r) => r.strokeRateSpm);
  const speeds = reps.map((r) => r.speedMps);
  const [x0, x1] = [Math.floor(Math.min(...rates) - 2), Math.ceil(Math.max(...rates) + 2)];
  const [y0, y1] = [Math.min(...speeds) - 0.03, Math.max(...speeds) + 0.03];
  const x = (rate: number) => LEFT + ((rate - x0) / (x1 - x0)) * (width - LEFT - 10);
  const y = (speed: number) => TOP + (1 - (speed - y0) / (y1 - y0)) * (HEIGHT - TOP - FOOT);
  const curve = Array.from({ length: 41 }, (_, i) => {
    const rate = Math.min(...rates) + (i / 40) * (Math.max(...rates) - Math.min(...rates));
    return `${i === 0 ? 'M' : 'L'}${x(rate).toFixed(1)} ${y(ramp.a + ramp.b * rate + ramp.c * rate * rate).toFixed(1)}`;
  }).join(' ');
  const text = { fill: theme.colors.onSurfaceVariant, fontFamily: FONT, fontSize: 12 };
  const best = ramp.bestRateSpm;
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`Speed against stroke rate, ${reps.length} reps from ${Math.round(Math.min(...rates))} to ${Math.round(Math.max(...rates))} strokes a minute. ${ramp.reason}`}
      style={{ minHeight: HEIGHT + 20 }}
    >
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        Speed (m/s) against stroke rate (a minute)
      </Text>
      {width > 120 ? (
        <Svg width={width} height={HEIGHT}>
          {best !== null && ramp.lowSpm !== null ? (
            <Rect
              x={x(ramp.lowSpm)}
              y={TOP}
              width={Math.max(2, x(ramp.highSpm!) - x(ramp.lowSpm))}
              height={HEIGHT - TOP - FOOT}
              fill={theme.own.sand}
            />
          ) : null}
          {[0, 0.5, 1].map((share) => {
            const speed = y0 + share * (y1 - y0);
            return (
              <SvgText key={share} x={LEFT - 6} y={y(speed) + 4} textAnchor="end" {...text}>
                {numberWord(speed, 2)}
              </SvgText>
            );
          })}
          {rates.map((rate, i) => (
            <SvgText key={i} x={x(rate)} y={HEIGHT - 8} textAnchor="middle" {...text}>
              {Math.round(rate)}
            </SvgText>
          ))}
          <Line x1={LEFT} x2={width - 10} y1={HEIGHT - FOOT} y2={HEIGHT - FOOT} stroke={theme.own.line} />
          <Path d={curve} stroke={theme.colors.primary} strokeWidth={3} fill="none" />
          {best !== null ? (
            <Line
              x1={x(best)}
              x2={x(best)}
              y1={TOP}
              y2={HEIGHT - FOOT}
              stroke={theme.colors.primary}
              strokeDasharray="5 4"
              strokeWidth={2}
            />
          ) : null}
          {reps.map((r, i) => (
            <Circle key={i} cx={x(r.strokeRateSpm)} cy={y(r.speedMps)} r={5} fill={theme.colors.onSurface} />
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
