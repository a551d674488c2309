/** On which of the club's courses a session outside is swum; its lap is then the loop. */
import { Choice } from '@/ui/Choice';
import { lapM, useCoursesQuery } from '@/courses';
import type { Wish } from '../wish';

const NONE = 'none';

interface LoopChoiceProps {
  readonly wish: Wish;
  readonly change: (patch: Partial<Wish>) => void;
}

export function LoopChoice({ wish, change }: LoopChoiceProps) {
  const { data: courses } = useCoursesQuery();
  if (!courses || courses.length === 0) return null;
  return (
    <Choice
      label="Course"
      options={[
        ...courses.slice(0, 12).map((c) => ({ value: c.id, label: `${c.name}, ${lapM(c)} m` })),
        { value: NONE, label: 'another loop' },
      ]}
      chosen={[wish.courseId ?? NONE]}
      onPress={(id) => {
        const course = courses.find((c) => c.id === id);
        // Locked blocks and asked loops were of another lap.
        if (course) change({ courseId: id, loopM: lapM(course), locked: {}, lengths: {} });
        else change({ courseId: null });
      }}
    />
  );
}
