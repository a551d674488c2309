/** A session typed as on a whiteboard, or read from a file; the sheet draws itself beside it. */
import { skipToken } from '@reduxjs/toolkit/query/react';
import type { SessionDocument } from '@upwell/core/notation';
import { checkPlan, LONGEST_TEXT, newLevel, peopleOf, type SessionPlan } from '@upwell/core/sessions';
import { numberWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { NO_HISTORY, undoable, ways, type History } from '@/state/history';
import { useDraft, useToday } from '@/state/hooks';
import { sameSave } from '@/state/sameSave';
import { useSquadsQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { chooseFile } from '@/ui/saveFile';
import { readTextFile } from '@/ui/readTextFile';
import { Screen } from '@/ui/Screen';
import { Loading, Notice } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { UndoButtons } from '@/ui/UndoButtons';
import { useWide } from '@/ui/useWide';
import { compute } from '@/worker';
import { useProposalQuery, useSaveSessionMutation } from '../api';
import { GroupEditor } from '../hand/GroupEditor';
import { Levels } from '../hand/Levels';
import { LevelSheet } from '../parts/LevelSheet';
import { PlanTruth } from '../parts/PlanTruth';
import { TextPane } from '../parts/TextPane';
import { useText } from '../useText';

const EXAMPLE = `# Tuesday
pool: 25 m
minutes: 60

== Hold
Land 6 min
Warm-up = 400
  200 choice easy, rest 20
  4 x 50 crawl 70%, rest 15
Drills = 300
  2 x (
    2 x 50 drill side-kick, rest 20, with fins
    50 crawl easy, rest 15
  )
Main = 1000
  5 x 200 crawl 80%, breathe 3, on 4:15
Swim-down = 200
  200 choice easy
`;

const PANES = [
  { value: 'text', label: 'As text' },
  { value: 'hand', label: 'By hand' },
] as const;
type Pane = (typeof PANES)[number]['value'];

/** The session so far, and the ways back of what was changed by hand; the text has its own. */
interface Written extends History<SessionDocument> {
  readonly document: SessionDocument | null;
}
const NOTHING_WRITTEN: Written = { document: null, ...NO_HISTORY };
const byHand = undoable<Written, SessionDocument>(
  ({ document }) => document!,
  (now, document) => ({ ...now, document }),
);

interface Kept {
  readonly id: string;
  readonly squadIds: readonly string[];
}

export function WriteSessionScreen() {
  const today = useToday();
  const router = useRouter();
  const wide = useWide();
  const [first] = useState<Kept>(() => ({ id: v7(), squadIds: [] }));
  const [kept, setKept, dropKept] = useDraft<Kept>('session:write', first);
  const [written, setWritten] = useState<Written>(NOTHING_WRITTEN);
  const { document } = written;
  const { read, reading, text, setText, drop } = useText(
    'session-text:new',
    document,
    ({ document: said }) => setWritten({ ...NOTHING_WRITTEN, document: said }),
    { begins: EXAMPLE },
  );
  const [pane, setPane] = useState<Pane>('text');
  const [selected, setSelected] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { data: squads = [] } = useSquadsQuery();
  const [save, { error, isLoading }] = useSaveSessionMutation();
  const errors = read?.problems.some((p) => p.severity === 'error') ?? true;
  const plan = document?.plan ?? null;
  const group = plan?.groups.find(({ id }) => id === selected) ?? plan?.groups[0];
  const change = (next: SessionPlan) =>
    setWritten((now) => (now.document ? byHand.changed(now, { ...now.document, plan: next }) : now));
  const all = squads.filter((s) => !s.archived).map((s) => s.id);
  const squadIds = kept.squadIds.length > 0 ? kept.squadIds : all;
  const date = document?.date ?? today;
  const { data: proposal } = useProposalQuery(squadIds.length > 0 ? { squadIds, date } : skipToken);
  // Who would swim it is asked now already, not only when it is kept.
  const people = plan && proposal ? peopleOf(plan, proposal.people) : [];
  const blocked = plan ? checkPlan(plan, people).blocked : [];

  const open = async () => {
    const file = await chooseFile('.upwell,.txt,.json,.csv,text/plain,text/csv,application/json');
    if (!file) return;
    const answer = await readFile(file);
    setTrouble(answer.trouble);
    if (answer.text !== null) setText(answer.text);
  };
  const store = async () => {
    if (!document) return;
    const { title, startTime } = document;
    const fields = {
      title: title || 'Session',
      date,
      startTime: startTime ?? '19:00',
      squadIds,
      template: false,
      courseId: null,
      seriesId: null,
      breatheFreely: [],
      plan: document.plan,
      done: null,
    };
    const { id, writeId } = sameSave(kept.id, fields);
    const answer = await save({ id, body: { ...fields, version: 0, writeId } });
    if ('error' in answer && answer.error) return;
    dropKept();
    drop();
    router.replace(`/sessions/${id}` as Href);
  };

  return (
    <Screen
      title="Write a session"
      back="/sessions"
      actions={
        <Button mode="outlined" icon="upload" onPress={() => void open()}>
          Read a file
        </Button>
      }
      footer={
        <Button
          mode="contained"
          icon="check"
          disabled={!plan || errors || reading || isLoading || blocked.length > 0}
          onPress={() => void store()}
        >
          {isLoading ? 'Saving…' : 'Keep it'}
        </Button>
      }
    >
      {trouble ? <Notice tone="error">{trouble}</Notice> : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.half : undefined}>
          <Tabs label="How it is written" tabs={PANES} chosen={pane} onChoose={setPane} />
          {pane === 'hand' && !plan && reading ? (
            <Loading label="Reading the text" />
          ) : pane === 'text' || !plan || !group ? (
            <TextPane text={text} read={read} reading={reading} onText={setText} />
          ) : (
            <Card
              title={`${group.name}, set by set`}
              aside={
                <View style={styles.row}>
                  <Button
                    compact
                    accessibilityLabel="Empty it: one level without sets"
                    onPress={() => change({ ...plan, groups: [newLevel(group.level, group.id, v7)] })}
                  >
                    Empty it
                  </Button>
                  <UndoButtons
                    {...ways(written)}
                    undo={() => setWritten(byHand.undone)}
                    redo={() => setWritten(byHand.redone)}
                  />
                </View>
              }
            >
              <Levels plan={plan} group={group} onChange={change} onSelect={setSelected} />
              <GroupEditor plan={plan} group={group} onChange={change} />
            </Card>
          )}
        </View>
        <View style={wide ? styles.half : undefined}>
          {plan ? (
            <>
              <LevelSheet plan={plan} selected={group?.id ?? null} onSelect={setSelected} />
              <PlanTruth plan={plan} startTime={document?.startTime ?? '19:00'} people={people} />
            </>
          ) : (
            <Text>The sheet appears as soon as the text can be read.</Text>
          )}
          <Card title="Who for">
            <Choice
              label="Squads"
              options={squads.filter((s) => !s.archived).map((s) => ({ value: s.id, label: s.name }))}
              chosen={kept.squadIds}
              onPress={(id) =>
                setKept((now) => ({
                  ...now,
                  squadIds: now.squadIds.includes(id) ? now.squadIds.filter((s) => s !== id) : [...now.squadIds, id],
                }))
              }
            />
          </Card>
        </View>
      </View>
    </Screen>
  );
}

/** The text of a chosen file, whatever its format, or what is wrong with it. */
async function readFile(file: File): Promise<{ readonly text: string | null; readonly trouble: string | null }> {
  const refuse = (trouble: string) => ({ text: null, trouble });
  if (file.size > LONGEST_TEXT * 3)
    return refuse(`${file.name} is too large for a session (${numberWord(file.size / 1e6, 1)} MB). Nothing was read.`);
  const content = await readTextFile(file);
  const format = /\.(json|csv)$/.exec(file.name)?.[1];
  if (!format) return { text: content, trouble: null };
  const { document, problems } =
    format === 'json' ? await compute().readSessionJson(content) : await compute().readSessionCsv(content);
  const wrong = problems.filter((p) => p.severity === 'error');
  if (wrong.length > 0) {
    const told = wrong.slice(0, 5).map((p) => (format === 'csv' ? `Row ${p.line}: ${p.message}` : p.message));
    return refuse(`${file.name} was not read. ${told.join(' ')}`);
  }
  return { text: await compute().writeSession(document), trouble: null };
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  half: { flex: 1, minWidth: 0 },
  row: { flexDirection: 'row' },
});
