// Best times, and the 400 m over the months.
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { STROKE_WORD } from '@upwell/core/sessions';
import { formatTime } from '@upwell/core/units';
import { lazy, Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';

const ResultChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.ResultChart })));

export function TimesCard({ swimmer }: { readonly swimmer: SwimmerPage }) {
  const timed = swimmer.results.filter((r) => r.distanceM === 400);
  const times = [
    ...swimmer.bestTimes.map((best) => ({ ...best, named: `${best.distanceM} m` })),
    ...(swimmer.strokeTimes ?? []).map((best) => ({
      ...best,
      named: `${best.distanceM} m ${STROKE_WORD[best.stroke]}`,
    })),
  ];
  if (times.length === 0 && timed.length === 0) return null;
  return (
    <Card title="Times">
      <View style={styles.times}>
        {times.map((best) => (
          <View key={best.named}>
            <Text variant="bodySmall">{best.named}</Text>
            <Text variant="titleLarge" style={styles.figures}>
              {formatTime(best.timeS, best.timeS < 120 ? 1 : 0)}
            </Text>
          </View>
        ))}
      </View>
      {timed.length >= 2 ? (
        <Suspense fallback={<View style={styles.chart} />}>
          <ResultChart results={timed} />
        </Suspense>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  times: { flexDirection: 'row', gap: 28, flexWrap: 'wrap' },
  figures: { fontVariant: ['tabular-nums'] },
  chart: { height: 180 },
});
