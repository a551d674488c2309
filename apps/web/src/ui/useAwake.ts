import { useEffect } from 'react';

/** Keeps the screen awake while a run is on; taken again whenever the page is seen again. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !globalThis.navigator || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let ended = false;
    const take = async () => {
      if (ended || document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
      } catch (error) {
        // A low battery may refuse it: the run goes on, the screen may darken.
        console.info('The screen cannot be kept awake.', error);
      }
    };
    const seen = () => void take();
    seen();
    document.addEventListener('visibilitychange', seen);
    return () => {
      ended = true;
      document.removeEventListener('visibilitychange', seen);
      void lock?.release();
    };
  }, [on]);
}
