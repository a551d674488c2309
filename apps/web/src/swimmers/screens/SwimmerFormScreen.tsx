import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { lazy, Suspense } from 'react';
import { Button } from 'react-native-paper';
import { useMeQuery } from '@/account';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useSquadsQuery, useSwimmerQuery } from '../api';

// The form brings its checks and its calendar along: loaded when somebody edits, not with the first screen.
const SwimmerFormView = lazy(() => import('../parts/SwimmerFormView'));

export function NewSwimmerScreen() {
  const router = useRouter();
  const { data: squads, error, refetch } = useSquadsQuery();
  const open = squads?.filter((squad) => !squad.archived);
  return (
    <Screen
      title="New swimmer"
      back="/swimmers"
      maxWidth={760}
      actions={
        <Button mode="outlined" icon="upload" onPress={() => router.navigate('/swimmers/roster' as Href)}>
          From a list
        </Button>
      }
    >
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!open && !error ? <Loading /> : null}
      {open?.length === 0 ? <NoSquadYet /> : null}
      {open && open.length > 0 ? (
        <Suspense fallback={<Loading label="Loading the form" />}>
          <SwimmerFormView stored={null} squads={open} />
        </Suspense>
      ) : null}
    </Screen>
  );
}

/** A swimmer belongs to a squad: the head coach is led to where one is made. */
function NoSquadYet() {
  const router = useRouter();
  const { data: me } = useMeQuery();
  if (me?.role !== 'head') return <Notice>There is no squad yet. The head coach adds one.</Notice>;
  return (
    <Notice
      action={
        <Button mode="contained" onPress={() => router.navigate('/swimmers/squads' as Href)}>
          Add a squad
        </Button>
      }
    >
      A swimmer belongs to a squad, and there is none yet.
    </Notice>
  );
}

export function EditSwimmerScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: squads } = useSquadsQuery();
  const { data: swimmer, error, refetch } = useSwimmerQuery(id);
  return (
    <Screen
      title={swimmer ? `${swimmer.givenName} ${swimmer.familyName}` : 'Swimmer'}
      back={`/swimmers/${id}`}
      maxWidth={760}
    >
      {error && !swimmer ? <Failure error={error} retry={() => void refetch()} /> : null}
      {swimmer && squads ? (
        <Suspense fallback={<Loading label="Loading the form" />}>
          <SwimmerFormView stored={swimmer} squads={squads} />
        </Suspense>
      ) : null}
      {!swimmer && !error ? <Loading /> : null}
    </Screen>
  );
}
