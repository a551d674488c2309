import { useToday } from '@/state/hooks';
import { sentenceCase } from '@upwell/core/text';
import type { SentClip } from '@upwell/contract/sent';
import type { MyRace, MySession, MyWeek } from '@upwell/contract/race';
import {
  chanceWord,
  noOutlookWords,
  openWaterStep,
  type PlanWeek,
  type ReadyItem,
  weekNoteWords,
} from '@upwell/core/race';
import { causeCard } from '@upwell/core/review';
import { formatTime, summaryWord } from '@upwell/core/units';
import { dayWord, numberWord, startWord } from '@upwell/core/words';
import { type Href, useRouter } from 'expo-router';
import { Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { MySent, useForgetUnasked, useSentClipsQuery } from '@/film';
import { HandoutPage, useHandoutQuery } from '@/handout';
import { CalendarAddress } from '@/calendar';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useMyWeekQuery, useRateSessionMutation } from '../api';
import { PHASE_WORD, VERDICT_WORD } from '../words';

/** The swimmer's own page: this week, the one thing to work on, the race. Nothing of anybody else. */
export function MyWeekScreen() {
  const today = useToday();
  const { data, error, refetch } = useMyWeekQuery();
  const router = useRouter();
  // What stands at the top comes with the rest: nothing moves under a finger.
  const sent = useSentClipsQuery();
  useForgetUnasked(sent.data);
  if (!data || sent.isLoading)
    return (
      <Screen title="My week">
        {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening your week" />}
      </Screen>
    );
  return (
    <Screen
      title="My week"
      over={data.givenName}
      actions={
        <>
          <Button
            mode="outlined"
            icon="chart-bar"
            onPress={() => router.navigate(`/swimmers/${data.swimmerId}/records` as Href)}
          >
            Tests and times
          </Button>
          <Button mode="outlined" onPress={() => router.navigate(`/swimmers/${data.swimmerId}` as Href)}>
            All about me
          </Button>
        </>
      }
    >
      <Suspense fallback={<Loading label="Opening your week" />}>
        <Week data={data} sent={sent.data ?? []} today={today} />
      </Suspense>
    </Screen>
  );
}

interface WeekProps {
  readonly data: MyWeek;
  readonly sent: readonly SentClip[];
  readonly today: string;
}

function Week({ data, sent, today }: WeekProps) {
  const wide = useWide();
  const [week] = data.weeks;
  const ask = data.sessions.filter((s) => s.date <= today && s.metres !== null);
  const ahead = data.sessions.filter((s) => s.date > today || s.metres === null);
  return (
    <View style={wide ? styles.columns : undefined}>
      <View style={wide ? styles.column : undefined}>
        {sent.length > 0 ? <MySent clips={sent} /> : null}
        {week ? <PlanCard week={week} race={data.race} today={today} /> : null}
        <Card title="Sessions">
          {data.sessions.length === 0 ? <Text>Nothing is planned this week yet. Ask your coach.</Text> : null}
          <View role="list">
            {[...ask, ...ahead].map((session) => (
              <SessionLine key={session.id} session={session} today={today} />
            ))}
          </View>
          <Text variant="bodySmall" style={styles.top}>
            If something hurts, stop and tell your coach.
          </Text>
        </Card>
        {data.race ? <RaceCard race={data.race} today={today} ready={data.ready} id={data.swimmerId} /> : null}
        <Card>
          <CalendarAddress swimmerId={data.swimmerId} name="you" />
        </Card>
      </View>
      <View style={wide ? styles.column : undefined}>{data.focus ? <Focus focusId={data.focus.id} /> : null}</View>
    </View>
  );
}

function PlanCard({
  week,
  race,
  today,
}: {
  readonly week: PlanWeek;
  readonly race: MyRace | null;
  readonly today: string;
}) {
  return (
    <Card
      title={PHASE_WORD[week.phase]}
      strong
      aside={race ? <Text variant="labelMedium">{`${race.event} ${distanceInDays(today, race.raceOn)}`}</Text> : null}
    >
      <Text variant="titleLarge">{causeCard(week.theme).name}</Text>
      <Text>{`“${causeCard(week.theme).cue}”`}</Text>
      {week.step === null ? null : (
        <Text style={styles.top}>{`Next step outside, with the coach: ${openWaterStep(week.step)}`}</Text>
      )}
      {week.test ? (
        <Text style={styles.top}>A test this week: come rested, and tell the coach if you are not well.</Text>
      ) : null}
      {week.notes.map(weekNoteWords).map((text) => (
        <Text key={text} variant="bodySmall" style={styles.top}>
          {text}
        </Text>
      ))}
    </Card>
  );
}

const FELT = ['0', '2', '4', '6', '8', '10'] as const;
const FELT_WORD = {
  '0': 'rest',
  '2': 'easy',
  '4': 'fair',
  '6': 'hard',
  '8': 'very hard',
  '10': 'nothing left',
} as const;

function SessionLine({ session, today }: { readonly session: MySession; readonly today: string }) {
  const theme = useTheme();
  const [rate] = useRateSessionMutation();
  const over = session.date <= today && session.metres !== null;
  return (
    <View role="listitem" style={[styles.session, { borderBottomColor: theme.own.line }]}>
      <View style={styles.row}>
        <View style={styles.flex}>
          <Text variant="titleMedium">{session.title}</Text>
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {`${startWord(session)} · ${causeCard(session.theme).name}`}
          </Text>
        </View>
        <Text variant="titleMedium" style={styles.figures}>
          {session.metres === null
            ? 'not your level'
            : summaryWord({ metres: session.metres, inPool: session.inPool }, numberWord)}
        </Text>
      </View>
      {over ? (
        <Choice
          label="How did it feel?"
          options={FELT.map((value) => ({ value, label: FELT_WORD[value] }))}
          chosen={session.rating === null ? [] : FELT.filter((value) => Number(value) === session.rating)}
          onPress={(value) => void rate({ id: session.id, body: { value: Number(value) } })}
        />
      ) : null}
    </View>
  );
}

function RaceCard({
  race,
  today,
  ready,
  id,
}: {
  readonly race: MyRace;
  readonly today: string;
  readonly ready: readonly ReadyItem[];
  readonly id: string;
}) {
  const router = useRouter();
  const missing = ready.filter((item) => item.state !== 'done');
  const gap = race.outlook?.kind === 'gap' ? race.outlook.gap : null;
  return (
    <Card
      title={race.event}
      aside={<Text variant="labelMedium">{`${dayWord(race.raceOn)}, ${distanceInDays(today, race.raceOn)}`}</Text>}
    >
      {gap && race.targetS ? (
        <>
          <Text variant="titleLarge" style={styles.figures}>
            {`${formatTime(gap.todayS)} today, ${formatTime(race.targetS)} target`}
          </Text>
          <Text>{`${VERDICT_WORD[gap.verdict]}, a chance of ${chanceWord(gap.chance)}.`}</Text>
        </>
      ) : race.outlook?.kind === 'none' ? (
        <Text>{noOutlookWords(race.outlook.reason)}</Text>
      ) : null}
      {missing.length > 0 ? (
        <View style={styles.top}>
          <Text variant="labelMedium">Before the race</Text>
          {missing.map((item) => (
            <Text key={item.id} variant="bodySmall">{`${sentenceCase(item.text)}, by ${dayWord(item.by)}`}</Text>
          ))}
        </View>
      ) : null}
      <View style={[styles.row, styles.top]}>
        <Button mode="outlined" onPress={() => router.navigate(`/swimmers/${id}/race` as Href)}>
          The plan
        </Button>
        {race.courseId ? (
          <Button mode="outlined" onPress={() => router.navigate(`/water/${race.courseId}/card?swimmer=${id}` as Href)}>
            Race card
          </Button>
        ) : null}
      </View>
    </Card>
  );
}

function Focus({ focusId }: { readonly focusId: string }) {
  const { data: page, error, refetch } = useHandoutQuery(focusId);
  return (
    <Card title="The one thing">
      {page ? (
        <HandoutPage page={page} narrow />
      ) : error ? (
        <Failure error={error} retry={() => void refetch()} />
      ) : (
        <Loading label="Opening the one thing" />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
  top: { marginTop: 8 },
  session: { paddingVertical: 8, borderBottomWidth: 1 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
});
