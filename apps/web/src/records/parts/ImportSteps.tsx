// What an import shows while it is read, checked and taken in.
import type { ImportCheck } from '@upwell/contract/records';
import { formatTime } from '@upwell/core/units';
import { counted, dayWord, numberWord, plural } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { ActivityIndicator, Button, ProgressBar, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';
import type { PendingImport } from '../importResults';

const results = (n: number) => counted(n, 'result');

/** How far it is; without a share it is not known. */
export function Progress({ share, onStop }: { readonly share: number | null; readonly onStop?: () => void }) {
  const known = share === null ? {} : { 'aria-valuenow': Math.round(share * 100) };
  return (
    <View style={styles.buttons} role="progressbar" aria-label="Progress" {...known}>
      <View style={styles.flex}>
        {share === null ? <ProgressBar indeterminate /> : <ProgressBar progress={share} />}
      </View>
      {onStop ? <Button onPress={onStop}>Stop</Button> : null}
    </View>
  );
}

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
    <Card title={`${numberWord(known)} of ${results(rows)} ${plural(known, 'is', 'are')} already here`} strong>
      <Text variant="bodySmall">Same swimmer, day, distance and time. Nothing is stored yet.</Text>
      {examples.map((e, i) => (
        <Text key={i} style={[styles.row, { borderTopColor: theme.own.line }]}>
          {`${e.name}, ${dayWord(e.on)}: ${e.distanceM} m in ${formatTime(e.timeS, 1)}`}
        </Text>
      ))}
      {known > examples.length ? <Text>{`and ${numberWord(known - examples.length)} more`}</Text> : null}
      <View style={styles.buttons}>
        {fresh > 0 ? (
          <Button mode="contained" onPress={() => onStore(true)}>
            {`Store only the ${results(fresh)} that ${plural(fresh, 'is', 'are')} new`}
          </Button>
        ) : null}
        <Button mode={fresh > 0 ? 'outlined' : 'contained'} onPress={onCancel}>
          Store nothing
        </Button>
        <Button onPress={() => onStore(false)}>{`Store all ${numberWord(rows)} again`}</Button>
      </View>
    </Card>
  );
}

/** The answer was lost: what is true is that not known yet. */
export function Asking({ onStop }: { readonly onStop: () => void }) {
  return (
    <Card title="Not sure yet whether it arrived" strong>
      <View style={styles.buttons} role="status" aria-live="polite">
        <ActivityIndicator accessibilityLabel="Asking the server" />
        <Text style={styles.flex}>
          The server’s answer was lost, so the results may or may not be stored. Upwell keeps asking; they are never
          stored twice.
        </Text>
        <Button onPress={onStop}>Ask later</Button>
      </View>
    </Card>
  );
}

/** An import that was asked to be stored and not heard of since, here or on an earlier visit. */
export function Unheard({
  pending,
  onAsk,
  onForget,
}: {
  readonly pending: PendingImport;
  readonly onAsk: () => void;
  readonly onForget: () => void;
}) {
  return (
    <Card title={`Not sure whether ${pending.name || 'your last import'} is stored`} strong>
      <Text>
        {`No answer came for its ${results(pending.rows)}. Ask before you import another file: anything already stored is listed below and is not stored again.`}
      </Text>
      <View style={styles.buttons}>
        <Button mode="contained" onPress={onAsk}>
          Ask, and store it if it is not
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
