/** Finds hand entries in the pixels of a clip: they are proposals until the coach takes them. */
import { MOST_S, SHORTEST_S, type ProposedEntry } from '@upwell/core/find/shapes';
import { counted, numberWord } from '@upwell/core/words';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/States';
import { filmWork } from '@/worker';
import type { Source } from './ClipSource';

const VIEWS = [
  { value: 'side', label: 'from the side' },
  { value: 'front', label: 'from the front' },
] as const;
type Filmed = (typeof VIEWS)[number]['value'];

/** What an answer of the worker is. */
type Answer = Awaited<ReturnType<ReturnType<typeof filmWork>['find']>>;
type NotFound = Exclude<Extract<Answer, { readonly found: false }>['why'], 'stopped'>;

const WHY: Readonly<Record<NotFound, string>> = {
  'too-short': `Cannot see the strokes: this clip is too short. ${SHORTEST_S} s of swimming are the least.`,
  'no-rhythm': 'Cannot see the strokes: nothing in this clip comes back again and again.',
  'no-swimmer':
    'Cannot see the strokes: what moves here is not like a swimmer from this side. Glare, another view, a second swimmer or one who is small in the picture can be why.',
  'other-view':
    'Cannot see the strokes: this looks as if it was filmed from another side. Choose it above and look again.',
  unreadable: 'The pictures of this video cannot be read here. A clip saved as MP4 (H.264) or WebM can be.',
};

type Step =
  | { readonly at: 'ready' }
  | { readonly at: 'looking'; readonly share: number }
  | { readonly at: 'done'; readonly found: Answer };

const otherSide = ({ timeS, side }: ProposedEntry): ProposedEntry => ({
  timeS,
  side: side === 'left' ? 'right' : 'left',
});

interface FindStrokesProps {
  readonly source: Source;
  readonly durationS: number;
  /** The moment on the screen: a long clip is looked at from there. */
  readonly now: () => number;
  readonly onTake: (entries: readonly ProposedEntry[]) => void;
  readonly onSeek: (timeS: number) => void;
}

export function FindStrokes({ source, durationS, now, onTake, onSeek }: FindStrokesProps) {
  const [view, setView] = useState<Filmed>(source.view === 'front' ? 'front' : 'side');
  const [step, setStep] = useState<Step>({ at: 'ready' });
  const [swapped, setSwapped] = useState(false);
  const running = useRef<object | null>(null);
  const end = () => {
    if (running.current) void filmWork().stop();
    running.current = null;
  };
  useEffect(() => end, [source]);
  const long = durationS > MOST_S;
  const look = async () => {
    const mine = {};
    running.current = mine;
    // A last word on progress may come after the answer, or after a stop.
    const said = (share: number) => {
      if (running.current === mine) setStep({ at: 'looking', share });
    };
    said(0);
    const found = await filmWork().find(await source.film(), view, long ? now() : 0, proxy(said));
    if (running.current !== mine) return;
    running.current = null;
    setStep({ at: 'done', found });
  };
  const stop = () => {
    end();
    setStep({ at: 'ready' });
  };
  const done = step.at === 'done' ? step.found : null;
  const entries = done?.found ? done.entries.map((entry) => (swapped ? otherSide(entry) : entry)) : [];
  return (
    <Card title="Find the strokes">
      {step.at === 'looking' ? (
        <View
          style={styles.row}
          role="progressbar"
          aria-label="Looking for strokes"
          aria-valuenow={Math.round(step.share * 100)}
        >
          <View style={styles.flex}>
            <ProgressBar progress={step.share} />
          </View>
          <Button onPress={stop}>Stop</Button>
        </View>
      ) : (
        <>
          <Choice label="Filmed" options={VIEWS} chosen={[view]} onPress={setView} />
          <Button mode="outlined" style={styles.start} onPress={() => void look()}>
            {done ? 'Look again' : 'Look for hand entries'}
          </Button>
          {long ? (
            <Text variant="bodySmall">{`The ${MOST_S} s from the moment on the screen are looked at.`}</Text>
          ) : null}
        </>
      )}
      {done?.found === false && done.why !== 'stopped' ? <Notice>{WHY[done.why]}</Notice> : null}
      {done?.found ? (
        <View style={styles.found} aria-live="polite">
          <Text variant="titleMedium">
            {`${numberWord(done.strokesPerMin, 1)} strokes a minute, give or take ${numberWord(done.errorPerMin, 1)}`}
          </Text>
          <View style={styles.wrap} role="list" aria-label="Proposed entries">
            {entries.map(({ timeS, side }) => (
              <View key={timeS} role="listitem">
                <Button compact onPress={() => onSeek(timeS)}>
                  {`${side} ${numberWord(timeS, 2)} s`}
                </Button>
              </View>
            ))}
          </View>
          <Text variant="bodySmall">
            {`Proposals: press one to see its moment. ${view === 'side' ? 'From the side, which hand is which is a guess. ' : ''}Tried on simulated clips only. Once taken, each can be taken out like a tap.`}
          </Text>
          <View style={styles.wrap}>
            <Button
              mode="contained"
              onPress={() => {
                onTake(entries);
                setStep({ at: 'ready' });
              }}
            >
              {`Take ${counted(done.entries.length, 'entry', 'entries')} as taps`}
            </Button>
            <Button onPress={() => setSwapped(!swapped)}>Swap left and right</Button>
            <Button onPress={() => setStep({ at: 'ready' })}>Take none</Button>
          </View>
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  flex: { flex: 1 },
  wrap: { flexDirection: 'row', flexWrap: 'wrap', gap: 4, alignItems: 'center' },
  start: { alignSelf: 'flex-start', marginTop: 4 },
  found: { gap: 8, marginTop: 8 },
});
