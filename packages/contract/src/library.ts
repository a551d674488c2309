// The club's own library on the wire: one entry for each thing that is other than built in.
import { MOST_DRILLS } from './drills';
import { type BodyOf, type LibraryEntry, MOST_OWN_STEPS, MOST_POOLED, keyOf } from '@upwell/core/clubLibrary';
import { DRILL_IDS, DRILL_PLACES, KIT_IDS, LADDER_IDS, ladderCard, MOST_OF_OWN } from '@upwell/core/library';
import { OWN_KINDS, type OwnKind } from '@upwell/core/own';
import { CAUSE_IDS, SIGN_IDS, type Strength } from '@upwell/core/review';
import { HEALTH_FLAGS, LEVELS, STROKE_MODELS } from '@upwell/core/swimmers';
import type { ObjectSchema, Schema } from 'joi';
import { type Saved, check, groupName, line, oneOf, saved } from './common';
import { Joi } from './joi';

/** Longest of what is said at the wall, and of a sentence on a card. */
const CUE = 120;
const SENTENCE = 300;
const OWN_ID = /^own(-[a-z]+)+$/;
/** The id of a drill that a club wrote; letters, so that it can stand in the text of a session. */
const ownDrillId = () => Joi.string().max(50).pattern(OWN_ID, { name: 'own- and a name in letters' });

const number = Joi.number();
const words = (max = SENTENCE) => line(max).min(2).required();
const sentences = (most: number, least = 0) => Joi.array().items(line(SENTENCE).min(2)).min(least).max(most).required();
const some = (values: readonly string[]) => Joi.array().items(oneOf(values)).unique().max(values.length).required();
const tries = () => number.integer().min(1).max(MOST_OF_OWN.tries).required();
const metres = () => number.min(1).max(MOST_OF_OWN.metres).required();

const dose = Joi.alternatives().conditional(Joi.object({ kind: Joi.valid('distance').required() }).unknown(), {
  then: Joi.object({
    kind: Joi.valid('distance').required(),
    ...{ tries: tries(), metres: metres(), mostM: metres(), whole: number.min(1).max(MOST_OF_OWN.metres) },
  }),
  otherwise: Joi.alternatives().conditional(Joi.object({ kind: Joi.valid('seconds').required() }).unknown(), {
    then: Joi.object({
      kind: Joi.valid('seconds').required(),
      ...{ tries: tries(), seconds: number.integer().min(1).max(MOST_OF_OWN.seconds).required() },
    }),
    otherwise: Joi.object({
      kind: Joi.valid('repeats').required(),
      ...{ tries: tries(), eachS: number.integer().min(1).max(MOST_OF_OWN.seconds).required() },
    }),
  }),
});

const card = Joi.object({
  name: words(60),
  purpose: words(),
  trains: line(60),
  steps: sentences(8, 1),
  feel: line(SENTENCE).allow('').required(),
  mistakes: sentences(6),
  cue: words(CUE),
  kit: some(KIT_IDS),
  places: some(DRILL_PLACES),
  from: oneOf(LEVELS).required(),
  contradicts: some(STROKE_MODELS),
  view: oneOf(['side', 'front', 'above', 'under water']).required(),
  levelEdge: Joi.valid(true),
  standIn: Joi.valid(true),
  moves: Joi.object({ rate: Joi.valid(1, -1), length: Joi.valid(1, -1), breath: Joi.valid(1, -1) }),
  dose: dose.required(),
  factor: number.min(0.2).max(1.2).precision(2).allow(null).required(),
  cautions: sentences(6),
  notWith: some(HEALTH_FLAGS),
});

/** Most that is ever counted of one thing: hundreds of swimmers for decades. */
const MOST_COUNTED = 1_000_000;
const count = () => number.integer().min(0).max(MOST_COUNTED).required();
const countOf = () => Joi.array().ordered(count(), count()).required();
const anyDrillId = () =>
  Joi.alternatives(oneOf(DRILL_IDS), ownDrillId()).messages({ 'alternatives.match': 'There is no such drill.' });

const rung = { what: words(), tries: tries(), pass: words(), backIf: words() };
const STRENGTHS: readonly (Strength | 'none')[] = ['strong', 'some', 'weak', 'none'];

/** The body of an entry, by its kind. */
const BODIES: Readonly<Record<OwnKind, ObjectSchema>> = {
  drills: Joi.object({
    card,
    answers: Joi.array().items(oneOf(CAUSE_IDS)).unique().max(CAUSE_IDS.length),
    hidden: Joi.valid(true),
  }).or('card', 'hidden'),
  causes: Joi.object({ cue: words(CUE), openTurnCue: line(CUE).min(2) }),
  signs: Joi.object({ seen: words(CUE) }),
  ladders: Joi.object({
    changed: Joi.object()
      .pattern(Joi.string().pattern(/^\d{1,2}$/), Joi.object(rung))
      .max(Math.max(...LADDER_IDS.map((id) => ladderCard(id).steps.length))),
    added: Joi.array()
      .items(Joi.object({ ...rung, kit: some(KIT_IDS) }))
      .max(MOST_OWN_STEPS),
  }).or('changed', 'added'),
  links: Joi.object().pattern(oneOf(SIGN_IDS), oneOf(STRENGTHS)).min(1).max(SIGN_IDS.length),
  bands: Joi.object()
    .pattern(
      oneOf(STROKE_MODELS),
      Joi.array().ordered(number.min(-200).max(200).required(), number.min(-200).max(200).required()),
    )
    .min(1)
    .max(STROKE_MODELS.length),
  levels: Joi.object({
    name: groupName().min(2).max(30).required(),
    metresPerHour: Joi.array()
      .ordered(number.integer().min(0).max(1e5).required(), number.integer().min(1).max(1e5).required())
      .required(),
  }),
  experience: Joi.object()
    .pattern(
      oneOf(CAUSE_IDS),
      Joi.object({
        signs: Joi.object().pattern(oneOf(SIGN_IDS), countOf()).max(SIGN_IDS.length).required(),
        drills: Joi.object()
          .pattern(anyDrillId(), Joi.object().pattern(oneOf(LEVELS), countOf()).max(LEVELS.length))
          .max(MOST_DRILLS)
          .required(),
      }),
    )
    .max(CAUSE_IDS.length),
};

/** What names an entry, by its kind. */
const KEYS: Readonly<Record<OwnKind, Schema>> = {
  drills: anyDrillId(),
  causes: oneOf(CAUSE_IDS),
  signs: oneOf(SIGN_IDS),
  ladders: oneOf(LADDER_IDS),
  links: oneOf(CAUSE_IDS),
  bands: oneOf(SIGN_IDS),
  levels: oneOf(LEVELS),
  /** Our own, or that of a club by its name. */
  experience: line(90).pattern(/^(ours|from .+)$/, { name: 'whose experience it is' }),
};

/** A schema for each kind, told apart by `kind`. */
const byKind = (of: (kind: OwnKind) => Schema): Schema =>
  [...OWN_KINDS].reverse().reduce<Schema | undefined>(
    (rest, kind) =>
      rest === undefined
        ? of(kind)
        : Joi.alternatives().conditional(Joi.object({ kind: Joi.valid(kind).required() }).unknown(), {
            then: of(kind),
            otherwise: rest,
          }),
    undefined,
  )!;

const entryOf = (kind: OwnKind) => ({
  kind: Joi.valid(kind).required(),
  key: KEYS[kind].required(),
  body: BODIES[kind].required(),
});

/** One entry of a library. */
export const libraryEntrySchema = byKind((kind) => Joi.object(entryOf(kind))) as Schema<LibraryEntry>;
/** One entry as it stands in the archive of a club. */
export const libraryRow = (more: Readonly<Record<string, Schema>>) =>
  byKind((kind) => Joi.object({ ...entryOf(kind), ...more }));

/** One change: what the entry holds from now on; `null` goes back to what is built in. */
export type EntrySave = Saved &
  {
    [K in OwnKind]: Pick<Extract<LibraryEntry, { kind: K }>, 'kind' | 'key'> & { readonly body: BodyOf<K> | null };
  }[OwnKind];
export const entrySaveSchema = byKind((kind) =>
  Joi.object({ ...saved, ...entryOf(kind), body: BODIES[kind].allow(null).required() }),
) as Schema<EntrySave>;

/** An entry with who wrote it; `body` is null where the club went back to what is built in. */
export type EntryView = (LibraryEntry | { readonly kind: OwnKind; readonly key: string; readonly body: null }) & {
  readonly version: number;
  readonly by: string;
  readonly at: string;
};

/** Everything that the club has of its own. */
export interface LibraryView {
  /** Counts the changes: another number is another library. */
  readonly version: number;
  readonly entries: readonly EntryView[];
}

/** Entries of a file that come in together, or not at all. */
export interface LibraryImport {
  readonly writeId: string;
  /** The library on which the choice was made. */
  readonly version: number;
  readonly entries: readonly LibraryEntry[];
}
const MOST_ENTRIES =
  MOST_DRILLS + 2 * CAUSE_IDS.length + 2 * SIGN_IDS.length + LADDER_IDS.length + LEVELS.length + MOST_POOLED + 1;
const entries = () =>
  Joi.array()
    .items(libraryEntrySchema)
    .max(MOST_ENTRIES)
    .unique((a: LibraryEntry, b: LibraryEntry) => keyOf(a) === keyOf(b));
export const libraryImportSchema = Joi.object<LibraryImport>({ ...saved, entries: entries().min(1).required() });

/** A library as a file, for another club. */
export interface LibraryFile {
  readonly format: 'upwell-library';
  readonly formatVersion: 1;
  readonly club: string;
  readonly savedAt: string;
  readonly entries: readonly LibraryEntry[];
}
const NOT_ONE = 'This is not the library of a club.';
export const libraryFileSchema = Joi.object<LibraryFile>({
  format: Joi.valid('upwell-library').required().messages({ 'any.only': NOT_ONE, 'any.required': NOT_ONE }),
  formatVersion: Joi.valid(1)
    .required()
    .messages({ 'any.only': 'This file was made by a version that this one does not know.' }),
  club: line(80).required(),
  savedAt: line(40).required(),
  entries: entries().required(),
}).unknown();
/** Most characters of such a file. */
const LONGEST_LIBRARY = 1_000_000;

/** The library in a file, or what is wrong with it. */
export function readLibraryFile(text: string): { readonly file: LibraryFile } | { readonly wrong: string } {
  if (text.length > LONGEST_LIBRARY) return { wrong: 'This file is too large for a library.' };
  let said: unknown;
  try {
    said = JSON.parse(text);
  } catch {
    return { wrong: 'This is not the library of a club: it is no JSON file.' };
  }
  const read = check(libraryFileSchema, said);
  if (!read.error) return { file: read.value };
  const [first] = read.error.details;
  return { wrong: `${read.error.message} (${first!.path.join('.')})` };
}
