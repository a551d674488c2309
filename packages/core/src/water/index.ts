// A course on the earth: marks, legs, areas, files.
export * from './course/plane';
export * from './course/model';
export * from './course/legs';
export * from './course/checkCourse';
export * from './course/movedCourse';
export * from './course/otherSwims';
export * from './course/position';
export type { NamedCourse, ReadCourse } from './course/assembleCourse';
export { LARGEST_COURSE } from './course/assembleCourse';
export type { Found, FoundRole, FoundShape, FoundThing } from './course/foundPlaces';
export { cornersOf, courseFrom, found, FOUND_ROLES, ROLES_OF, withRole } from './course/foundPlaces';
export { COURSE_NAMESPACE, readCourseGpx, writeCourseGpx } from './course/courseGpx';
export { COURSE_FORMAT, readCourseGeoJson, writeCourseGeoJson } from './course/courseGeoJson';

// Tides and weather, simulated.
export * from './forecast/tide';
export * from './forecast/simulatedWeather';

// Whether to go in, which swimmers, and for how long.
export * from './day/model';
export * from './day/checks';
export * from './day/decide';
export * from './day/swimOut';
export * from './day/waterRead';
export * from './day/plannedOutside';

// One leg: where to aim, how often to look, which side to breathe to.
export * from './leg/aim';
export * from './leg/chop';
export * from './leg/mixedUp';
export * from './leg/sun';
export * from './leg/sides';
export * from './leg/crossing';
export * from './leg/drafting';
export * from './leg/sighting';
export type { LegSwim } from './leg/swim';
export * from './leg/simulate';
export * from './leg/sweepLeg';
export * from './leg/legPlan';
export * from './leg/kitList';
export * from './leg/raceCard';
export * from './leg/legSketch';

// What a swum track says.
export type { CleanTrack, Gap } from './track/cleanTrack';
export { cleanTrack, MOST_TRACK_POINTS, RefusedTrack } from './track/cleanTrack';
export type { SwumSum } from './track/swumLength';
export { swumSum } from './track/swumLength';
export type { LegSwum, MeasuredTrack } from './track/measureTrack';
export { measureTrack } from './track/measureTrack';
export type { TrackHabits } from './track/driftBetweenLooks';
export type { TrackStep } from './track/trackPoints';
export { simulatedTrack, type Outing } from './track/simulatedTrack';
