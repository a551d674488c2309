/** What can be done with the sets that are chosen, all at once. */
import {
  blockWord,
  copyToLevels,
  duplicateItems,
  moveItems,
  removeItems,
  roundsAround,
  scaleItems,
} from '@upwell/core/sessions';
import { counted } from '@upwell/core/words';
import { useState, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View, type ViewStyle } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useTheme } from '@/ui/useTheme';
import type { EditorProps } from './props';

interface ChosenBarProps extends EditorProps {
  readonly chosen: ReadonlySet<string>;
  readonly onDone: () => void;
}

/** By how much sets are made longer or shorter. */
const FACTORS = [
  { factor: 0.5, label: '½', said: 'half' },
  { factor: 0.75, label: '¾', said: 'three quarters' },
  { factor: 1.25, label: '1¼', said: 'one and a quarter' },
  { factor: 1.5, label: '1½', said: 'one and a half' },
  { factor: 2, label: '2', said: 'twice' },
] as const;

export function ChosenBar({ plan, group, chosen, onChange, onDone }: ChosenBarProps) {
  const theme = useTheme();
  const [said, setSaid] = useState('');
  const none = chosen.size === 0;
  const many = counted(chosen.size, 'set');
  const act = (next: typeof plan, words: string) => {
    onChange(next);
    setSaid(words);
  };
  const copy = () => {
    const out = new Set<string>();
    const next = [...chosen].reduce((now, id) => {
      const copied = copyToLevels(now, id, () => v7());
      copied.leftOut.forEach((name) => out.add(name));
      return copied.plan;
    }, plan);
    const left = out.size > 0 ? ` Drills above their level were left out for ${[...out].join(' and ')}.` : '';
    act(next, `Copied to the other levels.${left}`);
  };
  return (
    <View
      role="group"
      aria-label="What is chosen"
      style={[styles.bar, sticky, { backgroundColor: theme.colors.surface, borderColor: theme.colors.primary }]}
    >
      <Text variant="labelLarge" aria-live="polite">
        {none ? 'Tick the sets.' : `${many} chosen${said ? `. ${said}` : ''}`}
      </Text>
      {none ? null : (
        <>
          <Line>
            <Button compact icon="content-copy" onPress={() => act(duplicateItems(plan, chosen, v7), 'Repeated.')}>
              Repeat
            </Button>
            <Button compact icon="repeat" onPress={() => act(roundsAround(plan, chosen, v7()), 'In rounds.')}>
              In rounds
            </Button>
            {plan.groups.length > 1 ? (
              <Button compact onPress={copy}>
                To other levels
              </Button>
            ) : null}
            <Button
              compact
              icon="trash-can-outline"
              onPress={() => {
                onChange(removeItems(plan, chosen));
                onDone();
              }}
            >
              Remove
            </Button>
          </Line>
          <Line label="How much of it">
            {FACTORS.map(({ factor, label, said: word }) => (
              <Button
                key={factor}
                compact
                mode="outlined"
                accessibilityLabel={`× ${label}: ${word}`}
                onPress={() => act(scaleItems(plan, chosen, factor), `${word} of it.`)}
              >
                {`× ${label}`}
              </Button>
            ))}
          </Line>
          <Line label="Move to">
            {group.blocks
              .filter(({ kind }) => kind !== 'land')
              .map((block) => (
                <Button
                  key={block.id}
                  compact
                  mode="outlined"
                  accessibilityLabel={`Move to ${blockWord(block)}`}
                  onPress={() => act(moveItems(plan, chosen, { holderId: block.id }), `Moved to ${blockWord(block)}.`)}
                >
                  {blockWord(block)}
                </Button>
              ))}
          </Line>
        </>
      )}
    </View>
  );
}

/** Buttons in one line, which is moved sideways where they do not fit: the sets below stay in sight. */
function Line({ label, children }: { readonly label?: string; readonly children: ReactNode }) {
  return (
    <ScrollView horizontal role="group" aria-label={label ?? 'All of them'} contentContainerStyle={styles.row}>
      {label ? <Text variant="labelMedium">{label}</Text> : null}
      {children}
    </ScrollView>
  );
}

/** Stays in sight while the sets below are ticked. */
const sticky = { position: 'sticky', top: 0, zIndex: 3 } as unknown as ViewStyle;

const styles = StyleSheet.create({
  bar: { borderWidth: 2, borderRadius: 6, padding: 10, gap: 6, marginVertical: 6 },
  row: { flexDirection: 'row', gap: 6, alignItems: 'center' },
});
