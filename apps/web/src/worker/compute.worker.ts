import { readSession, readSessionCsv, readSessionJson, writeSession } from '@upwell/core/notation';
import { inferCauses } from '@upwell/core/review';
import { anotherSession, buildSession } from '@upwell/core/sessions';
import { expose } from 'comlink';

/** What is too heavy for the thread that draws, or too large to be loaded with the first screen. */
const work = { inferCauses, buildSession, anotherSession, readSession, readSessionCsv, readSessionJson, writeSession };
export type Work = typeof work;

expose(work);
