import { useLocalSearchParams } from 'expo-router';
import { lazy, Suspense } from 'react';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useSquadsQuery, useSwimmerQuery } from '../api';

// The form brings its checks and its calendar along: loaded when somebody edits, not with the first screen.
const SwimmerFormView = lazy(() => import('../parts/SwimmerFormView'));

export function NewSwimmerScreen() {
  const { data: squads, error, refetch } = useSquadsQuery();
  const open = squads?.filter((squad) => !squad.archived);
  return (
    <Screen title="New swimmer" back="/swimmers" maxWidth={760}>
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!open && !error ? <Loading /> : null}
      {open?.length === 0 ? (
        <Notice>There is no squad yet. The head coach makes one under the club’s name.</Notice>
      ) : null}
      {open && open.length > 0 ? (
        <Suspense fallback={<Loading label="Loading the form" />}>
          <SwimmerFormView stored={null} squads={open} />
        </Suspense>
      ) : null}
    </Screen>
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
