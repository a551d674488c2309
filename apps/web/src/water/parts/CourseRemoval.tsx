/** Takes a course out of the club's list, and puts it back: what was planned and swum on it keeps it meanwhile. */
import type { CourseView } from '@upwell/contract/water';
import { Button } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Notice } from '@/ui/States';
import { useRemoveCourseMutation, useRestoreCourseMutation } from '../api';

/** Said above a course that is out of the list. */
export function CourseRemoved({ course }: { readonly course: CourseView }) {
  const [restore, { error, isLoading }] = useRestoreCourseMutation();
  if (!course.removed) return null;
  return (
    <>
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      <Notice
        action={
          <Button disabled={isLoading} onPress={() => void restore(course.id)}>
            Put it back
          </Button>
        }
      >
        {`“${course.name}” is taken out of the list. Sessions, tracks and decisions on it stay.`}
      </Notice>
    </>
  );
}

export function RemoveCourse({ course }: { readonly course: CourseView }) {
  const [remove, { error, isLoading }] = useRemoveCourseMutation();
  if (course.removed) return null;
  return (
    <>
      <Button
        compact
        icon="trash-can-outline"
        disabled={isLoading}
        accessibilityLabel={`Take out ${course.name}`}
        onPress={() => void remove(course.id)}
      >
        Take out
      </Button>
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
    </>
  );
}
