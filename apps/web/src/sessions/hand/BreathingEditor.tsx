import { FEW_BREATHS_REASON } from '@upwell/core/safety';
import {
  breathProblems,
  countsInWords,
  gentlerBreaths,
  hasFew,
  MOST_BREATHS,
  patternProblem,
  whereToBreathe,
  type AnySet,
  type Breathing,
  type GroupPlan,
  type SessionPlan,
  type SetPatch,
} from '@upwell/core/sessions';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';

/** The ways to breathe on offer, by a name of their own. */
const BREATHINGS: Readonly<Record<string, { readonly label: string; readonly breathing: Breathing }>> = {
  free: { label: 'free', breathing: { kind: 'free' } },
  2: { label: 'every 2', breathing: { kind: 'every', strokes: 2, side: 'right' } },
  3: { label: 'every 3', breathing: { kind: 'every', strokes: 3, side: 'right' } },
  4: { label: 'every 4', breathing: { kind: 'every', strokes: 4, side: 'right' } },
  5: { label: 'every 5', breathing: { kind: 'every', strokes: 5, side: 'right' } },
  'to-side': { label: 'one side', breathing: { kind: 'to-side', side: 'left' } },
  'by-length': { label: 'change each length', breathing: { kind: 'by-length', strokes: 2, side: 'left' } },
  7: { label: 'every 7', breathing: { kind: 'every', strokes: 7, side: 'right' } },
  limited: { label: 'breaths per length', breathing: { kind: 'limited', first: 6, last: 4 } },
  'limited-rep': { label: 'breaths per rep', breathing: { kind: 'limited', first: 8, last: 6, per: 'rep' } },
};

const nameOf = (breathing: Breathing): string =>
  breathing.kind === 'every'
    ? String(breathing.strokes)
    : breathing.kind === 'limited' && breathing.per
      ? 'limited-rep'
      : breathing.kind;

interface BreathingEditorProps {
  readonly set: AnySet;
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly change: (patch: SetPatch) => void;
}

/** How a set is breathed; few breaths are marked, with what stands between them and the water. */
export function BreathingEditor({ set, plan, group, change }: BreathingEditorProps) {
  const theme = useTheme();
  const { breathing } = set;
  const reasons = breathProblems(set, group, plan.place, plan.pool);
  const limited = hasFew(set, group, plan.pool);
  const gentler = reasons.length > 0 ? gentlerBreaths(set, group, plan.pool) : null;
  const foreign = patternProblem(set.stroke, breathing);
  return (
    <View>
      <Choice
        label="Breathing"
        options={Object.entries(BREATHINGS)
          .filter(
            ([value, { breathing: way }]) => value === nameOf(breathing) || patternProblem(set.stroke, way) === null,
          )
          .map(([value, { label }]) => ({ value, label }))}
        chosen={[nameOf(breathing)]}
        onPress={(value) => change({ breathing: BREATHINGS[value]!.breathing })}
      />
      {foreign ? <Text style={{ color: theme.colors.error }}>{foreign}</Text> : null}
      {breathing.kind !== 'free' &&
      breathing.kind !== 'limited' &&
      (breathing.kind !== 'every' || breathing.strokes % 2 === 0) ? (
        <Choice
          label={breathing.kind === 'by-length' ? 'Side of the first length' : 'Side'}
          options={[
            { value: 'left', label: 'left' },
            { value: 'right', label: 'right' },
          ]}
          chosen={[breathing.side]}
          onPress={(side) => change({ breathing: { ...breathing, side } })}
        />
      ) : null}
      {breathing.kind === 'limited' ? (
        <View style={styles.row}>
          {(['first', 'last'] as const).map((which) => (
            <Stepper
              key={which}
              label={`breaths a ${breathing.per ?? 'length'}, ${which} rep`}
              value={String(breathing[which])}
              onLess={
                breathing[which] > 0
                  ? () => change({ breathing: { ...breathing, [which]: breathing[which] - 1 } })
                  : null
              }
              onMore={
                breathing[which] < MOST_BREATHS
                  ? () => change({ breathing: { ...breathing, [which]: breathing[which] + 1 } })
                  : null
              }
            />
          ))}
        </View>
      ) : null}
      {limited ? (
        <View style={[styles.gate, { borderColor: theme.colors.error }]} role="alert">
          <Text variant="labelMedium" style={{ color: theme.colors.error }}>
            {FEW_BREATHS_REASON}
          </Text>
          <Button
            mode="contained"
            compact
            onPress={() =>
              change({
                breathing: { kind: 'every', strokes: 3, side: 'right' },
                ...(set.sighting ? { sighting: { ...set.sighting, forBreath: false } } : {}),
              })
            }
            style={styles.start}
          >
            Breathe every 3 instead
          </Button>
          {gentler ? (
            <Button mode="outlined" compact onPress={() => change({ breathing: gentler })} style={styles.start}>
              {`Take ${countsInWords(gentler, set.reps)}`}
            </Button>
          ) : null}
          {reasons.map((reason) => (
            <Text key={reason} variant="bodySmall">{`• ${reason}`}</Text>
          ))}
          {whereToBreathe(set, group, plan.pool).map((line) => (
            <Text key={line} variant="bodySmall">
              {line}
            </Text>
          ))}
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  gate: { borderWidth: 2, borderRadius: 6, padding: 10, gap: 4, marginVertical: 6 },
  start: { alignSelf: 'flex-start', marginTop: 4 },
});
