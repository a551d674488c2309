// One session: its sets, text, lanes, what was swum, and what to take along.
import { skipToken } from '@reduxjs/toolkit/query/react';
import type { SessionPerson, SessionView } from '@upwell/contract/sessions';
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
import type { ApiError } from '@/api/problem';
import { ways } from '@/state/history';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { OutsideNotes } from '@/courses';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { useWide } from '@/ui/useWide';
import { useProposalQuery, useSaveSessionMutation, useEverybodyQuery, useSessionQuery } from '../api';
import { draftOf, redone, type SessionDraft, undone, withFields, withPlan, withTonight } from '../draft';
import { BreathCard } from '../parts/BreathCard';
import { DonePane } from '../parts/DonePane';
import { FilesPane } from '../parts/FilesPane';
import { GroupEditor } from '../parts/GroupEditor';
import { LanesPane, type LanesPaneProps } from '../parts/LanesPane';
import { LevelSheet } from '../parts/LevelSheet';
import { SeriesOffer } from '../parts/SeriesOffer';
import { PlanTruth } from '../parts/PlanTruth';
import { TextPane } from '../parts/TextPane';
import { useText } from '../useText';
import { SaveProblem } from '@/ui/SaveProblem';
import { UndoButtons } from '@/ui/UndoButtons';

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

const PANES = ['sets', 'text', 'lanes', 'swum', 'take'] as const;
type Pane = (typeof PANES)[number];
const PANE_WORD: Readonly<Record<Pane, string>> = {
  sets: 'Sets',
  text: 'Text',
  lanes: 'Lanes',
  swum: 'Swum',
  take: 'Files',
};

function Session({ stored }: { readonly stored: SessionView }) {
  const router = useRouter();
  const wide = useWide();
  const { pane: asked } = useLocalSearchParams<{ pane?: string }>();
  const { data: me } = useMeQuery();
  const clean = useMemo(() => draftOf(stored), [stored]);
  const [draft, setDraft, dropDraft] = useDraft<SessionDraft>(`session:${stored.id}`, clean);
  const [selected, setSelected] = useState<string | null>(stored.plan.groups[0]?.id ?? null);
  const [save, { error, isLoading }] = useSaveSessionMutation();
  const [offer, setOffer] = useState<{ readonly before: SeriesFields; readonly after: SeriesFields } | null>(null);
  const { fields } = draft;
  const { plan } = fields;
  const changed = draft !== clean;
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
  const change = (next: SessionPlan) => coach && setDraft((now) => withPlan(now, next));
  const patch = (more: Parameters<typeof withFields>[1]) => setDraft((now) => withFields(now, more));

  const write = async (version = draft.version): Promise<void> => {
    const result = await save({ id: stored.id, body: { ...fields, version, writeId: draft.writeId } });
    if ('error' in result && result.error) return;
    if (stored.seriesId && changesSeries(stored, fields)) setOffer({ before: stored, after: fields });
    dropDraft();
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
        keepMine={({ version }) => void write(version)}
        takeTheirs={dropDraft}
        retry={() => void write()}
      />
      {offer ? <SeriesOffer id={stored.id} {...offer} onDone={() => setOffer(null)} /> : null}
      {changed && !error ? (
        <Notice action={<Button onPress={dropDraft}>Discard changes</Button>}>
          Unsaved changes are kept on this device.
        </Notice>
      ) : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.sheet : undefined}>
          <LevelSheet plan={plan} selected={group?.id ?? null} onSelect={setSelected} />
          <PlanTruth plan={plan} startTime={fields.startTime} people={people} leftOut={fields.breatheFreely} />
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
              <BreathCard
                plan={plan}
                group={group}
                people={people[plan.groups.indexOf(group)] ?? null}
                leftOut={fields.breatheFreely}
                head={me?.role === 'head'}
                onChange={change}
                onLeftOut={(breatheFreely) => patch({ breatheFreely })}
              />
              <Card
                title={`${group.name}, set by set`}
                aside={<Text variant="bodySmall">{group.paceIsGuess ? 'pace is a guess' : ''}</Text>}
              >
                <GroupEditor plan={plan} group={group} onChange={change} />
              </Card>
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

/** The session as text; what is typed becomes the plan, with the title and the hour it names. */
function SessionText({
  id,
  draft,
  setDraft,
}: {
  readonly id: string;
  readonly draft: SessionDraft;
  readonly setDraft: (change: (now: SessionDraft) => SessionDraft) => void;
}) {
  const { title, date, startTime, plan } = draft.fields;
  const document = useMemo(() => ({ title, date, startTime, plan }), [title, date, startTime, plan]);
  const { text, setText, read, reading } = useText(`session-text:${id}`, document, ({ document: said }) =>
    setDraft((now) => {
      const { fields } = now;
      const named = {
        title: said.title || fields.title,
        date: said.date ?? fields.date,
        startTime: said.startTime ?? fields.startTime,
      };
      return withFields(withPlan(now, said.plan), named);
    }),
  );
  return <TextPane text={text} read={read} reading={reading} onText={setText} />;
}

function SessionLanes({
  asked: { data, error, isFetching, refetch },
  ...rest
}: Omit<LanesPaneProps, 'people' | 'asking'> & {
  readonly asked: {
    readonly data?: readonly SessionPerson[] | undefined;
    readonly error?: ApiError | undefined;
    readonly isFetching: boolean;
    readonly refetch: () => unknown;
  };
}) {
  if (data) return <LanesPane people={data} asking={isFetching} {...rest} />;
  return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Checking who is coming" />;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  sheet: { flex: 3, minWidth: 0 },
  side: { flex: 2, minWidth: 320 },
  gap: { marginBottom: 12 },
});
