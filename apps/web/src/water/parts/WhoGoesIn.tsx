/** Who goes in, what is ready for them, and each health note with what was answered to it. */
import { HEALTH_ADVICE } from '@upwell/core/swimmers';
import type { GroupPerson } from '@upwell/core/sessions';
import type { DayGroup } from '@upwell/core/water';
import { skipToken } from '@reduxjs/toolkit/query';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useProposalQuery } from '@/sessions';
import { useSquadsQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';

interface WhoGoesInProps {
  readonly group: DayGroup;
  /** Names of those who are known, by id. */
  readonly names: Readonly<Record<string, string>>;
  readonly date: string;
  readonly waterC: number | null;
  readonly head: boolean;
  /** Nobody swims back: who picks up is asked too. */
  readonly withStream: boolean;
  readonly onChange: (change: Partial<DayGroup>) => void;
  readonly onTake: (people: readonly GroupPerson[]) => void;
}

const COUNTS = [
  { of: 'swimmers', label: 'swimmers' },
  { of: 'firstTimers', label: 'first time' },
  { of: 'children', label: 'under 16' },
  { of: 'minors', label: '16 and 17' },
  { of: 'settle', label: 'at Settle' },
  { of: 'watching', label: 'lifeguards and watchers' },
] as const;

const READY = [
  { of: 'wetsuits', label: 'Wetsuits' },
  { of: 'craft', label: 'Safety craft' },
  { of: 'bright', label: 'Bright caps, floats' },
  { of: 'lights', label: 'Lights on everybody' },
  { of: 'warmExit', label: 'Warm shelter at the exit' },
  { of: 'stopSignal', label: 'Stop signal agreed' },
] as const;

export function WhoGoesIn({ group, names, date, waterC, head, withStream, onChange, onTake }: WhoGoesInProps) {
  return (
    <Card title="Who goes in">
      <FromSquad date={date} onTake={onTake} />
      <View style={styles.row}>
        {COUNTS.map(({ of, label }) => (
          <Count key={of} label={label} value={group[of]} onChange={(value) => onChange({ [of]: value })} />
        ))}
        <Count
          label="minutes"
          value={group.minutes}
          step={5}
          onChange={(minutes) => onChange({ minutes: Math.max(5, minutes) })}
        />
      </View>
      <View style={styles.row}>
        {READY.map(({ of, label }) => (
          <Toggle key={of} label={label} on={group[of]} onPress={() => onChange({ [of]: !group[of] })} />
        ))}
        {waterC !== null && waterC < 10 ? (
          <Toggle
            label="A winter group with its own rules"
            on={group.winterRules}
            onPress={() => onChange({ winterRules: !group.winterRules })}
          />
        ) : null}
        {head && group.minors > 0 ? (
          <Toggle
            label="16 and 17: guardians and I agree"
            on={group.minorsAgreed}
            onPress={() => onChange({ minorsAgreed: !group.minorsAgreed })}
          />
        ) : null}
      </View>
      <Input
        label="Who calls for help"
        value={group.caller}
        maxLength={80}
        onChangeText={(caller) => onChange({ caller })}
      />
      {withStream ? (
        <Input
          label="Who picks up at the finish and at the exits"
          value={group.pickUp ?? ''}
          maxLength={80}
          onChangeText={(pickUp) => onChange({ pickUp })}
        />
      ) : null}
      {group.health.length > 0 ? (
        <View role="group" aria-label="Health notes" style={styles.notes}>
          <Text variant="labelLarge">
            Health notes: what the doctor said, medicine at the exit, who stays alongside
          </Text>
          {group.health.map((note, i) => {
            const name = names[note.swimmerId] ?? 'Somebody';
            return (
              <View key={`${note.swimmerId} ${note.flag}`} style={styles.note}>
                <Text variant="bodySmall">{`${name}, ${note.flag}. ${HEALTH_ADVICE[note.flag]}`}</Text>
                <Input
                  label={`Answer for ${name}, ${note.flag}`}
                  value={note.answer}
                  maxLength={200}
                  onChangeText={(answer) =>
                    onChange({ health: group.health.map((h, k) => (k === i ? { ...h, answer } : h)) })
                  }
                />
              </View>
            );
          })}
        </View>
      ) : null}
    </Card>
  );
}

interface CountProps {
  readonly label: string;
  readonly value: number;
  readonly step?: number;
  readonly onChange: (value: number) => void;
}

function Count({ label, value, step = 1, onChange }: CountProps) {
  return (
    <Stepper
      label={label}
      value={String(value)}
      onLess={value > 0 ? () => onChange(Math.max(0, value - step)) : null}
      onMore={value < 200 ? () => onChange(value + step) : null}
    />
  );
}

/** Fills in a squad: how many, how young, how slow, and who has a health note. */
function FromSquad({ date, onTake }: Pick<WhoGoesInProps, 'date' | 'onTake'>) {
  const { data: squads } = useSquadsQuery();
  const [squadId, setSquadId] = useState<string | null>(null);
  const { data } = useProposalQuery(squadId ? { squadIds: [squadId], date } : skipToken);
  const people = data?.people ?? [];
  return (
    <View>
      <Choice
        label="A squad"
        options={(squads ?? []).filter((s) => !s.archived).map((s) => ({ value: s.id, label: s.name }))}
        chosen={squadId ? [squadId] : []}
        onPress={setSquadId}
      />
      {people.length > 0 ? (
        <Toggle label={`Take its ${people.length} swimmers`} on={false} onPress={() => onTake(people)} />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 8 },
  notes: { marginTop: 12 },
  note: { marginTop: 8, gap: 4 },
});
