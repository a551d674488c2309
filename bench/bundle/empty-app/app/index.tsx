import { View } from 'react-native';
import { Button, Text } from 'react-native-paper';

export default function Index() {
  return (
    <View>
      <Text>Nothing yet</Text>
      <Button>Press</Button>
    </View>
  );
}
