import { inferCauses } from '@upwell/core/review';
import { buildSession } from '@upwell/core/sessions';
import { expose } from 'comlink';

/** What is too heavy for the thread that draws. */
const work = { inferCauses, buildSession };
export type Work = typeof work;

expose(work);
