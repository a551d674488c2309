import { bearingTo, placeAt, type Place } from './plane';
import type { Course } from './model';

/**
 * A course taken along to another start: marks, finish, areas, exits and landmarks keep their distance and bearing from it.
 *
 * @example movedCourse(course, { lat: 31, lon: -41 }).start // { lat: 31, lon: -41 }
 */
export function movedCourse(course: Course, start: Place): Course {
  const along = (place: Place): Place => {
    const { distanceM, bearingDeg } = bearingTo(course.start, place);
    return placeAt(start, bearingDeg, distanceM);
  };
  return {
    ...course,
    start,
    finish: along(course.finish),
    marks: course.marks.map((mark) => ({ ...mark, ...along(mark) })),
    landmarks: course.landmarks.map((landmark) => ({ ...landmark, ...along(landmark) })),
    ...(course.exits ? { exits: course.exits.map((exit) => ({ ...exit, ...along(exit) })) } : {}),
    areas: course.areas.map((area) => ({ ...area, points: area.points.map(along) })),
  };
}
