/** What each column was taken for, with what stands in it; a press corrects it. */
import { ROSTER_FIELDS, type ReadRoster, type RosterField, type RosterMapping } from '@upwell/core/exchange/shapes';
import { languageWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Check } from '@/ui/Check';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { useTheme } from '@/ui/useTheme';

const FIELD_WORD: Readonly<Record<RosterField, string>> = {
  ignore: 'Left out',
  given: 'Given name',
  family: 'Family name',
  'given-family': 'Whole name',
  'family-given': 'Whole name, family first',
  birth: 'Born',
  squad: 'Squad',
  level: 'Level',
  email: 'E-mail',
  best: 'Best time',
};
const USUAL_M = 100;

interface RosterColumnsProps {
  readonly read: Pick<ReadRoster, 'headings' | 'columns' | 'headed' | 'sample' | 'language'>;
  readonly onMap: (mapping: RosterMapping) => void;
}

export function RosterColumns({ read, onMap }: RosterColumnsProps) {
  const theme = useTheme();
  const { headings, columns, headed, sample, language } = read;
  const [open, setOpen] = useState<number | null>(null);
  const take = (at: number, field: RosterField, distanceM = USUAL_M) =>
    onMap({
      headed,
      columns: columns.map((column, i) => {
        if (i === at) return field === 'best' ? { field, distanceM } : { field };
        // A name, a year, a squad stand in one column each.
        return column.field === field && field !== 'best' && field !== 'ignore' ? { field: 'ignore' } : column;
      }),
    });
  return (
    <View>
      <Check label="The first line names the columns" on={headed} onPress={() => onMap({ headed: !headed, columns })} />
      {language ? <Text variant="bodySmall">{`Read as ${languageWord(language)}.`}</Text> : null}
      {headings.map((heading, i) => {
        const { field, distanceM } = columns[i] ?? { field: 'ignore' as const };
        const word = field === 'best' ? `Best time over ${distanceM} m` : FIELD_WORD[field];
        return (
          <View key={i} style={[styles.column, { borderTopColor: theme.own.line }]}>
            <View style={styles.row}>
              <View style={styles.flex}>
                <Text variant="titleSmall">{heading}</Text>
                <Text variant="bodySmall" numberOfLines={1}>
                  {sample
                    .map((row) => row[i] ?? '')
                    .filter((cell) => cell !== '')
                    .slice(0, 3)
                    .join(', ')}
                </Text>
              </View>
              <Button
                mode="outlined"
                accessibilityLabel={`${heading} is read as: ${word}`}
                onPress={() => setOpen(open === i ? null : i)}
              >
                {word}
              </Button>
            </View>
            {open === i ? (
              <>
                <Choice
                  label={`${heading} is`}
                  options={ROSTER_FIELDS.map((value) => ({ value, label: FIELD_WORD[value] }))}
                  chosen={[field]}
                  onPress={(value) => {
                    take(i, value);
                    if (value !== 'best') setOpen(null);
                  }}
                />
                {field === 'best' ? (
                  <Input
                    label="Over how many metres"
                    defaultValue={String(distanceM)}
                    inputMode="decimal"
                    onEndEditing={({ nativeEvent: { text } }) => {
                      const metres = Number(text.replace(',', '.'));
                      if (metres >= 5 && metres <= 100_000) take(i, 'best', metres);
                    }}
                  />
                ) : null}
              </>
            ) : null}
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  column: { borderTopWidth: 1, paddingVertical: 6 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  flex: { flex: 1, minWidth: 140 },
});
