import Joi from 'joi';

/** Texts for a coach instead of Joi's own, which quote field names. */
export const MESSAGES = {
  'any.required': 'Please fill this in.',
  'any.only': 'Please choose one of the list.',
  'any.invalid': 'This cannot be used here.',
  'object.unknown': 'This field is not known.',
  'object.base': 'This has the wrong shape.',
  'array.base': 'A list is needed.',
  'array.max': 'At most {#limit} entries.',
  'array.min': 'At least {#limit} entry.',
  'array.unique': 'This is in the list twice.',
  'boolean.base': 'Yes or no is needed.',
  'string.base': 'Text is needed.',
  'string.empty': 'Please fill this in.',
  'string.min': 'At least {#limit} characters.',
  'string.max': 'At most {#limit} characters.',
  'string.email': 'This does not look like an e-mail address.',
  'string.guid': 'This is not a valid id.',
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
export const VALIDATION: Joi.ValidationOptions = {
  abortEarly: false,
  messages: MESSAGES,
  errors: { wrap: { label: false } },
};

export const uuid = () => Joi.string().guid();
export const isoDate = () =>
  Joi.string()
    .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, { name: 'a date like 2027-06-21' })
    .custom((value: string, helpers) =>
      new Date(`${value}T00:00:00Z`).toISOString().startsWith(value)
        ? value
        : helpers.error('string.pattern.name', { name: 'a real date' }),
    );
export const clockTime = () => Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, { name: 'a time like 19:00' });
export const line = (max = 120) => Joi.string().trim().max(max);
export const oneOf = (values: readonly string[]) => Joi.string().valid(...values);

/** What every save carries, so that it can be repeated and cannot overwrite somebody else's change. */
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
