// Best times, and the 400 m over the months.
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { formatTime } from '@upwell/core/units';
import { lazy, Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';

const ResultChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.ResultChart })));

export function TimesCard({ swimmer }: { readonly swimmer: SwimmerPage }) {
  const timed = swimmer.results.filter((r) => r.distanceM === 400);
  if (swimmer.bestTimes.length === 0 && timed.length === 0) return null;
  return (
    <Card title="Times">
      <View style={styles.times}>
        {swimmer.bestTimes.map((best) => (
          <View key={best.distanceM}>
            <Text variant="bodySmall">{`${best.distanceM} m`}</Text>
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
