/** What speaks against a swim-out while it is planned: dusk at its hour, and the water for its minutes, by the forecast. */
import type { GroupPerson, SessionPlan } from '@upwell/core/sessions';
import type { PlannedOutside } from '@upwell/core/water';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { compute } from '@/worker';
import { useCourseQuery, useReadingsQuery } from './api';

interface OutsideNotesProps {
  readonly courseId: string;
  readonly plan: SessionPlan;
  readonly people: readonly GroupPerson[];
  readonly date: string;
  readonly startTime: string;
}

type Said = Awaited<ReturnType<ReturnType<typeof compute>['plannedConcerns']>>;

export function OutsideNotes({ courseId, ...planned }: OutsideNotesProps) {
  const theme = useTheme();
  const { data: view } = useCourseQuery(courseId);
  const { data: readings } = useReadingsQuery(courseId);
  const [said, setSaid] = useState<Said | null>(null);
  const asked = view
    ? JSON.stringify({ ...planned, course: view.course, timeZone: view.timeZone, readings: readings ?? [] })
    : null;
  useEffect(() => {
    if (asked === null) return;
    let left = false;
    void compute()
      .plannedConcerns(JSON.parse(asked) as PlannedOutside)
      .then((answer) => {
        if (!left) setSaid(answer);
      });
    return () => {
      left = true;
    };
  }, [asked]);
  if (!said || said.concerns.length === 0) return null;
  return (
    <View role="alert">
      {said.concerns.map((text) => (
        <Text key={text} variant="labelLarge" style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
      <Text variant="bodySmall">
        {said.byReading
          ? 'By what was read at the water, else the simulated forecast; “Go or not?” decides.'
          : 'From the simulated forecast; at the water, “Go or not?” decides by what you read there.'}
      </Text>
    </View>
  );
}
