/** The levels of a session: what the open one is called and swims at; one more, or one less. */
import {
  addLevel,
  editGroup,
  levelLike,
  MOST_LEVELS,
  newLevel,
  removeLevel,
  describeSet,
  type GroupPlan,
} from '@upwell/core/sessions';
import { levelCard, LEVELS, type LevelId } from '@upwell/core/swimmers';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { Check } from '@/ui/Check';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import type { EditorProps } from './props';

interface LevelsProps extends EditorProps {
  /** Opens a level that was just added, or another one when the open one went. */
  readonly onSelect: (groupId: string) => void;
}

/** Signs that mean something else in the text of a session. */
const NOT_IN_A_NAME = /[=/\r\n]/g;

export function Levels({ plan, group, onChange, onSelect }: LevelsProps) {
  const [open, setOpen] = useState(false);
  const [alike, setAlike] = useState(true);
  const [said, setSaid] = useState('');
  const add = (level: LevelId) => {
    const empty = { ...newLevel(level, v7(), v7), name: freeName(levelCard(level).name, plan.groups) };
    const { group: fresh, leftOut } = alike ? levelLike(plan, group, empty, v7) : { group: empty, leftOut: [] };
    onChange(addLevel(plan, fresh));
    onSelect(fresh.id);
    const drills = leftOut.map((set) => describeSet(set, plan.pool, plan.place)).join(', ');
    setSaid(`${fresh.name} is added.${drills ? ` Above its level, and left out: ${drills}.` : ''}`);
  };
  const setLevel = (level: LevelId) => {
    const { defaultV400Mps, defaultStrokeLengthM } = levelCard(level);
    // A pace that was a guess is the guess of the new level.
    const pace = group.paceIsGuess ? { v400Mps: defaultV400Mps, strokeLengthM: defaultStrokeLengthM } : {};
    onChange(editGroup(plan, group.id, { level, ...pace }));
  };
  const remove = () => {
    const next = removeLevel(plan, group.id);
    onChange(next);
    if (next.groups[0]) onSelect(next.groups[0].id);
    setSaid(`${group.name} is removed.`);
  };
  const levels = LEVELS.map((value) => ({ value, label: levelCard(value).name }));
  return (
    <View>
      <Disclosure label="Levels: name, add, remove" open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <View style={styles.all}>
          <NameField key={group.id} group={group} onName={(name) => onChange(editGroup(plan, group.id, { name }))} />
          <Choice label={`${group.name} swims at`} options={levels} chosen={[group.level]} onPress={setLevel} />
          {plan.groups.length < MOST_LEVELS ? (
            <View role="group" aria-label="Add a level" style={styles.part}>
              <Text variant="labelMedium">Add a level</Text>
              <Check
                label={`With the sets of ${group.name}, in about its time`}
                on={alike}
                onPress={() => setAlike(!alike)}
              />
              <View style={styles.row}>
                {levels.map(({ value, label }) => (
                  <Button
                    key={value}
                    compact
                    mode="outlined"
                    icon="plus"
                    accessibilityLabel={`Add a level: ${label}`}
                    onPress={() => add(value)}
                  >
                    {label}
                  </Button>
                ))}
              </View>
            </View>
          ) : null}
          <Button
            compact
            icon="trash-can-outline"
            disabled={plan.groups.length < 2}
            style={styles.start}
            onPress={remove}
          >
            {`Remove ${group.name}`}
          </Button>
        </View>
      ) : null}
      {said ? (
        <Text variant="bodySmall" aria-live="polite">
          {said}
        </Text>
      ) : null}
    </View>
  );
}

/** A level always has a name: an empty field waits for one. */
function NameField({ group, onName }: { readonly group: GroupPlan; readonly onName: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <Input
      dense
      label="Name of this level"
      value={typed ?? group.name}
      maxLength={60}
      onChangeText={(text) => {
        const name = text.replace(NOT_IN_A_NAME, '');
        setTyped(name);
        if (name.trim() !== '') onName(name.trim());
      }}
      onBlur={() => setTyped(null)}
    />
  );
}

/** A name that no level has yet: Hold, Hold 2 … */
function freeName(name: string, groups: readonly GroupPlan[]): string {
  const taken = new Set(groups.map((group) => group.name));
  for (let n = 1; ; n++) {
    const free = n === 1 ? name : `${name} ${n}`;
    if (!taken.has(free)) return free;
  }
}

const styles = StyleSheet.create({
  all: { gap: 8, paddingBottom: 8 },
  part: { gap: 4 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  start: { alignSelf: 'flex-start' },
});
