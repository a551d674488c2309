/** What speaks against a swim-out while it is planned: dusk at its hour, and the water for its minutes, by the forecast. */
import { momentIn } from '@upwell/core/days';
import type { GroupPerson, SessionPlan } from '@upwell/core/sessions';
import { peopleOf } from '@upwell/core/sessions';
import {
  groupOfPeople,
  groupOfPlan,
  NEW_GROUP,
  readConcerns,
  simulatedWeather,
  streamWay,
  swimOutConcerns,
  waterHour,
} from '@upwell/core/water';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { useCourseQuery, useReadingsQuery } from './api';

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
  const { data: readings } = useReadingsQuery(courseId);
  if (!view) return null;
  const at = new Date(momentIn(view.timeZone, date, startTime));
  const hour = waterHour(Number(startTime.slice(0, 2)));
  const noted = readings?.find((r) => r.date === date && r.hour === hour)?.read ?? {};
  const goers = peopleOf(plan, people).flat();
  const group = { ...NEW_GROUP, ...groupOfPlan(plan), ...(goers.length > 0 ? groupOfPeople(goers) : {}) };
  const planned = swimOutConcerns(
    simulatedWeather(7)(view.course.start, at),
    at.getTime(),
    groupOfPlan(plan).minutes,
    group,
    noted,
  );
  const concerns = [...readConcerns(noted, group, undefined, streamWay(view.course)), ...planned];
  if (concerns.length === 0) return null;
  return (
    <View role="alert">
      {concerns.map((text) => (
        <Text key={text} variant="labelLarge" style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
      <Text variant="bodySmall">
        {Object.keys(noted).length > 0
          ? 'By what was read at the water, else the simulated forecast; “Go or not?” decides.'
          : 'From the simulated forecast; at the water, “Go or not?” decides by what you read there.'}
      </Text>
    </View>
  );
}
