import type { FocusView } from '@upwell/contract/review';
import { StyleSheet } from 'react-native';
import { Button } from 'react-native-paper';
import { v7 } from 'uuid';
import { useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Input } from '@/ui/Input';
import { SaveProblem } from '@/ui/SaveProblem';
import { useSaveFocusMutation } from '../api';

/** What the swimmer says: the cue said back and what felt different, in the swimmer's own words. */
export function FocusWords({ focus }: { readonly focus: FocusView }) {
  const [words, setWords, drop] = useDraft(`words:${focus.id}`, EMPTY_WORDS);
  const [save, { error, isLoading }] = useSaveFocusMutation();
  const saidBack = words.saidBack ?? focus.saidBack;
  const felt = words.felt ?? focus.felt;
  const changed = saidBack !== focus.saidBack || felt !== focus.felt;
  const store = async (version: number) => {
    const body = { drill: focus.drill, saidBack, felt, relookOn: focus.relookOn, version, writeId: v7() };
    const result = await save({ id: focus.id, swimmerId: focus.swimmerId, body });
    if (!result.error) drop();
  };
  return (
    <Card title="In the swimmer’s words">
      <Input
        label="Says the cue back"
        value={saidBack}
        maxLength={200}
        onChangeText={(text) => setWords((now) => ({ ...now, saidBack: text }))}
      />
      <Input
        label="What felt different"
        value={felt}
        maxLength={200}
        style={styles.gap}
        onChangeText={(text) => setWords((now) => ({ ...now, felt: text }))}
      />
      <SaveProblem<FocusView>
        error={error}
        name={({ saidBack: said, felt: theirs }) =>
          `other words (${[said, theirs]
            .filter(Boolean)
            .map((text) => `“${text}”`)
            .join(', ')})`
        }
        keepMine={({ version }) => void store(version)}
        takeTheirs={drop}
      />
      <Button
        mode="outlined"
        disabled={!changed || isLoading}
        style={styles.gap}
        onPress={() => void store(focus.version)}
      >
        {isLoading ? 'Saving…' : 'Keep the words'}
      </Button>
    </Card>
  );
}

const EMPTY_WORDS: { readonly saidBack?: string; readonly felt?: string } = {};

const styles = StyleSheet.create({
  gap: { marginTop: 8 },
});
