/** What a club says of its ladders and levels. */
import {
  LADDERS,
  ladderCard,
  MOST_OF_OWN,
  type Ladder,
  type LadderEntry,
  type LadderId,
  type LadderStep,
} from '@upwell/core/library';
import { levelCard, type LevelId } from '@upwell/core/swimmers';
import { sentenceCase } from '@upwell/core/text';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { Stepper } from '@/ui/Stepper';
import { EntryForm } from './EntryForm';

type Rung = Pick<LadderStep, 'what' | 'tries' | 'pass' | 'backIf'>;
const rungOf = ({ what, tries, pass, backIf }: LadderStep): Rung => ({ what, tries, pass, backIf });
const isSame = (a: Rung, b: Rung) =>
  a.what === b.what && a.tries === b.tries && a.pass === b.pass && a.backIf === b.backIf;
const NEW: Rung = { what: '', tries: 3, pass: '', backIf: '' };

export function LadderForm({ id }: { readonly id: LadderId }) {
  const builtIn: Ladder = LADDERS[id];
  const ladder = ladderCard(id);
  const body = (rungs: readonly Rung[]): LadderEntry | undefined => {
    const whole = rungs.map((r) => ({ ...r, what: r.what.trim(), pass: r.pass.trim(), backIf: r.backIf.trim() }));
    if (whole.some((r) => r.what.length < 2 || r.pass.length < 2 || r.backIf.length < 2)) return undefined;
    const changed = Object.fromEntries(
      builtIn.steps.flatMap((step, i) => (isSame(rungOf(step), whole[i]!) ? [] : [[String(i), whole[i]!]])),
    );
    const added = whole.slice(builtIn.steps.length).map((rung) => ({ ...rung, kit: [] }));
    const entry = { ...(Object.keys(changed).length > 0 ? { changed } : {}), ...(added.length > 0 ? { added } : {}) };
    return Object.keys(entry).length > 0 ? entry : undefined;
  };
  return (
    <EntryForm<readonly Rung[]>
      kind="ladders"
      id={id}
      name={`steps of “${ladder.name}”`}
      change="Change the steps"
      value={ladder.steps.map(rungOf)}
      body={body}
    >
      {(rungs, set, at) => (
        <>
          <Text variant="bodySmall">
            Words can be others, and steps of your own can follow the last one. None is left out or moved: a swimmer’s
            place is kept by counting them.
          </Text>
          {rungs.map((rung, i) => {
            const own = i >= builtIn.steps.length;
            const put = (change: Partial<Rung>) => set(rungs.map((r, j) => (j === i ? { ...r, ...change } : r)));
            const fewest = own ? 1 : builtIn.steps[i]!.tries;
            const wrong = at(own ? `added.${i - builtIn.steps.length}` : `changed.${i}`) !== undefined;
            return (
              <View key={i} style={styles.rung} role="group" aria-label={`Step ${i + 1}`}>
                <Input
                  dense
                  multiline
                  label={`Step ${i + 1}`}
                  value={rung.what}
                  maxLength={300}
                  error={wrong}
                  onChangeText={(what) => put({ what })}
                />
                <Input
                  dense
                  label={`Step ${i + 1}: passed when`}
                  value={rung.pass}
                  maxLength={300}
                  onChangeText={(pass) => put({ pass })}
                />
                <Input
                  dense
                  label={`Step ${i + 1}: go back if`}
                  value={rung.backIf}
                  maxLength={300}
                  onChangeText={(backIf) => put({ backIf })}
                />
                <View style={styles.row}>
                  <Stepper
                    label="tries"
                    value={String(rung.tries)}
                    onLess={rung.tries > fewest ? () => put({ tries: rung.tries - 1 }) : null}
                    onMore={rung.tries < MOST_OF_OWN.tries ? () => put({ tries: rung.tries + 1 }) : null}
                  />
                  {own ? <Button onPress={() => set(rungs.filter((_, j) => j !== i))}>Take out</Button> : null}
                </View>
              </View>
            );
          })}
          <Button mode="outlined" icon="plus" onPress={() => set([...rungs, NEW])}>
            Add a step after the last
          </Button>
        </>
      )}
    </EntryForm>
  );
}

/** A level by its name and its hour. */
export function LevelDetails({ id }: { readonly id: LevelId }) {
  const { name, who, metresPerHour } = levelCard(id);
  const [low, high] = metresPerHour;
  return (
    <>
      <Text>{`${sentenceCase(who)}. An hour of it is ${numberWord(low)} to ${numberWord(high)} m.`}</Text>
      <EntryForm
        kind="levels"
        id={id}
        name={`level “${name}”`}
        change="Change name and metres"
        value={{ name, low: String(low), high: String(high) }}
        body={(v) => {
          const [a, b] = [Number(v.low), Number(v.high)];
          return v.name.trim().length > 1 && Number.isInteger(a) && Number.isInteger(b) && b > 0
            ? { name: v.name.trim(), metresPerHour: [a, b] }
            : undefined;
        }}
      >
        {(value, set, at) => (
          <View style={styles.row}>
            <Input
              label="What your club calls it"
              value={value.name}
              maxLength={30}
              error={at('name') !== undefined}
              onChangeText={(text) => set({ ...value, name: text })}
            />
            <Input
              label="Metres of an hour, from"
              inputMode="numeric"
              value={value.low}
              error={at('metresPerHour') !== undefined}
              onChangeText={(text) => set({ ...value, low: text })}
            />
            <Input
              label="to"
              accessibilityLabel="Metres of an hour, to"
              inputMode="numeric"
              value={value.high}
              error={at('metresPerHour') !== undefined}
              onChangeText={(text) => set({ ...value, high: text })}
            />
          </View>
        )}
      </EntryForm>
    </>
  );
}

const styles = StyleSheet.create({
  rung: { gap: 6, marginTop: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center' },
});
