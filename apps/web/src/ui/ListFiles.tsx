/** A list to take along: on paper, in a spreadsheet, or for any program. */
import type { ListFormat } from '@upwell/contract/lists';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { saveFrom } from './saveFile';

const WAYS = [
  { format: 'pdf', word: 'PDF', icon: 'printer' },
  { format: 'xlsx', word: 'Spreadsheet', icon: 'download' },
  { format: 'csv', word: 'CSV', icon: 'download' },
] as const;

interface ListFilesProps {
  /** What the list is called, for those who hear the buttons. */
  readonly of: string;
  readonly address: (format: ListFormat) => string;
}

export const ListFiles = ({ of, address }: ListFilesProps) => (
  <View role="group" aria-label={`${of} as a file`} style={styles.row}>
    {WAYS.map(({ format, word, icon }) => (
      <Button
        key={format}
        compact
        icon={icon}
        accessibilityLabel={`${word}: ${of}`}
        onPress={() => saveFrom(address(format))}
      >
        {word}
      </Button>
    ))}
  </View>
);

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 } });
