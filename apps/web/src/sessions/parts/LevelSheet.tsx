import {
  BLOCK_NAME,
  describeSet,
  groupClock,
  groupTotals,
  type BlockClock,
  type GroupClock,
  type GroupPlan,
  type Item,
  type SessionPlan,
} from '@upwell/core/sessions';
import { poolDistance, type Pool } from '@upwell/core/units';
import { useMemo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Line, Path } from 'react-native-svg';
import { effortTint } from '@/ui/effortTint';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';

interface LevelSheetProps {
  readonly plan: SessionPlan;
  /** The open column. */
  readonly selected: string | null;
  readonly onSelect: (groupId: string) => void;
}

/** Height of the longest group, px. */
const HEIGHT = { phone: 430, wide: 560 } as const;
const AXIS = 34;

/** A session as columns on one time axis: heights are minutes, depth of tint is effort, ticks are breaths and looks. */
export function LevelSheet({ plan, selected, onSelect }: LevelSheetProps) {
  const wide = useWide();
  const theme = useTheme();
  const clocks = useMemo(() => plan.groups.map((group) => groupClock(group, plan.pool)), [plan]);
  const longest = Math.max(plan.minutes * 60, ...clocks.map((c) => c.totalS));
  const scale = (wide ? HEIGHT.wide : HEIGHT.phone) / longest;
  const marks = Array.from({ length: Math.floor(longest / 600) + 1 }, (_, i) => i * 10);
  return (
    <View style={styles.sheet}>
      <View style={[styles.axis, { height: longest * scale }]} aria-hidden>
        {marks.map((minute) => (
          <Text
            key={minute}
            variant="labelSmall"
            style={[styles.mark, { top: minute * 60 * scale - 8, color: theme.colors.onSurfaceVariant }]}
          >
            {`${minute}′`}
          </Text>
        ))}
      </View>
      {plan.groups.map((group, i) => (
        <Column
          key={group.id}
          group={group}
          pool={plan.pool}
          clock={clocks[i]!}
          scale={scale}
          wide={wide}
          on={selected === group.id}
          onPress={() => onSelect(group.id)}
        />
      ))}
    </View>
  );
}

interface ColumnProps {
  readonly group: GroupPlan;
  readonly pool: Pool;
  readonly clock: GroupClock;
  readonly scale: number;
  readonly wide: boolean;
  readonly on: boolean;
  readonly onPress: () => void;
}

function Column({ group, pool, clock, scale, wide, on, onPress }: ColumnProps) {
  const theme = useTheme();
  const { lengths } = groupTotals(group, pool);
  const total = `${poolDistance(pool, lengths).toLocaleString()} ${pool.unit}`;
  return (
    <View style={styles.column}>
      <Pressable
        role="button"
        aria-pressed={on}
        onPress={onPress}
        style={[
          styles.columnHead,
          { borderBottomColor: on ? theme.colors.primary : theme.colors.onBackground },
          on ? styles.thick : null,
        ]}
      >
        <Text variant="titleMedium" numberOfLines={1}>
          {group.name}
        </Text>
        <Text variant={wide ? 'titleLarge' : 'titleMedium'} style={styles.figures}>
          {total}
        </Text>
      </Pressable>
      {/* A tap anywhere on the column opens it too; the keyboard has the head. */}
      <Pressable onPress={onPress} tabIndex={-1}>
        {clock.blocks.map((block) => (
          <BlockBox
            key={block.block.id}
            block={block}
            pool={pool}
            height={(block.endS - block.startS) * scale}
            wide={wide}
          />
        ))}
      </Pressable>
    </View>
  );
}

function BlockBox({
  block,
  pool,
  height,
  wide,
}: {
  readonly block: BlockClock;
  readonly pool: Pool;
  readonly height: number;
  readonly wide: boolean;
}) {
  const theme = useTheme();
  const efforts = block.slots.filter((s) => !s.set.drill).map((s) => s.set.effort);
  const land = block.block.kind === 'land';
  const tint = land
    ? { background: theme.own.sand, text: theme.colors.onSurface }
    : effortTint(Math.max(0.6, ...efforts), theme.own);
  const minutes = `${Math.round((block.endS - block.startS) / 60)}′`;
  const lines = Math.max(0, Math.floor((height - 28) / 19));
  const ticked = block.slots.some((s) => s.set.breathing.kind === 'every');
  const looked = block.slots.some((s) => s.set.sightEvery !== null);
  return (
    <View style={[styles.block, { height: Math.max(2, height - 2), backgroundColor: tint.background }]}>
      {land ? <Hatch colour={theme.own.line} /> : null}
      {ticked || looked ? <Ticks height={height - 2} colour={tint.text} looks={looked} /> : null}
      {height > 20 ? (
        <View style={wide ? styles.blockHead : null}>
          <Text
            variant={wide ? 'labelMedium' : 'labelSmall'}
            numberOfLines={1}
            style={[wide ? styles.flex : null, { color: tint.text }]}
          >
            {BLOCK_NAME[block.block.kind]}
          </Text>
          {wide || lines > 0 ? (
            <Text variant="labelMedium" style={{ color: tint.text }}>
              {minutes}
            </Text>
          ) : null}
        </View>
      ) : null}
      {lines > 0 && !land && wide ? (
        <Text variant="bodySmall" numberOfLines={lines} style={{ color: tint.text }}>
          {itemsInWords(block.block.items, pool)}
        </Text>
      ) : null}
    </View>
  );
}

/** Items in one line, rounds in brackets. */
export function itemsInWords(items: readonly Item[], pool: Pool): string {
  return items
    .map((item) =>
      item.kind === 'swim' ? describeSet(item, pool) : `${item.rounds} × (${itemsInWords(item.items, pool)})`,
    )
    .join(' · ');
}

/** The pattern of land work, so that it is told apart without colour. */
function Hatch({ colour }: { readonly colour: string }) {
  return (
    <View style={StyleSheet.absoluteFill} aria-hidden>
      <Svg width="100%" height="100%">
        {Array.from({ length: 40 }, (_, i) => (
          <Line key={i} x1={i * 14 - 120} y1={120} x2={i * 14} y2={0} stroke={colour} strokeWidth={1.5} />
        ))}
      </Svg>
    </View>
  );
}

/** Ticks along the edge: short for counted breaths, long for looks. */
function Ticks({
  height,
  colour,
  looks,
}: {
  readonly height: number;
  readonly colour: string;
  readonly looks: boolean;
}) {
  const count = Math.floor(height / 9);
  return (
    <View style={styles.ticks} aria-hidden>
      <Svg width={10} height={height}>
        {Array.from({ length: count }, (_, i) => (
          <Path
            key={i}
            d={`M ${looks && i % 3 === 0 ? 0 : 4} ${i * 9 + 5} H 10`}
            stroke={colour}
            strokeWidth={1.4}
            opacity={0.75}
          />
        ))}
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  sheet: { flexDirection: 'row', gap: 6, marginBottom: 12 },
  axis: { width: AXIS, marginTop: 58 },
  mark: { position: 'absolute', right: 4 },
  column: { flex: 1, minWidth: 0 },
  columnHead: { height: 56, borderBottomWidth: 2, marginBottom: 2, justifyContent: 'flex-end', paddingBottom: 3 },
  thick: { borderBottomWidth: 6 },
  figures: { fontVariant: ['tabular-nums'] },
  block: { overflow: 'hidden', paddingLeft: 6, paddingTop: 2, paddingRight: 12, marginBottom: 2, borderRadius: 3 },
  blockHead: { flexDirection: 'row', gap: 4, alignItems: 'center' },
  flex: { flex: 1 },
  ticks: { position: 'absolute', right: 0, top: 0, bottom: 0 },
});
