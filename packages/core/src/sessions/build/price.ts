import { levelCard } from '../../swimmers';
import { lengthsToMetres, poolDistance } from '../../units';
import { loadLimitOf } from '../request/bareGroup';
import type { Candidate } from '../fill/candidate';
import type { BlockKind } from '../plan/model';
import { SHARE_BAND } from '../plan/shares';
import { RECIPE, SHARE_SHIFT } from '../fill/recipe';
import { WEEK_SHARE } from '../load/loadLimit';
import type { BuildRequest, GroupRequest } from '../request/model';

/** Price of being outside the level's band, per share of its upper end. */
const OUTSIDE_BAND = 100;

/** A function that prices a combination, or null when a hard demand is broken. */
export function pricing(request: BuildRequest, group: GroupRequest) {
  const share = RECIPE[group.level].share;
  const shift = SHARE_SHIFT[request.kind];
  const wanted = {
    'warm-up': share['warm-up'],
    drills: share.drills + shift.drills,
    main: share.main - shift.drills - shift.speed,
    speed: shift.speed,
    'swim-down': share['swim-down'],
  };
  const share60 = (request.minutes / 60) * WEEK_SHARE[request.week ?? 'normal'];
  const [low, high] = levelCard(group.level).metresPerHour.map((m) => m * share60) as [number, number];
  const limit = loadLimitOf(request, group);
  const asked = group.lengths ?? null;

  return (
    warmUp: Candidate,
    drills: Candidate,
    main: Candidate,
    speed: Candidate | null,
    swimDown: Candidate,
  ): number | null => {
    const lengths = warmUp.lengths + drills.lengths + main.lengths + (speed?.lengths ?? 0) + swimDown.lengths;
    if (asked !== null && lengths !== asked) return null;
    const off =
      offBand('warm-up', warmUp.lengths / lengths, wanted['warm-up']) +
      offBand('drills', drills.lengths / lengths, wanted.drills) +
      offBand('main', main.lengths / lengths, wanted.main) +
      offBand('speed', (speed?.lengths ?? 0) / lengths, wanted.speed) +
      offBand('swim-down', swimDown.lengths / lengths, wanted['swim-down']);
    if (!Number.isFinite(off)) return null;
    const metres = lengthsToMetres(request.pool, lengths);
    const outside = asked !== null ? 0 : Math.max(0, low - metres, metres - high) / high;
    const total = poolDistance(request.pool, lengths);
    const round = total % 100 === 0 ? 0 : total % 50 === 0 ? 0.04 : 0.08;
    const odd = warmUp.awkward + drills.awkward + main.awkward + swimDown.awkward;
    const load = (warmUp.load + drills.load + main.load + (speed?.load ?? 0) + swimDown.load) / limit;
    // The level's band outweighs everything that is only nice to have.
    return 2 * off + OUTSIDE_BAND * outside + round + odd + 2 * Math.max(0, load - 1);
  };
}

/** Distance from the wanted share; infinite outside the band. */
function offBand(kind: Exclude<BlockKind, 'land'>, share: number, wanted: number): number {
  const [low, high] = SHARE_BAND[kind];
  return share < low - 1e-9 || share > high + 1e-9 ? Infinity : Math.abs(share - wanted);
}
