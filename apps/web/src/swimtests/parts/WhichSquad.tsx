/** A squad test that is opened without a squad: those whose tests are due. */
import { type Href, useRouter } from 'expo-router';
import { StyleSheet } from 'react-native';
import { Button } from 'react-native-paper';
import { useSquadsQuery } from '@/swimmers';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading } from '@/ui/States';

export const NobodyDue = () => <Empty title="Nobody is due">Tests of the week come from the weeks to a race.</Empty>;

/** @param due the squads of everybody who is due */
export function WhichSquad({ due }: { readonly due: readonly string[] }) {
  const router = useRouter();
  const { data: squads, error, refetch } = useSquadsQuery();
  const waiting = error ? (
    <Failure error={error} retry={() => void refetch()} />
  ) : (
    <Loading label="Loading the squads" />
  );
  return (
    <Screen title="Test of a squad" back="/deck">
      {due.length === 0 ? <NobodyDue /> : squads ? null : waiting}
      {squads
        ?.filter(({ id }) => due.includes(id))
        .map(({ id, name }) => (
          <Button
            key={id}
            mode="outlined"
            style={styles.which}
            onPress={() => router.navigate(`/deck/tests?squad=${id}` as Href)}
          >
            {`Test ${name}`}
          </Button>
        ))}
    </Screen>
  );
}

const styles = StyleSheet.create({ which: { marginBottom: 8 } });
