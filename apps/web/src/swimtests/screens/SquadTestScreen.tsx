/** A time trial of a whole squad: one watch, a touch for each swimmer, and every test stored at once. */
import { APART_S, SWIM_TEST, TOGETHER_M, togetherResult, touchTime, type TogetherM } from '@upwell/core/swimtests';
import { formatTime } from '@upwell/core/units';
import { counted } from '@upwell/core/words';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { type ApiError, sentence } from '@/api/problem';
import { type DeckTime, Tap, useDeckTime, useNow } from '@/deck';
import { useTodayQuery } from '@/due';
import { useSaveTestMutation } from '@/records';
import { useDraft, useToday } from '@/state/hooks';
import { useSquadsQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import {
  newSquadTest,
  readyPeople,
  withEarlier,
  withStored,
  withTime,
  withWatch,
  withWatchBack,
  type SquadTestDraft,
  type SquadTestPerson,
} from '../squadDraft';
import { NobodyDue, WhichSquad } from '../parts/WhichSquad';

export function SquadTestScreen() {
  const { squad } = useLocalSearchParams<{ squad?: string }>();
  const today = useToday();
  const { data, error, refetch } = useTodayQuery(today);
  const { data: squads } = useSquadsQuery();
  const time = useDeckTime(`squad-test:${squad}`);
  if (!data || !time) {
    return (
      <Screen title="Test of a squad" back="/deck">
        {error && !data ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the test" />}
      </Screen>
    );
  }
  if (squad === undefined) return <WhichSquad due={data.tests.map((test) => test.squadId)} />;
  const due = data.tests.filter((t) => t.squadId === squad);
  const name = squads?.find((s) => s.id === squad)?.name ?? '';
  return <Together key={squad} squadId={squad} name={name} due={due} time={time} heldOn={today} />;
}

interface TogetherProps {
  readonly squadId: string;
  readonly name: string;
  readonly due: readonly { readonly swimmerId: string; readonly name: string }[];
  readonly time: DeckTime;
  readonly heldOn: string;
}

function Together({ squadId, name, due, time, heldOn }: TogetherProps) {
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
      <Clock draft={draft} time={time} metres={metres} onMetres={setMetres} onDraft={setDraft} />
      <View role="list" aria-label="Who swims, in the order of leaving">
        {draft.people.map((person, place) => (
          <PersonRow
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

type Change = (change: (now: SquadTestDraft) => SquadTestDraft) => void;

interface ClockProps {
  readonly draft: SquadTestDraft;
  readonly time: DeckTime;
  readonly metres: TogetherM;
  readonly onMetres: (metres: TogetherM) => void;
  readonly onDraft: Change;
}

/** What is swum, how they leave, and the watch of the first. */
function Clock({ draft, time, metres, onMetres, onDraft }: ClockProps) {
  const theme = useTheme();
  const { running, ended, apartS } = draft;
  const now = useNow(time, 100, running !== null);
  return (
    <Card strong>
      {running ? (
        <Text style={styles.figure} aria-live="off">
          {formatTime(Math.max(0, now - running.startMs) / 1000, 1)}
        </Text>
      ) : (
        <>
          <Choice
            label="Distance"
            options={TOGETHER_M.map((m) => ({ value: String(m), label: `${m} m` }))}
            chosen={[String(metres)]}
            onPress={(value) => onMetres(Number(value) as TogetherM)}
          />
          <Choice
            label="They leave"
            options={APART_S.map((s) => ({ value: String(s), label: s === 0 ? 'all at once' : `${s} s apart` }))}
            chosen={[String(apartS)]}
            onPress={(value) => onDraft((was) => ({ ...was, apartS: Number(value) }))}
          />
        </>
      )}
      <Tap
        label={running ? `End the ${running.metres} m` : `Start the ${metres} m`}
        style={[styles.start, { backgroundColor: running ? theme.colors.surfaceVariant : theme.colors.primary }]}
        onTap={(monoMs) => onDraft((was) => withWatch(was, metres, time.at(monoMs)))}
      >
        <Text style={[styles.word, { color: running ? theme.colors.onSurface : theme.colors.onPrimary }]}>
          {running ? `End the ${running.metres} m` : `Start the ${metres} m`}
        </Text>
      </Tap>
      {ended ? (
        <Button compact onPress={() => onDraft(withWatchBack)}>
          {`Not over yet: go on with the ${ended.metres} m`}
        </Button>
      ) : null}
      <Text variant="bodySmall">
        {running ? 'Tap a name at the touch.' : 'The first leaves at the start; the arrows change the order.'}
      </Text>
    </Card>
  );
}

interface PersonProps {
  readonly person: SquadTestPerson;
  readonly place: number;
  readonly draft: SquadTestDraft;
  readonly time: DeckTime;
  readonly onDraft: Change;
}

function PersonRow({ person, place, draft, time, onDraft }: PersonProps) {
  const theme = useTheme();
  const wide = useWide();
  const { swimmerId, name, times, stored } = person;
  const { running, apartS } = draft;
  const result = togetherResult(times);
  const touched = running !== null && (times[running.metres] ?? '') !== '';
  const touch = (monoMs: number) => {
    if (!running) return;
    const text = touchTime(running.startMs, time.at(monoMs), place, apartS);
    if (text !== null) onDraft((now) => withTime(now, swimmerId, running.metres, text));
  };
  const says = result.kind === 'ready' ? result.outcome.words : result.kind === 'refused' && !running ? result.why : '';
  return (
    <View role="listitem" style={[styles.person, { borderBottomColor: theme.own.line }]}>
      <View style={[styles.row, wide ? null : styles.wrap]}>
        {running && !touched ? (
          <Tap
            label={`${name} touches`}
            style={[
              styles.touch,
              wide ? styles.beside : styles.line,
              { backgroundColor: theme.colors.primaryContainer },
            ]}
            onTap={touch}
          >
            <Text variant="titleMedium" style={{ color: theme.colors.onPrimaryContainer }}>
              {name}
            </Text>
          </Tap>
        ) : (
          <View style={[styles.name, wide ? styles.beside : styles.line]}>
            <Text variant="titleMedium">{`${place + 1}  ${name}`}</Text>
          </View>
        )}
        {TOGETHER_M.map((metres) => (
          <Input
            key={metres}
            label={`${metres} m`}
            accessibilityLabel={`${metres} m of ${name}`}
            value={times[metres] ?? ''}
            placeholder="5:52"
            editable={!stored}
            onChangeText={(text) => onDraft((now) => withTime(now, swimmerId, metres, text))}
            maxLength={9}
            dense
            style={styles.time}
          />
        ))}
        {running || stored ? null : (
          <IconButton
            icon="arrow-up"
            disabled={place === 0}
            accessibilityLabel={`${name} leaves earlier`}
            onPress={() => onDraft((now) => withEarlier(now, swimmerId))}
          />
        )}
      </View>
      {says || stored ? (
        <Text variant="bodySmall" style={result.kind === 'refused' ? { color: theme.colors.error } : undefined}>
          {[says, stored ? 'stored' : ''].filter(Boolean).join(' · ')}
        </Text>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  tall: { minHeight: 50 },
  again: { alignSelf: 'flex-start', marginVertical: 8 },
  figure: { fontFamily: 'Atkinson Bold', fontSize: 60, lineHeight: 66, fontVariant: ['tabular-nums'] },
  start: { minHeight: 72, borderRadius: 8, alignItems: 'center', justifyContent: 'center', marginVertical: 8 },
  word: { fontFamily: 'Atkinson Bold', fontSize: 24, lineHeight: 30 },
  person: { paddingVertical: 8, borderBottomWidth: 1, gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  wrap: { flexWrap: 'wrap' },
  // On a phone a name has a line of its own, and the times stand under it.
  line: { width: '100%' },
  beside: { flex: 1 },
  name: { minHeight: 44, justifyContent: 'center' },
  touch: {
    minHeight: 64,
    borderRadius: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
  time: { flexGrow: 1, flexBasis: 112, maxWidth: 160 },
});
