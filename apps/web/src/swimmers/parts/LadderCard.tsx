/** Ladders at the pool side: the step at hand, tries counted, passed or not in one tap each. */
import type { SwimmerPage } from '@upwell/contract/swimmers';
import {
  atHand,
  type Climb,
  KIT,
  LADDER_IDS,
  ladderCard,
  type LadderId,
  type MarkKind,
  newest,
} from '@upwell/core/library';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { type ApiError, sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useMarkLadderMutation, useSwimmerQuery, useTakeBackMarkMutation } from '../api';

/** The same card where only the swimmer's id is at hand, as on deck; nothing while their page is not here. */
export function LaddersOf({ id }: { readonly id: string }) {
  const { data } = useSwimmerQuery(id);
  return data ? <LadderCard swimmer={data} /> : null;
}

export function LadderCard({ swimmer }: { readonly swimmer: SwimmerPage }) {
  const [more, setMore] = useState(false);
  const [begun, setBegun] = useState<readonly LadderId[]>([]);
  const climb: Climb = { ladderSteps: swimmer.ladderSteps, ladderLog: swimmer.ladderLog ?? [] };
  const kept = LADDER_IDS.filter((id) => swimmer.ladderSteps[id] !== undefined || begun.includes(id));
  // Those who are not at ease yet begin with the first one.
  const shown = kept.length === 0 && swimmer.level === 'settle' ? (['confidence'] as const) : kept;
  const others = LADDER_IDS.filter((id) => !shown.includes(id as never));
  return (
    <Card title="Ladders">
      {shown.map((id) => (
        <Rung key={id} swimmerId={swimmer.id} ladder={id} climb={climb} />
      ))}
      {shown.length === 0 ? <Text>None begun yet.</Text> : null}
      {others.length > 0 ? (
        <Disclosure label="Begin another ladder" open={more} onPress={() => setMore(!more)} />
      ) : null}
      {more ? (
        <View style={styles.row}>
          {others.map((id) => (
            <Button
              key={id}
              mode="outlined"
              onPress={() => {
                setBegun([...begun, id]);
                setMore(false);
              }}
            >
              {ladderCard(id).name}
            </Button>
          ))}
        </View>
      ) : null}
    </Card>
  );
}

interface RungProps {
  readonly swimmerId: string;
  readonly ladder: LadderId;
  readonly climb: Climb;
}

/** The step at hand of one ladder. */
function Rung({ swimmerId, ladder, climb }: RungProps) {
  const theme = useTheme();
  const [mark, marking] = useMarkLadderMutation();
  const [takeBack, takingBack] = useTakeBackMarkMutation();
  const { name, cautions } = ladderCard(ladder);
  const { passed, of, step, tries, advice } = atHand(climb, ladder);
  const last = newest(climb, ladder);
  const failed = (marking.error ?? takingBack.error) as ApiError | undefined;
  const tap = (kind: MarkKind) =>
    void mark({ swimmerId, id: v7(), body: { ladder, step: passed, kind, at: new Date().toISOString() } });
  const good = tries.filter((kind) => kind === 'good').length;
  return (
    <View style={[styles.rung, { borderLeftColor: theme.own.kelp }]} role="group" aria-label={name}>
      <View style={styles.line}>
        <Text variant="titleSmall" style={styles.flex}>
          {name}
        </Text>
        <Text variant="bodySmall">{step ? `step ${passed + 1} of ${of}` : 'passed'}</Text>
      </View>
      {step ? (
        <>
          <Text>{step.what}</Text>
          <Text variant="bodySmall">{`Pass: ${step.pass} Go back if: ${step.backIf}`}</Text>
          {step.kit.length > 0 ? (
            <Text variant="bodySmall">{`Kit: ${step.kit.map((k) => KIT[k]).join(', ')}.`}</Text>
          ) : null}
          {passed === 0 || tries.length === 0 ? (
            <Text variant="bodySmall" style={{ color: theme.colors.error }}>
              {cautions.join(' ')}
            </Text>
          ) : null}
          <Text variant="titleMedium" aria-live="polite">
            {`${tries.length} of ${step.tries} tries, ${good} good${ADVICE[advice]}`}
          </Text>
          <View style={styles.row}>
            <Button mode="contained-tonal" accessibilityLabel={`Good try: ${name}`} onPress={() => tap('good')}>
              Good
            </Button>
            <Button mode="outlined" accessibilityLabel={`Not yet: ${name}`} onPress={() => tap('miss')}>
              Not yet
            </Button>
            <Button
              mode={advice === 'pass' ? 'contained' : 'outlined'}
              icon="check"
              accessibilityLabel={`Passed: ${name}`}
              onPress={() => tap('passed')}
            >
              Passed
            </Button>
            {advice === 'back' && passed > 0 ? (
              <Button mode="contained" accessibilityLabel={`A step back: ${name}`} onPress={() => tap('back')}>
                A step back
              </Button>
            ) : null}
          </View>
        </>
      ) : (
        <Text>{`All ${of} steps are passed.`}</Text>
      )}
      {last ? (
        <Button
          compact
          icon="undo"
          style={styles.undo}
          accessibilityLabel={`Undo: ${name}`}
          onPress={() => void takeBack({ swimmerId, id: last.id })}
        >
          Undo
        </Button>
      ) : null}
      {failed ? <Notice tone="error">{sentence(failed)}</Notice> : null}
    </View>
  );
}

const ADVICE = { 'go-on': '', pass: ': looks passed', back: ': think of the step before' } as const;

const styles = StyleSheet.create({
  rung: { borderLeftWidth: 4, paddingLeft: 10, marginBottom: 12, gap: 4 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  flex: { flex: 1 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 6 },
  undo: { alignSelf: 'flex-start' },
});
