// How far and how hard a set is.
import { effortWord, type AnySet, type SessionPlan, type SetPatch } from '@upwell/core/sessions';
import { formatTime, poolDistance } from '@upwell/core/units';
import { StyleSheet, View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { taken, typedLengths, typedSeconds, typedWhole } from '../typed';

const EFFORTS = [0.6, 0.7, 0.75, 0.8, 0.9, 1];

export interface PartProps {
  readonly set: AnySet;
  readonly change: (patch: SetPatch) => void;
}

export function HowMuch({ set, plan, change }: PartProps & { readonly plan: SessionPlan }) {
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
        onType={(text) => taken(typedWhole(text, 1, 200), (reps) => change({ reps }))}
      />
      {set.kind === 'timed' ? (
        <Stepper
          label="minutes each"
          value={formatTime(set.seconds)}
          onLess={set.seconds > 30 ? () => change({ seconds: set.seconds - 30 }) : null}
          onMore={set.seconds < 3600 ? () => change({ seconds: set.seconds + 30 }) : null}
          onType={(text) => taken(typedSeconds(text, 5, 7200, 'minutes'), (to) => change({ seconds: to }))}
        />
      ) : (
        <Stepper
          label={place === 'open-water' ? 'loops each' : pool.unit === 'yd' ? 'yards each' : 'metres each'}
          value={place === 'open-water' ? String(set.lengths) : String(poolDistance(pool, set.lengths))}
          onLess={set.lengths > 0.5 ? () => change({ lengths: set.lengths - (set.lengths <= 1 ? 0.5 : 1) }) : null}
          onMore={
            set.lengths < 400 ? () => change({ lengths: set.lengths < 1 ? 1 : Math.floor(set.lengths) + 1 }) : null
          }
          onType={(text) => taken(typedLengths(text, plan, 800), (lengths) => change({ lengths }))}
        />
      )}
      <Stepper
        label={timing.kind === 'rest' ? 'seconds rest' : 'send-off'}
        value={timing.kind === 'rest' ? String(seconds) : formatTime(seconds)}
        onLess={seconds >= 5 ? () => change({ timing: { ...timing, seconds: seconds - 5 } }) : null}
        onMore={seconds < 1200 ? () => change({ timing: { ...timing, seconds: seconds + 5 } }) : null}
        onType={(text) => taken(typedSeconds(text, 0, 7200), (to) => change({ timing: { ...timing, seconds: to } }))}
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

export function HowHard({ set, change }: PartProps) {
  const options = EFFORTS.map((e) => ({ value: String(e), label: effortWord(e) }));
  if (set.drill) return null;
  return (
    <>
      <Choice
        label={set.kind === 'halves' ? 'First half' : set.kind === 'descend' ? 'First of them' : 'Effort'}
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
      {set.kind === 'descend' ? (
        <Choice
          label="Last of them"
          options={options}
          chosen={[String(set.lastEffort)]}
          onPress={(value) => change({ lastEffort: Number(value) })}
        />
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
