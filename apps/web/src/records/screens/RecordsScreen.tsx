import type { RecordsView, TestView } from '@upwell/contract/records';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { isNearCritical } from '@upwell/core/measures';
import { OUTCOMES, SIGNS } from '@upwell/core/review';
import { compareTests, rampReps, SWIM_TEST, testValue } from '@upwell/core/swimtests';
import { formatTime } from '@upwell/core/units';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { useLoadQuery } from '@/sessions';
import { useSwimmerQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { dayOf, dayWord, distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { WayOn } from '@/ui/WayOn';
import { useRecordsQuery, useRemoveTestMutation } from '../api';

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

/** Everything measured of one swimmer: where the numbers go, and each of them. */
export function RecordsScreen() {
  const { id, pane: asked } = useLocalSearchParams<{ id: string; pane?: string }>();
  const router = useRouter();
  const { data: me } = useMeQuery();
  const { data: swimmer, error: noSwimmer } = useSwimmerQuery(id);
  const { data: records, error, refetch } = useRecordsQuery(id);
  const coach = me?.role !== 'swimmer';
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
      under={swimmer.goal ? `${swimmer.goal.event} ${distanceInDays(dayOf(new Date()), swimmer.goal.date)}` : undefined}
      back={`/swimmers/${id}`}
      actions={
        coach ? (
          <Button mode="contained" icon="clock-outline" onPress={() => router.navigate(`/swimmers/${id}/test` as Href)}>
            Take a test
          </Button>
        ) : null
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
      {pane === 'swims' ? <Swims records={records} /> : null}
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
  const distances = useMemo(
    () => [...new Set(records.results.filter((r) => r.kind !== 'track').map((r) => r.distanceM))].sort((a, b) => a - b),
    [records.results],
  );
  const [distance, setDistance] = useState<number | null>(null);
  const shown = distance ?? (distances.includes(400) ? 400 : (distances.at(-1) ?? null));
  const swims = useMemo(() => records.results.filter((r) => r.distanceM === shown), [records.results, shown]);
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
  const { data: load } = useLoadQuery(dayOf(new Date()), { skip: !coach });
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
        Take a test, or add results from a file, and this page fills with lines.
      </Empty>
    );
  }
  return (
    <View style={wide ? styles.columns : undefined}>
      <View style={wide ? styles.column : undefined}>
        {shown !== null ? (
          <Card title="Speed">
            <Choice
              label="Distance, metres"
              options={distances.slice(0, 8).map((d) => ({ value: String(d), label: String(d) }))}
              chosen={[String(shown)]}
              onPress={(d) => setDistance(Number(d))}
            />
            {swims.length >= 2 ? (
              <Suspense fallback={space}>
                <TrendChart
                  title={`${shown} m, m/s`}
                  points={swims.map((r) => ({ on: r.on, value: r.distanceM / r.timeS }))}
                  format={(v) => v.toFixed(2)}
                  goal={speedGoal}
                />
              </Suspense>
            ) : (
              <Text>{`One swim only: ${formatTime(swims[0]!.timeS, 1)}`}</Text>
            )}
            {goal ? (
              <Text variant="bodySmall">{`The line is the speed of ${goal.event} on ${dayWord(goal.date)}.`}</Text>
            ) : null}
            {strokes.length >= 2 ? (
              <Suspense fallback={space}>
                <TrendChart
                  title="Strokes in a length"
                  points={strokes.map((r) => ({ on: r.on, value: r.strokesPerLength! }))}
                  format={(v) => v.toFixed(0)}
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
                format={(v) => v.toFixed(2)}
                goal={null}
              />
              <TrendChart
                title="strokes a minute"
                points={clean.map((c) => ({ on: c.on, value: c.rate }))}
                format={(v) => v.toFixed(0)}
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
                  format={(v) => v.toFixed(1)}
                  goal={null}
                />
              </Suspense>
            ) : null}
          </Card>
        ) : null}
        <Card title="Focuses">
          {outcomes.every(({ n }) => n === 0) ? (
            <Text>No focus has come to its second look yet.</Text>
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

const VERDICT_WORD = {
  better: 'better',
  worse: 'not as good',
  different: 'different',
  'no real change': 'no real change',
  'cannot tell': 'too few repeats to tell',
} as const;

/** The newest of a test and whether it is a change. */
function Latest({ test, before }: { readonly test: TestView; readonly before: TestView | undefined }) {
  const change = before ? compareTests(test.kind, test.outcome, before.outcome) : null;
  return (
    <View>
      <Text variant="titleLarge" style={styles.figures}>
        {testValue(test.kind, test.outcome.value)}
      </Text>
      <Text variant="bodySmall">{`${dayWord(test.heldOn)} · ${test.outcome.words}`}</Text>
      {change ? (
        <Text variant="labelMedium">
          {`${VERDICT_WORD[change.verdict]}${change.smallest === null ? '' : `; a change counts from ${testValue(test.kind, change.smallest)}`}`}
        </Text>
      ) : null}
    </View>
  );
}

function Tests({ records, coach }: { readonly records: RecordsView; readonly coach: boolean }) {
  const theme = useTheme();
  const [remove] = useRemoveTestMutation();
  const [asked, setAsked] = useState<string | null>(null);
  if (records.tests.length === 0) return <Empty title="No test yet">Each takes a few minutes on deck.</Empty>;
  return (
    <View role="list">
      {records.tests.map((test) => (
        <View key={test.id} role="listitem" style={[styles.line, { borderTopColor: theme.own.line }]}>
          <View style={styles.flex}>
            <Text variant="titleMedium">{`${SWIM_TEST[test.kind].name}: ${testValue(test.kind, test.outcome.value)}`}</Text>
            <Text variant="bodySmall">{`${dayWord(test.heldOn)} · ${test.outcome.words}`}</Text>
            <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
              {test.outcome.method}
            </Text>
          </View>
          {coach ? (
            <Button compact onPress={() => (asked === test.id ? void remove(test.id) : setAsked(test.id))}>
              {asked === test.id ? 'Really take out' : 'Take out'}
            </Button>
          ) : null}
        </View>
      ))}
    </View>
  );
}

/** Rows that are shown before "more". */
const FIRST = 60;

function Swims({ records }: { readonly records: RecordsView }) {
  const theme = useTheme();
  const [all, setAll] = useState(false);
  const rows = [
    ...records.results.map((r) => ({
      key: r.id,
      on: r.on,
      what: `${r.distanceM} m${r.kind === 'trial' ? ' all-out' : r.kind === 'track' ? ' outside' : ''}`,
      timeS: r.timeS,
      distanceM: r.distanceM,
      strokes: r.strokesPerLength,
      where: '',
    })),
    ...records.reps.map((r) => ({
      key: `${r.sessionId} ${r.set} ${r.rep}`,
      on: r.on,
      what: `${Math.round(r.distanceM)} m at ${Math.round(r.effort * 100)} %`,
      timeS: r.timeS,
      distanceM: r.distanceM,
      strokes: r.strokes,
      where: r.title,
    })),
  ].sort((a, b) => b.on.localeCompare(a.on));
  if (rows.length === 0)
    return <Empty title="No swim yet">Times taken on deck and results from files stand here.</Empty>;
  return (
    <View>
      <View role="table" aria-label="Swims, the newest first">
        {rows.slice(0, all ? rows.length : FIRST).map((r) => (
          <View key={r.key} role="row" style={[styles.line, { borderTopColor: theme.own.line }]}>
            <Text role="cell" style={styles.day}>
              {dayWord(r.on)}
            </Text>
            <Text role="cell" style={styles.flex} numberOfLines={2}>
              {`${r.what}${r.where ? ` · ${r.where}` : ''}`}
            </Text>
            <Text role="cell" style={styles.figures}>
              {`${formatTime(r.timeS, 1)}${r.strokes ? ` · ${Math.round(r.strokes)}` : ''}`}
            </Text>
            <Text role="cell" variant="bodySmall" style={styles.speed}>
              {`${(r.distanceM / r.timeS).toFixed(2)} m/s`}
            </Text>
          </View>
        ))}
      </View>
      {rows.length > FIRST && !all ? <Button onPress={() => setAll(true)}>{`Show all ${rows.length}`}</Button> : null}
    </View>
  );
}

function OnDeck({ records }: { readonly records: RecordsView }) {
  const theme = useTheme();
  const there = records.attended.filter((a) => a.as !== 'absent').length;
  if (records.attended.length + records.signs.length === 0)
    return <Empty title="Nothing noted on deck yet">Run a session, count heads and note what you see.</Empty>;
  return (
    <View>
      <Card title={`There at ${there} of the last ${records.attended.length} counted sessions`}>
        {records.attended.slice(0, 30).map((a) => (
          <Text key={a.sessionId}>{`${dayWord(a.on)} · ${a.title}: ${a.as === 'absent' ? 'not there' : 'there'}`}</Text>
        ))}
      </Card>
      {records.signs.length > 0 ? (
        <Card title="Seen on deck">
          {records.signs.map((s) => (
            <Text key={s.id} style={[styles.line, { borderTopColor: theme.own.line }]}>
              {`${dayWord(s.on)} · ${SIGNS[s.sign].seen}`}
            </Text>
          ))}
        </Card>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 10, borderTopWidth: 1, paddingVertical: 8, minHeight: 48 },
  flex: { flex: 1, minWidth: 0 },
  day: { width: 96 },
  speed: { width: 66, textAlign: 'right' },
  figures: { fontVariant: ['tabular-nums'] },
});
