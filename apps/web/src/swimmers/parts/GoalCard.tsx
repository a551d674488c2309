// The race a swimmer trains for, and how far away it is.
import { useToday } from '@/state/hooks';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { formatTime } from '@upwell/core/units';
import { datedWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import type { ComponentType } from 'react';
import { StyleSheet } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';

/** Says how far a swimmer is from their race time; the race plan lends it to this page. */
export type GapLine = ComponentType<{ readonly swimmerId: string }>;

export function GoalCard({ swimmer, gapLine: Gap }: { readonly swimmer: SwimmerPage; readonly gapLine: GapLine }) {
  const today = useToday();
  const { goal } = swimmer;
  const router = useRouter();
  if (!goal) return null;
  const pace = goal.targetTimeS ? ` · ${formatTime((goal.targetTimeS / goal.distanceM) * 100, 1)} per 100 m` : '';
  return (
    <Card title={goal.event} aside={<Text variant="labelMedium">{distanceInDays(today, goal.date)}</Text>}>
      <Text>{`${goal.distanceM} m ${goal.place === 'pool' ? 'in the pool' : 'in open water'} on ${datedWord(goal.date, today)}`}</Text>
      {goal.targetTimeS ? <Text variant="titleLarge">{`${formatTime(goal.targetTimeS)}${pace}`}</Text> : null}
      <Gap swimmerId={swimmer.id} />
      <Button
        mode="outlined"
        style={styles.way}
        onPress={() => router.navigate(`/swimmers/${swimmer.id}/race` as Href)}
      >
        {goal.targetTimeS ? 'Toward the race' : 'Toward the goal'}
      </Button>
    </Card>
  );
}

const styles = StyleSheet.create({
  way: { alignSelf: 'flex-start', marginTop: 8 },
});
