/**
 * Speed against stroke rate: the reps, the fitted curve inside the tested range, and the best rate with its interval. A point
 * for every half stroke a minute, which is finer than anybody counts, makes the axis one of rates.
 */
import type { RampRep, RateRamp } from '@upwell/core/measures';
import { numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { LineChart } from 'react-native-gifted-charts';
import { FONT } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';
import { scaleOf } from './scale';

interface RampChartProps {
  readonly reps: readonly RampRep[];
  readonly ramp: RateRamp;
}

const HEIGHT = 150;
const LABELS = 52;
/** Strokes a minute between two points of the axis. */
const STEP = 0.5;
/** Room beside the first and the last rate, px. */
const MARGIN = 12;
/** Rates that are named under the axis; more would not be read. */
const NAMED = 5;
const RATE_WIDTH = 36;

export function RampChart({ reps, ramp }: RampChartProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const rates = reps.map((r) => r.strokeRateSpm);
  const [low, high] = [Math.min(...rates), Math.max(...rates)];
  const from = Math.floor(low - 1);
  const grid = Array.from({ length: Math.ceil((high + 1 - from) / STEP) + 1 }, (_, i) => from + i * STEP);
  const { bottom, step, sections } = scaleOf(
    reps.map((r) => r.speedMps),
    0.01,
  );
  const top = step * sections;
  const onGrid = (rate: number) => Math.round((rate - from) / STEP);
  const fitted = (rate: number) => ramp.a + ramp.b * rate + ramp.c * rate * rate - bottom;
  const plotted = width - LABELS - 16;
  const every = Math.max(1, Math.ceil(grid.length / NAMED / 2)) * 2;
  const at = new Map(reps.map((r) => [onGrid(r.strokeRateSpm), r.speedMps - bottom]));
  const spacing = (plotted - 2 * MARGIN) / Math.max(1, grid.length - 1);
  const best = ramp.bestRateSpm;
  const label = { color: theme.colors.onSurfaceVariant, fontFamily: FONT, fontSize: 12 };
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`Speed against stroke rate, ${reps.length} reps from ${Math.round(low)} to ${Math.round(high)} strokes a minute. ${ramp.reason}`}
      style={{ minHeight: HEIGHT + 50 }}
    >
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        Speed (m/s) against stroke rate (a minute)
      </Text>
      {plotted > 100 ? (
        <LineChart
          data={grid.map((rate, i) => ({
            value: Math.min(top, Math.max(0, fitted(Math.min(high, Math.max(low, rate))))),
            ...(best !== null && i === onGrid(best)
              ? { showVerticalLine: true, verticalLineColor: theme.colors.primary, verticalLineStrokeDashArray: [5, 4] }
              : {}),
          }))}
          startIndex={onGrid(low)}
          endIndex={onGrid(high)}
          data2={grid.map((_, i) => ({ value: at.get(i) ?? 0, hideDataPoint: !at.has(i) }))}
          color2="transparent"
          dataPointsColor2={theme.colors.onSurface}
          dataPointsRadius2={5}
          {...(best !== null && ramp.lowSpm !== null
            ? {
                data3: grid.map(() => ({ value: top })),
                startIndex3: onGrid(ramp.lowSpm),
                endIndex3: Math.max(onGrid(ramp.lowSpm) + 1, onGrid(ramp.highSpm!)),
                color3: 'transparent',
                areaChart3: true,
                startFillColor3: theme.own.sand,
                endFillColor3: theme.own.sand,
                startOpacity3: 0.6,
                endOpacity3: 0.6,
                hideDataPoints3: true,
              }
            : {})}
          hideDataPoints1
          width={plotted}
          height={HEIGHT}
          maxValue={top}
          stepValue={step}
          noOfSections={sections}
          showFractionalValues
          roundToDigits={6}
          formatYLabel={(value: string) => numberWord(Number(value) + bottom, 2)}
          spacing={spacing}
          initialSpacing={MARGIN}
          endSpacing={MARGIN}
          disableScroll
          color={theme.colors.primary}
          thickness={3}
          yAxisTextStyle={label}
          yAxisLabelWidth={LABELS}
          yAxisColor={theme.own.line}
          xAxisColor={theme.own.line}
          rulesColor={theme.own.line}
        />
      ) : null}
      {/* The points stand too near for the words of the library, which are as wide as their distance. */}
      {plotted > 100 ? (
        <View style={styles.rates}>
          {grid.map((rate, i) =>
            i % every === 0 ? (
              <Text key={rate} style={[label, styles.rate, { left: LABELS + MARGIN + i * spacing - RATE_WIDTH / 2 }]}>
                {numberWord(rate)}
              </Text>
            ) : null,
          )}
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  rates: { height: 18, marginTop: -18 },
  rate: { position: 'absolute', width: RATE_WIDTH, textAlign: 'center' },
});
