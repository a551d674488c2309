/** A number with a button on each side, 48 px targets; where it can be typed, it can be typed. */
import { useState } from 'react';
import { StyleSheet, TextInput, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { FieldError } from './Choice';
import { useTheme } from './useTheme';

interface StepperProps {
  /** What is counted, for the screen reader: "reps". */
  readonly label: string;
  readonly value: string;
  readonly onLess: (() => void) | null;
  readonly onMore: (() => void) | null;
  /** Takes what was typed, or says why not. */
  readonly onType?: (text: string) => string | null;
  /** Enter takes the number also where it was not changed: somebody vouches for it. */
  readonly vouched?: boolean;
}

export function Stepper({ label, value, onLess, onMore, onType, vouched = false }: StepperProps) {
  const theme = useTheme();
  const [problem, setProblem] = useState<string | null>(null);
  const step = (change: (() => void) | null) => {
    setProblem(null);
    change?.();
  };
  return (
    <View style={styles.whole}>
      <View
        style={[styles.box, { borderColor: problem ? theme.colors.error : theme.colors.outline }]}
        role="group"
        aria-label={label}
      >
        <IconButton
          icon="minus"
          size={20}
          style={styles.button}
          disabled={!onLess}
          accessibilityLabel={`Fewer ${label}`}
          onPress={() => step(onLess)}
        />
        <View style={styles.middle}>
          {onType ? (
            <Typed
              label={label}
              value={value}
              onLess={() => step(onLess)}
              onMore={() => step(onMore)}
              vouched={vouched}
              onType={(text) => setProblem(onType(text))}
            />
          ) : (
            <Text variant="titleMedium" style={styles.value} aria-live="polite">
              {value}
            </Text>
          )}
          <Text variant="labelSmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {label}
          </Text>
        </View>
        <IconButton
          icon="plus"
          size={20}
          style={styles.button}
          disabled={!onMore}
          accessibilityLabel={`More ${label}`}
          onPress={() => step(onMore)}
        />
      </View>
      {problem ? <FieldError>{problem}</FieldError> : null}
    </View>
  );
}

/** The number itself: Enter or leaving takes it, Escape leaves it, arrows step. */
function Typed({
  label,
  value,
  onLess,
  onMore,
  onType,
  vouched,
}: Pick<StepperProps, 'label' | 'value'> & {
  readonly vouched: boolean;
  readonly onLess: () => void;
  readonly onMore: () => void;
  readonly onType: (text: string) => void;
}) {
  const theme = useTheme();
  const [typed, setTyped] = useState<string | null>(null);
  const take = (same = false) => {
    const text = (typed ?? (same ? value : '')).trim();
    if (text !== '' && (same || text !== value)) onType(text);
    setTyped(null);
  };
  return (
    <TextInput
      aria-label={label}
      value={typed ?? value}
      inputMode="text"
      maxLength={12}
      selectTextOnFocus
      onChangeText={setTyped}
      onBlur={() => take()}
      onSubmitEditing={() => take(vouched)}
      onKeyPress={(event) => {
        const { key } = event.nativeEvent;
        if (key === 'Escape') setTyped(null);
        if (key !== 'ArrowUp' && key !== 'ArrowDown') return;
        event.preventDefault();
        setTyped(null);
        (key === 'ArrowUp' ? onMore : onLess)();
      }}
      style={[styles.input, { color: theme.colors.onSurface, borderBottomColor: theme.own.line }]}
    />
  );
}

const styles = StyleSheet.create({
  whole: { alignSelf: 'flex-start', maxWidth: 320 },
  box: {
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1,
    borderRadius: 6,
    height: 50,
    alignSelf: 'flex-start',
  },
  button: { margin: 0, width: 48, height: 48, borderRadius: 6 },
  middle: { minWidth: 56, alignItems: 'center' },
  value: { fontVariant: ['tabular-nums'], lineHeight: 22 },
  input: {
    fontFamily: 'Atkinson',
    fontSize: 16,
    width: 64,
    height: 28,
    textAlign: 'center',
    fontVariant: ['tabular-nums'],
    borderBottomWidth: 1,
  },
});
