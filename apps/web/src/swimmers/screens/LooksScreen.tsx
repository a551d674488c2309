import { Text } from 'react-native-paper';
import { Screen } from '@/ui/Screen';
import { LooksList } from '../parts/LooksList';

/** The log of looks at children's data, for the head coach. */
export function LooksScreen() {
  return (
    <Screen title="Who looked" back="/account" maxWidth={640}>
      <Text>
        Every time a coach looks at the data of a child, or of someone whose age is not known. The same page within an
        hour counts once. Nobody can change this log.
      </Text>
      <LooksList />
    </Screen>
  );
}
