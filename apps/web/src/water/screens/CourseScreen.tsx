// A course leg by leg: bearing, aim, side to breathe and how often to look.
import { dayIn } from '@upwell/core/days';
import { lookInterval } from '@upwell/core/measures';
import { DEFAULT_LOOK } from '@upwell/core/sessions';
import { abeamTurn, abeamWords, CARD_CYCLE } from '@upwell/core/water';
import type { CourseView } from '@upwell/contract/water';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Button, IconButton, ProgressBar, Text } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { newWish } from '@/sessions';
import { keepDraft } from '@/state/drafts';
import { useAppDispatch } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { saveFrom } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useRoomy } from '@/ui/useRoomy';
import { useWide } from '@/ui/useWide';
import { useCourseQuery } from '@/courses';
import { ConditionsCard } from '../parts/ConditionsCard';
import { CourseMap } from '../parts/CourseMap';
import { CourseRemoved, RemoveCourse } from '../parts/CourseRemoval';
import { EdgeSigns } from '../parts/EdgeSigns';
import { IntervalCurve } from '../parts/IntervalCurve';
import { WaterView } from '../parts/WaterView';
import { WhoSwims } from '../parts/WhoSwims';
import { useCourseDay } from '../useCourseDay';
import { useBundle, useSweep } from '../useSweep';
import { costWords, timeWord, totalWord } from '../parts/courseWords';
import { CourseList } from '../parts/CourseList';
import { Fact } from '../parts/CourseFact';
import { NearReading } from '../parts/NearReading';
import { numberWord } from '@upwell/core/words';

export function CourseScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: course, error, refetch } = useCourseQuery(id);
  if (course) return <Sheet key={course.version} view={course} />;
  return (
    <Screen title="Course" back="/water">
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the course" />}
    </Screen>
  );
}

/** The course sheet: one leg at a time, with where to aim, how often to look, which side, and what it costs. */
function Sheet({ view }: { readonly view: CourseView }) {
  const { course } = view;
  const theme = useTheme();
  const wide = useWide();
  const roomy = useRoomy();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const params = useLocalSearchParams<{ leg?: string; every?: string }>();
  const { water, who, setWho, legs, metres, outside, plans } = useCourseDay(view);
  const at = Math.min(legs.length, Math.max(1, Number(params.leg) || 1)) - 1;
  const leg = legs[at]!;
  const plan = plans?.[at] ?? null;
  const guessed = outside?.swimmer.driftGuessed ?? false;
  const { swept, stopped, stop } = useSweep(plan?.swim ?? null);
  const asGood = swept?.sweep.nearOptimal ?? plan?.closed.nearOptimal ?? null;
  const best = lookInterval({ cycle: CARD_CYCLE, asGood, usual: DEFAULT_LOOK.hold }).every;
  const interval = Math.min(20, Math.max(2, Number(params.every) || best));
  const bundle = useBundle(plan?.swim ?? null, interval);
  const go = (next: { leg?: number; every?: number | undefined }) =>
    router.setParams({
      ...(next.leg === undefined ? {} : { leg: String(next.leg), every: undefined }),
      ...(next.every === undefined ? {} : { every: String(next.every) }),
    } as never);

  const swimOut = () => {
    const loopM = Math.round(metres / course.laps);
    const wish = {
      ...newWish(dayIn(view.timeZone, Date.now()), 'm'),
      place: 'open-water' as const,
      courseId: view.id,
      loopM,
    };
    dispatch(keepDraft({ key: 'session:new', value: wish }));
    router.navigate('/sessions/new' as Href);
  };

  const map = (
    <CourseMap
      name={view.name}
      course={course}
      height={wide ? 560 : 300}
      leg={leg.key}
      bundle={bundle}
      aim={plan?.aims[0]?.landmark ?? null}
      fitKey={`${view.id}:${leg.key}`}
      signs={<EdgeSigns water={water.leg.water} sun={plan?.sun ?? null} />}
    />
  );
  return (
    <Screen
      title={view.name}
      over={[view.place, `${numberWord(Math.round(metres))} m`, totalWord(plans)].filter(Boolean).join(' · ')}
      back="/water"
      actions={
        <>
          {me?.role === 'swimmer' ? null : (
            <Button mode="outlined" onPress={swimOut}>
              Plan a swim-out
            </Button>
          )}
          <Button mode="outlined" onPress={() => router.navigate(`/water/${view.id}/card` as Href)}>
            Race card
          </Button>
          <Button mode="outlined" onPress={() => router.navigate(`/water/${view.id}/tracks` as Href)}>
            Swum here
          </Button>
          {me?.role === 'swimmer' ? null : (
            <Button mode="contained" onPress={() => router.navigate(`/water/${view.id}/day` as Href)}>
              Go or not?
            </Button>
          )}
          {me?.role === 'swimmer' ? null : (
            <Button mode="outlined" icon="pencil" onPress={() => router.navigate(`/water/${view.id}/edit` as Href)}>
              Change
            </Button>
          )}
        </>
      }
    >
      <CourseRemoved course={view} />
      <View style={wide ? styles.columns : undefined}>
        {roomy ? <CourseList open={view.id} legs={legs} at={at} onLeg={(leg) => go({ leg: leg + 1 })} /> : null}
        <View style={wide ? [styles.wideMap, STICKY] : undefined}>
          <View style={styles.legRow}>
            <IconButton
              icon="chevron-left"
              accessibilityLabel="The leg before"
              disabled={at === 0}
              onPress={() => go({ leg: at })}
            />
            <View style={styles.flex}>
              <Text variant="titleLarge" role="heading" aria-level={2}>{`${leg.from.name} to ${leg.to.name}`}</Text>
              <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
                {`Leg ${at + 1} of ${legs.length} · bearing ${Math.round(leg.bearingDeg)}°${leg.abeam ? ' · no buoy' : leg.turn ? ` · mark at the ${leg.turn} shoulder` : ''}`}
              </Text>
            </View>
            <Text style={styles.big}>{`${Math.round(leg.lengthM)} m`}</Text>
            <IconButton
              icon="chevron-right"
              accessibilityLabel="The leg after"
              disabled={at === legs.length - 1}
              onPress={() => go({ leg: at + 2 })}
            />
          </View>
          {map}
        </View>
        <View style={wide ? styles.flex : styles.below}>
          <WhoSwims who={who} name={outside?.name ?? ''} onChoose={setWho} />
          <ConditionsCard zone={view.timeZone} water={water} />
          {water.near ? (
            <NearReading
              near={water.near}
              onTake={me?.role === 'swimmer' ? null : () => water.takeOver(water.near!.read)}
            />
          ) : null}
          {plan && guessed ? (
            <Notice
              action={
                <Button mode="outlined" onPress={() => router.navigate(`/water/${view.id}/tracks` as Href)}>
                  Import a track
                </Button>
              }
            >
              {
                'How often to look is a guess for the level: nobody knows yet how far this swimmer drifts. Ten strokes with closed eyes, four times, or a swum track replace it.'
              }
            </Notice>
          ) : null}
          {outside && outside.swimmer.guesses.length > 0 ? (
            <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
              {`Guessed: ${outside.swimmer.guesses.join('; ')}.`}
            </Text>
          ) : null}
          {!plan ? <Loading label="Loading the swimmer" /> : null}
          {plan?.impossible ? <Notice tone="error">{plan.impossible}</Notice> : null}
          {plan && !plan.impossible ? (
            <>
              <View style={styles.lookRow}>
                <Text variant="titleLarge" style={styles.flex}>
                  {`Look every ${interval} strokes${guessed ? ', a guess' : ''}`}
                </Text>
                <Text style={styles.big}>
                  {timeWord(plan, swept?.sweep.results.find((r) => r.interval === interval)?.meanTimeS, interval)}
                </Text>
              </View>
              {swept ? (
                <IntervalCurve
                  sweep={swept.sweep}
                  interval={interval}
                  words={`every ${interval} strokes`}
                  onChange={(every) => go({ every })}
                />
              ) : (
                <Loading label="Swimming the leg" />
              )}
              <Text>{costWords(plan, swept?.sweep ?? null, interval)}</Text>
              {swept && swept.share < 1 ? (
                <View style={styles.progress}>
                  <View style={styles.bar}>
                    <ProgressBar progress={swept.share} accessibilityLabel="Swimming the leg" />
                  </View>
                  {stopped ? (
                    <Text variant="bodySmall">Stopped: the numbers are rough.</Text>
                  ) : (
                    <Button compact onPress={stop}>
                      Stop
                    </Button>
                  )}
                </View>
              ) : null}
              <View style={styles.cards}>
                <Fact
                  title="Breathe"
                  word={plan.side.side === 'either' ? 'both sides' : plan.side.side}
                  lines={[...plan.side.reasons, ...plan.side.against.map((a) => `Against it: ${a}`)]}
                />
                <Fact
                  title="Hold"
                  word={`${Math.round(plan.holdDeg ?? leg.bearingDeg)}°`}
                  lines={[
                    plan.holdDeg === null
                      ? 'No current: the line itself.'
                      : `${numberWord(plan.crossing!.headingDeg)}° up-current; ${numberWord(plan.crossing!.groundMps, 2)} m/s over ground.`,
                  ]}
                />
                <Fact
                  title="Rate"
                  word={String(plan.rateSpm)}
                  lines={[`strokes a minute, ${numberWord(plan.swim!.strokeLengthM, 2)} m each`, ...plan.chop.words]}
                />
              </View>
              {outside!.breathes !== 'both' && plan.side.side !== 'either' && outside!.breathes !== plan.side.side ? (
                <Notice
                  action={
                    <Button mode="outlined" onPress={() => router.navigate(`/swimmers/${outside!.id!}/review` as Href)}>
                      Make it a focus
                    </Button>
                  }
                >
                  {`${outside!.name} breathes ${outside!.breathes} only. This leg calls for ${plan.side.side}: train it before race day.`}
                </Notice>
              ) : null}
              <Card title="Seen from the water">
                <WaterView plan={plan} waveHeightM={water.leg.water.waveHeightM} />
                {leg.abeam ? (
                  <Text style={styles.aim}>
                    {abeamWords(
                      abeamTurn(leg)!,
                      swept?.sweep.results.find((r) => r.interval === interval)?.meanTimeS ??
                        leg.lengthM / outside!.swimmer.speedMps,
                    )}
                  </Text>
                ) : null}
                <Text style={styles.aim}>
                  {plan.aims[0]
                    ? `Aim at ${plan.aims[0].words}.`
                    : leg.abeam
                      ? 'There is nothing fixed and large ahead: keep the shore at the same distance.'
                      : 'There is nothing fixed and large behind the mark: aim at the mark itself. The number above already counts the looks that miss it.'}
                </Text>
                {plan.mixedUp ? <Notice>{plan.mixedUp}</Notice> : null}
                {plan.aims.slice(0, 3).map((a) => (
                  <Text key={a.landmark.id} variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
                    {`${a.landmark.name}: ${a.reasons.join(', ')}.`}
                  </Text>
                ))}
              </Card>
            </>
          ) : null}
          <View style={styles.files}>
            <Text variant="bodySmall" style={styles.flex}>
              The course as a file:
            </Text>
            <Button compact onPress={() => saveFrom(`/api/v1/courses/${view.id}/export/gpx`)}>
              GPX
            </Button>
            <Button compact onPress={() => saveFrom(`/api/v1/courses/${view.id}/export/geojson`)}>
              GeoJSON
            </Button>
            {me?.role === 'swimmer' ? null : <RemoveCourse course={view} />}
          </View>
        </View>
      </View>
    </Screen>
  );
}

/** On a wide screen the map stays in sight while the numbers scroll (a web-only position). */
const STICKY = { position: 'sticky', top: 0 } as unknown as ViewStyle;

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  wideMap: { flex: 1.25 },
  flex: { flex: 1 },
  below: { marginTop: 8 },
  legRow: { flexDirection: 'row', alignItems: 'center', gap: 2, marginBottom: 6, marginHorizontal: -10 },
  lookRow: { flexDirection: 'row', alignItems: 'center', gap: 8, marginTop: 8 },
  big: { fontFamily: 'Atkinson Bold', fontSize: 26, lineHeight: 32, fontVariant: ['tabular-nums'] },
  progress: { flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 40 },
  bar: { width: 160 },
  cards: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 12 },
  aim: { marginTop: 8 },
  files: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8, marginTop: 12 },
});
