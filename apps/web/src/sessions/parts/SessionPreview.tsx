/** A session beside the list: its columns, and one level in words. */
import { placeWord } from '@upwell/core/sessions';
import { startWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Failure, Loading } from '@/ui/States';
import { useSessionQuery } from '../api';
import { LevelSheet } from './LevelSheet';
import { PlanWords } from './PlanWords';

export function SessionPreview({ id }: { readonly id: string }) {
  const router = useRouter();
  const { data: session, error, refetch } = useSessionQuery(id);
  const [selected, setSelected] = useState<string | null>(null);
  if (!session)
    return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Loading session" />;
  const { plan } = session;
  const group = plan.groups.find((g) => g.id === selected) ?? plan.groups[0];
  return (
    <View role="region" aria-label={`Session ${session.title}`} style={styles.all}>
      <Text variant="titleLarge" role="heading" aria-level={2}>
        {session.title}
      </Text>
      <Text variant="bodySmall">
        {`${session.template ? 'Template' : startWord(session)} · ${placeWord(plan)} · ${plan.minutes} min`}
      </Text>
      <View style={styles.row}>
        <Button mode="outlined" icon="pencil" onPress={() => router.navigate(`/sessions/${id}` as Href)}>
          Open it
        </Button>
        {session.template ? null : (
          <Button mode="outlined" icon="whistle" onPress={() => router.navigate(`/deck/${id}` as Href)}>
            Take to deck
          </Button>
        )}
      </View>
      <LevelSheet plan={plan} selected={group?.id ?? null} onSelect={setSelected} />
      {group ? <PlanWords plan={plan} group={group} startTime={session.startTime} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
