/** What was swum and what is planned, week by week, on one scale. */
import type { PlanWeek } from '@upwell/core/race';
import { shortDayWord } from '@upwell/core/words';
import { useState } from 'react';
import { View } from 'react-native';
import { BarChart } from 'react-native-gifted-charts';
import { weekTint } from '@/ui/weekTint';
import { useTheme } from '@/ui/useTheme';
import { BAR_LABELS, barLook } from './barLook';

interface PlanChartProps {
  /** Loads of the weeks before, the oldest first. */
  readonly past: readonly number[];
  readonly weeks: readonly PlanWeek[];
}

const HEIGHT = 120;

export function PlanChart({ past, weeks }: PlanChartProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const most = Math.max(...past, ...weeks.map((w) => w.load), 1);
  const room = width - BAR_LABELS - 12;
  const each = room / (past.length + weeks.length);
  // A word under every bar would not fit.
  const every = Math.max(1, Math.ceil(48 / Math.max(1, each)));
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`Load swum: ${past.map(Math.round).join(', ') || 'none on record'}. Planned: ${weeks.map((w) => w.load).join(', ')}`}
      style={{ minHeight: HEIGHT + 30 }}
    >
      {room > 80 ? (
        <BarChart
          data={[
            ...past.map((value) => ({ value, label: '', frontColor: theme.own.kelp })),
            ...weeks.map((week, i) => ({
              value: week.load,
              label: i % every === 0 && i + every / 2 < weeks.length ? shortDayWord(week.monday) : '',
              labelWidth: 48,
              frontColor: weekTint(week, theme.own).background,
            })),
          ]}
          width={room}
          height={HEIGHT}
          barWidth={Math.max(3, each * 0.72)}
          spacing={Math.max(1, each * 0.28)}
          maxValue={Math.ceil(most / 1000) * 1000}
          {...barLook(theme, 11)}
        />
      ) : null}
    </View>
  );
}
