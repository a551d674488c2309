/** One swimmer of the club, found by name. */
import { useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Searchbar } from 'react-native-paper';
import { useSwimmersInfiniteQuery } from '@/swimmers';
import { Toggle } from '@/ui/Toggle';

const SHOWN = 12;

interface FindSwimmerProps {
  readonly chosen: string | null;
  readonly onChoose: (id: string, name: string) => void;
}

export function FindSwimmer({ chosen, onChoose }: FindSwimmerProps) {
  const [search, setSearch] = useState('');
  const asked = useDeferredValue(search.trim());
  const { data } = useSwimmersInfiniteQuery({ limit: SHOWN, archived: false, ...(asked ? { search: asked } : {}) });
  return (
    <View style={styles.box}>
      <Searchbar
        placeholder="Find by name"
        accessibilityLabel="Find a swimmer"
        value={search}
        onChangeText={setSearch}
      />
      <View style={styles.row}>
        {data?.pages
          .flatMap((page) => page.items)
          .slice(0, SHOWN)
          .map((s) => {
            const name = `${s.givenName} ${s.familyName}`;
            return <Toggle key={s.id} label={name} on={chosen === s.id} onPress={() => onChoose(s.id, name)} />;
          })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
