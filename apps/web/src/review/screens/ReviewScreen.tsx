// Looks at a stroke: what is seen, why it may be, and the one thing to work on.
import type { FigureSide, Region } from '@upwell/core/figure';
import {
  causeCard,
  type CauseId,
  type Circumstances,
  compareLooks,
  type DrillRecord,
  pastByCause,
  type Sighting,
  type SignId,
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
import { type ApiError, fieldMessages, sentence, storedNow } from '@/api/problem';
import { openFocus } from '@upwell/contract/openFocus';
import type { FocusView } from '@upwell/contract/review';
import { useToday } from '@/state/hooks';
import { useSwimmerQuery } from '@/swimmers';
import { daysBetween } from '@upwell/core/days';
import { distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Tabs } from '@/ui/Tabs';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useOutcomesQuery, useSaveReviewMutation } from '../api';
import { asAnother, type ReviewDraft, undone, withNoted, withSign } from '../draft';
import { AnswerStrip } from '../parts/AnswerStrip';
import { CausePicker } from '../parts/CausePicker';
import { FigurePane } from '../parts/FigurePane';
import { chosenFocus, FocusChoice } from '../parts/FocusChoice';
import { GoodCard } from '../parts/GoodCard';
import { MainAction, WhatNext } from '../parts/LookEnds';
import { MeasuredCard } from '../parts/MeasuredCard';
import { OUTCOME_WORD, RelookCard } from '../parts/RelookCard';
import { NotedOnDeck } from '../parts/NotedOnDeck';
import { SignList } from '../parts/SignList';
import { NotedSign } from '../parts/SignRow';
import { LookNext, WhyStrip } from '../parts/WhyStrip';
import { useInference } from '../useInference';
import { useReviewDraft } from '../useReviewDraft';

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
  // With an open focus this is the second look at it, and begins with the stroke that it belongs to.
  const open = openFocus(swimmer.focuses);
  const before = open && swimmer.reviews.find((r) => r.id === open.reviewId);
  const today = useToday();
  const [draft, setDraft, dropDraft] = useReviewDraft(swimmer, before?.stroke);
  const [region, setRegion] = useState<Region | null>(null);
  const [view, setView] = useState<FigureSide>('side');
  const [phase, setPhase] = useState<number | null>(null);
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
  const noted = Object.keys(draft.signs) as SignId[];
  const choice = { level, model, healthFlags: swimmer.healthFlags, records, before: swimmer.focuses };
  const outcome =
    open && before ? (draft.outcome ?? compareLooks(open.cause, before.signs, draft.signs).outcome) : null;
  const solved = open !== undefined && outcome === 'solved';
  // A solved focus asks for nothing new; what could come next is the coach's to choose.
  const cause = draft.cause ?? (solved ? null : (inference?.focus ?? null));
  const said = draft.good.trim() !== '';
  const something = noted.length > 0 || (draft.noted ?? '').trim() !== '';
  const answer = (sign: SignId, sighting: Sighting) => setDraft((now) => withSign(now, sign, sighting));
  const change = (fields: Partial<ReviewDraft>) => setDraft((now) => ({ ...now, ...fields, writeId: v7() }));
  const choose = (chosen: CauseId | null) =>
    change({ cause: chosen, drill: null, cue: null, tries: null, relookOn: null });

  const submit = async (chosen: CauseId | null, closing = true): Promise<void> => {
    const good = said || !solved ? draft.good : `Solved: ${causeCard(open.cause).name}`;
    setAsked(true);
    if (good.trim() === '') return;
    const sent = ({ id, writeId, focusId }: ReviewDraft) => ({
      id,
      body: {
        version: 0,
        writeId,
        swimmerId: swimmer.id,
        lookedAt: new Date().toISOString(),
        stroke: draft.stroke,
        model,
        level,
        signs: draft.signs,
        measured: draft.measured,
        noted: draft.noted ?? '',
        good,
        focus: chosen ? { id: focusId, ...chosenFocus(draft, chosen, choice, today) } : null,
        // Without a new focus the open one goes on, unless it is solved.
        relook: open && outcome && closing && (chosen || solved) ? { focusId: open.id, outcome } : null,
      },
    });
    let { error: refused } = await save(sent(draft));
    // It was stored although its answer was lost, and was changed here since: another look.
    if (refused && storedNow<{ readonly id: string }>(refused as ApiError)?.id === draft.id) {
      const another = asAnother(draft);
      setDraft(another);
      ({ error: refused } = await save(sent(another)));
    }
    // Sent again it is the same write: that is harmless.
    if (refused) return;
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
        view={view}
        onView={setView}
        phase={phase}
        onPhase={setPhase}
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

  const closedElsewhere = error ? storedNow<FocusView>(error) : null;
  const errors = {
    ...(error ? fieldMessages(error) : {}),
    ...(asked && !said && !solved ? { good: NOTHING_GOOD } : {}),
  };
  const why = (
    <View>
      {!inference ? <Loading label="Working out the causes" /> : null}
      {inference && noted.length > 0 ? (
        <>
          <WhyStrip inference={inference} />
          {wide ? <LookNext inference={inference} onAnswer={answer} /> : null}
        </>
      ) : null}
      <GoodCard draft={draft} onChange={change} errors={errors} />
      {inference && something ? (
        <>
          {solved && !cause ? <WhatNext inference={inference} onChoose={choose} /> : null}
          {cause ? <FocusChoice draft={draft} cause={cause} choice={choice} onChange={change} errors={errors} /> : null}
          {!cause && !solved ? (
            <Text>Not sure enough for a focus. Look at one more thing, or choose yourself.</Text>
          ) : null}
          <CausePicker ranking={inference.ranking} chosen={cause} onChoose={choose} start={!cause && !solved} />
        </>
      ) : null}
      {closedElsewhere ? (
        <Notice
          tone="error"
          action={
            <Button mode="contained" onPress={() => void submit(draft.cause, false)}>
              Keep this look
            </Button>
          }
        >
          {`Somebody closed this focus meanwhile${closedElsewhere.outcome ? `: ${OUTCOME_WORD[closedElsewhere.outcome].toLowerCase()}` : ''}. That stays; your look can be kept beside it.`}
        </Notice>
      ) : error ? (
        <Notice tone="error">{sentence(error)}</Notice>
      ) : null}
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {CAUTION}
      </Text>
    </View>
  );
  const relook =
    open && before ? (
      <RelookCard
        focus={open}
        before={before}
        now={draft.signs}
        onAnswer={answer}
        outcome={outcome}
        onOutcome={(chosen) => change({ outcome: chosen, cause: null })}
      />
    ) : null;

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
        something ? (
          <>
            {!wide && inference && noted.length > 0 ? <AnswerStrip inference={inference} onAnswer={answer} /> : null}
            <MainAction
              saving={isLoading}
              label={
                cause
                  ? `Make it the focus: ${causeCard(cause).name}`
                  : solved
                    ? `Close as solved: ${causeCard(open.cause).name}`
                    : 'Keep the look, without a focus'
              }
              strong={cause !== null || solved}
              onPress={() => void submit(cause)}
            />
          </>
        ) : null
      }
    >
      <Tabs
        label="What is reviewed"
        tabs={STROKES.map((value) => ({ value, label: STROKE_WORD[value] }))}
        chosen={draft.stroke}
        onChoose={(stroke) => {
          setRegion(null);
          setPhase(null);
          change({ stroke, cause: null, drill: null, cue: null });
        }}
      />
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          {relook}
          {figure}
          <SignList
            key={`${draft.stroke} ${region}`}
            stroke={draft.stroke}
            region={region}
            view={view}
            phase={phase}
            signs={draft.signs}
            onAnswer={answer}
            onClose={() => setRegion(null)}
          />
          <NotedOnDeck
            swimmerId={swimmer.id}
            stroke={draft.stroke}
            reviews={swimmer.reviews}
            signs={draft.signs}
            onTake={(taken) => setDraft((now) => withNoted(now, taken))}
          />
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
});
