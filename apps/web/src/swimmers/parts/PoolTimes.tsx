/** The hired water of a squad: when in the week, how long, how many lanes. */
import { useAppSelector } from '@/state/hooks';
import type { UsualPool } from '@upwell/core/units';
import { usualPool, usualPools } from '@upwell/core/units';
import type { PoolTime } from '@upwell/contract/swimmers';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { movedTime } from '@/ui/dates';
import { Stepper } from '@/ui/Stepper';
import { PoolFacts } from '@/ui/PoolFacts';
import { useTheme } from '@/ui/useTheme';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

interface PoolTimesProps {
  readonly times: readonly PoolTime[];
  readonly onChange: (times: readonly PoolTime[]) => void;
}

const USUAL: PoolTime = { weekday: 2, startTime: '19:00', minutes: 60, pool: { length: 25, unit: 'm' }, lanes: 2 };

export function PoolTimes({ times, onChange }: PoolTimesProps) {
  const theme = useTheme();
  const pools = usualPools(useAppSelector((state) => state.place.units));
  const change = (at: number, patch: Partial<PoolTime>) =>
    onChange(times.map((time, i) => (i === at ? { ...time, ...patch } : time)));
  return (
    <View style={styles.all}>
      <Text variant="labelMedium">Pool times</Text>
      {times.map((time, i) => (
        <View key={i} style={[styles.time, { borderColor: theme.own.line }]}>
          <Choice
            label="Day"
            options={WEEKDAYS.map((label, d) => ({ value: String(d + 1), label }))}
            chosen={[String(time.weekday)]}
            onPress={(value) => change(i, { weekday: Number(value) })}
          />
          <View style={styles.row}>
            <Stepper
              label="start"
              value={time.startTime}
              onLess={() => change(i, { startTime: movedTime(time.startTime, -15) })}
              onMore={() => change(i, { startTime: movedTime(time.startTime, 15) })}
            />
            <Stepper
              label="minutes"
              value={String(time.minutes)}
              onLess={time.minutes > 15 ? () => change(i, { minutes: time.minutes - 5 }) : null}
              onMore={time.minutes < 240 ? () => change(i, { minutes: time.minutes + 5 }) : null}
            />
            <Stepper
              label="lanes"
              value={String(time.lanes)}
              onLess={time.lanes > 1 ? () => change(i, { lanes: time.lanes - 1 }) : null}
              onMore={time.lanes < 20 ? () => change(i, { lanes: time.lanes + 1 }) : null}
            />
            <IconButton
              icon="trash-can-outline"
              accessibilityLabel={`Take out ${WEEKDAYS[time.weekday - 1]} ${time.startTime}`}
              onPress={() => onChange(times.filter((_, at) => at !== i))}
            />
          </View>
          <Choice
            label="Pool"
            options={pools.map((value) => ({ value, label: value }))}
            chosen={[`${time.pool.length} ${time.pool.unit}` as UsualPool]}
            onPress={(value) => {
              change(i, { pool: { ...time.pool, ...usualPool(value) } });
            }}
          />
          <PoolFacts pool={time.pool} onChange={(facts) => change(i, { pool: { ...time.pool, ...facts } })} />
        </View>
      ))}
      <Button
        icon="plus"
        style={styles.start}
        disabled={times.length >= 14}
        onPress={() => onChange([...times, times[times.length - 1] ?? USUAL])}
      >
        Add a pool time
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { marginTop: 8 },
  time: { borderWidth: 1, borderRadius: 6, padding: 10, marginVertical: 4 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  start: { alignSelf: 'flex-start' },
});
