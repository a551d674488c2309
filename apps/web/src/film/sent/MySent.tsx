/** What a swimmer was asked to film: choose it, send it, hear what the coach says, delete it. */
import { LONGEST_SENT_S, SENT_DAYS, type SentClip } from '@upwell/contract/sent';
import { addDays, dayIn } from '@upwell/core/days';
import { dayWord, datedWord, numberWord } from '@upwell/core/words';
import { createElement, useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { useToday, useZone } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { chooseFile } from '@/ui/saveFile';
import { Slider } from '@/ui/Slider';
import { Notice } from '@/ui/States';
import { filmWork } from '@/worker';
import { VIEW_WORD } from '../words';
import { useRemoveSentMutation } from './api';
import { useSending } from './useSending';

const WHO = `Only your coaches see it. It is sent without sound, and deleted ${SENT_DAYS} days after the answer, or as soon as you delete it.`;

/** What is asked first, then what was answered, then what is on the way. */
const rank = ({ sentAt, answeredAt }: SentClip): number => (sentAt === null ? 0 : answeredAt === null ? 2 : 1);

export default function MySent({ clips }: { readonly clips: readonly SentClip[] }) {
  return [...clips].sort((a, b) => rank(a) - rank(b)).map((clip) => <MyClip key={clip.id} clip={clip} />);
}

function MyClip({ clip }: { readonly clip: SentClip }) {
  const today = useToday();
  const zone = useZone();
  const [remove] = useRemoveSentMutation();
  const day = (at: string) => dayIn(zone, Date.parse(at));
  if (clip.sentAt === null) return <Asked clip={clip} />;
  return (
    <Card
      title={clip.answeredAt ? 'Your coach about your clip' : 'Your clip is with your coach'}
      strong={clip.answeredAt !== null}
    >
      {clip.answeredAt ? (
        <>
          <Text variant="bodyLarge">{clip.words}</Text>
          {clip.voice ? (
            <View style={styles.top}>
              {createElement('audio', {
                controls: true,
                preload: 'none',
                'aria-label': 'Spoken answer of your coach',
                src: `/api/v1/sent-clips/${clip.id}/voice`,
                style: { width: '100%' },
              })}
            </View>
          ) : null}
          <Text variant="bodySmall" style={styles.top}>
            Pictures and the drill, where there are some, stand under “The one thing”.
          </Text>
        </>
      ) : null}
      <Text variant="bodySmall" style={styles.top}>
        {`“${clip.wish}”, ${VIEW_WORD[clip.view]}, sent ${datedWord(day(clip.sentAt), today)}. ${
          clip.answeredAt
            ? `It is deleted by itself on ${dayWord(addDays(day(clip.answeredAt), SENT_DAYS))}.`
            : `Only your coaches see it; it goes ${SENT_DAYS} days after the answer.`
        }`}
      </Text>
      <View style={[styles.row, styles.top]}>
        <HoldButton label="Delete my clip" onHeld={() => void remove(clip.id)} />
      </View>
    </Card>
  );
}

interface Chosen {
  readonly file: File;
  readonly address: string;
  readonly seconds: number;
}

function Asked({ clip }: { readonly clip: SentClip }) {
  const { way, kept, send, goOn, stop } = useSending(clip);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [fromS, setFromS] = useState(0);
  useEffect(() => () => void (chosen && URL.revokeObjectURL(chosen.address)), [chosen]);
  const choose = async () => {
    const file = await chooseFile('video/*');
    if (!file) return;
    setProblem(null);
    const seconds = file.size === 0 ? 0 : await filmWork().length(file);
    if (!seconds) {
      setProblem(
        seconds === null
          ? 'The pictures of this video cannot be read here. A video saved as MP4 or WebM can be.'
          : 'This file is empty: the recording was not saved. Choose another one.',
      );
      return;
    }
    setFromS(0);
    setChosen({ file, seconds, address: URL.createObjectURL(file) });
  };
  const long = chosen !== null && chosen.seconds > LONGEST_SENT_S;
  const busy = way.at === 'preparing' || way.at === 'sending';
  return (
    <Card title={`${clip.askedBy ? `${clip.askedBy} asks` : 'Your coach asks'} you for a clip`} strong>
      <Text variant="titleMedium">{`“${clip.wish}”`}</Text>
      <Text>{`Filmed ${VIEW_WORD[clip.view]}, at most ${LONGEST_SENT_S} s, by somebody beside you: never alone in the water, and only where filming is allowed.`}</Text>
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      {busy ? (
        <View style={styles.top} aria-live="polite">
          <Text>
            {way.at === 'preparing'
              ? `Making it ready: ${Math.round(100 * way.share)} %`
              : `Sending: ${Math.round(100 * way.share)} %`}
          </Text>
          <ProgressBar progress={way.share} style={styles.bar} aria-label="How far it is" />
          <Button compact onPress={stop}>
            Stop
          </Button>
        </View>
      ) : way.at === 'held' ? (
        <View aria-live="polite">
          <Notice tone="error">{way.why}</Notice>
          <View style={styles.row}>
            {kept ? (
              <Button mode="contained" onPress={goOn}>
                Send on now
              </Button>
            ) : null}
            <Button mode="outlined" onPress={() => void choose()}>
              Another video
            </Button>
          </View>
        </View>
      ) : chosen ? (
        <View style={styles.top}>
          {createElement('video', {
            src: `${chosen.address}#t=${fromS}`,
            key: fromS,
            controls: true,
            muted: true,
            playsInline: true,
            'aria-label': 'The video that you chose',
            style: { width: '100%', maxHeight: 320 },
          })}
          {long ? (
            <>
              <Text>{`It is ${numberWord(chosen.seconds)} s long. The ${LONGEST_SENT_S} s from ${numberWord(fromS)} s on are sent.`}</Text>
              <Slider
                label="Where the clip begins"
                value={fromS}
                min={0}
                max={Math.floor(chosen.seconds - LONGEST_SENT_S)}
                step={1}
                words={`${numberWord(fromS)} s`}
                onChange={setFromS}
              />
            </>
          ) : null}
          <View style={styles.row}>
            <Button
              mode="contained"
              icon="arrow-up"
              contentStyle={styles.tall}
              onPress={() => void send(chosen.file, fromS)}
            >
              {long ? `Send these ${LONGEST_SENT_S} s` : 'Send it'}
            </Button>
            <Button onPress={() => void choose()}>Another video</Button>
          </View>
        </View>
      ) : (
        <Button
          mode="contained"
          icon="video"
          contentStyle={styles.tall}
          style={styles.top}
          onPress={() => void choose()}
        >
          Film it, or choose a video
        </Button>
      )}
      <Text variant="bodySmall" style={styles.top}>
        {WHO}
      </Text>
    </Card>
  );
}

const styles = StyleSheet.create({
  top: { marginTop: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  tall: { minHeight: 50 },
  bar: { height: 8, borderRadius: 4, marginVertical: 8 },
});
