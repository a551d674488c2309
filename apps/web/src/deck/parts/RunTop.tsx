/** The running clock, when all will be out, and the way to the server; always in sight. */
import { finishMs, overdue, type RunState } from '@upwell/core/deck';
import { formatTime } from '@upwell/core/units';
import { clockWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { offlineWords } from '@/offline';
import { useAppSelector } from '@/state/hooks';
import { useTheme } from '@/ui/useTheme';
import { LightButton } from '../DeckLight';
import type { DeckTime } from '../time';
import { useAlarm } from '../beeper/alarm';
import { useNow } from '../useNow';

interface RunTopProps {
  readonly title: string;
  readonly state: RunState;
  readonly time: DeckTime;
  /** When everybody should be out, deck clock; null before the start. */
  readonly endMs: number | null;
  /** Whose clock the times are of. */
  readonly zone: string;
  readonly onBack: () => void;
  readonly onWaiting: () => void;
}

export function RunTop({ title, state, time, endMs, zone, onBack, onWaiting }: RunTopProps) {
  const theme = useTheme();
  const running = state.beganMs !== null && state.endedMs === null;
  const now = useNow(time, 250, running);
  const offline = useAppSelector((s) => s.offline);
  const words = offlineWords(offline);
  const quiet = { color: theme.colors.onSurfaceVariant };
  const until = state.endedMs ?? now;
  const out = running ? Math.max(...state.lanes.map((lane) => finishMs(lane, now))) : null;
  const late = out !== null && endMs !== null ? Math.round((out - endMs) / 60_000) : 0;
  return (
    <View style={styles.top}>
      <View style={styles.line}>
        <IconButton icon="arrow-left" size={28} accessibilityLabel="Back" style={styles.back} onPress={onBack} />
        <Text variant="titleMedium" role="heading" aria-level={1} numberOfLines={1} style={styles.title}>
          {title}
        </Text>
        <View role="status" aria-live="polite">
          {words ? (
            <Text variant="labelMedium" style={{ color: theme.colors.primary }} onPress={onWaiting} role="link">
              {words.toLowerCase()}
            </Text>
          ) : null}
        </View>
        <LightButton />
      </View>
      <View style={styles.clock}>
        <Text
          style={[styles.big, { color: running ? theme.colors.onBackground : theme.colors.onSurfaceVariant }]}
          accessibilityLabel={`Running for ${formatTime(state.beganMs === null ? 0 : (until - state.beganMs) / 1000)}`}
        >
          {formatTime(state.beganMs === null ? 0 : Math.floor((until - state.beganMs) / 1000))}
        </Text>
        <View style={styles.side}>
          {out !== null ? (
            <>
              <Text style={styles.out}>{`out ${clockWord(out, zone)}`}</Text>
              <Text
                variant="labelMedium"
                style={{ color: late > 1 ? theme.colors.error : theme.colors.onSurfaceVariant }}
              >
                {late > 1 ? `${late} min late` : late < -1 ? `${-late} min to spare` : 'in time'}
              </Text>
            </>
          ) : (
            <Text style={quiet}>{state.endedMs !== null ? 'ended' : 'not started'}</Text>
          )}
        </View>
      </View>
    </View>
  );
}

interface MissingProps {
  readonly state: RunState;
  readonly time: DeckTime;
  readonly names: ReadonlyMap<string, string>;
}

/** Who should have been at the wall by now: said loudly, because it is somebody to look for. */
export function Missing({ state, time, names }: MissingProps) {
  const theme = useTheme();
  const now = useNow(time, 1000, state.endedMs === null);
  const missing = overdue(state, now);
  useAlarm(missing.length);
  if (missing.length === 0) return null;
  const laneOf = (id: string) => state.lanes.find((l) => l.id === id)?.number ?? 0;
  return (
    <View role="alert" style={[styles.alarm, { backgroundColor: theme.colors.error }]}>
      <Text variant="titleMedium" style={{ color: theme.colors.onError }}>
        {`Look for ${missing.map((m) => `${names.get(m.swimmer) ?? '?'} (lane ${laneOf(m.lane)}, ${Math.round(m.lateS)} s late)`).join(', ')}`}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  top: { paddingHorizontal: 16 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 48, marginRight: -8 },
  back: { margin: 0, marginLeft: -12 },
  title: { flex: 1 },
  clock: { flexDirection: 'row', alignItems: 'flex-end', justifyContent: 'space-between' },
  big: { fontFamily: 'Atkinson Bold', fontSize: 72, lineHeight: 76, fontVariant: ['tabular-nums'] },
  side: { alignItems: 'flex-end', paddingBottom: 8 },
  out: { fontFamily: 'Atkinson Bold', fontSize: 24, lineHeight: 28, fontVariant: ['tabular-nums'] },
  alarm: { paddingHorizontal: 16, paddingVertical: 10 },
});
