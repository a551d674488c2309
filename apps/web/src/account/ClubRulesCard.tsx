import type { ClubRules } from '@upwell/contract/club';
import { KIT, KIT_IDS, type KitId } from '@upwell/core/library';
import { effortSpeed, type PacePoint } from '@upwell/core/measures';
import { formatTime } from '@upwell/core/units';
import { WATER_RULES, type WaterRules } from '@upwell/core/safety';
import { percent, zoneWord } from '@upwell/core/words';
import { zoneNamed } from '@upwell/core/days';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Failure, Loading, Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { useClubRules } from './useClubRules';
import { ZoneInput } from './ZoneInput';

/** Somebody to show paces with: 400 m in six minutes. */
const EXAMPLE_MPS = 400 / 360;
const EFFORTS = [0.6, 0.7, 0.8, 0.9, 1];

/** What the law says, as a table to begin from. */
const LAW: readonly PacePoint[] = EFFORTS.map((effort) => ({
  effort,
  share: Math.round(effortSpeed(1, effort) * 1000) / 1000,
}));

/** What the club decides for itself: its name, clock and units, its kit, how full a lane is, and what an effort means. */
export function ClubRulesCard() {
  const { rules, change, unread, again, refused } = useClubRules();
  if (!rules) return unread ? <Failure error={unread} retry={again} /> : <Loading label="Loading the rules" />;
  const { kit, laneCapacity, paceTable, water } = rules;
  const own = (item: KitId, owned: boolean) =>
    change(({ kit: now }) => ({ kit: owned ? [...new Set([...now, item])] : now.filter((k) => k !== item) }));
  const setShare = (effort: number, share: number) =>
    change(({ paceTable: now }) => ({
      paceTable: now.map((p) => (p.effort === effort ? { ...p, share: Math.round(share * 1000) / 1000 } : p)),
    }));
  return (
    <Card title="Club rules">
      {refused ? <Notice tone="error">{sentence(refused)}</Notice> : null}
      <NameAndPlace rules={rules} onSave={(fields) => change(() => fields)} />
      <Choice
        label="Pools are shown first in"
        options={[
          { value: 'm', label: 'metres' },
          { value: 'yd', label: 'yards' },
        ]}
        chosen={[rules.units]}
        onPress={(units) => change(() => ({ units }))}
      />
      <Choice
        label="Kit the club owns"
        options={KIT_IDS.map((value) => ({ value, label: KIT[value] }))}
        chosen={kit}
        onPress={(item) => own(item, !kit.includes(item))}
      />
      <View style={styles.row}>
        <Stepper
          label="swimmers per lane"
          value={laneCapacity === null ? 'usual' : String(laneCapacity)}
          onLess={
            laneCapacity === null
              ? null
              : () => change(() => ({ laneCapacity: laneCapacity > 1 ? laneCapacity - 1 : null }))
          }
          onMore={() => change(() => ({ laneCapacity: Math.min(20, (laneCapacity ?? 7) + 1) }))}
        />
        <Text variant="bodySmall" style={styles.flex}>
          Usually 8 in a short pool and 12 in a 50 m pool.
        </Text>
      </View>
      <Choice
        label="What an effort level means"
        options={[
          { value: 'law', label: 'power against drag' },
          { value: 'table', label: 'our own table' },
        ]}
        chosen={[paceTable.length > 0 ? 'table' : 'law']}
        onPress={(value) => change(() => ({ paceTable: value === 'law' ? [] : LAW }))}
      />
      {paceTable.map(({ effort, share }) => (
        <Stepper
          key={effort}
          label={`${percent(effort)}, for 400 m in 6:00`}
          value={`${formatTime(100 / (EXAMPLE_MPS * share), 1)} /100`}
          onLess={share < 1.5 ? () => setShare(effort, share + 0.005) : null}
          onMore={share > 0.3 ? () => setShare(effort, share - 0.005) : null}
        />
      ))}
      <Text variant="labelMedium">At the water: stricter than the usual limits, never looser</Text>
      <View style={styles.row}>
        {WATER.map(({ of, label, step }) => {
          // More water is the tighter way for the depth; less of everything else.
          const [least, most] = of === 'leastDepthM' ? [WATER_RULES[of], 5] : [step, WATER_RULES[of]];
          const to = (by: number) => () =>
            change(({ water: now }) => ({ water: { ...now, [of]: Math.round((water[of] + by) * 10) / 10 } }));
          return (
            <Stepper
              key={of}
              label={label}
              value={String(water[of])}
              onLess={water[of] - step >= least ? to(-step) : null}
              onMore={water[of] + step <= most ? to(step) : null}
            />
          );
        })}
      </View>
    </Card>
  );
}

/** Name and clock change what everybody sees: they are stored when the coach says so. */
function NameAndPlace({
  rules,
  onSave,
}: {
  readonly rules: ClubRules;
  readonly onSave: (fields: Pick<ClubRules, 'name' | 'timeZone'>) => void;
}) {
  const [typed, setTyped] = useState<Partial<Pick<ClubRules, 'name' | 'timeZone'>>>({});
  const name = typed.name ?? rules.name;
  const timeZone = typed.timeZone ?? rules.timeZone;
  const zone = zoneNamed(timeZone);
  const changed = name.trim() !== rules.name || zone !== rules.timeZone;
  return (
    <View style={styles.place}>
      <Input
        label="Name of the club"
        value={name}
        maxLength={80}
        error={name.trim() === ''}
        onChangeText={(text) => setTyped({ ...typed, name: text })}
      />
      <ZoneInput
        zone={timeZone}
        onChange={(text) => setTyped({ ...typed, timeZone: text })}
        error={zone === null ? 'Type a city, or a zone like Europe/Lisbon.' : undefined}
      />
      {changed ? (
        <>
          {zone !== null && zone !== rules.timeZone ? (
            <Text variant="bodySmall">{`Days and times will be those of ${zoneWord(zone)} for everybody. What is planned keeps the time on its clock: 19:00 stays 19:00.`}</Text>
          ) : null}
          <View style={styles.row}>
            <Button
              mode="contained"
              disabled={zone === null || name.trim() === ''}
              onPress={() => {
                onSave({ name: name.trim(), timeZone: zone! });
                setTyped({});
              }}
            >
              Save name and time zone
            </Button>
            <Button onPress={() => setTyped({})}>Leave as it was</Button>
          </View>
        </>
      ) : null}
    </View>
  );
}

const WATER = [
  { of: 'perWatcher', label: 'swimmers per watcher', step: 1 },
  { of: 'perWatcherFirst', label: 'first-timers per watcher', step: 1 },
  { of: 'craftBeyondM', label: 'm from shore before a craft is needed', step: 10 },
  { of: 'windMps', label: 'm/s wind at most', step: 1 },
  { of: 'rainMm', label: 'mm rain in 72 h at most', step: 5 },
  { of: 'leastDepthM', label: 'm of depth at least', step: 0.1 },
] as const satisfies readonly { of: keyof WaterRules; label: string; step: number }[];

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center', marginVertical: 6 },
  flex: { flex: 1, minWidth: 180 },
  place: { gap: 8, marginBottom: 8 },
});
