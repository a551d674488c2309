/** Lists that came in before; each can be taken back whole. */
import type { RosterImport } from '@upwell/contract/roster';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { Failure, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useRostersQuery, useUndoRosterMutation } from '../api';
import { countWord, momentWord } from '@/ui/locale';

function brought({ swimmers, undoneAt, removed }: RosterImport): string {
  const stay = swimmers - removed;
  if (!undoneAt) return `${countWord(swimmers)} ${swimmers === 1 ? 'swimmer' : 'swimmers'}`;
  const kept = stay === 0 ? '' : `; ${countWord(stay)} stayed, somebody has worked with them since`;
  return `Taken back: ${countWord(removed)}${kept}`;
}

export function EarlierRosters() {
  const theme = useTheme();
  const { data, error, refetch } = useRostersQuery();
  const [undo, undoing] = useUndoRosterMutation();
  if (error && !data) return <Failure error={error} retry={() => void refetch()} />;
  if (!data || data.length === 0) return null;
  return (
    <Card title="Earlier lists">
      {undoing.error ? <Notice tone="error">{sentence(undoing.error)}</Notice> : null}
      <View role="list">
        {data.map((one) => (
          <View key={one.id} role="listitem" style={[styles.row, { borderTopColor: theme.own.line }]}>
            <View style={styles.flex}>
              <Text variant="titleSmall">{one.name}</Text>
              <Text variant="bodySmall">{`${momentWord(one.storedAt)} · ${one.by}`}</Text>
              <Text>{brought(one)}</Text>
            </View>
            {one.undoneAt === null ? (
              <HoldButton label={`Hold to take back ${one.name}`} onHeld={() => void undo(one.id)} />
            ) : null}
          </View>
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, paddingVertical: 8, flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  flex: { flex: 1, minWidth: 200 },
});
