import type { KeptPoint } from '@upwell/contract/water';
import type { CleanTrack, Course, MeasuredTrack, TrackHabits } from '@upwell/core/water';
import { useEffect, useState } from 'react';
import { compute } from '@/worker/compute';
import type { OrRefused } from '@/worker/compute.worker';

/** A swim laid over its course, in the worker; null until it is there. The last answer stays while habits change. */
export function useMeasured(
  track: CleanTrack | readonly KeptPoint[] | null,
  course: Course | null,
  habits: TrackHabits,
): OrRefused<MeasuredTrack> | null {
  const [answer, setAnswer] = useState<OrRefused<MeasuredTrack> | null>(null);
  useEffect(() => {
    if (!track || !course) return;
    let here = true;
    void compute()
      .measureSwum(track, course, habits)
      .then((measured) => {
        if (here) setAnswer(measured);
      });
    return () => {
      here = false;
    };
  }, [track, course, habits]);
  return answer;
}
