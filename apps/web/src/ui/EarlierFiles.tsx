/** Files that came in before, each of which can be taken back whole. */
import { useZone } from '@/state/hooks';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from './Card';
import { HoldButton } from './HoldButton';
import { Failure, Notice } from './States';
import { useTheme } from './useTheme';
import { momentWord } from '@upwell/core/words';

interface EarlierFile {
  readonly id: string;
  readonly name: string;
  readonly by: string | null;
  readonly storedAt: string;
  readonly undoneAt: string | null;
}

interface Props<T extends EarlierFile> {
  readonly title: string;
  readonly files: { readonly data?: readonly T[]; readonly error?: unknown; readonly refetch: () => unknown };
  /** What a file brought, or what became of that. */
  readonly brought: (file: T) => string;
  readonly undo: (id: string) => unknown;
  readonly undoing: { readonly error?: unknown };
}

export function EarlierFiles<T extends EarlierFile>({ title, files, brought, undo, undoing }: Props<T>) {
  const zone = useZone();
  const theme = useTheme();
  const { data, error, refetch } = files;
  if (error && !data) return <Failure error={error} retry={() => void refetch()} />;
  if (!data || data.length === 0) return null;
  return (
    <Card title={title}>
      {undoing.error ? <Notice tone="error">{sentence(undoing.error)}</Notice> : null}
      <View role="list">
        {data.map((file) => (
          <View key={file.id} role="listitem" style={[styles.row, { borderTopColor: theme.own.line }]}>
            <View style={styles.flex}>
              <Text variant="titleSmall">{file.name}</Text>
              <Text variant="bodySmall">{`${momentWord(file.storedAt, zone)}${file.by ? ` · ${file.by}` : ''}`}</Text>
              <Text>{brought(file)}</Text>
            </View>
            {file.undoneAt === null ? (
              <HoldButton label={`Hold to undo ${file.name}`} onHeld={() => void undo(file.id)} />
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
