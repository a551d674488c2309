import { drillCard, type DrillId, type KitId } from '../library';
import { CAUSE_IDS, CAUSES, type CauseId } from '../review';
import { isAtLeast } from '../swimmers';
import type { GroupRequest } from './request';

/**
 * The drills of a group, best first: those that answer the theme, then those for the most common
 * open focuses, then neighbours of the theme in the same stage.
 *
 * Never a drill above the group's level, without its kit, against the stroke model of most of the
 * group, or against a health flag in it.
 *
 * @param count how many at most
 * @param covers true for drills swum over a distance, false for land and wall
 */
export function chooseDrills(
  theme: CauseId,
  group: GroupRequest,
  kit: readonly KitId[],
  count: number,
  covers: 'distance' | 'none' = 'distance',
): DrillId[] {
  const fits = (id: DrillId): boolean => {
    const drill = drillCard(id);
    return (
      (drill.factor !== null) === (covers === 'distance') &&
      drill.place !== 'open-water' &&
      isAtLeast(group.level, drill.from) &&
      drill.kit.every((item) => kit.includes(item)) &&
      !(group.model && drill.contradicts.includes(group.model)) &&
      !drill.notWith.some((flag) => group.healthFlags?.includes(flag))
    );
  };
  const stroke = CAUSES[theme].strokes[0];
  const neighbours = CAUSE_IDS.filter(
    (id) => CAUSES[id].stage === CAUSES[theme].stage && CAUSES[id].strokes[0] === stroke,
  );
  const wanted = covers === 'distance' ? [theme, ...byFrequency(group.focuses ?? []), ...neighbours] : [theme];
  const ids = wanted.flatMap((cause): readonly DrillId[] => CAUSES[cause].answers);
  return [...new Set(ids)].filter(fits).slice(0, count);
}

/** Distinct causes, the most common first; equal ones keep their order. */
export function byFrequency(causes: readonly CauseId[]): CauseId[] {
  const counts = new Map<CauseId, number>();
  for (const cause of causes) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  return [...counts.keys()].sort((a, b) => counts.get(b)! - counts.get(a)!);
}
