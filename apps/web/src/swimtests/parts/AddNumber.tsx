import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';

/** What was taken, each with a way to take it out. */
export function Taken({
  words,
  onDrop,
}: {
  readonly words: readonly string[];
  readonly onDrop: (index: number) => void;
}) {
  if (words.length === 0) return <Text variant="bodySmall">Nothing taken yet.</Text>;
  return (
    <View role="list" aria-label="Taken so far">
      {words.map((word, i) => (
        <View key={`${i} ${word}`} role="listitem" style={styles.taken}>
          <Text style={styles.figures}>{`${i + 1}.  ${word}`}</Text>
          <Button compact accessibilityLabel={`Remove number ${i + 1}`} onPress={() => onDrop(i)}>
            Take out
          </Button>
        </View>
      ))}
    </View>
  );
}

/** A number typed by hand, added with a button. */
export function AddNumber({
  label,
  read,
  onAdd,
}: {
  readonly label: string;
  readonly read: (text: string) => number | null;
  readonly onAdd: (value: number) => void;
}) {
  const [text, setText] = useState('');
  const value = read(text);
  const add = () => {
    if (value === null) return;
    onAdd(value);
    setText('');
  };
  return (
    <View style={styles.row}>
      <Input
        label={label}
        value={text}
        onChangeText={setText}
        inputMode="decimal"
        error={text !== '' && value === null}
        onSubmitEditing={add}
        style={styles.flex}
      />
      <Button mode="outlined" disabled={value === null} onPress={add}>
        Add
      </Button>
    </View>
  );
}

export const number = (text: string): number | null => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || Number.isNaN(value) ? null : value;
};
export const without = <T,>(list: readonly T[], index: number): T[] => list.filter((_, i) => i !== index);

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  flex: { flex: 1, minWidth: 140 },
  taken: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', minHeight: 48 },
  figures: { fontVariant: ['tabular-nums'], flexShrink: 1 },
});
