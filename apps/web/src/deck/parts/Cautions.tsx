import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';

/** What must be said before a lane leaves, framed so that it is not read over; nothing where there is nothing to say. */
export function Cautions({ texts }: { readonly texts: readonly string[] }) {
  const { colors } = useTheme();
  if (texts.length === 0) return null;
  return (
    <View role="note" style={[styles.frame, { borderColor: colors.error }]}>
      {texts.map((text) => (
        <Text key={text} style={{ color: colors.error }}>
          {text}
        </Text>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ frame: { borderWidth: 2, borderRadius: 6, padding: 8, gap: 2 } });
