/** What speaks against a swim-out while it is planned: dusk at its hour, and the water for its minutes, by the forecast. */
import { momentIn } from '@upwell/core/days';
import type { GroupPerson, SessionPlan } from '@upwell/core/sessions';
import { peopleOf } from '@upwell/core/sessions';
import { groupOfPeople, groupOfPlan, simulatedWeather, swimOutConcerns } from '@upwell/core/water';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { useCourseQuery } from './api';

export interface OutsideNotesProps {
  readonly courseId: string;
  readonly plan: SessionPlan;
  readonly people: readonly GroupPerson[];
  readonly date: string;
  readonly startTime: string;
}

export function OutsideNotes({ courseId, plan, people, date, startTime }: OutsideNotesProps) {
  const theme = useTheme();
  const { data: view } = useCourseQuery(courseId);
  if (!view) return null;
  const at = new Date(momentIn(view.timeZone, date, startTime));
  const concerns = swimOutConcerns(
    simulatedWeather(7)(view.course.start, at),
    at.getTime(),
    groupOfPlan(plan).minutes,
    groupOfPeople(peopleOf(plan, people).flat()),
  );
  if (concerns.length === 0) return null;
  return (
    <View role="alert">
      {concerns.map((text) => (
        <Text key={text} variant="labelLarge" style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
      <Text variant="bodySmall">
        From the simulated forecast; at the water, “Go or not?” decides by what you read there.
      </Text>
    </View>
  );
}
