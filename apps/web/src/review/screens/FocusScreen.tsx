import { openFocus } from '@upwell/contract/openFocus';
import { useDraft, useToday } from '@/state/hooks';
import type { FocusView, ReviewView, TryFields } from '@upwell/contract/review';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { bestView } from '@upwell/core/figure';
import { doseWord, drillCard, type DrillId, KIT } from '@upwell/core/library';
import {
  causeCard,
  cueFor,
  drillsFor,
  ifNoHelp,
  nextStep,
  type Outcome,
  OUTCOMES,
  recordWord,
  signCard,
  type SignId,
} from '@upwell/core/review';
import { datedWord } from '@upwell/core/words';
import { type Href, Redirect, useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useMeQuery } from '@/account';
import { type ApiError, sentence } from '@/api/problem';
import { MovingFigure } from '@/figure';
import { useSwimmerQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Input } from '@/ui/Input';
import { distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { textSize } from '@/ui/theme';
import { useAddTryMutation, useOutcomesQuery, useSaveFocusMutation, useTakeBackTryMutation } from '../api';
import { CueLine } from '../parts/CueLine';
import { FocusWords } from '../parts/FocusWords';
import { NextFault } from '../parts/NextFault';
import { OUTCOME_WORD } from '../parts/RelookCard';

/** On deck: swim, look, better – same – worse, and what to do next. */
export function FocusScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const { data: swimmer, error, refetch } = useSwimmerQuery(id);
  const { data: me } = useMeQuery();
  const focus = swimmer && openFocus(swimmer.focuses);
  // Judging is the coach's; the swimmer has the page to take home.
  if (me?.role === 'swimmer') return <Redirect href={`/swimmers/${id}/handout` as Href} />;
  if (swimmer && focus) {
    return (
      <FocusWork
        key={focus.id}
        swimmer={swimmer}
        focus={focus}
        review={swimmer.reviews.find((r) => r.id === focus.reviewId)}
      />
    );
  }
  return (
    <Screen title="The one focus" back={`/swimmers/${id}`}>
      {error && !swimmer ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!error && !swimmer ? <Loading /> : null}
      {swimmer ? (
        <Empty
          title="No focus yet"
          action={
            <Button mode="contained" onPress={() => router.navigate(`/swimmers/${id}/review` as Href)}>
              Review the stroke
            </Button>
          }
        >
          Look at the stroke first and choose one thing to work on.
        </Empty>
      ) : null}
    </Screen>
  );
}

interface FocusWorkProps {
  readonly swimmer: SwimmerPage;
  readonly focus: FocusView;
  readonly review: ReviewView | undefined;
}

function FocusWork({ swimmer, focus, review }: FocusWorkProps) {
  const today = useToday();
  const theme = useTheme();
  const wide = useWide();
  const router = useRouter();
  const [send, adding] = useAddTryMutation();
  const [takeBack, takingBack] = useTakeBackTryMutation();
  const [saveFocus, saving] = useSaveFocusMutation();
  const { data: records = [] } = useOutcomesQuery(swimmer.level);

  const [said, setSaid, dropSaid] = useDraft(`said:${focus.id}`, '');
  const tries = focus.triesMade;
  const failed = (adding.error ?? takingBack.error) as ApiError | undefined;
  const answers = drillsFor(focus.cause, {
    level: swimmer.level,
    model: swimmer.strokeModel,
    healthFlags: swimmer.healthFlags,
    records,
  });
  const step = nextStep(focus.cause, answers, focus.drill, tries);
  const drill = drillCard(focus.drill);
  const record = records.find((r) => r.cause === focus.cause && r.drill === focus.drill);
  const seen = review ? (Object.keys(review.signs) as SignId[]).filter((s) => review.signs[s] !== 'absent') : [];

  // Kept on this device first: a dead network loses none.
  const judge = (verdict: Outcome) => {
    const made: TryFields = { drill: focus.drill, verdict, note: said.trim(), at: new Date().toISOString() };
    dropSaid();
    void send({ focusId: focus.id, swimmerId: swimmer.id, id: v7(), body: made });
  };
  const undo = () => takeBack({ focusId: focus.id, swimmerId: swimmer.id, id: tries[tries.length - 1]!.id });
  const change = (drillId: DrillId) =>
    saveFocus({
      id: focus.id,
      swimmerId: swimmer.id,
      body: {
        drill: drillId,
        // Cue and number of tries change with the drill.
        cue: cueFor(focus.cause, drillId),
        tries: drillCard(drillId).dose.tries,
        saidBack: focus.saidBack,
        felt: focus.felt,
        relookOn: focus.relookOn,
        version: focus.version,
        writeId: v7(),
      },
    });

  return (
    <Screen
      title={causeCard(focus.cause).name}
      over={`${swimmer.givenName} ${swimmer.familyName}`}
      under={`works on this until ${datedWord(focus.relookOn, today)}, ${distanceInDays(today, focus.relookOn)}`}
      back={`/swimmers/${swimmer.id}`}
      actions={
        <>
          <Button mode="outlined" onPress={() => router.navigate(`/swimmers/${swimmer.id}/handout` as Href)}>
            Hand-out
          </Button>
          <Button mode="contained" icon="eye" onPress={() => router.navigate(`/swimmers/${swimmer.id}/review` as Href)}>
            Second look
          </Button>
        </>
      }
      footer={
        <View style={styles.verdicts} role="group" aria-label="How was this try?">
          {OUTCOMES.map((verdict) => (
            <Button
              key={verdict}
              mode={verdict === 'better' ? 'contained' : 'outlined'}
              style={styles.flex}
              contentStyle={styles.tall}
              labelStyle={styles.verdict}
              onPress={() => judge(verdict)}
            >
              {OUTCOME_WORD[verdict]}
            </Button>
          ))}
        </View>
      }
    >
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          <CueLine focus={focus} />
          <MovingFigure
            stroke={review?.stroke ?? 'front-crawl'}
            signs={seen}
            view={bestView(seen)}
            label={`How it looks: ${seen.map((s) => signCard(s).seen).join(', ')}`}
          />
        </View>
        <View style={wide ? styles.column : undefined}>
          <Card
            title={tries.length === 0 ? 'Try it' : `After try ${tries.length}`}
            strong
            aside={
              tries.length > 0 ? (
                <Button compact icon="undo" accessibilityLabel="Undo the last try" onPress={() => void undo()}>
                  Undo
                </Button>
              ) : null
            }
          >
            {tries.length > 0 ? (
              <Text
                variant="bodySmall"
                aria-label={`Tries so far: ${tries.map((t) => OUTCOME_WORD[t.verdict]).join(', ')}`}
              >
                {tries.map((t) => OUTCOME_WORD[t.verdict].toLowerCase()).join(' · ')}
              </Text>
            ) : null}
            {tries.map((t, i) =>
              t.note ? <Text key={t.id} variant="bodySmall">{`Try ${i + 1}: “${t.note}”`}</Text> : null,
            )}
            <Text variant="titleMedium" aria-live="polite">
              {step.reason}
            </Text>
            {review && tries.at(-1)?.verdict === 'better' ? (
              <NextFault swimmer={swimmer} focus={focus} review={review} />
            ) : null}
            {step.kind === 'change-drill' ? (
              <Button
                mode="contained-tonal"
                style={styles.gap}
                disabled={saving.isLoading}
                onPress={() => void change(step.drill)}
              >
                {`Use ${drillCard(step.drill).name.toLowerCase()}`}
              </Button>
            ) : null}
            {step.kind === 'change-cause' ? (
              <Button
                mode="contained-tonal"
                style={styles.gap}
                onPress={() => router.navigate(`/swimmers/${swimmer.id}/review` as Href)}
              >
                Look again
              </Button>
            ) : null}
            <Input
              label="What the swimmer says of the next try"
              value={said}
              maxLength={200}
              onChangeText={(text) => setSaid(() => text)}
              style={styles.gap}
            />
            {failed ? <Notice tone="error">{sentence(failed)}</Notice> : null}
          </Card>
          <Card
            title={drill.name}
            aside={<Text variant="bodySmall">{record ? recordWord(record) : 'no record yet'}</Text>}
          >
            {drill.steps.map((text, i) => (
              <Text key={text}>{`${i + 1}. ${text}`}</Text>
            ))}
            <Text variant="bodySmall">{`${doseWord(drill.dose, focus.tries)}. Kit: ${drill.kit.map((k) => KIT[k]).join(', ') || 'none'}. Watch for: ${drill.mistakes.join(', ')}.`}</Text>
            <Text variant="bodySmall">{ifNoHelp(focus.cause, focus.drill, answers)}</Text>
            {drill.cautions.map((text) => (
              <Text key={text} variant="labelMedium" style={{ color: theme.colors.error }}>
                {text}
              </Text>
            ))}
          </Card>
          <FocusWords focus={focus} />
        </View>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1 },
  verdicts: { flexDirection: 'row', gap: 8 },
  flex: { flex: 1 },
  tall: { minHeight: 56 },
  verdict: { fontSize: textSize(18), marginHorizontal: 4 },
  gap: { marginTop: 8 },
});
