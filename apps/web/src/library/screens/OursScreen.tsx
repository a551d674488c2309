/** What the club has of its own, as a list and as a file; and another club's file beside it. */
import type { LibraryFile } from '@upwell/contract/library';
import {
  canBeBoth,
  compareLibraries,
  keyOf,
  libraryProblems,
  takeIn,
  withEntry,
  type Compared,
  type LibraryEntry,
  type Settled,
} from '@upwell/core/clubLibrary';
import type { OwnShelves } from '@upwell/core/own';
import { counted, momentWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useMeQuery } from '@/account';
import { sentence } from '@/api/problem';
import { useZone } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { readTextFile } from '@/ui/readTextFile';
import { chooseFile, saveFrom } from '@/ui/saveFile';
import { useTheme } from '@/ui/useTheme';
import { compute } from '@/worker';
import { useImportLibraryMutation, useLibraryQuery } from '../api';
import { nameOf, saysOf } from '../parts/entryWords';
import { ExperienceCard } from '../parts/ExperienceCard';
import { LastChangeNote } from '../parts/LastChangeNote';
import { useOwn } from '../useOwn';

export function OursScreen() {
  const own = useOwn();
  const asked = useLibraryQuery();
  const { data: me } = useMeQuery();
  const zone = useZone();
  const theme = useTheme();
  const [file, setFile] = useState<LibraryFile | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const all = own.entries.filter((entry) => entry.body !== null);
  const shown = all.filter((entry) => entry.kind !== 'experience');
  const experience = all.filter((entry) => entry.kind === 'experience');
  const choose = async () => {
    const chosen = await chooseFile('.json,application/json');
    if (!chosen) return;
    const read = await compute().readLibraryFile(await readTextFile(chosen));
    setDone(null);
    setFile('file' in read ? read.file : null);
    setWrong('wrong' in read ? read.wrong : null);
  };
  return (
    <Screen
      title="Our own library"
      over="Library"
      back="/library"
      maxWidth={900}
      actions={
        <>
          {all.length > 0 ? (
            <Button mode="outlined" icon="download" onPress={() => saveFrom('/api/v1/library/file')}>
              Save to a file
            </Button>
          ) : null}
          {own.head ? (
            <Button mode="contained" onPress={() => void choose()}>
              Open another club’s
            </Button>
          ) : null}
        </>
      }
    >
      <LastChangeNote />
      {wrong ? <Notice tone="error">{wrong}</Notice> : null}
      {done ? <Notice>{done}</Notice> : null}
      {file ? (
        <Beside
          key={file.savedAt}
          file={file}
          us={me?.clubName ?? ''}
          shelves={own.shelves}
          version={own.version}
          close={(words) => {
            setFile(null);
            setDone(words);
          }}
        />
      ) : null}
      {asked.error && !asked.data ? (
        <Failure error={asked.error} retry={() => void asked.refetch()} />
      ) : !asked.data ? (
        <Loading label="Opening your library" />
      ) : shown.length === 0 ? (
        <Empty title="Nothing of your own yet">
          Every drill, cue, sign, ladder and level can be changed where it stands in the library. What you change is
          listed here, and can be given to another club as a file.
        </Empty>
      ) : (
        <Card title={counted(shown.length, 'entry', 'entries')}>
          <View role="list">
            {shown.map((entry) => (
              <View
                key={`${entry.kind} ${entry.key}`}
                role="listitem"
                style={[styles.line, { borderTopColor: theme.own.line }]}
              >
                <Text variant="titleSmall">{nameOf(entry as LibraryEntry)}</Text>
                <Text>{saysOf(entry as LibraryEntry)}</Text>
                <Text variant="bodySmall">{`${entry.by ? `${entry.by}, ` : ''}${momentWord(entry.at, zone)}`}</Text>
              </View>
            ))}
          </View>
        </Card>
      )}
      {experience.length > 0 ? <ExperienceCard entries={experience} /> : null}
    </Screen>
  );
}

const SETTLED: Readonly<Record<Settled, string>> = { ours: 'keep ours', theirs: 'take theirs', both: 'keep both' };

/** Another club's library beside one's own: what is new comes in, and each clash is settled by the coach. */
function Beside({
  file,
  us,
  shelves,
  version,
  close,
}: {
  readonly file: LibraryFile;
  /** The name of our own club. */
  readonly us: string;
  readonly shelves: OwnShelves;
  readonly version: number;
  readonly close: (done: string | null) => void;
}) {
  const theme = useTheme();
  const [settled, setSettled] = useState<Readonly<Record<string, Settled>>>({});
  const [left, setLeft] = useState<readonly string[]>([]);
  const [bring, { isLoading, error }] = useImportLibraryMutation();
  const [writeId] = useState(() => v7());
  const compared = compareLibraries(shelves, file.entries, { us, them: file.club });
  const of = (is: Compared['is']) => compared.filter((row) => row.is === is);
  const clashes = of('clash');
  const coming = takeIn(shelves, compared, settled, file.club).filter((entry) => !left.includes(keyOf(entry)));
  let after = shelves;
  for (const { kind, key, body } of coming) after = withEntry(after, kind, key, body);
  const refused = new Map(libraryProblems(after).map(({ entry, problems }) => [keyOf(entry), problems[0]!.message]));
  const stopped = coming.filter((entry) => refused.has(keyOf(entry)));
  const open = clashes.filter(({ theirs }) => settled[keyOf(theirs)] === undefined);
  const take = async () => {
    const { error: no } = await bring({ entries: coming, version, writeId });
    if (!no) close(`${counted(coming.length, 'entry', 'entries')} of ${file.club} came in, and count from now on.`);
  };
  return (
    <Card title={`The library of ${file.club}`} strong>
      <Text>{`${of('new').length} new, ${of('same').length} the same as yours, ${counted(clashes.length, 'clash', 'clashes')}.`}</Text>
      {clashes.map((row) => (
        <View key={keyOf(row.theirs)} style={[styles.line, { borderTopColor: theme.own.line }]}>
          <Text variant="titleSmall">{nameOf(row.theirs)}</Text>
          <Text>{`Ours: ${saysOf(row.ours!)}`}</Text>
          <Text>{`Theirs: ${saysOf(row.theirs)}`}</Text>
          <Choice
            label="What counts from now on"
            options={(['ours', 'theirs', ...(canBeBoth(row) ? (['both'] as const) : [])] as const).map((value) => ({
              value,
              label: SETTLED[value],
            }))}
            chosen={settled[keyOf(row.theirs)] ? [settled[keyOf(row.theirs)]!] : []}
            onPress={(value) => setSettled({ ...settled, [keyOf(row.theirs)]: value })}
          />
        </View>
      ))}
      {of('new').map(({ theirs }) => (
        <View key={keyOf(theirs)} style={[styles.line, { borderTopColor: theme.own.line }]}>
          <Text variant="titleSmall">{nameOf(theirs)}</Text>
          <Text>{saysOf(theirs)}</Text>
        </View>
      ))}
      {stopped.map((entry) => (
        <Notice
          key={keyOf(entry)}
          tone="error"
          action={
            <Button mode="outlined" onPress={() => setLeft([...left, keyOf(entry)])}>
              Leave it out
            </Button>
          }
        >
          {`${nameOf(entry)}: ${refused.get(keyOf(entry))!}`}
        </Notice>
      ))}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <View style={styles.row}>
        <Button
          mode="contained"
          loading={isLoading}
          disabled={coming.length === 0 || open.length > 0 || stopped.length > 0 || isLoading}
          onPress={() => void take()}
        >
          {coming.length === 0 ? 'Nothing to take in' : `Take in ${counted(coming.length, 'entry', 'entries')}`}
        </Button>
        <Button onPress={() => close(null)}>Leave</Button>
        {open.length > 0 ? (
          <Text variant="bodySmall">{`${counted(open.length, 'clash', 'clashes')} to settle first.`}</Text>
        ) : null}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { borderTopWidth: 1, paddingVertical: 8, gap: 2 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 10 },
});
