import { drillCard } from '../../library';
import { type Candidates, type Context, measured } from './candidate';
import { chooseDrills } from './chooseDrills';
import type { Block, GroupPlan } from '../plan/model';
import { openWaterCandidates } from './openWaterBlocks';
import { poolCandidates } from './poolBlocks';
import { RECIPE } from './recipe';
import { drillsFor } from './sizes';
import type { BuildRequest, GroupRequest } from '../request/model';

/** Drills looked at beyond those that are swum, and most that are done on the spot. */
const MORE = 4;
const MOST_ON_THE_SPOT = 1;
const BEGINNERS_ON_THE_SPOT = 2;

/** All ways to fill each block of a group's session; a locked block has one. */
export function blockCandidates(groupPlan: GroupPlan, groupRequest: GroupRequest, request: BuildRequest): Candidates {
  const { theme, pool, kit } = request;
  const outside = request.place === 'open-water';
  const waterS = (request.minutes - RECIPE[groupRequest.level].landMinutes) * 60;
  const count = drillsFor({ waterS }, RECIPE[groupRequest.level].drillCount);
  const best = chooseDrills(theme, groupRequest, kit, count + MORE, {
    seed: request.seed,
    pool,
    where: outside ? 'open-water' : 'pool',
  });
  // What is done on the spot comes on top of what is swum: it covers no metres.
  const spot = best.slice(0, count).filter((id) => drillCard(id).factor === null);
  const drills = [
    ...spot.slice(0, groupRequest.level === 'settle' ? BEGINNERS_ON_THE_SPOT : MOST_ON_THE_SPOT),
    ...best.filter((id) => drillCard(id).factor !== null).slice(0, count),
  ];
  const context: Context = { groupPlan, groupRequest, pool, theme, kit, drills, waterS, seed: request.seed };
  const speed = request.kind === 'speed' && groupRequest.level !== 'settle';
  const free: Candidates = outside ? openWaterCandidates(context, speed) : poolCandidates(context, speed);
  const locked = (groupRequest.locked ?? []).filter((block) => block.kind !== 'land');
  if (locked.length === 0) return free;
  return {
    ...free,
    ...Object.fromEntries(locked.map((block) => [block.kind, [measured(context, block, AS_IT_IS, 0)]])),
  };
}

/** The shape of a block that stays as it is. */
const AS_IT_IS = 'as it is';

/** The land block: always there, with the theme's land drill when it has one. */
export function landBlock(context: Pick<Context, 'theme' | 'groupRequest' | 'kit'>, minutes: number): Block {
  const [onLand] = chooseDrills(context.theme, context.groupRequest, context.kit, 1, { where: 'land' });
  const note = `Shoulders, ankles, trunk.${onLand ? ` ${drillCard(onLand).name}: ${drillCard(onLand).cue}` : ''}`;
  return { kind: 'land', id: 'land', landMinutes: minutes, items: [], note };
}
