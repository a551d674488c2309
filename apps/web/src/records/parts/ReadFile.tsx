// What was read from a file: whose it is, what its columns mean, and which rows are wrong.
import type { PoolUnit } from '@upwell/core/units';
import {
  RESULT_FIELDS,
  type KnownSwimmer,
  type ReadResults,
  type ResultField,
  type ResultMapping,
} from '@upwell/core/exchange/shapes';
import { nameHolds } from '@upwell/core/text';
import { languageWord, numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

const FIELD_WORD: Readonly<Record<ResultField, string>> = {
  swimmer: 'Swimmer',
  given: 'First name',
  family: 'Last name',
  date: 'Day',
  distance: 'Distance',
  time: 'Time',
  strokes: 'Strokes',
  kind: 'Kind',
  pool: 'Pool',
  splits: 'Splits',
  meet: 'Meet',
  ignore: 'Leave out',
};
const ORDER_WORD = { ymd: 'Year first', dmy: 'Day first', mdy: 'Month first' } as const;

/** For a file that does not say whose results it holds. */
export function WhoseFile({
  swimmers,
  chosen,
  onChoose,
}: {
  readonly swimmers: readonly KnownSwimmer[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
}) {
  const [search, setSearch] = useState('');
  const found = swimmers.filter((s) => nameHolds(s.name, search)).slice(0, 12);
  const name = swimmers.find((s) => s.id === chosen)?.name;
  return (
    <Card title={name ? `All results are ${name}’s` : 'Whose file is it?'} strong={!name}>
      <Input label="Find a swimmer" value={search} onChangeText={setSearch} />
      <Choice
        label="All rows are of"
        options={found.map((s) => ({ value: s.id, label: s.name }))}
        chosen={chosen ? [chosen] : []}
        onPress={onChoose}
      />
    </Card>
  );
}

/** What each column was taken for, to be corrected. */
export function Columns({
  read,
  onMap,
}: {
  readonly read: ReadResults;
  readonly onMap: (change: Partial<ResultMapping>) => void;
}) {
  const theme = useTheme();
  const { fields, dateOrder, unit, language, decimal } = read.mapping;
  if (read.columns.length === 0) return null;
  return (
    <Card title="What the columns mean">
      <Text>{`Read as ${languageWord(language ?? 'en')}, with decimals like ${decimal === ',' ? '1,5' : '1.5'}.`}</Text>
      {read.columns.map((column, i) => (
        <View key={i} style={[styles.column, { borderTopColor: theme.own.line }]}>
          <Text variant="labelMedium">{`${column || `Column ${i + 1}`}: ${read.sample
            .slice(0, 3)
            .map((row) => row[i])
            .join(', ')}`}</Text>
          <Choice
            label={`${column || `Column ${i + 1}`} is`}
            options={RESULT_FIELDS.map((value) => ({ value, label: FIELD_WORD[value] }))}
            chosen={[fields[i] ?? 'ignore']}
            onPress={(field) =>
              onMap({
                fields: read.columns.map((_, k) =>
                  k === i ? field : fields[k] === field && field !== 'ignore' ? 'ignore' : (fields[k] ?? 'ignore'),
                ),
              })
            }
          />
        </View>
      ))}
      <Choice
        label="Dates are written"
        options={(['ymd', 'dmy', 'mdy'] as const).map((value) => ({ value, label: ORDER_WORD[value] }))}
        chosen={[dateOrder]}
        onPress={(value) => onMap({ dateOrder: value })}
      />
      <Choice
        label="Distances are in"
        options={[
          { value: 'm', label: 'Metres' },
          { value: 'yd', label: 'Yards' },
        ]}
        chosen={[unit]}
        onPress={(value) => onMap({ unit: value as PoolUnit })}
      />
    </Card>
  );
}

/** What cannot be read, by its line. */
export function Problems({ read }: { readonly read: ReadResults }) {
  const theme = useTheme();
  if (read.problems.length === 0) return <Notice>{`All ${numberWord(read.rows)} rows can be read.`}</Notice>;
  return (
    <Card
      title={
        read.badRows > 0
          ? `${numberWord(read.badRows)} of ${numberWord(read.rows)} rows cannot be read`
          : 'This cannot be read yet'
      }
    >
      <Text variant="bodySmall">Fix the file and choose it again, or store the others without these.</Text>
      {read.problems.slice(0, 20).map((p) => (
        <Text key={`${p.line} ${p.message}`} style={{ color: theme.colors.error }}>
          {`Line ${p.line}: ${p.message}`}
        </Text>
      ))}
      {read.problems.length > 20 ? <Text>{`and ${numberWord(read.badRows - 20)} more`}</Text> : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  column: { borderTopWidth: 1, paddingTop: 8 },
});
