/** What every editor of the library has: what stands in the way, saving, whose version counts, and the way out. */
import type { EntryProblem } from '@upwell/core/clubLibrary';
import { useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { SaveProblem } from '@/ui/SaveProblem';
import { Screen } from '@/ui/Screen';
import { Empty, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useOwn, type EntryEditor } from '../useOwn';

interface Props {
  readonly title: string;
  readonly over: string;
  readonly back: string;
  readonly editor: EntryEditor;
  /** What the entry would hold; undefined while something of it is missing. */
  readonly body: unknown;
  /** What is still missing, in words. */
  readonly missing: string | null;
  readonly changed: boolean;
  readonly name: string;
  /** Drops what is on the screen. */
  readonly drop: () => void;
  readonly children: ReactNode;
}

export function EditFrame({ title, over, back, editor, body, missing, changed, name, drop, children }: Props) {
  const router = useRouter();
  const theme = useTheme();
  const { head } = useOwn();
  if (!head)
    return (
      <Screen title={title} over={over} back={back}>
        <Empty title="The head coach writes the library">What is written here is used by everybody in the club.</Empty>
      </Screen>
    );
  const problems: readonly EntryProblem[] = missing === null ? editor.problems(body) : [];
  const leave = () => {
    drop();
    router.navigate(back as Href);
  };
  const save = async (over?: { readonly version: number }) => {
    if (await editor.save(body, name, over)) leave();
  };
  return (
    <Screen
      title={title}
      over={over}
      back={back}
      footer={
        <View style={styles.footer}>
          <View style={styles.why} role="status">
            {missing ? <Text variant="bodySmall">{missing}</Text> : null}
            {problems.map(({ field, message }) => (
              <Text key={`${field} ${message}`} variant="bodySmall" style={{ color: theme.colors.error }}>
                {message}
              </Text>
            ))}
          </View>
          <Button onPress={leave}>{changed ? 'Drop the change' : 'Leave'}</Button>
          <Button
            mode="contained"
            loading={editor.saving}
            disabled={!changed || missing !== null || problems.length > 0 || editor.saving}
            onPress={() => void save()}
          >
            Save
          </Button>
        </View>
      }
    >
      <SaveProblem<{ version: number }>
        error={editor.error}
        name={() => `“${name}”`}
        keepMine={({ version }) => void save({ version })}
        takeTheirs={leave}
      />
      {Object.values(editor.fields)
        .slice(0, 3)
        .map((message) => (
          <Notice key={message} tone="error">
            {message}
          </Notice>
        ))}
      {children}
    </Screen>
  );
}

const styles = StyleSheet.create({
  footer: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', justifyContent: 'flex-end' },
  why: { flex: 1, minWidth: 200, gap: 2 },
});
