import { wrap } from 'comlink';
import type { Work } from './compute.worker';

type Asked<K extends keyof Work> = (...input: Parameters<Work[K]>) => Promise<ReturnType<Work[K]>>;
type Remote = { readonly [K in keyof Work]: Asked<K> };

let remote: Remote | undefined;

/** The one compute worker, started at the first use. Without workers (tests) core is called right here. */
export async function compute(): Promise<Remote> {
  if (remote) return remote;
  if (typeof Worker === 'undefined') {
    const [{ inferCauses }, { buildSession }] = await Promise.all([
      import('@upwell/core/review'),
      import('@upwell/core/sessions'),
    ]);
    remote = {
      inferCauses: async (...input) => inferCauses(...input),
      buildSession: async (...input) => buildSession(...input),
    };
  } else {
    remote = wrap<Work>(new Worker(new URL('./compute.worker', import.meta.url)));
  }
  return remote;
}
