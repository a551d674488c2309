// How films, and the room they take, are said.
import { numberWord } from '@upwell/core/words';
import { BITS_PER_SECOND } from './record';
import type { FilmView } from './filmStore';

export const VIEW_WORD: Readonly<Record<FilmView, string>> = {
  side: 'from the side',
  front: 'from the front',
  above: 'from above',
  under: 'under water',
};

/** "1.2 GB", "34 MB"; a film of a few seconds has some megabytes. */
export const bytesWord = (bytes: number): string =>
  bytes >= 1e9
    ? `${numberWord(bytes / 1e9, 1)} GB`
    : `${numberWord(bytes < 1e7 ? Math.ceil(bytes / 1e5) / 10 : bytes / 1e6, bytes < 1e7 ? 1 : 0)} MB`;

/** Seconds that can be filmed before the device is full. */
export const roomSeconds = (freeBytes: number): number => Math.floor((freeBytes * 8) / BITS_PER_SECOND);

/** Too little room to begin, seconds. */
export const LEAST_ROOM_S = 20;
/** From here on it is said how much room there is, seconds. */
export const SOME_ROOM_S = 600;
