/** The worker that reads films, started at the first film. */
import { wrap, type Remote } from 'comlink';
import type { FilmWork } from './film.worker';

let remote: Remote<FilmWork> | undefined;

export function filmWork(): Remote<FilmWork> {
  remote ??= wrap<FilmWork>(new Worker(new URL('./film.worker', import.meta.url)));
  return remote;
}
