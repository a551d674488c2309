/** Which key does what on the clip table. */
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';

const KEY_LINES = [
  'F, J: left and right hand enter',
  'D, K: left and right catch',
  'S, L: left and right hand exit',
  'A, P: breath to the left and to the right',
  'Comma, full stop: one frame back and forward; space: play',
];

export function TapKeys() {
  return (
    <View role="note" style={styles.list}>
      {KEY_LINES.map((text) => (
        <Text key={text} variant="bodySmall">
          {text}
        </Text>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ list: { marginTop: 12 } });
