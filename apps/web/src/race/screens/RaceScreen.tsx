/** A swimmer's race plan: how far it is, the weeks that train it, and what must be there by when. */
import type { RacePlanView } from '@upwell/contract/race';
import type { RaceFacts } from '@upwell/core/race';
import { dayWord } from '@upwell/core/words';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { memo, useCallback } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { ways } from '@/state/history';
import { useAppStore } from '@/state/hooks';
import { distanceInDays } from '@/ui/dates';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { Tabs } from '@/ui/Tabs';
import { SaveProblem } from '@/ui/SaveProblem';
import { UndoButtons } from '@/ui/UndoButtons';
import { useRacePlanQuery, useSaveRacePlanMutation } from '../api';
import { GapPane } from '../parts/GapPane';
import { ReadyPane } from '../parts/ReadyPane';
import { WeeksPane } from '../parts/WeeksPane';
import { raceKey, redone, undone, type RaceDraft } from '../raceDraft';
import { useRace } from '../useRace';

const VIEWS = [
  { value: 'gap', label: 'The gap' },
  { value: 'weeks', label: 'The weeks' },
  { value: 'ready', label: 'Ready?' },
] as const;
type RaceView = (typeof VIEWS)[number]['value'];

export function RaceScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: view, error, refetch } = useRacePlanQuery(id);
  const router = useRouter();
  if (view?.facts) return <Way view={view} facts={view.facts} />;
  return (
    <Screen title="Toward the race" back={`/swimmers/${id}`}>
      {view ? (
        <Empty
          title="No goal yet"
          action={
            <Button mode="contained" onPress={() => router.navigate(`/swimmers/${id}/edit` as Href)}>
              Set a goal
            </Button>
          }
        >
          {`What is ${view.name} training for? Enter a race, a date and a time, and Upwell works out the gap and the weeks.`}
        </Empty>
      ) : error ? (
        <Failure error={error} retry={() => void refetch()} />
      ) : (
        <Loading label="Working out the race" />
      )}
    </Screen>
  );
}

function Way({ view, facts }: { readonly view: RacePlanView; readonly facts: RaceFacts }) {
  const id = view.swimmerId;
  const { view: asked } = useLocalSearchParams<{ view?: string }>();
  const shown: RaceView = VIEWS.find((v) => v.value === asked)?.value ?? 'gap';
  const race = useRace(view, facts);
  const { data: me } = useMeQuery();
  const coach = me?.role !== 'swimmer';
  const [save, { error, isLoading }] = useSaveRacePlanMutation();
  const { change, drop } = race;
  const undo = useCallback(() => change(undone), [change]);
  const redo = useCallback(() => change(redone), [change]);
  const store = useAppStore();
  const keep = useCallback(
    async (over?: number) => {
      const draft = store.getState().drafts[raceKey(id)] as RaceDraft | undefined;
      if (!draft) return;
      const { choices, version, writeId } = draft;
      const answer = await save({ id, body: { choices, version: over ?? version, writeId } });
      if (!('error' in answer && answer.error)) drop();
    },
    [store, id, save, drop],
  );
  const part = { race, facts, coach };
  const where = facts.place === 'pool' ? 'in the pool' : 'in open water';
  return (
    <Screen
      title={facts.event}
      over={view.name}
      under={`${facts.distanceM} m ${where}, ${dayWord(facts.raceOn)}, ${distanceInDays(race.today, facts.raceOn)}`}
      back={`/swimmers/${id}`}
      footer={
        coach && (race.changed || race.draft.future.length > 0) ? (
          <Footer {...ways(race.draft)} saving={isLoading} changed={race.changed} undo={undo} redo={redo} keep={keep} />
        ) : null
      }
    >
      <SaveProblem<RacePlanView>
        error={error}
        name={({ name }) => `the race plan of ${name}`}
        keepMine={({ version }) => void keep(version)}
        takeTheirs={drop}
      />
      <Views pool={facts.place === 'pool'} shown={shown} />
      {shown === 'gap' ? <GapPane {...part} /> : shown === 'weeks' ? <WeeksPane {...part} /> : <ReadyPane {...part} />}
    </Screen>
  );
}

const POOL_VIEWS = VIEWS.filter((v) => v.value !== 'ready');

const Views = memo(function Views({ pool, shown }: { readonly pool: boolean; readonly shown: RaceView }) {
  const router = useRouter();
  return (
    <Tabs
      label="Toward the race"
      tabs={pool ? POOL_VIEWS : VIEWS}
      chosen={shown}
      onChoose={(value) => router.setParams({ view: value })}
    />
  );
});

interface FooterProps {
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly saving: boolean;
  readonly changed: boolean;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly keep: () => Promise<void>;
}

/** Redrawn only when something in it changes: a slider that is dragged must not wait for it. */
const Footer = memo(function Footer({ saving, changed, keep, ...steps }: FooterProps) {
  return (
    <View style={styles.row}>
      <UndoButtons {...steps} />
      <Button
        mode="contained"
        icon="check"
        disabled={saving || !changed}
        style={styles.flex}
        onPress={() => void keep()}
      >
        {saving ? 'Saving…' : 'Keep it'}
      </Button>
    </View>
  );
});

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 4, alignItems: 'center' },
  flex: { flex: 1 },
});
