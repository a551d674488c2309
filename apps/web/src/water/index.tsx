import { lazy, Suspense } from 'react';
import type * as screens from './screens';
import { Loading } from '@/ui/States';

type Screens = typeof screens;

/**
 * All of the water is one part, loaded when the first of its pages is opened: what two parts share would come
 * along with the first screen of the app.
 */
function later(name: keyof Screens) {
  const Screen = lazy(() => import('./screens').then((all) => ({ default: all[name] })));
  return function Later() {
    return (
      <Suspense fallback={<Loading label="Opening the water" />}>
        <Screen />
      </Suspense>
    );
  };
}

export const CoursesScreen = later('CoursesScreen');
export const CourseScreen = later('CourseScreen');
export const CourseImportScreen = later('CourseImportScreen');
export const CourseEditScreen = later('CourseEditScreen');
export const DayScreen = later('DayScreen');
export const TracksScreen = later('TracksScreen');
export const RaceCardScreen = later('RaceCardScreen');
