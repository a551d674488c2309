/** Replans everyone, in the background, with its progress and a way to stop. */
import type { JobView } from '@upwell/contract/race';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { api } from '@/api/api';
import { sentence } from '@/api/problem';
import { useAppDispatch } from '@/state/hooks';
import { Notice } from '@/ui/States';
import { useJobQuery, usePlanAllMutation, useStopJobMutation } from '../api';
import { counted } from '@upwell/core/words';

const ASK_MS = 700;
const goesOn = (job: JobView | undefined) => job?.state === 'waiting' || job?.state === 'running';

export function PlanAll({ today, old }: { readonly today: string; readonly old: number }) {
  const dispatch = useAppDispatch();
  const [plan, { data: begun, error, isLoading }] = usePlanAllMutation();
  const [stop] = useStopJobMutation();
  const [over, setOver] = useState<string | null>(null);
  const asking = begun !== undefined && over !== begun.id;
  const { data: now } = useJobQuery(begun?.id ?? '', {
    skip: begun === undefined,
    pollingInterval: asking ? ASK_MS : 0,
  });
  const job = now?.id === begun?.id ? now : begun;
  const ended = job !== undefined && !goesOn(job) ? job.id : null;
  useEffect(() => {
    if (ended) dispatch(api.util.invalidateTags(['Race', 'Deck']));
  }, [ended, dispatch]);
  if (ended && over !== ended) setOver(ended);
  return (
    <View style={styles.all}>
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {old > 0 && !goesOn(job) ? (
        <Text variant="bodySmall">{`${counted(old, 'plan is', 'plans are')} older than this week.`}</Text>
      ) : null}
      {job && goesOn(job) ? (
        <View style={styles.flex}>
          <ProgressBar
            progress={job.total > 0 ? job.done / job.total : 0}
            indeterminate={job.total === 0}
            accessibilityLabel={job.words}
          />
          <Text variant="bodySmall" aria-live="polite">
            {`${job.words}${job.total > 0 ? `: ${job.done} of ${job.total}` : ''}`}
          </Text>
        </View>
      ) : job ? (
        <Text variant="bodySmall" aria-live="polite">
          {job.words}
        </Text>
      ) : null}
      {job && goesOn(job) ? (
        <Button mode="outlined" onPress={() => void stop(job.id)}>
          Stop
        </Button>
      ) : (
        <Button mode="outlined" icon="repeat" disabled={isLoading} onPress={() => void plan(today)}>
          Replan everyone
        </Button>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { flexDirection: 'row', flexWrap: 'wrap', gap: 12, alignItems: 'center', marginBottom: 12 },
  flex: { flexGrow: 1, minWidth: 200, gap: 4 },
});
