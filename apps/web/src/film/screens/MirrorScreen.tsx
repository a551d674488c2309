/** A mirror at the wall: what happened some seconds ago, so that swimmers see themselves while the coach goes on. */
import { numberWord } from '@upwell/core/words';
import { createElement, useEffect, useRef, useState, type CSSProperties } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Notice } from '@/ui/States';
import { useAwake } from '@/ui/useAwake';
import { useTheme } from '@/ui/useTheme';
import { useDraft } from '@/state/hooks';
import { NoCamera } from '../camera';
import { MIRROR_DELAYS, startMirror, type Mirror } from '../mirror';
import { useCamera } from '../useCamera';

const FIRST_DELAY_S = 10;
const WHOLE: CSSProperties = { width: '100%', height: '100%', objectFit: 'contain', display: 'block' };

/** Height of what stands over and under the picture. */
const BESIDE_PX = 290;

export function MirrorScreen() {
  const theme = useTheme();
  const camera = useCamera();
  const { stream } = camera;
  const [delay, setDelay] = useDraft<number>('mirror', FIRST_DELAY_S);
  const [wait, setWait] = useState(delay);
  const [problem, setProblem] = useState<string | null>(null);
  const video = useRef<HTMLVideoElement | null>(null);
  const pane = useRef<HTMLElement | null>(null);
  const mirror = useRef<Mirror | null>(null);
  const first = useRef(delay);
  useAwake(stream !== null);
  // The delay is chosen below it, on the same screen.
  const widest = Math.max(320, ((useWindowDimensions().height - BESIDE_PX) * 16) / 9);
  useEffect(() => {
    first.current = delay;
    mirror.current?.setDelay(delay);
  }, [delay]);
  useEffect(() => {
    if (!stream || !video.current) return;
    try {
      mirror.current = startMirror(stream, video.current, first.current, { onWait: setWait, onProblem: setProblem });
    } catch (error) {
      if (!(error instanceof NoCamera)) throw error;
      // In a turn of its own: it is the answer of the device, not of this drawing.
      queueMicrotask(() => setProblem(error.message));
      return;
    }
    return () => {
      mirror.current?.stop();
      mirror.current = null;
    };
  }, [stream]);
  return (
    <Screen
      title="Delayed mirror"
      under="At the wall: swim, turn round, see yourself"
      back="/deck"
      actions={
        stream ? (
          <>
            <Button mode="outlined" icon="fit-to-page-outline" onPress={() => void pane.current?.requestFullscreen()}>
              Whole screen
            </Button>
            <Button mode="outlined" icon="stop" onPress={camera.close}>
              Stop
            </Button>
          </>
        ) : null
      }
    >
      <View
        ref={(node) => {
          pane.current = node as unknown as HTMLElement | null;
        }}
        style={[styles.frame, { backgroundColor: theme.own.waterDeep, maxWidth: widest }]}
      >
        {createElement('video', {
          ref: video,
          muted: true,
          playsInline: true,
          'aria-label': `What the camera saw ${delay} seconds ago`,
          style: WHOLE,
        })}
        <View style={[StyleSheet.absoluteFill, styles.over]}>
          {stream ? (
            <Text variant="titleLarge" role="status" style={[styles.tag, { backgroundColor: theme.colors.surface }]}>
              {wait > 0 ? `First picture in ${numberWord(wait)} s` : `${numberWord(delay)} s ago`}
            </Text>
          ) : (
            <Button
              mode="contained"
              icon="video"
              contentStyle={styles.tall}
              disabled={camera.opening}
              onPress={() => {
                setProblem(null);
                setWait(delay);
                void camera.open();
              }}
            >
              {camera.opening ? 'Opening the camera…' : 'Open the mirror'}
            </Button>
          )}
        </View>
      </View>
      {camera.problem || problem ? <Notice tone="error">{camera.problem ?? problem ?? ''}</Notice> : null}
      <Choice
        label="Seconds ago"
        options={MIRROR_DELAYS.map((s) => ({ value: String(s), label: `${s} s` }))}
        chosen={[String(delay)]}
        onPress={(value) => setDelay(Number(value))}
      />
      <Text variant="bodySmall">
        Nothing is kept: what is older than a minute is gone. Put it where only those who swim in this lane are in the
        picture, and only where the pool allows it.
      </Text>
    </Screen>
  );
}

const styles = StyleSheet.create({
  frame: { width: '100%', aspectRatio: 16 / 9, borderRadius: 6, overflow: 'hidden', marginBottom: 8 },
  over: { padding: 10, alignItems: 'flex-start' },
  tag: { paddingHorizontal: 12, paddingVertical: 6, borderRadius: 4, overflow: 'hidden' },
  tall: { minHeight: 56 },
});
