/** The deck clock: a session run with one hand. */
import { HiddenGuests } from '@/sessions';
import { endS, runSetup, type BreathAnswer, type LaneState } from '@upwell/core/deck';
import { setsOf, type SessionPlan } from '@upwell/core/sessions';
import type { DeckPack } from '@upwell/contract/deck';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { lazy, Suspense, useCallback, useEffect, useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Loading, Notice } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { textSize } from '@/ui/theme';
import { useTheme } from '@/ui/useTheme';
import { useTitle } from '@/ui/useTitle';
import { useWide } from '@/ui/useWide';
import { usePackQuery } from '../api';
import { DeckWait } from '../parts/DeckWait';
import { DeckLight } from '../DeckLight';
import { Counting } from '../parts/Counting';
import { FewBreathsAsk } from '../parts/FewBreathsAsk';
import { LaneStrip, type TapMode } from '../parts/LaneStrip';
import { Missing, RunTop } from '../parts/RunTop';
import { Start } from '../parts/Start';
import { Tap } from '../parts/Tap';
import { useRun, type Run } from '../useRun';
import { useAwake } from '@/ui/useAwake';
import { shortNames } from '../words';

const panels = () => import('../parts/panels');
const BeeperPanel = lazy(async () => ({ default: (await panels()).BeeperPanel }));
const FinishPanel = lazy(async () => ({ default: (await panels()).FinishPanel }));
const HeadsPanel = lazy(async () => ({ default: (await panels()).HeadsPanel }));
const LaneSheet = lazy(async () => ({ default: (await panels()).LaneSheet }));
const SwimmerSheet = lazy(async () => ({ default: (await panels()).SwimmerSheet }));

export function RunScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: pack, error, refetch } = usePackQuery(id);
  const run = useRun(id);
  return (
    <DeckLight>
      {pack && run ? (
        <Deck pack={pack} run={run} />
      ) : (
        <DeckWait title="Deck clock" error={pack ? null : error} retry={() => void refetch()} />
      )}
    </DeckLight>
  );
}

const VIEWS = [
  { value: 'lanes', label: 'Lanes' },
  { value: 'heads', label: 'Heads' },
  { value: 'beeper', label: 'Beeper' },
  { value: 'finish', label: 'Finish' },
] as const;
type View_ = (typeof VIEWS)[number]['value'];

const MODES: readonly { readonly value: TapMode; readonly label: string }[] = [
  { value: 'wall', label: 'Wall' },
  { value: 'strokes', label: 'Strokes' },
  { value: 'look', label: 'Look' },
];

function Deck({ pack, run }: { readonly pack: DeckPack; readonly run: Run }) {
  const theme = useTheme();
  const wide = useWide();
  const router = useRouter();
  const params = useLocalSearchParams<{ view?: string; swimmer?: string; lane?: string }>();
  const { session } = pack;
  const { plan } = session;
  const { state, note, time } = run;
  const [mode, setMode] = useState<TapMode>('wall');
  const [counting, setCounting] = useState<{ lane: string; swimmer: string } | null>(null);
  const [only, setOnly] = useState<string | null>(null);
  useTitle(`${session.title}, deck clock`);
  // The lanes first; then the rest is fetched, so that it is here when the network is not.
  useEffect(() => void panels(), []);
  useAwake(state.beganMs !== null && state.endedMs === null);

  const [answer, setAnswer] = useState<BreathAnswer>(() => ({ told: false, leftOut: session.breatheFreely ?? [] }));
  // A run that has begun is swum as it was begun.
  const setup = useMemo(
    () => state.setup ?? runSetup(session.title, plan, pack.people, pack.laneCapacity ?? undefined, answer),
    [state.setup, session.title, plan, pack.people, pack.laneCapacity, answer],
  );
  const names = useMemo(() => shortNames(setup.swimmers), [setup.swimmers]);
  const groupOf = (groupId: string) => plan.groups.find((g) => g.id === groupId)?.name ?? '';
  const endMs = state.beganMs === null ? null : state.beganMs + endS({ ...plan, minutes: setup.minutes }) * 1000;
  const view: View_ = VIEWS.find((v) => v.value === params.view)?.value ?? 'lanes';
  const show = useCallback(
    (next: { view?: string; swimmer?: string; lane?: string }) =>
      router.setParams({ view: undefined, swimmer: undefined, lane: undefined, ...next } as never),
    [router],
  );

  const begin = () => void note({ kind: 'begin', setup });
  const go = (lane: LaneState, monoMs: number) => {
    const passage = lane.passages[lane.index];
    note({ kind: 'go', lane: lane.id, index: passage?.goMs == null ? lane.index : lane.index + 1 }, monoMs);
  };
  const onSwimmer = useCallback(
    (lane: string, swimmer: string, monoMs: number) => {
      if (mode === 'wall') note({ kind: 'wall', lane, swimmer }, monoMs);
      else if (mode === 'strokes') setCounting({ lane, swimmer });
      else show({ view: 'lanes', swimmer });
    },
    [mode, note, show],
  );

  const laneShown = state.lanes.find((l) => l.id === params.lane);
  const swimmerLane = state.lanes.find((l) => l.swimmers.includes(params.swimmer ?? ''));
  const lanes = state.lanes.filter((l) => only === null || l.id === only);
  const lastIgnored = state.ignored.at(-1);
  const doubt = time.doubts.at(-1);
  return (
    <View style={[styles.page, { backgroundColor: theme.colors.background }]} role="main">
      <RunTop
        title={session.title}
        state={state}
        time={time}
        endMs={endMs}
        zone={session.timeZone}
        onBack={() => (params.lane || params.swimmer ? show({}) : router.navigate(`/deck/${session.id}` as Href))}
        onWaiting={() => router.navigate('/waiting' as Href)}
      />
      <Missing state={state} time={time} names={names} />
      {state.beganMs === null ? (
        <Start setup={setup} groupOf={groupOf} names={names} onBegin={begin}>
          <HiddenGuests tonight={session.tonight} people={pack.people} />
          <FewBreathsAsk plan={plan} people={pack.people} answer={answer} onAnswer={setAnswer} />
        </Start>
      ) : (
        <>
          <View style={styles.tabs}>
            <Tabs label="Parts of the deck clock" tabs={VIEWS} chosen={view} onChoose={(v) => show({ view: v })} />
          </View>
          <ScrollView style={styles.page} contentContainerStyle={styles.grow}>
            {doubt ? (
              <View style={styles.pad}>
                <Notice
                  tone="error"
                  action={
                    <View style={styles.row}>
                      <Button mode="outlined" onPress={() => time.wasAsleep()}>
                        The device was asleep
                      </Button>
                      <Button mode="outlined" onPress={() => time.wasSet()}>
                        The clock was changed
                      </Button>
                    </View>
                  }
                >
                  {`This device's clock jumped by ${Math.round(doubt.seconds)} s. The deck clock kept its own time.`}
                </Notice>
              </View>
            ) : null}
            <Suspense fallback={<Loading label="Opening" />}>
              {view === 'heads' ? <HeadsPanel state={state} zone={session.timeZone} names={names} note={note} /> : null}
              {view === 'beeper' ? <BeeperPanel suggested={rateOf(plan)} people={pack.people} /> : null}
              {view === 'finish' && endMs !== null ? <FinishPanel run={run} session={session} endMs={endMs} /> : null}
              {view === 'lanes' && laneShown ? (
                <LaneSheet
                  lane={laneShown}
                  group={groupOf(laneShown.groupId)}
                  theme={plan.theme}
                  pool={plan.pool}
                  run={run}
                />
              ) : null}
              {view === 'lanes' && !laneShown && swimmerLane ? (
                <SwimmerSheet
                  swimmer={params.swimmer!}
                  name={setup.swimmers.find((s) => s.id === params.swimmer)?.name ?? '?'}
                  lane={swimmerLane}
                  state={state}
                  names={names}
                  focus={pack.focuses.find((f) => f.swimmerId === params.swimmer)}
                  note={note}
                  onDone={() => show({})}
                />
              ) : null}
            </Suspense>
            {view === 'lanes' && !laneShown && !swimmerLane ? (
              <View style={wide ? styles.columns : undefined}>
                {!wide && state.lanes.length > 3 ? (
                  <View style={styles.pad}>
                    <Choice
                      label="Lanes shown"
                      options={[
                        { value: 'all', label: 'All' },
                        ...state.lanes.map((l) => ({ value: l.id, label: String(l.number) })),
                      ]}
                      chosen={[only ?? 'all']}
                      onPress={(value) => setOnly(value === 'all' ? null : value)}
                    />
                  </View>
                ) : null}
                {lanes.map((lane) => (
                  <View key={lane.id} style={wide ? styles.column : undefined}>
                    <LaneStrip
                      lane={lane}
                      group={groupOf(lane.groupId)}
                      state={state}
                      time={time}
                      pool={plan.pool}
                      names={names}
                      mode={mode}
                      onGo={go}
                      onSwimmer={onSwimmer}
                      onLane={(l) => show({ lane: l.id })}
                    />
                  </View>
                ))}
              </View>
            ) : null}
          </ScrollView>
          {view === 'lanes' && !laneShown && !swimmerLane ? (
            <View style={[styles.footer, { borderTopColor: theme.colors.onBackground }]}>
              {counting ? (
                <Counting
                  run={run}
                  counting={counting}
                  name={names.get(counting.swimmer) ?? '?'}
                  onDone={() => setCounting(null)}
                />
              ) : (
                <>
                  {lastIgnored && state.lastId === lastIgnored.event ? (
                    <Text variant="labelMedium" role="status" style={styles.ignored}>
                      {`${names.get(lastIgnored.swimmer) ?? '?'}: ${IGNORED_WORD[lastIgnored.why]}`}
                    </Text>
                  ) : null}
                  <View style={styles.modes} role="radiogroup" aria-label="What a tap on a swimmer does">
                    <Tap
                      label="Undo the last"
                      disabled={state.lastId === null}
                      style={styles.mode}
                      onTap={() => state.lastId && note({ kind: 'void', of: state.lastId })}
                    >
                      <Text style={styles.modeWord}>Undo</Text>
                    </Tap>
                    {MODES.map(({ value, label }) => (
                      <Tap
                        key={value}
                        label={`Taps: ${label}`}
                        style={[
                          styles.mode,
                          { backgroundColor: mode === value ? theme.colors.primary : 'transparent' },
                        ]}
                        onTap={() => setMode(value)}
                      >
                        <Text
                          style={[
                            styles.modeWord,
                            { color: mode === value ? theme.colors.onPrimary : theme.colors.onBackground },
                          ]}
                        >
                          {label}
                        </Text>
                      </Tap>
                    ))}
                  </View>
                </>
              )}
            </View>
          ) : null}
        </>
      )}
    </View>
  );
}

/** The first stroke rate that the session asks for. */
function rateOf(plan: SessionPlan): number | null {
  const sets = plan.groups.flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items)));
  return sets.find(({ set }) => set.strokeRateSpm !== null)?.set.strokeRateSpm ?? null;
}

const IGNORED_WORD = {
  double: 'tapped twice, counted once',
  'too early': 'too early for this swim, not counted',
  'not in this lane': 'does not swim this set in this lane: move them under Look',
  'nothing to time': 'nothing to time yet: press Go first',
} as const;

const bold = { fontFamily: 'Atkinson Bold' } as const;
const styles = StyleSheet.create({
  page: { flex: 1 },
  grow: { flexGrow: 1, paddingBottom: 24 },
  tabs: { paddingHorizontal: 16 },
  pad: { paddingHorizontal: 16 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  columns: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'stretch' },
  column: { flexGrow: 1, flexBasis: 290, maxWidth: 640 },
  footer: { borderTopWidth: 2 },
  ignored: { textAlign: 'center', paddingTop: 6 },
  modes: { flexDirection: 'row' },
  mode: { flex: 1, minHeight: 64, alignItems: 'center', justifyContent: 'center' },
  modeWord: { ...bold, fontSize: textSize(18), lineHeight: textSize(24) },
});
