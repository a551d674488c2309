/** Sessions of each month: those that somebody came to, and on top those they missed. */
import type { AttendanceMonth } from '@upwell/core/deck';
import { monthWord } from '@upwell/core/words';
import { useState } from 'react';
import { View } from 'react-native';
import { BarChart } from 'react-native-gifted-charts';
import { useTheme } from '@/ui/useTheme';
import { BAR_LABELS, barLook } from './barLook';

const HEIGHT = 90;

export function AttendanceChart({ months }: { readonly months: readonly AttendanceMonth[] }) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const room = width - BAR_LABELS - 20;
  const bar = Math.min(36, Math.max(6, Math.floor(room / months.length) - 10));
  // Two equal steps of whole sessions.
  const top = 2 * Math.max(1, Math.ceil(Math.max(...months.map((m) => m.counted)) / 2));
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`There by month: ${months.map((m) => `${monthWord(m.month)} ${m.there} of ${m.counted}`).join(', ')}`}
      style={{ minHeight: HEIGHT + 30 }}
    >
      {room > 80 ? (
        <BarChart
          stackData={months.map(({ month, there, counted }) => ({
            label: monthWord(month),
            stacks: [
              { value: there, color: theme.colors.primary },
              { value: counted - there, color: theme.own.sand },
            ],
          }))}
          width={room}
          height={HEIGHT}
          barWidth={bar}
          spacing={10}
          maxValue={top}
          {...barLook(theme, 12)}
        />
      ) : null}
    </View>
  );
}
