/** Eight weeks as bars, this week in the colour of what can be acted on, the mean as a line. */
import { useState } from 'react';
import { View } from 'react-native';
import { BarChart } from 'react-native-gifted-charts';
import { useTheme } from '@/ui/useTheme';
import { BAR_LABELS, barLook } from './barLook';

interface LoadChartProps {
  /** The last eight weeks, oldest first. */
  readonly weeks: readonly number[];
  readonly mean: number | null;
}

export function LoadChart({ weeks, mean }: LoadChartProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const most = Math.max(...weeks, mean ?? 0, 1);
  const top = Math.ceil(most / 1000) * 1000;
  const room = width - BAR_LABELS - 20;
  const bar = Math.max(8, Math.floor(room / weeks.length) - 10);
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
          maxValue={top}
          showReferenceLine1={mean !== null}
          referenceLine1Position={mean ?? 0}
          referenceLine1Config={{ color: theme.colors.onSurface, dashWidth: 4, dashGap: 4, thickness: 1.5 }}
          {...barLook(theme, 12)}
        />
      ) : null}
    </View>
  );
}
