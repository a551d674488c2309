import type { KeptPoint } from '@upwell/contract/water';
import type { CleanTrack, Course, MeasuredTrack, TrackHabits } from '@upwell/core/water';
import { useEffect, useState } from 'react';
import { compute } from '@/worker';

/** A measured swim with the habits it was measured for, which may have changed since. */
export type Measured = { readonly ok: MeasuredTrack; readonly habits: TrackHabits } | { readonly refused: string };

/** A swim laid over its course, in the worker; null until it is there. The last answer stays while habits change. */
export function useMeasured(
  track: CleanTrack | readonly KeptPoint[] | null,
  course: Course | null,
  habits: TrackHabits,
): Measured | null {
  const [answer, setAnswer] = useState<Measured | null>(null);
  useEffect(() => {
    if (!track || !course) return;
    let here = true;
    void compute()
      .measureSwum(track, course, habits)
      .then((measured) => {
        if (here) setAnswer('ok' in measured ? { ...measured, habits } : measured);
      });
    return () => {
      here = false;
    };
  }, [track, course, habits]);
  return answer;
}
