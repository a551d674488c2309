import type { RecordsView, TestView } from '@upwell/contract/records';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { LADDER_IDS, type LadderId } from '@upwell/core/library';
import { isAtLeast, levelCard } from '@upwell/core/swimmers';
import {
  RefusedTest,
  SWIM_TEST,
  SWIM_TESTS,
  type SwimTestKind,
  type TestInput,
  testOutcome,
  type TestOutcome,
} from '@upwell/core/swimtests';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import isEqual from 'lodash/isEqual.js';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { type ApiError, sentence } from '@/api/problem';
import { type DeckTime, useDeckTime } from '@/deck';
import { useRecordsQuery, useSaveTestMutation } from '@/records';
import { useDraft, useToday } from '@/state/hooks';
import { useSquadsQuery, useSwimmerQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { Toggle } from '@/ui/Toggle';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { inPool, newTestDraft, type TestDraft } from '../draft';
import { Capture } from '../parts/Capture';
import { lengthOf } from '../parts/PoolChoice';
import { Sets } from '../parts/TestSets';
import { Says } from '../parts/TestSays';

/** A test on deck: how to do it, taken as it happens, and what it says while it is taken. */
export function TestScreen() {
  const { id, kind: asked, ladder } = useLocalSearchParams<{ id: string; kind?: string; ladder?: string }>();
  const { data: swimmer, error, refetch } = useSwimmerQuery(id);
  const { data: records } = useRecordsQuery(id);
  const time = useDeckTime(`tests:${id}`);
  if (!swimmer || !time) {
    return (
      <Screen title="Test" back={`/swimmers/${id}`}>
        {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the test" />}
      </Screen>
    );
  }
  const kind = SWIM_TESTS.find((k) => k === asked) ?? 'critical-speed';
  const onLadder = LADDER_IDS.find((l) => l === ladder) ?? null;
  return <Test key={kind} kind={kind} swimmer={swimmer} records={records} time={time} ladder={onLadder} />;
}

interface TestProps {
  readonly kind: SwimTestKind;
  readonly swimmer: SwimmerPage;
  readonly records: RecordsView | undefined;
  readonly time: DeckTime;
  readonly ladder: LadderId | null;
}

function Test({ kind, swimmer, records, time, ladder }: TestProps) {
  const router = useRouter();
  const wide = useWide();
  const theme = useTheme();
  const card = SWIM_TEST[kind];
  const today = useToday();
  const fresh = useMemo(() => newTestDraft(kind, swimmer, ladder, today), [kind, swimmer, ladder, today]);
  const [draft, setDraft, dropDraft] = useDraft<TestDraft>(`test:${swimmer.id}:${kind}`, fresh);
  const [save, saving] = useSaveTestMutation();
  const [stored, setStored] = useState<TestView | null>(null);
  const home = usePoolOf(swimmer.squadId);
  // Stored, and the app was closed before the answer came: this is the next test, with what was changed since.
  const kept = stored ? undefined : records?.tests.find((t) => t.id === draft.id);
  useEffect(() => {
    if (!kept) return;
    const next = newTestDraft(kind, swimmer, ladder, today);
    setDraft((now) => (isEqual(now.input, kept.input) ? next : { ...now, id: next.id, writeId: next.writeId }));
  }, [kept, kind, swimmer, ladder, today, setDraft]);
  const said = outcomeOf(draft.input);
  const last = records?.tests.find((t) => t.kind === kind && t.id !== draft.id);

  const keep = async () => {
    const body = {
      swimmerId: swimmer.id,
      heldOn: draft.heldOn,
      input: draft.input,
      note: '',
      version: 0,
      writeId: draft.writeId,
    };
    const result = await save({ id: draft.id, body });
    if (result.error) return;
    setStored(result.data);
    dropDraft();
  };
  return (
    <Screen
      title={card.name}
      over={`${swimmer.givenName} ${swimmer.familyName}`}
      under={card.purpose}
      back={`/swimmers/${swimmer.id}/records`}
      footer={
        stored ? (
          <Button mode="contained" onPress={() => router.navigate(`/swimmers/${swimmer.id}/records` as Href)}>
            See all records
          </Button>
        ) : (
          <Button
            mode="contained"
            contentStyle={styles.tall}
            disabled={said.outcome === null || saving.isLoading || draft.running !== null}
            onPress={() => void keep()}
          >
            {saving.isLoading ? 'Keeping…' : 'Save this test'}
          </Button>
        )
      }
    >
      <View style={styles.kinds} role="group" aria-label="Which test">
        {SWIM_TESTS.map((k) => (
          <Toggle
            key={k}
            label={SWIM_TEST[k].name}
            on={k === kind}
            onPress={() => router.setParams({ kind: k } as never)}
          />
        ))}
      </View>
      {!isAtLeast(swimmer.level, card.from) ? (
        <Notice>{`This test is for ${levelCard(card.from).name} and above. ${swimmer.givenName} is at ${levelCard(swimmer.level).name}.`}</Notice>
      ) : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          {stored ? (
            <Sets test={stored} swimmer={swimmer} />
          ) : (
            <Card strong>
              <Capture
                input={draft.input}
                running={draft.running}
                time={time}
                poolM={draft.poolM ?? home}
                onPool={(poolM) =>
                  setDraft((now) => ({ ...now, poolM, input: inPool(now.input, poolM), writeId: v7() }))
                }
                onInput={(input) => setDraft((now) => ({ ...now, input, writeId: v7() }))}
                onRunning={(running) => setDraft((now) => ({ ...now, running }))}
              />
            </Card>
          )}
        </View>
        <View style={wide ? styles.column : undefined}>
          <Says
            kind={kind}
            outcome={stored?.outcome ?? said.outcome}
            refused={stored ? null : said.refused}
            last={last}
          />
          {saving.error ? <Notice tone="error">{sentence(saving.error as ApiError)}</Notice> : null}
          <Card title="How it goes">
            {card.steps.map((text, i) => (
              <Text key={text}>{`${i + 1}. ${text}`}</Text>
            ))}
            {card.cautions.map((text) => (
              <Text key={text} variant="labelMedium" style={[styles.caution, { color: theme.colors.error }]}>
                {text}
              </Text>
            ))}
          </Card>
        </View>
      </View>
    </Screen>
  );
}

/** Metres of one length of the pool that a squad always swims in; null when there is none, or more than one. */
function usePoolOf(squadId: string): number | null {
  const { data: squads } = useSquadsQuery();
  const pools = squads?.find((s) => s.id === squadId)?.poolTimes.map(({ pool }) => lengthOf(pool)) ?? [];
  return new Set(pools).size === 1 ? pools[0]! : null;
}

function outcomeOf(input: TestInput): { readonly outcome: TestOutcome | null; readonly refused: string | null } {
  try {
    return { outcome: testOutcome(input), refused: null };
  } catch (error) {
    if (error instanceof RefusedTest) return { outcome: null, refused: error.message };
    throw error;
  }
}

const styles = StyleSheet.create({
  kinds: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginBottom: 12 },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  tall: { minHeight: 56 },
  caution: { marginTop: 6 },
});
