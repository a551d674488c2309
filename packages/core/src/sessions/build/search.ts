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
import { type LoadLimit, pricing } from './price';

export interface FoundPlan {
  readonly cost: number;
  /** The blocks in the water. */
  readonly blocks: () => readonly Block[];
  readonly load: number;
  readonly landMinutes: number;
}

/** The cheapest combination for each shape of the main part. */
export type Search = ReadonlyMap<string, FoundPlan>;

/**
 * The cheapest ways to fill a group's session until `request.minutes`, by shape.
 *
 * @param load what the week leaves; null where nothing is to be kept
 * @param ways of the group to fill its blocks, where they are known
 */
export function searchGroup(
  request: BuildRequest,
  group: GroupRequest,
  index: number,
  load: LoadLimit | null,
  ways: Ways = waysOf(request, group, index),
): Search {
  // Beginners are never planned in open water, and nothing makes them.
  if (request.place === 'open-water' && group.level === 'settle') return new Map();
  const bare = bareGroup(group, index);
  const locked = lockedLand(group)?.landMinutes;
  if (byTheClock(group, request.pool)) {
    const landMinutes = locked ?? RECIPE.settle.landMinutes;
    const blocks = beginnerProblem(request, group) ? null : beginnerBlocks(bare, group, request, landMinutes);
    return blocks ? new Map([[BY_THE_CLOCK, { cost: 0, blocks: () => blocks, load: 0, landMinutes }]]) : new Map();
  }
  const candidates = ways();
  const usual = RECIPE[group.level].landMinutes;
  // Under a limit the end moves rather than the time on land.
  const others = load?.hard ? [] : [5, 6, 7, 8].filter((m) => m !== usual);
  const choices = locked !== undefined ? [locked] : [usual, ...others];
  for (const landMinutes of choices) {
    const found = searchBlocks(request, group, candidates, landMinutes, index, load);
    if (found.size > 0) return found;
  }
  return new Map();
}

/** All ways to fill a group's blocks, found when they are needed, once for every end that is tried. */
export type Ways = () => Candidates;

export function waysOf(request: BuildRequest, group: GroupRequest, index: number): Ways {
  let found: Candidates | null = null;
  return () => (found ??= blockCandidates(bareGroup(group, index), group, request));
}

/** The shape of a session of beginners at the wall. */
const BY_THE_CLOCK = 'by the clock';

function searchBlocks(
  request: BuildRequest,
  group: GroupRequest,
  candidates: Candidates,
  landMinutes: number,
  index: number,
  load: LoadLimit | null,
): Search {
  const latest = (request.minutes - landMinutes) * 60;
  const earliest = latest - FINISH_WINDOW_S;
  const mains = [...candidates.main].sort((a, b) => a.seconds - b.seconds);
  const mainSeconds = Float64Array.from(mains, (m) => m.seconds);
  const speeds: readonly (Candidate | null)[] = candidates.speed.length > 0 ? candidates.speed : [null];
  const price = pricing(request, group, load);
  const found = new Map<string, FoundPlan>();
  let tried = 0;
  const most = { seconds: latest, load: load?.hard ? load.limit : Infinity };
  const over = (least: Record<keyof typeof most, number>) => least.seconds > most.seconds || least.load > most.load;
  // The shortest and the lightest way to fill what comes after the warm-up, and after the drills.
  const afterDrills = sumOf([leastOf(mains), leastOf(candidates.speed), leastOf(candidates['swim-down'])]);
  const afterWarmUp = sumOf([leastOf(candidates.drills), afterDrills]);

  for (const warmUp of candidates['warm-up']) {
    if (over(sumOf([warmUp, afterWarmUp]))) continue;
    for (const drills of candidates.drills) {
      if (over(sumOf([warmUp, drills, afterDrills]))) continue;
      for (const swimDown of candidates['swim-down']) {
        for (const speed of speeds) {
          const seconds = warmUp.seconds + drills.seconds + swimDown.seconds + (speed?.seconds ?? 0);
          const [fewest, largest] = mainBand(warmUp, drills, speed, swimDown);
          if (fewest > largest) continue;
          for (let m = firstAtLeast(mainSeconds, earliest - seconds); m < mains.length; m++) {
            const main = mains[m]!;
            if (seconds + main.seconds > latest) break;
            if (main.lengths < fewest || main.lengths > largest) continue;
            const cost = price(warmUp, drills, main, speed, swimDown);
            if (cost === null) continue;
            const jittered = cost + LIKING * seeded(request.seed + index * 7919, tried++);
            const best = found.get(main.shape);
            if (best && best.cost <= jittered) continue;
            const parts = speed ? [warmUp, drills, main, speed, swimDown] : [warmUp, drills, main, swimDown];
            found.set(main.shape, {
              cost: jittered,
              blocks: () => parts.map((part) => part.block()),
              load: parts.reduce((sum, part) => sum + part.load, 0),
              landMinutes,
            });
          }
        }
      }
    }
  }
  return found;
}

type Size = Pick<Candidate, 'seconds' | 'load'>;

/** Seconds of the shortest of some ways, load of the lightest; nothing where there are none. */
const leastOf = (ways: readonly Candidate[]): Size =>
  ways.length === 0
    ? { seconds: 0, load: 0 }
    : { seconds: Math.min(...ways.map((w) => w.seconds)), load: Math.min(...ways.map((w) => w.load)) };

const sumOf = (sizes: readonly Size[]): Size =>
  sizes.reduce((sum, { seconds, load }) => ({ seconds: sum.seconds + seconds, load: sum.load + load }), {
    seconds: 0,
    load: 0,
  });

/** How much the seed may prefer a combination that is nearly as good, in units of the price. */
const LIKING = 0.1;

/** What a group that swims another shape than the others costs. */
const SAME_SHAPE_WORTH = 0.8;

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

/**
 * The shape that suits all groups best: one explanation serves all who can swim it, and the others take their own best.
 */
export function commonShape(searches: readonly Search[]): string {
  const shapes = [...new Set(searches.flatMap((found) => [...found.keys()]))];
  const costOf = (shape: string) =>
    searches.reduce((sum, found) => sum + (found.get(shape)?.cost ?? cheapest(found).cost + SAME_SHAPE_WORTH), 0);
  return shapes.reduce((best, shape) => (costOf(shape) < costOf(best) ? shape : best));
}

export function cheapest(found: Search): FoundPlan {
  return [...found.values()].reduce((best, f) => (f.cost < best.cost ? f : best));
}

export const lockedLand = (group: GroupRequest): Block | undefined =>
  group.locked?.find((block) => block.kind === 'land');
