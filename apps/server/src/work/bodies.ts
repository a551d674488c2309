// How large bodies are checked away from the event loop.
import { libraryImportSchema } from '@upwell/contract/library';
import { check } from '@upwell/contract/common';
import { sessionTextSchema, loadSchema } from '@upwell/contract/compute';
import { clipSaveSchema, stillsSaveSchema } from '@upwell/contract/clips';
import { eventsSchema } from '@upwell/contract/deck';
import { chunkSchema } from '@upwell/contract/records';
import { rosterAskSchema } from '@upwell/contract/roster';
import { sentAnswerSchema } from '@upwell/contract/sent';
import { buildBodySchema, sessionSaveSchema } from '@upwell/contract/sessions';
import { courseSaveSchema, MOST_TRACK_BYTES, raceCardSchema, trackSaveSchema } from '@upwell/contract/water';
import type { Schema } from 'joi';
import { fieldsProblem, readJson } from '../platform/readJson';

const KB = 1024;

/** Bytes of a body where nothing else is said: a swimmer with everything, a review, a race plan. */
export const SMALL_BODY = 64 * KB;
/** Bytes that are read and checked in the thread that answers requests; anything longer would hold up the others. */
export const READ_AT_ONCE = 8 * KB;

/** Bodies that may be large, with their limit in bytes: they are read and checked in a thread of their own. */
const LARGE = {
  session: { schema: sessionSaveSchema, limit: 512 * KB },
  events: { schema: eventsSchema, limit: 2 * KB * KB },
  clip: { schema: clipSaveSchema, limit: 512 * KB },
  stills: { schema: stillsSaveSchema, limit: 512 * KB },
  answer: { schema: sentAnswerSchema, limit: 512 * KB },
  track: { schema: trackSaveSchema, limit: MOST_TRACK_BYTES },
  roster: { schema: rosterAskSchema, limit: 2 * KB * KB },
  results: { schema: chunkSchema, limit: 512 * KB },
  course: { schema: courseSaveSchema, limit: 512 * KB },
  library: { schema: libraryImportSchema, limit: 1024 * KB },
  'build-session': { schema: buildBodySchema, limit: 256 * KB },
  'session-text': { schema: sessionTextSchema, limit: 512 * KB },
  'race-card': { schema: raceCardSchema, limit: 256 * KB },
  load: { schema: loadSchema, limit: 128 * KB },
} as const satisfies Readonly<Record<string, { schema: Schema; limit: number }>>;

export type LargeBody = keyof typeof LARGE;

const BY_SCHEMA = new Map<unknown, LargeBody>(
  Object.entries(LARGE).map(([name, { schema }]) => [schema, name as LargeBody]),
);

/** The name of a body that may be large, by its schema; undefined for others. */
export const largeBody = (schema: unknown): LargeBody | undefined => BY_SCHEMA.get(schema);
export const limitOf = (name: LargeBody): number => LARGE[name].limit;

/** Reads and checks a body that may be large; the problem names the fields as always. */
export function checkBody({
  schema,
  text,
}: {
  readonly schema: LargeBody;
  readonly text: string | Uint8Array;
}): unknown {
  const value = readJson(typeof text === 'string' ? text : Buffer.from(text).toString('utf8'));
  const checked = check(LARGE[schema].schema as Schema, value);
  if (checked.error) throw fieldsProblem(checked.error.details);
  return checked.value;
}
