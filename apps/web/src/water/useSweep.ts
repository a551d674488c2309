import type { LegSwim, Sweep } from '@upwell/core/water';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { compute } from '@/worker';

/** Intervals that are swept, strokes. */
export const SWEPT = Array.from({ length: 19 }, (_, i) => i + 2);

interface Swept {
  readonly key: string;
  readonly sweep: Sweep;
  /** 0–1. */
  readonly share: number;
}

/**
 * What every interval costs on a leg, better and better; a new leg ends the old sweep.
 *
 * @returns the answer so far, null before the first, and a way to stop
 */
export function useSweep(leg: LegSwim | null): {
  readonly swept: Swept | null;
  readonly stopped: boolean;
  readonly stop: () => void;
} {
  const [swept, setSwept] = useState<Swept | null>(null);
  const [stoppedAt, setStoppedAt] = useState<string | null>(null);
  const key = JSON.stringify(leg);
  useEffect(() => {
    const asked = JSON.parse(key) as LegSwim | null;
    if (!asked) return;
    let here = true;
    const take = (sweep: Sweep, share: number) => {
      // Reports may come after the final answer; a share never falls.
      if (here) setSwept((now) => (now?.key === key && now.share > share ? now : { key, sweep, share }));
    };
    void compute()
      .sweep(asked, SWEPT, proxy(take))
      .then((sweep) => sweep && take(sweep, 1));
    return () => {
      here = false;
    };
  }, [key]);
  const stop = () => {
    setStoppedAt(key);
    void compute().stopSweep();
  };
  return { swept: swept?.key === key ? swept : null, stopped: stoppedAt === key, stop };
}

/** Swims drawn on the map. */
const DRAWN = 300;

/** Lines of the leg for one interval, in metres along it and to the right of it. */
export function useBundle(leg: LegSwim | null, interval: number): readonly (readonly number[])[] {
  const [bundle, setBundle] = useState<{ key: string; lines: number[][] } | null>(null);
  const key = JSON.stringify([leg, interval]);
  useEffect(() => {
    const [asked, every] = JSON.parse(key) as [LegSwim | null, number];
    if (!asked) return;
    let here = true;
    void compute()
      .trackBundle(asked, every, DRAWN)
      .then((lines) => {
        if (here) setBundle({ key, lines });
      });
    return () => {
      here = false;
    };
  }, [key]);
  // The last bundle stays until the next is there, so that dragging does not flicker.
  return leg && bundle ? bundle.lines : NONE;
}
const NONE: readonly (readonly number[])[] = [];
