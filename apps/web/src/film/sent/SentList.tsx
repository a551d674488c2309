/** Clips that were asked for and sent in: what waits for an answer first. */
import type { SentClip } from '@upwell/contract/sent';
import { SENT_DAYS } from '@upwell/contract/sent';
import { addDays, dayIn } from '@upwell/core/days';
import { counted, datedWord, dayWord, numberWord } from '@upwell/core/words';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useToday, useZone } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { Failure } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { bytesWord, VIEW_WORD } from '../words';
import { lookAtSent, useRemoveSentMutation, useSentClipsQuery } from './api';

export function SentList() {
  const { data, error, refetch } = useSentClipsQuery(undefined, { refetchOnMountOrArgChange: true });
  if (error && !data) return <Failure error={error} retry={() => void refetch()} />;
  if (!data || data.length === 0) return null;
  const waiting = data.filter((c) => c.sentAt !== null && c.answeredAt === null).length;
  return (
    <Card title={waiting > 0 ? `${counted(waiting, 'clip')} sent in, waiting for you` : 'Sent in by swimmers'}>
      <View role="list" aria-label="Clips sent in">
        {data.map((clip) => (
          <SentRow key={clip.id} clip={clip} />
        ))}
      </View>
    </Card>
  );
}

function SentRow({ clip }: { readonly clip: SentClip }) {
  const router = useRouter();
  const theme = useTheme();
  const today = useToday();
  const zone = useZone();
  const [remove] = useRemoveSentMutation();
  const day = (at: string) => dayIn(zone, Date.parse(at));
  const { sentAt, answeredAt, askedAt, seconds, bytes } = clip;
  const state =
    sentAt === null
      ? `asked ${datedWord(day(askedAt), today)}, not sent yet`
      : answeredAt === null
        ? `sent ${datedWord(day(sentAt), today)}`
        : `answered, goes by itself on ${dayWord(addDays(day(answeredAt), SENT_DAYS))}`;
  const facts = [
    VIEW_WORD[clip.view],
    ...(seconds ? [`${numberWord(seconds)} s`] : []),
    ...(bytes ? [bytesWord(bytes)] : []),
  ];
  return (
    <View role="listitem" style={[styles.row, { borderBottomColor: theme.own.line }]}>
      <View style={styles.flex}>
        <Text>{clip.swimmerName}</Text>
        <Text variant="bodySmall">{`“${clip.wish}” · ${facts.join(' · ')} · ${state}`}</Text>
      </View>
      {sentAt === null ? null : (
        <Button
          compact
          mode={answeredAt === null ? 'contained' : 'text'}
          accessibilityLabel={`${answeredAt === null ? 'Look' : 'Again'}: the clip of ${clip.swimmerName}`}
          onPress={() => router.navigate(lookAtSent(clip))}
        >
          {answeredAt === null ? 'Look' : 'Again'}
        </Button>
      )}
      <HoldButton label={sentAt === null ? 'Take back' : 'Delete'} onHeld={() => void remove(clip.id)} />
    </View>
  );
}

const styles = StyleSheet.create({
  row: {
    ...{ flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end', alignItems: 'center', gap: 8 },
    ...{ minHeight: 56, borderBottomWidth: 1, paddingVertical: 4 },
  },
  flex: { flexGrow: 1, flexShrink: 1, flexBasis: 240 },
});
