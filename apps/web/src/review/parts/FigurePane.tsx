/** The swimmer as seen so far: choose the view and the moment, tap a part, or let it swim. */
import { bestView, type FigureSide, MOMENTS, type Region, VIEWS } from '@upwell/core/figure';
import { signCard, type SignId, type Stroke } from '@upwell/core/review';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { Choices, FigureView, MovingFigure } from '@/figure';

interface FigurePaneProps {
  readonly stroke: Stroke;
  readonly seen: readonly SignId[];
  readonly region: Region | null;
  readonly onRegion: (region: Region | null) => void;
  readonly view: FigureSide;
  readonly onView: (view: FigureSide) => void;
  /** The moment shown; null for the one of the last sign. */
  readonly phase: number | null;
  readonly onPhase: (phase: number | null) => void;
  readonly onUndo: (() => void) | null;
}

const VIEW_WORD: Readonly<Record<FigureSide, string>> = { side: 'Side', front: 'Front', top: 'Top' };

export function FigurePane({ stroke, seen, region, onRegion, view, onView, phase, onPhase, onUndo }: FigurePaneProps) {
  const [swimming, setSwimming] = useState(false);
  const label =
    seen.length > 0
      ? `The swimmer as seen: ${seen.map((s) => signCard(s).seen).join(', ')}`
      : 'The wanted line. Tap a part of the body and say what you see.';
  const again = (
    <Button icon={swimming ? 'pause' : 'play'} compact onPress={() => setSwimming(!swimming)}>
      {swimming ? 'Hold still' : 'Swim'}
    </Button>
  );
  if (swimming) {
    return (
      <View>
        <MovingFigure
          key={stroke}
          stroke={stroke}
          signs={seen}
          view={seen.length > 0 ? bestView(seen) : view}
          label={label}
        />
        {again}
      </View>
    );
  }
  return (
    <View>
      <FigureView
        stroke={stroke}
        signs={seen}
        view={view}
        phase={phase}
        chosen={region}
        onChoose={(next) => onRegion(region === next ? null : next)}
        label={label}
      />
      <View style={styles.row}>
        <Choices
          label="View"
          options={VIEWS.map((value) => ({ value, word: VIEW_WORD[value], said: `From the ${value}` }))}
          value={view}
          onChange={onView}
        />
        {again}
        <Button icon="undo" compact disabled={!onUndo} onPress={() => onUndo?.()}>
          Undo
        </Button>
      </View>
      <View style={styles.row}>
        <Choices
          label="Moment"
          options={MOMENTS[stroke].map(({ name, phase: value }) => ({ value, word: name, said: `Moment: ${name}` }))}
          value={phase ?? -1}
          onChange={(value) => onPhase(value === phase ? null : value)}
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6, marginTop: 8, alignItems: 'center' },
});
