/** One number over time, with the line to reach. Days stand where they lie in time order, the newest at the right. */
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-gifted-charts';
import { Text } from 'react-native-paper';
import { FONT } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';
import { scaleOf } from './scale';
import { thinned } from './thinned';
import { dayWord, shortDayWord } from '@upwell/core/words';

export interface TrendPoint {
  /** ISO date. */
  readonly on: string;
  readonly value: number;
}

interface TrendChartProps {
  readonly title: string;
  readonly points: readonly TrendPoint[];
  readonly format: (value: number) => string;
  /** The smallest step of the scale that the format shows. */
  readonly least: number;
  /** The value to reach, drawn as a line. */
  readonly goal: number | null;
  readonly height?: number;
}

const LABEL_WIDTH = 60;
/** Days that are named under the line; more would not be read. */
const NAMED = 5;

export function TrendChart({ title, points, format, least, goal, height = 130 }: TrendChartProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const inTime = useMemo(() => [...points].sort((a, b) => a.on.localeCompare(b.on)), [points]);
  const drawn = useMemo(() => thinned(inTime), [inTime]);
  const values = inTime.map((p) => p.value).concat(goal === null ? [] : [goal]);
  const { bottom, step, sections } = scaleOf(values, least);
  const plotted = width - LABEL_WIDTH - 16;
  const every = Math.ceil(drawn.length / NAMED);
  const dense = drawn.length > 40;
  const gap = (plotted - 56) / Math.max(1, drawn.length - 1);
  // A day stands in the middle under its point, over its neighbours' room where they are near.
  const dayWidth = Math.max(56, gap);
  const label = { color: theme.colors.onSurfaceVariant, fontFamily: FONT, fontSize: 12 };
  const last = inTime.at(-1)!;
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`${title}: ${inTime.length} values from ${dayWord(inTime[0]!.on)} ${format(inTime[0]!.value)} to ${dayWord(last.on)} ${format(last.value)}${goal === null ? '' : `, goal ${format(goal)}`}`}
      style={{ minHeight: height + 40 }}
    >
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {`${title}${goal === null ? '' : ` · goal ${format(goal)}`}`}
      </Text>
      {plotted > 60 ? (
        <LineChart
          data={drawn.map((p, i) => ({
            value: p.value - bottom,
            ...(i % every === 0 ? { label: shortDayWord(p.on) } : {}),
          }))}
          width={plotted}
          height={height}
          maxValue={step * sections}
          stepValue={step}
          noOfSections={sections}
          // Else they come rounded to whole numbers.
          showFractionalValues
          roundToDigits={6}
          formatYLabel={(value: string) => format(Number(value) + bottom)}
          spacing={gap}
          initialSpacing={28}
          endSpacing={24}
          disableScroll
          color={theme.colors.primary}
          dataPointsColor={theme.colors.primary}
          hideDataPoints={dense}
          thickness={dense ? 2 : 3}
          showReferenceLine1={goal !== null}
          referenceLine1Position={(goal ?? 0) - bottom}
          referenceLine1Config={{ color: theme.own.kelp, dashWidth: 6, dashGap: 4, thickness: 2 }}
          yAxisTextStyle={label}
          xAxisLabelTextStyle={{ ...label, width: dayWidth, marginLeft: (gap - dayWidth) / 2, textAlign: 'center' }}
          yAxisLabelWidth={LABEL_WIDTH}
          yAxisColor={theme.own.line}
          xAxisColor={theme.own.line}
          rulesColor={theme.own.line}
        />
      ) : null}
    </View>
  );
}
