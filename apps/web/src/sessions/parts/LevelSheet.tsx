/** A session as columns on one time axis: heights are minutes, depth of tint is effort, ticks are breaths and looks. */
import {
  groupClock,
  groupSlots,
  sizeProblem,
  groupTotals,
  totalWord,
  type GroupClock,
  type GroupPlan,
  type SessionPlan,
  type Slot,
} from '@upwell/core/sessions';
import type { Pool } from '@upwell/core/units';
import { numberWord } from '@upwell/core/words';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { AXIS, HEIGHT } from './Ticks';
import { BlockBox } from './BlockBox';

interface LevelSheetProps {
  readonly plan: SessionPlan;
  /** The open column. */
  readonly selected?: string | null;
  /** Opens a column; without it the columns are only looked at. */
  readonly onSelect?: (groupId: string) => void;
}

export function LevelSheet({ plan, selected = null, onSelect }: LevelSheetProps) {
  const wide = useWide();
  const theme = useTheme();
  const clocks = useMemo(() => plan.groups.map((group) => groupClock(group, plan.pool)), [plan]);
  // Passages that cannot be saved anyway are not drawn one by one.
  const slots = useMemo(
    () => plan.groups.map((group) => (sizeProblem(group.blocks) ? [] : groupSlots(group, plan.pool))),
    [plan],
  );
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
          place={plan.place}
          clock={clocks[i]!}
          slots={slots[i]!}
          scale={scale}
          wide={wide}
          on={selected === group.id}
          onPress={onSelect ? () => onSelect(group.id) : null}
        />
      ))}
    </View>
  );
}

interface ColumnProps {
  readonly group: GroupPlan;
  readonly pool: Pool;
  readonly place: SessionPlan['place'];
  readonly clock: GroupClock;
  readonly slots: readonly (readonly Slot[])[];
  readonly scale: number;
  readonly wide: boolean;
  readonly on: boolean;
  readonly onPress: (() => void) | null;
}

function Column({ group, pool, place, clock, slots, scale, wide, on, onPress }: ColumnProps) {
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const total = totalWord(groupTotals(group, pool), pool, (value) => numberWord(value));
  const head = (
    <>
      <Text variant="titleMedium" numberOfLines={1}>
        {group.name}
      </Text>
      <Text variant={wide ? 'titleLarge' : 'titleMedium'} style={styles.figures}>
        {total}
      </Text>
    </>
  );
  const blocks = clock.blocks.map((block, i) => (
    <BlockBox
      key={block.block.id}
      block={block}
      slots={slots[i] ?? []}
      pool={pool}
      place={place}
      scale={scale}
      wide={wide}
      width={width}
    />
  ));
  const measure = ({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width);
  const headStyle = [
    styles.columnHead,
    { borderBottomColor: on ? theme.colors.primary : theme.colors.onBackground },
    on ? styles.thick : null,
  ];
  if (!onPress)
    return (
      <View style={styles.column} onLayout={measure}>
        <View style={headStyle}>{head}</View>
        {blocks}
      </View>
    );
  return (
    <View style={styles.column} onLayout={measure}>
      <Pressable role="button" aria-pressed={on} onPress={onPress} style={headStyle}>
        {head}
      </Pressable>
      {/* A tap anywhere on the column opens it too; the keyboard has the head. */}
      <Pressable onPress={onPress} tabIndex={-1}>
        {blocks}
      </Pressable>
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
});
