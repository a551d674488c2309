/** Watch a simulated swimmer, mark what you see, and learn what your eye misses. */
import {
  EYE_GRADES,
  type EyeAnswer,
  eyeClip,
  eyeFocus,
  type EyeFocus,
  type EyeGrade,
  scoreEye,
} from '@upwell/core/eye';
import { causeCard, signCard, type SignId } from '@upwell/core/review';
import { counted } from '@upwell/core/words';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { Choices, MovingFigure } from '@/figure';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { Screen } from '@/ui/Screen';
import { Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useEyeHistoryQuery, useSaveEyeTryMutation } from '../api';
import { EyeRecord, signedKappa } from '../parts/EyeRecord';

const GRADE_WORD: Readonly<Record<EyeGrade, string>> = { 1: 'Plain', 2: 'Clear', 3: 'Faint', 4: 'Many' };

export function EyeScreen() {
  const wide = useWide();
  const theme = useTheme();
  const { data: history, error } = useEyeHistoryQuery();
  const [save, saving] = useSaveEyeTryMutation();
  const [grade, setGrade] = useState<EyeGrade>(1);
  const [seed, setSeed] = useState<number | null>(null);
  const [marked, setMarked] = useState<readonly SignId[]>([]);
  const [done, setDone] = useState(false);
  const tryId = useRef(v7());

  const ready = history !== undefined || error !== undefined;
  if (ready && seed === null) {
    // The first simulated swimmer of the grade that this coach has not seen.
    const seen = history?.mine.filter((t) => t.grade === grade).map((t) => t.seed) ?? [];
    setSeed(Math.max(0, ...seen) + 1);
  }
  if (!ready || seed === null) {
    return (
      <Screen title="Train the eye" back="/library">
        <Loading label="Loading your record" />
      </Screen>
    );
  }
  const clip = eyeClip(grade, seed);
  const score = done ? scoreEye(clip, marked) : null;
  const begin = (nextGrade: EyeGrade, nextSeed: number | null) => {
    setGrade(nextGrade);
    setSeed(nextSeed);
    setMarked([]);
    setDone(false);
    tryId.current = v7();
  };
  const store = () => save({ id: tryId.current, body: { grade, seed, marked: [...marked] } });
  const finish = () => {
    setDone(true);
    void store();
  };
  const toggle = (id: SignId) => setMarked(marked.includes(id) ? marked.filter((m) => m !== id) : [...marked, id]);

  return (
    <Screen
      title="Train the eye"
      over={`${GRADE_WORD[grade]}, swimmer ${seed}`}
      back="/library"
      footer={
        done ? (
          <Button mode="contained" icon="arrow-right" contentStyle={styles.tall} onPress={() => begin(grade, seed + 1)}>
            Next swimmer
          </Button>
        ) : (
          <Button mode="contained" icon="check" contentStyle={styles.tall} onPress={finish}>
            {marked.length === 0 ? 'I see none of these' : `I see ${marked.length} of these`}
          </Button>
        )
      }
    >
      <Choices
        label="Grade"
        options={EYE_GRADES.map((value) => ({ value, word: GRADE_WORD[value], said: `Grade: ${GRADE_WORD[value]}` }))}
        value={grade}
        onChange={(value) => begin(value, null)}
      />
      <View style={[styles.gap, wide ? styles.columns : undefined]}>
        <View style={wide ? styles.column : undefined}>
          <MovingFigure
            key={`${grade} ${seed}`}
            stroke="front-crawl"
            signs={clip.truth}
            severity={clip.severity}
            cyclesPerMin={clip.cyclesPerMin}
            view={grade === 3 ? 'side' : clip.view}
            ghost={done}
            label={
              done
                ? `This swimmer shows: ${clip.truth.map((s) => signCard(s).seen).join(', ')}`
                : 'A simulated swimmer. What do you see?'
            }
          />
        </View>
        <View style={wide ? styles.column : undefined}>
          {score ? (
            <Card
              title={`${score.found} found, ${score.missed} missed, ${counted(score.falseAlarms, 'false alarm')}`}
              strong
            >
              {score.answers.map(({ sign, answer }) => (
                <Answer key={sign} sign={sign} answer={answer} />
              ))}
              <FirstThing {...eyeFocus(clip, marked)} />
              <Text variant="bodySmall">
                {score.kappa === null
                  ? 'This one swimmer is not enough to tell agreement from chance.'
                  : `Agreement with what is there, beyond chance (Cohen’s kappa): ${signedKappa(score.kappa)}`}
              </Text>
              {saving.error ? (
                <Notice
                  tone="error"
                  action={
                    <Button mode="outlined" onPress={() => void store()}>
                      Try again
                    </Button>
                  }
                >
                  {sentence(saving.error)}
                </Notice>
              ) : null}
            </Card>
          ) : (
            <Card title="Mark what you see">
              {clip.options.map((id) => (
                <View key={id} style={[styles.line, { borderBottomColor: theme.own.line }]}>
                  <Check label={signCard(id).seen} on={marked.includes(id)} onPress={() => toggle(id)} />
                </View>
              ))}
            </Card>
          )}
        </View>
      </View>
      {history ? <EyeRecord history={history} /> : error ? <Notice>{sentence(error)}</Notice> : null}
    </Screen>
  );
}

const ANSWER_WORD: Readonly<Record<EyeAnswer, string>> = {
  found: 'found',
  missed: 'missed',
  'false-alarm': 'false alarm',
  'rightly-left': 'correctly left out',
};

/** Whether what was marked leads to the right thing to work on. */
function FirstThing({ byTruth, byMarks, why }: EyeFocus) {
  return (
    <View style={styles.gap}>
      <Text variant="titleMedium">
        {byMarks === byTruth
          ? `Your marks lead to the right first thing: ${causeCard(byTruth).name}.`
          : `The first thing to work on here: ${causeCard(byTruth).name}.`}
      </Text>
      {why ? <Text variant="bodySmall">{why}</Text> : null}
      {byMarks !== null && byMarks !== byTruth ? (
        <Text variant="bodySmall">{`Your marks alone would lead to: ${causeCard(byMarks).name}.`}</Text>
      ) : null}
    </View>
  );
}

function Answer({ sign, answer }: { readonly sign: SignId; readonly answer: EyeAnswer }) {
  const theme = useTheme();
  const wrong = answer === 'missed' || answer === 'false-alarm';
  return (
    <View style={[styles.option, { borderBottomColor: theme.own.line }]}>
      <Text style={styles.flex}>{signCard(sign).seen}</Text>
      <Text variant="labelMedium" style={{ color: wrong ? theme.colors.error : theme.colors.onSurfaceVariant }}>
        {ANSWER_WORD[answer]}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { marginTop: 12 },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1 },
  tall: { minHeight: 50 },
  flex: { flex: 1 },
  option: { minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: 10, borderBottomWidth: 1 },
  line: { borderBottomWidth: 1 },
});
