/** Films a squad one after another, name by name; what was filmed waits on this device to be looked at. */
import type { SwimmerRow } from '@upwell/contract/swimmers';
import { mayBeFilmed } from '@upwell/core/swimmers';
import { counted, numberWord } from '@upwell/core/words';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useMeQuery } from '@/account';
import { useSquadsQuery, useSwimmerList, useSwimmerQuery, useSwimmers } from '@/swimmers';
import { useDraft } from '@/state/hooks';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { WayOn } from '@/ui/WayOn';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { useAwake } from '@/ui/useAwake';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { NoCamera } from '../camera';
import { FILM_VIEWS, keepFilms, type Film, type FilmView } from '../filmStore';
import { CameraPane } from '../parts/CameraPane';
import { FilmList } from '../parts/FilmList';
import { Names } from '../parts/Names';
import { record, type Recording } from '../record';
import { useSentClipsQuery } from '../sent/api';
import { AskCard } from '../sent/AskCard';
import { SentList } from '../sent/SentList';
import { useCamera } from '../useCamera';
import { useFilms } from '../useFilms';
import { LEAST_ROOM_S, roomSeconds, SOME_ROOM_S, VIEW_WORD } from '../words';

interface Day {
  readonly squadId: string | null;
  readonly view: FilmView;
}

const FRESH: Day = { squadId: null, view: 'side' };
const nameOf = ({ givenName, familyName }: SwimmerRow) => `${givenName} ${familyName}`;

export function FilmScreen() {
  const { swimmer } = useLocalSearchParams<{ swimmer?: string }>();
  const wide = useWide();
  const [day, setDay] = useDraft<Day>('film', FRESH);
  const { data: me } = useMeQuery();
  const { data: squads, error, refetch } = useSquadsQuery();
  const asked = useSwimmerQuery(swimmer ?? '', { skip: !swimmer }).data;
  const squadId = day.squadId ?? asked?.squadId ?? squads?.[0]?.id ?? null;
  const { swimmers: squad, settled } = useSwimmerList(squadId);
  const everybody = useSwimmers(swimmer && !asked ? null : undefined);
  const films = useFilms();
  // The queue stands under the names: it comes when they are there, so that nothing moves under a finger.
  const kept = (squads ?? error) && settled ? films : undefined;
  const sent = useSentClipsQuery();
  const waiting = (sent.data ?? []).filter((c) => c.sentAt !== null && c.answeredAt === null).length;
  const [chosenId, setChosen] = useState<string | null>(swimmer ?? null);
  const chosen = squad.find((s) => s.id === chosenId) ?? null;
  // Of names that are not loaded nothing is said: the clip table asks for the consent itself.
  const allowed = (id: string) => {
    const known = everybody.find((s) => s.id === id);
    return known === undefined || mayBeFilmed(known);
  };
  const filmed = new Map<string, Film>();
  for (const film of kept?.films ?? []) filmed.set(film.swimmerId, film);
  const next = () => {
    const from = squad.findIndex((s) => s.id === chosenId);
    const after = [...squad.slice(from + 1), ...squad.slice(0, Math.max(0, from))];
    setChosen(after.find((s) => mayBeFilmed(s) && !filmed.has(s.id))?.id ?? null);
  };
  return (
    <Screen
      title="Film"
      under={
        waiting > 0 ? `${counted(waiting, 'clip')} sent in, waiting for you` : 'Name by name; looked at afterwards'
      }
      back={swimmer ? `/swimmers/${swimmer}` : '/swimmers'}
    >
      {error && !squads ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!squads && !error ? <Loading label="Loading the squads" /> : null}
      {squads?.length === 0 ? (
        <Empty
          title="No squad yet"
          action={me?.role === 'head' ? <WayOn to="/swimmers/squads" label="Add squads" /> : null}
        >
          Add a squad and its swimmers first.
        </Empty>
      ) : null}
      {squads && squads.length > 1 ? (
        <Choice
          label="Squad"
          options={squads.map(({ id, name }) => ({ value: id, label: name }))}
          chosen={squadId ? [squadId] : []}
          onPress={(value) => setDay((now) => ({ ...now, squadId: value }))}
        />
      ) : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.camera : undefined}>
          {squads && squads.length > 0 ? (
            <Filming
              chosen={chosen}
              view={day.view}
              room={kept?.free === null || kept === undefined ? null : roomSeconds(kept.free)}
              onView={(view) => setDay((now) => ({ ...now, view }))}
              onFilmed={next}
            />
          ) : null}
          {wide && kept ? <FilmList kept={kept} allowed={allowed} /> : null}
          {wide ? <SentList /> : null}
        </View>
        <View style={wide ? styles.names : undefined}>
          <Names squad={squad} filmed={filmed} chosenId={chosen?.id ?? null} onChoose={setChosen} />
          {!wide && kept ? <FilmList kept={kept} allowed={allowed} /> : null}
          {wide ? null : <SentList />}
          {chosen && mayBeFilmed(chosen) && kept && !sent.isLoading ? (
            <AskCard key={chosen.id} swimmer={chosen} />
          ) : null}
        </View>
      </View>
    </Screen>
  );
}

interface FilmingProps {
  readonly chosen: SwimmerRow | null;
  readonly view: FilmView;
  /** Seconds that can be filmed; null where the browser does not say. */
  readonly room: number | null;
  readonly onView: (view: FilmView) => void;
  readonly onFilmed: () => void;
}

function Filming({ chosen, view, room, onView, onFilmed }: FilmingProps) {
  const router = useRouter();
  const theme = useTheme();
  const camera = useCamera();
  const { close } = camera;
  const [shot, setShot] = useState<{ readonly name: string; readonly seconds: number } | null>(null);
  const [said, setSaid] = useState<{ readonly text: string; readonly error: boolean } | null>(null);
  const recording = useRef<{ readonly of: Recording; readonly name: string } | null>(null);
  const filming = shot !== null;
  const refused = chosen !== null && !mayBeFilmed(chosen);
  useAwake(filming);
  const stop = async (why?: string) => {
    const now = recording.current;
    if (!now) return;
    recording.current = null;
    const film = await now.of.stop();
    setShot(null);
    const kept = film ? `${now.name}: ${numberWord(film.seconds)} s are kept.` : 'That was too short: nothing is kept.';
    setSaid({ text: why ? `${why} ${film ? kept : ''}`.trim() : kept, error: why !== undefined });
    if (film) onFilmed();
  };
  const begin = () => {
    if (!chosen || !camera.stream) return;
    setSaid(null);
    // Asked for once there is something to keep; it films either way.
    void keepFilms();
    try {
      const film = { id: v7(), swimmerId: chosen.id, name: nameOf(chosen), view, at: new Date().toISOString() };
      const { name } = film;
      const onSeconds = (seconds: number) => setShot((now) => now && { name, seconds });
      recording.current = { name, of: record(camera.stream, film, { onSeconds, onEnd: (why) => void stop(why) }) };
      setShot({ name, seconds: 0 });
    } catch (error) {
      if (!(error instanceof NoCamera)) throw error;
      setSaid({ text: error.message, error: true });
    }
  };
  // The lens shuts over somebody who may not be filmed.
  const shut = useEffectEvent(() => {
    void stop();
    close();
  });
  useEffect(() => {
    if (refused) shut();
  }, [refused]);
  const full = room !== null && room < LEAST_ROOM_S;
  const name = shot?.name ?? (chosen ? nameOf(chosen) : 'Choose who swims');
  return (
    <View>
      <CameraPane stream={camera.stream} label="What the camera sees">
        <View style={styles.over}>
          <Text variant="titleMedium" style={[styles.tag, { backgroundColor: theme.colors.surface }]}>
            {`${name}, ${VIEW_WORD[view]}`}
          </Text>
          {filming ? (
            <Text
              variant="titleMedium"
              role="timer"
              style={[styles.tag, { backgroundColor: theme.colors.error, color: theme.colors.onError }]}
            >
              {`${numberWord(Math.floor(shot.seconds))} s`}
            </Text>
          ) : null}
        </View>
        {camera.stream ? null : (
          <Button
            mode="contained"
            icon="video"
            contentStyle={styles.tall}
            disabled={!chosen || refused || camera.opening}
            onPress={() => void camera.open()}
          >
            {camera.opening ? 'Opening the camera…' : 'Open the camera'}
          </Button>
        )}
      </CameraPane>
      {camera.stream ? (
        <View style={styles.row}>
          <Button
            mode="contained"
            icon={filming ? 'stop' : 'record-circle-outline'}
            contentStyle={styles.tall}
            style={styles.flex}
            disabled={!filming && (!chosen || refused || full)}
            onPress={() => void (filming ? stop() : begin())}
          >
            {filming ? 'Stop and keep it' : chosen ? `Film ${chosen.givenName}` : 'Choose who swims'}
          </Button>
          {filming ? null : <Button onPress={close}>Shut the camera</Button>}
        </View>
      ) : null}
      {refused ? (
        <Notice
          tone="error"
          action={
            <Button mode="outlined" onPress={() => router.navigate(`/swimmers/${chosen.id}/edit` as Href)}>
              Note the consent
            </Button>
          }
        >
          {`${nameOf(chosen)} is under 18, or of unknown age, and the guardian has not agreed to clips: the camera stays shut.`}
        </Notice>
      ) : null}
      {camera.problem ? <Notice tone="error">{camera.problem}</Notice> : null}
      {said ? (
        <View aria-live="polite">
          <Notice tone={said.error ? 'error' : 'plain'}>{said.text}</Notice>
        </View>
      ) : null}
      {room !== null && room < SOME_ROOM_S ? (
        <Notice tone="error">
          {full
            ? 'This device is full: there is no room for a film. Delete films below first.'
            : `Room for ${counted(Math.floor(room / 10) * 10, 'second')} of film. Delete films below to film more.`}
        </Notice>
      ) : null}
      <Choice
        label="Filmed"
        options={FILM_VIEWS.map((value) => ({ value, label: VIEW_WORD[value] }))}
        chosen={[view]}
        onPress={(value) => {
          if (!filming) onView(value);
        }}
      />
      <Text variant="bodySmall" style={styles.note}>
        Film only where the pool allows it, and nobody else’s children. Sound is never recorded.
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  camera: { flex: 3 },
  names: { flex: 2 },
  over: { flexDirection: 'row', justifyContent: 'space-between', gap: 8 },
  tag: { paddingHorizontal: 10, paddingVertical: 4, borderRadius: 4, overflow: 'hidden' },
  row: { flexDirection: 'row', gap: 8, alignItems: 'center', marginVertical: 8 },
  flex: { flex: 1 },
  tall: { minHeight: 56 },
  note: { marginBottom: 12 },
});
