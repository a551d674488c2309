/** What a clip gives, as files: what was measured, and the taps. */
import { tapsCsv, valuesCsv } from '@upwell/core/formats';
import type { Tap } from '@upwell/core/measures';
import type { MeasureId, measuredOnClip } from '@upwell/core/review';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { saveFile } from '@/ui/saveFile';
import { MEASURE_NAME, MEASURE_UNIT } from './MeasuredCard';

interface ClipFilesProps {
  readonly name: string;
  readonly measured: ReturnType<typeof measuredOnClip>;
  readonly taps: readonly Tap[];
  readonly nothing: boolean;
}

export function ClipFiles({ name, measured, taps, nothing }: ClipFilesProps) {
  // Two tables are two files: a spreadsheet reads one of each.
  const save = (title: string, csv: string) => saveFile(`${title}.csv`, 'text/csv', `\uFEFF${csv}\n`);
  const rows = (Object.entries(measured) as [MeasureId, number][]).map(([id, value]) => ({
    name: MEASURE_NAME[id],
    value,
    unit: MEASURE_UNIT[id],
  }));
  return (
    <View style={styles.row}>
      <Button compact disabled={nothing} onPress={() => save(name, valuesCsv(rows))}>
        Measures as CSV
      </Button>
      <Button compact disabled={taps.length === 0} onPress={() => save(`${name} taps`, tapsCsv(taps))}>
        Taps as CSV
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 10 },
});
