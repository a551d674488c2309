import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useSquadsQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Icon } from '@/ui/Icon';
import { useTheme } from '@/ui/useTheme';

/** What a club that has just begun does next, each one tap away; gone when it has squads with swimmers. */
export function FirstSteps() {
  const router = useRouter();
  const theme = useTheme();
  const { data: squads } = useSquadsQuery();
  if (!squads) return null;
  const withSquads = squads.some((s) => !s.archived);
  const withSwimmers = squads.some((s) => s.swimmers > 0);
  if (withSquads && withSwimmers) return null;
  const steps = [
    {
      done: withSquads,
      what: 'Squads: who trains together, and when they have pool time',
      to: '/swimmers/squads',
      action: 'Add squads',
    },
    {
      done: withSwimmers,
      what: 'Swimmers, from a list or one by one; a list makes squads too',
      to: '/swimmers/roster',
      action: 'Import swimmers',
    },
    { done: false, what: 'Coaches, each with their squads', to: '/account/people', action: 'Invite coaches' },
  ];
  const next = steps.findIndex(({ done }) => !done);
  return (
    <Card title="First steps" strong>
      <View role="list">
        {steps.map(({ done, what, to, action }, i) => (
          <View key={to} role="listitem" style={styles.row}>
            <View style={styles.number}>
              {done ? (
                <Icon name="check" size={22} color={theme.colors.primary} />
              ) : (
                <Text variant="titleMedium">{i + 1}</Text>
              )}
            </View>
            <View style={styles.flex}>
              <Text style={styles.what}>{done ? `${what} – done` : what}</Text>
              {done ? null : (
                <Button
                  mode={i === next ? 'contained' : 'outlined'}
                  style={styles.start}
                  onPress={() => router.navigate(to as Href)}
                >
                  {action}
                </Button>
              )}
            </View>
          </View>
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 10, paddingVertical: 8 },
  number: { width: 24, alignItems: 'center', paddingTop: 2 },
  flex: { flex: 1, gap: 8 },
  what: { paddingTop: 4 },
  start: { alignSelf: 'flex-start' },
});
