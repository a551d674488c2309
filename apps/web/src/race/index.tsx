import { lazy, Suspense } from 'react';
import type * as screens from './screens';
import { Loading } from '@/ui/States';

type Screens = typeof screens;

/** The race plan is one part, loaded when the first of its pages is opened. */
function later(name: keyof Screens) {
  const Screen = lazy(() => import('./screens').then((all) => ({ default: all[name] })));
  return function Later() {
    return (
      <Suspense fallback={<Loading label="Opening the race plan" />}>
        <Screen />
      </Suspense>
    );
  };
}

const Line = lazy(() => import('./screens').then((all) => ({ default: all.GapLine })));

/** What a swimmer's page says of the gap; loaded after the page. */
export function GapLine({ swimmerId }: { readonly swimmerId: string }) {
  return (
    <Suspense fallback={null}>
      <Line swimmerId={swimmerId} />
    </Suspense>
  );
}

export const RaceScreen = later('RaceScreen');
export const SeasonScreen = later('SeasonScreen');
export const MyWeekScreen = later('MyWeekScreen');
