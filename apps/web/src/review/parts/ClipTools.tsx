/** The video with its tools: taps, lines, notes and stills, each with what it has given. */
import type { ClipStill } from '@upwell/contract/clips';
import type { Tap } from '@upwell/core/measures';
import { lazy, Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { Choices } from '@/figure';
import { Loading, Notice } from '@/ui/States';
import { useWide } from '@/ui/useWide';
import { noted, withEntries, withoutTap, type ClipDraft } from '../clip/clipDraft';
import type { Source } from '../clip/ClipSource';
import type { LinePen } from '../clip/drawing';
import { FindStrokes } from '../clip/FindStrokes';
import { LinePad } from '../clip/LinePad';
import { TapKeys } from '../clip/TapKeys';
import { TapLine, TapPad } from '../clip/TapPad';
import type { Video } from '../clip/useVideo';
import { VideoPane } from '../clip/VideoPane';

const NotePad = lazy(() => import('../clip/NotePad'));
const StillsPad = lazy(() => import('../clip/StillsPad'));

const TOOLS = ['taps', 'lines', 'notes', 'stills'] as const;
export type Tool = (typeof TOOLS)[number];
const TOOL_WORD: Readonly<Record<Tool, string>> = { taps: 'Taps', lines: 'Lines', notes: 'Notes', stills: 'Stills' };

interface ClipToolsProps {
  readonly source: Source;
  readonly video: Video;
  readonly draft: ClipDraft;
  readonly setDraft: (change: (now: ClipDraft) => ClipDraft) => void;
  readonly pen: LinePen;
  readonly tool: Tool;
  readonly onTool: (tool: Tool) => void;
  readonly onTap: (tap: Pick<Tap, 'kind' | 'side'>) => void;
  /** Whether the keys are listed. */
  readonly help: boolean;
  readonly onHelp: () => void;
  /** Another video is to be chosen. */
  readonly onOther: () => void;
  /** Of files with notes. */
  readonly name: string;
  /** Null as long as it is not kept. */
  readonly clipId: string | null;
  readonly busy: boolean;
  readonly onSend: (stills: readonly ClipStill[]) => void;
}

export function ClipTools(props: ClipToolsProps) {
  const { source, video, draft, setDraft, pen, tool, onTool, onTap, help, onHelp, onOther } = props;
  const { name, clipId, busy, onSend } = props;
  const wide = useWide();
  const { state } = video;
  return (
    <>
      <VideoPane
        video={video}
        source={source.address}
        label={`Clip: ${source.name}`}
        lines={draft.lines}
        drawing={tool === 'lines' && state.ready ? pen.drawing : null}
        controls={wide}
        pending={pen.pending}
      />
      {state.error ? (
        <Notice
          tone="error"
          action={
            <Button mode="outlined" onPress={onOther}>
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
            onTool(next);
            pen.lift();
          }}
        />
        <Button compact onPress={onHelp}>
          Keys
        </Button>
        <Button compact onPress={onOther}>
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
          kind={pen.kind}
          onKind={pen.choose}
          lines={draft.lines}
          aspect={state.aspect}
          half={pen.pending !== null}
          onClear={(cleared) => setDraft((now) => noted(now, { lines: now.lines.filter((l) => l.kind !== cleared) }))}
        />
      ) : null}
      {tool === 'stills' && state.ready ? (
        <Suspense fallback={<Loading label="Opening the stills" />}>
          <StillsPad
            address={source.address}
            stills={draft.stills ?? []}
            lines={draft.lines}
            now={video.now}
            clipId={clipId}
            busy={busy}
            onChange={(stills) => setDraft((now) => noted(now, { stills }))}
            onSend={onSend}
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
  );
}

const styles = StyleSheet.create({
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 10 },
});
