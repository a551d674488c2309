import { CAUTION, WATER_RULES } from '@upwell/core/safety';
import { LEVEL } from '@upwell/core/swimmers';
import {
  decideDay,
  farthestFromLand,
  FIRST_TIME_LADDER,
  kitList,
  type DayDecision,
  type DayGroup,
  type DayReadings,
  type Decision,
} from '@upwell/core/water';
import type { CourseView } from '@upwell/contract/water';
import { skipToken } from '@reduxjs/toolkit/query';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { useClubRulesQuery } from '@/account/api';
import { useSessionQuery } from '@/sessions/api';
import { useDraft } from '@/state/hooks';
import { useSquadsQuery, useSwimmersInfiniteQuery } from '@/swimmers/api';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { HoldButton } from '@/ui/HoldButton';
import { Input } from '@/ui/Input';
import { saveFrom } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useCourseQuery, useSignDayMutation, useWaterDaysQuery } from '../api';
import { PlanCard } from '../parts/PlanCard';
import { ReadingsCard } from '../parts/ReadingsCard';
import { TideCard } from '../parts/TideCard';
import { clockOf, firstConditions, waterAt, type Conditions } from '../conditions';
import { dayOn, newDayDraft, type DayDraft } from '../dayDraft';

export function DayScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: course, error, refetch } = useCourseQuery(id);
  if (course) return <Day view={course} />;
  return (
    <Screen title="Go or not?" back={`/water/${id}`}>
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the course" />}
    </Screen>
  );
}

const WORD: Readonly<Record<Decision, string>> = { go: 'Go', change: 'Change the plan', stop: 'Do not go' };
const MARK: Readonly<Record<Decision, string>> = { go: '✓', change: '△', stop: '✕' };

/** The decision at the water: the answer first, its reasons under it, what is still not known asked one by one. */
function Day({ view }: { readonly view: CourseView }) {
  const theme = useTheme();
  const wide = useWide();
  const [first, setFirst] = useState(newDayDraft);
  const [firstWater] = useState(firstConditions);
  const [draft, setDraft, dropDraft] = useDraft<DayDraft>(`day:${view.id}`, first);
  const [conditions, setConditions] = useDraft<Conditions>(`water:${view.id}`, firstWater);
  const { session: asked } = useLocalSearchParams<{ session?: string }>();
  const { data: session } = useSessionQuery(asked ?? skipToken);
  const { data: days } = useWaterDaysQuery(view.id);
  const [sign, { error, isLoading, isSuccess }] = useSignDayMutation();
  const { at } = waterAt(conditions);
  const { forecast, readings } = dayOn(view.course, at, draft);
  const farthest = farthestFromLand(view.course);
  const { group } = draft;
  const { data: club } = useClubRulesQuery();
  const rules = club?.water ?? WATER_RULES;
  const day = decideDay(readings, group, farthest, rules);
  const read = (change: Partial<DayReadings>) => setDraft({ ...draft, read: { ...draft.read, ...change } });
  const people = (change: Partial<DayGroup>) => setDraft({ ...draft, group: { ...group, ...change } });
  const overruling = day.mayOverrule && draft.reason.trim().length >= 10;
  const store = async () => {
    const overruled = overruling ? draft.reason.trim() : null;
    const body = { courseId: view.id, startsAt: at.toISOString(), readings, group, overruled };
    const answer = await sign({ id: draft.id, body });
    if ('error' in answer) return;
    // The next signature is another record; the group stays as it was.
    setFirst({ ...draft, id: newDayDraft().id, reason: '' });
    dropDraft();
  };
  const colour = day.decision === 'stop' ? theme.colors.error : theme.colors.primary;

  const answer = (
    <View>
      <View style={[styles.answer, { borderColor: colour }]} role="status" aria-live="polite">
        <Text style={[styles.word, { color: colour }]}>{`${MARK[day.decision]} ${WORD[day.decision]}`}</Text>
        {day.checks.map((c) => (
          <Text key={c.id} style={{ color: c.weight === 'stop' ? theme.colors.error : theme.colors.onSurface }}>
            {`${MARK[c.weight]} ${c.text}`}
          </Text>
        ))}
        {day.missing.length > 0 ? <Text>{`? Not known yet: ${day.missing.join(', ')}.`}</Text> : null}
        {day.decision === 'go' ? <Text>Everything asked is known and fine.</Text> : null}
      </View>
      {day.decision === 'stop' && !day.mayOverrule ? (
        <Notice tone="error">
          This stop is not overruled: it is about lightning, sewage, current or supervision, or somebody young or new is
          in the group.
        </Notice>
      ) : null}
      {day.mayOverrule ? (
        <Input
          label="Overruled, because…"
          value={draft.reason}
          multiline
          maxLength={500}
          onChangeText={(reason) => setDraft({ ...draft, reason })}
        />
      ) : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {isSuccess ? <Notice>Signed and on record.</Notice> : null}
      <View style={styles.sign}>
        <HoldButton
          label={
            isLoading ? 'Signing…' : `Hold to sign: ${overruling ? 'go, overruled' : WORD[day.decision].toLowerCase()}`
          }
          danger={day.decision === 'stop'}
          onHeld={() => void store()}
        />
      </View>
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {CAUTION}
      </Text>
    </View>
  );

  return (
    <Screen
      title="Go or not?"
      over={`${view.name} · ${conditions.date} ${clockOf(conditions.hour)}`}
      under={`High water ${clockWord(forecast.highWaterMs)}${forecast.sunsetMs ? ` · sunset ${clockWord(forecast.sunsetMs)}` : ''} · forecast by a simulated stand-in: read for yourself`}
      back={`/water/${view.id}`}
    >
      {wide ? null : (
        <View
          style={[STICKY, styles.bar, { backgroundColor: theme.colors.background, borderColor: colour }]}
          aria-hidden
        >
          <Text style={[styles.barWord, { color: colour }]}>{`${MARK[day.decision]} ${WORD[day.decision]}`}</Text>
          <Text variant="bodySmall">{reasonsWord(day)}</Text>
        </View>
      )}
      <View style={wide ? styles.columns : undefined}>
        <View style={styles.flex}>{answer}</View>
        <View style={wide ? styles.flex : styles.below}>
          {session && session.courseId === view.id ? <PlanCard session={session} onTake={people} /> : null}
          <ReadingsCard readings={readings} own={draft.read} onRead={read} />
          <TideCard
            at={at}
            minutes={group.minutes}
            depthM={draft.depthAtMeanM ?? null}
            leastM={rules.leastDepthM}
            onChange={(depthAtMeanM) => setDraft({ ...draft, depthAtMeanM })}
          />
          <Card title="Who goes in">
            <FromSquad onTake={people} />
            <View style={styles.row}>
              <Count label="swimmers" value={group.swimmers} onChange={(swimmers) => people({ swimmers })} />
              <Count label="first time" value={group.firstTimers} onChange={(firstTimers) => people({ firstTimers })} />
              <Count label="under 16" value={group.children} onChange={(children) => people({ children })} />
              <Count label="at Settle" value={group.settle} onChange={(settle) => people({ settle })} />
              <Count label="who watch" value={group.watching} onChange={(watching) => people({ watching })} />
              <Count
                label="minutes"
                value={group.minutes}
                step={5}
                onChange={(minutes) => people({ minutes: Math.max(5, minutes) })}
              />
            </View>
            <View style={styles.row}>
              <Toggle label="Wetsuits" on={group.wetsuits} onPress={() => people({ wetsuits: !group.wetsuits })} />
              <Toggle label="Safety craft" on={group.craft} onPress={() => people({ craft: !group.craft })} />
              <Toggle label="Bright caps, floats" on={group.bright} onPress={() => people({ bright: !group.bright })} />
              <Toggle
                label="Stop signal agreed"
                on={group.stopSignal}
                onPress={() => people({ stopSignal: !group.stopSignal })}
              />
            </View>
            <Input
              label="Who calls for help"
              value={group.caller}
              maxLength={80}
              onChangeText={(caller) => people({ caller })}
            />
          </Card>
          <Lists waterC={readings.waterC} firstTimers={group.firstTimers > 0} longestMin={day.longestMin} />
          {days && days.length > 0 ? (
            <Card title="On record">
              {days.slice(0, 6).map((d) => (
                <View key={d.id} style={styles.record}>
                  <Text style={styles.flex}>
                    {`${MARK[d.decision]} ${WORD[d.decision]}${d.overruled ? `, overruled: “${d.overruled}”` : ''} · ${d.signedBy}, ${d.signedAt.slice(0, 10)}`}
                  </Text>
                  <Button compact onPress={() => saveFrom(`/api/v1/water-days/${d.id}/card.pdf`)}>
                    Card
                  </Button>
                </View>
              ))}
            </Card>
          ) : null}
          <Stepper
            label="start"
            value={clockOf(conditions.hour)}
            onLess={conditions.hour > 0 ? () => setConditions({ ...conditions, hour: conditions.hour - 0.25 }) : null}
            onMore={
              conditions.hour < 23.75 ? () => setConditions({ ...conditions, hour: conditions.hour + 0.25 }) : null
            }
          />
        </View>
      </View>
    </Screen>
  );
}

/** On a phone the answer stays in sight while the readings are gone through (a web-only position). */
const STICKY = { position: 'sticky', top: 0, zIndex: 2 } as unknown as ViewStyle;

const reasonsWord = ({ checks, missing }: DayDecision) =>
  [checks.length > 0 ? `${checks.length} to weigh` : '', missing.length > 0 ? `${missing.length} to find out` : '']
    .filter(Boolean)
    .join(' · ');

const clockWord = (ms: number) => new Date(ms).toTimeString().slice(0, 5);

function Count({
  label,
  value,
  step = 1,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly step?: number;
  readonly onChange: (value: number) => void;
}) {
  return (
    <Stepper
      label={label}
      value={String(value)}
      onLess={value > 0 ? () => onChange(Math.max(0, value - step)) : null}
      onMore={value < 200 ? () => onChange(value + step) : null}
    />
  );
}

/** Fills in a squad: how many, how many children and beginners, how slow the slowest is. */
function FromSquad({ onTake }: { readonly onTake: (change: Partial<DayGroup>) => void }) {
  const { data: squads } = useSquadsQuery();
  const [squadId, setSquadId] = useState<string | null>(null);
  const { data } = useSwimmersInfiniteQuery(
    { limit: 100, archived: false, ...(squadId ? { squadId } : {}) },
    { skip: squadId === null },
  );
  const rows = data?.pages.flatMap((page) => page.items).filter((row) => row.squadId === squadId) ?? [];
  return (
    <View>
      <Choice
        label="A squad"
        options={(squads ?? []).filter((s) => !s.archived).map((s) => ({ value: s.id, label: s.name }))}
        chosen={squadId ? [squadId] : []}
        onPress={setSquadId}
      />
      {rows.length > 0 ? (
        <Toggle
          label={`Take its ${rows.length} swimmers`}
          on={false}
          onPress={() =>
            onTake({
              swimmers: rows.length,
              children: rows.filter((r) => r.child).length,
              settle: rows.filter((r) => r.level === 'settle').length,
              slowestMps: Math.min(...rows.map((r) => LEVEL[r.level].defaultV400Mps)),
            })
          }
        />
      ) : null}
    </View>
  );
}

/** Kit to bring, and the steps of somebody's first time. */
function Lists({
  waterC,
  firstTimers,
  longestMin,
}: {
  readonly waterC: number | null;
  readonly firstTimers: boolean;
  readonly longestMin: number | null;
}) {
  const [open, setOpen] = useState(false);
  const [steps, setSteps] = useState(firstTimers);
  return (
    <Card>
      {longestMin !== null && longestMin > 0 && longestMin < 600 ? (
        <Text>{`At most ${longestMin} minutes in the water for this group. Enter slowly, wait until breathing is calm.`}</Text>
      ) : null}
      <Disclosure label="Kit to bring" open={open} onPress={() => setOpen(!open)} />
      {open ? kitList(waterC, true).map((item) => <Text key={item}>{`· ${item}`}</Text>) : null}
      <Disclosure label="From the pool to the first dips" open={steps} onPress={() => setSteps(!steps)} />
      {steps
        ? FIRST_TIME_LADDER.map((s, i) => (
            <Text key={s.name}>{`${i + 1}. ${s.name}: ${s.what} Passed: ${s.pass}`}</Text>
          ))
        : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  flex: { flex: 1 },
  below: { marginTop: 16 },
  answer: { borderWidth: 3, borderRadius: 6, padding: 16, gap: 8, marginBottom: 12 },
  word: { fontFamily: 'Atkinson Bold', fontSize: 40, lineHeight: 46 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 8 },
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    borderBottomWidth: 3,
    paddingVertical: 6,
    marginBottom: 10,
  },
  barWord: { fontFamily: 'Atkinson Bold', fontSize: 22, lineHeight: 28, flex: 1 },
  sign: { marginVertical: 12 },
  record: { flexDirection: 'row', alignItems: 'center', gap: 8 },
});
