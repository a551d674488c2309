// Go or not: what was read at the water, what speaks against it, and who decided.
import { ladderCard } from '@upwell/core/library';
import { CAUTION, reasonProblem, WATER_RULES } from '@upwell/core/safety';
import type { GroupPerson } from '@upwell/core/sessions';
import {
  decideDay,
  farthestFromLand,
  groupOfPeople,
  kitList,
  NEVER_OVERRULED,
  NEW_GROUP,
  ONLY_HEAD_OVERRULES,
  type DayDecision,
  type DayGroup,
  type Decision,
  checkWords,
  readingWord,
  streamWay,
} from '@upwell/core/water';
import { clockWord, dayWord, listWord, momentWord, zoneNote } from '@upwell/core/words';
import type { CourseView } from '@upwell/contract/water';
import { skipToken } from '@reduxjs/toolkit/query';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { useClubRulesQuery, useMeQuery } from '@/account';
import { useSessionQuery } from '@/sessions';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { HoldButton } from '@/ui/HoldButton';
import { Input } from '@/ui/Input';
import { saveFrom } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useCourseQuery } from '@/courses';
import { useSignDayMutation, useWaterDaysQuery } from '../api';
import { NearReading } from '../parts/NearReading';
import { PlanCard } from '../parts/PlanCard';
import { ReadingsCard } from '../parts/ReadingsCard';
import { TideCard } from '../parts/TideCard';
import { WhoGoesIn } from '../parts/WhoGoesIn';
import { clockOf } from '../conditions';
import { dayOn, newDayDraft, type DayDraft } from '../dayDraft';
import { useWater } from '../useWater';

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
  const [draft, setDraft, dropDraft] = useDraft<DayDraft>(`day:${view.id}`, first);
  const water = useWater(view);
  const { when, setWhen, at, forecast } = water;
  const { session: asked } = useLocalSearchParams<{ session?: string }>();
  const { data: session } = useSessionQuery(asked ?? skipToken);
  const { data: days } = useWaterDaysQuery(view.id);
  const [sign, { error, isLoading, isSuccess }] = useSignDayMutation();
  const farthest = farthestFromLand(view.course);
  // What a draft of an older version does not hold is as in a new one.
  const group: DayGroup = { ...NEW_GROUP, ...draft.group };
  const readings = dayOn(view.course, at, water, { group, depthAtMeanM: draft.depthAtMeanM ?? null });
  const { data: me } = useMeQuery();
  const { data: club } = useClubRulesQuery();
  const rules = club?.water ?? WATER_RULES;
  const way = streamWay(view.course);
  const day = decideDay(readings, group, farthest, rules, way);
  const people = (change: Partial<DayGroup>) => setDraft({ ...draft, group: { ...group, ...change } });
  const take = (goers: readonly GroupPerson[], change: Partial<DayGroup> = {}) =>
    setDraft({
      ...draft,
      names: Object.fromEntries(goers.map((p) => [p.id, p.name])),
      group: { ...group, ...change, ...(goers.length > 0 ? groupOfPeople(goers) : {}) },
    });
  const head = me?.role === 'head';
  const unreasoned = reasonProblem(draft.reason);
  const overruling = day.mayOverrule && head && unreasoned === null;
  const store = async () => {
    const overruled = overruling ? draft.reason.trim() : null;
    const body = { courseId: view.id, startsAt: at.toISOString(), readings, group, overruled };
    const answer = await sign({ id: draft.id, body });
    if ('error' in answer) return;
    // The next signature is another record; the group stays as it was.
    setFirst({ ...draft, id: newDayDraft().id, reason: '' });
    dropDraft();
  };
  if (!water.ready)
    return (
      <Screen title="Go or not?" back={`/water/${view.id}`}>
        <Loading label="Opening what was read" />
      </Screen>
    );
  const colour = day.decision === 'stop' ? theme.colors.error : theme.colors.primary;

  const answer = (
    <View>
      <View style={[styles.answer, { borderColor: colour }]} role="status" aria-live="polite">
        <Text style={[styles.word, { color: colour }]}>{`${MARK[day.decision]} ${WORD[day.decision]}`}</Text>
        {day.checks.map((c) => (
          <Text key={c.id} style={{ color: c.weight === 'stop' ? theme.colors.error : theme.colors.onSurface }}>
            {`${MARK[c.weight]} ${checkWords(c)}`}
          </Text>
        ))}
        {day.missing.length > 0 ? <Text>{`? Not known yet: ${listWord(day.missing.map(readingWord))}.`}</Text> : null}
        {day.decision === 'go' ? <Text>Every check is answered and clear.</Text> : null}
      </View>
      {day.decision === 'stop' && !day.mayOverrule ? <Notice tone="error">{NEVER_OVERRULED}</Notice> : null}
      {day.mayOverrule && !head ? <Notice tone="error">{ONLY_HEAD_OVERRULES}</Notice> : null}
      {day.mayOverrule && head ? (
        <>
          <Input
            label="Overruled: which local rule or licensed person allows it, and why"
            value={draft.reason}
            multiline
            maxLength={500}
            onChangeText={(reason) => setDraft({ ...draft, reason })}
          />
          {draft.reason !== '' && unreasoned ? <Text variant="bodySmall">{unreasoned}</Text> : null}
        </>
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
      over={[`${view.name} · ${dayWord(when.date)}, ${clockOf(when.hour)}`, zoneNote(view.timeZone, at.getTime())]
        .filter(Boolean)
        .join(' ')}
      under={`High water ${clockWord(forecast.highWaterMs, view.timeZone)}${forecast.sunsetMs ? ` · sunset ${clockWord(forecast.sunsetMs, view.timeZone)}` : ''} · simulated forecast: check for yourself`}
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
          {session && session.courseId === view.id ? <PlanCard session={session} onTake={take} /> : null}
          {water.near ? <NearReading near={water.near} onTake={() => water.takeOver(water.near!.read)} /> : null}
          {water.error ? <Notice tone="error">{sentence(water.error as Parameters<typeof sentence>[0])}</Notice> : null}
          <ReadingsCard
            readings={readings}
            waveFromDeg={water.leg.water.waveFromDeg}
            cloudy={water.read.cloudy ?? null}
            noted={water.noted}
            zone={view.timeZone}
            onRead={water.note}
          />
          <TideCard
            at={at}
            zone={view.timeZone}
            minutes={group.minutes}
            depthM={draft.depthAtMeanM ?? null}
            leastM={rules.leastDepthM}
            onChange={(depthAtMeanM) => setDraft({ ...draft, depthAtMeanM })}
          />
          <WhoGoesIn
            group={group}
            names={draft.names ?? {}}
            date={when.date}
            waterC={readings.waterC}
            head={me?.role === 'head'}
            withStream={way !== null}
            onChange={people}
            onTake={take}
          />
          <Lists waterC={readings.waterC} firstTimers={group.firstTimers > 0} longestMin={day.longestMin} />
          {days && days.length > 0 ? (
            <Card title="On record">
              {days.slice(0, 6).map((d) => (
                <View key={d.id} style={styles.record}>
                  <Text style={styles.flex}>
                    {`${MARK[d.decision]} ${WORD[d.decision]}${d.overruled ? `, overruled: “${d.overruled}”` : ''} · ${d.signedBy}, ${momentWord(d.signedAt, view.timeZone)}`}
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
            value={clockOf(when.hour)}
            onLess={when.hour > 0 ? () => setWhen({ hour: when.hour - 0.25 }) : null}
            onMore={when.hour < 23.75 ? () => setWhen({ hour: when.hour + 0.25 }) : null}
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
        ? ladderCard('pool-to-open-water').steps.map((s, i) => (
            <Text key={s.what}>{`${i + 1}. ${s.what} Passed: ${s.pass}`}</Text>
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
