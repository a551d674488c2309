/** What can be put into a block: a set as one types it, common sets of this level, drills by what they are for. */
import { drillCard } from '@upwell/core/library';
import { causeCard } from '@upwell/core/review';
import {
  commonSets,
  copyOf,
  describeSet,
  drillsByTheme,
  newSet,
  pauseWord,
  effortWord,
  timingWord,
  withDrill,
  type AnySet,
  type Block,
  type Item,
  type Pause,
} from '@upwell/core/sessions';
import { sentenceCase } from '@upwell/core/text';
import { percent } from '@upwell/core/words';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { FieldError } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import { useTheme } from '@/ui/useTheme';
import { compute } from '@/worker';
import type { EditorProps } from './props';

interface TrayProps extends Pick<EditorProps, 'plan' | 'group'> {
  readonly block: Block;
  readonly onAdd: (items: readonly Item[]) => void;
}

export function Tray({ block, plan, group, onAdd }: TrayProps) {
  const theme = useTheme();
  const [drills, setDrills] = useState(block.kind === 'drills');
  const common = useMemo(() => commonSets(block.kind, group, plan), [block.kind, group, plan]);
  return (
    <View style={[styles.tray, { backgroundColor: theme.own.sand }]} role="group" aria-label="Tray">
      <TypedSets block={block} plan={plan} group={group} onAdd={onAdd} />
      <View role="group" aria-label="Common sets" style={styles.chips}>
        {common.map((item) => {
          const words = chipWords(item, plan);
          return <Chip key={words.join(' ')} words={words} onPress={() => onAdd([copyOf(item, v7)])} />;
        })}
      </View>
      <Disclosure label="Drills by theme" open={drills} onPress={() => setDrills(!drills)} />
      {drills ? (
        <DrillList
          plan={plan}
          group={group}
          onDrill={(id) => onAdd([withDrill(newSet(v7(), block.kind, group), id, group, plan.pool)])}
        />
      ) : null}
    </View>
  );
}

/** A common set in two short lines: what, and how. */
function chipWords(item: AnySet | Pause, { pool, place }: EditorProps['plan']): readonly [string, string] {
  if (item.kind === 'pause') return [sentenceCase(pauseWord(item)), 'drink, listen'];
  const rest = item.reps > 1 ? timingWord(item.timing) : '';
  return [describeSet(item, pool, place), [howWord(item), rest].filter(Boolean).join(' · ')];
}

/** How hard, as short as it can be said. */
function howWord(set: AnySet): string {
  if (set.drill) return '';
  if (set.kind === 'descend') return 'each faster';
  if (set.kind === 'halves') return 'second half faster';
  return set.effort < 0.65 ? effortWord(set.effort) : set.effort === 1 ? 'all-out' : percent(set.effort);
}

function Chip({
  words: [what, how],
  onPress,
}: {
  readonly words: readonly [string, string];
  readonly onPress: () => void;
}) {
  const theme = useTheme();
  return (
    <Pressable
      role="button"
      aria-label={`Add ${what} ${how}`.trim()}
      onPress={onPress}
      style={[styles.chip, { borderColor: theme.colors.outline, backgroundColor: theme.colors.surface }]}
    >
      {/* One text, so that its words are apart for a screen reader. */}
      <Text variant="labelMedium">
        {what}
        {how ? <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>{`\n${how}`}</Text> : null}
      </Text>
    </Pressable>
  );
}

/** One line as on a whiteboard; Enter puts it in. */
function TypedSets({ block, plan, group, onAdd }: TrayProps) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const put = async () => {
    const { items, problems } = await compute().readSets(text, block.kind, group, plan);
    const wrong = problems.find(({ severity }) => severity === 'error');
    setProblem(wrong?.message ?? null);
    if (wrong) return;
    onAdd(items.map((item) => copyOf(item, v7)));
    setText('');
  };
  return (
    <View>
      <View style={styles.typed}>
        <Input
          dense
          label="Type a set"
          placeholder="4x50 kick r15"
          value={text}
          maxLength={400}
          autoCapitalize="none"
          onChangeText={(next) => {
            setText(next);
            setProblem(null);
          }}
          onSubmitEditing={() => void put()}
          submitBehavior="submit"
          style={styles.flex}
        />
        <Button mode="contained" disabled={text.trim() === ''} onPress={() => void put()}>
          Add
        </Button>
      </View>
      {problem ? <FieldError>{problem}</FieldError> : null}
    </View>
  );
}

/** Themes shown at once, beginning with that of the session. */
const AT_ONCE = 6;

function DrillList({
  plan,
  group,
  onDrill,
}: Pick<EditorProps, 'plan' | 'group'> & {
  readonly onDrill: (id: ReturnType<typeof drillsByTheme>[number]['drills'][number]) => void;
}) {
  const [words, setWords] = useState('');
  const [all, setAll] = useState(false);
  const parts = useMemo(() => drillsByTheme(words, group, plan), [words, group, plan]);
  const shown = all ? parts : parts.slice(0, AT_ONCE);
  return (
    <View style={styles.drills}>
      <Input dense label="Find a drill or a theme" value={words} maxLength={60} onChangeText={setWords} />
      {parts.length === 0 ? (
        <Text variant="bodySmall">No drill of this level is called that, or is for that.</Text>
      ) : null}
      {shown.map(({ theme, drills }) => {
        const name = theme ? causeCard(theme).name : 'Other drills';
        return (
          <View key={theme ?? 'others'} role="group" aria-label={name} style={styles.theme}>
            <Text variant="labelMedium">{name}</Text>
            <View style={styles.chips}>
              {drills.map((id) => (
                <Chip key={id} words={[drillCard(id).name, '']} onPress={() => onDrill(id)} />
              ))}
            </View>
          </View>
        );
      })}
      {parts.length > AT_ONCE ? (
        <Disclosure
          label={all ? 'Fewer themes' : `All ${parts.length} themes`}
          open={all}
          onPress={() => setAll(!all)}
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  tray: { padding: 10, borderRadius: 6, gap: 8, marginTop: 4 },
  typed: { flexDirection: 'row', gap: 8, alignItems: 'center' },
  flex: { flex: 1, minWidth: 0 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  chip: {
    minHeight: 48,
    maxWidth: '100%',
    paddingHorizontal: 12,
    paddingVertical: 4,
    borderWidth: 1,
    borderRadius: 8,
    justifyContent: 'center',
  },
  drills: { gap: 8 },
  theme: { gap: 4 },
});
