// What a club has set for itself.
import type { ClubRules } from '@upwell/contract/club';
import type { EntityManager } from '@mikro-orm/postgresql';
import { ClubEntity } from './entities';

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
