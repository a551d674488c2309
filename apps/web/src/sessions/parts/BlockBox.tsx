import {
  blockWord,
  describeSet,
  type BlockClock,
  effortParts,
  type AnySet,
  type SessionPlan,
  type Slot,
} from '@upwell/core/sessions';
import type { Pool } from '@upwell/core/units';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Line } from 'react-native-svg';
import { effortTint } from '@/ui/effortTint';
import type { OwnColours } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';
import { Ticks } from './Ticks';

/** Height of the name of a block, and of a line in a set, px. */
const LINE = 16;
const LINE_HEIGHT = 15;
/** Width of a letter of the smallest words on the whole, and what stands beside them, px. */
const LETTER = 6;
const BESIDE = 17;

export function BlockBox({
  block,
  slots,
  pool,
  place,
  scale,
  wide,
  width,
}: {
  readonly block: BlockClock;
  readonly slots: readonly Slot[];
  readonly pool: Pool;
  readonly place: SessionPlan['place'];
  readonly scale: number;
  readonly wide: boolean;
  /** Of the column, px; 0 until it is known. */
  readonly width: number;
}) {
  const theme = useTheme();
  const height = (block.endS - block.startS) * scale;
  const land = block.block.kind === 'land';
  const first = slots[0];
  // On its own ground: the first set may be thinner than its name, and so may a pause before it.
  const onPause = first !== undefined && (first.startS - block.startS) * scale >= LINE;
  const tint = land || !first || onPause ? null : tintOf(first.set, theme.own);
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
          taken={Math.max(0, LINE - (slot.startS - block.startS) * scale)}
          words={wide}
          letters={width > 0 ? Math.floor((width - BESIDE) / LETTER) : Infinity}
        />
      ))}
      {height > LINE ? (
        <View style={[styles.blockHead, wide ? styles.withTime : null]}>
          <Text variant="labelSmall" numberOfLines={1} style={[styles.name, wide ? null : styles.narrow, head]}>
            {blockWord(block.block)}
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
  letters,
}: {
  readonly slot: Slot;
  readonly pool: Pool;
  readonly place: SessionPlan['place'];
  readonly top: number;
  readonly height: number;
  readonly taken: number;
  readonly words: boolean;
  /** How many fit in a line. */
  readonly letters: number;
}) {
  const theme = useTheme();
  const { set } = slot;
  const tint = tintOf(set, theme.own);
  const lines = Math.max(1, Math.floor((height - 1 - taken) / LINE_HEIGHT));
  return (
    <View
      testID="set"
      style={[styles.slot, { top, height: Math.max(1, height - 1), backgroundColor: tint.background }]}
    >
      {set.breathing.kind !== 'free' || set.sighting ? (
        <Ticks height={height - 1} colour={tint.text} looks={set.sighting !== null} />
      ) : null}
      {words && height - 1 - taken >= LINE_HEIGHT ? (
        <Text variant="labelSmall" numberOfLines={lines} style={[styles.word, { marginTop: taken, color: tint.text }]}>
          {describeSet(set, pool, place, lines * letters)}
        </Text>
      ) : null}
    </View>
  );
}

/** The pattern of land work, so that it can be told apart without colour. */
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

const styles = StyleSheet.create({
  block: { overflow: 'hidden', marginBottom: 2, borderRadius: 3 },
  blockHead: { flexDirection: 'row', justifyContent: 'space-between', height: 16 },
  withTime: { paddingRight: 10 },
  name: { fontFamily: 'Atkinson Bold', flexShrink: 1, paddingHorizontal: 5, lineHeight: 16 },
  // The longest name fits into the quarter of a phone.
  narrow: { paddingHorizontal: 2, fontSize: 12, letterSpacing: 0 },
  time: { paddingHorizontal: 2, lineHeight: 16 },
  slot: { position: 'absolute', left: 0, right: 0, overflow: 'hidden' },
  word: { paddingLeft: 5, paddingRight: 12, lineHeight: LINE_HEIGHT },
});
