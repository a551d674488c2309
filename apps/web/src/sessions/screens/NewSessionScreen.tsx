/** A new session: who comes and what for is chosen, and the session builds itself beside it. */
import { causeCard } from '@upwell/core/review';
import { weekdayOf } from '@upwell/core/days';
import { peopleOf, type SessionPlan } from '@upwell/core/sessions';
import { usualPools } from '@upwell/core/units';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { useAppSelector, useDraft, useToday } from '@/state/hooks';
import { sameSave } from '@/state/sameSave';
import { useSquadsQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { OutsideNotes } from '@/courses';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { useWide } from '@/ui/useWide';
import { compute } from '@/worker';
import { useProposalQuery, useSaveSessionMutation } from '../api';
import { LevelSheet } from '../parts/LevelSheet';
import { PlanTruth } from '../parts/PlanTruth';
import { PlanWords } from '../parts/PlanWords';
import { ServesCard } from '../parts/ServesCard';
import { Distances, KitTonight, Locks, ThemeCard } from '../parts/WishCards';
import { TimeAndPoolCard, timesOf } from '../parts/TimeAndPoolCard';
import { useBuilt } from '../useBuilt';
import { type Hour, hourOf, newWish, requestOf, type Wish, wishAt } from '../wish';

export function NewSessionScreen() {
  const hour = hourOf(useLocalSearchParams());
  const { units } = useAppSelector((state) => state.place);
  const { data: squads, error } = useSquadsQuery();
  if (hour && !squads && !error)
    return (
      <Screen title="Build a session" back="/sessions">
        <Loading label="Looking up the pool time" />
      </Screen>
    );
  const time = squads
    ?.find(({ id }) => id === hour?.squadIds[0])
    ?.poolTimes.find((t) => hour && t.weekday === weekdayOf(hour.date) && t.startTime === hour.startTime);
  return <Build hour={hour && { ...hour, ...(time ? wishAt(time, usualPools(units)) : {}) }} />;
}

function Build({ hour }: { readonly hour: (Hour & Partial<Wish>) | null }) {
  const router = useRouter();
  const wide = useWide();
  const today = useToday();
  const { units } = useAppSelector((state) => state.place);
  const [first] = useState((): Wish => ({ ...newWish(today, units), ...hour }));
  // A session for an hour that was tapped is one of its own beside the one that was begun.
  const [wish, setWish, dropWish] = useDraft<Wish>(
    hour ? `session:new ${hour.date} ${hour.startTime} ${hour.squadIds[0]}` : 'session:new',
    first,
  );
  const [readId, setReadId] = useState<string | null>(null);
  const { data: squads } = useSquadsQuery();
  const {
    data: proposal,
    error: proposalError,
    refetch,
  } = useProposalQuery({ squadIds: wish.squadIds, date: wish.date });
  const [save, { error, isLoading }] = useSaveSessionMutation();

  const request = proposal ? requestOf(wish, proposal) : null;
  const { result, building } = useBuilt(request === null || typeof request === 'string' ? null : request);
  const plan = result?.kind === 'built' ? result.plan : null;
  const earlierMin = result?.kind === 'built' ? result.earlierMin : 0;
  // The level that is read in words; the first until another is tapped.
  const read = plan?.groups.find(({ id }) => id === readId) ?? plan?.groups[0];
  const change = (patch: Partial<Wish>) => setWish((now) => ({ ...now, ...patch }));

  // The next seed whose session differs from the one shown.
  const another = async (): Promise<void> => {
    if (!plan || typeof request === 'string' || request === null) return;
    const next = await compute().anotherSession(request, plan);
    if (next.kind === 'built') change({ seed: next.plan.seed });
  };

  const store = async (kept: SessionPlan): Promise<void> => {
    const squadIds =
      wish.squadIds.length > 0 ? wish.squadIds : (squads ?? []).filter((s) => !s.archived).map((s) => s.id);
    const fields = {
      title: causeCard(kept.theme).cue.replace(/\.$/, ''),
      date: wish.date,
      startTime: wish.startTime,
      squadIds,
      template: false,
      seriesId: null,
      breatheFreely: [],
      courseId: wish.place === 'open-water' ? (wish.courseId ?? null) : null,
      plan: kept,
      done: null,
    };
    const { id, writeId } = sameSave(wish.id, fields);
    const answer = await save({ id, body: { ...fields, version: 0, writeId } });
    if ('error' in answer && answer.error) return;
    dropWish();
    router.replace(`/sessions/${id}` as Href);
  };

  const sheet = (
    <View>
      {proposalError ? <Failure error={proposalError} retry={() => void refetch()} /> : null}
      {!proposal && !proposalError ? <Loading label="Checking who is coming" /> : null}
      <View style={styles.progress}>
        {building ? <ProgressBar indeterminate aria-label="Building the session" /> : null}
      </View>
      {typeof request === 'string' ? (
        <Empty
          title="Not yet"
          action={
            proposal?.swimmers === 0 ? (
              <Button mode="contained" onPress={() => router.navigate('/swimmers/roster' as Href)}>
                Import swimmers
              </Button>
            ) : null
          }
        >
          {request}
        </Empty>
      ) : null}
      {result?.kind === 'clash' && !building
        ? result.clashes.map((clash) => (
            <Notice key={clash.message} tone="error">
              {`${clash.message}${clash.changes.length > 0 ? ` What would help: ${clash.changes.join(' Or: ')}` : ''}`}
            </Notice>
          ))
        : null}
      {plan ? (
        <>
          <LevelSheet plan={plan} selected={read?.id ?? null} onSelect={setReadId} />
          {earlierMin > 0 || wish.fillHour ? (
            <View style={styles.early}>
              <Text variant="bodyMedium" style={styles.flex}>
                {wish.fillHour
                  ? 'The hour is filled, whatever the load of this week.'
                  : `Ends ${earlierMin} minutes before the hour, so that the load of this week is kept.`}
              </Text>
              <Button mode="outlined" onPress={() => change({ fillHour: !wish.fillHour })}>
                {wish.fillHour ? 'Keep the load of the week' : 'Fill the hour anyway'}
              </Button>
            </View>
          ) : null}
          {read ? <PlanWords plan={plan} group={read} startTime={wish.startTime} /> : null}
          <Locks plan={plan} wish={wish} change={change} />
          {proposal ? <ServesCard plan={plan} wish={wish} proposal={proposal} /> : null}
          <PlanTruth
            plan={plan}
            startTime={wish.startTime}
            notes={result?.kind === 'built' ? result.notes : []}
            people={proposal ? peopleOf(plan, proposal.people) : []}
          />
          {wish.place === 'open-water' && wish.courseId ? (
            <OutsideNotes
              courseId={wish.courseId}
              plan={plan}
              people={proposal?.people ?? []}
              date={wish.date}
              startTime={wish.startTime}
            />
          ) : null}
        </>
      ) : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
    </View>
  );

  return (
    <Screen
      title="Build a session"
      back="/sessions"
      footer={
        <View style={styles.row}>
          <Button mode="outlined" icon="dice-multiple" disabled={!plan} onPress={() => void another()}>
            Another one
          </Button>
          <Button
            mode="contained"
            icon="check"
            disabled={!plan || building || isLoading}
            onPress={() => plan && void store(plan)}
            style={styles.flex}
            contentStyle={styles.tall}
          >
            {isLoading ? 'Saving…' : 'Keep it'}
          </Button>
        </View>
      }
    >
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.ask : undefined}>
          <ThemeCard wish={wish} proposal={proposal} change={change} />
          {wide ? null : sheet}
          <Card title="Who is coming">
            <Choice
              label="Squads"
              options={[
                { value: '', label: 'Everybody I coach' },
                ...(squads ?? [])
                  .filter((s) => !s.archived)
                  .map((s) => ({ value: s.id, label: `${s.name} (${s.swimmers})` })),
              ]}
              chosen={wish.squadIds.length > 0 ? wish.squadIds : ['']}
              onPress={(id) =>
                change({
                  squadIds:
                    id === ''
                      ? []
                      : wish.squadIds.includes(id)
                        ? wish.squadIds.filter((s) => s !== id)
                        : [...wish.squadIds, id],
                  leftOut: [],
                  locked: {},
                  lengths: {},
                })
              }
            />
            {proposal && proposal.groups.length > 0 ? (
              <Choice
                label="Levels"
                options={proposal.groups.map((g) => ({ value: g.level, label: `${g.name} (${g.swimmers})` }))}
                chosen={proposal.groups.map((g) => g.level).filter((l) => !wish.leftOut.includes(l))}
                onPress={(level) =>
                  change({
                    leftOut: wish.leftOut.includes(level)
                      ? wish.leftOut.filter((l) => l !== level)
                      : [...wish.leftOut, level],
                  })
                }
              />
            ) : null}
            <Distances plan={plan} wish={wish} change={change} />
          </Card>
          <Card title="At the pool">
            <KitTonight wish={wish} proposal={proposal} change={change} />
          </Card>
          <TimeAndPoolCard wish={wish} change={change} times={timesOf(wish, squads ?? [], today)} />
        </View>
        {wide ? <View style={styles.sheet}>{sheet}</View> : null}
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 10 },
  flex: { flex: 1 },
  tall: { minHeight: 48 },
  progress: { height: 6 },
  early: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginBottom: 8 },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  ask: { flex: 2, minWidth: 330 },
  sheet: { flex: 3, minWidth: 0 },
});
