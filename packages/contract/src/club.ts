import { KIT_IDS, type KitId } from '@upwell/core/library';
import { MOST_STANDARDS, type PacePoint, type Standard } from '@upwell/core/measures';
import { POOL_UNITS, type PoolUnit } from '@upwell/core/units';
import { WATER_RULES, type WaterRules } from '@upwell/core/safety';
import { Joi } from './joi';
import { line, oneOf, saved, timeZone, type Saved } from './common';
import { paceTable } from './plan';
import { swumPool } from './records';
import { notFasterThanAnybody } from './swimmers';

/** What a club decides for itself. */
export interface ClubRules {
  readonly name: string;
  /** An IANA name like `Europe/Lisbon`: the days and times of the club are those of its clock. */
  readonly timeZone: string;
  /** The unit of pools that is shown first. */
  readonly units: PoolUnit;
  /** Things the club owns: a drill that needs another is not planned. */
  readonly kit: readonly KitId[];
  /** Swimmers a lane holds; null takes the default for the pool. */
  readonly laneCapacity: number | null;
  /** The club's own paces; empty takes the effort law. */
  readonly paceTable: readonly PacePoint[];
  /** Limits at the water: the usual ones, or tighter. */
  readonly water: WaterRules;
  /** Times that the club asks for, like those for its race squad. */
  readonly standards: readonly Standard[];
}

/** The rules with the version they were read in. */
export type ClubRulesView = ClubRules & Pick<Saved, 'version'>;
/** What an app does not know of stays as it is; one that knows nothing of versions changes what is there. */
export type ClubRulesSave = Omit<ClubRules, LaterRule> & Partial<Pick<ClubRules, LaterRule> & Saved>;
type LaterRule = 'name' | 'timeZone' | 'units' | 'water' | 'standards';

const atMost = (of: keyof WaterRules, least: number) => Joi.number().min(least).max(WATER_RULES[of]).required();

const clubRules = {
  name: line(80),
  timeZone: timeZone(),
  units: oneOf(POOL_UNITS),
  kit: Joi.array().items(oneOf(KIT_IDS)).unique().max(KIT_IDS.length).required(),
  laneCapacity: Joi.number().integer().min(1).max(20).allow(null).required(),
  paceTable: paceTable().required(),
  // Tighter than usual, never looser. An app that does not know of them leaves them as they are.
  water: Joi.object<WaterRules>({
    perWatcher: atMost('perWatcher', 1).integer(),
    perWatcherFirst: atMost('perWatcherFirst', 1).integer(),
    craftBeyondM: atMost('craftBeyondM', 0),
    windMps: atMost('windMps', 1),
    rainMm: atMost('rainMm', 0),
    leastDepthM: Joi.number().min(WATER_RULES.leastDepthM).max(5).required(),
  }),
  standards: Joi.array()
    .items(
      Joi.object<Standard>({
        name: line(60).required(),
        distanceM: Joi.number().min(1).max(100_000).precision(3).required(),
        pool: swumPool().allow(null).required(),
        timeS: Joi.number().greater(0).max(86_400).required(),
      }).custom(notFasterThanAnybody),
    )
    .max(MOST_STANDARDS),
};

export const clubRulesSchema = Joi.object<ClubRules>(clubRules);
export const clubRulesSaveSchema = Joi.object<ClubRulesSave>({
  ...clubRules,
  version: saved.version.optional(),
  writeId: saved.writeId.optional(),
});
