import { drillCard, type DrillPlace } from '../../library';
import { setsOf } from '../plan/setMeasure';
import type { Pool } from '../../units';
import { loadLimitOf } from '../request/bareGroup';
import { byTheClock } from '../fill/beginners';
import type { GroupPlan, SessionPlan } from '../plan/model';
import type { BuildRequest } from '../request/model';
import { groupTotals } from '../plan/totals';

/** What a coach should know of a plan that was built. */
export function notesOn(request: BuildRequest, plan: SessionPlan): string[] {
  return plan.groups.flatMap((group, index) => {
    const asked = request.groups[index]!;
    const notes: string[] = [];
    if (group.paceIsGuess) notes.push(`${group.name}: no 400 m time, the clock uses the level's usual pace.`);
    if (byTheClock(asked, plan.pool))
      notes.push(`${group.name}: timed tries in standing depth until “ten metres on their own” is passed.`);
    notes.push(...poolNotes(group, plan.pool));
    const limit = loadLimitOf(request, asked);
    const over = Math.round((groupTotals(group, plan.pool).load / limit - 1) * 100);
    if (over > 0) notes.push(`${group.name}: load is ${over} % above the limit for this week.`);
    return notes;
  });
}

/** What to look at in a pool of which it is not known. */
function poolNotes(group: GroupPlan, pool: Pool): string[] {
  const drills = [...new Set(group.blocks.flatMap((b) => setsOf(b.items).flatMap(({ set }) => set.drill ?? [])))];
  const named = (place: DrillPlace) =>
    drills
      .filter((id) => drillCard(id).places.includes(place) && !drillCard(id).places.includes('pool'))
      .map((id) => drillCard(id).name)
      .join(', ');
  const [shallow, wall] = [named('shallow'), named('wall')];
  return [
    ...(shallow && pool.standingDepth === undefined
      ? [`${group.name}: check first that this pool has standing depth: ${shallow} needs it.`]
      : []),
    ...(wall && pool.edge === undefined ? [`${group.name}: check the edge first: ${wall} is done at the wall.`] : []),
  ];
}
