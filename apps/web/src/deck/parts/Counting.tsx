import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import type { Run } from '../useRun';
import { Tap } from './Tap';

/** Hand entries to begin the counting with when nobody was counted yet. */
const FIRST_COUNT = 20;

interface CountingProps {
  readonly run: Run;
  readonly counting: { readonly lane: string; readonly swimmer: string };
  readonly name: string;
  readonly onDone: () => void;
}

/** Strokes of one length, near the last count so that two taps are enough. */
export function Counting({ run, counting, name, onDone }: CountingProps) {
  const theme = useTheme();
  const { state, note } = run;
  const lane = state.lanes.find((l) => l.id === counting.lane);
  const passage = lane?.passages[lane.index];
  const mine = state.reps.filter((r) => r.swimmer === counting.swimmer);
  const known = mine.filter((r) => r.strokes !== null).at(-1)?.strokes;
  const rep = Math.max(1, ...mine.filter((r) => r.passage === passage?.id).map((r) => r.rep));
  const [count, setCount] = useState(known ?? FIRST_COUNT);
  const keep = (n: number) => {
    if (passage) note({ kind: 'strokes', swimmer: counting.swimmer, passage: passage.id, rep, count: n });
    onDone();
  };
  return (
    <View style={styles.counting} role="group" aria-label={`Strokes for ${name}`}>
      <View style={styles.row}>
        {[-2, -1, 0, 1, 2].map((by) => (
          <Tap
            key={by}
            label={`${count + by} strokes`}
            style={[styles.countTile, { borderColor: theme.colors.outline }]}
            onTap={() => keep(count + by)}
          >
            <Text style={styles.countWord}>{count + by}</Text>
          </Tap>
        ))}
      </View>
      <View style={styles.row}>
        <Stepper
          label={`${name}, rep ${rep}: strokes in one length`}
          value={String(count)}
          onLess={count > 6 ? () => setCount(count - 5) : null}
          onMore={count < 90 ? () => setCount(count + 5) : null}
        />
        <Button onPress={onDone}>Not now</Button>
      </View>
    </View>
  );
}

const bold = { fontFamily: 'Atkinson Bold' } as const;
const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  counting: { padding: 10, gap: 8 },
  countTile: {
    flex: 1,
    minHeight: 60,
    minWidth: 56,
    borderWidth: 2,
    borderRadius: 6,
    alignItems: 'center',
    justifyContent: 'center',
  },
  countWord: { ...bold, fontSize: 24, lineHeight: 30 },
});
