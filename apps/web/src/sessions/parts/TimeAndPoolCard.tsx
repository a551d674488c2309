import { usualPools } from '@upwell/core/units';
import { useAppSelector, useToday } from '@/state/hooks';
import type { PoolTime, Squad } from '@upwell/contract/swimmers';
import { CAUTION } from '@upwell/core/safety';
import { WEEK_KINDS } from '@upwell/core/sessions';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { addDays } from '@upwell/core/days';
import { dayWord } from '@upwell/core/words';
import { movedTime, nextWeekday } from '@/ui/dates';
import { Input } from '@/ui/Input';
import { PoolFacts } from '@/ui/PoolFacts';
import { Stepper } from '@/ui/Stepper';
import { LoopChoice } from './LoopChoice';
import { poolOf, wishAt, type PoolChoice, type Wish } from '../wish';
import type { PartProps } from './wishProps';

/** The hired water of the chosen squads, the next first. */
export function timesOf(
  wish: Wish,
  squads: readonly Squad[],
  today: string,
): (PoolTime & { readonly squad: string; readonly date: string })[] {
  return squads
    .filter((s) => !s.archived && (wish.squadIds.length === 0 || wish.squadIds.includes(s.id)))
    .flatMap((s) => s.poolTimes.map((time) => ({ ...time, squad: s.name, date: nextWeekday(today, time.weekday) })))
    .sort((a, b) => `${a.date} ${a.startTime}`.localeCompare(`${b.date} ${b.startTime}`))
    .slice(0, 6);
}

/** Hired water, or any day, hour, pool and kind of week. */
export function TimeAndPoolCard({ wish, change, times }: PartProps & { readonly times: ReturnType<typeof timesOf> }) {
  const pool = poolOf(wish);
  const pools = usualPools(useAppSelector((state) => state.place.units));
  const today = useToday();
  return (
    <Card title="When and where">
      {times.length > 0 ? (
        <Choice
          label="Pool times"
          options={times.map((t) => ({
            value: `${t.squad} ${t.date} ${t.startTime}`,
            label: `${dayWord(t.date)} ${t.startTime}, ${t.squad}`,
          }))}
          chosen={times
            .filter((t) => t.date === wish.date && t.startTime === wish.startTime)
            .map((t) => `${t.squad} ${t.date} ${t.startTime}`)}
          onPress={(value) => {
            const time = times.find((t) => `${t.squad} ${t.date} ${t.startTime}` === value)!;
            change({ date: time.date, ...wishAt(time, pools) });
          }}
        />
      ) : null}
      <View style={styles.chips}>
        <Stepper
          label={wish.date === today ? 'today' : 'day'}
          value={dayWord(wish.date)}
          onLess={wish.date > today ? () => change({ date: addDays(wish.date, -1) }) : null}
          onMore={() => change({ date: addDays(wish.date, 1) })}
        />
        <Stepper
          label="start"
          value={wish.startTime}
          onLess={() => change({ startTime: movedTime(wish.startTime, -15) })}
          onMore={() => change({ startTime: movedTime(wish.startTime, 15) })}
        />
        <Stepper
          label="minutes"
          value={String(wish.minutes)}
          onLess={wish.minutes > 20 ? () => change({ minutes: wish.minutes - 5 }) : null}
          onMore={wish.minutes < 180 ? () => change({ minutes: wish.minutes + 5 }) : null}
        />
      </View>
      <Choice
        label="Water"
        options={[
          ...[...pools, 'other' as const].map((value) => ({ value, label: value })),
          { value: 'open-water', label: 'open water' },
        ]}
        chosen={[wish.place === 'pool' ? wish.pool : 'open-water']}
        onPress={(value) =>
          change(
            value === 'open-water'
              ? { place: 'open-water', locked: {}, lengths: {} }
              : { place: 'pool', pool: value as PoolChoice, poolFacts: {}, locked: {}, lengths: {} },
          )
        }
      />
      {wish.place === 'pool' ? (
        <PoolFacts
          pool={wish.poolFacts ?? {}}
          onChange={(facts) => change({ poolFacts: { ...wish.poolFacts, ...facts } })}
        />
      ) : null}
      {wish.place === 'open-water' ? (
        <View>
          <LoopChoice wish={wish} change={change} />
          <Stepper
            label="metres, one loop"
            value={String(wish.loopM)}
            onLess={wish.loopM > 50 ? () => change({ loopM: wish.loopM - 50, courseId: null }) : null}
            onMore={wish.loopM < 5000 ? () => change({ loopM: wish.loopM + 50, courseId: null }) : null}
          />
          <Text variant="bodySmall">{CAUTION}</Text>
        </View>
      ) : null}
      <Choice
        label="Week"
        options={WEEK_KINDS.map((value) => ({ value, label: value }))}
        chosen={[wish.week]}
        onPress={(week) => change({ week })}
      />
      {wish.place === 'pool' && wish.pool === 'other' ? (
        <View style={styles.chips}>
          <Input
            dense
            label="Length"
            inputMode="decimal"
            value={wish.otherLength}
            onChangeText={(otherLength) => change({ otherLength })}
            error={typeof pool === 'string'}
          />
          <Choice
            label="Unit"
            options={[
              { value: 'm', label: 'metres' },
              { value: 'yd', label: 'yards' },
            ]}
            chosen={[wish.otherUnit]}
            onPress={(otherUnit) => change({ otherUnit })}
          />
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginVertical: 4 },
});
