/** One sign with its three answers; a second tap takes the answer back. */
import { type Sighting, signCard, type SignId } from '@upwell/core/review';
import { Pressable, StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';

const ANSWERS: readonly { readonly value: Sighting; readonly label: string }[] = [
  { value: 'often', label: 'often' },
  { value: 'sometimes', label: 'sometimes' },
  { value: 'absent', label: 'not there' },
];

interface SignRowProps {
  readonly sign: SignId;
  readonly sighting: Sighting | undefined;
  readonly onAnswer: (sighting: Sighting) => void;
  /** On one line with where to look, where room is short. */
  readonly compact?: boolean;
}

export function SignRow({ sign, sighting, onAnswer, compact = false }: SignRowProps) {
  const theme = useTheme();
  return (
    <View
      style={[styles.row, compact ? styles.compact : { borderBottomColor: theme.own.line }]}
      role="group"
      aria-label={signCard(sign).seen}
    >
      {compact ? (
        <Text variant="bodySmall" style={styles.text}>{`Next: ${signCard(sign).seen} (${viewWord(sign)})`}</Text>
      ) : (
        <View style={styles.text}>
          <Text>{signCard(sign).seen}</Text>
          <Text variant="labelSmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {viewWord(sign)}
          </Text>
        </View>
      )}
      <View style={styles.answers}>
        {ANSWERS.map(({ value, label }) => {
          const on = sighting === value;
          return (
            <Pressable
              key={value}
              role="button"
              aria-pressed={on}
              accessibilityLabel={`${signCard(sign).seen}: ${label}`}
              onPress={() => onAnswer(value)}
              style={[
                styles.answer,
                {
                  borderColor: on ? theme.colors.primary : theme.colors.outline,
                  backgroundColor: on ? theme.colors.primary : 'transparent',
                },
              ]}
            >
              <Text variant="labelMedium" style={{ color: on ? theme.colors.onPrimary : theme.colors.onSurface }}>
                {label}
              </Text>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}

/** How a sighting is written in few signs. */
export const SIGHTING_MARK: Readonly<Record<Sighting, string>> = {
  often: '●●',
  sometimes: '●○',
  absent: '○○ not there',
};

interface NotedSignProps {
  readonly sign: SignId;
  readonly sighting: Sighting;
  readonly onDrop: () => void;
}

/** A sign that was noted, with a way to take it back. */
export function NotedSign({ sign, sighting, onDrop }: NotedSignProps) {
  const theme = useTheme();
  const absent = sighting === 'absent';
  return (
    <View
      style={[
        styles.noted,
        {
          borderColor: theme.colors.outline,
          backgroundColor: absent ? 'transparent' : theme.colors.secondaryContainer,
        },
      ]}
    >
      <Text variant="labelMedium" style={styles.notedText}>{`${signCard(sign).seen} ${SIGHTING_MARK[sighting]}`}</Text>
      <IconButton
        icon="close"
        size={18}
        style={styles.drop}
        accessibilityLabel={`Take back: ${signCard(sign).seen}`}
        onPress={onDrop}
      />
    </View>
  );
}

/** Where to stand to see a sign. */
export function viewWord(sign: SignId): string {
  const { view } = signCard(sign);
  if (view === 'talk') return 'ask the swimmer';
  if (view === 'track') return 'from the track';
  return view === 'under water'
    ? 'look under water'
    : `look from ${view === 'above' ? 'above' : `the ${view === 'behind' ? 'back' : view}`}`;
}

const styles = StyleSheet.create({
  noted: {
    maxWidth: '100%',
    borderWidth: 1,
    borderRadius: 8,
    paddingLeft: 12,
    flexDirection: 'row',
    alignItems: 'center',
  },
  notedText: { flexShrink: 1 },
  drop: { margin: 0, width: 48, height: 44 },
  row: {
    paddingVertical: 8,
    borderBottomWidth: 1,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: 8,
  },
  compact: { paddingVertical: 0, borderBottomWidth: 0, gap: 4 },
  text: { flexGrow: 1, flexBasis: 180, flexShrink: 1 },
  answers: { flexDirection: 'row', gap: 6 },
  answer: {
    minHeight: 48,
    minWidth: 76,
    paddingHorizontal: 10,
    borderWidth: 1.5,
    borderRadius: 6,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
