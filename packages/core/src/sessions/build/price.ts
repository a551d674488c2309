import { levelCard } from '../../swimmers';
import { lengthsToMetres, poolDistance } from '../../units';
import type { Candidate } from '../fill/candidate';
import type { BlockKind } from '../plan/model';
import { SHARE_BAND } from '../plan/shares';
import { STROKE_SHARE } from '../plan/strokePace';
import { strokeOf } from '../fill/cues';
import { EASY_WEEK_DRILLS, RECIPE, SHARE_SHIFT } from '../fill/recipe';
import type { BuildRequest, GroupRequest } from '../request/model';

/** Price of being outside the level's band, per share of its upper end. */
const OUTSIDE_BAND = 100;

/** Price of moving less or more than the level should, per share of the time. */
const OUTSIDE_MOVING = 300;

/** The same for moving less in an easy week, or in one whose load is nearly full. */
const RESTING = 30;

/** The load that the week leaves, metres × effort factor: never passed, or as little as can be. */
export interface LoadLimit {
  readonly limit: number;
  readonly hard: boolean;
}

/** Price of more load than the week leaves, per share of it. */
const OVER_LOAD = 20;

/** A function that prices a combination, or null when a hard demand is broken. */
export function pricing(request: BuildRequest, group: GroupRequest, limited: LoadLimit | null) {
  const { share: shares } = RECIPE[group.level];
  const usual = SHARE_SHIFT[request.kind];
  const easyWeek = (request.week ?? 'normal') === 'normal' ? 0 : EASY_WEEK_DRILLS;
  const shift = { ...usual, drills: usual.drills + easyWeek };
  const { moving } = RECIPE[group.level];
  // An easy week, and one whose load is nearly full, may rest more.
  const less = easyWeek > 0 || limited ? RESTING : OUTSIDE_MOVING;
  const usualMps = levelCard(group.level).defaultV400Mps;
  const wanted = {
    'warm-up': shares['warm-up'],
    drills: shares.drills + shift.drills,
    main: shares.main - shift.drills - shift.speed,
    speed: shift.speed,
    'swim-down': shares['swim-down'],
  };
  // The band is for crawl at the usual speed of the level, in a usual week.
  const pace = STROKE_SHARE[strokeOf(request.theme)] * Math.min(1, (group.v400Mps ?? usualMps) / usualMps);
  const [least, high] = levelCard(group.level).metresPerHour.map((m) => (m * request.minutes) / 60) as [number, number];
  const low = easyWeek > 0 || limited ? 0 : least * pace;
  const asked = group.lengths ?? null;

  return (
    warmUp: Candidate,
    drills: Candidate,
    main: Candidate,
    speed: Candidate | null,
    swimDown: Candidate,
  ): number | null => {
    const load = warmUp.load + drills.load + main.load + (speed?.load ?? 0) + swimDown.load;
    if (limited?.hard && load > limited.limit) return null;
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
    const movingS = warmUp.movingS + drills.movingS + main.movingS + (speed?.movingS ?? 0) + swimDown.movingS;
    const share = movingS / (request.minutes * 60);
    const over = limited ? OVER_LOAD * Math.max(0, load / limited.limit - 1) : 0;
    const still = asked !== null ? 0 : Math.max(0, less * (moving[0] - share), OUTSIDE_MOVING * (share - moving[1]));
    // The bands of the level outweigh everything that is only nice to have.
    return 2 * off + OUTSIDE_BAND * outside + still + round + odd + over;
  };
}

/** Distance from the wanted share; infinite outside the band. */
function offBand(kind: Exclude<BlockKind, 'land'>, share: number, wanted: number): number {
  const [low, high] = SHARE_BAND[kind];
  return share < low - 1e-9 || share > high + 1e-9 ? Infinity : Math.abs(share - wanted);
}
