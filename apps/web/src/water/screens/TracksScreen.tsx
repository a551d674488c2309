// Tracks that were swum on a course, and what they say.
import { formatTime } from '@upwell/core/units';
import type { CleanTrack, TrackHabits } from '@upwell/core/water';
import { counted, dayWord, momentWord, numberWord } from '@upwell/core/words';
import type { CourseView, KeptPoint, TrackRow } from '@upwell/contract/water';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useMeQuery } from '@/account';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { HoldButton } from '@/ui/HoldButton';
import { chooseFile, saveFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { compute, type SwumTrack } from '@/worker';
import { useCourseQuery } from '@/courses';
import { useRemoveTrackMutation, useSaveTrackMutation, useTrackQuery, useTracksQuery } from '../api';
import { FindSwimmer } from '../parts/FindSwimmer';
import { furtherWord, TrackSheet } from '../parts/TrackSheet';
import { useMeasured } from '../useMeasured';

export function TracksScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: course, error, refetch } = useCourseQuery(id);
  if (course) return <Tracks view={course} />;
  return (
    <Screen title="Swum here" back={`/water/${id}`}>
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the course" />}
    </Screen>
  );
}

const FIRST_HABITS: TrackHabits = { every: 8, rateSpm: 60, currentMps: 0, currentToDeg: 0 };
/** Largest file that is opened, bytes. */
const LARGEST = 120_000_000;

/** A simulated swimmer: drifts to the right and looks too seldom. */
const DEMO_SWIM = {
  worn: { seed: 11, speedMps: 1.1, strokeLengthM: 1.05 },
  outing: {
    ...{ biasRad: 0.03, sdRad: 0.045, lookEvery: 14, receiverSdM: 0.8, dropOuts: 0.05, silentS: 20 },
    ...{ currentMps: 0, currentToDeg: 0 },
  },
};

/** Swims of this course: brought in, laid over it, and what they tell of the swimmer. */
function Tracks({ view }: { readonly view: CourseView }) {
  const router = useRouter();
  const { data: me } = useMeQuery();
  const { data: rows, error } = useTracksQuery({ of: 'courses', id: view.id });
  const params = useLocalSearchParams<{ track?: string }>();
  const [opened, setOpened] = useState<CleanTrack | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const [several, setSeveral] = useState<readonly SwumTrack[]>([]);
  const coach = me?.role !== 'swimmer';

  const take = ({ track }: SwumTrack) => {
    setSeveral([]);
    setOpened('ok' in track ? track.ok : null);
    setProblem('refused' in track ? track.refused : null);
  };
  const open = async (file: () => Promise<ArrayBuffer>) => {
    setReading(true);
    setProblem(null);
    setSeveral([]);
    setOpened(null);
    router.setParams({ track: undefined } as never);
    const read = await compute().readSwum(new Uint8Array(await file()));
    setReading(false);
    if ('refused' in read) setProblem(read.refused);
    else if (read.ok.length === 1) take(read.ok[0]!);
    else setSeveral(read.ok);
  };
  const bringIn = async () => {
    const file = await chooseFile('.fit,.tcx,.gpx,.csv,application/gpx+xml,text/csv');
    if (!file) return;
    if (file.size > LARGEST) setProblem('This file is too large.');
    else await open(() => file.arrayBuffer());
  };
  const simulate = () =>
    open(async () => {
      const worn = { ...DEMO_SWIM.worn, startMs: Date.now() - 86_400_000 };
      const text = await compute().deviceTrackGpx(worn, DEMO_SWIM.outing, view.course);
      return new TextEncoder().encode(text).buffer;
    });

  return (
    <Screen
      title="Swum here"
      over={view.name}
      under="A track from a watch or phone, laid over the course."
      back={`/water/${view.id}`}
      actions={
        coach ? (
          <>
            <Button mode="outlined" onPress={() => void simulate()}>
              A simulated swim
            </Button>
            <Button mode="contained" icon="upload" onPress={() => void bringIn()}>
              Import a track
            </Button>
          </>
        ) : null
      }
    >
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      {reading ? <Loading label="Reading the track" /> : null}
      {several.length > 0 ? (
        <Card title={`${counted(several.length, 'track')} in this file: which one was swum here?`}>
          {several.map((one, i) => (
            <Button key={i} mode="outlined" style={styles.one} onPress={() => take(one)}>
              {trackWord(one, i, view.timeZone)}
            </Button>
          ))}
        </Card>
      ) : null}
      {opened && !params.track ? (
        <Fresh key={opened.points[0]!.timeMs} view={view} track={opened} onDone={() => setOpened(null)} />
      ) : null}
      {params.track ? <Kept key={params.track} id={params.track} /> : null}
      {error && !rows ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {rows && rows.length > 0 ? (
        <Card title="Kept">
          <View role="list">
            {rows.map((row) => (
              <Row
                key={row.id}
                row={row}
                on={row.id === params.track}
                onPress={() => router.setParams({ track: row.id } as never)}
              />
            ))}
          </View>
        </Card>
      ) : null}
      {rows && rows.length === 0 && !opened && !reading ? (
        <Empty title="No swims yet">
          Import a FIT, TCX, GPX or CSV file from a watch to see metres swum against the course, where the swimmer left
          the line, and the drift between looks.
        </Empty>
      ) : null}
    </Screen>
  );
}

/** A track of a file in a line: its name, its moment by the clock of the course, and its length. */
function trackWord({ name, startMs, sum }: SwumTrack, index: number, zone: string): string {
  const when = startMs === null ? [] : [momentWord(startMs, zone)];
  const far = 'ok' in sum ? `${numberWord(Math.round(sum.ok.distanceM))} m` : sum.refused;
  return [name || `Track ${index + 1}`, ...when, far].join(' · ');
}

function Row({ row, on, onPress }: { readonly row: TrackRow; readonly on: boolean; readonly onPress: () => void }) {
  const theme = useTheme();
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-pressed={on}
        onPress={onPress}
        style={[
          styles.line,
          { borderBottomColor: theme.own.line, backgroundColor: on ? theme.own.sand : 'transparent' },
        ]}
      >
        <View style={styles.flex}>
          <Text variant="titleMedium">{row.name}</Text>
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {`${dayWord(row.on)} · ${Math.round(row.swumM)} m for ${Math.round(row.courseM)}`}
          </Text>
        </View>
        <View style={styles.right}>
          <Text style={styles.time}>{formatTime(row.timeS)}</Text>
          <Text variant="bodySmall">{furtherWord(row)}</Text>
        </View>
      </Pressable>
    </View>
  );
}

/** A track that was just brought in: how it was swum is asked, then it is kept with its swimmer. */
function Fresh({
  view,
  track,
  onDone,
}: {
  readonly view: CourseView;
  readonly track: CleanTrack;
  readonly onDone: () => void;
}) {
  const [habits, setHabits] = useState(FIRST_HABITS);
  const [whose, setWhose] = useState<{ id: string; name: string } | null>(null);
  const [asking, setAsking] = useState(false);
  const [save, { error, isLoading }] = useSaveTrackMutation();
  const [id] = useState(() => v7());
  const answer = useMeasured(track, view.course, habits);
  const keep = async () => {
    const points = track.points.map(({ lat, lon, timeMs }): KeptPoint => [lat, lon, timeMs]);
    const body = { courseId: view.id, swimmerId: whose!.id, habits, points };
    if (!('error' in (await save({ id, body })))) onDone();
  };
  const change = (to: Partial<TrackHabits>) => setHabits({ ...habits, ...to });
  if (!answer) return <Loading label="Laying it over the course" />;
  if ('refused' in answer) return <Notice tone="error">{answer.refused}</Notice>;
  return (
    <View style={styles.gap}>
      <TrackSheet view={view} measured={answer.ok} habits={answer.habits} />
      <View style={styles.row}>
        <Stepper
          label="strokes between looks"
          value={String(habits.every)}
          onLess={habits.every > 2 ? () => change({ every: habits.every - 1 }) : null}
          onMore={habits.every < 40 ? () => change({ every: habits.every + 1 }) : null}
        />
        <Stepper
          label="strokes a minute"
          value={String(habits.rateSpm)}
          onLess={habits.rateSpm > 30 ? () => change({ rateSpm: habits.rateSpm - 2 }) : null}
          onMore={habits.rateSpm < 110 ? () => change({ rateSpm: habits.rateSpm + 2 }) : null}
        />
      </View>
      <Disclosure
        label={whose ? `Swum by ${whose.name}` : 'Who swam it?'}
        open={asking}
        onPress={() => setAsking(!asking)}
      />
      {asking ? (
        <FindSwimmer
          chosen={whose?.id ?? null}
          onChoose={(swimmer, name) => {
            setWhose({ id: swimmer, name });
            setAsking(false);
          }}
        />
      ) : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <View style={styles.row}>
        <Button mode="contained" disabled={!whose || isLoading} onPress={() => void keep()}>
          {whose ? `Keep it for ${whose.name}` : 'Keep it'}
        </Button>
        <Button onPress={onDone}>Discard it</Button>
      </View>
    </View>
  );
}

/** A track that is kept, over the course as it was then. */
function Kept({ id }: { readonly id: string }) {
  const router = useRouter();
  const { data: me } = useMeQuery();
  const { data: track, error, refetch } = useTrackQuery(id);
  const [remove] = useRemoveTrackMutation();
  const answer = useMeasured(track?.points ?? null, track?.course ?? null, track?.habits ?? FIRST_HABITS);
  if (!track)
    return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the track" />;
  if (!answer) return <Loading label="Laying it over the course" />;
  if ('refused' in answer) return <Notice tone="error">{answer.refused}</Notice>;
  return (
    <View style={styles.gap}>
      <Text variant="titleLarge" role="heading" aria-level={2}>{`${track.name}, ${dayWord(track.on)}`}</Text>
      <TrackSheet
        view={{ id, name: track.courseName, course: track.course }}
        measured={answer.ok}
        habits={answer.habits}
      />
      <Button
        icon="download"
        style={styles.left}
        onPress={() =>
          void compute()
            .keptTrackGpx(`${track.courseName}, ${track.on}`, track.points)
            .then((gpx) => saveFile(`swum-${track.on}.gpx`, 'application/gpx+xml', gpx))
        }
      >
        Save as GPX
      </Button>
      {me?.role === 'swimmer' ? null : (
        <HoldButton
          label="Hold to delete it"
          onHeld={() => {
            void remove(id);
            router.setParams({ track: undefined } as never);
          }}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 12, marginBottom: 20 },
  one: { alignSelf: 'flex-start', marginBottom: 8 },
  left: { alignSelf: 'flex-start' },
  flex: { flex: 1 },
  right: { alignItems: 'flex-end' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  time: { fontFamily: 'Atkinson Bold', fontSize: 20, lineHeight: 26, fontVariant: ['tabular-nums'] },
  line: {
    minHeight: 60,
    paddingVertical: 8,
    paddingHorizontal: 6,
    flexDirection: 'row',
    gap: 12,
    borderBottomWidth: 1,
  },
});
