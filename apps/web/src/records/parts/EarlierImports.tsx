/** What was imported before, each of which can be taken back whole. */
import type { ImportView } from '@upwell/contract/records';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { Failure, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useImportsQuery, useUndoImportMutation } from '../api';
import { countWord, momentWord } from '@/ui/locale';

function brought({ rows, stored, undoneAt, removed }: ImportView): string {
  if (undoneAt) return `Undone ${momentWord(undoneAt)}: ${countWord(removed)} results taken back`;
  const left = rows - stored;
  const known = left > 0 ? `, ${countWord(left)} were here already` : '';
  return `${countWord(stored)} ${stored === 1 ? 'result' : 'results'} stored${known}`;
}

export function EarlierImports() {
  const theme = useTheme();
  const { data, error, refetch } = useImportsQuery();
  const [undo, undoing] = useUndoImportMutation();
  if (error && !data) return <Failure error={error} retry={() => void refetch()} />;
  if (!data || data.length === 0) return null;
  return (
    <Card title="Earlier imports">
      {undoing.error ? <Notice tone="error">{sentence(undoing.error)}</Notice> : null}
      <View role="list">
        {data.map((one) => (
          <View key={one.id} role="listitem" style={[styles.row, { borderTopColor: theme.own.line }]}>
            <View style={styles.flex}>
              <Text variant="titleSmall">{one.name}</Text>
              <Text variant="bodySmall">{`${momentWord(one.storedAt)}${one.by ? ` · ${one.by}` : ''}`}</Text>
              <Text>{brought(one)}</Text>
            </View>
            {one.undoneAt === null ? (
              <HoldButton label={`Hold to undo ${one.name}`} onHeld={() => void undo(one.id)} />
            ) : null}
          </View>
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: {
    borderTopWidth: 1,
    paddingVertical: 8,
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: 8,
    alignItems: 'center',
  },
  flex: { flex: 1, minWidth: 200 },
});
