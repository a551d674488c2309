/** A file of results: what its columns mean, what would be stored, what is wrong by its line; then all of it or nothing. */
import { useAppSelector } from '@/state/hooks';
import { looksLikeTrack, type ReadResults, type ResultMapping } from '@upwell/core/exchange/shapes';
import type { ResultLine } from '@upwell/core/measures';
import { formatTime } from '@upwell/core/units';
import type { SwumSum } from '@upwell/core/water';
import { counted, dayWord, numberWord } from '@upwell/core/words';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { chooseFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Notice } from '@/ui/States';
import { compute, type SwumTrack } from '@/worker';
import { EarlierImports } from '../parts/EarlierImports';
import { Progress } from '../parts/ImportSteps';
import { ImportWay } from '../parts/ImportWay';
import { Columns, Problems, WhoseFile } from '../parts/ReadFile';
import { useEverybody } from '../useEverybody';
import { useImport } from '../useImport';

interface Opened {
  readonly name: string;
  /** Of a list; null for a track. */
  readonly text: string | null;
  /** Of a track; null for a list. */
  readonly bytes: Uint8Array | null;
}

/** Largest file that is opened, bytes. */
const LARGEST = 120_000_000;

export function ImportScreen() {
  const swimmers = useEverybody();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [mapping, setMapping] = useState<ResultMapping | null>(null);
  const [read, setRead] = useState<ReadResults | null>(null);
  const [tracks, setTracks] = useState<readonly SwumTrack[]>([]);
  const [at, setAt] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** Of a workbook: which sheet was read, and which were not. */
  const [sheets, setSheets] = useState<{ readonly read: string; readonly others: readonly string[] } | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  /** A large workbook takes seconds, and cannot say how many. */
  const [opening, setOpening] = useState(false);
  const imported = useImport();
  const { step } = imported;
  const place = useAppSelector((state) => state.place);
  const shown = tracks[at ?? -1] ?? null;
  const track = shown && 'ok' in shown.sum ? shown.sum.ok : null;
  const one = mapping?.swimmerId ?? read?.mapping.swimmerId ?? null;

  useEffect(() => {
    if (!opened || opened.text === null) return;
    const { text } = opened;
    let current = true;
    // What the worker says of its progress may come after its answer.
    let reading = true;
    const onProgress = proxy((share: number) => {
      if (current && reading) setProgress(share);
    });
    void compute()
      .readResults(text, mapping, swimmers, place, onProgress)
      .then((result) => {
        reading = false;
        if (!current) return;
        setProgress(null);
        setRead(result);
      });
    return () => {
      current = false;
    };
    // The same file again is another one: it is read again.
  }, [opened, mapping, swimmers, place]);

  useEffect(() => {
    if (!opened || opened.bytes === null) return;
    const { bytes } = opened;
    let current = true;
    void compute()
      .readSwum(bytes)
      .then((answer) => {
        if (!current) return;
        if ('refused' in answer) setProblem(answer.refused);
        else {
          setTracks(answer.ok);
          setAt(answer.ok.length === 1 ? 0 : null);
        }
      });
    return () => {
      current = false;
    };
  }, [opened]);

  const open = (file: Opened) => {
    setMapping(null);
    setRead(null);
    setTracks([]);
    setAt(null);
    setProblem(null);
    setSheets(null);
    imported.reset();
    setOpened(file);
  };
  const take = async (name: string, read: Uint8Array) => {
    if (looksLikeTrack(read)) open({ name, text: null, bytes: read });
    else {
      setOpening(true);
      const list = await compute()
        .listText(read)
        .finally(() => setOpening(false));
      if ('refused' in list) {
        open({ name, text: null, bytes: null });
        setProblem(list.refused);
      } else {
        open({ name, text: list.text, bytes: null });
        setSheets(list.sheet === undefined ? null : { read: list.sheet, others: list.others ?? [] });
      }
    }
  };
  const choose = async () => {
    const file = await chooseFile('.csv,.txt,.xlsx,.gpx,.tcx,.fit,text/csv,application/gpx+xml');
    if (!file) return;
    if (file.size > LARGEST) setProblem('This file is too large.');
    else await take(file.name, new Uint8Array(await file.arrayBuffer()));
  };
  const device = async (kind: 'lengths' | 'track') => {
    const worn = { seed: 7, startMs: Date.now() - 86_400_000, speedMps: 1.02, strokeLengthM: 0.92 };
    const file =
      kind === 'lengths'
        ? await compute().deviceLengthsCsv(worn, 25, 40)
        : await compute().deviceStraightGpx(worn, OUTING, 750);
    await take(kind === 'lengths' ? 'wrist-lengths.csv' : 'wrist-track.gpx', new TextEncoder().encode(file));
  };
  const results: readonly ResultLine[] = opened?.bytes
    ? track && one
      ? [resultOf(track, one)]
      : []
    : (read?.results ?? []);
  /** Before anything is sent; afterwards there is one thing to look at, and it is not the columns. */
  const ready = step.at === 'ready';
  const busy = opening || step.at === 'sending' || step.at === 'storing' || step.at === 'asking';
  const map = (change: Partial<ResultMapping>) => {
    imported.reset();
    setMapping({ ...(read?.mapping ?? EMPTY), ...change });
  };
  const named = read?.mapping.fields.some((field) => field === 'swimmer' || field === 'family') ?? true;
  const needsOne = track !== null || !named;
  return (
    <Screen
      title="Import a file"
      under="Results as CSV or XLSX, or a track as FIT, TCX or GPX"
      back="/swimmers/results"
      maxWidth={900}
    >
      <View style={styles.row}>
        <Button mode="contained" icon="upload" disabled={busy} onPress={() => void choose()}>
          Choose a file
        </Button>
        <Button mode="outlined" disabled={busy} onPress={() => void device('lengths')}>
          Lengths of the simulated wrist device
        </Button>
        <Button mode="outlined" disabled={busy} onPress={() => void device('track')}>
          Its track outside
        </Button>
      </View>
      {ready && needsOne ? (
        <WhoseFile swimmers={swimmers} chosen={one} onChoose={(swimmerId) => map({ swimmerId })} />
      ) : null}
      {ready && sheets ? (
        <Text>{`Sheet “${sheets.read}” is read.${sheets.others.length > 0 ? ` Not read: ${sheets.others.join(', ')}.` : ''}`}</Text>
      ) : null}
      {ready && read ? <Columns read={read} onMap={map} /> : null}
      {ready && read ? <Problems read={read} /> : null}
      {ready && tracks.length > 1 ? (
        <Choice
          label={`${counted(tracks.length, 'track')} in this file: which one is the result?`}
          options={tracks.map((one, i) => ({ value: String(i), label: trackWord(one, i) }))}
          chosen={at === null ? [] : [String(at)]}
          onPress={(value) => setAt(Number(value))}
        />
      ) : null}
      {ready && track ? (
        <Card title={shown!.name || (opened?.name ?? '')}>
          <Text>{`${dayWord(track.on)}: ${numberWord(track.distanceM)} m in ${formatTime(track.timeS)}`}</Text>
          {track.words.map((word) => (
            <Text key={word} variant="bodySmall">
              {word}
            </Text>
          ))}
        </Card>
      ) : null}
      {ready && shown && 'refused' in shown.sum ? <Notice tone="error">{shown.sum.refused}</Notice> : null}
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      {opening ? <Progress share={null} /> : null}
      {progress !== null ? <Progress share={progress} /> : null}
      <ImportWay imported={imported} />
      {opened && results.length > 0 && ready ? (
        <Button mode="contained" disabled={progress !== null} onPress={() => imported.send(opened.name, results)}>
          {`Store ${counted(results.length, 'result')}`}
        </Button>
      ) : null}
      <EarlierImports />
    </Screen>
  );
}

/** A track as the result that is stored of it. */
const resultOf = ({ on, distanceM, timeS }: SwumSum, swimmerId: string): ResultLine => ({
  ...{ swimmerId, on, distanceM: Math.round(distanceM), timeS },
  ...{ strokesPerLength: null, kind: 'track' },
});

const trackWord = ({ name, sum }: SwumTrack, index: number): string =>
  [
    name || `Track ${index + 1}`,
    'ok' in sum
      ? `${dayWord(sum.ok.on)}, ${numberWord(sum.ok.distanceM)} m in ${formatTime(sum.ok.timeS)}`
      : sum.refused,
  ].join(': ');

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

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginBottom: 12, alignItems: 'center' },
});
