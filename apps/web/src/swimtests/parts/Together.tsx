/** The test of a squad as it goes: the watch, everybody in it, and storing what is ready. */
import { SWIM_TEST, TOGETHER_M, togetherResult, type TogetherM } from '@upwell/core/swimtests';
import { counted } from '@upwell/core/words';
import { type Href, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { type ApiError, sentence } from '@/api/problem';
import type { DeckTime } from '@/deck';
import { useSaveTestMutation } from '@/records';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Screen } from '@/ui/Screen';
import { Notice } from '@/ui/States';
import { newSquadTest, readyPeople, withStored, type SquadTestDraft } from '../squadDraft';
import { TogetherClock } from './TogetherClock';
import { TogetherRow } from './TogetherRow';
import { NobodyDue } from './WhichSquad';

interface TogetherProps {
  readonly squadId: string;
  readonly name: string;
  readonly due: readonly { readonly swimmerId: string; readonly name: string }[];
  readonly time: DeckTime;
  readonly heldOn: string;
}

export function Together({ squadId, name, due, time, heldOn }: TogetherProps) {
  const router = useRouter();
  // Those who are tested leave the list of what is due; here everybody stays until all of it is stored.
  const [fresh] = useState(() => newSquadTest(heldOn, due));
  const [draft, setDraft, dropDraft] = useDraft<SquadTestDraft>(`squad-test:${squadId}`, fresh);
  const [metres, setMetres] = useState<TogetherM>(400);
  const [save, { isLoading }] = useSaveTestMutation();
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [before, setBefore] = useState<SquadTestDraft | null>(null);
  const ready = readyPeople(draft);
  const stored = draft.people.filter((p) => p.stored).length;
  const keepAll = async () => {
    const not: string[] = [];
    for (const person of ready) {
      const result = togetherResult(person.times);
      if (result.kind !== 'ready') continue;
      const { swimmerId, id, writeId } = person;
      const body = { swimmerId, heldOn: draft.heldOn, input: result.input, note: '', version: 0, writeId };
      const answer = await save({ id, body });
      // One that is refused keeps nobody else from being stored, and can be sent again.
      if (answer.error) not.push(`${person.name}: ${sentence(answer.error as ApiError)}`);
      else setDraft((now) => withStored(now, swimmerId));
    }
    setRefused(not);
  };
  if (draft.people.length === 0)
    return (
      <Screen title="Test of a squad" over={name} back="/deck">
        <NobodyDue />
      </Screen>
    );
  const done = stored === draft.people.length;
  return (
    <Screen
      title={SWIM_TEST['critical-speed'].name}
      over={name}
      under={`${TOGETHER_M.join(' m and ')} m all out, with a good rest between them`}
      back="/deck"
      footer={
        done ? (
          <Button
            mode="contained"
            onPress={() => {
              dropDraft();
              router.navigate('/deck' as Href);
            }}
          >
            All stored: back to the deck
          </Button>
        ) : (
          <Button
            mode="contained"
            contentStyle={styles.tall}
            disabled={ready.length === 0 || isLoading || draft.running !== null}
            onPress={() => void keepAll()}
          >
            {isLoading ? 'Storing…' : `Store ${counted(ready.length, 'test')}`}
          </Button>
        )
      }
    >
      {refused.map((why) => (
        <Notice key={why} tone="error">
          {why}
        </Notice>
      ))}
      {before ? (
        <Notice
          action={
            <Button
              onPress={() => {
                setDraft(before);
                setBefore(null);
              }}
            >
              Undo
            </Button>
          }
        >
          Begun again.
        </Notice>
      ) : null}
      {stored > 0 ? <Text aria-live="polite">{`${counted(stored, 'test')} stored.`}</Text> : null}
      <TogetherClock draft={draft} time={time} metres={metres} onMetres={setMetres} onDraft={setDraft} />
      <View role="list" aria-label="Who swims, in the order of leaving">
        {draft.people.map((person, place) => (
          <TogetherRow
            key={person.swimmerId}
            person={person}
            place={place}
            draft={draft}
            time={time}
            onDraft={setDraft}
          />
        ))}
      </View>
      {draft.running || done ? null : (
        <Button
          compact
          style={styles.again}
          onPress={() => {
            setBefore(draft);
            setDraft(newSquadTest(heldOn, due));
          }}
        >
          Begin again with those who are due
        </Button>
      )}
      <Card title="How it goes">
        {SWIM_TEST['critical-speed'].steps.map((text, i) => (
          <Text key={text}>{`${i + 1}. ${text}`}</Text>
        ))}
        {SWIM_TEST['critical-speed'].cautions.map((text) => (
          <Text key={text} variant="labelMedium">
            {text}
          </Text>
        ))}
      </Card>
    </Screen>
  );
}

const styles = StyleSheet.create({
  tall: { minHeight: 50 },
  again: { alignSelf: 'flex-start', marginVertical: 8 },
});
