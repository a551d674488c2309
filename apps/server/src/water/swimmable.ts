import { checkCourse, legsOf, lengthOf, type Course } from '@upwell/core/water';
import { ProblemError } from '../platform/problemError';

/**
 * Metres of a course, all laps together.
 *
 * @throws ProblemError 422 with what is wrong when it cannot be swum
 */
export function swimmableLength(course: Course): number {
  const stops = checkCourse(course).filter((p) => p.weight === 'stop');
  if (stops.length > 0)
    throw new ProblemError(422, stops.map((p) => p.text).join(' '), {
      fields: stops.map(({ text }) => ({ field: 'course', message: text })),
    });
  return lengthOf(legsOf(course));
}
