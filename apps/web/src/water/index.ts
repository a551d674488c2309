import { laterFrom } from '@/ui/later';

const later = laterFrom(() => import('./screens'), 'Opening the water');

export const CoursesScreen = later('CoursesScreen');
export const CourseScreen = later('CourseScreen');
export const CourseImportScreen = later('CourseImportScreen');
export const CourseEditScreen = later('CourseEditScreen');
export const DayScreen = later('DayScreen');
export const TracksScreen = later('TracksScreen');
export const RaceCardScreen = later('RaceCardScreen');
