import { bareGroup, loadLimitOf, nameOf } from '../request/bareGroup';
import { landBlock } from '../fill/fillBlocks';
import type { Block, GroupPlan, Item, SessionPlan } from '../plan/model';
import type { BuildRequest, BuildResult, Clash, GroupRequest } from '../request/model';
import { explainClash, lockedProblems } from './clash';
import { notesOn } from './notes';
import { otherSide } from '../plan/prescription';
import { isRounds, setsOf } from '../plan/setMeasure';
import { groupTotals } from '../plan/totals';
import type { LoadLimit } from './price';
import {
  type FoundPlan,
  type Search,
  type Ways,
  cheapest,
  commonShape,
  lockedLand,
  searchGroup,
  waysOf,
} from './search';

/**
 * Builds one session for all groups together.
 *
 * For each group every block has a few dozen ways to be filled; the search keeps the combinations
 * whose block shares lie in their bands (`SHARE_BAND`) and which end inside the last
 * `FINISH_WINDOW_S` seconds of the time given, and takes the one nearest to the recipe of the
 * level. Groups then agree on the shape of the main part where they can, so that one explanation serves
 * all. Where the load of a week is less than the hour holds, all end earlier, unless the coach fills the
 * hour. The same request with the same seed gives the same session.
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
  const { searches, minutes } = inTime(request);
  const budget = { searches: MOST_EXPLAINING };
  const clashes = searches.flatMap((found, index): Clash[] =>
    found.size > 0
      ? []
      : [
          explainClash(
            request,
            request.groups[index]!,
            index,
            (r, g) => budget.searches-- > 0 && searchGroup(r, g, index, null).size > 0,
          ),
        ],
  );
  if (clashes.length > 0) return { kind: 'clash', clashes };

  const shape = commonShape(searches);
  const groups = searches.map((found, index) =>
    assemble(request, request.groups[index]!, index, found.get(shape) ?? cheapest(found)),
  );
  const { kind, theme, pool, seed, place = 'pool' } = request;
  const plan: SessionPlan = { kind, theme, place, pool, minutes: request.minutes, seed, note: '', groups };
  const earlierMin = request.minutes - minutes;
  return { kind: 'built', plan, notes: notesOn(request, plan), shape, earlierMin };
}

/** Searches spent on what could be changed when nothing fits, for all groups together. */
const MOST_EXPLAINING = 40;

/** Steps in which a session ends earlier, and the shortest it may become, minutes. */
const EARLIER_MIN = 5;
const SHORTEST_MIN = 20;
/** Ends that are tried before more than the load of the week is proposed, and said. */
const ENDS_TRIED = 5;

/** Sessions that end before this share of the time have ways of their own, found for this share of it. */
const SHORT_BELOW = 0.75;
const SHORT = 0.6;

/** Each group's ways to fill the time, and the minutes of it. */
interface InTime {
  readonly searches: readonly Search[];
  readonly minutes: number;
}

/**
 * Every group's ways to fill the time, inside the load of its week: when the hour is too much for one of them, all end
 * earlier together. With a load that no session keeps, the shortest and lightest is taken; when the coach fills the hour,
 * nothing is kept.
 */
function inTime(request: BuildRequest): InTime {
  const { minutes, groups } = request;
  // Found once for the hour, and once more for those that end much earlier.
  const [ways, short] = [minutes, minutes * SHORT].map((about) =>
    groups.map((group, index) => waysOf({ ...request, minutes: about }, group, index)),
  ) as [Ways[], Ways[]];
  const search = (until: number, index: number, load: LoadLimit | null) =>
    searchGroup(
      { ...request, minutes: until },
      groups[index]!,
      index,
      load,
      (until <= minutes * SHORT_BELOW ? short : ways)[index],
    );
  const free = groups.map((_, index) => search(minutes, index, null));
  if (request.fillHour || free.some((found) => found.size === 0)) return { searches: free, minutes };
  const limits = groups.map((group) => loadLimitOf(request, group));
  // The most laden first: they decide when all end.
  const ratio = free.map((found, i) => limits[i]! / Math.max(1, ...[...found.values()].map((f) => f.load)));
  const order = groups.map((_, index) => index).sort((a, b) => ratio[a]! - ratio[b]!);
  const all = (until: number, hard: boolean): readonly Search[] | null => {
    const searches: Search[] = [];
    for (const index of order) {
      const fits = until === minutes && ratio[index]! >= 1;
      searches[index] = fits ? free[index]! : search(until, index, { limit: limits[index]!, hard });
      if (searches[index].size === 0) return null;
    }
    return searches;
  };
  const whole = all(minutes, true);
  if (whole) return { searches: whole, minutes };
  // What the lightest way to fill the hour says of the end; a little later, since the lightest was not looked for.
  const lightest = free.map(
    (found, i) => limits[i]! / Math.min(...[...found.values()].map((f) => Math.max(1, f.load))),
  );
  const likely = Math.floor((minutes * Math.min(1, Math.min(...lightest) + 0.15)) / EARLIER_MIN) * EARLIER_MIN;
  const latest = Math.min(minutes - EARLIER_MIN, likely);
  const ends = Array.from({ length: ENDS_TRIED }, (_, i) => latest - i * EARLIER_MIN).filter((m) => m >= SHORTEST_MIN);
  for (const until of ends) {
    const searches = all(until, true);
    if (searches) return { searches, minutes: until };
  }
  // None is light enough: the shortest that can be.
  const shortest = ends[ends.length - 1] ?? minutes;
  for (let until = shortest; until < minutes; until += EARLIER_MIN) {
    const searches = all(until, false);
    if (searches) return { searches, minutes: until };
  }
  return { searches: all(minutes, false) ?? free, minutes };
}

/** Seeds tried for a different answer before it is said that there is none. */
const TRIES = 12;

/**
 * Another good answer to the same request: the next seed whose main part has another shape than the one shown, or where
 * that cannot be, whose session differs.
 *
 * @returns the session with its seed in the plan; the same one again, with a note, when nothing else fits
 */
export function anotherSession(request: BuildRequest, shown: SessionPlan): BuildResult {
  const before = JSON.stringify(shown.groups);
  const now = buildSession({ ...request, seed: shown.seed });
  const shape = now.kind === 'built' ? now.shape : null;
  let other: BuildResult | null = null;
  let last: BuildResult | null = null;
  for (let i = 1; i <= TRIES; i++) {
    last = buildSession({ ...request, seed: shown.seed + i });
    if (last.kind === 'clash') return last;
    if (last.shape !== shape) return last;
    if (!other && JSON.stringify(last.plan.groups) !== before) other = last;
    // Where the main part is kept, or no other shape fits, the rest may change.
    if (other && i >= SAME_SHAPE_TRIES) return other;
  }
  if (other) return other;
  return last?.kind === 'built' ? { ...last, notes: [...last.notes, 'Nothing else fits these requirements.'] } : last!;
}

/** Seeds looked at for another shape before another session of the same shape will do. */
const SAME_SHAPE_TRIES = 4;

function assemble(request: BuildRequest, group: GroupRequest, index: number, found: FoundPlan): GroupPlan {
  const bare = bareGroup(group, index);
  const land =
    lockedLand(group) ?? landBlock({ theme: request.theme, groupRequest: group, kit: request.kit }, found.landMinutes);
  const blocks = [land, ...found.blocks()].map((block) =>
    group.locked?.includes(block) ? block : withIds(block, bare.id),
  );
  return balanced({ ...bare, blocks }, request, group.locked ?? []);
}

/**
 * The group with its counted breaths as even as can be: odd lengths add up to one side, so the side that begins a set is
 * changed where that helps, the set that helps most first. What is kept stays as it is.
 */
function balanced(group: GroupPlan, { pool }: BuildRequest, kept: readonly Block[]): GroupPlan {
  const offOf = (plan: GroupPlan): number => {
    const { left, right } = groupTotals(plan, pool).breaths;
    return left + right === 0 ? 0 : Math.abs(left / (left + right) - 0.5);
  };
  let now = group;
  let off = offOf(now);
  const free = group.blocks.filter((block) => !kept.includes(block));
  const sided = free.flatMap((block) => setsOf(block.items)).filter(({ set }) => 'side' in set.breathing);
  for (let changed = 0; off > FAIR && changed < sided.length; changed++) {
    const tries = sided.map(({ set }) => turned(now, set.id)).map((plan) => ({ plan, off: offOf(plan) }));
    const best = tries.reduce((a, b) => (b.off < a.off ? b : a));
    if (best.off >= off) break;
    ({ plan: now, off } = best);
  }
  return now;
}

/** How far from even the breaths of a session may be before a side is changed. */
const FAIR = 0.04;

/** The group with the side of one set changed. */
function turned(group: GroupPlan, setId: string): GroupPlan {
  const turn = (item: Item): Item => {
    if (isRounds(item)) return { ...item, items: item.items.map(turn) };
    if (item.kind === 'pause' || item.id !== setId || !('side' in item.breathing)) return item;
    return { ...item, breathing: { ...item.breathing, side: otherSide(item.breathing.side) } };
  };
  const holds = (block: Block) => setsOf(block.items).some(({ set }) => set.id === setId);
  return {
    ...group,
    blocks: group.blocks.map((block) => (holds(block) ? { ...block, items: block.items.map(turn) } : block)),
  };
}

/** Ids that are unique in the whole session: the group's id leads. */
function withIds(block: Block, prefix: string): Block {
  const rename = (item: Item): Item =>
    isRounds(item)
      ? { ...item, id: `${prefix}-${item.id}`, items: item.items.map(rename) }
      : { ...item, id: `${prefix}-${item.id}` };
  return { ...block, id: `${prefix}-${block.id}`, items: block.items.map(rename) };
}
