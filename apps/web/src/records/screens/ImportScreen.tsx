import type { ImportCheck, ImportView } from '@upwell/contract/records';
import type { KnownSwimmer, ReadResults, ResultLine, ResultMapping } from '@upwell/core/records';
import { formatTime } from '@upwell/core/units';
import { proxy } from 'comlink';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { api } from '@/api/api';
import { useAppDispatch } from '@/state/hooks';
import { useSwimmersInfiniteQuery } from '@/swimmers/api';
import { Card } from '@/ui/Card';
import { dayWord } from '@/ui/dates';
import { chooseFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Notice } from '@/ui/States';
import { compute } from '@/worker/compute';
import {
  forgetPending,
  forgetRows,
  ImportFailed,
  pendingImport,
  sendResults,
  storeResults,
  whatBecameOf,
  type ImportJob,
  type PendingImport,
} from '../importResults';
import { EarlierImports } from '../parts/EarlierImports';
import { Asking, KnownRows, Unheard } from '../parts/ImportSteps';
import { Columns, Problems, WhoseFile } from '../parts/ReadFile';

interface Opened {
  readonly name: string;
  readonly text: string;
}

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
  const [stored, setStored] = useState<ImportView | null>(null);
  const stop = useRef<AbortController | null>(null);
  const [storing, setStoring] = useState(false);
  const [check, setCheck] = useState<ImportCheck | null>(null);
  const [asking, setAsking] = useState(false);
  const [unheard, setUnheard] = useState<PendingImport | null>(null);
  /** One id for what is on the screen, until it is known what became of it. */
  const job = useRef<ImportJob | null>(null);
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
    setCheck(null);
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
  const ended = (done: ImportView) => {
    job.current = null;
    setUnheard(null);
    setStored(done);
    dispatch(api.util.invalidateTags(['Records', 'Swimmer', 'Race']));
  };
  /** Runs a step with its progress; what goes wrong is said, and what is not known is not claimed. */
  const step = async (work: (signal: AbortSignal) => Promise<void>, stopped: string) => {
    const mine = new AbortController();
    stop.current = mine;
    setProblem(null);
    setProgress(0);
    setStoring(true);
    try {
      await work(mine.signal);
    } catch (error) {
      if (error instanceof ImportFailed) setProblem(error.message);
      else if (mine.signal.aborted) setProblem(stopped);
      else throw error;
    } finally {
      setProgress(null);
      setStoring(false);
      setAsking(false);
      stop.current = null;
    }
  };
  const commit = (pending: PendingImport) =>
    step(
      async (signal) => ended(await storeResults(pending, () => setAsking(true), signal)),
      'It is not known whether the results were stored. Come back to this page and it is asked again.',
    );
  const send = () => {
    job.current = { id: v7(), name: opened?.name ?? '', results };
    const sent = job.current;
    let found: ImportCheck | null = null;
    void step(async (signal) => {
      found = await sendResults(sent, setProgress, signal);
    }, 'Stopped. Nothing was stored.').then(() => {
      if (!found) return;
      if (found.known > 0) setCheck(found);
      else void commit({ id: sent.id, name: sent.name, rows: found.rows, skipKnown: false });
    });
  };
  const decide = (skipKnown: boolean) => {
    const { id, name } = job.current!;
    const { rows } = check!;
    setCheck(null);
    void commit({ id, name, rows, skipKnown });
  };
  const storeNothing = () => {
    void forgetRows(job.current!.id);
    setCheck(null);
    setProblem('Nothing was stored.');
  };
  useEffect(() => {
    let current = true;
    // Asked to be stored on an earlier visit, and not heard of since.
    void pendingImport().then(async (pending) => {
      const done = pending ? await whatBecameOf(pending.id) : undefined;
      if (!current || !pending || done === undefined) return;
      if (done) await forgetPending();
      if (!current) return;
      if (done) setStored(done);
      else setUnheard(pending);
    });
    return () => {
      current = false;
      stop.current?.abort();
    };
  }, []);
  const map = (change: Partial<ResultMapping>) => {
    setCheck(null);
    setMapping({ ...(read?.mapping ?? EMPTY), ...change });
  };
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
      {progress !== null && !asking ? (
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
          {storedWords(stored)}
        </Notice>
      ) : null}
      {asking ? <Asking onStop={() => stop.current?.abort()} /> : null}
      {unheard && !storing ? (
        <Unheard
          pending={unheard}
          onStore={() => void commit(unheard)}
          onForget={() => {
            void forgetPending();
            void forgetRows(unheard.id);
            setUnheard(null);
          }}
        />
      ) : null}
      {check ? <KnownRows check={check} onStore={decide} onCancel={storeNothing} /> : null}
      {needsOne ? <WhoseFile swimmers={swimmers} chosen={one} onChoose={(swimmerId) => map({ swimmerId })} /> : null}
      {read && !gpx ? <Columns read={read} onMap={map} /> : null}
      {read && !gpx ? <Problems read={read} /> : null}
      {track ? (
        <Card title={opened?.name ?? ''}>
          <Text>{`${dayWord(track.on)}: ${track.distanceM} m in ${formatTime(track.timeS)}`}</Text>
        </Card>
      ) : null}
      {opened && results.length > 0 && stored === null && check === null ? (
        <Button mode="contained" disabled={progress !== null} onPress={send}>
          {`Store ${results.length.toLocaleString()} ${results.length === 1 ? 'result' : 'results'}`}
        </Button>
      ) : null}
      <EarlierImports />
    </Screen>
  );
}

function storedWords({ stored, rows, undoneAt }: ImportView): string {
  if (undoneAt) return 'This import was stored, and undone since.';
  const left = rows - stored;
  const known = left > 0 ? ` ${left.toLocaleString()} were here already and left as they are.` : '';
  return `${stored.toLocaleString()} ${stored === 1 ? 'result is' : 'results are'} stored.${known}`;
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

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginBottom: 12, alignItems: 'center' },
  flex: { flex: 1 },
});
