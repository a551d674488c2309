// A change of one session that the others of its series follow.
import { SERIES_SCOPES, type SeriesFields, type SeriesScope } from '@upwell/core/sessions';
import { Joi } from '../joi';
import { clockTime, isoDate, oneOf, saved, uuid } from '../common';
import { planSchema } from '../plan';
import { titleLine } from './session';

export interface SeriesChange {
  readonly scope: SeriesScope;
  /** The session before its change, and after it. */
  readonly before: SeriesFields;
  readonly after: SeriesFields;
  /** Sent twice it is applied once. */
  readonly writeId: string;
}

/** What became of the others. */
export interface SeriesChanged {
  readonly changed: number;
  /** Of those changed: sets that were changed by hand before, and stayed. */
  readonly keptSets: number;
  /** Noted as swum: they stay as they are. */
  readonly swum: number;
}

const seriesFields = () =>
  Joi.object<SeriesFields>({
    title: titleLine().required(),
    date: isoDate().required(),
    startTime: clockTime().required(),
    squadIds: Joi.array().items(uuid()).unique().max(20).required(),
    courseId: uuid().allow(null).required(),
    plan: planSchema.required(),
  }).required();

export const seriesChangeSchema = Joi.object<SeriesChange>({
  scope: oneOf(SERIES_SCOPES).required(),
  before: seriesFields(),
  after: seriesFields(),
  writeId: saved.writeId,
});

export interface SeriesRemoval {
  /** Without it only the session itself is taken out. */
  readonly series?: SeriesScope;
}
export const seriesRemovalSchema = Joi.object<SeriesRemoval>({ series: oneOf(SERIES_SCOPES) });
