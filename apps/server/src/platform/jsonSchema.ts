import { isDeepStrictEqual } from 'node:util';
import type { Schema } from 'joi';
import parseJoi, { type Mode } from 'joi-to-json';

/**
 * A Joi schema as JSON Schema.
 *
 * Joi takes the first of several shapes that fits, so more than one may fit: `anyOf` in JSON Schema,
 * where the converter writes `oneOf`.
 */
export function jsonSchema(schema: Schema, mode: Mode = 'json'): Record<string, unknown> {
  return plain(parseJoi(schema, mode)) as Record<string, unknown>;
}

/**
 * A Joi schema for an OpenAPI 3.1 document; parts that are named go where those of the whole document are.
 *
 * @param shared what is named so far, added to
 */
export function documentSchema(schema: Schema, shared: Record<string, object>): Record<string, unknown> {
  const { schemas = {}, ...own } = jsonSchema(schema, 'open-api-3.1');
  for (const [name, part] of Object.entries(schemas as Readonly<Record<string, object>>)) {
    if (shared[name] !== undefined && !isDeepStrictEqual(shared[name], part))
      throw new Error(`Two parts are called ${name}`);
    shared[name] = part;
  }
  return own;
}

/** Limits that are another field: JSON Schema has no words for them. */
const LIMITS = ['minimum', 'maximum', 'exclusiveMinimum', 'exclusiveMaximum'];

function plain(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key, held]) => !(LIMITS.includes(key) && typeof held === 'object'))
      .map(([key, held]) => [key === 'oneOf' ? 'anyOf' : key, plain(held)]),
  );
}
