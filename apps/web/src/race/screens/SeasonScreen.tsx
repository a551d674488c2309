import { clubListAddress } from '@upwell/contract/listAddress';
import { useToday } from '@/state/hooks';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Button } from 'react-native-paper';
import { useSquadsQuery } from '@/swimmers';
import { Choice } from '@/ui/Choice';
import { ListFiles } from '@/ui/ListFiles';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';
import { useSeasonInfiniteQuery } from '../api';
import { PlanAll } from '../parts/PlanAll';
import { Races } from '../parts/SeasonRaces';
import { Grid } from '../parts/SeasonGrid';
import { SquadWeeks } from '../parts/SquadWeeks';

/** Half a year at a glance: races, who swims them, in which phase everybody is, and the water there is for it. */
export function SeasonScreen() {
  const router = useRouter();
  const today = useToday();
  const [squadId, setSquadId] = useState<string | null>(null);
  const { data: squads = [] } = useSquadsQuery();
  const { data, error, refetch, fetchNextPage, hasNextPage, isFetchingNextPage } = useSeasonInfiniteQuery({
    from: today,
    ...(squadId ? { squadId } : {}),
  });
  const first = data?.pages[0];
  // A page that a device kept from before has squads without weeks.
  const planned = first?.squads.filter((squad) => squad.weeks) ?? [];
  const rows = data?.pages.flatMap((page) => page.rows) ?? [];
  const open = squads.filter((s) => !s.archived);
  return (
    <Screen title="Season" over="The next half year" back="/sessions">
      {open.length > 1 ? (
        <Choice
          label="Squad"
          options={[{ value: '', label: 'All' }, ...open.map((s) => ({ value: s.id, label: s.name }))]}
          chosen={[squadId ?? '']}
          onPress={(id) => setSquadId(id === '' ? null : id)}
        />
      ) : null}
      {error && !data ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!first && !error ? <Loading label="Loading the season" /> : null}
      {first && rows.length === 0 ? (
        <Empty
          title="No race ahead"
          action={
            <Button mode="contained" onPress={() => router.navigate('/swimmers' as Href)}>
              Swimmers
            </Button>
          }
        >
          Races come from swimmers’ goals: open a swimmer, then Edit, Goal.
        </Empty>
      ) : null}
      {first && rows.length > 0 ? (
        <>
          <Races page={first} today={today} />
          <PlanAll today={today} old={first.old} />
          <Grid rows={rows} squads={planned} from={first.from} />
          <SquadWeeks squads={planned} />
          <ListFiles
            of="Season"
            address={(format) => clubListAddress('season', format, { date: first.from, ...(squadId && { squadId }) })}
          />
          {hasNextPage ? (
            <Button mode="outlined" disabled={isFetchingNextPage} onPress={() => void fetchNextPage()}>
              {isFetchingNextPage ? 'Loading…' : 'More swimmers'}
            </Button>
          ) : null}
        </>
      ) : null}
    </Screen>
  );
}
