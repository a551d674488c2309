import { useCallback, useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { api } from '@/api/api';
import { useAppDispatch, useAppSelector, useAppStore } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { saveFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Empty, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { db, type StoredEvent, type Waiting } from '../db';
import { differences } from '../differences';
import { refusedEvents, waitingEvents } from '../events';
import { dropChange, keepMine, waitingChanges } from '../outbox';
import { storageFull } from '../slice';
import { count, send } from '../sync';

/** What this device holds that the server does not have yet; where two versions meet, both. */
export function WaitingScreen() {
  const store = useAppStore();
  const dispatch = useAppDispatch();
  const offline = useAppSelector((s) => s.offline);
  const drafts = useAppSelector((s) => s.drafts);
  const [changes, setChanges] = useState<readonly Waiting[]>([]);
  const [events, setEvents] = useState<readonly StoredEvent[]>([]);
  const [refused, setRefused] = useState<readonly StoredEvent[]>([]);
  const [sending, setSending] = useState(false);

  const load = useCallback(async () => {
    const [all, notes, stuckNotes] = await Promise.all([waitingChanges(), waitingEvents(), refusedEvents()]);
    setChanges(all);
    setEvents(notes);
    setRefused(stuckNotes);
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
  const toFile = () => {
    const everything = {
      format: 'upwell-waiting',
      at: new Date().toISOString(),
      changes,
      events: [...events, ...refused],
      drafts,
    };
    saveFile('upwell-waiting.json', 'application/json', JSON.stringify(everything, null, 2));
    dispatch(storageFull(false));
  };
  const dropEvents = async () => {
    const open = await db();
    await Promise.all(refused.map((e) => open.delete('events', e.id)));
  };

  const stuck = changes.filter((c) => c.state !== 'waiting');
  const nothing = changes.length + events.length + refused.length === 0;
  return (
    <Screen
      title="What waits"
      under={offline.reachable ? 'The server can be reached' : 'No connection to the server'}
      back="/deck"
      actions={
        nothing ? null : (
          <>
            <Button mode="outlined" icon="download" onPress={toFile}>
              Save to a file
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
          onTheirs={() =>
            void act(async () => {
              await dropChange(entry.seq!);
              await count(store);
              dispatch(api.util.invalidateTags(['Session', 'Swimmer', 'Deck', 'Records']));
            })
          }
        />
      ))}
      {refused.length > 0 ? (
        <Card title={`${refused.length} notes from the deck were refused`}>
          <Text>{refused[0]!.refused}</Text>
          <HoldButton label="Hold to drop them" onHeld={() => void act(dropEvents)} />
        </Card>
      ) : null}
      {events.length > 0 ? (
        <Card title={`${events.length} ${events.length === 1 ? 'note' : 'notes'} from the deck`}>
          <Text>Times, strokes, heads and everything else noted while sessions were run. They go in their order.</Text>
        </Card>
      ) : null}
      {changes
        .filter((c) => c.state === 'waiting')
        .map((entry) => (
          <Card key={entry.seq} title={entry.label}>
            <Text variant="bodySmall">{`Entered ${new Date(entry.at).toLocaleString()}`}</Text>
          </Card>
        ))}
    </Screen>
  );
}

interface StuckProps {
  readonly entry: Waiting;
  readonly onMine: () => void;
  readonly onTheirs: () => void;
}

function Stuck({ entry, onMine, onTheirs }: StuckProps) {
  const theme = useTheme();
  const both = entry.state === 'conflict';
  const rows = both ? differences(entry.body, entry.current) : [];
  return (
    <Card title={entry.label} strong>
      <Text>
        {both
          ? 'This was changed elsewhere while your change waited. Which one counts?'
          : `The server did not take this: ${entry.problem ?? 'no reason was given.'}`}
      </Text>
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
      <View style={styles.buttons}>
        {both ? (
          <>
            <Button mode="contained" onPress={onMine}>
              Keep mine
            </Button>
            <Button mode="outlined" onPress={onTheirs}>
              Take theirs
            </Button>
          </>
        ) : (
          <>
            <Button mode="outlined" onPress={onMine}>
              Try again
            </Button>
            <HoldButton label="Hold to drop it" onHeld={onTheirs} />
          </>
        )}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  table: { marginVertical: 10 },
  row: { flexDirection: 'row', gap: 8, paddingVertical: 6 },
  cell: { flex: 1, minWidth: 0 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 6, alignItems: 'center' },
});
