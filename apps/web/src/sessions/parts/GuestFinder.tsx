/** Finds somebody of another squad who swims along tonight. */
import { skipToken } from '@reduxjs/toolkit/query/react';
import { useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useSwimmersInfiniteQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { SearchField } from '@/ui/SearchField';
import { Failure } from '@/ui/States';

/** Names offered at once. */
const OFFERED = 6;

interface GuestFinderProps {
  /** Ids of those who are in the session already. */
  readonly known: readonly string[];
  readonly onGuest: (id: string) => void;
}

export function GuestFinder({ known, onGuest }: GuestFinderProps) {
  const [search, setSearch] = useState('');
  const wanted = useDeferredValue(search.trim());
  const { data, error, refetch } = useSwimmersInfiniteQuery(wanted.length > 1 ? { search: wanted } : skipToken);
  const found = wanted.length > 1 ? (data?.pages.flatMap((page) => page.items) ?? []) : [];
  const others = found.filter(({ id }) => !known.includes(id)).slice(0, OFFERED);
  return (
    <Card title="Guests tonight">
      <SearchField
        label="Find a swimmer of another squad"
        placeholder="Find a swimmer of another squad"
        value={search}
        onChange={setSearch}
      />
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {others.map(({ id, givenName, familyName, squadName }) => (
        <View key={id} style={styles.row}>
          <Text style={styles.flex}>{`${givenName} ${familyName}`}</Text>
          <Text variant="bodySmall">{squadName}</Text>
          <Button
            mode="outlined"
            accessibilityLabel={`${givenName} ${familyName} swims along`}
            onPress={() => {
              onGuest(id);
              setSearch('');
            }}
          >
            Swims along
          </Button>
        </View>
      ))}
      {wanted.length > 1 && data && others.length === 0 ? (
        <Text variant="bodySmall">Nobody else of this name is in your squads.</Text>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48 },
  flex: { flex: 1 },
});
