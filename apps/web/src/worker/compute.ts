/** The one compute worker, started at the first use. */
import { wrap, type Remote } from 'comlink';
import type { Work } from './compute.worker';

let remote: Remote<Work> | undefined;

export function compute(): Remote<Work> {
  remote ??= wrap<Work>(new Worker(new URL('./compute.worker', import.meta.url)));
  return remote;
}
