import { LEVEL } from '../swimmers';
import { lengthsToMetres, poolDistance, seeded } from '../units';
import { bareGroup, loadLimitOf, nameOf } from './bareGroup';
import { beginnerBlocks, byTheClock } from './beginners';
import type { Candidate, Candidates } from './candidate';
import { blockCandidates, landBlock } from './candidates';
import type { Block, BlockKind, GroupPlan, Item, SessionPlan } from './model';
import { FINISH_WINDOW_S, RECIPE, SHARE_BAND, SHARE_SHIFT } from './recipe';
import { WEEK_SHARE } from './loadLimit';
import type { BuildRequest, BuildResult, Clash, GroupRequest } from './request';
import { beginnerProblem, explainClash, lockedProblems, notesOn } from './explain';
import { isSet } from './setMeasure';

/**
 * Builds one session for all groups together.
 *
 * For each group every block has a few dozen ways to be filled; the search keeps the combinations
 * whose block shares lie in {@link SHARE_BAND} and which end inside the last
 * {@link FINISH_WINDOW_S} seconds of the time given, and takes the one nearest to the recipe of the
 * level. Groups then agree on the number of rounds where they can, so that one explanation serves
 * all. The same request with the same seed gives the same session.
 *
 * @returns the plan, or which demands clash and the smallest changes that would make it possible
 * @throws RangeError without a group or with more than six
 */
export function buildSession(request: BuildRequest): BuildResult {
  if (request.groups.length < 1 || request.groups.length > 6) throw new RangeError('one to six groups');
  const barred = request.groups.flatMap((group, index): Clash[] => {
    const problems = lockedProblems(request, group, index);
    if (problems.length === 0) return [];
    return [{ group: index, message: `${nameOf(group)}: ${problems.join(' ')}`, changes: ['Unlock a block.'] }];
  });
  if (barred.length > 0) return { kind: 'clash', clashes: barred };
  const searches = request.groups.map((group, index) => searchGroup(request, group, index));
  const budget = { searches: MOST_EXPLAINING };
  const clashes = searches.flatMap((found, index): Clash[] =>
    found.size > 0
      ? []
      : [
          explainClash(
            request,
            request.groups[index]!,
            index,
            (r, g) => budget.searches-- > 0 && searchGroup(r, g, index).size > 0,
          ),
        ],
  );
  if (clashes.length > 0) return { kind: 'clash', clashes };

  const shape = commonShape(searches);
  const groups = searches.map((found, index) => {
    const best = (shape === null ? undefined : found.get(shape)) ?? cheapest(found);
    return assemble(request, request.groups[index]!, index, best);
  });
  const { kind, theme, pool, minutes, seed, place = 'pool' } = request;
  const plan: SessionPlan = { kind, theme, place, pool, minutes, seed, note: '', groups };
  return { kind: 'built', plan, notes: notesOn(request, plan) };
}

/** Searches spent on what could be changed when nothing fits, for all groups together. */
const MOST_EXPLAINING = 40;

/** Seeds tried for a different answer before it is said that there is none. */
const TRIES = 12;

/**
 * Another good answer to the same request: the next seed whose session differs from the one shown.
 *
 * @returns the session with its seed in the plan; the same one again, with a note, when nothing else fits
 */
export function anotherSession(request: BuildRequest, shown: SessionPlan): BuildResult {
  const before = JSON.stringify(shown.groups);
  let last: BuildResult | null = null;
  for (let i = 1; i <= TRIES; i++) {
    last = buildSession({ ...request, seed: shown.seed + i });
    if (last.kind === 'clash' || JSON.stringify(last.plan.groups) !== before) return last;
  }
  return last?.kind === 'built' ? { ...last, notes: [...last.notes, 'Nothing else fits these demands.'] } : last!;
}

interface Found {
  readonly cost: number;
  readonly parts: readonly Candidate[];
  readonly landMinutes: number;
}

/** The cheapest combination for each shape (rounds of the drills, rounds of the main part). */
type Search = ReadonlyMap<string, Found>;

function searchGroup(request: BuildRequest, group: GroupRequest, index: number): Search {
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
  const found = new Map<string, Found>();
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

/** Price of being outside the level's band, per share of its upper end. */
const OUTSIDE_BAND = 100;

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

/** A function that prices a combination, or null when a hard demand is broken. */
function pricing(request: BuildRequest, group: GroupRequest) {
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
  const [low, high] = LEVEL[group.level].metresPerHour.map((m) => m * share60) as [number, number];
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

/** Distance from the wanted share; infinite outside the band. */
function offBand(kind: Exclude<BlockKind, 'land'>, share: number, wanted: number): number {
  const [low, high] = SHARE_BAND[kind];
  return share < low - 1e-9 || share > high + 1e-9 ? Infinity : Math.abs(share - wanted);
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
function commonShape(searches: readonly Search[]): string | null {
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

function cheapest(found: Search): Found {
  return [...found.values()].reduce((best, f) => (f.cost < best.cost ? f : best));
}

function assemble(request: BuildRequest, group: GroupRequest, index: number, found: Found): GroupPlan {
  const bare = bareGroup(group, index);
  const land =
    lockedLand(group) ?? landBlock({ theme: request.theme, request: group, kit: request.kit }, found.landMinutes);
  const blocks = [land, ...found.parts.map((part) => part.block)].map((block) =>
    group.locked?.includes(block) ? block : withIds(block, bare.id),
  );
  return { ...bare, blocks };
}

const lockedLand = (group: GroupRequest): Block | undefined => group.locked?.find((block) => block.kind === 'land');

/** Ids that are unique in the whole session: the group's id leads. */
function withIds(block: Block, prefix: string): Block {
  const rename = (item: Item): Item =>
    isSet(item)
      ? { ...item, id: `${prefix}-${item.id}` }
      : { ...item, id: `${prefix}-${item.id}`, items: item.items.map(rename) };
  return { ...block, id: `${prefix}-${block.id}`, items: block.items.map(rename) };
}
