/** One entry of the library, changed where it stands: a few fields, what speaks against them, and saving. */
import type { OwnKind } from '@upwell/core/own';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useDraft } from '@/state/hooks';
import { SaveProblem } from '@/ui/SaveProblem';
import { useTheme } from '@/ui/useTheme';
import { useEntry } from '../useOwn';
import { OwnActions } from './OwnActions';

interface Props<T> {
  readonly kind: OwnKind;
  readonly id: string;
  /** What is changed, in words: `cue of “Dropped elbow”`. */
  readonly name: string;
  readonly change: string;
  /** What stands now. */
  readonly value: T;
  /** What the entry holds with these values; undefined while something is missing. */
  readonly body: (value: T) => object | undefined;
  readonly children: (value: T, set: (value: T) => void, at: (field: string) => string | undefined) => ReactNode;
}

export function EntryForm<T>({ kind, id, name, change, value: stands, body, children }: Props<T>) {
  const theme = useTheme();
  const [kept, setKept, drop] = useDraft<{ readonly value: T } | null>(`library ${kind} ${id}`, null);
  const [open, setOpen] = useState(kept !== null);
  const editor = useEntry(kind, id);
  if (!open) return <OwnActions kind={kind} id={id} name={name} change={change} onChange={() => setOpen(true)} />;
  const value = kept?.value ?? stands;
  const made = body(value);
  const problems = made ? editor.problems(made) : [];
  const close = () => {
    drop();
    editor.reset();
    setOpen(false);
  };
  const save = async (over?: { readonly version: number }) => {
    if (await editor.save(made, name, over)) close();
  };
  const set = (next: T) => {
    editor.reset();
    setKept({ value: next });
  };
  return (
    <View style={[styles.form, { borderLeftColor: theme.colors.primary }]} role="form" aria-label={name}>
      {children(value, set, (field) => problems.find((p) => p.field === field)?.message)}
      <View role="status">
        {problems.map(({ field, message }) => (
          <Text key={`${field} ${message}`} variant="bodySmall" style={{ color: theme.colors.error }}>
            {message}
          </Text>
        ))}
      </View>
      <SaveProblem<{ version: number }>
        error={editor.error}
        name={() => `the ${name}`}
        keepMine={({ version }) => void save({ version })}
        takeTheirs={close}
      />
      <View style={styles.row}>
        <Button
          mode="contained"
          loading={editor.saving}
          disabled={kept === null || !made || problems.length > 0 || editor.saving}
          onPress={() => void save()}
        >
          Save
        </Button>
        <Button onPress={close}>{kept === null ? 'Leave' : 'Drop the change'}</Button>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  form: { borderLeftWidth: 4, paddingLeft: 12, gap: 10, marginTop: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
