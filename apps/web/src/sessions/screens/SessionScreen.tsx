import type { SessionView } from '@upwell/contract/sessions';
import { CAUSES } from '@upwell/core/review';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { useMeQuery } from '@/account/api';
import { sentence, storedNow } from '@/api/problem';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { dayWord } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useWide } from '@/ui/useWide';
import { useSaveSessionMutation, useSessionQuery } from '../api';
import { draftOf, redone, undone, withPlan, type SessionDraft } from '../draft';
import { GroupEditor } from '../parts/GroupEditor';
import { LevelSheet } from '../parts/LevelSheet';
import { PlanTruth } from '../parts/PlanTruth';

export function SessionScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: session, error, refetch } = useSessionQuery(id);
  if (session) return <Session key={session.id} stored={session} />;
  return (
    <Screen title="Session" back="/sessions">
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Loading session" />}
    </Screen>
  );
}

function Session({ stored }: { readonly stored: SessionView }) {
  const router = useRouter();
  const wide = useWide();
  const { data: me } = useMeQuery();
  const clean = useMemo(() => draftOf(stored), [stored]);
  const [draft, setDraft, dropDraft] = useDraft<SessionDraft>(`session:${stored.id}`, clean);
  const [selected, setSelected] = useState<string | null>(stored.plan.groups[0]?.id ?? null);
  const [save, { error, isLoading }] = useSaveSessionMutation();
  const { fields } = draft;
  const { plan } = fields;
  const changed = draft !== clean;
  const coach = me?.role !== 'swimmer';
  const group = plan.groups.find((g) => g.id === selected);
  const newer = error ? storedNow<SessionView>(error) : null;

  const write = async (version = draft.version): Promise<void> => {
    const result = await save({ id: stored.id, body: { ...fields, version, writeId: draft.writeId } });
    if (!('error' in result && result.error)) dropDraft();
  };

  return (
    <Screen
      title={fields.title}
      over={`${dayWord(fields.date)} ${fields.startTime} · ${plan.pool.length % 1 === 0 ? plan.pool.length : plan.pool.length.toFixed(2)} ${plan.pool.unit} pool · ${plan.minutes} min`}
      under={`Theme: ${CAUSES[plan.theme].name}`}
      back="/sessions"
      actions={
        <>
          {coach ? (
            <>
              <IconButton
                icon="undo"
                accessibilityLabel="Undo"
                disabled={draft.past.length === 0}
                onPress={() => setDraft(undone)}
              />
              <IconButton
                icon="redo"
                accessibilityLabel="Redo"
                disabled={draft.future.length === 0}
                onPress={() => setDraft(redone)}
              />
              <Button
                mode={changed ? 'contained' : 'outlined'}
                icon="check"
                disabled={!changed || isLoading}
                onPress={() => void write()}
              >
                {isLoading ? 'Saving…' : 'Save changes'}
              </Button>
            </>
          ) : null}
          <Button
            mode={changed ? 'outlined' : 'contained'}
            icon="whistle"
            onPress={() => router.navigate(`/deck/${stored.id}` as Href)}
          >
            Take to deck
          </Button>
        </>
      }
    >
      {newer ? (
        <Notice
          tone="error"
          action={
            <View style={styles.row}>
              <Button mode="outlined" onPress={dropDraft}>
                Take theirs
              </Button>
              <Button mode="contained" onPress={() => void write(newer.version)}>
                Keep mine
              </Button>
            </View>
          }
        >
          {`Somebody saved “${newer.title}” in the meantime. Which one counts?`}
        </Notice>
      ) : error ? (
        <Notice
          tone="error"
          action={
            <Button mode="outlined" onPress={() => void write()}>
              Try again
            </Button>
          }
        >
          {sentence(error)}
        </Notice>
      ) : null}
      {changed && !newer ? (
        <Notice action={<Button onPress={dropDraft}>Drop changes</Button>}>
          Unsaved changes are kept on this device.
        </Notice>
      ) : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.sheet : undefined}>
          <LevelSheet plan={plan} selected={selected} onSelect={setSelected} />
          <PlanTruth plan={plan} startTime={fields.startTime} />
        </View>
        <View style={wide ? styles.side : undefined}>
          {coach ? (
            <Input
              label="Title"
              value={fields.title}
              maxLength={120}
              onChangeText={(title) =>
                setDraft((now) => ({
                  ...withPlan(now, now.fields.plan),
                  past: now.past,
                  fields: { ...now.fields, title },
                }))
              }
              style={styles.gap}
            />
          ) : null}
          {group ? (
            <Card
              title={`${group.name}, set by set`}
              aside={<Text variant="bodySmall">{group.paceIsGuess ? 'pace is a guess' : ''}</Text>}
            >
              <GroupEditor
                plan={plan}
                group={group}
                onChange={(next) => coach && setDraft((now) => withPlan(now, next))}
              />
            </Card>
          ) : null}
        </View>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  sheet: { flex: 3, minWidth: 0 },
  side: { flex: 2, minWidth: 320 },
  gap: { marginBottom: 12 },
});
