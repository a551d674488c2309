import type { ImportCheck } from '@upwell/contract/records';
import { formatTime } from '@upwell/core/units';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { dayWord } from '@/ui/dates';
import { useTheme } from '@/ui/useTheme';
import type { PendingImport } from '../importResults';

const results = (n: number) => `${n.toLocaleString()} ${n === 1 ? 'result' : 'results'}`;

/** Some rows are here already: which, and what to do about it. Nothing is stored yet. */
export function KnownRows({
  check,
  onStore,
  onCancel,
}: {
  readonly check: ImportCheck;
  readonly onStore: (skipKnown: boolean) => void;
  readonly onCancel: () => void;
}) {
  const theme = useTheme();
  const { rows, known, examples } = check;
  const fresh = rows - known;
  return (
    <Card title={`${known.toLocaleString()} of ${results(rows)} ${known === 1 ? 'is' : 'are'} here already`} strong>
      <Text variant="bodySmall">Same swimmer, day, distance and time. Nothing is stored yet.</Text>
      {examples.map((e, i) => (
        <Text key={i} style={[styles.row, { borderTopColor: theme.own.line }]}>
          {`${e.name}, ${dayWord(e.on)}: ${e.distanceM} m in ${formatTime(e.timeS)}`}
        </Text>
      ))}
      {known > examples.length ? <Text>{`and ${(known - examples.length).toLocaleString()} more`}</Text> : null}
      <View style={styles.buttons}>
        {fresh > 0 ? (
          <Button mode="contained" onPress={() => onStore(true)}>
            {`Store only the ${results(fresh)} that ${fresh === 1 ? 'is' : 'are'} new`}
          </Button>
        ) : null}
        <Button mode="outlined" onPress={() => onStore(false)}>
          {`Store all ${rows.toLocaleString()} again`}
        </Button>
        <Button onPress={onCancel}>Store nothing</Button>
      </View>
    </Card>
  );
}

/** The answer was lost: what is true is that nobody knows yet. */
export function Asking({ onStop }: { readonly onStop: () => void }) {
  return (
    <Card title="Not known yet whether it arrived" strong>
      <View style={styles.buttons} role="status" aria-live="polite">
        <ActivityIndicator accessibilityLabel="Asking the server" />
        <Text style={styles.flex}>
          The answer of the server was lost, so the results may be stored or not. It is asked again until it answers;
          they are never stored twice.
        </Text>
        <Button onPress={onStop}>Ask later</Button>
      </View>
    </Card>
  );
}

/** An import of an earlier visit that was never heard of. */
export function Unheard({
  pending,
  onStore,
  onForget,
}: {
  readonly pending: PendingImport;
  readonly onStore: () => void;
  readonly onForget: () => void;
}) {
  return (
    <Card title={`${pending.name || 'Your last import'} was not stored yet`} strong>
      <Text>{`The server has not stored its ${results(pending.rows)}. What you sent is still there for a day.`}</Text>
      <View style={styles.buttons}>
        <Button mode="contained" onPress={onStore}>
          Store it now
        </Button>
        <Button onPress={onForget}>Forget it</Button>
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, paddingVertical: 4 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 8, alignItems: 'center' },
  flex: { flex: 1, minWidth: 200 },
});
