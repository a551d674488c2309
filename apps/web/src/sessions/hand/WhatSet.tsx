// What is swum in a set: stroke, drill, breathing, kit.
import { drillCard, drillIds, KIT, KIT_IDS, type DrillId } from '@upwell/core/library';
import { STROKE_WORD, SWIM_STROKES, type GroupPlan, type SessionPlan } from '@upwell/core/sessions';
import { isAtLeast } from '@upwell/core/swimmers';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import type { PartProps } from './HowMuch';

interface WhatProps extends PartProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly onDrill: (id: DrillId) => void;
}

export function What({ set, plan, group, change, onDrill }: WhatProps) {
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const drills = drillIds().filter((id) => {
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
});
