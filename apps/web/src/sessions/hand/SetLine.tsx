// The lines of a level: sets, rounds of them, and pauses.
import {
  cautionsOf,
  describeSet,
  editPause,
  editRounds,
  findSet,
  LONGEST_PAUSE_S,
  removeItem,
  repSeconds,
  setEffortWord,
  setProblems,
  breathingWord,
  sightingWord,
  timingWord,
  type Pause,
  type Rounds,
} from '@upwell/core/sessions';
import { formatTime } from '@upwell/core/units';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { taken, typedSeconds, typedWhole } from '../typed';
import type { EditorProps } from './props';
import type { SheetRow } from './rows';
import { SetEditor } from './SetEditor';

type LineProps = Pick<EditorProps, 'plan' | 'onChange'>;

/** How often the sets below are swum through, and away with them. */
export function RoundsLine({ rounds, plan, onChange }: LineProps & { readonly rounds: Rounds }) {
  const theme = useTheme();
  const setRounds = (to: number) => onChange(editRounds(plan, rounds.id, to));
  return (
    <View style={[styles.rounds, { borderLeftColor: theme.own.kelp }]}>
      <Stepper
        label="times through"
        value={String(rounds.rounds)}
        onLess={rounds.rounds > 1 ? () => setRounds(rounds.rounds - 1) : null}
        onMore={rounds.rounds < 50 ? () => setRounds(rounds.rounds + 1) : null}
        onType={(text) => taken(typedWhole(text, 1, 50), setRounds)}
      />
      <Button compact icon="trash-can-outline" onPress={() => onChange(removeItem(plan, rounds.id))}>
        Remove all
      </Button>
    </View>
  );
}

/** A pause: how long, and away with it. */
export function PauseLine({ pause, plan, onChange }: LineProps & { readonly pause: Pause }) {
  const { id, seconds, note } = pause;
  const change = (to: number) => onChange(editPause(plan, id, to));
  return (
    <View style={styles.pause}>
      <Stepper
        label="rest, drink, listen"
        value={formatTime(seconds)}
        onLess={seconds > 30 ? () => change(seconds - 30) : null}
        onMore={seconds < 600 ? () => change(seconds + 30) : null}
        onType={(text) => taken(typedSeconds(text, 1, LONGEST_PAUSE_S), change)}
      />
      {note ? <Text variant="bodySmall">{note}</Text> : null}
      <Button compact icon="trash-can-outline" onPress={() => onChange(removeItem(plan, id))}>
        Remove the pause
      </Button>
    </View>
  );
}

interface SetLineProps extends EditorProps {
  readonly row: Extract<SheetRow, { kind: 'set' }>;
  readonly open: boolean;
  readonly onOpen: () => void;
}

/** A set in words; opens to be changed. */
export function SetLine({ row: { set, depth }, plan, group, open, onOpen, onChange }: SetLineProps) {
  const theme = useTheme();
  const { pool, place } = plan;
  const repS = repSeconds(set, group, pool);
  const block = group.blocks.find((b) => findSet(b.items, set.id))?.kind ?? 'main';
  const gated = setProblems(set, group, { place, pool, block });
  const details = [
    set.drill ? '' : setEffortWord(set),
    set.kind === 'timed' ? '' : `about ${formatTime(repS)} each`,
    set.reps > 1 || set.timing.seconds > 0 ? timingWord(set.timing) : '',
    breathingWord(set.breathing),
    sightingWord(set.sighting),
    set.strokeRateSpm ? `rate ${set.strokeRateSpm}` : '',
    set.note,
  ];
  return (
    <View style={depth > 0 ? [styles.inRounds, { borderLeftColor: theme.own.kelp }] : null}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onOpen}
        style={[styles.set, { borderBottomColor: theme.own.line }]}
      >
        <Text variant="titleSmall">{describeSet(set, pool, place)}</Text>
        <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {details.filter(Boolean).join(' · ')}
        </Text>
        {cautionsOf(set, group, pool).map((caution) => (
          <Text key={caution} variant="bodySmall" style={{ color: theme.colors.error }}>
            {caution}
          </Text>
        ))}
        {gated.length > 0 ? (
          <Text variant="labelMedium" style={{ color: theme.colors.error }}>
            {`Cannot be saved: ${gated[0]}`}
          </Text>
        ) : null}
      </Pressable>
      {open ? <SetEditor set={set} plan={plan} group={group} onChange={onChange} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  rounds: { borderLeftWidth: 4, paddingLeft: 10, marginTop: 8, flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  pause: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 8 },
  inRounds: { borderLeftWidth: 4, paddingLeft: 10, marginLeft: -14 },
  set: { minHeight: 52, paddingVertical: 6, borderBottomWidth: 1, justifyContent: 'center' },
});
