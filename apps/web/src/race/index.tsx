import { lazy, Suspense } from 'react';
import { laterFrom } from '@/ui/later';

const later = laterFrom(() => import('./screens'), 'Opening the race plan');

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
