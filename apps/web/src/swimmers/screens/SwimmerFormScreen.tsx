import type { Swimmer } from '@upwell/contract/swimmers';
import { useLocalSearchParams } from 'expo-router';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useSquadsQuery, useSwimmerQuery } from '../api';
import { emptyForm, formOf } from '../formValues';
import { SwimmerFormView } from '../parts/SwimmerFormView';

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
        <SwimmerFormView stored={null} initial={emptyForm(open.length === 1 ? open[0]!.id : '')} squads={open} />
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
        <SwimmerFormView stored={swimmer satisfies Swimmer} initial={formOf(swimmer)} squads={squads} />
      ) : null}
      {!swimmer && !error ? <Loading /> : null}
    </Screen>
  );
}
