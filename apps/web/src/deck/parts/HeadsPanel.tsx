/** Who is in the water and who is out: one tap in, one tap out, and a loud number while somebody is still in. */
import { headCount, type Attendance, type RunState } from '@upwell/core/deck';
import { clockWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { textSize } from '@/ui/theme';
import type { Run } from '../useRun';
import { useAlarm } from '../beeper/alarm';
import { Tap } from './Tap';

interface HeadsPanelProps {
  readonly state: RunState;
  /** Whose clock the times are of. */
  readonly zone: string;
  readonly names: ReadonlyMap<string, string>;
  readonly note: Run['note'];
}

/** Where a tap leads: in, then out; a held-off place for who did not come. */
const NEXT: Readonly<Record<Attendance | 'unknown', Attendance>> = {
  unknown: 'in',
  in: 'out',
  out: 'in',
  absent: 'in',
};

export function HeadsPanel({ state, zone, names, note }: HeadsPanelProps) {
  const theme = useTheme();
  const heads = headCount(state);
  const swimmers = state.setup?.swimmers ?? [];
  const laneOf = (id: string) => state.lanes.find((l) => l.swimmers.includes(id))?.number;
  const sorted = [...swimmers].sort((a, b) => (laneOf(a.id) ?? 99) - (laneOf(b.id) ?? 99));
  const all = (as: Attendance, ids: readonly string[]) =>
    ids.forEach((swimmer) => note({ kind: 'attend', swimmer, as }));
  const stillIn = state.endedMs !== null && heads.inWater.length > 0;
  useAlarm(stillIn ? heads.inWater.length : 0);
  return (
    <View style={styles.panel}>
      {stillIn ? (
        <View role="alert" style={[styles.alarm, { backgroundColor: theme.colors.error }]}>
          <Text variant="titleMedium" style={{ color: theme.colors.onError }}>
            {`${heads.inWater.length} not counted out: ${heads.inWater.map((id) => names.get(id)).join(', ')}`}
          </Text>
        </View>
      ) : null}
      <View style={styles.numbers} aria-live="polite">
        <Number word="in the water" value={heads.inWater.length} strong />
        <Number word="out" value={heads.out.length} />
        <Number word="not here" value={heads.absent.length} />
        <Number word="not counted" value={heads.unknown.length} />
      </View>
      <View style={styles.row}>
        <Button mode="outlined" disabled={heads.unknown.length === 0} onPress={() => all('in', heads.unknown)}>
          Everyone else in
        </Button>
        <Button mode="outlined" disabled={heads.inWater.length === 0} onPress={() => all('out', heads.inWater)}>
          All out
        </Button>
      </View>
      {sorted.map(({ id, name }) => {
        const present = state.present[id];
        const as = present?.as ?? 'unknown';
        return (
          <View key={id} style={[styles.line, { borderTopColor: theme.own.line }]}>
            <Tap
              style={[
                styles.head,
                {
                  borderColor: as === 'in' ? theme.colors.primary : theme.colors.outline,
                  backgroundColor: as === 'in' ? theme.colors.primaryContainer : 'transparent',
                },
              ]}
              onTap={(monoMs) => note({ kind: 'attend', swimmer: id, as: NEXT[as] }, monoMs)}
            >
              <Text style={styles.name}>{name}</Text>
              <Text variant="labelMedium">
                {as === 'unknown'
                  ? 'tap when in'
                  : as === 'in'
                    ? `in ${clockWord(present!.inMs!, zone)}`
                    : as === 'out'
                      ? `out ${clockWord(present!.outMs!, zone)}`
                      : 'not here'}
              </Text>
            </Tap>
            <Button
              compact
              disabled={as === 'absent'}
              accessibilityLabel={`${name} is not here`}
              onPress={() => note({ kind: 'attend', swimmer: id, as: 'absent' })}
            >
              not here
            </Button>
          </View>
        );
      })}
    </View>
  );
}

function Number({
  word,
  value,
  strong = false,
}: {
  readonly word: string;
  readonly value: number;
  readonly strong?: boolean;
}) {
  const theme = useTheme();
  return (
    <View style={styles.number}>
      <Text style={[styles.figure, { color: strong ? theme.colors.primary : theme.colors.onBackground }]}>{value}</Text>
      <Text variant="labelSmall">{word}</Text>
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { padding: 16, gap: 4, width: '100%', maxWidth: 720, alignSelf: 'center' },
  alarm: { padding: 12, borderRadius: 6 },
  numbers: { flexDirection: 'row', justifyContent: 'space-between' },
  number: { alignItems: 'center', minWidth: 70 },
  figure: { fontFamily: 'Atkinson Bold', fontSize: 48, lineHeight: 52, fontVariant: ['tabular-nums'] },
  row: { flexDirection: 'row', gap: 8, marginVertical: 8 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, borderTopWidth: 1, paddingVertical: 6 },
  head: {
    flex: 1,
    minHeight: 56,
    borderWidth: 2,
    borderRadius: 6,
    paddingHorizontal: 12,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
  },
  name: { fontFamily: 'Atkinson Bold', fontSize: textSize(18), lineHeight: textSize(24) },
});
