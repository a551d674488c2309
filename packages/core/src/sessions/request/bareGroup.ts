import { levelCard } from '../../swimmers';
import { levelLoad, WEEK_SHARE, WEEKLY_RISE } from '../load/loadLimit';
import type { GroupPlan } from '../plan/model';
import type { BuildRequest, GroupRequest } from './model';

/** What a group is called. */
export const nameOf = (group: GroupRequest): string => group.name ?? levelCard(group.level).name;

/** A group of a request as it stands in the plan, without blocks. */
export function bareGroup(group: GroupRequest, index: number): GroupPlan {
  const level = levelCard(group.level);
  return {
    id: `g${index + 1}`,
    level: group.level,
    model: group.model ?? 'long-line',
    name: group.name ?? level.name,
    swimmers: group.swimmers,
    lanes: group.lanes,
    // To a thousandth, so that it can be written down and read back without loss.
    v400Mps: Math.round((group.v400Mps ?? level.defaultV400Mps) * 1000) / 1000,
    paceIsGuess: group.v400Mps === null,
    strokeLengthM: group.strokeLengthM ?? level.defaultStrokeLengthM,
    paceTable: group.paceTable ?? [],
    ...(group.strokeShares && Object.keys(group.strokeShares).length > 0 ? { strokeShares: group.strokeShares } : {}),
    knownDrills: group.knownDrills ?? [],
    breathRecord: null,
    note: '',
    blocks: [],
  };
}

/** The load a group should not pass: its own limit or the level's default, less in an easy week. */
export function loadLimitOf(request: BuildRequest, group: GroupRequest): number {
  const share = WEEK_SHARE[request.week ?? 'normal'];
  return (group.loadLimit ?? levelLoad(group.level, request.minutes) * (1 + WEEKLY_RISE)) * share;
}
