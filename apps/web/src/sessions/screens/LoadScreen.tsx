/** How much everybody has swum: the week beside the four before it, as a prompt for a talk. */
import { useToday } from '@/state/hooks';
import { clubListAddress } from '@upwell/contract/listAddress';
import type { LoadRow } from '@upwell/contract/sessions';
import { LOAD_LIMITS } from '@upwell/core/sessions';
import { nameHolds } from '@upwell/core/text';
import { numberWord } from '@upwell/core/words';
import { lazy, Suspense, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { SearchField } from '@/ui/SearchField';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { ListFiles } from '@/ui/ListFiles';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { useTheme } from '@/ui/useTheme';
import { WayOn } from '@/ui/WayOn';
import { useLoadQuery } from '../api';

const LoadChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.LoadChart })));

export function LoadScreen() {
  const today = useToday();
  const [who, setWho] = useState<'groups' | 'swimmers'>('groups');
  const [search, setSearch] = useState('');
  const { data, error, refetch } = useLoadQuery(today);
  const rows = data?.[who].filter((row) => nameHolds(row.name, search)) ?? [];
  const talk = rows.filter((row) => row.prompts.length > 0);
  const rest = rows.filter((row) => row.prompts.length === 0);
  return (
    <Screen
      title="Load"
      under={LOAD_LIMITS}
      back="/sessions"
      maxWidth={860}
      actions={<ListFiles of="Load" address={(format) => clubListAddress('load', format, { date: today })} />}
    >
      <Tabs
        label="Whose load"
        tabs={[
          { value: 'groups', label: 'Groups' },
          { value: 'swimmers', label: 'Swimmers' },
        ]}
        chosen={who}
        onChoose={setWho}
      />
      {who === 'swimmers' ? (
        <SearchField
          placeholder="Find a swimmer"
          label="Find a swimmer by name"
          value={search}
          onChange={setSearch}
          style={styles.gap}
        />
      ) : null}
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!data && !error ? <Loading label="Adding up the load" /> : null}
      {data && rows.length === 0 ? (
        <Empty title="Nobody here" action={<WayOn to="/sessions/new" label="Build a session" />}>
          Load is counted from the sessions in the calendar.
        </Empty>
      ) : null}
      <Rows title="To talk about" rows={talk} charts={who === 'groups'} />
      <Rows title="Nothing stands out" rows={rest} charts={who === 'groups'} />
    </Screen>
  );
}

function Rows({
  title,
  rows,
  charts,
}: {
  readonly title: string;
  readonly rows: readonly LoadRow[];
  readonly charts: boolean;
}) {
  if (rows.length === 0) return null;
  return (
    <View>
      <Text variant="titleSmall" role="heading" aria-level={2} style={styles.gap}>
        {title}
      </Text>
      {rows.slice(0, 60).map((row) => (
        <LoadCard key={row.id} row={row} chart={charts} />
      ))}
    </View>
  );
}

/** One card; dozens of pictures at once would only be in the way, so most open at a tap. */
function LoadCard({ row, chart }: { readonly row: LoadRow; readonly chart: boolean }) {
  const theme = useTheme();
  const [open, setOpen] = useState(chart || row.prompts.length > 0);
  const { week, fourWeekMean, ratio, monotony, weeks } = row.summary;
  const rounded = (value: number) => numberWord(Math.round(value));
  return (
    <Card
      title={row.name}
      aside={
        <Text variant="titleLarge" style={styles.figures}>
          {rounded(week)}
        </Text>
      }
    >
      {row.prompts.map((prompt) => (
        <Text key={prompt} variant="labelLarge" style={{ color: theme.colors.primary }}>
          {prompt}
        </Text>
      ))}
      <Text variant="bodySmall">
        {[
          fourWeekMean === null ? 'fewer than four weeks on record' : `four-week average ${rounded(fourWeekMean)}`,
          ratio === null ? '' : `ratio ${numberWord(ratio, 2)}`,
          monotony === null ? '' : `monotony ${numberWord(monotony, 1)}`,
          row.feltWeek === null ? '' : `felt ${rounded(row.feltWeek)} (rating × minutes)`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      {chart ? null : <Disclosure label="Eight weeks" open={open} onPress={() => setOpen(!open)} />}
      {open ? (
        <Suspense fallback={<View style={styles.chart} />}>
          <LoadChart weeks={weeks} mean={fourWeekMean} />
        </Suspense>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  gap: { marginBottom: 12 },
  figures: { fontVariant: ['tabular-nums'] },
  chart: { height: 110 },
});
