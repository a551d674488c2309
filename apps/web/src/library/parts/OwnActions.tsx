/** What a head coach can do with one entry of the library, and whose it is. */
import type { DrillEntry } from '@upwell/core/library';
import type { OwnKind } from '@upwell/core/own';
import { momentWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { useZone } from '@/state/hooks';
import { Notice } from '@/ui/States';
import { useEntry, useOwn, type Own } from '../useOwn';

interface Props {
  readonly kind: OwnKind;
  readonly id: string;
  readonly name: string;
  /** What the button says. */
  readonly change: string;
  readonly onChange: () => void;
}

/** What stands beside the name of an entry: whether the club wrote it, changed it, or does without it. */
export function markOf({ entryOf }: Own, kinds: readonly OwnKind[], key: string): string | null {
  const changed = kinds.some((kind) => (entryOf(kind, key)?.body ?? null) !== null);
  if (!changed) return null;
  const ours = key.startsWith('own-');
  const drill = entryOf('drills', key)?.body as DrillEntry | null | undefined;
  if (drill?.hidden) return ours ? 'ours, hidden' : 'hidden';
  return ours ? 'ours' : 'changed by us';
}

export function OwnActions({ kind, id, name, change, onChange }: Props) {
  const own = useOwn();
  const zone = useZone();
  const { save, saving, error, problems } = useEntry(kind, id);
  const stored = own.entryOf(kind, id);
  const body = (stored?.body ?? null) as DrillEntry | null;
  const ours = id.startsWith('own-');
  const hidden = kind === 'drills' && body?.hidden === true;
  // A hidden built-in drill is an entry with nothing but that.
  const shown = (): unknown => {
    const { hidden: _, ...rest } = body ?? {};
    return Object.keys(rest).length > 0 ? rest : null;
  };
  const stops =
    kind === 'drills' && !hidden ? problems({ ...body, hidden: true }).find((p) => p.field === 'hidden') : null;
  return (
    <>
      {stored?.by ? (
        <Text variant="bodySmall">{`${body === null ? 'Back to the built-in' : 'Changed'} by ${stored.by}, ${momentWord(stored.at, zone)}`}</Text>
      ) : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {own.head ? (
        <View style={styles.row}>
          <Button mode="outlined" icon="pencil" onPress={onChange}>
            {change}
          </Button>
          {kind === 'drills' ? (
            <Button
              mode="outlined"
              disabled={saving || (!hidden && stops !== undefined && stops !== null)}
              onPress={() => void save(hidden ? shown() : { ...body, hidden: true }, name)}
            >
              {hidden ? 'Use it again' : 'Hide'}
            </Button>
          ) : null}
          {body !== null && !(hidden && !body.card) ? (
            <Button disabled={saving} onPress={() => void save(null, name)}>
              {ours ? 'Take it out' : 'Back to the built-in'}
            </Button>
          ) : null}
        </View>
      ) : null}
      {own.head && stops ? <Text variant="bodySmall">{`Cannot be hidden: ${stops.message}`}</Text> : null}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 6 },
});
