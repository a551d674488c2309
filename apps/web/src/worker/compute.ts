/** The one compute worker, started at the first use. */
import { NOTHING_OWN, ownShelves } from '@upwell/core/own';
import { wrap, type Remote } from 'comlink';
import type { Work } from './compute.worker';

/** The library that the worker has. */
let sent = NOTHING_OWN;
let remote: Remote<Work> | undefined;

export function compute(): Remote<Work> {
  remote ??= wrap<Work>(new Worker(new URL('./compute.worker', import.meta.url)));
  // Messages arrive in their order: what is asked next is worked out in this library.
  if (sent !== ownShelves()) void remote.setLibrary((sent = ownShelves()));
  return remote;
}
