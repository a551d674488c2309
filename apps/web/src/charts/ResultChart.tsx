/** 400 m times in time, the newest at the right; lower is faster. Loaded only when there is something to draw. */
import type { ResultView } from '@upwell/contract/swimmers';
import { formatTime } from '@upwell/core/units';
import { dayWord } from '@upwell/core/words';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-gifted-charts';
import { Text } from 'react-native-paper';
import { FONT } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';

const LABEL_WIDTH = 52;

export function ResultChart({ results }: { readonly results: readonly ResultView[] }) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const inTime = [...results].sort((a, b) => a.on.localeCompare(b.on)).slice(-12);
  const times = inTime.map((r) => r.timeS);
  const low = Math.floor(Math.min(...times) / 10) * 10 - 10;
  const high = Math.ceil(Math.max(...times) / 10) * 10 + 10;
  const sections = (high - low) / ((high - low) / 10 <= 5 ? 10 : (high - low) / 5);
  const label = { color: theme.colors.onSurfaceVariant, fontFamily: FONT, fontSize: 12 };
  const plotted = width - LABEL_WIDTH - 24;
  const inWords = inTime.map((r) => `${dayWord(r.on)} ${formatTime(r.timeS)}`).join(', ');
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`400 m times: ${inWords}`}
    >
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        400 m, last {inTime.length} tries
      </Text>
      {plotted > 60 ? (
        <LineChart
          data={inTime.map((r) => ({ value: r.timeS - low, label: dayWord(r.on).replace(/^\w+,? /, '') }))}
          width={plotted}
          height={120}
          maxValue={high - low}
          noOfSections={sections}
          formatYLabel={(value: string) => formatTime(Number(value) + low)}
          spacing={plotted / Math.max(1, inTime.length - 1) - 16}
          initialSpacing={18}
          disableScroll
          color={theme.colors.primary}
          dataPointsColor={theme.colors.primary}
          thickness={3}
          yAxisTextStyle={label}
          xAxisLabelTextStyle={label}
          yAxisLabelWidth={LABEL_WIDTH}
          yAxisColor={theme.own.line}
          xAxisColor={theme.own.line}
          rulesColor={theme.own.line}
        />
      ) : null}
    </View>
  );
}
