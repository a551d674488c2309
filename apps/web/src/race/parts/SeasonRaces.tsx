// The races ahead, and who swims them.
import type { SeasonPage } from '@upwell/contract/race';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { distanceInDays } from '@/ui/dates';
import { useTheme } from '@/ui/useTheme';
import { counted, dayWord } from '@upwell/core/words';

export function Races({ page, today }: { readonly page: SeasonPage; readonly today: string }) {
  const theme = useTheme();
  return (
    <View role="list" aria-label="Races" style={styles.races}>
      {page.races.map((race) => (
        <View
          key={`${race.date} ${race.event}`}
          role="listitem"
          style={[styles.race, { borderColor: theme.own.line, backgroundColor: theme.colors.surface }]}
        >
          <Text variant="titleMedium">{race.event}</Text>
          <Text variant="bodySmall">{`${dayWord(race.date)}, ${distanceInDays(today, race.date)}`}</Text>
          <Text variant="labelMedium">{counted(race.swimmers, 'swimmer')}</Text>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  races: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, marginVertical: 10 },
  race: { borderWidth: 1, borderRadius: 6, paddingHorizontal: 12, paddingVertical: 8, minWidth: 150 },
});
