// What crosses the wire about results, swim tests and imports.
import type { Attendance, RepRecord } from '@upwell/core/deck';
import { dayIn } from '@upwell/core/days';
import { LADDER_IDS } from '@upwell/core/library';
import {
  MOST_SPLITS,
  RESULT_KINDS,
  resultYearProblem,
  splitsProblem,
  type ResultKind,
  type ResultLine,
  type Standard,
  type SwimDetails,
} from '@upwell/core/measures';
import { LONGEST_MEET } from '@upwell/core/exchange/shapes';
import { POOL_LENGTH, POOL_UNITS } from '@upwell/core/units';
import type { Sighting, SignId } from '@upwell/core/review';
import type { SwimTestKind, TestInput, TestOutcome } from '@upwell/core/swimtests';
import type { CustomValidator, Schema, SchemaMap } from 'joi';
import { Joi } from './joi';
import { isoDate, line, oneOf, saved, uuid, type Saved } from './common';
import { lengthMetricsSchema, trials } from './compute';
import { oneKind } from './plan';
import { CHUNK_ROWS, MOST_CHUNKS, MOST_IMPORTED, RESULT_SORTS, type ResultSort } from './recordLimits';
import { notFasterThanAnybody, type ResultView } from './swimmers';

const number = Joi.number();
const few = (item: Schema) => Joi.array().items(item).max(60).required();
const positive = () => number.greater(0);

const inputs: Readonly<Record<SwimTestKind, SchemaMap>> = {
  'critical-speed': { trials: trials(1) },
  'rate-ramp': {
    lengthM: positive().max(100).required(),
    repM: positive().max(400).required(),
    pushOffM: number.min(0).less(Joi.ref('lengthM')).required(),
    pushOffS: number.min(0).max(60).required(),
    reps: few(Joi.object({ timeS: positive().max(3600).required(), strokes: positive().max(200).required() })),
  },
  'clean-length': { lengths: few(lengthMetricsSchema) },
  'closed-eyes': {
    strokes: number.integer().min(4).max(30).required(),
    strokeLengthM: positive().max(3).required(),
    offM: few(number.min(-60).max(60)),
  },
  glide: { metres: few(positive().max(25)) },
  tumble: { timesS: few(positive().max(60)) },
  'ladder-step': {
    ladder: oneOf(LADDER_IDS).required(),
    step: number.integer().min(0).max(30).required(),
    tries: number.integer().min(0).max(60).required(),
    passed: number.integer().min(0).max(60).required(),
  },
};

/** What was taken down for a test, its shape told by its `kind`. */
export const testInputSchema = oneKind(
  Object.fromEntries(
    Object.entries(inputs).map(([kind, fields]) => [kind, Joi.object({ kind: Joi.valid(kind).required(), ...fields })]),
  ),
);

export interface TestFields {
  readonly swimmerId: string;
  readonly heldOn: string;
  readonly input: TestInput;
  readonly note: string;
}
export type TestSave = TestFields & Saved;

export const testSaveSchema = Joi.object<TestSave>({
  swimmerId: uuid().required(),
  heldOn: isoDate().required(),
  input: testInputSchema.required(),
  note: line(400).allow('').required(),
  ...saved,
});

export interface TestView extends TestFields {
  readonly id: string;
  readonly version: number;
  readonly kind: SwimTestKind;
  readonly outcome: TestOutcome;
}

/** A day that a result can have: nobody swims next decade, and nobody here swam before 1980. */
const resultDay = () =>
  isoDate().custom((on: string, helpers) => {
    const problem = resultYearProblem(on, Number(dayIn('UTC', Date.now()).slice(0, 4)));
    return problem ? helpers.message({ custom: problem }) : on;
  });

/** The length of a pool a swim was in. */
export const swumPool = () =>
  Joi.object({
    length: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max).required(),
    unit: oneOf(POOL_UNITS).required(),
  });

const swimDetails = () =>
  Joi.object<SwimDetails>({
    pool: swumPool(),
    splitsS: Joi.array().items(positive().max(86_400)).min(1).max(MOST_SPLITS),
    meet: line(LONGEST_MEET),
  });

/** What no stopwatch could have shown. */
const likely: CustomValidator<ResultLine> = (value, helpers) => {
  const problem =
    splitsProblem(value) ?? (value.kind === 'track' && value.details?.pool ? 'A swim outside has no pool.' : null);
  return problem ? helpers.message({ custom: problem }) : value;
};

const resultValues = {
  on: resultDay().required(),
  distanceM: number.min(1).max(100_000).precision(3).required(),
  timeS: positive().max(86_400).required(),
  strokesPerLength: positive().max(200).allow(null).required(),
  kind: oneOf(RESULT_KINDS).required(),
  details: swimDetails(),
};

const resultFields = { swimmerId: uuid().required(), ...resultValues };

/** A result as it was before a coach corrected it. */
export type ResultBefore = Omit<ResultLine, 'swimmerId'>;

/**
 * One result; with what it was, it is corrected, as long as it still is that. Details that are left out stay as they are; empty
 * ones are taken away.
 */
export interface ResultSave extends ResultLine {
  readonly was?: ResultBefore;
}

/** A result as an archive holds it: also one from before days were asked about. */
export const resultRowSchema = Joi.object<ResultLine>({
  ...resultFields,
  on: isoDate().required(),
  // Archives from before have none.
  details: swimDetails().default({}),
})
  .custom(notFasterThanAnybody)
  .custom(likely);

export const resultSaveSchema = Joi.object<ResultSave>({
  ...resultFields,
  // As it was stored, by the rules of its day.
  was: Joi.object({ ...resultValues, on: isoDate().required() }),
})
  .custom(notFasterThanAnybody)
  .custom(likely);

export interface ChunkBody {
  readonly rows: readonly ResultLine[];
}

export const chunkSchema = Joi.object<ChunkBody>({
  rows: Joi.array()
    .items(Joi.object<ResultLine>(resultFields).custom(notFasterThanAnybody).custom(likely))
    .min(1)
    .max(CHUNK_ROWS)
    .required(),
});

export const chunkParams = Joi.object<{ id: string; chunk: number }>({
  id: uuid().required(),
  chunk: number
    .integer()
    .min(0)
    .max(MOST_CHUNKS - 1)
    .required(),
});

/** What is known of rows on their way in, before they are stored. */
export interface ImportCheck {
  /** Rows that have arrived. */
  readonly rows: number;
  /** How many of them are here already: same swimmer, day, distance and time, each stored swim counted once. */
  readonly known: number;
  /** Some of those. */
  readonly examples: readonly Omit<ClubResult, 'id'>[];
}

export interface CommitBody {
  readonly rows: number;
  /** Of the file, for the list of imports. */
  readonly name: string;
  /** Leaves out what is here already. */
  readonly skipKnown: boolean;
}

export const commitSchema = Joi.object<CommitBody>({
  rows: number.integer().min(1).max(MOST_IMPORTED).required(),
  name: line(120).allow('').default(''),
  skipKnown: Joi.boolean().default(false),
});

/** One import, as it is listed. */
export interface ImportView {
  readonly id: string;
  readonly name: string;
  readonly by: string | null;
  /** Rows of the file, and how many of them were stored. */
  readonly rows: number;
  readonly stored: number;
  readonly storedAt: string;
  /** When it was undone, and how many results that took back; null while it stands. */
  readonly undoneAt: string | null;
  readonly removed: number;
}

/** What became of an import: stored, or nothing of it (yet). */
export interface ImportState {
  readonly done: ImportView | null;
}

/** A timed rep of a session. */
export interface RepView extends Omit<RepRecord, 'swimmer' | 'passage' | 'rep' | 'atMs'> {
  readonly sessionId: string;
  readonly title: string;
  readonly on: string;
  readonly rep: number;
  readonly set: string;
}

/** A sign noted on deck, waiting to be looked at in the next review. */
export interface DeckSign {
  readonly id: string;
  readonly sign: SignId;
  readonly sighting: Sighting;
  readonly on: string;
}

export interface AttendedView {
  readonly sessionId: string;
  readonly title: string;
  readonly on: string;
  readonly as: Attendance;
}

/** Everything measured of one swimmer. */
export interface RecordsView {
  readonly results: readonly (ResultView & Pick<ResultLine, 'kind' | 'details'>)[];
  readonly tests: readonly TestView[];
  readonly reps: readonly RepView[];
  readonly signs: readonly DeckSign[];
  readonly attended: readonly AttendedView[];
  /** Times that the club asks for. Missing on pages kept by an older app. */
  readonly standards?: readonly Standard[];
}

export interface ResultsQuery {
  readonly search?: string;
  readonly squadId?: string;
  readonly kind?: ResultKind;
  readonly distanceM?: number;
  readonly sort?: ResultSort;
  readonly falling?: boolean;
  readonly offset?: number;
  readonly limit?: number;
}

export const resultsQuerySchema = Joi.object<ResultsQuery>({
  search: line(60).allow(''),
  squadId: uuid(),
  kind: oneOf(RESULT_KINDS),
  distanceM: positive().max(100_000),
  sort: oneOf(RESULT_SORTS).default('on'),
  falling: Joi.boolean().default(true),
  offset: number.integer().min(0).max(10_000).default(0),
  limit: number.integer().min(1).max(200).default(50),
});

export interface ClubResult extends ResultLine {
  readonly id: string;
  readonly name: string;
}

export interface ResultsPage {
  readonly items: readonly ClubResult[];
  /** How many are found; one more than `RESULTS_COUNTED` stands for more than that. */
  readonly total: number;
}
