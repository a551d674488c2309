/** The keys of the clip table: taps, play, a frame back and on, and the list of keys. */
import type { Tap } from '@upwell/core/measures';
import { useEffect } from 'react';
import { TAP_KEYS } from './TapPad';
import type { Video } from './useVideo';

export function useClipKeys(video: Video, onTap: (tap: Pick<Tap, 'kind' | 'side'>) => void, onHelp: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.metaKey || event.ctrlKey || event.altKey || target.closest('input:not([type=range]), textarea')) return;
      const tap = TAP_KEYS[event.key.toLowerCase()];
      if (event.key === '?') onHelp();
      else if (!video.state.ready) return;
      else if (tap && !event.repeat) onTap(tap);
      else if (event.key === ' ' && !target.closest('button, [role=button]')) video.toggle();
      else if (event.key === ',') video.step(-1);
      else if (event.key === '.') video.step(1);
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  });
}
