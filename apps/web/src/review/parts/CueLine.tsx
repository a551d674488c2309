/** The cue, said at the wall: the coach's to change at any time. */
import type { FocusView } from '@upwell/contract/review';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { Input } from '@/ui/Input';
import { SaveProblem } from '@/ui/SaveProblem';
import { useTheme } from '@/ui/useTheme';
import { useSaveFocusMutation } from '../api';

export function CueLine({ focus }: { readonly focus: FocusView }) {
  const { colors } = useTheme();
  const [cue, setCue] = useState<string | null>(null);
  const [save, { error, isLoading }] = useSaveFocusMutation();
  const store = async (version: number) => {
    const { drill, saidBack, felt, relookOn } = focus;
    const body = { drill, saidBack, felt, relookOn, cue: cue!.trim(), version, writeId: v7() };
    const result = await save({ id: focus.id, swimmerId: focus.swimmerId, body });
    if (!result.error) setCue(null);
  };
  if (cue === null) {
    return (
      <View style={styles.line}>
        <Text variant="headlineMedium" style={[styles.flex, { color: colors.primary }]}>{`“${focus.cue}”`}</Text>
        <IconButton icon="pencil" accessibilityLabel="Change the cue" onPress={() => setCue(focus.cue)} />
      </View>
    );
  }
  return (
    <View style={styles.edit}>
      <Input label="Cue, said at the wall" value={cue} maxLength={120} onChangeText={setCue} autoFocus />
      <SaveProblem<FocusView>
        error={error}
        name={({ cue: theirs }) => `another cue (“${theirs}”)`}
        keepMine={({ version }) => void store(version)}
        takeTheirs={() => setCue(null)}
      />
      <View style={styles.line}>
        <Button
          mode="contained"
          disabled={isLoading || cue.trim() === ''}
          onPress={() => (cue.trim() === focus.cue ? setCue(null) : void store(focus.version))}
        >
          {isLoading ? 'Saving…' : 'Keep this cue'}
        </Button>
        <Button onPress={() => setCue(null)}>Leave it</Button>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, marginBottom: 6 },
  flex: { flex: 1 },
  edit: { gap: 8, marginBottom: 10 },
});
