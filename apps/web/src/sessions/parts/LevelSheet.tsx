/** A session as columns on one time axis: heights are minutes, depth of tint is effort, ticks are breaths and looks. */
import {
  groupClock,
  groupSlots,
  sizeProblem,
  groupTotals,
  totalWord,
  type GroupPlan,
  type SessionPlan,
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
  // Of a column, px: all are as wide.
  const [width, setWidth] = useState(0);
  const longest = Math.max(plan.minutes * 60, ...clocks.map((c) => c.totalS));
  const scale = (wide ? HEIGHT.wide : HEIGHT.phone) / longest;
  const marks = Array.from({ length: Math.floor(longest / 600) + 1 }, (_, i) => i * 10);
  return (
    <View style={styles.sheet}>
      <View style={styles.row}>
        <View style={styles.axis} />
        {plan.groups.map((group) => (
          <Head
            key={group.id}
            group={group}
            pool={plan.pool}
            wide={wide}
            on={selected === group.id}
            onPress={onSelect ? () => onSelect(group.id) : null}
            onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
          />
        ))}
      </View>
      <View style={styles.row}>
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
        {plan.groups.map((group, i) => {
          const blocks = clocks[i]!.blocks.map((block, k) => (
            <BlockBox
              key={block.block.id}
              block={block}
              slots={slots[i]![k] ?? []}
              pool={plan.pool}
              place={plan.place}
              scale={scale}
              wide={wide}
              width={width}
            />
          ));
          return onSelect ? (
            // A tap anywhere on the column opens it too; the keyboard has the head.
            <Pressable key={group.id} onPress={() => onSelect(group.id)} tabIndex={-1} style={styles.column}>
              {blocks}
            </Pressable>
          ) : (
            <View key={group.id} style={styles.column}>
              {blocks}
            </View>
          );
        })}
      </View>
    </View>
  );
}

interface HeadProps {
  readonly group: GroupPlan;
  readonly pool: Pool;
  readonly wide: boolean;
  readonly on: boolean;
  readonly onPress: (() => void) | null;
  readonly onLayout: (event: LayoutChangeEvent) => void;
}

/** Name and metres of a level. All of them are as high as the highest. */
function Head({ group, pool, wide, on, onPress, onLayout }: HeadProps) {
  const theme = useTheme();
  const style = [
    styles.column,
    styles.head,
    { borderBottomColor: on ? theme.colors.primary : theme.colors.onBackground },
    on ? styles.thick : null,
  ];
  const words = (
    <>
      <Text variant="titleMedium" numberOfLines={1}>
        {group.name}
      </Text>
      <Text variant={wide ? 'titleLarge' : 'titleMedium'} style={styles.figures}>
        {totalWord(groupTotals(group, pool), pool, (value) => numberWord(value))}
      </Text>
    </>
  );
  return onPress ? (
    <Pressable role="button" aria-pressed={on} onPress={onPress} onLayout={onLayout} style={style}>
      {words}
    </Pressable>
  ) : (
    <View onLayout={onLayout} style={style}>
      {words}
    </View>
  );
}

const styles = StyleSheet.create({
  sheet: { marginBottom: 12 },
  row: { flexDirection: 'row', gap: 6 },
  axis: { width: AXIS },
  mark: { position: 'absolute', right: 4 },
  column: { flex: 1, minWidth: 0 },
  // Line and padding together are as high in every head: their words stand in one row.
  head: { minHeight: 56, borderBottomWidth: 2, marginBottom: 2, justifyContent: 'flex-end', paddingBottom: 7 },
  thick: { borderBottomWidth: 6, paddingBottom: 3 },
  figures: { fontVariant: ['tabular-nums'] },
});
