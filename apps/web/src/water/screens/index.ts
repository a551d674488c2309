export { CourseEditScreen } from './CourseEditScreen';
export { CourseImportScreen } from './CourseImportScreen';
export { CourseScreen } from './CourseScreen';
export { CoursesScreen } from './CoursesScreen';
export { DayScreen } from './DayScreen';
export { TracksScreen } from './TracksScreen';
export { RaceCardScreen } from './RaceCardScreen';
