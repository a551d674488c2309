import { cleanText } from '@upwell/core/text';
import joi from 'joi';

/** Entries of a list, and keys of an object, where a schema says nothing of its own. */
const MOST_ENTRIES = 1000;
/** Keys that a body may have beyond the known ones, so that a newer or older app learns what is wrong. */
const MOST_UNKNOWN = 20;

/** What is used of a rule like `max(30)`. */
interface Limited {
  $_getRule(name: string): { readonly args: { readonly limit?: number } } | undefined;
  $_getFlag(name: string): unknown;
  readonly $_terms: {
    readonly keys?: readonly unknown[] | null;
    readonly patterns?: readonly unknown[] | null;
    readonly ordered?: readonly unknown[];
  };
}
const limitOf = (schema: Limited): number | undefined =>
  schema.$_getRule('max')?.args.limit ?? schema.$_getRule('length')?.args.limit;

/**
 * Joi as everything that crosses the wire uses it.
 *
 * A list or an object with too many entries is refused before one of them is looked at, and text is made
 * well-formed before anything is asked of it, so that neither the checks nor the database meet what they
 * cannot handle.
 */
const extended: unknown = joi.extend(
  {
    type: 'array',
    base: joi.array(),
    prepare(value: unknown, { schema, error }: joi.CustomHelpers) {
      if (!Array.isArray(value)) return undefined;
      const { ordered = [] } = (schema as unknown as Limited).$_terms;
      const limit = limitOf(schema as unknown as Limited) ?? (ordered.length || MOST_ENTRIES);
      return value.length > limit ? { value, errors: error('array.max', { limit }) } : undefined;
    },
  },
  {
    type: 'object',
    base: joi.object(),
    prepare(value: unknown, { schema, error }: joi.CustomHelpers) {
      if (typeof value !== 'object' || value === null) return undefined;
      const { $_terms: terms } = schema as unknown as Limited;
      if ((schema as unknown as Limited).$_getFlag('unknown')) return undefined;
      const known = (terms.keys?.length ?? 0) + MOST_UNKNOWN;
      const limit = limitOf(schema as unknown as Limited) ?? (terms.patterns?.length ? MOST_ENTRIES : known);
      return Object.keys(value).length > limit ? { value, errors: error('object.max', { limit }) } : undefined;
    },
  },
  {
    type: 'string',
    base: joi.string(),
    prepare(value: unknown) {
      return typeof value === 'string' ? { value: cleanText(value) } : undefined;
    },
  },
);
export const Joi = extended as joi.Root;
