import type { SessionPlan } from '@upwell/core/sessions';
import { clockTime, isoDate, oneOf } from '../common';
import { planSchema } from '../plan';
import { Joi } from '../joi';
import { titleLine } from './session';

/** A session as a JSON file. */
export interface SessionFile {
  readonly format: 'upwell-session';
  readonly version: 1;
  readonly title: string;
  readonly date: string | null;
  readonly startTime: string | null;
  readonly plan: SessionPlan;
}

export const sessionFileSchema = Joi.object<SessionFile>({
  format: Joi.valid('upwell-session').required(),
  version: Joi.valid(1).required(),
  title: titleLine().allow('').required(),
  date: isoDate().allow(null).required(),
  startTime: clockTime().allow(null).required(),
  plan: planSchema.required(),
});

/** Formats a stored session can be taken away in. */
export const EXPORT_FORMATS = ['upwell', 'json', 'csv', 'ics'] as const;
export type ExportFormat = (typeof EXPORT_FORMATS)[number];

export const SHEET_SIZES = ['A5', 'A4'] as const;
export const SHEET_PER = ['level', 'lane'] as const;
export interface SheetQuery {
  readonly size: (typeof SHEET_SIZES)[number];
  readonly per: (typeof SHEET_PER)[number];
}
export const sheetQuerySchema = Joi.object<SheetQuery>({
  size: oneOf(SHEET_SIZES).default('A5'),
  per: oneOf(SHEET_PER).default('level'),
});
