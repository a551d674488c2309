// One fact about a leg: its title, the word that counts, and the lines behind it.
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';

export function Fact({
  title,
  word,
  lines,
}: {
  readonly title: string;
  readonly word: string;
  readonly lines: readonly string[];
}) {
  const theme = useTheme();
  return (
    <View style={[styles.fact, { backgroundColor: theme.own.sand }]}>
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {title}
      </Text>
      <Text style={styles.factWord}>{word}</Text>
      {lines.map((l) => (
        <Text key={l} variant="bodySmall">
          {l}
        </Text>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  fact: { flexGrow: 1, flexBasis: 105, padding: 10, borderRadius: 6, gap: 2 },
  factWord: { fontFamily: 'Atkinson Bold', fontSize: 22, lineHeight: 28 },
});
