import type { Tap } from '@upwell/core/measures';
import { numberWord } from '@upwell/core/words';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';

/** Which key taps what; the left hand of the keyboard for the left arm. */
export const TAP_KEYS: Readonly<Record<string, Pick<Tap, 'kind' | 'side'>>> = {
  f: { kind: 'entry', side: 'left' },
  j: { kind: 'entry', side: 'right' },
  d: { kind: 'catch', side: 'left' },
  k: { kind: 'catch', side: 'right' },
  s: { kind: 'exit', side: 'left' },
  l: { kind: 'exit', side: 'right' },
  a: { kind: 'breath', side: 'left' },
  p: { kind: 'breath', side: 'right' },
};

const KINDS: readonly { readonly kind: Tap['kind']; readonly word: string }[] = [
  { kind: 'entry', word: 'in' },
  { kind: 'catch', word: 'catch' },
  { kind: 'exit', word: 'out' },
  { kind: 'breath', word: 'breath' },
];

const KIND_WORD: Readonly<Record<Tap['kind'], string>> = { entry: 'in', catch: 'catch', exit: 'out', breath: 'breath' };

interface TapLineProps {
  readonly taps: readonly Tap[];
  readonly timeS: number;
  readonly durationS: number;
  readonly onSeek: (timeS: number) => void;
  readonly onDrop: (index: number) => void;
}

/** Two rows of buttons, one per arm. */
export function TapPad({ onTap }: { readonly onTap: (tap: Pick<Tap, 'kind' | 'side'>) => void }) {
  const theme = useTheme();
  return (
    <View>
      {(['left', 'right'] as const).map((side) => (
        <View key={side} style={styles.row} role="group" aria-label={`${side} arm`}>
          <Text variant="labelMedium" style={styles.side}>
            {side === 'left' ? 'Left' : 'Right'}
          </Text>
          {KINDS.map(({ kind, word }) => (
            <Pressable
              key={kind}
              role="button"
              accessibilityLabel={`${side} hand ${word}`.replace('hand breath', 'breath')}
              onPress={() => onTap({ kind, side })}
              style={[
                styles.tap,
                kind === 'entry' && styles.entry,
                {
                  borderColor: theme.colors.primary,
                  backgroundColor: kind === 'entry' ? theme.colors.primary : 'transparent',
                },
              ]}
            >
              <Text
                variant="labelLarge"
                style={{ color: kind === 'entry' ? theme.colors.onPrimary : theme.colors.primary }}
              >
                {word}
              </Text>
            </Pressable>
          ))}
        </View>
      ))}
    </View>
  );
}

/** The taps on a line of time, and one by one. */
export function TapLine({ taps, timeS, durationS, onSeek, onDrop }: TapLineProps) {
  const theme = useTheme();
  const at = (t: number) => `${(t / (durationS || 1)) * 100}%` as const;
  const here = taps.findIndex((tap) => Math.abs(tap.timeS - timeS) < 0.06);
  return (
    <View>
      <View style={[styles.line, { backgroundColor: theme.own.sand }]} aria-hidden>
        {taps.map((tap, i) => (
          <View
            key={i}
            style={[
              styles.mark,
              {
                left: at(tap.timeS),
                top: tap.side === 'left' ? 2 : 22,
                height: tap.kind === 'entry' ? 18 : 10,
                backgroundColor:
                  tap.kind === 'breath'
                    ? theme.own.kelp
                    : tap.kind === 'entry'
                      ? theme.colors.primary
                      : theme.colors.outline,
              },
            ]}
          />
        ))}
        <View style={[styles.now, { left: at(timeS), backgroundColor: theme.colors.error }]} />
      </View>
      <View style={styles.list} role="list" aria-label={`${taps.length} taps`}>
        {taps.map((tap, i) => (
          <View key={i} role="listitem" style={styles.item}>
            <Pressable
              role="button"
              accessibilityLabel={`Go to ${tap.side} ${KIND_WORD[tap.kind]} at ${numberWord(tap.timeS, 2)} seconds`}
              onPress={() => onSeek(tap.timeS)}
              style={[styles.jump, { borderColor: i === here ? theme.colors.error : theme.own.line }]}
            >
              <Text variant="labelSmall">{`${tap.side === 'left' ? 'L' : 'R'} ${KIND_WORD[tap.kind]} ${numberWord(tap.timeS, 2)}`}</Text>
            </Pressable>
            <Pressable
              role="button"
              accessibilityLabel={`Remove ${tap.side} ${KIND_WORD[tap.kind]} at ${numberWord(tap.timeS, 2)} seconds`}
              onPress={() => onDrop(i)}
              style={styles.drop}
            >
              <Text variant="labelMedium">×</Text>
            </Pressable>
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 6, alignItems: 'center', marginTop: 8 },
  side: { width: 42 },
  tap: { flex: 1, minHeight: 56, borderWidth: 1.5, borderRadius: 6, alignItems: 'center', justifyContent: 'center' },
  entry: { flex: 1.6 },
  line: { height: 44, borderRadius: 4, marginTop: 10, overflow: 'hidden' },
  mark: { position: 'absolute', width: 3 },
  now: { position: 'absolute', width: 2, top: 0, bottom: 0 },
  list: { flexDirection: 'row', flexWrap: 'wrap', gap: 4, marginTop: 8 },
  item: { flexDirection: 'row', alignItems: 'center' },
  jump: { minHeight: 44, paddingHorizontal: 10, borderWidth: 1, borderRadius: 4, justifyContent: 'center' },
  drop: { minWidth: 40, minHeight: 44, alignItems: 'center', justifyContent: 'center' },
});
