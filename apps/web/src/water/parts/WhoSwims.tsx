import { LEVEL, LEVELS } from '@upwell/core/swimmers';
import { useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Searchbar, Text } from 'react-native-paper';
import { useSwimmersInfiniteQuery } from '@/swimmers/api';
import { Disclosure } from '@/ui/Disclosure';
import { Toggle } from '@/ui/Toggle';
import type { Who } from '../useSwimmerOutside';

interface WhoSwimsProps {
  readonly who: Who;
  readonly name: string;
  readonly onChoose: (who: Who) => void;
}

/** Whom the sheet is for: a swimmer found by name, or what is usual at a level. */
export function WhoSwims({ who, name, onChoose }: WhoSwimsProps) {
  const [open, setOpen] = useState(false);
  const [search, setSearch] = useState('');
  const asked = useDeferredValue(search.trim());
  const { data } = useSwimmersInfiniteQuery(
    { limit: 12, archived: false, ...(asked ? { search: asked } : {}) },
    { skip: !open },
  );
  const choose = (next: Who) => {
    onChoose(next);
    setOpen(false);
  };
  return (
    <View>
      <Disclosure
        label={'level' in who ? `For somebody at ${LEVEL[who.level].name}` : `For ${name || '…'}`}
        open={open}
        onPress={() => setOpen(!open)}
      />
      {open ? (
        <View style={styles.box}>
          <Searchbar
            placeholder="Find by name"
            accessibilityLabel="Find whom the sheet is for"
            value={search}
            onChangeText={setSearch}
          />
          <View style={styles.row}>
            {data?.pages
              .flatMap((page) => page.items)
              .slice(0, 12)
              .map((s) => (
                <Toggle
                  key={s.id}
                  label={`${s.givenName} ${s.familyName}`}
                  on={'id' in who && who.id === s.id}
                  onPress={() => choose({ id: s.id })}
                />
              ))}
          </View>
          <Text variant="labelMedium">Or what is usual at a level</Text>
          <View style={styles.row}>
            {LEVELS.filter((l) => l !== 'settle').map((level) => (
              <Toggle
                key={level}
                label={LEVEL[level].name}
                on={'level' in who && who.level === level}
                onPress={() => choose({ level })}
              />
            ))}
          </View>
        </View>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: 10, marginBottom: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
