/** Up to three frames with their lines and a sentence each, for the hand-out: the face is covered with a press. */
import { LONGEST_SENTENCE, MOST_STILLS, type ClipLine, type ClipStill } from '@upwell/contract/clips';
import { counted, longDayWord, numberWord } from '@upwell/core/words';
import { dayIn } from '@upwell/core/days';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence as problemOf } from '@/api/problem';
import { useZone } from '@/state/hooks';
import { Check } from '@/ui/Check';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useStillsQuery, useTakeBackStillsMutation } from '../api';
import { makeStill, NoStill, type StillDraft } from './makeStill';

interface StillsPadProps {
  /** Where the video is; without it nothing can be made of it. */
  readonly address: string;
  readonly stills: readonly StillDraft[];
  readonly lines: readonly ClipLine[];
  readonly now: () => number;
  /** The clip as it is stored, when it is. */
  readonly clipId: string | null;
  readonly busy: boolean;
  readonly onChange: (stills: readonly StillDraft[]) => void;
  readonly onSend: (stills: readonly ClipStill[]) => void;
}

export default function StillsPad({ address, stills, lines, now, clipId, busy, onChange, onSend }: StillsPadProps) {
  const [agreed, setAgreed] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const change = (id: string, of: Partial<StillDraft>) =>
    onChange(stills.map((s) => (s.id === id ? { ...s, ...of } : s)));
  const send = async () => {
    setProblem(null);
    try {
      const made: ClipStill[] = [];
      for (const still of stills) {
        const { width, height, image } = await makeStill(address, still, lines);
        made.push({ timeS: still.timeS, sentence: still.sentence.trim(), width, height, image });
      }
      onSend(made);
    } catch (error) {
      if (!(error instanceof NoStill)) throw error;
      setProblem(error.message);
    }
  };
  const unsaid = stills.some((s) => s.sentence.trim() === '');
  return (
    <View style={styles.gap}>
      {clipId ? <Shown clipId={clipId} /> : null}
      <Text>Up to three frames go into the hand-out, with the lines drawn on them and a sentence each.</Text>
      {stills.map((still, i) => (
        <Still
          key={still.id}
          n={i + 1}
          address={address}
          still={still}
          lines={lines}
          onChange={(of) => change(still.id, of)}
          onRemove={() => onChange(stills.filter((s) => s.id !== still.id))}
        />
      ))}
      {stills.length < MOST_STILLS ? (
        <Button
          mode="outlined"
          icon="plus"
          style={styles.begin}
          onPress={() => onChange([...stills, { id: v7(), timeS: now(), sentence: '', cover: null }])}
        >
          Take the frame on the screen
        </Button>
      ) : null}
      {stills.length > 0 ? (
        <>
          <Check
            label="The swimmer, or the guardian of a child, agrees that these stills leave this device"
            on={agreed}
            onPress={() => setAgreed(!agreed)}
          />
          {problem ? <Notice tone="error">{problem}</Notice> : null}
          {unsaid ? <Text variant="bodySmall">Say one sentence for each: what is to be seen there?</Text> : null}
          <Button mode="contained" disabled={!agreed || unsaid || busy} onPress={() => void send()}>
            {busy ? 'Sending…' : `Keep it, with ${counted(stills.length, 'still')} in the hand-out`}
          </Button>
        </>
      ) : null}
    </View>
  );
}

/** What is in the hand-out now, and the way to take it back. */
function Shown({ clipId }: { readonly clipId: string }) {
  const zone = useZone();
  const { data } = useStillsQuery(clipId);
  const [takeBack, { isLoading, error }] = useTakeBackStillsMutation();
  if (error) return <Notice tone="error">{problemOf(error)}</Notice>;
  if (!data?.agreedAt) return null;
  const day = longDayWord(dayIn(zone, Date.parse(data.agreedAt)));
  return (
    <Notice
      action={
        <Button mode="outlined" disabled={isLoading} onPress={() => void takeBack(clipId)}>
          Take them back
        </Button>
      }
    >
      {`${counted(data.stills.length, 'still')} of this clip in the hand-out, agreed on ${day}. Taken back, they are gone everywhere.`}
    </Notice>
  );
}

interface StillProps {
  readonly n: number;
  readonly address: string;
  readonly still: StillDraft;
  readonly lines: readonly ClipLine[];
  readonly onChange: (of: Partial<StillDraft>) => void;
  readonly onRemove: () => void;
}

function Still({ n, address, still, lines, onChange, onRemove }: StillProps) {
  const theme = useTheme();
  const [picture, setPicture] = useState<string | null>(null);
  const { id, timeS, cover } = still;
  useEffect(() => {
    let gone = false;
    makeStill(address, { id, timeS, cover, sentence: '' }, lines).then(
      ({ image }) => {
        if (!gone) setPicture(`data:image/jpeg;base64,${image}`);
      },
      (error: unknown) => {
        if (!(error instanceof NoStill)) throw error;
      },
    );
    return () => {
      gone = true;
    };
  }, [address, id, timeS, cover, lines]);
  return (
    <View style={[styles.still, { borderColor: theme.own.line }]}>
      {picture ? (
        <button
          type="button"
          aria-label={`Cover the face in still ${n}: press on the face, or on Enter cover the middle`}
          style={{ padding: 0, border: 0, background: 'none', cursor: 'crosshair', display: 'block' }}
          onClick={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            // A key has no place.
            const keyed = event.detail === 0;
            const x = keyed ? 0.5 : (event.clientX - box.left) / box.width;
            const y = keyed ? 0.5 : (event.clientY - box.top) / box.height;
            onChange({ cover: { x, y } });
          }}
        >
          <img src={picture} alt="" style={{ width: '100%', display: 'block' }} />
        </button>
      ) : null}
      <View style={styles.row}>
        <Text variant="bodySmall" style={styles.flex}>
          {cover
            ? 'The face is covered: press elsewhere to move it.'
            : `At ${numberWord(timeS, 2)} s. Press on a face to cover it.`}
        </Text>
        {cover ? (
          <Button compact onPress={() => onChange({ cover: null })}>
            Uncover
          </Button>
        ) : null}
        <Button compact aria-label={`Remove still ${n}`} onPress={onRemove}>
          Remove
        </Button>
      </View>
      <Input
        label={`What still ${n} shows`}
        value={still.sentence}
        maxLength={LONGEST_SENTENCE}
        onChangeText={(sentence) => onChange({ sentence })}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 8, marginTop: 8 },
  begin: { alignSelf: 'flex-start' },
  still: { borderWidth: 1, borderRadius: 6, padding: 8, gap: 6, maxWidth: 480 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  flex: { flex: 1 },
});
