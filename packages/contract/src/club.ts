import { KIT_IDS, type KitId } from '@upwell/core/library';
import type { PacePoint } from '@upwell/core/measures';
import Joi from 'joi';
import { oneOf } from './common';
import { paceTable } from './plan';

/** What a club decides for itself. */
export interface ClubRules {
  /** Things the club owns: a drill that needs another is not planned. */
  readonly kit: readonly KitId[];
  /** Swimmers a lane holds; null takes the default for the pool. */
  readonly laneCapacity: number | null;
  /** The club's own paces; empty takes the effort law. */
  readonly paceTable: readonly PacePoint[];
}

export const clubRulesSchema = Joi.object<ClubRules>({
  kit: Joi.array().items(oneOf(KIT_IDS)).unique().max(KIT_IDS.length).required(),
  laneCapacity: Joi.number().integer().min(1).max(20).allow(null).required(),
  paceTable: paceTable().required(),
});
