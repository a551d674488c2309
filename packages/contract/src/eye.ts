import { EYE_GRADES, type EyeMarks } from '@upwell/core/eye';
import { SIGN_IDS } from '@upwell/core/review';
import { Joi } from './joi';
import { oneOf } from './common';

/** One try of the eye training as it is stored. */
export type EyeTry = EyeMarks;

export const eyeTrySchema = Joi.object<EyeTry>({
  grade: Joi.number()
    .valid(...EYE_GRADES)
    .required(),
  seed: Joi.number().integer().min(0).max(1e6).required(),
  marked: Joi.array().items(oneOf(SIGN_IDS)).unique().max(SIGN_IDS.length).required(),
});

/** The tries of one coach, the newest first. */
export interface EyeCoach {
  readonly accountId: string;
  readonly name: string;
  readonly tries: readonly EyeTry[];
}

/** One's own tries and those of the other coaches of the club, to compare. */
export interface EyeHistory {
  readonly mine: readonly EyeTry[];
  readonly others: readonly EyeCoach[];
}
