import { zoneNamed } from '@upwell/core/days';
import { PLAIN_ID, RESERVED_IDS } from '@upwell/core/text';
import type { CustomHelpers, Schema, ValidationError, ValidationOptions } from 'joi';
import { Joi } from './joi';

/** Texts for a coach instead of Joi's own, which quote field names. */
const MESSAGES = {
  'any.required': 'Please fill this in.',
  'any.only': 'Please choose one of the list.',
  'any.invalid': 'This cannot be used here.',
  'object.unknown': 'This field is not known.',
  'object.base': 'This has the wrong shape.',
  'object.missing': 'One of these is needed: {#peersWithLabels}.',
  'object.xor': 'Only one of these is allowed: {#peersWithLabels}.',
  'object.max': 'At most {#limit} entries.',
  'array.base': 'A list is needed.',
  'array.max': 'At most {#limit} entries.',
  'array.min': 'At least {#limit} entry.',
  'array.length': 'Exactly {#limit} entries.',
  'array.orderedLength': 'At most {#limit} entries.',
  'array.includesRequiredUnknowns': 'Something is missing in this list.',
  'array.unique': 'This is in the list twice.',
  'boolean.base': 'Yes or no is needed.',
  'string.base': 'Text is needed.',
  'string.empty': 'Please fill this in.',
  'string.min': 'At least {#limit} characters.',
  'string.max': 'At most {#limit} characters.',
  'string.email': 'This does not look like an e-mail address.',
  'string.pattern.base': 'This is not written as expected.',
  'string.pattern.name': 'Please write it as {#name}.',
  'number.base': 'A number is needed.',
  'number.min': 'At least {#limit}.',
  'number.max': 'At most {#limit}.',
  'number.greater': 'More than {#limit}.',
  'number.less': 'Less than {#limit}.',
  'number.integer': 'A whole number is needed.',
  'number.infinity': 'A number is needed.',
  'number.multiple': 'Whole or half lengths only.',
  'number.unsafe': 'This number is too large.',
  'date.format': 'Please write a date.',
};

/** Options of every validation on both sides of the wire. */
export const VALIDATION: ValidationOptions = {
  abortEarly: false,
  // Read into templates once: Joi reads plain texts again at every check, which took a tenth of a short request.
  messages: Object.fromEntries(Object.entries(MESSAGES).map(([code, text]) => [code, Joi.expression(text)])),
  errors: { wrap: { label: false } },
};

/** Most problems told about one body. */
export const MOST_PROBLEMS = 20;
/** A form has fewer values than this; of more than these only the first problem is looked for. */
const FORM_VALUES = 1000;

/** Whether a value holds fewer single values than a form would. */
function isForm(value: unknown): boolean {
  let left = FORM_VALUES;
  const open: unknown[] = [value];
  while (open.length > 0) {
    const next = open.pop();
    if (--left < 0) return false;
    if (typeof next === 'object' && next !== null) for (const inner of Object.values(next)) open.push(inner);
  }
  return true;
}

/** Options that a check is given are mixed by Joi at every check; those that a schema has, once. */
const ready = new WeakMap<Schema, Schema>();
function untilFirst<T>(schema: Schema<T>): Schema<T> {
  const made = ready.get(schema) ?? schema.prefs({ ...VALIDATION, abortEarly: true });
  ready.set(schema, made);
  return made as Schema<T>;
}

/**
 * Checks what crosses the wire. A form gets all its problems, up to {@link MOST_PROBLEMS}; of anything larger the
 * first one is told, since collecting the others takes far longer than reading it.
 */
export function check<T>(
  schema: Schema<T>,
  value: unknown,
): { readonly value: T; readonly error?: undefined } | { readonly value: unknown; readonly error: ValidationError } {
  const first = untilFirst(schema).validate(value);
  if (!first.error || !isForm(value)) return first;
  const all = schema.validate(value, VALIDATION);
  all.error?.details.splice(MOST_PROBLEMS);
  return all;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
/** An id of a row, in the one way the database writes it. */
export const uuid = () => Joi.string().lowercase().pattern(UUID, { name: 'a valid id' });

/**
 * An id inside a document: of a group, a set, a mark. Used as a key of objects, so nothing that every object has.
 */
export const key = (max = 60) =>
  Joi.string()
    .min(1)
    .max(max)
    .pattern(PLAIN_ID, { name: 'a plain id' })
    .invalid(...RESERVED_IDS);

/** The first and the last year that anything here happens in. */
export const YEARS = { first: 1900, last: 2199 } as const;
const inYears = (value: string, helpers: CustomHelpers) => {
  const year = Number(value.slice(0, 4));
  return year >= YEARS.first && year <= YEARS.last
    ? value
    : helpers.error('string.pattern.name', { name: `a date from ${YEARS.first} to ${YEARS.last}` });
};

/** A day of the calendar. @example '2027-06-21' */
export const isoDate = () =>
  Joi.string()
    .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, { name: 'a date like 2027-06-21' })
    .custom((value: string, helpers) =>
      new Date(`${value}T00:00:00Z`).toISOString().startsWith(value)
        ? value
        : helpers.error('string.pattern.name', { name: 'a real date' }),
    )
    .custom(inYears);

/** A moment, with its zone or in UTC; comes out in UTC. @example '2027-06-21T18:05:00+02:00' */
export const moment = () =>
  Joi.string()
    .max(40)
    .pattern(/^\d{4}-/, { name: 'a date and time' })
    .isoDate()
    .custom((value: string, helpers) =>
      // Without a zone it would be another moment on every computer.
      /T.*(Z|[+-]\d{2}(:?\d{2})?)$/i.test(String(helpers.original).trim())
        ? value
        : helpers.error('string.pattern.name', { name: 'a date and time with its zone' }),
    )
    .custom(inYears);

/** Milliseconds since 1970 on a clock that is not far off. */
export const momentMs = () =>
  Joi.number()
    .min(0)
    .max(Date.UTC(YEARS.last, 11, 31))
    .unsafe();

/** A time zone by its IANA name, in its usual spelling. @example 'Europe/Lisbon' */
export const timeZone = () =>
  Joi.string()
    .max(60)
    .custom((name: string, helpers) => zoneNamed(name) ?? helpers.error('zone.unknown'))
    .messages({ 'zone.unknown': 'This is not a time zone. Write it like Europe/Lisbon.' });

export const clockTime = () => Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, { name: 'a time like 19:00' });
export const line = (max = 120) => Joi.string().trim().max(max);
/** A name that can stand in a heading of the notation. */
export const groupName = () => line(60).pattern(/^[^=/\r\n]+$/, { name: 'a name without = and /' });
export const oneOf = (values: readonly string[]) => Joi.string().valid(...values);

/** What every save carries, so that it can be repeated and cannot overwrite someone else's change. */
export interface Saved {
  /** The version this change was made on; 0 for something new. */
  readonly version: number;
  /** Made by the client for this one save; the same save sent twice is applied once. */
  readonly writeId: string;
}

export const saved = {
  version: Joi.number().integer().min(0).max(1e9).required(),
  writeId: uuid().required(),
};

/** An error as it crosses the wire (RFC 9457). */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  /** A sentence a coach understands. */
  readonly detail: string;
  readonly fields?: readonly { readonly field: string; readonly message: string }[];
  /** With 409: what is stored now. */
  readonly current?: unknown;
}

export interface Page<T> {
  readonly items: readonly T[];
  /** Pass as `cursor` for the next page; null at the end. */
  readonly next: string | null;
}
