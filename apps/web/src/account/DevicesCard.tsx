import { dayIn } from '@upwell/core/days';
import { useToday, useZone } from '@/state/hooks';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';
import { Failure, Loading, Notice } from '@/ui/States';
import { useEndSignInMutation, useSignInsQuery } from './api';

/** Where this account is signed in; what is not known, or left on a shared tablet, is ended from here. */
export function DevicesCard() {
  const { data, error, refetch } = useSignInsQuery();
  const [end, ended] = useEndSignInMutation();
  const today = useToday();
  const zone = useZone();
  return (
    <Card title="Devices">
      {error && !data ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!data && !error ? <Loading label="Loading devices" /> : null}
      {ended.error ? <Notice tone="error">{sentence(ended.error)}</Notice> : null}
      <View role="list">
        {data?.map(({ id, device, usedAt, here }) => (
          <View key={id} role="listitem" style={styles.row}>
            <View style={styles.flex}>
              <Text>{device}</Text>
              <Text variant="bodySmall">
                {here ? 'This device' : `Last used ${distanceInDays(today, dayIn(zone, usedAt))}`}
              </Text>
            </View>
            {here ? null : (
              <Button mode="outlined" accessibilityLabel={`End the sign-in on ${device}`} onPress={() => void end(id)}>
                End
              </Button>
            )}
          </View>
        ))}
      </View>
      {data && data.length > 1 ? (
        <Button mode="text" style={styles.start} onPress={() => void end(null)}>
          End all others
        </Button>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 56 },
  flex: { flex: 1 },
  start: { alignSelf: 'flex-start' },
});
