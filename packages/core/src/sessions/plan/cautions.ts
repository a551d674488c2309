import { drillCard } from '../../library';
import type { Pool } from '../../units';
import { breathWarnings } from './fewBreaths';
import type { AnySet, GroupPlan } from './model';

/**
 * What must be read beside a set wherever it stands, on every screen and sheet: the cautions of its drill, and what
 * goes with few breaths.
 */
export function cautionsOf(set: AnySet, group: GroupPlan, pool: Pool): string[] {
  return [...(set.drill ? drillCard(set.drill).cautions : []), ...breathWarnings(set, group, pool)];
}
