// One swimmer: goal, focus, times and what was seen so far.
import type { FocusView, ReviewView } from '@upwell/contract/review';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { bestView } from '@upwell/core/figure';
import { doseWord, drillCard, KIT } from '@upwell/core/library';
import { CAUSES, SIGNS, type SignId } from '@upwell/core/review';
import { HEALTH_ADVICE, LEVEL, STROKE_MODEL } from '@upwell/core/swimmers';
import { formatTime } from '@upwell/core/units';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { lazy, Suspense, type ComponentType } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { FigureView } from '@/figure';
import { Card } from '@/ui/Card';
import { dayOf, dayWord, distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useSwimmerQuery } from '../api';
import { ClipsCard } from '../parts/ClipsCard';
import { Timeline } from '../parts/Timeline';

const ResultChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.ResultChart })));

/** How closely the record is guarded, in words. */
function guarded({ child, birthYear }: Pick<SwimmerPage, 'child' | 'birthYear'>): string | undefined {
  if (!child) return undefined;
  const why = birthYear === null ? 'Age not known, so counted as under 18' : 'Under 18';
  return `${why}: every look at this record is logged`;
}

/** Says how far a swimmer is from their race time; the way to the race lends it to this page. */
type GapLine = ComponentType<{ readonly swimmerId: string }>;

export function SwimmerScreen({ gapLine }: { readonly gapLine: GapLine }) {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const wide = useWide();
  const { data: me } = useMeQuery();
  const { data: swimmer, error, refetch } = useSwimmerQuery(id);
  if (error && !swimmer) {
    return (
      <Screen title="Swimmer" back="/swimmers">
        <Failure error={error} retry={() => void refetch()} />
      </Screen>
    );
  }
  if (!swimmer) return <Loading label="Loading swimmer" />;

  const coach = me?.role !== 'swimmer';
  const open = swimmer.focuses.find((f) => f.outcome === null);
  return (
    <Screen
      title={`${swimmer.givenName} ${swimmer.familyName}`}
      over={[LEVEL[swimmer.level].name, STROKE_MODEL[swimmer.strokeModel].name, swimmer.squadName].join(' · ')}
      under={guarded(swimmer)}
      back="/swimmers"
      actions={
        coach ? (
          <>
            <Button mode="outlined" icon="chart-bar" onPress={() => router.navigate(`/swimmers/${id}/records` as Href)}>
              Records
            </Button>
            <Button mode="outlined" icon="pencil" onPress={() => router.navigate(`/swimmers/${id}/edit` as Href)}>
              Edit
            </Button>
            {open ? (
              <Button mode="outlined" icon="whistle" onPress={() => router.navigate(`/swimmers/${id}/focus` as Href)}>
                On deck
              </Button>
            ) : null}
            <Button mode="contained" icon="eye" onPress={() => router.navigate(`/swimmers/${id}/review` as Href)}>
              {open ? 'Look again' : 'Review the stroke'}
            </Button>
          </>
        ) : (
          <Button mode="outlined" icon="chart-bar" onPress={() => router.navigate(`/swimmers/${id}/records` as Href)}>
            Records
          </Button>
        )
      }
    >
      {swimmer.archived ? <Notice>This swimmer is archived and does not come to sessions.</Notice> : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          <GoalCard swimmer={swimmer} gapLine={gapLine} />
          <FocusCard focus={open} review={swimmer.reviews.find((r) => r.id === open?.reviewId)} />
          {open ? (
            <Button
              mode="outlined"
              style={styles.begin}
              onPress={() => router.navigate(`/swimmers/${id}/handout` as Href)}
            >
              Hand-out for the swimmer
            </Button>
          ) : null}
          <HealthCard swimmer={swimmer} />
        </View>
        <View style={wide ? styles.column : undefined}>
          <TimesCard swimmer={swimmer} />
          <Timeline reviews={swimmer.reviews} focuses={swimmer.focuses} />
          <ClipsCard swimmerId={id} clips={swimmer.clips} coach={coach} />
          {coach ? <WayInCard id={id} name={swimmer.givenName} /> : null}
          {me?.role === 'head' ? <KeptCard id={id} name={swimmer.givenName} /> : null}
        </View>
      </View>
    </Screen>
  );
}

function WayInCard({ id, name }: { readonly id: string; readonly name: string }) {
  const router = useRouter();
  return (
    <Card title={`A way in for ${name}`}>
      <Text>Their week, their focus and their records on their own phone; for a child, on a guardian’s.</Text>
      <Button
        mode="outlined"
        style={styles.way}
        onPress={() => router.navigate(`/account/people?swimmer=${id}` as Href)}
      >
        Invite
      </Button>
    </Card>
  );
}

function KeptCard({ id, name }: { readonly id: string; readonly name: string }) {
  const router = useRouter();
  return (
    <Card title={`What is kept about ${name}`}>
      <Text>Who looked at it, all of it as one file, or gone for good.</Text>
      <Button mode="outlined" style={styles.way} onPress={() => router.navigate(`/swimmers/${id}/person` as Href)}>
        Open
      </Button>
    </Card>
  );
}

function GoalCard({ swimmer, gapLine: Gap }: { readonly swimmer: SwimmerPage; readonly gapLine: GapLine }) {
  const { goal } = swimmer;
  const router = useRouter();
  if (!goal) return null;
  const pace = goal.targetTimeS ? ` · ${formatTime((goal.targetTimeS / goal.distanceM) * 100, 1)} per 100 m` : '';
  return (
    <Card title={goal.event} aside={<Text variant="labelMedium">{distanceInDays(dayOf(new Date()), goal.date)}</Text>}>
      <Text>{`${goal.distanceM} m ${goal.place === 'pool' ? 'in the pool' : 'in open water'} on ${dayWord(goal.date)}`}</Text>
      {goal.targetTimeS ? <Text variant="titleLarge">{`${formatTime(goal.targetTimeS)}${pace}`}</Text> : null}
      <Gap swimmerId={swimmer.id} />
      <Button
        mode="outlined"
        style={styles.way}
        onPress={() => router.navigate(`/swimmers/${swimmer.id}/race` as Href)}
      >
        Toward the race
      </Button>
    </Card>
  );
}

function FocusCard({
  focus,
  review,
}: {
  readonly focus: FocusView | undefined;
  readonly review: ReviewView | undefined;
}) {
  const theme = useTheme();
  if (!focus) {
    return (
      <Card title="The one focus" strong>
        <Text>No focus yet. Look at the stroke and choose one thing to work on.</Text>
      </Card>
    );
  }
  const drill = drillCard(focus.drill);
  const seen = Object.entries(review?.signs ?? {})
    .filter(([, s]) => s !== 'absent')
    .map(([id]) => id as SignId);
  return (
    <Card
      title="The one focus"
      strong
      aside={<Text variant="bodySmall">{`since ${dayWord(focus.since.slice(0, 10))}`}</Text>}
    >
      <Text variant="titleLarge">{CAUSES[focus.cause].name}</Text>
      <Text variant="bodyLarge" style={{ color: theme.colors.primary }}>{`“${focus.cue}”`}</Text>
      <View style={styles.figure}>
        <FigureView
          stroke={review?.stroke ?? 'front-crawl'}
          signs={seen}
          view={bestView(seen)}
          phase={null}
          label={`How it looks: ${seen.map((s) => SIGNS[s].seen).join(', ')}`}
        />
      </View>
      <Text>{`${drill.name}: ${doseWord(drill.dose, focus.tries)}${drill.kit.length > 0 ? ` with ${drill.kit.map((k) => KIT[k]).join(', ')}` : ''}.`}</Text>
      {drill.steps.map((text, i) => (
        <Text key={text} variant="bodySmall">{`${i + 1}. ${text}`}</Text>
      ))}
      {drill.cautions.map((text) => (
        <Text key={text} variant="labelMedium" style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
      <Text
        variant="labelMedium"
        style={styles.top}
      >{`Look again ${dayWord(focus.relookOn)}, ${distanceInDays(dayOf(new Date()), focus.relookOn)}`}</Text>
    </Card>
  );
}

function HealthCard({ swimmer }: { readonly swimmer: SwimmerPage }) {
  const theme = useTheme();
  if (swimmer.healthFlags.length === 0) return null;
  return (
    <Card title="Take care">
      {swimmer.healthFlags.map((flag) => (
        <View key={flag} style={styles.top}>
          <Text variant="labelLarge" style={{ color: theme.colors.error }}>
            {flag}
          </Text>
          <Text variant="bodySmall">{HEALTH_ADVICE[flag]}</Text>
        </View>
      ))}
    </Card>
  );
}

function TimesCard({ swimmer }: { readonly swimmer: SwimmerPage }) {
  const timed = swimmer.results.filter((r) => r.distanceM === 400);
  if (swimmer.bestTimes.length === 0 && timed.length === 0) return null;
  return (
    <Card title="Times">
      <View style={styles.times}>
        {swimmer.bestTimes.map((best) => (
          <View key={best.distanceM}>
            <Text variant="bodySmall">{`${best.distanceM} m`}</Text>
            <Text variant="titleLarge" style={styles.figures}>
              {formatTime(best.timeS, best.timeS < 120 ? 1 : 0)}
            </Text>
          </View>
        ))}
      </View>
      {timed.length >= 2 ? (
        <Suspense fallback={<View style={styles.chart} />}>
          <ResultChart results={timed} />
        </Suspense>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1 },
  figure: { marginVertical: 8, borderRadius: 6, overflow: 'hidden' },
  top: { marginTop: 8 },
  times: { flexDirection: 'row', gap: 28, flexWrap: 'wrap' },
  figures: { fontVariant: ['tabular-nums'] },
  chart: { height: 180 },
  way: { alignSelf: 'flex-start', marginTop: 8 },
  begin: { alignSelf: 'flex-start', marginBottom: 12 },
});
