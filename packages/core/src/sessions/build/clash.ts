import { causeCard } from '../../review';
import { poolDistance } from '../../units';
import { bareGroup, nameOf } from '../request/bareGroup';
import { byTheClock } from '../fill/beginners';
import { blockCandidates } from '../fill/fillBlocks';
import { setProblems } from '../plan/checkPlan';
import { setsOf } from '../plan/setMeasure';
import type { BuildRequest, Clash, GroupRequest } from '../request/model';
import { sizeProblem } from '../plan/size';

/** Whether one group of a request can be planned. */
export type Works = (request: BuildRequest, group: GroupRequest) => boolean;

/** What makes locked blocks impossible to plan on: too large, or a set that could hurt. */
export function lockedProblems(request: BuildRequest, group: GroupRequest, index: number): readonly string[] {
  const blocks = group.locked ?? [];
  const tooLarge = sizeProblem(blocks);
  if (tooLarge) return [tooLarge];
  // Who watches is settled when the session is kept.
  const watched = { lifeguard: 'named later', rulesTold: true, minorsAgreed: false };
  const bare = { ...bareGroup(group, index), breathRecord: watched, blocks };
  const { place = 'pool', pool } = request;
  if (byTheClock(group, pool) && blocks.some((block) => setsOf(block.items).some(({ set }) => set.kind !== 'timed')))
    return ['not yet ten metres on their own: no lengths are planned.'];
  return blocks.flatMap((block) =>
    setsOf(block.items).flatMap(({ set }) => setProblems(set, bare, { place, pool, block: block.kind })),
  );
}

/** What keeps beginners from being planned by the clock, with what would help; null when nothing does. */
export function beginnerProblem({ pool }: BuildRequest, group: GroupRequest): Omit<Clash, 'group'> | null {
  const name = nameOf(group);
  if (pool.standingDepth === false)
    return {
      message: `${name}: beginners need standing depth, and this pool has none.`,
      changes: ['Take a pool with standing depth.', 'Leave this level out.'],
    };
  if (group.lengths != null)
    return {
      message: `${name}: not yet ten metres on their own, or in a long pool: timed tries in standing depth, no distance.`,
      changes: ['Leave the distance to the level.'],
    };
  return null;
}

/** Which demand is in the way, found by letting go of one at a time; only what was tried is offered. */
export function explainClash(request: BuildRequest, group: GroupRequest, index: number, works: Works): Clash {
  const name = nameOf(group);
  const beginners =
    byTheClock(group, request.pool) && request.place !== 'open-water' && beginnerProblem(request, group);
  if (beginners) return { group: index, ...beginners };
  const changes: string[] = [];

  if (group.lengths != null) {
    const unit = request.pool.unit;
    const near = [1, 2, 3, 4, 6, 8, 10, 14, 20, 30, 40].flatMap((d) => [group.lengths! - d, group.lengths! + d]);
    const found = near.find((lengths) => lengths > 0 && works(request, { ...group, lengths }));
    if (found !== undefined) changes.push(`Swim ${poolDistance(request.pool, found)} ${unit} instead.`);
    else if (works(request, { ...group, lengths: null })) changes.push('Leave the distance to the level.');
  }
  for (const step of [5, 10, 15, 20, 30, 40]) {
    const minutes = [request.minutes + step, request.minutes - step].find(
      (m) => m >= 15 && m <= 180 && works({ ...request, minutes: m }, group),
    );
    if (minutes === undefined) continue;
    changes.push(`Plan ${minutes} minutes.`);
    break;
  }
  if (request.place === 'open-water' && group.level !== 'settle') {
    const { length } = request.pool;
    const shorter = [0.75, 0.5, 1 / 3, 0.25, 0.15]
      .map((share) => Math.round((length * share) / 50) * 50)
      .find((loop) => loop >= 50 && works({ ...request, pool: { ...request.pool, length: loop } }, group));
    if (shorter !== undefined) changes.push(`Swim a loop of about ${shorter} ${request.pool.unit}.`);
  }
  if (request.kind === 'speed' && works({ ...request, kind: 'aerobic' }, group))
    changes.push('Leave out the speed part.');
  if (request.place === 'open-water' && group.level === 'settle')
    return {
      group: index,
      message: `${name}: beginners are never planned in open water.`,
      changes: ['Take them to the pool, in standing depth.'],
    };
  if (group.locked?.length && works(request, { ...group, locked: [] })) changes.push('Unlock a block.');
  const noDrill = blockCandidates(bareGroup(group, index), group, request).drills.length === 0;
  const message = noDrill
    ? `${name}: no drill for “${causeCard(request.theme).name}” fits this level and this kit.`
    : `${name}: ${request.minutes} minutes${group.lengths == null ? '' : ` and ${poolDistance(request.pool, group.lengths)} ${request.pool.unit}`} cannot hold land, drills, main part and swim-down in their shares.`;
  return { group: index, message, changes };
}
