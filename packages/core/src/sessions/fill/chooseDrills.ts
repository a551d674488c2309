// Which drills serve a group and a theme.
import {
  type Drill,
  type DrillId,
  type KitId,
  LADDER_IDS,
  type LadderId,
  type Moves,
  drillCard,
  drillIds,
  ladderCard,
} from '../../library';
import { CAUSE_IDS, causeCard, type CauseId, STAGES } from '../../review';
import { isAtLeast } from '../../swimmers';
import { type Pool, seeded } from '../../units';
import type { GroupRequest } from '../request/model';
import { byFrequency } from '../request/frequency';

export interface DrillWish {
  readonly where?: 'pool' | 'land' | 'open-water';
  /** Another seed brings other drills where there are more than are needed. */
  readonly seed?: number;
  /** What is known of the pool: no standing depth and a raised edge rule drills out. */
  readonly pool?: Pool;
}

/** Skills practised outside whatever the theme is. */
const OUTSIDE: readonly DrillId[] = ['low-eyes-sighting', 'name-the-aim', 'following', 'buoy-turn', 'star-float'];

/** Steps of a ladder that may be planned beyond the ones passed: the one being worked on. */
const WORKING_ON = 1;

/**
 * The drills of a group, best first: those that answer the theme, then those for the most common
 * open focuses, then neighbours of the theme in the same stage. The first is always the best answer;
 * among the rest of the same worth the seed decides.
 *
 * Never a drill above the group's level or ladder step, without its kit, against the stroke model of
 * most of the group, or against a health flag in it.
 *
 * @param count how many at most
 */
export function chooseDrills(
  theme: CauseId,
  group: GroupRequest,
  kit: readonly KitId[],
  count: number,
  { where = 'pool', seed = 0, pool }: DrillWish = {},
): DrillId[] {
  const fits = (id: DrillId): boolean => {
    const drill = drillCard(id);
    return (
      drillIds().includes(id) &&
      standsIn(drill, where, pool) &&
      isAtLeast(group.level, drill.from) &&
      onLadder(id, group.ladderSteps) &&
      drill.kit.every((item) => kit.includes(item)) &&
      !(group.model && drill.contradicts.includes(group.model)) &&
      !drill.notWith.some((flag) => group.healthFlags?.includes(flag))
    );
  };
  const answers = (causes: readonly CauseId[]): DrillId[] =>
    [...new Set(causes.flatMap((cause): readonly DrillId[] => causeCard(cause).answers))].filter(fits);
  if (where === 'land') return answers([theme]).slice(0, count);

  const stageOf = (id: CauseId) => STAGES.indexOf(causeCard(id).stage);
  const sameStroke = CAUSE_IDS.filter((id) => causeCard(id).strokes[0] === causeCard(theme).strokes[0]);
  const neighbours = sameStroke.filter((id) => stageOf(id) === stageOf(theme) && id !== theme);
  const [best, ...more] = answers([theme]);
  const ranked = [
    ...(best ? [best] : []),
    ...mixed(more, seed),
    ...mixed(answers(byFrequency(group.focuses ?? []).slice(0, 3)), seed),
    ...(where === 'open-water' ? mixed(OUTSIDE.filter(fits), seed) : []),
    ...mixed(answers(neighbours), seed),
  ];
  const all = [...new Set(ranked)].filter((id) => !worksAgainst(id, theme));
  const swum = group.level === 'settle' ? all : all.filter((id) => !drillCard(id).standIn);
  const near = (swum.length > 0 ? swum : all).slice(0, count);
  if (near.length > 0) return near;
  // Nothing of the theme fits: work on what lies nearest to it, upstream first.
  const away = (id: CauseId) => Math.abs(stageOf(id) - stageOf(theme)) + (stageOf(id) > stageOf(theme) ? 0.5 : 0);
  const crawl = CAUSE_IDS.filter((id) => causeCard(id).strokes[0] === 'front-crawl');
  return answers([...crawl].sort((a, b) => away(a) - away(b))).slice(0, count);
}

/**
 * Whether a drill makes more of the very thing that a theme is to change: what the theme's own answers move, it moves the
 * other way.
 *
 * @example worksAgainst('quick-hand-return', 'spins') // true: it makes the hands quicker
 */
export function worksAgainst(id: DrillId, theme: CauseId): boolean {
  const answers: readonly DrillId[] = causeCard(theme).answers;
  return Object.entries(drillCard(id).moves ?? {}).some(([what, way]) => {
    const wanted = answers.flatMap((answer) => drillCard(answer).moves?.[what as keyof Moves] ?? []);
    return wanted.length > 0 && wanted.every((w) => w !== way);
  });
}

/** Whether a place is one of the card's, and allows it; what is not known of a pool rules nothing out. */
export function standsIn(
  { places, kit, levelEdge }: Drill,
  where: 'pool' | 'land' | 'open-water',
  pool: Pool | undefined,
): boolean {
  if (where === 'land') return places.includes('land');
  if (where === 'open-water') return places.includes('open-water') && kit.length === 0;
  if (places.includes('pool')) return true;
  if (places.includes('wall')) return !(levelEdge && pool?.edge === 'raised');
  return places.includes('shallow') && pool?.standingDepth !== false;
}

/** Whether a drill is at most the step being worked on, on every ladder that is kept for the group. */
function onLadder(id: DrillId, steps: Readonly<Partial<Record<LadderId, number>>> | undefined): boolean {
  if (!steps) return true;
  return LADDER_IDS.every((ladder) => {
    const passed = steps[ladder];
    if (passed === undefined) return true;
    const at = ladderCard(ladder).steps.findIndex((step) => step.drill === id);
    return at < passed + WORKING_ON;
  });
}

/** The same drills in an order that follows the seed; seed 0 keeps theirs. */
function mixed(ids: readonly DrillId[], seed: number): DrillId[] {
  if (seed === 0) return [...ids];
  return ids
    .map((id, i) => ({ id, at: seeded(seed, i) }))
    .sort((a, b) => a.at - b.at)
    .map(({ id }) => id);
}
