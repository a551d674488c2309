/** One column opened: every set in words, to drag, to open and to change; totals follow at once. */
import {
  addItem,
  BLOCK_NAME,
  blockLengths,
  cautionsOf,
  describeSet,
  distanceWord,
  editBlock,
  editPause,
  editRounds,
  findSet,
  groupClock,
  newSet,
  pauseWord,
  removeItem,
  repSeconds,
  setEffortWord,
  setProblems,
  breathingWord,
  sightingWord,
  timingWord,
  type AnySet,
  type Block,
  type GroupPlan,
  type Pause,
  type SessionPlan,
} from '@upwell/core/sessions';
import { sentenceCase } from '@upwell/core/text';
import { formatTime } from '@upwell/core/units';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { Reorder, ReorderRow } from './Reorder';
import { dropped, rowsOf, type SheetRow } from './rows';
import { SetEditor } from './SetEditor';

interface GroupEditorProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly onChange: (plan: SessionPlan) => void;
}

export function GroupEditor({ plan, group, onChange }: GroupEditorProps) {
  const [open, setOpen] = useState<string | null>(null);
  const rows = rowsOf(group);
  const clock = groupClock(group, plan.pool);
  const secondsOf = (id: string) => {
    const found = clock.blocks.find((b) => b.block.id === id);
    return found ? found.endS - found.startS : 0;
  };
  const move = (id: string, over: string, after: boolean) => onChange(dropped(plan, group, id, over, after));
  return (
    <Reorder
      ids={rows.map((row) => row.id)}
      nameOf={(id) =>
        labelOf(
          rows.find((row) => row.id === id)!,
          plan,
        )
      }
      onDrop={move}
    >
      {rows.map((row) => (
        <ReorderRow key={row.id} id={row.id} label={labelOf(row, plan)} fixed={row.kind === 'block'}>
          {row.kind === 'block' ? (
            <BlockHead
              block={row.block}
              seconds={secondsOf(row.id)}
              plan={plan}
              group={group}
              onChange={onChange}
              onAdd={(set) => {
                onChange(addItem(plan, set, { holderId: row.id, index: row.block.items.length }));
                setOpen(set.id);
              }}
            />
          ) : (
            <View style={[styles.nested, { marginLeft: row.depth * 14 }]}>
              {row.kind === 'rounds' ? (
                <RoundsLine row={row} plan={plan} onChange={onChange} />
              ) : row.kind === 'pause' ? (
                <PauseLine pause={row.pause} plan={plan} onChange={onChange} />
              ) : (
                <SetLine
                  row={row}
                  plan={plan}
                  group={group}
                  open={open === row.id}
                  onOpen={() => setOpen(open === row.id ? null : row.id)}
                  onChange={onChange}
                />
              )}
            </View>
          )}
        </ReorderRow>
      ))}
    </Reorder>
  );
}

function labelOf(row: SheetRow, plan: SessionPlan): string {
  if (row.kind === 'block') return BLOCK_NAME[row.block.kind];
  if (row.kind === 'pause') return sentenceCase(pauseWord(row.pause));
  return row.kind === 'rounds' ? `${row.rounds.rounds} times through` : describeSet(row.set, plan.pool, plan.place);
}

function BlockHead({
  block,
  seconds,
  plan,
  group,
  onChange,
  onAdd,
}: {
  readonly block: Block;
  readonly seconds: number;
  readonly plan: SessionPlan;
  readonly onChange: (plan: SessionPlan) => void;
  readonly group: GroupPlan;
  readonly onAdd: (set: AnySet) => void;
}) {
  const theme = useTheme();
  const lengths = blockLengths(block);
  const name = BLOCK_NAME[block.kind];
  const minutes = block.landMinutes;
  return (
    <View style={styles.block} role="group" aria-label={name}>
      <View style={[styles.blockHead, { borderBottomColor: theme.own.line }]}>
        <Text variant="titleSmall" role="heading" aria-level={3} style={styles.flex}>
          {name}
        </Text>
        <Text variant="labelMedium" style={styles.figures}>
          {`${lengths > 0 && plan.place === 'pool' ? `${distanceWord(plan.pool, lengths)} · ` : ''}${formatTime(seconds)}`}
        </Text>
        {block.kind === 'land' ? null : (
          <IconButton
            icon="plus"
            size={20}
            style={styles.add}
            accessibilityLabel={`Add a set to ${name}`}
            onPress={() => onAdd(newSet(v7(), block.kind, group))}
          />
        )}
      </View>
      {block.note ? <Text variant="bodySmall">{block.note}</Text> : null}
      {block.kind === 'land' ? (
        <Stepper
          label="minutes on land"
          value={String(minutes)}
          onLess={minutes > 1 ? () => onChange(editBlock(plan, block.id, { landMinutes: minutes - 1 })) : null}
          onMore={minutes < 30 ? () => onChange(editBlock(plan, block.id, { landMinutes: minutes + 1 })) : null}
        />
      ) : null}
    </View>
  );
}

function RoundsLine({
  row: { rounds },
  plan,
  onChange,
}: {
  readonly row: Extract<SheetRow, { kind: 'rounds' }>;
  readonly plan: SessionPlan;
  readonly onChange: (plan: SessionPlan) => void;
}) {
  const theme = useTheme();
  return (
    <View style={[styles.rounds, { borderLeftColor: theme.own.kelp }]}>
      <Stepper
        label="times through"
        value={String(rounds.rounds)}
        onLess={rounds.rounds > 1 ? () => onChange(editRounds(plan, rounds.id, rounds.rounds - 1)) : null}
        onMore={rounds.rounds < 50 ? () => onChange(editRounds(plan, rounds.id, rounds.rounds + 1)) : null}
      />
      <Button compact icon="trash-can-outline" onPress={() => onChange(removeItem(plan, rounds.id))}>
        Remove all
      </Button>
    </View>
  );
}

/** A pause: how long, and away with it. */
function PauseLine({ pause, plan, onChange }: { readonly pause: Pause } & Pick<GroupEditorProps, 'plan' | 'onChange'>) {
  const { id, seconds, note } = pause;
  const change = (to: number) => onChange(editPause(plan, id, to));
  return (
    <View style={styles.pause}>
      <Stepper
        label="rest, drink, listen"
        value={formatTime(seconds)}
        onLess={seconds > 30 ? () => change(seconds - 30) : null}
        onMore={seconds < 600 ? () => change(seconds + 30) : null}
      />
      {note ? <Text variant="bodySmall">{note}</Text> : null}
      <Button compact icon="trash-can-outline" onPress={() => onChange(removeItem(plan, id))}>
        Remove the pause
      </Button>
    </View>
  );
}

interface SetLineProps extends GroupEditorProps {
  readonly row: Extract<SheetRow, { kind: 'set' }>;
  readonly open: boolean;
  readonly onOpen: () => void;
}

function SetLine({ row: { set, depth }, plan, group, open, onOpen, onChange }: SetLineProps) {
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
  nested: { flex: 1 },
  block: { paddingTop: 12, flex: 1, gap: 4, paddingBottom: 4 },
  blockHead: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 2, minHeight: 40, gap: 6 },
  flex: { flex: 1 },
  add: { margin: 0, width: 48, height: 40 },
  figures: { fontVariant: ['tabular-nums'] },
  rounds: { borderLeftWidth: 4, paddingLeft: 10, marginTop: 8, flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  pause: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 8 },
  inRounds: { borderLeftWidth: 4, paddingLeft: 10, marginLeft: -14 },
  set: { minHeight: 52, paddingVertical: 6, borderBottomWidth: 1, justifyContent: 'center' },
});
