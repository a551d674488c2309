import type { SessionProposal } from '@upwell/contract/sessions';
import type { PoolTime, Squad } from '@upwell/contract/swimmers';
import { CAUSE_IDS, CAUSES, STAGES } from '@upwell/core/review';
import { CAUTION } from '@upwell/core/safety';
import {
  BLOCK_KINDS,
  BLOCK_NAME,
  groupLengths,
  SESSION_KINDS,
  WEEK_KINDS,
  type BlockKind,
  type SessionPlan,
} from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';
import { poolDistance } from '@upwell/core/units';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button, ProgressBar, SegmentedButtons, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { sentence } from '@/api/problem';
import { useDraft } from '@/state/hooks';
import { useSquadsQuery } from '@/swimmers/api';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { addDays, dayOf, dayWord, movedTime, nextWeekday } from '@/ui/dates';
import { Disclosure } from '@/ui/Disclosure';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import { useWide } from '@/ui/useWide';
import { compute } from '@/worker/compute';
import { useProposalQuery, useSaveSessionMutation } from '../api';
import { LevelSheet } from '../parts/LevelSheet';
import { PlanTruth } from '../parts/PlanTruth';
import { useBuilt } from '../useBuilt';
import { newWish, POOLS, poolOf, requestOf, type PoolChoice, type Wish } from '../wish';

const KIND_WORD = { aerobic: 'Steady', technique: 'Technique', speed: 'With speed' } as const;

/** Choose who comes and what for; the session builds itself beside it. */
export function NewSessionScreen() {
  const router = useRouter();
  const wide = useWide();
  const [first] = useState(() => newWish(new Date()));
  const [wish, setWish, dropWish] = useDraft<Wish>('session:new', first);
  const { data: squads } = useSquadsQuery();
  const {
    data: proposal,
    error: proposalError,
    refetch,
  } = useProposalQuery({ squadIds: wish.squadIds, date: wish.date });
  const [save, { error, isLoading }] = useSaveSessionMutation();

  const request = proposal ? requestOf(wish, proposal) : null;
  const { result, building } = useBuilt(request === null || typeof request === 'string' ? null : request);
  const plan = result?.kind === 'built' ? result.plan : null;
  const change = (patch: Partial<Wish>) => setWish((now) => ({ ...now, ...patch }));

  // The next seed whose session differs from the one shown.
  const another = async (): Promise<void> => {
    if (!plan || typeof request === 'string' || request === null) return;
    const next = await compute().anotherSession(request, plan);
    if (next.kind === 'built') change({ seed: next.plan.seed });
  };

  const store = async (kept: SessionPlan): Promise<void> => {
    const squadIds =
      wish.squadIds.length > 0 ? wish.squadIds : (squads ?? []).filter((s) => !s.archived).map((s) => s.id);
    const answer = await save({
      id: wish.id,
      body: {
        title: CAUSES[kept.theme].cue.replace(/\.$/, ''),
        date: wish.date,
        startTime: wish.startTime,
        squadIds,
        template: false,
        seriesId: null,
        plan: kept,
        done: null,
        version: 0,
        writeId: wish.writeId,
      },
    });
    if ('error' in answer && answer.error) return;
    dropWish();
    router.replace(`/sessions/${wish.id}` as Href);
  };

  const sheet = (
    <View>
      {proposalError ? <Failure error={proposalError} retry={() => void refetch()} /> : null}
      {!proposal && !proposalError ? <Loading label="Looking at who comes" /> : null}
      <View style={styles.progress}>
        {building ? <ProgressBar indeterminate aria-label="Building the session" /> : null}
      </View>
      {typeof request === 'string' ? <Empty title="Not yet">{request}</Empty> : null}
      {result?.kind === 'clash' && !building
        ? result.clashes.map((clash) => (
            <Notice key={clash.message} tone="error">
              {`${clash.message}${clash.changes.length > 0 ? ` What would help: ${clash.changes.join(' Or: ')}` : ''}`}
            </Notice>
          ))
        : null}
      {plan ? (
        <>
          <LevelSheet plan={plan} selected={null} onSelect={() => undefined} />
          <Locks plan={plan} wish={wish} change={change} />
          <PlanTruth plan={plan} startTime={wish.startTime} notes={result?.kind === 'built' ? result.notes : []} />
        </>
      ) : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
    </View>
  );

  return (
    <Screen
      title="Build a session"
      back="/sessions"
      footer={
        <View style={styles.row}>
          <Button mode="outlined" icon="dice-multiple" disabled={!plan} onPress={() => void another()}>
            Another one
          </Button>
          <Button
            mode="contained"
            icon="check"
            disabled={!plan || building || isLoading}
            onPress={() => plan && void store(plan)}
            style={styles.flex}
            contentStyle={styles.tall}
          >
            {isLoading ? 'Saving…' : 'Keep it'}
          </Button>
        </View>
      }
    >
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.ask : undefined}>
          <ThemeCard wish={wish} proposal={proposal} change={change} />
          {wide ? null : sheet}
          <Card title="Who comes">
            <Choice
              label="Squads"
              options={[
                { value: '', label: 'Everybody I coach' },
                ...(squads ?? [])
                  .filter((s) => !s.archived)
                  .map((s) => ({ value: s.id, label: `${s.name} (${s.swimmers})` })),
              ]}
              chosen={wish.squadIds.length > 0 ? wish.squadIds : ['']}
              onPress={(id) =>
                change({
                  squadIds:
                    id === ''
                      ? []
                      : wish.squadIds.includes(id)
                        ? wish.squadIds.filter((s) => s !== id)
                        : [...wish.squadIds, id],
                  leftOut: [],
                  locked: {},
                  lengths: {},
                })
              }
            />
            <Choice
              label="Levels"
              options={(proposal?.groups ?? []).map((g) => ({ value: g.level, label: `${g.name} (${g.swimmers})` }))}
              chosen={(proposal?.groups ?? []).map((g) => g.level).filter((l) => !wish.leftOut.includes(l))}
              onPress={(level) =>
                change({
                  leftOut: wish.leftOut.includes(level)
                    ? wish.leftOut.filter((l) => l !== level)
                    : [...wish.leftOut, level],
                })
              }
            />
            <Distances plan={plan} wish={wish} change={change} />
          </Card>
          <TimeAndPoolCard wish={wish} change={change} times={timesOf(wish, squads ?? [])} />
        </View>
        {wide ? <View style={styles.sheet}>{sheet}</View> : null}
      </View>
    </Screen>
  );
}

interface PartProps {
  readonly wish: Wish;
  readonly change: (patch: Partial<Wish>) => void;
}

function ThemeCard({ wish, proposal, change }: PartProps & { readonly proposal: SessionProposal | undefined }) {
  const [all, setAll] = useState(false);
  const [search, setSearch] = useState('');
  const themes = proposal?.themes.slice(0, 5) ?? [];
  const theme = wish.theme ?? themes[0]?.cause ?? null;
  const wanted = search.trim().toLowerCase();
  const shown = CAUSE_IDS.filter((id) => `${CAUSES[id].name} ${CAUSES[id].stage}`.includes(wanted));
  return (
    <Card
      title="Theme"
      aside={<Disclosure label={all ? 'Fewer' : 'All themes'} open={all} onPress={() => setAll(!all)} />}
    >
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={styles.scroll}>
        {theme && !themes.some((t) => t.cause === theme) ? (
          <Toggle label={CAUSES[theme].name} on onPress={() => undefined} />
        ) : null}
        {themes.map(({ cause, swimmers }) => (
          <Toggle
            key={cause}
            label={`${CAUSES[cause].name} · ${swimmers} of ${proposal?.swimmers ?? 0}`}
            on={theme === cause}
            onPress={() => change({ theme: cause })}
          />
        ))}
      </ScrollView>
      {theme ? <Text variant="bodySmall">{CAUSES[theme].costs}</Text> : null}
      {all ? (
        <View>
          <Input dense label="Find a theme" value={search} onChangeText={setSearch} style={styles.gap} />
          {STAGES.map((stage) => {
            const here = shown.filter((id) => CAUSES[id].stage === stage);
            return here.length === 0 ? null : (
              <View key={stage} style={styles.gap}>
                <Text variant="labelMedium">{stage}</Text>
                <View style={styles.chips}>
                  {here.map((id) => (
                    <Toggle key={id} label={CAUSES[id].name} on={theme === id} onPress={() => change({ theme: id })} />
                  ))}
                </View>
              </View>
            );
          })}
        </View>
      ) : null}
      <SegmentedButtons
        value={wish.kind}
        onValueChange={(kind) => change({ kind: kind })}
        buttons={SESSION_KINDS.map((value) => ({ value, label: KIND_WORD[value], labelStyle: styles.label }))}
        style={styles.gap}
      />
    </Card>
  );
}

/** The distance a level should swim exactly; without it the builder takes what suits the level. */
function Distances({ plan, wish, change }: PartProps & { readonly plan: SessionPlan | null }) {
  const [open, setOpen] = useState(false);
  if (!plan || wish.place === 'open-water') return null;
  const ask = (level: LevelId, lengths: number | undefined) => {
    const { [level]: _before, ...others } = wish.lengths;
    change({ lengths: lengths === undefined ? others : { ...others, [level]: lengths } });
  };
  return (
    <View>
      <Disclosure label="Ask for a distance" open={open} onPress={() => setOpen(!open)} />
      {open
        ? plan.groups.map((group) => {
            const asked = wish.lengths[group.level];
            const now = asked ?? groupLengths(group);
            return (
              <View key={group.id} style={styles.chips}>
                <Stepper
                  label={`${plan.pool.unit}, ${group.name}`}
                  value={asked === undefined ? 'free' : String(poolDistance(plan.pool, asked))}
                  onLess={now > 4 ? () => ask(group.level, now - 2) : null}
                  onMore={() => ask(group.level, now + 2)}
                />
                {asked === undefined ? null : (
                  <Button compact onPress={() => ask(group.level, undefined)}>
                    Leave it free
                  </Button>
                )}
              </View>
            );
          })
        : null}
    </View>
  );
}

/** Blocks to keep while the rest is solved again. */
function Locks({ plan, wish, change }: PartProps & { readonly plan: SessionPlan }) {
  const kinds = BLOCK_KINDS.filter((kind) => plan.groups.some((g) => g.blocks.some((b) => b.kind === kind)));
  const kept = kinds.filter((kind) => Object.values(wish.locked).some((blocks) => blocks.some((b) => b.kind === kind)));
  const toggle = (kind: BlockKind) =>
    change({
      locked: Object.fromEntries(
        plan.groups.map((group) => {
          const others = (wish.locked[group.level] ?? []).filter((b) => b.kind !== kind);
          const block = group.blocks.find((b) => b.kind === kind);
          return [group.level, kept.includes(kind) || !block ? others : [...others, block]];
        }),
      ),
    });
  return (
    <Choice
      label="Keep as it is for “Another one”"
      options={kinds.map((value) => ({ value, label: BLOCK_NAME[value] }))}
      chosen={kept}
      onPress={toggle}
    />
  );
}

/** The hired water of the chosen squads, the next first. */
function timesOf(
  wish: Wish,
  squads: readonly Squad[],
): (PoolTime & { readonly squad: string; readonly date: string })[] {
  const today = dayOf(new Date());
  return squads
    .filter((s) => !s.archived && (wish.squadIds.length === 0 || wish.squadIds.includes(s.id)))
    .flatMap((s) => s.poolTimes.map((time) => ({ ...time, squad: s.name, date: nextWeekday(today, time.weekday) })))
    .sort((a, b) => `${a.date} ${a.startTime}`.localeCompare(`${b.date} ${b.startTime}`))
    .slice(0, 6);
}

function TimeAndPoolCard({ wish, change, times }: PartProps & { readonly times: ReturnType<typeof timesOf> }) {
  const pool = poolOf(wish);
  const today = dayOf(new Date());
  return (
    <Card title="When and where">
      {times.length > 0 ? (
        <Choice
          label="Pool times"
          options={times.map((t) => ({
            value: `${t.squad} ${t.date} ${t.startTime}`,
            label: `${dayWord(t.date)} ${t.startTime}, ${t.squad}`,
          }))}
          chosen={times
            .filter((t) => t.date === wish.date && t.startTime === wish.startTime)
            .map((t) => `${t.squad} ${t.date} ${t.startTime}`)}
          onPress={(value) => {
            const time = times.find((t) => `${t.squad} ${t.date} ${t.startTime}` === value)!;
            const pool = POOLS.find((p) => p === `${time.pool.length} ${time.pool.unit}`);
            change({
              date: time.date,
              startTime: time.startTime,
              minutes: time.minutes,
              place: 'pool',
              ...(pool
                ? { pool }
                : { pool: 'other', otherLength: String(time.pool.length), otherUnit: time.pool.unit }),
            });
          }}
        />
      ) : null}
      <View style={styles.chips}>
        <Stepper
          label={wish.date === today ? 'today' : 'day'}
          value={dayWord(wish.date)}
          onLess={wish.date > today ? () => change({ date: addDays(wish.date, -1) }) : null}
          onMore={() => change({ date: addDays(wish.date, 1) })}
        />
        <Stepper
          label="start"
          value={wish.startTime}
          onLess={() => change({ startTime: movedTime(wish.startTime, -15) })}
          onMore={() => change({ startTime: movedTime(wish.startTime, 15) })}
        />
        <Stepper
          label="minutes"
          value={String(wish.minutes)}
          onLess={wish.minutes > 20 ? () => change({ minutes: wish.minutes - 5 }) : null}
          onMore={wish.minutes < 180 ? () => change({ minutes: wish.minutes + 5 }) : null}
        />
      </View>
      <Choice
        label="Water"
        options={[...POOLS.map((value) => ({ value, label: value })), { value: 'open-water', label: 'open water' }]}
        chosen={[wish.place === 'pool' ? wish.pool : 'open-water']}
        onPress={(value) =>
          change(
            value === 'open-water'
              ? { place: 'open-water', locked: {}, lengths: {} }
              : { place: 'pool', pool: value as PoolChoice, locked: {}, lengths: {} },
          )
        }
      />
      {wish.place === 'open-water' ? (
        <View>
          <Stepper
            label="metres, one loop"
            value={String(wish.loopM)}
            onLess={wish.loopM > 50 ? () => change({ loopM: wish.loopM - 50 }) : null}
            onMore={wish.loopM < 5000 ? () => change({ loopM: wish.loopM + 50 }) : null}
          />
          <Text variant="bodySmall">{CAUTION}</Text>
        </View>
      ) : null}
      <Choice
        label="Week"
        options={WEEK_KINDS.map((value) => ({ value, label: value }))}
        chosen={[wish.week]}
        onPress={(week) => change({ week })}
      />
      {wish.place === 'pool' && wish.pool === 'other' ? (
        <View style={styles.chips}>
          <Input
            dense
            label="Length"
            inputMode="decimal"
            value={wish.otherLength}
            onChangeText={(otherLength) => change({ otherLength })}
            error={typeof pool === 'string'}
          />
          <Choice
            label="Unit"
            options={[
              { value: 'm', label: 'metres' },
              { value: 'yd', label: 'yards' },
            ]}
            chosen={[wish.otherUnit]}
            onPress={(otherUnit) => change({ otherUnit })}
          />
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 10 },
  flex: { flex: 1 },
  tall: { minHeight: 48 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginVertical: 4 },
  scroll: { gap: 8, paddingBottom: 4 },
  label: { fontSize: 14, marginHorizontal: 4 },
  gap: { marginTop: 8 },
  progress: { height: 6 },
  columns: { flexDirection: 'row', gap: 20, alignItems: 'flex-start' },
  ask: { flex: 2, minWidth: 330 },
  sheet: { flex: 3, minWidth: 0 },
});
