import { DRILL_IDS, isDrill, MOST_OWN_DRILLS } from '@upwell/core/library';
import { Joi } from './joi';

/** Drills that a list of them can hold. */
export const MOST_DRILLS = DRILL_IDS.length + MOST_OWN_DRILLS;

/** A drill that has a card: built in, or of this club. */
export const drillId = () =>
  Joi.string()
    .max(50)
    .custom((id: string, helpers) => (isDrill(id) ? id : helpers.error('drill.unknown')))
    .messages({ 'drill.unknown': 'There is no such drill in the library of this club.' });
