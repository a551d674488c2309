import {
  BLOCK_NAME,
  blockLengths,
  breathingWord,
  describeSet,
  distanceWord,
  editRounds,
  editSet,
  effortWord,
  groupClock,
  removeSet,
  repSeconds,
  timingWord,
  type Block,
  type GroupPlan,
  type Item,
  type SessionPlan,
  type SwimSet,
} from '@upwell/core/sessions';
import { formatTime, poolDistance } from '@upwell/core/units';
import { useState, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';

interface GroupEditorProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly onChange: (plan: SessionPlan) => void;
}

const EFFORTS = [0.6, 0.7, 0.75, 0.8, 0.9, 1];

/** One column opened: every set in words; a tap opens it for changing, and totals follow at once. */
export function GroupEditor({ plan, group, onChange }: GroupEditorProps) {
  const [open, setOpen] = useState<string | null>(null);
  const clock = groupClock(group, plan.pool);
  return (
    <View>
      {clock.blocks.map(({ block, startS, endS }) => (
        <BlockSection key={block.id} block={block} seconds={endS - startS} plan={plan}>
          {block.note ? <Text variant="bodySmall">{block.note}</Text> : null}
          <Items items={block.items} plan={plan} group={group} open={open} onOpen={setOpen} onChange={onChange} />
        </BlockSection>
      ))}
    </View>
  );
}

function BlockSection({
  block,
  seconds,
  plan,
  children,
}: {
  readonly block: Block;
  readonly seconds: number;
  readonly plan: SessionPlan;
  readonly children: ReactNode;
}) {
  const theme = useTheme();
  const lengths = blockLengths(block);
  return (
    <View style={styles.block} role="group" aria-label={BLOCK_NAME[block.kind]}>
      <View style={[styles.blockHead, { borderBottomColor: theme.own.line }]}>
        <Text variant="titleSmall" role="heading" aria-level={3}>
          {BLOCK_NAME[block.kind]}
        </Text>
        <Text variant="labelMedium" style={styles.figures}>
          {`${lengths > 0 ? `${distanceWord(plan.pool, lengths)} · ` : ''}${formatTime(seconds)}`}
        </Text>
      </View>
      {children}
    </View>
  );
}

interface ItemsProps extends GroupEditorProps {
  readonly items: readonly Item[];
  readonly open: string | null;
  readonly onOpen: (id: string | null) => void;
}

function Items({ items, plan, group, open, onOpen, onChange }: ItemsProps) {
  const theme = useTheme();
  return (
    <>
      {items.map((item) =>
        item.kind === 'rounds' ? (
          <View key={item.id} style={[styles.rounds, { borderLeftColor: theme.own.kelp }]}>
            <Stepper
              label="times through"
              value={String(item.rounds)}
              onLess={item.rounds > 1 ? () => onChange(editRounds(plan, item.id, item.rounds - 1)) : null}
              onMore={item.rounds < 50 ? () => onChange(editRounds(plan, item.id, item.rounds + 1)) : null}
            />
            <Items items={item.items} plan={plan} group={group} open={open} onOpen={onOpen} onChange={onChange} />
          </View>
        ) : (
          <SetLine
            key={item.id}
            set={item}
            plan={plan}
            group={group}
            open={open === item.id}
            onOpen={() => onOpen(open === item.id ? null : item.id)}
            onChange={onChange}
          />
        ),
      )}
    </>
  );
}

interface SetLineProps extends GroupEditorProps {
  readonly set: SwimSet;
  readonly open: boolean;
  readonly onOpen: () => void;
}

function SetLine({ set, plan, group, open, onOpen, onChange }: SetLineProps) {
  const theme = useTheme();
  const { pool } = plan;
  const repS = repSeconds(set, group.v400Mps, pool);
  const change = (patch: Parameters<typeof editSet>[2]) => onChange(editSet(plan, set.id, patch));
  const seconds = set.timing.seconds;
  const step = set.lengths <= 1 ? 0.5 : 1;
  const details = [
    set.drill ? '' : effortWord(set.effort),
    `about ${formatTime(repS)} each`,
    set.reps > 1 || seconds > 0 ? timingWord(set.timing) : '',
    breathingWord(set.breathing),
    set.sightEvery ? `look each ${set.sightEvery}` : '',
    set.note,
  ];
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={onOpen}
        style={[styles.set, { borderBottomColor: theme.own.line }]}
      >
        <Text variant="titleSmall">{describeSet(set, pool)}</Text>
        <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {details.filter(Boolean).join(' · ')}
        </Text>
      </Pressable>
      {open ? (
        <View style={styles.edit}>
          <View style={styles.row}>
            <Stepper
              label="reps"
              value={String(set.reps)}
              onLess={set.reps > 1 ? () => change({ reps: set.reps - 1 }) : null}
              onMore={set.reps < 200 ? () => change({ reps: set.reps + 1 }) : null}
            />
            <Stepper
              label={pool.unit === 'yd' ? 'yards each' : 'metres each'}
              value={String(poolDistance(pool, set.lengths))}
              onLess={set.lengths > 0.5 ? () => change({ lengths: set.lengths - step }) : null}
              onMore={
                set.lengths < 400 ? () => change({ lengths: set.lengths < 1 ? 1 : Math.floor(set.lengths) + 1 }) : null
              }
            />
            <Stepper
              label={set.timing.kind === 'rest' ? 'seconds rest' : 'seconds send-off'}
              value={String(seconds)}
              onLess={seconds >= 5 ? () => change({ timing: { ...set.timing, seconds: seconds - 5 } }) : null}
              onMore={seconds < 600 ? () => change({ timing: { ...set.timing, seconds: seconds + 5 } }) : null}
            />
          </View>
          {set.drill ? null : (
            <Choice
              label="Effort"
              options={EFFORTS.map((e) => ({ value: String(e), label: effortWord(e) }))}
              chosen={[String(set.effort)]}
              onPress={(value) => change({ effort: Number(value) })}
            />
          )}
          <Choice
            label="Breathing"
            options={[
              { value: '0', label: 'free' },
              ...[2, 3, 4, 5].map((k) => ({ value: String(k), label: `every ${k}` })),
            ]}
            chosen={[set.breathing.kind === 'free' ? '0' : String(set.breathing.strokes)]}
            onPress={(value) =>
              change({
                breathing: value === '0' ? { kind: 'free' } : { kind: 'every', strokes: Number(value), side: 'right' },
              })
            }
          />
          <Button icon="trash-can-outline" onPress={() => onChange(removeSet(plan, set.id))} style={styles.start}>
            Take this set out
          </Button>
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  block: { marginBottom: 14 },
  blockHead: { flexDirection: 'row', justifyContent: 'space-between', borderBottomWidth: 2, paddingBottom: 4 },
  figures: { fontVariant: ['tabular-nums'] },
  rounds: { borderLeftWidth: 4, paddingLeft: 10, marginTop: 8, alignItems: 'stretch' },
  set: { minHeight: 52, paddingVertical: 6, borderBottomWidth: 1, justifyContent: 'center' },
  edit: { paddingVertical: 8, gap: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  start: { alignSelf: 'flex-start' },
});
