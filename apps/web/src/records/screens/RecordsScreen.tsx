/** Everything measured of one swimmer: where the numbers go, and each of them. */
import { useToday } from '@/state/hooks';
import { swimmerListAddress } from '@upwell/contract/listAddress';
import type { RecordsView, TestView } from '@upwell/contract/records';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { eventOf, isNearCritical } from '@upwell/core/measures';
import { OUTCOMES } from '@upwell/core/review';
import { rampReps } from '@upwell/core/swimtests';
import { formatTime } from '@upwell/core/units';
import { dayWord, numberWord } from '@upwell/core/words';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { useLoadQuery } from '@/sessions';
import { useSwimmerQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { distanceInDays } from '@/ui/dates';
import { ListFiles } from '@/ui/ListFiles';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { useWide } from '@/ui/useWide';
import { WayOn } from '@/ui/WayOn';
import { useRecordsQuery } from '../api';
import { Bests } from '../parts/Bests';
import { Progress } from '../parts/Progress';
import { Latest, Tests } from '../parts/Tests';
import { Swims } from '../parts/Swims';
import { OnDeck } from '../parts/OnDeck';

const TrendChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.TrendChart })));
const RampChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.RampChart })));
const LoadChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.LoadChart })));

const PANES = [
  { value: 'charts', label: 'Charts' },
  { value: 'tests', label: 'Tests' },
  { value: 'swims', label: 'Swims' },
  { value: 'deck', label: 'On deck' },
] as const;
type Pane = (typeof PANES)[number]['value'];

export function RecordsScreen() {
  const { id, pane: asked } = useLocalSearchParams<{ id: string; pane?: string }>();
  const router = useRouter();
  const { data: me } = useMeQuery();
  const today = useToday();
  const { data: swimmer, error: noSwimmer } = useSwimmerQuery(id);
  const { data: records, error, refetch } = useRecordsQuery(id);
  const coach = me?.role !== 'swimmer';
  const wide = useWide();
  const pane: Pane = PANES.find((p) => p.value === asked)?.value ?? 'charts';
  if (!swimmer || !records) {
    const failed = error ?? noSwimmer;
    return (
      <Screen title="Records" back={`/swimmers/${id}`}>
        {failed ? <Failure error={failed} retry={() => void refetch()} /> : <Loading label="Loading the records" />}
      </Screen>
    );
  }
  return (
    <Screen
      title="Records"
      over={`${swimmer.givenName} ${swimmer.familyName}`}
      under={swimmer.goal ? `${swimmer.goal.event} ${distanceInDays(today, swimmer.goal.date)}` : undefined}
      back={`/swimmers/${id}`}
      actions={
        <>
          <ListFiles of="Records" address={(format) => swimmerListAddress(id, 'records', format)} />
          {coach ? (
            <Button
              mode="contained"
              icon="clock-outline"
              onPress={() => router.navigate(`/swimmers/${id}/test` as Href)}
            >
              Take a test
            </Button>
          ) : null}
        </>
      }
    >
      <Tabs
        label="Parts of the records"
        tabs={PANES}
        chosen={pane}
        onChoose={(value) => router.setParams({ pane: value } as never)}
      />
      {pane === 'charts' ? <Charts swimmer={swimmer} records={records} coach={coach} /> : null}
      {pane === 'tests' ? <Tests records={records} coach={coach} /> : null}
      {pane === 'swims' ? (
        <View style={wide ? styles.columns : undefined}>
          <View style={wide ? styles.bests : undefined}>
            <Bests records={records} />
          </View>
          <View style={wide ? styles.column : undefined}>
            <Swims records={records} swimmerId={id} coach={coach} />
          </View>
        </View>
      ) : null}
      {pane === 'deck' ? <OnDeck records={records} /> : null}
    </Screen>
  );
}

interface ChartsProps {
  readonly swimmer: SwimmerPage;
  readonly records: RecordsView;
  readonly coach: boolean;
}

const space = <View style={{ height: 170 }} />;

function Charts({ swimmer, records, coach }: ChartsProps) {
  const wide = useWide();
  const { goal } = swimmer;
  const today = useToday();
  // One distance in one length of pool each: another pool is another speed.
  const events = useMemo(() => {
    const swum = new Map<string, RecordsView['results'][number][]>();
    for (const r of records.results) if (r.kind !== 'track') swum.set(eventOf(r), [...(swum.get(eventOf(r)) ?? []), r]);
    return [...swum].sort(([, a], [, b]) => a[0]!.distanceM - b[0]!.distanceM);
  }, [records.results]);
  const [event, setEvent] = useState<string | null>(null);
  const most = [...events].sort(([, a], [, b]) => b.length - a.length || b[0]!.distanceM - a[0]!.distanceM)[0];
  const [shown, swims] = events.find(([name]) => name === event) ?? most ?? [null, []];
  const of = (kind: TestView['kind']) => records.tests.filter((t) => t.kind === kind);
  const trend = (kind: TestView['kind']) => of(kind).map((t) => ({ on: t.heldOn, value: t.outcome.value }));
  const cs = trend('critical-speed');
  const drift = trend('closed-eyes').map((p) => ({ ...p, value: Math.abs(p.value) }));
  const clean = of('clean-length').flatMap((t) =>
    (t.outcome.lengths ?? [])
      .slice(0, 1)
      .map((l) => ({ on: t.heldOn, length: l.strokeLengthM, rate: l.strokeRateSpm })),
  );
  const ramp = of('rate-ramp')[0];
  const speedGoal = goal?.targetTimeS ? goal.distanceM / goal.targetTimeS : null;
  const { data: load } = useLoadQuery(today, { skip: !coach });
  const mine = load?.swimmers.find((s) => s.id === swimmer.id);
  const outcomes = OUTCOMES.map((o) => ({ o, n: swimmer.focuses.filter((f) => f.outcome === o).length }));
  const strokes = swims.filter((r) => r.strokesPerLength !== null);
  const nothing = swims.length + records.tests.length === 0;
  if (nothing) {
    return (
      <Empty
        title="Nothing measured yet"
        action={coach ? <WayOn to={`/swimmers/${swimmer.id}/test`} label="Take a test" /> : null}
      >
        Take a test, or add results from a file, and charts appear here.
      </Empty>
    );
  }
  return (
    <View style={wide ? styles.columns : undefined}>
      <View style={wide ? styles.column : undefined}>
        <Progress swimmer={swimmer} records={records} />
        {shown !== null ? (
          <Card title="Speed">
            <Choice
              label="Distance and pool"
              options={events.slice(0, 12).map(([name]) => ({ value: name, label: name }))}
              chosen={[shown]}
              onPress={setEvent}
            />
            {swims.length >= 2 ? (
              <Suspense fallback={space}>
                <TrendChart
                  title={`${shown}, m/s`}
                  points={swims.map((r) => ({ on: r.on, value: r.distanceM / r.timeS }))}
                  format={(v) => numberWord(v, 2)}
                  least={0.01}
                  goal={speedGoal}
                />
              </Suspense>
            ) : (
              <Text>{`One swim only: ${formatTime(swims[0]!.timeS, 1)}`}</Text>
            )}
            {goal ? (
              <Text variant="bodySmall">{`The line is the speed needed for ${goal.event} on ${dayWord(goal.date)}.`}</Text>
            ) : null}
            {strokes.length >= 2 ? (
              <Suspense fallback={space}>
                <TrendChart
                  title="Strokes per length"
                  points={strokes.map((r) => ({ on: r.on, value: r.strokesPerLength! }))}
                  format={(v) => numberWord(v)}
                  least={1}
                  goal={null}
                />
              </Suspense>
            ) : null}
          </Card>
        ) : null}
        {cs.length > 0 ? (
          <Card title="Critical speed">
            <Latest test={of('critical-speed')[0]!} before={of('critical-speed')[1]} />
            {cs.length >= 2 ? (
              <Suspense fallback={space}>
                <TrendChart
                  title="per 100 m"
                  points={cs}
                  format={(v) => formatTime(100 / v, 1)}
                  least={0.01}
                  goal={goal && isNearCritical(goal) ? speedGoal : null}
                />
              </Suspense>
            ) : null}
          </Card>
        ) : null}
      </View>
      <View style={wide ? styles.column : undefined}>
        {ramp && ramp.input.kind === 'rate-ramp' && ramp.outcome.ramp ? (
          <Card title="Stroke rate">
            <Text>{ramp.outcome.words}</Text>
            <Suspense fallback={space}>
              <RampChart reps={rampReps(ramp.input)} ramp={ramp.outcome.ramp} />
            </Suspense>
          </Card>
        ) : null}
        {clean.length >= 2 ? (
          <Card title="Stroke length and rate">
            <Suspense fallback={space}>
              <TrendChart
                title="metres a stroke"
                points={clean.map((c) => ({ on: c.on, value: c.length }))}
                format={(v) => numberWord(v, 2)}
                least={0.01}
                goal={null}
              />
              <TrendChart
                title="strokes a minute"
                points={clean.map((c) => ({ on: c.on, value: c.rate }))}
                format={(v) => numberWord(v)}
                least={1}
                goal={null}
              />
            </Suspense>
          </Card>
        ) : null}
        {drift.length > 0 ? (
          <Card title="Drift without looking">
            <Latest test={of('closed-eyes')[0]!} before={of('closed-eyes')[1]} />
            {drift.length >= 2 ? (
              <Suspense fallback={space}>
                <TrendChart
                  title="degrees a stroke, to either side"
                  points={drift}
                  format={(v) => numberWord(v, 1)}
                  least={0.1}
                  goal={null}
                />
              </Suspense>
            ) : null}
          </Card>
        ) : null}
        <Card title="Focuses">
          {outcomes.every(({ n }) => n === 0) ? (
            <Text>No focus has had its second look yet.</Text>
          ) : (
            <Text>{outcomes.map(({ o, n }) => `${n} ${o}`).join(' · ')}</Text>
          )}
        </Card>
        {mine ? (
          <Card title="Load">
            <Suspense fallback={space}>
              <LoadChart weeks={mine.summary.weeks} mean={mine.summary.fourWeekMean} />
            </Suspense>
          </Card>
        ) : null}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  bests: { width: 400 },
});
