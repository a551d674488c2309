import { useCallback, useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { api } from '@/api/api';
import { useAppDispatch, useAppSelector, useAppStore, useZone } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { saveFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Empty, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import type { StoredEvent, Waiting } from '../db';
import { differences } from '../differences';
import { dropEvents, refusedEvents, retryEvents, waitingEvents } from '../events';
import { dropChange, keepMine, waitingChanges } from '../outbox';
import { storageFull } from '@/state/offline';
import { count, send, SENT } from '../sync';
import { counted, momentWord, timesWord } from '@upwell/core/words';

/** Saves something that waits as a file of its own. */
const toFile = (name: string, what: object) =>
  saveFile(
    name,
    'application/json',
    JSON.stringify({ format: 'upwell-waiting', at: new Date().toISOString(), ...what }, null, 2),
  );

/** What this device holds that the server does not have yet; where two versions meet, both. */
export function WaitingScreen() {
  const zone = useZone();
  const store = useAppStore();
  const dispatch = useAppDispatch();
  const offline = useAppSelector((s) => s.offline);
  const drafts = useAppSelector((s) => s.drafts);
  const [changes, setChanges] = useState<readonly Waiting[]>([]);
  const [events, setEvents] = useState<readonly StoredEvent[]>([]);
  const [setAside, setSetAside] = useState<readonly StoredEvent[]>([]);
  const [sending, setSending] = useState(false);

  const load = useCallback(async () => {
    const [all, notes, stuckNotes] = await Promise.all([waitingChanges(), waitingEvents(), refusedEvents()]);
    setChanges(all);
    setEvents(notes);
    setSetAside(stuckNotes);
  }, []);
  useEffect(() => {
    // Read from the device's database, which is outside of React.
    void Promise.resolve().then(load);
  }, [load, offline.waiting, offline.undecided]);

  const act = async (work: () => Promise<void>) => {
    await work();
    await send(store);
    await load();
  };
  const sendNow = async () => {
    setSending(true);
    await act(async () => {});
    setSending(false);
  };
  const allToFile = () => {
    toFile('upwell-waiting.json', { changes, events: [...events, ...setAside], drafts });
    dispatch(storageFull(false));
  };
  const drop = (entry: Waiting) =>
    act(async () => {
      await dropChange(entry.seq!);
      await count(store);
      dispatch(api.util.invalidateTags([...SENT]));
    });

  const stuck = changes.filter((c) => c.state !== 'waiting');
  const nothing = changes.length + events.length + setAside.length === 0;
  return (
    <Screen
      title="What waits"
      under={reachWords(offline)}
      back="/deck"
      actions={
        nothing ? null : (
          <>
            <Button mode="outlined" icon="download" onPress={allToFile}>
              Save all to a file
            </Button>
            <Button mode="contained" disabled={sending} onPress={() => void sendNow()}>
              {sending ? 'Sending…' : 'Send now'}
            </Button>
          </>
        )
      }
      maxWidth={760}
    >
      {offline.full ? (
        <Notice tone="error">
          This device has no room left. Save what waits to a file, then delete photos or other files; what you enter now
          is kept only while this page stays open.
        </Notice>
      ) : null}
      {nothing ? (
        <Empty title="Nothing waits">Everything you entered on this device has reached the server.</Empty>
      ) : null}
      {stuck.map((entry) => (
        <Stuck
          key={entry.seq}
          entry={entry}
          onMine={() => void act(() => keepMine(entry))}
          onTheirs={() => void drop(entry)}
        />
      ))}
      {setAside.length > 0 ? (
        <Card title={`${notes(setAside.length)} from the deck set aside`} strong>
          <Text>{`${setAside[0]!.refused} Everything else goes on.`}</Text>
          <Choices
            file={() => toFile('upwell-deck-notes.json', { events: setAside })}
            again={() => void act(() => retryEvents(setAside))}
            drop={() => void act(() => dropEvents(setAside))}
          />
        </Card>
      ) : null}
      {events.length > 0 ? (
        <Card title={`${notes(events.length)} from the deck`}>
          <Text>Times, strokes, heads and everything else noted while running sessions, sent in order.</Text>
          <Choices
            file={() => toFile('upwell-deck-notes.json', { events })}
            drop={() => void act(() => dropEvents(events))}
          />
        </Card>
      ) : null}
      {changes
        .filter((c) => c.state === 'waiting')
        .map((entry) => (
          <Card key={entry.seq} title={entry.label}>
            <Text variant="bodySmall">{`Entered ${momentWord(entry.at, zone)}`}</Text>
            {entry.failures ? (
              <Text>{`Sending this failed ${timesWord(entry.failures)} so far: ${entry.problem ?? ''}`}</Text>
            ) : null}
            <Choices file={() => toFile('upwell-change.json', { changes: [entry] })} drop={() => void drop(entry)} />
          </Card>
        ))}
    </Screen>
  );
}

const notes = (n: number) => counted(n, 'note');

/** What is known of the server, in one line. */
export function reachWords({ reachable, trouble }: { readonly reachable: boolean; readonly trouble: boolean }): string {
  if (!reachable) return 'No connection to the server';
  return trouble ? 'The server can be reached, but is having trouble' : 'The server can be reached';
}

/** What can be done with anything that waits; dropping takes a moment of holding. */
function Choices({
  again,
  file,
  drop,
}: {
  readonly again?: () => void;
  readonly file: () => void;
  readonly drop: () => void;
}) {
  return (
    <View style={styles.buttons}>
      {again ? (
        <Button mode="contained" onPress={again}>
          Try again
        </Button>
      ) : null}
      <Button mode="outlined" onPress={file}>
        Save to a file
      </Button>
      <HoldButton label="Hold to drop it" onHeld={drop} />
    </View>
  );
}

interface StuckProps {
  readonly entry: Waiting;
  readonly onMine: () => void;
  readonly onTheirs: () => void;
}

function whatHappened({ state, problem, failures }: Waiting): string {
  if (state === 'conflict')
    return 'This was changed elsewhere while your change waited. Which version do you want to keep?';
  const reason = problem ?? 'No reason was given.';
  if (state === 'failed')
    return `Sending this failed ${timesWord(failures ?? 1)}, so it is set aside. The server can be reached, and everything that does not depend on this goes on. The reason: ${reason}`;
  return `The server did not take this: ${reason}`;
}

function Stuck({ entry, onMine, onTheirs }: StuckProps) {
  const theme = useTheme();
  const both = entry.state === 'conflict';
  const rows = both ? differences(entry.body, entry.current) : [];
  const file = () => toFile('upwell-change.json', { changes: [entry] });
  return (
    <Card title={entry.label} strong>
      <Text>{whatHappened(entry)}</Text>
      {rows.length > 0 ? (
        <View role="table" aria-label="Both versions" style={styles.table}>
          <View role="row" style={styles.row}>
            <Text role="columnheader" variant="labelMedium" style={styles.cell}>
              {' '}
            </Text>
            <Text role="columnheader" variant="labelMedium" style={styles.cell}>
              Yours
            </Text>
            <Text role="columnheader" variant="labelMedium" style={styles.cell}>
              On the server
            </Text>
          </View>
          {rows.map((d) => (
            <View key={d.what} role="row" style={[styles.row, { borderTopColor: theme.own.line, borderTopWidth: 1 }]}>
              <Text role="rowheader" variant="labelMedium" style={styles.cell}>
                {d.what}
              </Text>
              <Text role="cell" style={styles.cell}>
                {d.mine}
              </Text>
              <Text role="cell" style={styles.cell}>
                {d.theirs}
              </Text>
            </View>
          ))}
        </View>
      ) : null}
      {both ? (
        <View style={styles.buttons}>
          <Button mode="contained" onPress={onMine}>
            Keep mine
          </Button>
          <Button mode="outlined" onPress={onTheirs}>
            Use theirs
          </Button>
          <Button mode="outlined" onPress={file}>
            Save to a file
          </Button>
        </View>
      ) : (
        <Choices again={onMine} file={file} drop={onTheirs} />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  table: { marginVertical: 10 },
  row: { flexDirection: 'row', gap: 8, paddingVertical: 6 },
  cell: { flex: 1, minWidth: 0 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 6, alignItems: 'center' },
});
