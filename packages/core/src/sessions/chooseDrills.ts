import { drillCard, type DrillId, type KitId } from '../library';
import { CAUSE_IDS, CAUSES, STAGES, type CauseId } from '../review';
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
  const pick = (causes: readonly CauseId[]): DrillId[] =>
    [...new Set(causes.flatMap((cause): readonly DrillId[] => CAUSES[cause].answers))].filter(fits).slice(0, count);
  if (covers === 'none') return pick([theme]);

  const stageOf = (id: CauseId) => STAGES.indexOf(CAUSES[id].stage);
  const sameStroke = CAUSE_IDS.filter((id) => CAUSES[id].strokes[0] === CAUSES[theme].strokes[0]);
  const neighbours = sameStroke.filter((id) => stageOf(id) === stageOf(theme));
  const near = pick([theme, ...byFrequency(group.focuses ?? []), ...neighbours]);
  if (near.length > 0) return near;
  // A theme too far on for this level: work on what lies upstream of it, the nearest stage first.
  const crawl = CAUSE_IDS.filter((id) => CAUSES[id].strokes[0] === 'front-crawl');
  return pick(crawl.filter((id) => stageOf(id) < stageOf(theme)).sort((a, b) => stageOf(b) - stageOf(a)));
}

/** Distinct causes, the most common first; equal ones keep their order. */
export function byFrequency(causes: readonly CauseId[]): CauseId[] {
  const counts = new Map<CauseId, number>();
  for (const cause of causes) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  return [...counts.keys()].sort((a, b) => counts.get(b)! - counts.get(a)!);
}
