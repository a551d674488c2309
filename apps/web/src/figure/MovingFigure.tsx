import { bestMoment, PHASE_AT, posedBy, VIEWS, type FigureSide } from '@upwell/core/figure';
import type { SignId, Stroke } from '@upwell/core/review';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { Drawing, frameOf, type DrawingHandle } from './Drawing';
import { useReducedMotion } from './useReducedMotion';

/** Cycles of both arms a minute at full speed: 56 strokes a minute. */
const CYCLES_PER_MIN = 28;
const SPEEDS = [0.25, 0.5, 1] as const;
const SPEED_WORD: Readonly<Record<(typeof SPEEDS)[number], string>> = { 0.25: '¼', 0.5: '½', 1: '1×' };
const VIEW_WORD: Readonly<Record<FigureSide, string>> = { side: 'Side', front: 'Front', top: 'Top' };

interface MovingFigureProps {
  readonly stroke: Stroke;
  readonly signs: readonly SignId[];
  readonly view: FigureSide;
  readonly label: string;
  readonly severity?: number;
  readonly cyclesPerMin?: number;
  readonly ghost?: boolean;
  /** Begins to move by itself, unless the system asks for less motion. */
  readonly moving?: boolean;
}

/** The swimmer in motion, with pause, speed and view. */
export function MovingFigure({
  stroke,
  signs,
  view: firstView,
  label,
  severity = 1,
  cyclesPerMin = CYCLES_PER_MIN,
  ghost = true,
  moving = true,
}: MovingFigureProps) {
  const theme = useTheme();
  const reduced = useReducedMotion();
  const [view, setView] = useState(firstView);
  const [wanted, setWanted] = useState<boolean | null>(null);
  const [speed, setSpeed] = useState<(typeof SPEEDS)[number]>(0.5);
  const drawing = useRef<DrawingHandle>(null);
  // Standing still it shows the moment at which the fault is seen best.
  const begin = bestMoment(signs, firstView) ?? PHASE_AT.entry;
  const phase = useRef<number>(begin);
  // Where it was when it stopped or the view changed: React draws it from there.
  const [rested, setRested] = useState<number>(begin);
  const rest = () => setRested(phase.current);
  const posed = useMemo(() => posedBy(signs, () => severity), [signs, severity]);
  const playing = wanted ?? (moving && !reduced);

  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    let last: number | null = null;
    const perMs = (cyclesPerMin * speed) / 60_000;
    const step = (now: number) => {
      if (last !== null) phase.current = (phase.current + (now - last) * perMs) % 1;
      last = now;
      drawing.current?.draw(phase.current);
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [playing, speed, cyclesPerMin, posed, view]);

  const box = frameOf(stroke, view);
  return (
    <View>
      <View style={[styles.frame, { backgroundColor: theme.colors.background, aspectRatio: box.width / box.height }]}>
        <View role="img" aria-label={label} style={StyleSheet.absoluteFill}>
          <Drawing
            ref={drawing}
            stroke={stroke}
            view={view}
            posed={posed}
            phase={rested}
            chosen={null}
            ghost={ghost && signs.length > 0}
          />
        </View>
      </View>
      <View style={styles.controls}>
        <IconButton
          icon={playing ? 'pause' : 'play'}
          mode="contained"
          style={styles.button}
          accessibilityLabel={playing ? 'Pause the swimmer' : 'Start the swimmer'}
          onPress={() => {
            rest();
            setWanted(!playing);
          }}
        />
        <Choices
          label="Speed"
          options={SPEEDS.map((value) => ({ value, word: SPEED_WORD[value], said: `Speed ${SPEED_WORD[value]}` }))}
          value={speed}
          onChange={setSpeed}
        />
        <Choices
          label="View"
          options={VIEWS.map((value) => ({ value, word: VIEW_WORD[value], said: `From the ${value}` }))}
          value={view}
          onChange={(next) => {
            rest();
            setView(next);
          }}
        />
      </View>
    </View>
  );
}

interface ChoicesProps<T> {
  readonly label: string;
  readonly options: readonly { readonly value: T; readonly word: string; readonly said: string }[];
  readonly value: T;
  readonly onChange: (value: T) => void;
}

/** A short row of which one is on. */
export function Choices<T extends string | number>({ label, options, value, onChange }: ChoicesProps<T>) {
  const { colors } = useTheme();
  return (
    <View role="group" aria-label={label} style={[styles.choices, { borderColor: colors.outline }]}>
      {options.map((option) => {
        const on = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="button"
            aria-pressed={on}
            accessibilityLabel={option.said}
            onPress={() => onChange(option.value)}
            style={[styles.choice, { backgroundColor: on ? colors.secondaryContainer : 'transparent' }]}
          >
            <Text variant="labelMedium" style={{ color: on ? colors.onSecondaryContainer : colors.onSurface }}>
              {option.word}
            </Text>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  frame: { width: '100%', overflow: 'hidden', borderRadius: 6 },
  controls: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginVertical: 8 },
  button: { margin: 0, width: 48, height: 48 },
  choices: { flexDirection: 'row', alignSelf: 'flex-start', borderWidth: 1, borderRadius: 6, overflow: 'hidden' },
  choice: { minHeight: 48, minWidth: 44, paddingHorizontal: 10, alignItems: 'center', justifyContent: 'center' },
});
