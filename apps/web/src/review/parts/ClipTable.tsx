/** The table itself: a video with its tools at one side, what they give at the other. */
import type { ClipStill, ClipView } from '@upwell/contract/clips';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { dayIn } from '@upwell/core/days';
import type { Tap } from '@upwell/core/measures';
import { measuredOnClip } from '@upwell/core/review';
import { counted } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { ways } from '@/state/history';
import { useDraft, useToday, useZone } from '@/state/hooks';
import { Input } from '@/ui/Input';
import { SaveProblem } from '@/ui/SaveProblem';
import { Screen } from '@/ui/Screen';
import { UndoButtons } from '@/ui/UndoButtons';
import { Notice } from '@/ui/States';
import { useWide } from '@/ui/useWide';
import { usePutStillsMutation, useSaveClipMutation } from '../api';
import {
  clipDraftOf,
  clipFieldsOf,
  newClipDraft,
  readingsOf,
  timingOf,
  redone,
  undone,
  withLine,
  withTap,
  type ClipDraft,
} from '../clip/clipDraft';
import { ClipRemoval } from '../clip/ClipRemoval';
import { ClipSource, useSource, type Source } from '../clip/ClipSource';
import { AimPad } from '../clip/AimPad';
import { Compare } from '../clip/Compare';
import { useLinePen } from '../clip/drawing';
import { TapPad } from '../clip/TapPad';
import { TimingCard } from '../clip/TimingCard';
import { Transport } from '../clip/Transport';
import { useClipKeys } from '../clip/useClipKeys';
import { useVideo } from '../clip/useVideo';
import { newReviewDraft, withMeasured, type ReviewDraft } from '../draft';
import { ClipFiles } from './ClipFiles';
import { ClipTools, type Tool } from './ClipTools';
import { MeasuredCard } from './MeasuredCard';

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
  const [help, setHelp] = useState(false);
  const [keptNow, setKeptNow] = useState(false);

  const { state } = video;
  const { timing, reason } = timingOf(draft);
  const readings = readingsOf(draft.lines, state.aspect);
  const measured = measuredOnClip(timing, Object.fromEntries(readings.map((r) => [r.kind, r.mean])));
  const name = `${swimmer.givenName} ${draft.recordedOn}`;

  const onTap = (tap: Pick<Tap, 'kind' | 'side'>) => setDraft((now) => withTap(now, { ...tap, timeS: video.now() }));
  const onHelp = () => setHelp((now) => !now);
  useClipKeys(video, onTap, onHelp);
  const pen = useLinePen(video, (kind, line) => setDraft((now) => withLine(now, kind, video.now(), line)));

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
        {tool === 'lines' ? <AimPad drawing={pen.drawing} aspect={state.aspect} half={pen.pending !== null} /> : null}
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
            <ClipTools
              source={source}
              video={video}
              draft={draft}
              setDraft={setDraft}
              pen={pen}
              tool={tool}
              onTool={setTool}
              onTap={onTap}
              help={help}
              onHelp={onHelp}
              onOther={() => setSource(null)}
              name={name}
              clipId={stored?.id ?? null}
              busy={isLoading || sending.isLoading}
              onSend={(stills) => void store(draft.version, stills)}
            />
          ) : null}
        </View>
        {source || waited || stored || !nothing ? (
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
            <ClipFiles name={name} measured={measured} taps={draft.taps} nothing={nothing} />
            {stored ? (
              <ClipRemoval
                clip={stored}
                onVersion={(version) => setDraft((now) => ({ ...now, version, writeId: v7() }))}
              />
            ) : null}
            {source && state.ready ? <Compare first={video} swimmerId={swimmer.id} /> : null}
          </View>
        ) : null}
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1 },
  below: { marginTop: 12 },
  tall: { minHeight: 50 },
});
