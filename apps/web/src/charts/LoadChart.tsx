import { useState } from 'react';
import { View } from 'react-native';
import { BarChart } from 'react-native-gifted-charts';
import { FONT } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';

interface LoadChartProps {
  /** The last eight weeks, oldest first. */
  readonly weeks: readonly number[];
  readonly mean: number | null;
}

const LABELS = 48;

/** Eight weeks as bars, this week in the colour of what can be acted on, the mean as a line. */
export function LoadChart({ weeks, mean }: LoadChartProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const most = Math.max(...weeks, mean ?? 0, 1);
  const top = Math.ceil(most / 1000) * 1000;
  const room = width - LABELS - 20;
  const bar = Math.max(8, Math.floor(room / weeks.length) - 10);
  const label = { color: theme.colors.onSurfaceVariant, fontFamily: FONT, fontSize: 12 };
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`Load of the last ${weeks.length} weeks: ${weeks.map((w) => Math.round(w)).join(', ')}`}
      style={{ minHeight: 110 }}
    >
      {room > 80 ? (
        <BarChart
          data={weeks.map((value, i) => ({
            value,
            label: i === weeks.length - 1 ? 'now' : `−${weeks.length - 1 - i}`,
            frontColor: i === weeks.length - 1 ? theme.colors.primary : theme.own.kelp,
          }))}
          width={room}
          height={80}
          barWidth={bar}
          spacing={10}
          initialSpacing={4}
          endSpacing={0}
          maxValue={top}
          noOfSections={2}
          disableScroll
          showReferenceLine1={mean !== null}
          referenceLine1Position={mean ?? 0}
          referenceLine1Config={{ color: theme.colors.onSurface, dashWidth: 4, dashGap: 4, thickness: 1.5 }}
          yAxisTextStyle={label}
          xAxisLabelTextStyle={label}
          yAxisLabelWidth={LABELS}
          yAxisColor={theme.own.line}
          xAxisColor={theme.own.line}
          rulesColor={theme.own.line}
        />
      ) : null}
    </View>
  );
}
