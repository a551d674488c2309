/** The swim-out that is decided on: each level by loops and minutes, and the way to its head count. */
import { peopleOf, type GroupPerson } from '@upwell/core/sessions';
import { groupOfPlan, swimOutLines, type DayGroup } from '@upwell/core/water';
import { startWord } from '@upwell/core/words';
import type { SessionView } from '@upwell/contract/sessions';
import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useSessionPeopleQuery } from '@/sessions';
import { Card } from '@/ui/Card';

interface PlanCardProps {
  readonly session: SessionView;
  readonly onTake: (people: readonly GroupPerson[], change: Partial<DayGroup>) => void;
}

const half = (loops: number) => `${Math.floor(loops) || ''}${loops % 1 === 0 ? '' : '½'}`;

export function PlanCard({ session, onTake }: PlanCardProps) {
  const router = useRouter();
  const lines = swimOutLines(session.plan);
  const group = groupOfPlan(session.plan);
  const { data } = useSessionPeopleQuery(session.id);
  // Beginners without a group of their own do not go in.
  const people = data ? peopleOf(session.plan, data).flat() : [];
  const swimmers = people.length || group.swimmers;
  return (
    <Card title={session.title}>
      <Text>{startWord(session)}</Text>
      {lines.map((line) => (
        <Text key={line.name}>
          {`${line.name}, ${line.swimmers}: ${half(line.loops)} ${line.loops > 1 ? 'loops' : 'loop'} and skills, ≈ ${line.metres} m, ${line.minutes} min in the water`}
        </Text>
      ))}
      <View style={styles.row}>
        <Button mode="outlined" onPress={() => onTake(people, group)}>
          {`Take its ${swimmers} swimmers and ${group.minutes} minutes`}
        </Button>
        <Button
          mode="outlined"
          icon="whistle"
          onPress={() => router.navigate(`/deck/${session.id}/run?view=heads` as Href)}
        >
          Head count
        </Button>
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 8 },
});
