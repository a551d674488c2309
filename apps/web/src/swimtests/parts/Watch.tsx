/** A stopwatch whose moments are those of the finger; it goes on over a reload. */
import { formatTime } from '@upwell/core/units';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Tap, type DeckTime, useNow } from '@/deck';
import { useTheme } from '@/ui/useTheme';
import type { TestDraft } from '../draft';

interface WatchProps {
  readonly time: DeckTime;
  readonly running: TestDraft['running'];
  readonly onRunning: (running: TestDraft['running']) => void;
  /** Seconds from start to stop, and to the split where one is taken. */
  readonly onTime: (seconds: number, splitS: number | null) => void;
  /** What the middle tap marks; without it the watch has start and stop only. */
  readonly split?: string;
  readonly start?: string;
  readonly stop?: string;
}

export function Watch({ time, running, onRunning, onTime, split, start = 'Start', stop = 'Stop' }: WatchProps) {
  const theme = useTheme();
  const now = useNow(time, 50, running !== null);
  const seconds = running ? Math.max(0, now - running.startMs) / 1000 : 0;
  const wantsSplit = split !== undefined && running !== null && running.splitMs === null;
  const tap = (monoMs: number) => {
    const at = time.at(monoMs);
    if (!running) onRunning({ startMs: at, splitMs: null });
    else if (wantsSplit) onRunning({ ...running, splitMs: at });
    else {
      onRunning(null);
      onTime(
        (at - running.startMs) / 1000,
        running.splitMs === null ? null : (running.splitMs - running.startMs) / 1000,
      );
    }
  };
  const word = running === null ? start : wantsSplit ? split : stop;
  return (
    <View style={styles.watch}>
      <Text style={styles.figure} aria-live="off">
        {formatTime(seconds, 2)}
      </Text>
      <View style={styles.row}>
        <Tap label={word} style={[styles.tap, { backgroundColor: theme.colors.primary }]} onTap={tap}>
          <Text style={[styles.word, { color: theme.colors.onPrimary }]}>{word}</Text>
        </Tap>
        {running ? (
          <Tap
            label="Discard this one"
            style={[styles.small, { borderColor: theme.colors.outline }]}
            onTap={() => onRunning(null)}
          >
            <Text variant="labelLarge">Forget</Text>
          </Tap>
        ) : null}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  watch: { gap: 8 },
  figure: { fontFamily: 'Atkinson Bold', fontSize: 60, lineHeight: 66, fontVariant: ['tabular-nums'] },
  row: { flexDirection: 'row', gap: 8 },
  tap: { flex: 1, minHeight: 84, borderRadius: 8, alignItems: 'center', justifyContent: 'center' },
  small: {
    minWidth: 96,
    minHeight: 84,
    borderRadius: 8,
    borderWidth: 2,
    alignItems: 'center',
    justifyContent: 'center',
  },
  word: { fontFamily: 'Atkinson Bold', fontSize: 28, lineHeight: 34 },
});
