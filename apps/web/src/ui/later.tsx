/**
 * Pages of one part of the app, loaded together when the first of them is opened: what two parts share comes along with
 * the first screen of the app, what the pages of one part share does not.
 */
import { lazy, Suspense, type ComponentType } from 'react';
import { Loading } from './States';

/**
 * @param load the pages of the part
 * @param label what is said while they come
 * @example const later = laterFrom(() => import('./screens'), 'Opening the water');
 * export const CoursesScreen = later('CoursesScreen');
 */
export function laterFrom<All extends object>(load: () => Promise<All>, label: string) {
  return (name: keyof All) => {
    const Screen = lazy(() => load().then((all) => ({ default: all[name] as ComponentType })));
    return function Later() {
      return (
        <Suspense fallback={<Loading label={label} />}>
          <Screen />
        </Suspense>
      );
    };
  };
}
