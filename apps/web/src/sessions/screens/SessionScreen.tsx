// One session: its sets, text, lanes, what was swum, and what to take along.
import { skipToken } from '@reduxjs/toolkit/query/react';
import type { SessionView } from '@upwell/contract/sessions';
import { causeCard } from '@upwell/core/review';
import {
  AS_USUAL,
  changesSeries,
  checkPlan,
  editGroup,
  hereTonight,
  peopleOf,
  placeWord,
  type SeriesFields,
  type SessionPlan,
} from '@upwell/core/sessions';
import { startWord } from '@upwell/core/words';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { useMeQuery } from '@/account';
import { ways } from '@/state/history';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { OutsideNotes } from '@/courses';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { useRoomy } from '@/ui/useRoomy';
import { useWide } from '@/ui/useWide';
import { useProposalQuery, useEverybodyQuery, useSessionQuery } from '../api';
import {
  draftOf,
  isChanged,
  redone,
  seen,
  type SessionDraft,
  undone,
  withFields,
  withPlan,
  withTonight,
} from '../draft';
import { BreathCard } from '../parts/BreathCard';
import { lanesWord, useLanesOut } from '../parts/LateLanes';
import { DonePane } from '../parts/DonePane';
import { FilesPane } from '../parts/FilesPane';
import { GroupEditor } from '../hand/GroupEditor';
import { Levels } from '../hand/Levels';
import { LevelSheet } from '../parts/LevelSheet';
import { SeriesOffer } from '../parts/SeriesOffer';
import { SessionLanes, SessionText } from '../parts/SessionPanes';
import { SideList } from '../parts/SideList';
import { PlanTruth } from '../parts/PlanTruth';
import { PlanWords } from '../parts/PlanWords';
import { TogetherNotes } from '../parts/TogetherNotes';
import { useTogether } from '../useTogether';
import { SaveProblem } from '@/ui/SaveProblem';
import { UndoButtons } from '@/ui/UndoButtons';

export function SessionScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: session, error, refetch, isFetching } = useSessionQuery(id);
  const roomy = useRoomy();
  if (session) {
    const page = <Session key={session.id} stored={session} refetch={refetch} isAsked={isFetching} />;
    if (!roomy) return page;
    return (
      <View style={styles.beside}>
        <SideList open={id} />
        <View style={styles.page}>{page}</View>
      </View>
    );
  }
  return (
    <Screen title="Session" back="/sessions">
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Loading session" />}
    </Screen>
  );
}

const PANES = ['sets', 'text', 'lanes', 'swum', 'take'] as const;
type Pane = (typeof PANES)[number];
const PANE_WORD: Readonly<Record<Pane, string>> = {
  sets: 'Sets',
  text: 'Text',
  lanes: 'Lanes',
  swum: 'Swum',
  take: 'Files',
};

function Session({
  stored,
  refetch,
  isAsked,
}: Pick<Parameters<typeof useTogether>[0], 'stored' | 'refetch' | 'isAsked'>) {
  const router = useRouter();
  const wide = useWide();
  const { pane: asked } = useLocalSearchParams<{ pane?: string }>();
  const { data: me } = useMeQuery();
  const clean = useMemo(() => draftOf(stored), [stored]);
  const [draft, setDraft, dropDraft] = useDraft<SessionDraft>(`session:${stored.id}`, clean);
  const [selected, setSelected] = useState<string | null>(stored.plan.groups[0]?.id ?? null);
  const [offer, setOffer] = useState<{ readonly before: SeriesFields; readonly after: SeriesFields } | null>(null);
  const { fields } = draft;
  const { plan } = fields;
  const changed = useMemo(() => draft !== clean && isChanged(draft), [draft, clean]);
  const coach = me?.role !== 'swimmer';
  const group = plan.groups.find((g) => g.id === selected) ?? plan.groups[0];
  const panes = coach ? PANES : (['sets'] as const);
  const pane = panes.find((p) => p === asked) ?? 'sets';
  const { data: proposal } = useProposalQuery(
    me && coach ? { squadIds: fields.squadIds, date: fields.date } : skipToken,
  );
  const tonight = fields.tonight ?? AS_USUAL;
  const everybody = useEverybodyQuery(coach && me ? { id: stored.id, guests: tonight.guests } : skipToken);
  const here = useMemo(() => everybody.data && hereTonight(everybody.data, tonight), [everybody.data, tonight]);
  const people = useMemo(() => (here ? peopleOf(plan, here) : []), [plan, here]);
  const blocked = useMemo(
    () => checkPlan(plan, people, fields.breatheFreely).blocked,
    [plan, people, fields.breatheFreely],
  );
  const hasLanes = coach && plan.place === 'pool' && !fields.template && blocked.length === 0;
  const out = useLanesOut(plan, hasLanes ? here : undefined, proposal?.laneCapacity);
  const change = (next: SessionPlan) => coach && setDraft((now) => withPlan(now, next));
  const patch = (more: Parameters<typeof withFields>[1]) => setDraft((now) => withFields(now, more));

  const together = useTogether({
    stored,
    draft,
    setDraft,
    dropDraft,
    refetch,
    isAsked,
    listens: coach && me !== undefined,
    maySave: changed && blocked.length === 0,
  });
  const { error, isLoading } = together;
  const write = async () => {
    if (!(await together.write())) return;
    if (stored.seriesId && changesSeries(stored, fields)) setOffer({ before: stored, after: fields });
  };

  return (
    <Screen
      title={fields.title}
      over={`${fields.template ? 'Template' : startWord({ ...fields, timeZone: stored.timeZone })} · ${placeWord(plan)} · ${plan.minutes} min`}
      under={`Theme: ${causeCard(plan.theme).name}`}
      back="/sessions"
      actions={
        <>
          {coach ? (
            <>
              <UndoButtons {...ways(draft)} undo={() => setDraft(undone)} redo={() => setDraft(redone)} />
              <Button
                mode={changed ? 'contained' : 'outlined'}
                icon="check"
                disabled={!changed || isLoading || blocked.length > 0}
                onPress={() => void write()}
              >
                {isLoading ? 'Saving…' : 'Save changes'}
              </Button>
            </>
          ) : null}
          {coach && fields.courseId ? (
            <Button
              mode="outlined"
              icon="waves"
              onPress={() => router.navigate(`/water/${fields.courseId!}/day?session=${stored.id}` as Href)}
            >
              Go or not?
            </Button>
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
      <SaveProblem<SessionView>
        error={error}
        name={({ title }) => `“${title}”`}
        keepMine={() => void write()}
        takeTheirs={dropDraft}
        retry={() => void write()}
      />
      <TogetherNotes together={together} takeTheirs={changed ? dropDraft : null} onSeen={() => setDraft(seen)} />
      {offer ? <SeriesOffer id={stored.id} {...offer} onDone={() => setOffer(null)} /> : null}
      {changed && !error ? (
        <Notice action={<Button onPress={dropDraft}>Discard changes</Button>}>
          Unsaved changes are kept on this device.
        </Notice>
      ) : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.sheet : undefined}>
          <LevelSheet plan={plan} selected={group?.id ?? null} onSelect={setSelected} />
          <PlanTruth
            plan={plan}
            startTime={fields.startTime}
            people={people}
            leftOut={fields.breatheFreely}
            lanes={hasLanes ? lanesWord(out, fields.startTime, everybody.error !== undefined) : null}
          />
          {plan.place === 'open-water' && fields.courseId && !fields.template ? (
            <OutsideNotes
              courseId={fields.courseId}
              plan={plan}
              people={here ?? []}
              date={fields.date}
              startTime={fields.startTime}
            />
          ) : null}
        </View>
        <View style={wide ? styles.side : undefined}>
          {coach ? (
            <>
              <Input
                label="Title"
                value={fields.title}
                maxLength={120}
                onChangeText={(title) => patch({ title })}
                style={styles.gap}
              />
              <Tabs
                label="View of the session"
                tabs={panes.map((value) => ({ value, label: PANE_WORD[value] }))}
                chosen={pane}
                onChoose={(value) => router.setParams({ pane: value })}
              />
            </>
          ) : null}
          {pane === 'sets' && group ? (
            <>
              {coach ? <Levels plan={plan} group={group} onChange={change} onSelect={setSelected} /> : null}
              <BreathCard
                plan={plan}
                group={group}
                people={people[plan.groups.indexOf(group)] ?? null}
                leftOut={fields.breatheFreely}
                head={me?.role === 'head'}
                onChange={change}
                onLeftOut={(breatheFreely) => patch({ breatheFreely })}
              />
              {coach ? (
                <Card
                  title={`${group.name}, set by set`}
                  aside={<Text variant="bodySmall">{group.paceIsGuess ? 'pace is a guess' : ''}</Text>}
                >
                  <GroupEditor plan={plan} group={group} onChange={change} />
                </Card>
              ) : (
                <PlanWords plan={plan} group={group} startTime={fields.startTime} />
              )}
            </>
          ) : null}
          {pane === 'text' ? <SessionText id={stored.id} draft={draft} setDraft={setDraft} /> : null}
          {pane === 'lanes' && group ? (
            <SessionLanes
              asked={everybody}
              plan={plan}
              group={group}
              capacity={proposal?.laneCapacity ?? null}
              tonight={tonight}
              out={out}
              startTime={fields.startTime}
              onLanes={(lanes) => change(editGroup(plan, group.id, { lanes }))}
              onTonight={(next) => setDraft((now) => withTonight(now, next))}
            />
          ) : null}
          {pane === 'swum' ? (
            <DonePane plan={plan} done={fields.done} group={group} onChange={(done) => patch({ done })} />
          ) : null}
          {pane === 'take' ? <FilesPane stored={stored} changed={changed} /> : null}
        </View>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  beside: { flex: 1, flexDirection: 'row' },
  page: { flex: 1, minWidth: 0 },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  sheet: { flex: 3, minWidth: 0 },
  side: { flex: 2, minWidth: 320 },
  gap: { marginBottom: 12 },
});
