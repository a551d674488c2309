import type { RosterDone, RosterPreview } from '@upwell/contract/roster';
import type { RosterMapping } from '@upwell/core/exchange/shapes';
import { levelCard, type LevelId, LEVELS } from '@upwell/core/swimmers';
import { counted, plural } from '@upwell/core/words';
import { type Href, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useMeQuery } from '@/account';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import { compute } from '@/worker';
import { chooseFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Loading, Notice } from '@/ui/States';
import { useSquadsQuery } from '@/swimmers';
import { useCommitRosterMutation, usePreviewRosterMutation } from '../api';
import { EarlierRosters } from '../parts/EarlierRosters';
import { InviteAll } from '../parts/InviteAll';
import { RosterColumns } from '../parts/RosterColumns';
import { comesIn, RosterLines } from '../parts/RosterLines';

/** Bytes of a file that is opened. */
const LARGEST = 4_000_000;

interface Opened {
  readonly name: string;
  readonly text: string;
}

/** Swimmers out of a file or a pasted list: what each line brings and what stands against it, then all of it at once. */
export function RosterScreen() {
  const [pasted, setPasted] = useState('');
  const [opened, setOpened] = useState<Opened | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const choose = async (): Promise<void> => {
    const file = await chooseFile('.csv,.txt,.tsv,.xlsx,text/csv,text/plain');
    if (!file) return;
    setProblem(file.size > LARGEST ? 'This file is too large for a list of swimmers.' : null);
    if (file.size > LARGEST) return;
    const list = await compute().listText(new Uint8Array(await file.arrayBuffer()));
    if ('refused' in list) setProblem(list.refused);
    else setOpened({ name: file.name, text: list.text });
  };
  if (opened)
    return <Look key={`${opened.name} ${opened.text.length}`} opened={opened} onOther={() => setOpened(null)} />;
  return (
    <Screen {...HEAD}>
      <Card title="The list">
        <Text>
          One swimmer per line: name, and what you have of year of birth, squad, level, e-mail and best times, in any
          order. Missing squads are created.
        </Text>
        <Button mode="contained" icon="upload" style={styles.start} onPress={() => void choose()}>
          Choose a file
        </Button>
        {problem ? <Notice tone="error">{problem}</Notice> : null}
        <Input
          label="Or paste it here"
          value={pasted}
          onChangeText={setPasted}
          multiline
          numberOfLines={6}
          placeholder={'First name, last name, born, squad\nOdette, Quarrel, 2013, Juniors'}
          autoComplete="off"
          style={styles.paste}
        />
        <Button
          mode="outlined"
          style={styles.start}
          disabled={pasted.trim() === ''}
          onPress={() => setOpened({ name: 'Pasted list', text: pasted })}
        >
          Check the list
        </Button>
      </Card>
      <EarlierRosters />
    </Screen>
  );
}

const HEAD = {
  title: 'Swimmers from a list',
  under: 'A CSV or XLSX file with any headings, or names pasted from a spreadsheet',
  back: '/swimmers',
  maxWidth: 900,
} as const;

function Look({ opened, onOther }: { readonly opened: Opened; readonly onOther: () => void }) {
  const { data: me } = useMeQuery();
  const { data: squads } = useSquadsQuery();
  const [id] = useState(() => v7());
  const [preview, { error, isLoading }] = usePreviewRosterMutation();
  // What was seen last stays while the list is looked at another time.
  const [data, setData] = useState<RosterPreview | null>(null);
  const [commit, committing] = useCommitRosterMutation();
  const [mapping, setMapping] = useState<RosterMapping | null>(null);
  const [squad, setSquad] = useState('');
  const [level, setLevel] = useState<LevelId>('settle');
  const [swapped, setSwapped] = useState<ReadonlySet<number>>(new Set());
  const ask = { id, name: opened.name, text: opened.text, mapping, squad, level };
  const look = async (change: Partial<typeof ask> = {}): Promise<void> => {
    const result = await preview({ ...ask, ...change });
    if (result.data) setData(result.data);
  };
  useEffect(() => {
    const first = { id, name: opened.name, text: opened.text, mapping: null, squad: '', level: 'settle' as const };
    void preview(first).then(({ data: seen }) => seen && setData(seen));
  }, [preview, id, opened]);
  if (committing.data)
    return (
      <Screen {...HEAD}>
        <Done done={committing.data} onOther={onOther} />
      </Screen>
    );
  const open = squads?.filter((s) => !s.archived) ?? [];
  const without = data?.rows.some((l) => l.squad === '' || (squad !== '' && l.squad === squad)) ?? false;
  const coming = data?.rows.filter((l) => comesIn(l, swapped)) ?? [];
  const store = () =>
    commit({
      id,
      also: coming.filter((l) => l.existing !== null || l.sameAs !== null).map((l) => l.line),
      without: (data?.rows ?? []).filter((l) => l.problems.length === 0 && !comesIn(l, swapped)).map((l) => l.line),
    });
  const bring = (
    <View style={styles.bring}>
      {data && data.newSquads.length > 0 ? (
        <Text>{`${plural(data.newSquads.length, 'A new squad', 'New squads')}: ${data.newSquads.join(', ')}`}</Text>
      ) : null}
      <Button
        mode="contained"
        disabled={coming.length === 0 || committing.isLoading || isLoading}
        onPress={() => void store()}
      >
        {committing.isLoading ? 'Importing…' : `Import ${counted(coming.length, 'swimmer')}`}
      </Button>
    </View>
  );
  return (
    <Screen {...HEAD} footer={data && data.rows.length > 0 ? bring : null}>
      <View style={styles.row}>
        <Text variant="titleMedium" style={styles.flex}>
          {opened.name}
        </Text>
        <Button mode="outlined" onPress={onOther}>
          Another list
        </Button>
      </View>
      {error ? (
        <Notice
          tone="error"
          action={
            <Button mode="outlined" onPress={() => void look()}>
              Try again
            </Button>
          }
        >
          {sentence(error)}
        </Notice>
      ) : null}
      {isLoading && !data ? <Loading label="Reading the list" /> : null}
      {data?.problem ? <Notice tone="error">{data.problem}</Notice> : null}
      {data && data.headings.length > 0 ? (
        <Mapped
          data={data}
          onMap={(next) => {
            setMapping(next);
            setSwapped(new Set());
            void look({ mapping: next });
          }}
        />
      ) : null}
      {data && without ? (
        <Card title="Lines without a squad" strong={squad === ''}>
          <Choice
            label="Put them into"
            options={open.map((s) => ({ value: s.name, label: s.name }))}
            chosen={[squad]}
            onPress={(name) => {
              setSquad(name);
              void look({ squad: name });
            }}
          />
          {me?.role === 'head' ? (
            <NewSquad
              onName={(name) => {
                setSquad(name);
                void look({ squad: name });
              }}
            />
          ) : null}
        </Card>
      ) : null}
      {data?.rows.some((l) => l.levelOfAll) ? (
        <Card title="Lines without a level">
          <Choice
            label="Treat them as"
            options={LEVELS.map((value) => ({ value, label: levelCard(value).name }))}
            chosen={[level]}
            onPress={(value) => {
              setLevel(value);
              void look({ level: value });
            }}
          />
          <Text variant="bodySmall">{`${levelCard(level).name}: ${levelCard(level).who}. Each can be changed later.`}</Text>
        </Card>
      ) : null}
      {data ? <RosterLines lines={data.rows} swapped={swapped} onSwap={setSwapped} /> : null}
      {committing.error ? (
        <Notice tone="error">{`${sentence(committing.error)} Pressing again stores nothing twice.`}</Notice>
      ) : null}
    </Screen>
  );
}

/** What the columns were taken for; open when nothing could be read. */
function Mapped({ data, onMap }: { readonly data: RosterPreview; readonly onMap: (mapping: RosterMapping) => void }) {
  const [open, setOpen] = useState(data.problem !== null);
  return (
    <Card>
      <Disclosure label="What the columns mean" open={open} onPress={() => setOpen(!open)} />
      {open ? <RosterColumns read={data} onMap={onMap} /> : null}
    </Card>
  );
}

function NewSquad({ onName }: { readonly onName: (name: string) => void }) {
  const [name, setName] = useState('');
  return (
    <View style={styles.row}>
      <Input label="Or a new squad called" value={name} onChangeText={setName} maxLength={60} style={styles.flex} />
      <Button mode="outlined" disabled={name.trim() === ''} onPress={() => onName(name.trim())}>
        Use it
      </Button>
    </View>
  );
}

function Done({ done, onOther }: { readonly done: RosterDone; readonly onOther: () => void }) {
  const router = useRouter();
  const { swimmers, squads } = done;
  const made = squads === 0 ? '' : ` ${counted(squads, 'squad was', 'squads were')} created.`;
  return (
    <>
      <Card title={`${counted(swimmers, 'swimmer')} added`} strong>
        <Text>{`${made} What next?`.trim()}</Text>
        <View style={styles.row}>
          <Button mode="contained" onPress={() => router.navigate('/sessions/new' as Href)}>
            Build a session
          </Button>
          <Button mode="outlined" onPress={() => router.navigate('/account/people' as Href)}>
            Invite coaches
          </Button>
          <Button mode="outlined" onPress={() => router.navigate('/swimmers')}>
            See them
          </Button>
          <Button onPress={onOther}>Another list</Button>
        </View>
      </Card>
      <InviteAll done={done} />
      <EarlierRosters />
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginVertical: 8 },
  flex: { flex: 1, minWidth: 180 },
  start: { alignSelf: 'flex-start', marginTop: 12 },
  bring: { gap: 6 },
  paste: { marginTop: 14, minHeight: 140 },
});
