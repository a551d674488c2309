/** One lane: the set with its drill explained, holding, skipping, repeating and shortening it, and everything to come. */
import { type LaneState, type PassageState, passageWord, repsBegun } from '@upwell/core/deck';
import { bestView } from '@upwell/core/figure';
import { drillCard, KIT } from '@upwell/core/library';
import { answeredBy, causeCard, type CauseId, linksOf, signCard, type SignId } from '@upwell/core/review';
import type { Pool } from '@upwell/core/units';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useState } from 'react';
import { MovingFigure } from '@/figure';
import { DrillCard } from '@/library';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import type { Run } from '../useRun';
import { passageCautions, placeOf } from '../words';
import { setDetails } from '@upwell/core/sessions';
import { Cautions } from './Cautions';

interface LaneSheetProps {
  readonly lane: LaneState;
  readonly group: string;
  readonly theme: CauseId;
  readonly pool: Pool;
  readonly run: Run;
}

export function LaneSheet({ lane, group, theme: cause, pool, run }: LaneSheetProps) {
  const theme = useTheme();
  const { note, time } = run;
  const passage = lane.passages[lane.index];
  return (
    <View style={styles.sheet}>
      <Text variant="titleLarge" role="heading" aria-level={2}>{`Lane ${lane.number} · ${group}`}</Text>
      {passage ? (
        <Card strong>
          <Text variant="bodySmall">{placeOf(passage)}</Text>
          <Text style={styles.set}>{passageWord(passage, pool)}</Text>
          {passage.set ? <Text>{setDetails(passage.set).join(' · ')}</Text> : null}
          {passage.set && passage.set.kit.length > 0 ? (
            <Text variant="bodySmall">{`With ${passage.set.kit.map((k) => KIT[k]).join(', ')}`}</Text>
          ) : null}
          <Cautions texts={passageCautions(passage)} />
          <View style={styles.row}>
            {passage.goMs !== null ? (
              <Button
                mode={lane.held ? 'contained' : 'outlined'}
                icon={lane.held ? 'play' : 'pause'}
                onPress={() => note({ kind: lane.held ? 'resume' : 'hold', lane: lane.id })}
              >
                {lane.held ? 'Resume' : 'Hold the lane'}
              </Button>
            ) : null}
            <Button mode="outlined" onPress={() => note({ kind: 'skip', lane: lane.id, index: lane.index })}>
              {passage.goMs === null ? 'Skip it' : 'End it here'}
            </Button>
            {passage.goMs !== null ? (
              <Button
                mode="outlined"
                icon="repeat"
                onPress={() => note({ kind: 'again', lane: lane.id, index: lane.index, passage: v7() })}
              >
                Once more
              </Button>
            ) : null}
          </View>
          {passage.countdownS === null ? (
            <Stepper
              label="Reps"
              value={String(passage.reps)}
              onLess={
                passage.reps > Math.max(1, repsBegun(passage, time.at()))
                  ? () => note({ kind: 'reps', lane: lane.id, passage: passage.id, reps: passage.reps - 1 })
                  : null
              }
              onMore={() => note({ kind: 'reps', lane: lane.id, passage: passage.id, reps: passage.reps + 1 })}
            />
          ) : null}
        </Card>
      ) : null}
      {passage?.set?.drill ? <Drill passage={passage} cause={cause} /> : null}
      <Card title="The whole session">
        {lane.passages.map((p, i) => (
          <Pressable
            key={p.id}
            role="button"
            accessibilityLabel={`Go for ${passageWord(p, pool)}`}
            disabled={p.goMs !== null}
            onPress={() => note({ kind: 'go', lane: lane.id, index: i })}
            style={[styles.line, { borderTopColor: theme.own.line }]}
          >
            <View style={styles.flex}>
              <Text variant="labelMedium" style={{ color: theme.colors.onSurfaceVariant }}>
                {placeOf(p)}
              </Text>
              <Text style={i === lane.index ? styles.now : undefined}>{passageWord(p, pool)}</Text>
            </View>
            <Text variant="labelMedium">
              {p.skipped ? 'skipped' : p.goMs === null ? 'go' : i === lane.index ? 'now' : 'swum'}
            </Text>
          </Pressable>
        ))}
      </Card>
    </View>
  );
}

function Drill({ passage, cause }: { readonly passage: PassageState; readonly cause: CauseId }) {
  const theme = useTheme();
  const id = passage.set!.drill!;
  const drill = drillCard(id);
  const [whole, setWhole] = useState(false);
  const seen = (Object.keys(linksOf(cause)) as SignId[]).filter(
    (s) => (linksOf(cause) as Partial<Record<SignId, string>>)[s] === 'strong',
  );
  return (
    <Card title={drill.name}>
      <Text variant="titleLarge" style={{ color: theme.colors.primary }}>{`“${drill.cue}”`}</Text>
      {drill.steps.map((text, i) => (
        <Text key={text}>{`${i + 1}. ${text}`}</Text>
      ))}
      <Text variant="bodySmall">{`Watch for: ${drill.mistakes.join(', ')}.`}</Text>
      <Disclosure label={whole ? 'Close the card' : 'The whole card'} open={whole} onPress={() => setWhole(!whole)} />
      {whole ? <DrillCard card={drill} answers={answeredBy(id)} /> : null}
      <View style={styles.figure}>
        <MovingFigure
          stroke="front-crawl"
          signs={seen}
          view={bestView(seen)}
          label={`${causeCard(cause).name}: ${seen.map((s) => signCard(s).seen).join(', ')}`}
        />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  sheet: { padding: 16, width: '100%', maxWidth: 720, alignSelf: 'center' },
  set: { fontFamily: 'Atkinson Bold', fontSize: 28, lineHeight: 34 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 10 },
  line: { minHeight: 56, borderTopWidth: 1, flexDirection: 'row', alignItems: 'center', gap: 10 },
  now: { fontFamily: 'Atkinson Bold' },
  flex: { flex: 1 },
  figure: { marginTop: 8 },
});
