import {
  RESULT_FIELDS,
  type KnownSwimmer,
  type ReadResults,
  type ResultField,
  type ResultLine,
  type ResultMapping,
} from '@upwell/core/records';
import { formatTime } from '@upwell/core/units';
import { proxy } from 'comlink';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { api } from '@/api/api';
import { useAppDispatch } from '@/state/hooks';
import { useSwimmersInfiniteQuery } from '@/swimmers/api';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { dayWord } from '@/ui/dates';
import { Input } from '@/ui/Input';
import { chooseFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { compute } from '@/worker/compute';
import { ImportFailed, importResults } from '../importResults';

interface Opened {
  readonly name: string;
  readonly text: string;
}

const FIELD_WORD: Readonly<Record<ResultField, string>> = {
  swimmer: 'Swimmer',
  date: 'Day',
  distance: 'Distance',
  time: 'Time',
  strokes: 'Strokes',
  kind: 'Kind',
  ignore: 'Leave out',
};
const ORDER_WORD = { ymd: 'Year first', dmy: 'Day first', mdy: 'Month first' } as const;

/** Largest file that is opened, bytes. */
const LARGEST = 120_000_000;

/** A file of results: what its columns mean, what would be stored, what is wrong by its line; then all of it or nothing. */
export function ImportScreen() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const swimmers = useEverybody();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [mapping, setMapping] = useState<ResultMapping | null>(null);
  const [read, setRead] = useState<ReadResults | null>(null);
  const [track, setTrack] = useState<ResultLine | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [stored, setStored] = useState<number | null>(null);
  const stop = useRef<AbortController | null>(null);
  const [storing, setStoring] = useState(false);
  const gpx = opened !== null && /^\s*(<\?xml|<gpx)/i.test(opened.text.slice(0, 200));
  const one = mapping?.swimmerId ?? read?.mapping.swimmerId ?? null;

  useEffect(() => {
    if (!opened || gpx) return;
    let current = true;
    // What the worker says of its progress may come after its answer.
    let reading = true;
    const onProgress = proxy((share: number) => {
      if (current && reading) setProgress(share);
    });
    void compute()
      .readResults(opened.text, mapping, swimmers, onProgress)
      .then((result) => {
        reading = false;
        if (!current) return;
        setProgress(null);
        setRead(result);
      });
    return () => {
      current = false;
    };
  }, [opened, mapping, swimmers, gpx]);

  useEffect(() => {
    if (!opened || !gpx) return;
    let current = true;
    void compute()
      .readTrack(opened.text)
      .then(({ problems, sum }) => {
        if (!current) return;
        const usable = sum && sum.timeS !== null && sum.on !== null;
        setProblem(usable ? null : (problems[0] ?? 'This track has no times: it cannot be a result.'));
        setTrack(
          usable
            ? {
                swimmerId: '',
                on: sum.on!,
                distanceM: Math.round(sum.distanceM),
                timeS: sum.timeS!,
                strokesPerLength: null,
                kind: 'track',
              }
            : null,
        );
      });
    return () => {
      current = false;
    };
  }, [opened, gpx]);

  const open = (file: Opened) => {
    setMapping(null);
    setRead(null);
    setTrack(null);
    setProblem(null);
    setStored(null);
    setOpened(file);
  };
  const choose = async () => {
    const file = await chooseFile('.csv,.txt,.gpx,text/csv,application/gpx+xml');
    if (!file) return;
    if (file.size > LARGEST) setProblem('This file is too large.');
    else open({ name: file.name, text: await file.text() });
  };
  const device = async (kind: 'lengths' | 'track') => {
    const worn = { seed: 7, startMs: Date.now() - 86_400_000, speedMps: 1.02, strokeLengthM: 0.92 };
    if (kind === 'lengths') open({ name: 'wrist-lengths.csv', text: await compute().deviceLengthsCsv(worn, 25, 40) });
    else open({ name: 'wrist-track.gpx', text: await compute().deviceStraightGpx(worn, OUTING, 750) });
  };
  const results = gpx ? (track && one ? [{ ...track, swimmerId: one }] : []) : (read?.results ?? []);
  const store = async () => {
    stop.current = new AbortController();
    setProblem(null);
    setProgress(0);
    setStoring(true);
    try {
      setStored(await importResults(results, setProgress, stop.current.signal));
      dispatch(api.util.invalidateTags(['Records', 'Swimmer']));
    } catch (error) {
      if (error instanceof ImportFailed) setProblem(error.message);
      else if (stop.current.signal.aborted) setProblem('Stopped. Nothing was stored.');
      else throw error;
    } finally {
      setProgress(null);
      setStoring(false);
      stop.current = null;
    }
  };
  const map = (change: Partial<ResultMapping>) => setMapping({ ...(read?.mapping ?? EMPTY), ...change });
  const needsOne = gpx || (read !== null && !read.mapping.fields.includes('swimmer'));
  return (
    <Screen title="Bring in a file" under="Results as CSV, or a track as GPX" back="/swimmers/results" maxWidth={900}>
      <View style={styles.row}>
        <Button mode="contained" icon="upload" onPress={() => void choose()}>
          Choose a file
        </Button>
        <Button mode="outlined" onPress={() => void device('lengths')}>
          Lengths of the simulated wrist device
        </Button>
        <Button mode="outlined" onPress={() => void device('track')}>
          Its track outside
        </Button>
      </View>
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      {progress !== null ? (
        <View style={styles.row} role="progressbar" aria-valuenow={Math.round(progress * 100)} aria-label="Progress">
          <View style={styles.flex}>
            <ProgressBar progress={progress} />
          </View>
          {storing ? <Button onPress={() => stop.current?.abort()}>Stop</Button> : null}
        </View>
      ) : null}
      {stored !== null ? (
        <Notice
          action={
            <Button mode="outlined" onPress={() => router.navigate('/swimmers/results' as Href)}>
              See them
            </Button>
          }
        >
          {`${stored.toLocaleString()} ${stored === 1 ? 'result is' : 'results are'} stored.`}
        </Notice>
      ) : null}
      {needsOne ? <WhoseFile swimmers={swimmers} chosen={one} onChoose={(swimmerId) => map({ swimmerId })} /> : null}
      {read && !gpx ? <Columns read={read} onMap={map} /> : null}
      {read && !gpx ? <Problems read={read} /> : null}
      {track ? (
        <Card title={opened?.name ?? ''}>
          <Text>{`${dayWord(track.on)}: ${track.distanceM} m in ${formatTime(track.timeS)}`}</Text>
        </Card>
      ) : null}
      {opened && results.length > 0 && stored === null ? (
        <Button mode="contained" disabled={progress !== null} onPress={() => void store()}>
          {`Store ${results.length.toLocaleString()} ${results.length === 1 ? 'result' : 'results'}`}
        </Button>
      ) : null}
    </Screen>
  );
}

/** What the simulated swimmer swims outside: wanders a little to the right, looks every twelve strokes. */
const OUTING = {
  biasRad: 0.015,
  sdRad: 0.035,
  lookEvery: 12,
  receiverSdM: 1.2,
  dropOuts: 0.05,
  silentS: 0,
  currentMps: 0,
  currentToDeg: 0,
};

const EMPTY: ResultMapping = { fields: [], dateOrder: 'ymd', unit: 'm', swimmerId: null };

/** Names of everybody, page by page. */
function useEverybody(): readonly KnownSwimmer[] {
  const { data, hasNextPage, isFetchingNextPage, fetchNextPage } = useSwimmersInfiniteQuery({ limit: 100 });
  useEffect(() => {
    if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [hasNextPage, isFetchingNextPage, fetchNextPage]);
  const pages = data?.pages;
  const known = useMemo(
    () => (pages ?? []).flatMap((p) => p.items).map((s) => ({ id: s.id, name: `${s.givenName} ${s.familyName}` })),
    [pages],
  );
  return known;
}

function WhoseFile({
  swimmers,
  chosen,
  onChoose,
}: {
  readonly swimmers: readonly KnownSwimmer[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
}) {
  const [search, setSearch] = useState('');
  const found = swimmers.filter((s) => s.name.toLowerCase().includes(search.toLowerCase())).slice(0, 12);
  const name = swimmers.find((s) => s.id === chosen)?.name;
  return (
    <Card title={name ? `All of it is of ${name}` : 'Whose file is it?'} strong={!name}>
      <Input label="Find a swimmer" value={search} onChangeText={setSearch} />
      <Choice
        label="All rows are of"
        options={found.map((s) => ({ value: s.id, label: s.name }))}
        chosen={chosen ? [chosen] : []}
        onPress={onChoose}
      />
    </Card>
  );
}

function Columns({
  read,
  onMap,
}: {
  readonly read: ReadResults;
  readonly onMap: (change: Partial<ResultMapping>) => void;
}) {
  const theme = useTheme();
  const { fields, dateOrder, unit } = read.mapping;
  if (read.columns.length === 0) return null;
  return (
    <Card title="What the columns mean">
      {read.columns.map((column, i) => (
        <View key={i} style={[styles.column, { borderTopColor: theme.own.line }]}>
          <Text variant="labelMedium">{`${column || `Column ${i + 1}`}: ${read.sample
            .slice(0, 3)
            .map((row) => row[i])
            .join(', ')}`}</Text>
          <Choice
            label={`${column || `Column ${i + 1}`} is`}
            options={RESULT_FIELDS.map((value) => ({ value, label: FIELD_WORD[value] }))}
            chosen={[fields[i] ?? 'ignore']}
            onPress={(field) =>
              onMap({
                fields: read.columns.map((_, k) =>
                  k === i ? field : fields[k] === field && field !== 'ignore' ? 'ignore' : (fields[k] ?? 'ignore'),
                ),
              })
            }
          />
        </View>
      ))}
      <Choice
        label="Dates are written"
        options={(['ymd', 'dmy', 'mdy'] as const).map((value) => ({ value, label: ORDER_WORD[value] }))}
        chosen={[dateOrder]}
        onPress={(value) => onMap({ dateOrder: value })}
      />
      <Choice
        label="Distances are in"
        options={[
          { value: 'm', label: 'Metres' },
          { value: 'yd', label: 'Yards' },
        ]}
        chosen={[unit]}
        onPress={(value) => onMap({ unit: value as 'm' | 'yd' })}
      />
    </Card>
  );
}

function Problems({ read }: { readonly read: ReadResults }) {
  const theme = useTheme();
  if (read.problems.length === 0) return <Notice>{`All ${read.rows.toLocaleString()} rows can be read.`}</Notice>;
  return (
    <Card
      title={
        read.badRows > 0
          ? `${read.badRows.toLocaleString()} of ${read.rows.toLocaleString()} rows cannot be read`
          : 'This cannot be read yet'
      }
    >
      <Text variant="bodySmall">Mend the file and choose it again, or store the others without these.</Text>
      {read.problems.slice(0, 20).map((p) => (
        <Text key={`${p.line} ${p.message}`} style={{ color: theme.colors.error }}>
          {`Line ${p.line}: ${p.message}`}
        </Text>
      ))}
      {read.problems.length > 20 ? <Text>{`and ${(read.badRows - 20).toLocaleString()} more`}</Text> : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginBottom: 12, alignItems: 'center' },
  flex: { flex: 1 },
  column: { borderTopWidth: 1, paddingTop: 8 },
});
