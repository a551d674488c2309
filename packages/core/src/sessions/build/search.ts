// Finds the best way to fill one group’s blocks for each shape of rounds.
import { seeded } from '../../units';
import { bareGroup } from '../request/bareGroup';
import { beginnerBlocks, byTheClock } from '../fill/beginners';
import type { Candidate, Candidates } from '../fill/candidate';
import { blockCandidates } from '../fill/fillBlocks';
import type { Block, BlockKind } from '../plan/model';
import { FINISH_WINDOW_S, SHARE_BAND } from '../plan/shares';
import { RECIPE } from '../fill/recipe';
import type { BuildRequest, GroupRequest } from '../request/model';
import { beginnerProblem } from './clash';
import { pricing } from './price';

export interface FoundPlan {
  readonly cost: number;
  readonly parts: readonly Candidate[];
  readonly landMinutes: number;
}

/** The cheapest combination for each shape (rounds of the drills, rounds of the main part). */
type Search = ReadonlyMap<string, FoundPlan>;

export function searchGroup(request: BuildRequest, group: GroupRequest, index: number): Search {
  // Beginners are never planned in open water, and nothing makes them.
  if (request.place === 'open-water' && group.level === 'settle') return new Map();
  const bare = bareGroup(group, index);
  const locked = lockedLand(group)?.landMinutes;
  if (byTheClock(group, request.pool)) {
    const landMinutes = locked ?? RECIPE.settle.landMinutes;
    const blocks = beginnerProblem(request, group) ? null : beginnerBlocks(bare, group, request, landMinutes);
    const parts = blocks?.map((block) => ({ block, seconds: 0, lengths: 0, load: 0, rounds: 0, awkward: 0 }));
    return parts ? new Map([['by the clock', { cost: 0, parts, landMinutes }]]) : new Map();
  }
  const candidates = blockCandidates(bare, group, request);
  const usual = RECIPE[group.level].landMinutes;
  const choices = locked !== undefined ? [locked] : [usual, ...[5, 6, 7, 8].filter((m) => m !== usual)];
  for (const landMinutes of choices) {
    const found = searchBlocks(request, group, candidates, landMinutes, index);
    if (found.size > 0) return found;
  }
  return new Map();
}

function searchBlocks(
  request: BuildRequest,
  group: GroupRequest,
  candidates: Candidates,
  landMinutes: number,
  index: number,
): Search {
  const latest = (request.minutes - landMinutes) * 60;
  const earliest = latest - FINISH_WINDOW_S;
  const mains = distinct(candidates.main).sort((a, b) => a.seconds - b.seconds);
  const mainSeconds = Float64Array.from(mains, (m) => m.seconds);
  const speeds: readonly (Candidate | null)[] = candidates.speed.length > 0 ? candidates.speed : [null];
  const price = pricing(request, group);
  const found = new Map<string, FoundPlan>();
  let tried = 0;

  for (const warmUp of candidates['warm-up']) {
    for (const drills of candidates.drills) {
      for (const swimDown of candidates['swim-down']) {
        for (const speed of speeds) {
          const seconds = warmUp.seconds + drills.seconds + swimDown.seconds + (speed?.seconds ?? 0);
          const [fewest, most] = mainBand(warmUp, drills, speed, swimDown);
          if (fewest > most) continue;
          for (let m = firstAtLeast(mainSeconds, earliest - seconds); m < mains.length; m++) {
            const main = mains[m]!;
            if (seconds + main.seconds > latest) break;
            if (main.lengths < fewest || main.lengths > most) continue;
            const cost = price(warmUp, drills, main, speed, swimDown);
            if (cost === null) continue;
            const jittered = cost + LIKING * seeded(request.seed + index * 7919, tried++);
            const shape = `${drills.rounds}/${main.rounds}`;
            const best = found.get(shape);
            if (best && best.cost <= jittered) continue;
            const parts = speed ? [warmUp, drills, main, speed, swimDown] : [warmUp, drills, main, swimDown];
            found.set(shape, { cost: jittered, parts, landMinutes });
          }
        }
      }
    }
  }
  return found;
}

/** How much the seed may prefer a combination that is nearly as good, in units of the price. */
const LIKING = 0.15;

/** What one explanation for all may cost each group. */
const SAME_SHAPE_WORTH = 0.8;

/** Main parts without those that differ in nothing the search looks at; the least awkward stays. */
function distinct(mains: readonly Candidate[]): Candidate[] {
  const best = new Map<string, Candidate>();
  for (const main of mains) {
    const key = `${main.rounds} ${main.lengths} ${Math.round(main.seconds / 4)}`;
    const known = best.get(key);
    if (!known || main.awkward < known.awkward) best.set(key, main);
  }
  return [...best.values()];
}

/**
 * Lengths of the main part with which every other block lies inside its band: most combinations are
 * ruled out by this before a main part is looked at.
 */
function mainBand(
  warmUp: Candidate,
  drills: Candidate,
  speed: Candidate | null,
  swimDown: Candidate,
): readonly [fewest: number, most: number] {
  const others = warmUp.lengths + drills.lengths + (speed?.lengths ?? 0) + swimDown.lengths;
  let low = 0;
  let high = Infinity;
  const within = (kind: Exclude<BlockKind, 'land'>, lengths: number) => {
    const [least, largest] = SHARE_BAND[kind];
    low = Math.max(low, lengths / largest);
    if (least > 0) high = Math.min(high, lengths / least);
  };
  within('warm-up', warmUp.lengths);
  within('drills', drills.lengths);
  within('swim-down', swimDown.lengths);
  if (speed) within('speed', speed.lengths);
  const slack = 1e-6;
  return [low - others - slack, high - others + slack];
}

/** First index of a sorted list whose value is at least `value`. */
function firstAtLeast(sorted: Float64Array, value: number): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The shape that suits all groups best, or null when none is possible for all. */
export function commonShape(searches: readonly Search[]): string | null {
  let best: { shape: string; cost: number } | null = null;
  for (const shape of searches[0]!.keys()) {
    const costs = searches.map((found) => found.get(shape)?.cost);
    if (costs.some((cost) => cost === undefined)) continue;
    const cost = costs.reduce<number>((sum, c) => sum + c!, 0);
    if (!best || cost < best.cost) best = { shape, cost };
  }
  const apart = searches.reduce((sum, found) => sum + cheapest(found).cost, 0);
  return best && best.cost <= apart + SAME_SHAPE_WORTH * searches.length ? best.shape : null;
}

export function cheapest(found: Search): FoundPlan {
  return [...found.values()].reduce((best, f) => (f.cost < best.cost ? f : best));
}

export const lockedLand = (group: GroupRequest): Block | undefined =>
  group.locked?.find((block) => block.kind === 'land');
