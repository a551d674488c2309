// Looks at a stroke: what is seen, why it may be, and the one thing to work on.
import { type Region, signsAt } from '@upwell/core/figure';
import {
  causeCard,
  type CauseId,
  type Circumstances,
  compareLooks,
  type DrillRecord,
  pastByCause,
  type Sighting,
  type SignId,
  signsFor,
  type Stroke,
  STROKES,
} from '@upwell/core/review';
import { CAUTION } from '@upwell/core/safety';
import { levelCard, STROKE_MODEL } from '@upwell/core/swimmers';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { fieldMessages, sentence } from '@/api/problem';
import { useDraft, useToday } from '@/state/hooks';
import { useSwimmerQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { daysBetween } from '@upwell/core/days';
import { distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Tabs } from '@/ui/Tabs';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useOutcomesQuery, useSaveReviewMutation } from '../api';
import { newReviewDraft, type ReviewDraft, undone, withNoted, withSign } from '../draft';
import { FigurePane } from '../parts/FigurePane';
import { chosenFocus, FocusChoice } from '../parts/FocusChoice';
import { MeasuredCard } from '../parts/MeasuredCard';
import { RelookCard } from '../parts/RelookCard';
import { NotedOnDeck } from '../parts/NotedOnDeck';
import { NotedSign, SignRow } from '../parts/SignRow';
import { WhyStrip } from '../parts/WhyStrip';
import { useInference } from '../useInference';

export function ReviewScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: swimmer, error, refetch } = useSwimmerQuery(id);
  if (swimmer) return <Review swimmer={swimmer} />;
  return (
    <Screen title="Review" back={`/swimmers/${id}`}>
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading />}
    </Screen>
  );
}

const STROKE_WORD: Readonly<Record<Stroke, string>> = {
  'front-crawl': 'Crawl',
  breaststroke: 'Breast',
  turn: 'Turns',
  'open-water': 'Open',
};

function Review({ swimmer }: { readonly swimmer: SwimmerPage }) {
  const router = useRouter();
  const wide = useWide();
  const theme = useTheme();
  const [first] = useState(newReviewDraft);
  const today = useToday();
  const [draft, setDraft, dropDraft] = useDraft<ReviewDraft>(`review:${swimmer.id}`, first);
  const [region, setRegion] = useState<Region | null>(null);
  const [asked, setAsked] = useState(false);
  const [save, { error, isLoading }] = useSaveReviewMutation();
  const { data: records = NO_RECORDS } = useOutcomesQuery(swimmer.level);

  const { level, strokeModel: model, goal } = swimmer;
  const circumstances: Circumstances = {
    ...(goal ? { goalPlace: goal.place, daysToRace: Math.max(0, daysBetween(today, goal.date)) } : {}),
    past: pastByCause(records),
    failedTwice: failedTwice(swimmer),
  };
  const inference = useInference({ stroke: draft.stroke, model, level, signs: draft.signs }, circumstances);

  const seen = useMemo(
    () => (Object.keys(draft.signs) as SignId[]).filter((sign) => draft.signs[sign] !== 'absent'),
    [draft.signs],
  );
  const listed = useMemo(() => signsFor(draft.stroke), [draft.stroke]);
  const noted = Object.keys(draft.signs) as SignId[];
  const cause = draft.cause ?? inference?.focus ?? null;
  const nothingGood = draft.good.trim() === '';
  const choice = { level, model, healthFlags: swimmer.healthFlags, records, before: swimmer.focuses };
  // With an open focus this is the second look at it.
  const open = swimmer.focuses.find((f) => f.outcome === null);
  const before = open && swimmer.reviews.find((r) => r.id === open.reviewId);
  const outcome =
    open && before ? (draft.outcome ?? compareLooks(open.cause, before.signs, draft.signs).outcome) : null;
  const answer = (sign: SignId, sighting: Sighting) => setDraft((now) => withSign(now, sign, sighting));

  const submit = async (chosen: CauseId): Promise<void> => {
    setAsked(true);
    if (nothingGood) return;
    const result = await save({
      id: draft.id,
      body: {
        version: 0,
        writeId: draft.writeId,
        swimmerId: swimmer.id,
        lookedAt: new Date().toISOString(),
        stroke: draft.stroke,
        model,
        level,
        signs: draft.signs,
        measured: draft.measured,
        good: draft.good,
        focus: { id: draft.focusId, ...chosenFocus(draft, chosen, choice, today) },
        relook: open && outcome ? { focusId: open.id, outcome } : null,
      },
    });
    if ('error' in result && result.error) {
      // The server may have stored it although the answer was lost: the same write id makes the repeat harmless.
      return;
    }
    dropDraft();
    router.navigate(`/swimmers/${swimmer.id}` as Href);
  };

  const figure = (
    <View>
      <FigurePane
        key={draft.stroke}
        stroke={draft.stroke}
        seen={seen}
        region={region}
        onRegion={setRegion}
        onUndo={draft.past.length > 0 ? () => setDraft(undone) : null}
      />
      <View style={styles.chips}>
        {noted.map((sign) => (
          <NotedSign
            key={sign}
            sign={sign}
            sighting={draft.signs[sign]!}
            onDrop={() => answer(sign, draft.signs[sign]!)}
          />
        ))}
      </View>
    </View>
  );

  const shownSigns = region ? signsAt(region, listed) : [];
  const signs = region ? (
    <Card
      title={`Seen at the ${region}?`}
      aside={
        <Button compact onPress={() => setRegion(null)}>
          Close
        </Button>
      }
    >
      {shownSigns.length === 0 ? <Text>Nothing is listed here for this stroke.</Text> : null}
      {shownSigns.map((sign) => (
        <SignRow key={sign} sign={sign} sighting={draft.signs[sign]} onAnswer={(sighting) => answer(sign, sighting)} />
      ))}
    </Card>
  ) : (
    <Text style={{ color: theme.colors.onSurfaceVariant }}>Tap a part of the body and say what you see.</Text>
  );

  const why = (
    <View>
      {inference ? (
        noted.length > 0 ? (
          <WhyStrip inference={inference} onAnswer={answer} />
        ) : null
      ) : (
        <Loading label="Working out the causes" />
      )}
      {inference && cause ? (
        <FocusChoice
          draft={draft}
          cause={cause}
          others={inference.ranking.filter((r) => r.cause !== cause && r.probability > 0.1).slice(0, 2)}
          choice={choice}
          onChange={(change) => setDraft((now) => ({ ...now, ...change, writeId: v7() }))}
          errors={{ ...(error ? fieldMessages(error) : {}), ...(asked && nothingGood ? { good: NOTHING_GOOD } : {}) }}
        />
      ) : null}
      {inference && !cause && noted.length > 0 ? (
        <View style={styles.chips}>
          <Text variant="bodySmall">Not sure enough for a focus. Look at one more thing, or choose yourself:</Text>
          {inference.ranking
            .filter((r) => r.probability > 0.1)
            .slice(0, 3)
            .map((r) => (
              <Button key={r.cause} mode="outlined" onPress={() => setDraft((now) => ({ ...now, cause: r.cause }))}>
                {causeCard(r.cause).name}
              </Button>
            ))}
        </View>
      ) : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {CAUTION}
      </Text>
    </View>
  );

  return (
    <Screen
      title={`${swimmer.givenName} ${swimmer.familyName}`}
      over={`Look ${swimmer.reviews.length + 1} · ${levelCard(level).name} · ${STROKE_MODEL[model].name}`}
      actions={
        <Button mode="outlined" icon="play" onPress={() => router.navigate(`/swimmers/${swimmer.id}/clip` as Href)}>
          Clip
        </Button>
      }
      under={goal ? `${goal.event}, ${goal.distanceM} m, ${distanceInDays(today, goal.date)}` : undefined}
      back={`/swimmers/${swimmer.id}`}
      footer={
        cause ? (
          <Button
            mode="contained"
            icon="check"
            disabled={isLoading}
            contentStyle={styles.tall}
            onPress={() => void submit(cause)}
          >
            {isLoading ? 'Saving…' : `Make it the focus: ${causeCard(cause).name}`}
          </Button>
        ) : null
      }
    >
      <Tabs
        label="What is reviewed"
        tabs={STROKES.map((value) => ({ value, label: STROKE_WORD[value] }))}
        chosen={draft.stroke}
        onChoose={(stroke) => setDraft((now) => ({ ...now, stroke, cause: null, drill: null, cue: null }))}
      />
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          {figure}
          {signs}
          <NotedOnDeck
            swimmerId={swimmer.id}
            stroke={draft.stroke}
            reviews={swimmer.reviews}
            signs={draft.signs}
            onTake={(taken) => setDraft((now) => withNoted(now, taken))}
          />
          {open && before ? (
            <RelookCard
              focus={open}
              before={before}
              now={draft.signs}
              onAnswer={answer}
              outcome={outcome}
              onOutcome={(chosen) => setDraft((now) => ({ ...now, outcome: chosen }))}
            />
          ) : null}
          <MeasuredCard measured={draft.measured} model={model} />
        </View>
        <View style={wide ? [styles.column, STICKY] : styles.below}>{why}</View>
      </View>
    </Screen>
  );
}

const NO_RECORDS: readonly DrillRecord[] = [];
const NOTHING_GOOD = 'Say one thing that is good first.';

/** Causes that ended "same" or "worse" twice for this swimmer. */
function failedTwice(swimmer: SwimmerPage): CauseId[] {
  const failed = swimmer.focuses.filter((f) => f.outcome === 'same' || f.outcome === 'worse').map((f) => f.cause);
  return [...new Set(failed)].filter((cause) => failed.filter((c) => c === cause).length >= 2);
}

/** On a wide screen the reasons stay in sight while the list of signs scrolls (a web-only position). */
const STICKY = { position: 'sticky', top: 0 } as unknown as ViewStyle;

const styles = StyleSheet.create({
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 8, alignItems: 'center' },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  column: { flex: 1 },
  below: { marginTop: 12 },
  tall: { minHeight: 50 },
});
