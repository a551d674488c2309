/** A session of a series was changed: whether the others follow, as a whole or from here on, and the way back. */
import type { SeriesChanged } from '@upwell/contract/sessions';
import type { SeriesFields, SeriesScope } from '@upwell/core/sessions';
import { counted, plural } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';
import { useChangeSeriesMutation } from '../api';

interface SeriesOfferProps {
  readonly id: string;
  /** The session before it was saved, and as it was saved. */
  readonly before: SeriesFields;
  readonly after: SeriesFields;
  readonly onDone: () => void;
}

interface Done {
  readonly scope: SeriesScope;
  readonly said: string;
}

/** What became of the others, in words. */
export function seriesWords({ changed, keptSets, swum }: SeriesChanged): string {
  return [
    changed > 0 ? `${counted(changed, 'other session')} changed as well.` : 'No other session to change.',
    keptSets > 0 ? `${keptSets} of them ${plural(keptSets, 'keeps', 'keep')} the sets that were changed by hand.` : '',
    swum > 0 ? `${swum} ${plural(swum, 'was', 'were')} swum already and ${plural(swum, 'stays', 'stay')}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

const fieldsOf = ({ title, date, startTime, squadIds, courseId, plan }: SeriesFields): SeriesFields => ({
  ...{ title, date, startTime, squadIds, courseId, plan },
});

export function SeriesOffer({ id, before, after, onDone }: SeriesOfferProps) {
  const [change, { error, isLoading }] = useChangeSeriesMutation();
  const [done, setDone] = useState<Done | null>(null);
  // Sent again after a lost answer it is the same change.
  const [writeId, setWriteId] = useState(() => v7());
  const bring = async (scope: SeriesScope, from: SeriesFields, to: SeriesFields): Promise<SeriesChanged | null> => {
    const answer = await change({ id, body: { scope, before: fieldsOf(from), after: fieldsOf(to), writeId } });
    if ('error' in answer) return null;
    setWriteId(v7());
    return answer.data ?? null;
  };
  const follow = async (scope: SeriesScope) => {
    const changed = await bring(scope, before, after);
    if (changed) setDone({ scope, said: seriesWords(changed) });
  };
  const back = async ({ scope }: Done) => {
    if (await bring(scope, after, before)) onDone();
  };
  return (
    <Card title="One of a series" strong>
      <Text aria-live="polite">
        {done ? done.said : 'Saved for this session. Does the change apply to the others as well?'}
      </Text>
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <View style={styles.row}>
        {done ? (
          <>
            <Button mode="outlined" disabled={isLoading} onPress={() => void back(done)}>
              Undo for the others
            </Button>
            <Button onPress={onDone}>Done</Button>
          </>
        ) : (
          <>
            <Button mode="contained" disabled={isLoading} onPress={() => void follow('later')}>
              This and later ones
            </Button>
            <Button mode="outlined" disabled={isLoading} onPress={() => void follow('all')}>
              The whole series
            </Button>
            <Button onPress={onDone}>Only this one</Button>
          </>
        )}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 8 } });
