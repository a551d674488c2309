import { DRILL_IDS, drillCard, KIT, KIT_IDS, type DrillId } from '@upwell/core/library';
import {
  asKind,
  copyToLevels,
  editSet,
  effortWord,
  prescriptionOf,
  removeItem,
  repSeconds,
  replaceSet,
  STROKE_WORD,
  suggestFor,
  SWIM_STROKES,
  withDrill,
  wrapInRounds,
  type AnySet,
  type GroupPlan,
  type SessionPlan,
  type SetPatch,
} from '@upwell/core/sessions';
import { isAtLeast } from '@upwell/core/swimmers';
import { formatTime, poolDistance } from '@upwell/core/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Input } from '@/ui/Input';
import { Stepper } from '@/ui/Stepper';
import { BreathingEditor } from './BreathingEditor';

interface SetEditorProps {
  readonly set: AnySet;
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly onChange: (plan: SessionPlan) => void;
}

const EFFORTS = [0.6, 0.7, 0.75, 0.8, 0.9, 1];
const KINDS = [
  { value: 'swim', label: 'lengths' },
  { value: 'halves', label: 'half and half' },
  { value: 'timed', label: 'minutes' },
] as const;

/** One set changed in place: how much, how hard, and how it is breathed; the numbers answer at once. */
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
        ? `Copied, but not to ${leftOut.join(' and ')}: the drill is above them.`
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
          Take this set out
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

interface PartProps {
  readonly set: AnySet;
  readonly change: (patch: SetPatch) => void;
}

function HowMuch({ set, plan, change }: PartProps & { readonly plan: SessionPlan }) {
  const { pool, place } = plan;
  const { timing } = set;
  const seconds = timing.seconds;
  return (
    <View style={styles.row}>
      <Stepper
        label="reps"
        value={String(set.reps)}
        onLess={set.reps > 1 ? () => change({ reps: set.reps - 1 }) : null}
        onMore={set.reps < 200 ? () => change({ reps: set.reps + 1 }) : null}
      />
      {set.kind === 'timed' ? (
        <Stepper
          label="minutes each"
          value={formatTime(set.seconds)}
          onLess={set.seconds > 30 ? () => change({ seconds: set.seconds - 30 }) : null}
          onMore={set.seconds < 3600 ? () => change({ seconds: set.seconds + 30 }) : null}
        />
      ) : (
        <Stepper
          label={place === 'open-water' ? 'loops each' : pool.unit === 'yd' ? 'yards each' : 'metres each'}
          value={place === 'open-water' ? String(set.lengths) : String(poolDistance(pool, set.lengths))}
          onLess={set.lengths > 0.5 ? () => change({ lengths: set.lengths - (set.lengths <= 1 ? 0.5 : 1) }) : null}
          onMore={
            set.lengths < 400 ? () => change({ lengths: set.lengths < 1 ? 1 : Math.floor(set.lengths) + 1 }) : null
          }
        />
      )}
      <Stepper
        label={timing.kind === 'rest' ? 'seconds rest' : 'send-off'}
        value={timing.kind === 'rest' ? String(seconds) : formatTime(seconds)}
        onLess={seconds >= 5 ? () => change({ timing: { ...timing, seconds: seconds - 5 } }) : null}
        onMore={seconds < 1200 ? () => change({ timing: { ...timing, seconds: seconds + 5 } }) : null}
      />
      <Choice
        label="Clock"
        options={[
          { value: 'rest', label: 'rest' },
          { value: 'send-off', label: 'send-off' },
        ]}
        chosen={[timing.kind]}
        onPress={(kind) => change({ timing: { kind, seconds: kind === 'rest' ? 15 : Math.max(30, seconds * 4) } })}
      />
    </View>
  );
}

function HowHard({ set, change }: PartProps) {
  const options = EFFORTS.map((e) => ({ value: String(e), label: effortWord(e) }));
  if (set.drill) return null;
  return (
    <>
      <Choice
        label={set.kind === 'halves' ? 'First half' : 'Effort'}
        options={options}
        chosen={[String(set.effort)]}
        onPress={(value) => change({ effort: Number(value) })}
      />
      {set.kind === 'halves' ? (
        <Choice
          label="Second half"
          options={options}
          chosen={[String(set.secondEffort)]}
          onPress={(value) => change({ secondEffort: Number(value) })}
        />
      ) : null}
    </>
  );
}

function Numbers({ set, plan, group, change }: PartProps & { readonly plan: SessionPlan; readonly group: GroupPlan }) {
  const numbers = prescriptionOf(set, group, plan.pool);
  const outside = plan.place === 'open-water';
  const suggestion = suggestFor(set, group, plan.pool, outside);
  const rate = set.strokeRateSpm ?? Math.round(numbers.strokeRateSpm);
  const { sighting } = set;
  const words = [
    `${numbers.rateIsDerived ? 'About ' : ''}${Math.round(numbers.strokeRateSpm)} strokes a minute, a beep each ${numbers.beeperS.toFixed(2)} s`,
    numbers.breathsPerMinute === null
      ? ''
      : `${numbers.breathsPerMinute.toFixed(0)} breaths a minute, ${numbers.secondsBetween!.toFixed(1)} s between`,
    numbers.looksPerRep > 0 ? `${numbers.looksPerRep} looks each` : '',
  ];
  return (
    <View style={styles.numbers}>
      <Text variant="bodySmall" aria-live="polite">
        {words.filter(Boolean).join(' · ')}
      </Text>
      <View style={styles.row}>
        <Stepper
          label="strokes a minute"
          value={set.strokeRateSpm === null ? 'free' : String(set.strokeRateSpm)}
          onLess={rate > 22 ? () => change({ strokeRateSpm: rate - 2 }) : null}
          onMore={rate < 138 ? () => change({ strokeRateSpm: rate + 2 }) : null}
        />
        <Stepper
          label="strokes to a look"
          value={sighting ? String(sighting.every) : 'none'}
          onLess={
            sighting
              ? () => change({ sighting: sighting.every > 2 ? { ...sighting, every: sighting.every - 1 } : null })
              : null
          }
          onMore={
            sighting && sighting.every >= 30
              ? null
              : () =>
                  change({
                    sighting: sighting ? { ...sighting, every: sighting.every + 1 } : { every: 6, forBreath: false },
                  })
          }
        />
        {sighting ? (
          <Choice
            label="The look"
            options={[
              { value: 'before', label: 'then breathe' },
              { value: 'for', label: 'for a breath' },
            ]}
            chosen={[sighting.forBreath ? 'for' : 'before']}
            onPress={(value) => change({ sighting: { ...sighting, forBreath: value === 'for' } })}
          />
        ) : null}
        <Button
          compact
          onPress={() =>
            change({
              strokeRateSpm: suggestion.strokeRateSpm,
              breathing: suggestion.breathing,
              sighting: suggestion.sighting,
            })
          }
        >
          {`Take what suits: rate ${suggestion.strokeRateSpm}`}
        </Button>
        {set.strokeRateSpm === null ? null : (
          <Button compact onPress={() => change({ strokeRateSpm: null })}>
            Free rate
          </Button>
        )}
      </View>
      <Text variant="bodySmall">{suggestion.why}</Text>
    </View>
  );
}

interface WhatProps extends PartProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly onDrill: (id: DrillId) => void;
}

function What({ set, plan, group, change, onDrill }: WhatProps) {
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const drills = DRILL_IDS.filter((id) => {
    const drill = drillCard(id);
    const here = plan.place === 'open-water' ? drill.places.includes('open-water') : !drill.places.includes('land');
    return here && isAtLeast(group.level, drill.from) && drill.name.toLowerCase().includes(wanted);
  });
  const shown = wanted ? drills.slice(0, 12) : set.drill ? [set.drill] : [];
  const takeDrill = (id: DrillId) => (set.drill === id ? change({ drill: null }) : onDrill(id));
  return (
    <View style={styles.edit}>
      <Choice
        label="Stroke"
        options={SWIM_STROKES.map((value) => ({ value, label: STROKE_WORD[value] }))}
        chosen={[set.stroke]}
        onPress={(stroke) => change({ stroke })}
      />
      <Input dense label="Find a drill" value={search} onChangeText={setSearch} />
      {shown.length > 0 ? (
        <Choice
          label="Drill"
          options={shown.map((id) => ({ value: id, label: drillCard(id).name }))}
          chosen={set.drill ? [set.drill] : []}
          onPress={takeDrill}
        />
      ) : null}
      <Choice
        label="Kit"
        options={KIT_IDS.map((value) => ({ value, label: KIT[value] }))}
        chosen={set.kit}
        onPress={(item) =>
          change({ kit: set.kit.includes(item) ? set.kit.filter((k) => k !== item) : [...set.kit, item] })
        }
      />
      <Input dense label="Note" value={set.note} maxLength={400} onChangeText={(note) => change({ note })} />
    </View>
  );
}

const styles = StyleSheet.create({
  edit: { paddingVertical: 8, gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  numbers: { gap: 6 },
});
