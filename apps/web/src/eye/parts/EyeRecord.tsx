/** What this eye misses, and how it agrees with the other coaches of the club. */
import type { EyeHistory } from '@upwell/contract/eye';
import { eyeAgreement, eyeRecords } from '@upwell/core/eye';
import { signCard } from '@upwell/core/review';
import { counted, numberWord } from '@upwell/core/words';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';

const SHOWN = 8;

export function EyeRecord({ history }: { readonly history: EyeHistory }) {
  const theme = useTheme();
  const records = useMemo(() => eyeRecords(history.mine), [history]);
  if (history.mine.length === 0) return null;
  return (
    <>
      <Card title="Your eye" aside={<Text variant="bodySmall">{`${history.mine.length} swimmers`}</Text>}>
        {records.slice(0, SHOWN).map(({ sign, found, missed, falseAlarms }) => (
          <View key={sign} style={[styles.row, { borderBottomColor: theme.own.line }]}>
            <Text style={styles.flex}>{signCard(sign).seen}</Text>
            <Text variant="labelMedium">{recordWord(found, missed, falseAlarms)}</Text>
          </View>
        ))}
      </Card>
      {history.others.length > 0 ? (
        <Card title="With the other coaches">
          {history.others.map(({ accountId, name, tries }) => {
            const { kappa, clips } = eyeAgreement(history.mine, tries);
            return (
              <View key={accountId} style={[styles.row, { borderBottomColor: theme.own.line }]}>
                <Text style={styles.flex}>{name}</Text>
                <Text variant="labelMedium">
                  {clips === 0
                    ? 'no swimmers in common yet'
                    : `kappa ${kappa === null ? '–' : signedKappa(kappa)} over ${clips}`}
                </Text>
              </View>
            );
          })}
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            1 is full agreement; 0 is what chance alone would give. A few swimmers in common say little.
          </Text>
        </Card>
      ) : null}
    </>
  );
}

/** How often a sign was found where it was there, and seen where it was not. */
function recordWord(found: number, missed: number, falseAlarms: number): string {
  const parts = [
    found + missed > 0 ? `found ${found} of ${found + missed}` : null,
    falseAlarms > 0 ? counted(falseAlarms, 'false alarm') : null,
  ];
  return parts.filter((part) => part !== null).join(', ');
}

/** Kappa as it is printed, with a real minus. */
export function signedKappa(kappa: number): string {
  return numberWord(kappa, 2);
}

const styles = StyleSheet.create({
  row: { minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: 10, borderBottomWidth: 1 },
  flex: { flex: 1 },
});
