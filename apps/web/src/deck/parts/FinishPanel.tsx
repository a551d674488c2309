/** Bring it to its end: shorten so that all are out in time, ask how hard it was, and keep what was swum. */
import { sessionFieldsOf } from '@upwell/contract/sessions';
import { cutsToFinish, cutWords, finishMs, headCount, swumPlan } from '@upwell/core/deck';
import type { SessionView } from '@upwell/contract/sessions';
import { comparePlans, groupTotals, totalWord } from '@upwell/core/sessions';
import { inPoolUnit } from '@upwell/core/units';
import { clockWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence, type ApiError } from '@/api/problem';
import { useSaveSessionMutation } from '@/sessions';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { Toggle } from '@/ui/Toggle';
import type { Run } from '../useRun';
import { useNow } from '../useNow';

interface FinishPanelProps {
  readonly run: Run;
  readonly session: SessionView;
  /** When everybody should be out, deck clock. */
  readonly endMs: number;
}

const RATINGS = Array.from({ length: 11 }, (_, i) => i);

export function FinishPanel({ run, session, endMs }: FinishPanelProps) {
  const router = useRouter();
  const { state, time, note } = run;
  const zone = session.timeZone;
  const now = useNow(time, 1000, state.endedMs === null);
  const [words, setWords] = useState('');
  const [save, { isLoading, error }] = useSaveSessionMutation();
  const [kept, setKept] = useState(false);
  const cuts = state.endedMs === null ? cutsToFinish(state, now, endMs) : [];
  const heads = headCount(state);
  const at = state.endedMs ?? now;
  const swum = swumPlan(session.plan, state, at);
  const compared = comparePlans(session.plan, swum);
  const groups = session.plan.groups.filter((g) => state.lanes.some((l) => l.groupId === g.id));

  const keep = async () => {
    const { id, version } = session;
    const fields = sessionFieldsOf(session);
    const done = { plan: swum, ratings: state.ratings, note: words };
    const result = await save({ id, body: { ...fields, done, version, writeId: v7() }, base: fields });
    if (!result.error) setKept(true);
  };
  return (
    <View style={styles.panel}>
      {state.endedMs === null ? (
        <Card title="Everyone out on time" strong>
          {state.lanes.map((lane) => {
            const out = finishMs(lane, now);
            const late = Math.round((out - endMs) / 60_000);
            return (
              <Text key={lane.id}>
                {`Lane ${lane.number}: out ${clockWord(out, zone)}${late > 0 ? `, ${late} min late` : ''}`}
              </Text>
            );
          })}
          {cuts.length > 0 ? (
            <>
              <Text variant="titleMedium" style={styles.gap}>
                {`To be out at ${clockWord(endMs, zone)}`}
              </Text>
              {cutWords(state, cuts, session.plan.pool).map((words) => (
                <Text key={words}>{words}</Text>
              ))}
              <Button
                mode="contained"
                style={styles.gap}
                onPress={() => cuts.forEach(({ lane, passage, to }) => note({ kind: 'reps', lane, passage, reps: to }))}
              >
                Shorten as shown
              </Button>
            </>
          ) : (
            <Text style={styles.gap}>Nothing needs to be shortened.</Text>
          )}
        </Card>
      ) : null}
      <Card title="How hard did it feel?">
        <Text variant="bodySmall">0 is rest, 10 is nothing left.</Text>
        {groups.map((g) => (
          <View key={g.id} role="group" aria-label={`${g.name}: how hard`} style={styles.gap}>
            <Text variant="labelMedium">{g.name}</Text>
            <View style={styles.row}>
              {RATINGS.map((value) => (
                <Toggle
                  key={value}
                  label={String(value)}
                  on={state.ratings[g.id] === value}
                  onPress={() => note({ kind: 'rating', group: g.id, value })}
                />
              ))}
            </View>
          </View>
        ))}
      </Card>
      {state.endedMs === null ? (
        <HoldButton label="Hold to end the session" onHeld={() => note({ kind: 'end' })} />
      ) : (
        <Card title="What was swum" strong>
          {heads.inWater.length > 0 ? (
            <Notice tone="error">{`${heads.inWater.length} were counted in and not out yet. Count heads first.`}</Notice>
          ) : null}
          {compared.map((d, i) => (
            <Text key={d.group}>
              {`${d.group}: ${inPoolUnit(session.plan.pool, d.doneM)} of ${totalWord(groupTotals(session.plan.groups[i]!, session.plan.pool), session.plan.pool)}, ${state.reps.filter((r) => state.lanes.some((l) => l.id === r.lane && l.groupId === session.plan.groups[i]!.id)).length} times taken`}
            </Text>
          ))}
          <Input
            label="What to remember"
            value={words}
            onChangeText={setWords}
            maxLength={1000}
            multiline
            style={styles.gap}
          />
          {error ? <Notice tone="error">{sentence(error as ApiError)}</Notice> : null}
          <View style={[styles.row, styles.gap]}>
            <Button mode="contained" icon="check" disabled={isLoading || kept} onPress={() => void keep()}>
              {kept ? 'Kept' : isLoading ? 'Keeping…' : 'Save what was swum'}
            </Button>
            {kept ? (
              <Button mode="outlined" onPress={() => router.navigate(`/sessions/${session.id}?pane=swum` as Href)}>
                Planned and swum
              </Button>
            ) : null}
          </View>
        </Card>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { padding: 16, gap: 4, width: '100%', maxWidth: 720, alignSelf: 'center' },
  gap: { marginTop: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
