// The drills that a coach can put into a block, by what they are for.
import { drillCard, drillIds, type DrillId } from '../../library';
import { CAUSE_IDS, causeCard, findCauses, type CauseId } from '../../review';
import { isAtLeast } from '../../swimmers';
import { findAmong } from '../../words';
import type { GroupPlan, SessionPlan } from '../plan/model';
import { standsIn } from './chooseDrills';

/** Some drills and what they are for; null for those that answer no theme. */
export interface DrillsForTheme {
  readonly theme: CauseId | null;
  readonly drills: readonly DrillId[];
}

/**
 * The drills of a level in this water, theme by theme: the theme of the session first, then as the library has them.
 *
 * @param words of a theme or a drill, in any form; empty for everything
 * @example drillsByTheme('', hold, plan)[0].theme // the theme of the session
 */
export function drillsByTheme(words: string, group: GroupPlan, { theme, place, pool }: SessionPlan): DrillsForTheme[] {
  const fits = drillIds().filter((id) => {
    const drill = drillCard(id);
    const here = place === 'open-water' ? drill.places.includes('open-water') : standsIn(drill, 'pool', pool);
    return here && isAtLeast(group.level, drill.from) && !drill.contradicts.includes(group.model);
  });
  const named = findAmong(words, fits, (id) => ({ name: drillCard(id).name, others: '' }));
  // A drill that was named is what was meant; else a theme, which brings all its drills.
  const meant = new Set(named.length > 0 ? named : fits);
  const themes = [theme, ...CAUSE_IDS.filter((id) => id !== theme)];
  const found = named.length > 0 ? themes : findCauses(words, themes);
  const byTheme = found.flatMap((id): DrillsForTheme[] => {
    const drills = causeCard(id).answers.filter((drill) => meant.has(drill));
    return drills.length > 0 ? [{ theme: id, drills }] : [];
  });
  const answered = new Set(CAUSE_IDS.flatMap((id) => causeCard(id).answers));
  const others = named.filter((id) => !answered.has(id));
  return others.length > 0 ? [...byTheme, { theme: null, drills: others }] : byTheme;
}
