/** The coach decides: any cause of the stroke, found by its name or by what people call it. */
import { causeCard, type CauseId, findCauses, type RankedCause } from '@upwell/core/review';
import { percent } from '@upwell/core/words';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Disclosure } from '@/ui/Disclosure';
import { SearchField } from '@/ui/SearchField';
import { useTheme } from '@/ui/useTheme';

interface CausePickerProps {
  readonly ranking: readonly RankedCause[];
  readonly chosen: CauseId | null;
  readonly onChoose: (cause: CauseId) => void;
  /** Open at once, where nothing else can be done. */
  readonly start: boolean;
}

/** Rows shown before something is looked for. */
const FIRST = 5;

export function CausePicker({ ranking, chosen, onChoose, start }: CausePickerProps) {
  const theme = useTheme();
  const [wish, setWish] = useState<boolean | null>(null);
  const [asked, setAsked] = useState('');
  const open = wish ?? start;
  const searching = asked.trim() !== '';
  const found = findCauses(
    asked,
    ranking.map((r) => r.cause),
  ).filter((cause) => cause !== chosen);
  const shown = searching ? found : found.slice(0, FIRST);
  return (
    <View>
      <Disclosure label="Choose another cause" open={open} onPress={() => setWish(!open)} />
      {open ? (
        <>
          <SearchField
            label="Find a cause of this stroke"
            placeholder="Find a cause by any name"
            value={asked}
            onChange={setAsked}
          />
          {shown.map((cause) => (
            <Pressable
              key={cause}
              role="button"
              onPress={() => {
                setWish(false);
                onChoose(cause);
              }}
              style={[styles.row, { borderBottomColor: theme.own.line }]}
            >
              <Text style={styles.flex}>{causeCard(cause).name}</Text>
              <Text variant="bodySmall">{percent(ranking.find((r) => r.cause === cause)!.probability)}</Text>
            </Pressable>
          ))}
          {searching && found.length === 0 ? (
            <Text style={styles.none}>No cause of this stroke is called that.</Text>
          ) : null}
          {!searching && found.length > FIRST ? (
            <Text variant="bodySmall" style={styles.none}>
              {`The likeliest first; find any of the ${found.length} by name.`}
            </Text>
          ) : null}
        </>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: 10, borderBottomWidth: 1 },
  flex: { flex: 1 },
  none: { marginTop: 8 },
});
