/** What the coach says to a clip that was sent in: in words, and spoken if wanted. The hand-out goes with it. */
import { LONGEST_VOICE_S, type SentClip } from '@upwell/contract/sent';
import { createElement, useEffect, useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { fact, setFact } from '@/offline';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { useAnswerClipMutation } from './api';
import { NoVoice, soundOf, speak, type Speaking, type Voice } from './voice';

interface AnswerCardProps {
  readonly clip: SentClip;
  /** What can be said from the focus of the swimmer; empty without one. */
  readonly proposed: string;
  readonly onAnswered: () => void;
}

export function AnswerCard({ clip, proposed, onAnswered }: AnswerCardProps) {
  const key = `answer:${clip.id}`;
  const [words, setWords, drop] = useDraft<string>(key, clip.words || proposed);
  const [voice, setVoice] = useState<Voice | null>(null);
  const [speaking, setSpeaking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const running = useRef<Speaking | null>(null);
  const gone = useRef(false);
  const [answer, { error, isLoading }] = useAnswerClipMutation();
  useEffect(() => {
    let left = false;
    gone.current = false;
    void fact<Voice | null>(key).then((kept) => {
      if (!left && kept) setVoice(kept);
    });
    return () => {
      left = true;
      gone.current = true;
      void running.current?.stop();
    };
  }, [key]);
  const address = useMemo(() => (voice ? URL.createObjectURL(soundOf(voice)) : null), [voice]);
  useEffect(() => () => void (address && URL.revokeObjectURL(address)), [address]);
  const said = (now: Voice | null) => {
    setVoice(now);
    void setFact(key, now);
  };
  const stop = async () => {
    const now = running.current;
    running.current = null;
    if (now) said(await now.stop());
    setSpeaking(false);
  };
  const begin = async () => {
    setProblem(null);
    try {
      const begun = await speak(() => void stop());
      // Left while the microphone was being asked for: it is shut again.
      if (gone.current) {
        void begun.stop();
        return;
      }
      running.current = begun;
      setSpeaking(true);
    } catch (refused) {
      if (!(refused instanceof NoVoice)) throw refused;
      setProblem(refused.message);
    }
  };
  const send = async () => {
    if ((await answer({ id: clip.id, body: { words: words.trim(), voice } })).error) return;
    drop();
    await setFact(key, null);
    onAnswered();
  };
  return (
    <Card title={clip.answeredAt ? 'Answered; said again it takes the place' : `Answer ${clip.swimmerName}`} strong>
      <Text variant="bodySmall">
        {`Asked: “${clip.wish}”. The focus of the review, its drill, and stills with lines go along in the hand-out.`}
      </Text>
      <Input
        label="One thing, in your words"
        value={words}
        multiline
        maxLength={600}
        style={styles.gap}
        onChangeText={setWords}
      />
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      <View style={styles.row}>
        <Button
          mode={speaking ? 'contained' : 'outlined'}
          icon={speaking ? 'stop' : 'record-circle-outline'}
          onPress={() => void (speaking ? stop() : begin())}
        >
          {speaking ? 'Stop speaking' : voice ? 'Say it again' : `Say it, up to ${LONGEST_VOICE_S} s`}
        </Button>
        {voice && !speaking ? <Button onPress={() => said(null)}>Without the voice</Button> : null}
      </View>
      {address && !speaking
        ? createElement('audio', {
            controls: true,
            'aria-label': 'What you said',
            src: address,
            style: { width: '100%', marginTop: 8 },
          })
        : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <Button
        mode="contained"
        style={styles.gap}
        contentStyle={styles.tall}
        disabled={words.trim() === '' || isLoading || speaking}
        onPress={() => void send()}
      >
        {isLoading ? 'Sending…' : `Send the answer${voice ? ' with your voice' : ''}`}
      </Button>
    </Card>
  );
}

const styles = StyleSheet.create({
  gap: { marginTop: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 8 },
  tall: { minHeight: 50 },
});
