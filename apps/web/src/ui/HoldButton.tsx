import { useEffect, useRef, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from './useTheme';

/** How long a finger or a key must stay for what cannot be undone, milliseconds. */
const HOLD_MS = 900;
const STEP_MS = 60;

/** Does something only after it was held: for what cannot be taken back. Works with finger, mouse and a held key. */
export function HoldButton({
  label,
  onHeld,
  danger = true,
}: {
  readonly label: string;
  readonly onHeld: () => void;
  readonly danger?: boolean;
}) {
  const theme = useTheme();
  const [share, setShare] = useState(0);
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const stop = () => {
    if (timer.current) clearInterval(timer.current);
    timer.current = null;
    setShare(0);
  };
  useEffect(() => stop, []);
  const start = () => {
    if (timer.current) return;
    const begun = performance.now();
    timer.current = setInterval(() => {
      const now = (performance.now() - begun) / HOLD_MS;
      setShare(Math.min(1, now));
      if (now < 1) return;
      stop();
      onHeld();
    }, STEP_MS);
  };
  const color = danger ? theme.colors.error : theme.colors.primary;
  return (
    <Pressable
      role="button"
      accessibilityLabel={label}
      onPressIn={start}
      onPressOut={stop}
      style={[styles.button, { borderColor: color }]}
    >
      <View style={[styles.fill, { width: `${share * 100}%`, backgroundColor: color }]} aria-hidden />
      <Text variant="labelLarge" style={{ color: share > 0.5 ? theme.colors.background : color }}>
        {label}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  button: {
    minHeight: 48,
    minWidth: 140,
    paddingHorizontal: 16,
    borderWidth: 1.5,
    borderRadius: 6,
    alignItems: 'center',
    justifyContent: 'center',
    overflow: 'hidden',
  },
  fill: { position: 'absolute', left: 0, top: 0, bottom: 0 },
});
