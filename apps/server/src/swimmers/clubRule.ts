// What a club has set for itself.
import type { ClubRules, ClubRulesView } from '@upwell/contract/club';
import { KIT_IDS } from '@upwell/core/library';
import { WATER_RULES } from '@upwell/core/safety';
import type { EntityManager } from '@mikro-orm/postgresql';
import { ClubEntity, type Club } from './entities';

/** The rules with what is usual where the club decided nothing. */
export function rulesOf({ name, version, settings }: Pick<Club, 'name' | 'version' | 'settings'>): ClubRulesView {
  const usual = {
    timeZone: 'UTC',
    units: 'm',
    kit: KIT_IDS,
    laneCapacity: null,
    paceTable: [],
    water: WATER_RULES,
    standards: [],
  } as const;
  const rules = { ...usual, ...(settings as Partial<ClubRules>) };
  const { timeZone, units, kit, laneCapacity, paceTable, water, standards } = rules;
  return { name, timeZone, units, kit, laneCapacity, paceTable, water, standards, version };
}

/**
 * One of the rules of the club that asks, or null where the usual one counts.
 *
 * @example
 * await clubRule(em, 'laneCapacity') // 6
 */
export async function clubRule<K extends keyof ClubRules>(em: EntityManager, name: K): Promise<ClubRules[K] | null> {
  // Row-level security leaves one club.
  const [club] = await em.findAll(ClubEntity, { limit: 1, disableIdentityMap: true });
  return (club?.settings[name] as ClubRules[K] | null | undefined) ?? null;
}
