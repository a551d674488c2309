/** A swimmer beside the list, from what the list holds: nothing is asked for, and no look at a child's record is made. */
import type { SwimmerRow } from '@upwell/contract/swimmers';
import { levelCard } from '@upwell/core/swimmers';
import { formatTime } from '@upwell/core/units';
import { datedWord } from '@upwell/core/words';
import { type Href, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useToday } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';
import { FocusCard } from './FocusCard';

interface SwimmerPaneProps {
  readonly row: SwimmerRow;
  readonly coach: boolean;
}

export default function SwimmerPane({ row, coach }: SwimmerPaneProps) {
  const router = useRouter();
  const today = useToday();
  const { id, givenName, familyName, goal, focus } = row;
  const name = `${givenName} ${familyName}`;
  const to = (part: string) => () => router.navigate(`/swimmers/${id}${part}` as Href);
  const facts = [levelCard(row.level).name, row.squadName, row.child ? 'counts as under 18' : ''];
  return (
    <View role="region" aria-label={`Swimmer ${name}`}>
      <Text variant="titleLarge" role="heading" aria-level={2}>
        {name}
      </Text>
      <Text variant="bodySmall">{facts.filter(Boolean).join(' · ')}</Text>
      <View style={styles.row}>
        <Button mode="outlined" icon="chevron-right" onPress={to('')}>
          Open the page
        </Button>
        {coach ? (
          <Button mode="outlined" icon="eye" onPress={to('/review')}>
            {focus ? 'Take the second look' : 'Look at the stroke'}
          </Button>
        ) : null}
        {coach && focus ? (
          <Button mode="outlined" icon="whistle" onPress={to('/focus')}>
            On deck
          </Button>
        ) : null}
      </View>
      {goal ? (
        <Card title={goal.event} aside={<Text variant="labelMedium">{distanceInDays(today, goal.date)}</Text>}>
          <Text>
            {[
              `${goal.distanceM} m ${goal.place === 'pool' ? 'in the pool' : 'in open water'} on ${datedWord(goal.date, today)}`,
              ...(goal.targetTimeS ? [`wanted ${formatTime(goal.targetTimeS)}`] : []),
            ].join(' · ')}
          </Text>
        </Card>
      ) : null}
      <FocusCard focus={focus} />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 12 },
});
