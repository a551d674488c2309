import {
  BLOCK_NAME,
  describeSet,
  groupClock,
  groupSlots,
  sizeProblem,
  groupTotals,
  totalWord,
  type BlockClock,
  type GroupClock,
  effortParts,
  type AnySet,
  type GroupPlan,
  type SessionPlan,
  type Slot,
} from '@upwell/core/sessions';
import type { Pool } from '@upwell/core/units';
import { useMemo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Line, Path } from 'react-native-svg';
import { effortTint } from '@/ui/effortTint';
import type { OwnColours } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { countWord } from '@/ui/locale';

interface LevelSheetProps {
  readonly plan: SessionPlan;
  /** The open column. */
  readonly selected: string | null;
  readonly onSelect: (groupId: string) => void;
}

/** Height of the longest group, px. */
const HEIGHT = { phone: 460, wide: 660 } as const;
const AXIS = 34;

/** A session as columns on one time axis: heights are minutes, depth of tint is effort, ticks are breaths and looks. */
export function LevelSheet({ plan, selected, onSelect }: LevelSheetProps) {
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
          onPress={() => onSelect(group.id)}
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
  readonly onPress: () => void;
}

function Column({ group, pool, place, clock, slots, scale, wide, on, onPress }: ColumnProps) {
  const theme = useTheme();
  const total = totalWord(groupTotals(group, pool), pool, (value) => countWord(value));
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
        {clock.blocks.map((block, i) => (
          <BlockBox
            key={block.block.id}
            block={block}
            slots={slots[i] ?? []}
            pool={pool}
            place={place}
            scale={scale}
            wide={wide}
          />
        ))}
      </Pressable>
    </View>
  );
}

/** Smallest height in which a line of text is still read, px. */
const LINE = 16;

function BlockBox({
  block,
  slots,
  pool,
  place,
  scale,
  wide,
}: {
  readonly block: BlockClock;
  readonly slots: readonly Slot[];
  readonly pool: Pool;
  readonly place: SessionPlan['place'];
  readonly scale: number;
  readonly wide: boolean;
}) {
  const theme = useTheme();
  const height = (block.endS - block.startS) * scale;
  const land = block.block.kind === 'land';
  const first = slots[0];
  // On its own ground: the first set may be thinner than its name.
  const tint = land || !first ? null : tintOf(first.set, theme.own);
  const head = { color: tint?.text ?? theme.colors.onSurface, backgroundColor: tint?.background };
  const minutes = `${Math.round((block.endS - block.startS) / 60)}′`;
  return (
    <View style={[styles.block, { height: Math.max(2, height - 2), backgroundColor: theme.own.sand }]}>
      {land ? <Hatch colour={theme.own.line} /> : null}
      {slots.map((slot, i) => (
        <SlotBand
          key={i}
          slot={slot}
          pool={pool}
          place={place}
          top={(slot.startS - block.startS) * scale}
          height={(slot.endS - slot.startS) * scale}
          // The first line of the block is its own name.
          taken={(slot.startS - block.startS) * scale < LINE ? LINE : 0}
          words={wide}
        />
      ))}
      {height > LINE ? (
        <View style={styles.blockHead}>
          <Text variant="labelSmall" numberOfLines={1} style={[styles.name, head]}>
            {BLOCK_NAME[block.block.kind]}
          </Text>
          {wide ? (
            <Text variant="labelSmall" style={[styles.time, head]}>
              {minutes}
            </Text>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}

const tintOf = (set: AnySet, own: OwnColours) =>
  effortTint(Math.max(...effortParts(set).map((part) => part.effort)), own);

/** One passage of a set: as high as its minutes, as deep as its effort; ticks for breaths and looks. */
function SlotBand({
  slot,
  pool,
  place,
  top,
  height,
  taken,
  words,
}: {
  readonly slot: Slot;
  readonly pool: Pool;
  readonly place: SessionPlan['place'];
  readonly top: number;
  readonly height: number;
  readonly taken: number;
  readonly words: boolean;
}) {
  const theme = useTheme();
  const { set } = slot;
  const tint = tintOf(set, theme.own);
  return (
    <View style={[styles.slot, { top, height: Math.max(1, height - 1), backgroundColor: tint.background }]}>
      {set.breathing.kind !== 'free' || set.sighting ? (
        <Ticks height={height - 1} colour={tint.text} looks={set.sighting !== null} />
      ) : null}
      {words && height - taken >= LINE - 3 ? (
        <Text variant="labelSmall" numberOfLines={1} style={[styles.word, { marginTop: taken, color: tint.text }]}>
          {describeSet(set, pool, place)}
        </Text>
      ) : null}
    </View>
  );
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
  block: { overflow: 'hidden', marginBottom: 2, borderRadius: 3 },
  blockHead: { flexDirection: 'row', justifyContent: 'space-between', height: 16, paddingRight: 10 },
  name: { fontFamily: 'Atkinson Bold', flexShrink: 1, paddingHorizontal: 5, lineHeight: 16 },
  time: { paddingHorizontal: 2, lineHeight: 16 },
  slot: { position: 'absolute', left: 0, right: 0, overflow: 'hidden' },
  word: { paddingLeft: 5, paddingRight: 12, lineHeight: 15 },
  ticks: { position: 'absolute', right: 0, top: 0, bottom: 0 },
});
