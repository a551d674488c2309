/** One set changed in place: how much, how hard, and how it is breathed; the numbers answer at once. */
import {
  asKind,
  copyToLevels,
  editSet,
  removeItem,
  repSeconds,
  replaceSet,
  withDrill,
  wrapInRounds,
  type AnySet,
  type GroupPlan,
  type SessionPlan,
  type SetPatch,
} from '@upwell/core/sessions';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { BreathingEditor } from './BreathingEditor';
import { HowHard, HowMuch } from './HowMuch';
import { Numbers } from './SetNumbers';
import { What } from './WhatSet';

interface SetEditorProps {
  readonly set: AnySet;
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly onChange: (plan: SessionPlan) => void;
}
const KINDS = [
  { value: 'swim', label: 'lengths' },
  { value: 'halves', label: 'half and half' },
  { value: 'descend', label: 'each one faster' },
  { value: 'timed', label: 'minutes' },
] as const;

export function SetEditor({ set, plan, group, onChange }: SetEditorProps) {
  const [more, setMore] = useState(false);
  const [said, setSaid] = useState('');
  const change = (patch: SetPatch) => onChange(editSet(plan, set.id, patch));
  const repS = repSeconds(set, group, plan.pool);
  const copy = () => {
    const { plan: next, leftOut } = copyToLevels(plan, set.id, () => v7());
    onChange(next);
    setSaid(
      leftOut.length > 0
        ? `Copied, but not to ${leftOut.join(' and ')}: the drill is above their level.`
        : 'Copied to the other levels.',
    );
  };
  return (
    <View style={styles.edit}>
      <HowMuch set={set} plan={plan} change={change} />
      <HowHard set={set} change={change} />
      <BreathingEditor set={set} plan={plan} group={group} change={change} />
      <Numbers set={set} plan={plan} group={group} change={change} />
      <Disclosure label={more ? 'Less' : 'Drill, stroke, kit, note'} open={more} onPress={() => setMore(!more)} />
      {more ? (
        <>
          <Choice
            label="Measured in"
            options={KINDS}
            chosen={[set.kind]}
            onPress={(kind) => onChange(replaceSet(plan, set.id, asKind(set, kind, { repS })))}
          />
          <What
            set={set}
            plan={plan}
            group={group}
            change={change}
            onDrill={(id) => onChange(replaceSet(plan, set.id, withDrill(set, id, group, plan.pool)))}
          />
        </>
      ) : null}
      <View style={styles.row}>
        <Button compact icon="content-copy" onPress={copy} disabled={plan.groups.length < 2}>
          Copy to other levels
        </Button>
        <Button compact icon="repeat" onPress={() => onChange(wrapInRounds(plan, set.id, v7()))}>
          Swim it in rounds
        </Button>
        <Button compact icon="trash-can-outline" onPress={() => onChange(removeItem(plan, set.id))}>
          Delete this set
        </Button>
      </View>
      {said ? (
        <Text variant="bodySmall" aria-live="polite">
          {said}
        </Text>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  edit: { paddingVertical: 8, gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
