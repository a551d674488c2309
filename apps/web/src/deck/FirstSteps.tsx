import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useSquadsQuery } from '@/swimmers/api';
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
      what: 'Squads: who trains together, and when they have water',
      to: '/swimmers/squads',
      action: 'Add squads',
    },
    { done: withSwimmers, what: 'Swimmers, each in a squad', to: '/swimmers/new', action: 'Add swimmers' },
    { done: false, what: 'The first session, for tonight', to: '/sessions/new', action: 'Build a session' },
  ];
  const next = steps.findIndex(({ done }) => !done);
  return (
    <Card title="First steps" strong>
      <View role="list">
        {steps.map(({ done, what, to, action }, i) => (
          <View key={to} role="listitem" style={styles.row}>
            <Icon name={done ? 'check' : 'chevron-right'} size={22} color={theme.colors.onSurface} />
            <Text style={styles.flex}>{done ? `${what} – done` : what}</Text>
            {done ? null : (
              <Button mode={i === next ? 'contained' : 'outlined'} onPress={() => router.navigate(to as Href)}>
                {action}
              </Button>
            )}
          </View>
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 10, minHeight: 56 },
  flex: { flex: 1, minWidth: 180 },
});
