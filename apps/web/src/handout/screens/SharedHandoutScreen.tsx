import { useLocalSearchParams } from 'expo-router';
import { Linking } from 'react-native';
import { Button } from 'react-native-paper';
import { Screen } from '@/ui/Screen';
import { Failure, Loading } from '@/ui/States';
import { useSharedHandoutQuery } from '../api';
import { HandoutPage } from '../parts/HandoutPage';

/** The swimmer's page behind its secret link; no sign-in. */
export function SharedHandoutScreen() {
  const { token } = useLocalSearchParams<{ token: string }>();
  const { data: page, error } = useSharedHandoutQuery(token);
  if (!page) {
    return (
      <Screen title="Hand-out">{error ? <Failure error={error} /> : <Loading label="Opening your page" />}</Screen>
    );
  }
  return (
    <Screen
      title={`For ${page.givenName}`}
      maxWidth={980}
      actions={
        <Button mode="outlined" onPress={() => void Linking.openURL(`/api/v1/handouts/${token}/page.pdf`)}>
          Print (PDF)
        </Button>
      }
    >
      <HandoutPage page={page} />
    </Screen>
  );
}
