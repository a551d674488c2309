/** The table itself: a video with its tools at one side, what they give at the other. */
import type { ClipStill, ClipView } from '@upwell/contract/clips';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { dayIn } from '@upwell/core/days';
import { tapsCsv, valuesCsv } from '@upwell/core/formats';
import type { FramePoint, LineKind, Tap } from '@upwell/core/measures';
import { measuredOnClip, type MeasureId } from '@upwell/core/review';
import { counted } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { lazy, Suspense, useEffect, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { v7 } from 'uuid';
import { Choices } from '@/figure';
import { sentence } from '@/api/problem';
import { ways } from '@/state/history';
import { useDraft, useToday, useZone } from '@/state/hooks';
import { Input } from '@/ui/Input';
import { saveFile } from '@/ui/saveFile';
import { SaveProblem } from '@/ui/SaveProblem';
import { Screen } from '@/ui/Screen';
import { UndoButtons } from '@/ui/UndoButtons';
import { Loading, Notice } from '@/ui/States';
import { useWide } from '@/ui/useWide';
import { usePutStillsMutation, useSaveClipMutation } from '../api';
import {
  clipDraftOf,
  clipFieldsOf,
  newClipDraft,
  noted,
  readingsOf,
  timingOf,
  redone,
  undone,
  withLine,
  withoutTap,
  withEntries,
  withTap,
  type ClipDraft,
} from '../clip/clipDraft';
import { ClipRemoval } from '../clip/ClipRemoval';
import { ClipSource, useSource, type Source } from '../clip/ClipSource';
import { FindStrokes } from '../clip/FindStrokes';
import { AimPad } from '../clip/AimPad';
import { Compare } from '../clip/Compare';
import { useDrawing } from '../clip/drawing';
import { LinePad } from '../clip/LinePad';
import { TapKeys } from '../clip/TapKeys';
import { TAP_KEYS, TapLine, TapPad } from '../clip/TapPad';
import { TimingCard } from '../clip/TimingCard';
import { Transport } from '../clip/Transport';
import { useVideo } from '../clip/useVideo';
import { VideoPane } from '../clip/VideoPane';
import { newReviewDraft, withMeasured, type ReviewDraft } from '../draft';
import { MEASURE_NAME, MEASURE_UNIT, MeasuredCard } from './MeasuredCard';

const NotePad = lazy(() => import('../clip/NotePad'));
const StillsPad = lazy(() => import('../clip/StillsPad'));

/** A film that waited to be looked at, of this device or sent in, and how it is played. */
export interface Waited {
  readonly id: string;
  /** When it was filmed, ISO 8601. */
  readonly at: string;
  readonly source: Source;
  /** Stands above it: which of the queue it is. */
  readonly over?: ReactNode;
  /** Stands beside it: what is said to it. */
  readonly answer?: ReactNode;
  /** Called once it is kept. */
  readonly onKept?: () => Promise<void>;
}

const TOOLS = ['taps', 'lines', 'notes', 'stills'] as const;
type Tool = (typeof TOOLS)[number];
const TOOL_WORD: Readonly<Record<Tool, string>> = { taps: 'Taps', lines: 'Lines', notes: 'Notes', stills: 'Stills' };

interface TableProps {
  readonly swimmer: SwimmerPage;
  readonly kept: ClipView | null;
  readonly waited: Waited | null;
}

export function ClipTable({ swimmer, kept, waited }: TableProps) {
  const wide = useWide();
  const router = useRouter();
  const today = useToday();
  // As it was opened: it stays on the page when it is taken out.
  const [stored] = useState(kept);
  const zone = useZone();
  const filmedOn = waited ? dayIn(zone, Date.parse(waited.at)) : today;
  const [first] = useState(() => (stored ? clipDraftOf(stored) : newClipDraft(filmedOn)));
  const [draft, setDraft, dropDraft] = useDraft<ClipDraft>(
    `clip:${swimmer.id}:${stored?.id ?? waited?.id ?? 'new'}`,
    first,
  );
  const [, setReview] = useDraft<ReviewDraft>(`review:${swimmer.id}`, useState(newReviewDraft)[0]);
  const [save, { error, isLoading }] = useSaveClipMutation();
  const [putStills, sending] = usePutStillsMutation();
  const [source, setSource] = useSource(waited?.source ?? null);
  const video = useVideo(source?.address ?? null);
  const [tool, setTool] = useState<Tool>('taps');
  const [kind, setKind] = useState<LineKind>('trunk');
  const [pending, setPending] = useState<FramePoint | null>(null);
  const [help, setHelp] = useState(false);
  const [keptNow, setKeptNow] = useState(false);

  const { state } = video;
  const { timing, reason } = timingOf(draft);
  const readings = readingsOf(draft.lines, state.aspect);
  const measured = measuredOnClip(timing, Object.fromEntries(readings.map((r) => [r.kind, r.mean])));
  const name = `${swimmer.givenName} ${draft.recordedOn}`;

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.metaKey || event.ctrlKey || event.altKey || target.closest('input:not([type=range]), textarea')) return;
      const tap = TAP_KEYS[event.key.toLowerCase()];
      if (event.key === '?') setHelp((so) => !so);
      else if (!state.ready) return;
      else if (tap && !event.repeat) setDraft((now) => withTap(now, { ...tap, timeS: video.now() }));
      else if (event.key === ' ' && !target.closest('button, [role=button]')) video.toggle();
      else if (event.key === ',') video.step(-1);
      else if (event.key === '.') video.step(1);
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  });

  const onPoint = (point: FramePoint) => {
    video.pause();
    if (!pending) {
      setPending(point);
      return;
    }
    setPending(null);
    if (pending.x === point.x && pending.y === point.y) return;
    setDraft((now) => withLine(now, kind, video.now(), [pending, point]));
  };

  const store = async (version = draft.version, stills: readonly ClipStill[] = []) => {
    const body = { ...clipFieldsOf(draft, swimmer.id, state.durationS, state.aspect), version, writeId: draft.writeId };
    const result = await save({ id: draft.id, body });
    if (result.error) return;
    if (stills.length > 0) {
      // Its version is the stored one now: sent again it is the same clip.
      setDraft((now) => ({ ...now, version: result.data.version }));
      if ((await putStills({ id: draft.id, body: { stills, agreed: true } })).error) return;
    }
    await waited?.onKept?.();
    if (waited?.answer) {
      // An answer is still to be given: the clip stays on the table, as it is stored.
      setDraft((now) => ({ ...now, version: result.data.version, writeId: v7() }));
      setKeptNow(true);
      return;
    }
    dropDraft();
    router.navigate((waited ? '/swimmers/film' : `/swimmers/${swimmer.id}`) as Href);
  };
  const toReview = () => {
    setReview((now) => withMeasured(now, measured, swimmer.strokeModel));
    router.navigate(`/swimmers/${swimmer.id}/review` as Href);
  };
  const csv = () => {
    const rows = (Object.entries(measured) as [MeasureId, number][]).map(([id, value]) => ({
      name: MEASURE_NAME[id],
      value,
      unit: MEASURE_UNIT[id],
    }));
    // Two tables are two files: a spreadsheet reads one of each.
    saveFile(`${name}.csv`, 'text/csv', `\uFEFF${valuesCsv(rows)}\n`);
  };

  const drawing = useDrawing(onPoint);
  const onTap = (tap: Pick<Tap, 'kind' | 'side'>) => setDraft((now) => withTap(now, { ...tap, timeS: video.now() }));
  const taking =
    Object.keys(measured).length > 0 ? (
      <Button mode="contained" icon="arrow-right" contentStyle={styles.tall} onPress={toReview}>
        {`Take ${counted(Object.keys(measured).length, 'measure')} in the review`}
      </Button>
    ) : null;
  // On a phone what is pressed while looking stands where the thumb is.
  const thumb =
    source && !wide ? (
      <>
        {tool === 'taps' ? <TapPad onTap={onTap} /> : null}
        {tool === 'lines' ? <AimPad drawing={drawing} aspect={state.aspect} half={pending !== null} /> : null}
        <Transport video={video} withTime={false} />
      </>
    ) : null;
  const nothing = draft.taps.length + draft.lines.length + draft.notes.length === 0;
  return (
    <Screen
      title="Clip table"
      over={`${swimmer.givenName} ${swimmer.familyName}`}
      under={source?.name}
      back={waited ? '/swimmers/film' : `/swimmers/${swimmer.id}`}
      actions={
        <>
          <UndoButtons {...ways(draft)} undo={() => setDraft(undone)} redo={() => setDraft(redone)} />
          <Button mode="outlined" disabled={nothing || isLoading || !state.ready} onPress={() => void store()}>
            {isLoading ? 'Saving…' : 'Keep it'}
          </Button>
        </>
      }
      footer={thumb ?? taking}
    >
      {sending.error ? <Notice tone="error">{sentence(sending.error)}</Notice> : null}
      <SaveProblem<ClipView>
        error={error}
        name={({ title }) => `“${title}”`}
        keepMine={({ version }) => void store(version)}
        takeTheirs={(stored) => setDraft(clipDraftOf(stored))}
      />
      {waited?.over}
      {keptNow ? <Notice>Kept. What is left is the answer.</Notice> : null}
      {source ? null : (
        <ClipSource
          swimmerId={swimmer.id}
          title={draft.taps.length > 0 ? 'Your taps are still here. Choose the video again:' : 'Which clip?'}
          onChoose={setSource}
          onFilm={(film) => router.setParams({ film: film.id })}
        />
      )}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          {source ? (
            <>
              <VideoPane
                video={video}
                source={source.address}
                label={`Clip: ${source.name}`}
                lines={draft.lines}
                drawing={tool === 'lines' && state.ready ? drawing : null}
                controls={wide}
                pending={pending}
              />
              {state.error ? (
                <Notice
                  tone="error"
                  action={
                    <Button mode="outlined" onPress={() => setSource(null)}>
                      Choose another
                    </Button>
                  }
                >
                  {state.error}
                </Notice>
              ) : null}
              <View style={styles.tools}>
                <Choices
                  label="Tool"
                  options={TOOLS.map((value) => ({ value, word: TOOL_WORD[value], said: TOOL_WORD[value] }))}
                  value={tool}
                  onChange={(next) => {
                    setTool(next);
                    setPending(null);
                  }}
                />
                <Button compact onPress={() => setHelp(!help)}>
                  Keys
                </Button>
                <Button compact onPress={() => setSource(null)}>
                  Other clip
                </Button>
              </View>
              {help ? <TapKeys /> : null}
              {tool === 'taps' ? (
                <>
                  {wide ? <TapPad onTap={onTap} /> : null}
                  <TapLine
                    taps={draft.taps}
                    timeS={state.timeS}
                    durationS={state.durationS}
                    onSeek={video.seek}
                    onDrop={(index) => setDraft((now) => withoutTap(now, index))}
                  />
                </>
              ) : null}
              {tool === 'taps' && state.ready ? (
                <FindStrokes
                  key={source.address}
                  source={source}
                  durationS={state.durationS}
                  now={video.now}
                  onSeek={video.seek}
                  onTake={(entries) => setDraft((now) => withEntries(now, entries))}
                />
              ) : null}
              {tool === 'lines' ? (
                <LinePad
                  kind={kind}
                  onKind={(next) => {
                    setKind(next);
                    setPending(null);
                  }}
                  lines={draft.lines}
                  aspect={state.aspect}
                  half={pending !== null}
                  onClear={(cleared) =>
                    setDraft((now) => noted(now, { lines: now.lines.filter((l) => l.kind !== cleared) }))
                  }
                />
              ) : null}
              {tool === 'stills' && state.ready ? (
                <Suspense fallback={<Loading label="Opening the stills" />}>
                  <StillsPad
                    address={source.address}
                    stills={draft.stills ?? []}
                    lines={draft.lines}
                    now={video.now}
                    clipId={stored?.id ?? null}
                    busy={isLoading || sending.isLoading}
                    onChange={(stills) => setDraft((now) => noted(now, { stills }))}
                    onSend={(stills) => void store(draft.version, stills)}
                  />
                </Suspense>
              ) : null}
              {tool === 'notes' ? (
                <Suspense fallback={<Loading label="Opening the notes" />}>
                  <NotePad
                    notes={draft.notes}
                    now={video.now}
                    name={name}
                    onSeek={video.seek}
                    onChange={(notes) => setDraft((now) => noted(now, { notes }))}
                  />
                </Suspense>
              ) : null}
            </>
          ) : null}
        </View>
        <View style={wide ? styles.column : styles.below}>
          <TimingCard
            timing={timing}
            reason={reason}
            distance={draft.distance}
            onDistance={(distance) => setDraft((now) => ({ ...now, distance }))}
          />
          <MeasuredCard measured={measured} model={swimmer.strokeModel} />
          {thumb ? taking : null}
          {waited?.answer}
          <Input
            label="Name of the clip"
            value={draft.title}
            maxLength={80}
            onChangeText={(title) => setDraft((now) => ({ ...now, title }))}
          />
          <View style={styles.tools}>
            <Button compact disabled={nothing} onPress={csv}>
              Measures as CSV
            </Button>
            <Button
              compact
              disabled={draft.taps.length === 0}
              onPress={() => saveFile(`${name} taps.csv`, 'text/csv', `\uFEFF${tapsCsv(draft.taps)}\n`)}
            >
              Taps as CSV
            </Button>
          </View>
          {stored ? (
            <ClipRemoval
              clip={stored}
              onVersion={(version) => setDraft((now) => ({ ...now, version, writeId: v7() }))}
            />
          ) : null}
          {source && state.ready ? <Compare first={video} swimmerId={swimmer.id} /> : null}
        </View>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1 },
  below: { marginTop: 12 },
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 10 },
  tall: { minHeight: 50 },
});
