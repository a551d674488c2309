/** A time trial of a whole squad: one watch, a touch for each swimmer, and every test stored at once. */
import { useLocalSearchParams } from 'expo-router';
import { useDeckTime } from '@/deck';
import { useTodayQuery } from '@/due';
import { useToday } from '@/state/hooks';
import { useSquadsQuery } from '@/swimmers';
import { Screen } from '@/ui/Screen';
import { Failure, Loading } from '@/ui/States';
import { Together } from '../parts/Together';
import { WhichSquad } from '../parts/WhichSquad';

export function SquadTestScreen() {
  const { squad } = useLocalSearchParams<{ squad?: string }>();
  const today = useToday();
  const { data, error, refetch } = useTodayQuery(today);
  const { data: squads } = useSquadsQuery();
  const time = useDeckTime(`squad-test:${squad}`);
  if (!data || !time) {
    return (
      <Screen title="Test of a squad" back="/deck">
        {error && !data ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the test" />}
      </Screen>
    );
  }
  if (squad === undefined) return <WhichSquad due={data.tests.map((test) => test.squadId)} />;
  const due = data.tests.filter((t) => t.squadId === squad);
  const name = squads?.find((s) => s.id === squad)?.name ?? '';
  return <Together key={squad} squadId={squad} name={name} due={due} time={time} heldOn={today} />;
}
