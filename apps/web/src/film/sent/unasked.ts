// Clips that are kept to be sent, and are not asked for any more: they leave the device.
import type { SentClip } from '@upwell/contract/sent';
import { useEffect } from 'react';
import { deleteFilms, films } from '../filmStore';

const without = <T extends { readonly id: string }>(all: readonly T[], clips: readonly SentClip[]): T[] =>
  all.filter(({ id }) => !clips.some((clip) => clip.id === id));

/**
 * Deletes the films on a swimmer's device that nobody asks for any more: the coach took the question back, or the clip was
 * deleted on another device. The server itself is asked before anything goes: the list shown may be older than the film.
 *
 * @param listed what the page shows
 */
export async function forgetUnasked(listed: readonly SentClip[]): Promise<void> {
  const unlisted = without(await films(), listed);
  if (unlisted.length === 0) return;
  // Without a line they stay until the next time.
  const response = await fetch(new Request('/api/v1/sent-clips', { credentials: 'same-origin' })).catch(() => null);
  if (!response?.ok) return;
  const unasked = without(unlisted, (await response.json()) as readonly SentClip[]);
  if (unasked.length > 0) await deleteFilms(unasked.map((film) => film.id));
}

/** The same whenever the page of a swimmer has heard what is asked. */
export function useForgetUnasked(listed: readonly SentClip[] | undefined): void {
  useEffect(() => {
    if (listed) void forgetUnasked(listed);
  }, [listed]);
}
