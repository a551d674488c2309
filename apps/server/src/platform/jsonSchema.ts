import type { Schema } from 'joi';
import parseJoi, { type Mode } from 'joi-to-json';

/**
 * A Joi schema as JSON Schema.
 *
 * Joi takes the first of several shapes that fits, so more than one may fit: `anyOf` in JSON Schema,
 * where the converter writes `oneOf`.
 */
export function jsonSchema(schema: Schema, mode: Mode = 'json'): Record<string, unknown> {
  return anyOf(parseJoi(schema, mode)) as Record<string, unknown>;
}

function anyOf(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(anyOf);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, v]) => [key === 'oneOf' ? 'anyOf' : key, anyOf(v)]));
}
