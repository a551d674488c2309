// A club as a file: its parts, their order and their limits.
import { MOST_MARKS } from '@upwell/core/library';
import { drillId } from './drills';
import { libraryRow } from './library';
import { PHASES, PLAIN_WEEK_NOTES } from '@upwell/core/race';
import { WEEK_KINDS } from '@upwell/core/sessions';
import { CAUSE_IDS, FOCUS_OUTCOMES, SIGN_IDS } from '@upwell/core/review';
import { DECISIONS } from '@upwell/core/water';
import type { ObjectSchema, Schema } from 'joi';
import { Joi } from './joi';
import { clipSaveSchema } from './clips';
import { clubRulesSchema } from './club';
import { isoDate, line, moment, oneOf, uuid } from './common';
import { deckEventSchema } from './deck';
import { racePlanSaveSchema, ratingSaveSchema } from './race';
import { resultRowSchema, testSaveSchema } from './records';
import { reviewSaveSchema, trySchema } from './review';
import { sessionSaveSchema } from './sessions/session';
import { ladderMarkSchema, squadSaveSchema, swimmerSaveSchema } from './swimmers';
import { courseSaveSchema } from './water/course';
import { readingKeptSchema } from './water/reading';
import { trackKeptSchema } from './water/track';
import { dayReasonSchema, waterDaySchema } from './water/day';

export const ARCHIVE_FORMAT = 'upwell-club';

/** Largest archive that is taken in, bytes. */
export const MOST_ARCHIVE_BYTES = 128 * 1024 * 1024;

const id = { id: uuid().required() };
/** The fields of a save without what only a save needs. */
const kept = (save: ObjectSchema): ObjectSchema => save.fork(['version', 'writeId'], (field) => field.forbidden());
const rows = (schema: ObjectSchema): ObjectSchema => schema;
const weight = () => Joi.number().min(-1e6).max(1e6).required();

const ranking = Joi.array()
  .items(
    Joi.object({
      cause: oneOf(CAUSE_IDS).required(),
      probability: Joi.number().min(0).max(1).required(),
      reasons: Joi.array()
        .items(Joi.object({ sign: oneOf(SIGN_IDS).required(), weight: weight() }).unknown())
        .max(SIGN_IDS.length)
        .required(),
    }),
  )
  .max(CAUSE_IDS.length);

/** What one row of each part looks like, in the order in which the parts are taken in: each needs those before it. */
export const ARCHIVE_ROWS = {
  // Who did and signed what: names, and no way to sign in.
  accounts: Joi.object({ ...id, name: line(120).required() }),
  // Before everything that names a drill of the club itself.
  library: libraryRow({ ...id, changedBy: uuid().required(), changedAt: moment().required() }),
  squads: kept(squadSaveSchema).keys(id),
  swimmers: kept(swimmerSaveSchema).keys({
    ...id,
    ladderLog: Joi.array().items(rows(ladderMarkSchema).keys(id)).max(MOST_MARKS).default([]),
  }),
  reviews: kept(reviewSaveSchema)
    .fork(['focus', 'relook'], (field) => field.forbidden().default(undefined))
    .keys({ ...id, coachId: uuid().required(), ranking: ranking.required() }),
  focuses: Joi.object({
    ...id,
    swimmerId: uuid().required(),
    reviewId: uuid().required(),
    cause: oneOf(CAUSE_IDS).required(),
    drill: drillId().required(),
    cue: line(120).required(),
    tries: Joi.number().integer().min(1).max(50).required(),
    since: moment().required(),
    relookOn: isoDate().required(),
    outcome: oneOf(FOCUS_OUTCOMES).allow(null).required(),
    closedAt: moment().allow(null).required(),
    saidBack: line(200).allow('').required(),
    felt: line(200).allow('').required(),
  }),
  tries: rows(trySchema).keys({ ...id, swimmerId: uuid().required(), focusId: uuid().required() }),
  clips: kept(clipSaveSchema).keys({ ...id, coachId: uuid().required() }),
  courses: kept(courseSaveSchema).keys(id),
  sessions: kept(sessionSaveSchema).keys({ ...id, createdBy: uuid().required() }),
  results: rows(resultRowSchema).keys(id),
  tests: kept(testSaveSchema).keys({ ...id, notedBy: uuid().required() }),
  readings: readingKeptSchema.keys({ ...id, courseId: uuid().required() }),
  // A record: what was decided then, not what would be decided now.
  waterDays: rows(waterDaySchema).keys({
    ...id,
    // The course may have been taken out since.
    courseId: uuid().allow(null).required(),
    signedBy: uuid().required(),
    signedAt: moment().required(),
    decision: oneOf(DECISIONS).required(),
    reasons: Joi.array().items(dayReasonSchema).max(60).required(),
  }),
  tracks: trackKeptSchema.keys({ ...id, notedBy: uuid().required() }),
  racePlans: kept(racePlanSaveSchema).keys(id),
  // Weeks that are over, as they were planned.
  weeks: Joi.object({
    ...id,
    swimmerId: uuid().required(),
    monday: isoDate().required(),
    phase: oneOf(PHASES).required(),
    kind: oneOf(WEEK_KINDS).required(),
    load: Joi.number().integer().min(0).max(1e6).required(),
    theme: oneOf(CAUSE_IDS).required(),
    // Archives from before the codes name the step and say the notes in sentences.
    step: Joi.alternatives(Joi.number().integer().min(0).max(99).strict(), line(120)).allow(null).required(),
    test: Joi.boolean().required(),
    notes: Joi.array()
      .items(
        Joi.object({ note: oneOf(PLAIN_WEEK_NOTES).required() }),
        Joi.object({ note: oneOf(['other-race'] as const).required(), on: isoDate().required() }),
        Joi.object({
          note: oneOf(['long-swim'] as const).required(),
          metres: Joi.number().integer().min(1).max(100_000).required(),
          outside: Joi.boolean().required(),
          fed: Joi.boolean().required(),
        }),
      )
      .max(60),
    words: Joi.array().items(line(500)).max(60),
  }).xor('notes', 'words'),
  ratings: rows(ratingSaveSchema).keys({
    ...id,
    sessionId: uuid().required(),
    swimmerId: uuid().required(),
    ratedAt: moment().required(),
  }),
  deckEvents: Joi.object({
    sessionId: uuid().required(),
    notedBy: uuid().required(),
    event: deckEventSchema.required(),
  }),
} as const satisfies Readonly<Record<string, Schema>>;

export type ArchivePart = keyof typeof ARCHIVE_ROWS;
export const ARCHIVE_PARTS = Object.keys(ARCHIVE_ROWS) as ArchivePart[];

/** Everything a club keeps, as one file. Rows are checked one by one when they are taken in. */
export interface ClubArchive extends Readonly<Record<ArchivePart, readonly unknown[]>> {
  readonly format: typeof ARCHIVE_FORMAT;
  readonly version: 1;
  readonly savedAt: string;
  readonly clubId: string;
  readonly clubName: string;
  readonly rules: unknown;
}

/** Not in the first archives. */
const LATER_PARTS: readonly ArchivePart[] = [
  'accounts',
  'library',
  'tracks',
  'readings',
  'racePlans',
  'weeks',
  'ratings',
];

const NOT_ONE = 'This is not an archive of a club.';

export const archiveSchema = Joi.object<ClubArchive>({
  format: Joi.valid(ARCHIVE_FORMAT).required().messages({ 'any.only': NOT_ONE, 'any.required': NOT_ONE }),
  version: Joi.valid(1)
    .required()
    .messages({ 'any.only': 'This archive was made by a version that this server does not know.' }),
  savedAt: moment().required(),
  clubId: uuid().required(),
  clubName: line(120).required(),
  rules: clubRulesSchema
    .fork(['kit', 'laneCapacity', 'paceTable', 'water', 'standards'], (field) => field.optional())
    .fork('name', (field) => field.forbidden())
    .required(),
  ...Object.fromEntries(
    ARCHIVE_PARTS.map((part) => {
      const rows = Joi.array().max(500_000);
      return [part, LATER_PARTS.includes(part) ? rows.default([]) : rows.required()];
    }),
  ),
});

/** How many rows of a part were added and how many were already here. */
export interface PartTaken {
  readonly added: number;
  readonly here: number;
}
export type ArchiveTaken = Readonly<Record<ArchivePart, PartTaken>>;
