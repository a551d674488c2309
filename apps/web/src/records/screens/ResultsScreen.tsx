/** Results of everybody, found and sorted; what is chosen stands in the address. */
import { clubListAddress } from '@upwell/contract/listAddress';
import { RESULT_SORTS, RESULTS_COUNTED, type ResultSort } from '@upwell/contract/recordLimits';
import { poolWord, RESULT_KINDS, swumWord, type ResultKind } from '@upwell/core/measures';
import { formatTime } from '@upwell/core/units';
import { datedWord, numberWord, plural } from '@upwell/core/words';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, DataTable, Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { SearchField } from '@/ui/SearchField';
import { Choice } from '@/ui/Choice';
import { ListFiles } from '@/ui/ListFiles';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { useRoomy } from '@/ui/useRoomy';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useRecordsQuery, useResultsQuery } from '../api';
import { Bests } from '../parts/Bests';

const PAGE = 25;
const HEAD: Readonly<Record<ResultSort, string>> = {
  on: 'Day',
  name: 'Swimmer',
  distance: 'Distance',
  time: 'Time',
  speed: 'm/s',
};
const howMany = (total: number) =>
  total > RESULTS_COUNTED ? `more than ${numberWord(RESULTS_COUNTED)}` : numberWord(total);
const KIND_WORD: Readonly<Record<ResultKind, string>> = { trial: 'All-out', training: 'Training', track: 'Outside' };

export function ResultsScreen() {
  const router = useRouter();
  const wide = useWide();
  const roomy = useRoomy();
  const theme = useTheme();
  const today = useToday();
  const asked = useLocalSearchParams<{
    search?: string;
    sort?: string;
    up?: string;
    page?: string;
    kind?: string;
    who?: string;
  }>();
  const sort: ResultSort = RESULT_SORTS.find((s) => s === asked.sort) ?? 'on';
  const falling = asked.up !== '1';
  const page = Math.max(0, Number(asked.page ?? 0) || 0);
  const kind = RESULT_KINDS.find((k) => k === asked.kind);
  const { data, error, refetch, isFetching } = useResultsQuery({
    ...(asked.search ? { search: asked.search } : {}),
    ...(kind ? { kind } : {}),
    sort,
    falling,
    offset: page * PAGE,
    limit: PAGE,
  });
  const set = (change: Record<string, string | undefined>) => router.setParams({ page: undefined, ...change } as never);
  const columns = wide ? RESULT_SORTS : (['name', 'distance', 'time'] as const);
  return (
    <Screen
      title="Results"
      under={data ? `${howMany(data.total)} ${plural(data.total, 'result')}` : undefined}
      back="/swimmers"
      actions={
        <>
          <ListFiles
            of="Results"
            // The CSV is the one that can be imported again.
            address={(format) => (format === 'csv' ? '/api/v1/results.csv' : clubListAddress('results', format, {}))}
          />
          <Button mode="outlined" onPress={() => router.navigate('/swimmers/meet' as Href)}>
            A meet
          </Button>
          <Button mode="contained" icon="upload" onPress={() => router.navigate('/swimmers/import' as Href)}>
            Import a file
          </Button>
        </>
      }
    >
      <SearchField
        placeholder="Find a swimmer or a meet"
        label="Find a swimmer or a meet"
        value={asked.search ?? ''}
        onChange={(search) => set({ search: search || undefined })}
        style={styles.gap}
      />
      <Choice
        label="Kind"
        options={RESULT_KINDS.map((value) => ({ value, label: KIND_WORD[value] }))}
        chosen={kind ? [kind] : []}
        onPress={(value) => set({ kind: value === kind ? undefined : value })}
      />
      {error && !data ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!data && !error ? <Loading label="Loading results" /> : null}
      {data && data.total === 0 ? (
        asked.search || kind ? (
          <Empty title="No result found">Change the search or the kind.</Empty>
        ) : (
          <Empty title="No results yet">Import a file, or take times on deck.</Empty>
        )
      ) : null}
      {data && data.total > 0 ? (
        <View style={roomy ? styles.beside : undefined}>
          <View aria-busy={isFetching} style={roomy ? styles.list : undefined}>
            <DataTable>
              <DataTable.Header>
                {columns.map((column) => (
                  <DataTable.Title
                    key={column}
                    textStyle={{ color: theme.colors.onSurface }}
                    numeric={column !== 'name' && column !== 'on'}
                    {...(sort === column
                      ? { sortDirection: falling ? ('descending' as const) : ('ascending' as const) }
                      : {})}
                    onPress={() => set({ sort: column, up: sort === column && falling ? '1' : undefined })}
                  >
                    {HEAD[column]}
                  </DataTable.Title>
                ))}
              </DataTable.Header>
              {data.items.map((r) => (
                <DataTable.Row
                  key={r.id}
                  onPress={() =>
                    roomy
                      ? router.setParams({ who: r.swimmerId } as never)
                      : router.navigate(`/swimmers/${r.swimmerId}/records` as Href)
                  }
                  style={roomy && r.swimmerId === asked.who ? { backgroundColor: theme.own.sand } : undefined}
                  accessibilityLabel={`${r.name}, ${datedWord(r.on, today)}, ${swumWord(r)} in ${formatTime(r.timeS, 1)}`}
                >
                  {columns.map((column) => (
                    <DataTable.Cell key={column} numeric={column !== 'name' && column !== 'on'}>
                      {column === 'on' ? (
                        datedWord(r.on, today)
                      ) : column === 'name' ? (
                        // An element wraps where a plain name would be cut.
                        <Text>{r.name}</Text>
                      ) : column === 'distance' ? (
                        [swumWord(r), wide && r.details?.pool ? poolWord(r.details.pool) : '']
                          .filter(Boolean)
                          .join(' · ')
                      ) : column === 'time' ? (
                        formatTime(r.timeS, 1)
                      ) : (
                        numberWord(r.distanceM / r.timeS, 2)
                      )}
                    </DataTable.Cell>
                  ))}
                </DataTable.Row>
              ))}
            </DataTable>
            <View style={styles.pages}>
              <Button disabled={page === 0} onPress={() => router.setParams({ page: String(page - 1) } as never)}>
                Back
              </Button>
              <Text>{`${numberWord(page * PAGE + 1)}–${numberWord(page * PAGE + data.items.length)} of ${howMany(data.total)}`}</Text>
              <Button
                // Beyond what is counted, a full page may have another one after it.
                disabled={data.items.length < PAGE || (page + 1) * PAGE === data.total}
                onPress={() => router.setParams({ page: String(page + 1) } as never)}
              >
                More
              </Button>
            </View>
          </View>
          {roomy ? (
            <View style={styles.detail}>
              {asked.who ? (
                <Person
                  swimmerId={asked.who}
                  name={data.items.find((r) => r.swimmerId === asked.who)?.name ?? 'Bests'}
                />
              ) : (
                <Empty title="Nobody chosen">Choose a result to see the bests of its swimmer here.</Empty>
              )}
            </View>
          ) : null}
        </View>
      ) : null}
    </Screen>
  );
}

/** The bests of the swimmer of a result, beside the list. */
function Person({ swimmerId, name }: { readonly swimmerId: string; readonly name: string }) {
  const router = useRouter();
  const { data, error, refetch } = useRecordsQuery(swimmerId);
  if (!data)
    return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Loading the bests" />;
  return (
    <View aria-live="polite">
      <View style={styles.head}>
        <Text variant="titleLarge" style={styles.name}>
          {name}
        </Text>
        <Button mode="outlined" onPress={() => router.navigate(`/swimmers/${swimmerId}/records?pane=swims` as Href)}>
          All records
        </Button>
      </View>
      <Bests records={data} />
    </View>
  );
}

const styles = StyleSheet.create({
  beside: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  list: { flex: 3, minWidth: 0 },
  detail: { flex: 2, minWidth: 0 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8, marginBottom: 8 },
  name: { flex: 1 },
  gap: { marginBottom: 8 },
  pages: { flexDirection: 'row', alignItems: 'center', justifyContent: 'center', gap: 12, marginTop: 8 },
});
