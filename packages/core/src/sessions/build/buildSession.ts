import { bareGroup, loadLimitOf, nameOf } from '../request/bareGroup';
import { landBlock } from '../fill/fillBlocks';
import type { Block, GroupPlan, Item, SessionPlan } from '../plan/model';
import type { BuildRequest, BuildResult, Clash, GroupRequest } from '../request/model';
import { explainClash, lockedProblems } from './clash';
import { notesOn } from './notes';
import { isRounds } from '../plan/setMeasure';
import { type FoundPlan, cheapest, commonShape, lockedLand, searchGroup } from './search';

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
            (r, g) => budget.searches-- > 0 && searchGroup(r, g, index, Infinity).size > 0,
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
  return { kind: 'built', plan, notes: notesOn(request, plan, earlierMin), shape, earlierMin };
}

/** Steps in which a session ends earlier, and the shortest it may become, minutes. */
const EARLIER_MIN = 5;
const SHORTEST_MIN = 20;
/** Ends that are tried before the load is left to the coach. */
const ENDS_TRIED = 4;

/**
 * Every group's ways to fill the time, inside the load of its week: when the hour is too much for one of them, all end
 * earlier together. With a load that no shorter session keeps, or when the coach fills the hour, nothing is kept.
 */
function inTime(request: BuildRequest): {
  readonly searches: readonly ReturnType<typeof searchGroup>[];
  readonly minutes: number;
} {
  const search = (minutes: number, limits: readonly number[]) =>
    request.groups.map((group, index) => searchGroup({ ...request, minutes }, group, index, limits[index]!));
  const none = request.groups.map(() => Infinity);
  const limits = request.fillHour ? none : request.groups.map((group) => loadLimitOf(request, group));
  const within = search(request.minutes, limits);
  if (within.every((found) => found.size > 0)) return { searches: within, minutes: request.minutes };
  const free = search(request.minutes, none);
  if (free.some((found) => found.size === 0) || request.fillHour) return { searches: free, minutes: request.minutes };
  // About how much of the hour each group's load would leave, from the lightest way to fill it.
  const share = Math.min(
    ...free.map((found, i) => limits[i]! / Math.max(1, ...[...found.values()].map((f) => f.load))),
  );
  let minutes = Math.min(request.minutes - EARLIER_MIN, request.minutes * Math.max(0.3, share + 0.1));
  for (let tries = 0; tries < ENDS_TRIED; tries++) {
    minutes = Math.floor(minutes / EARLIER_MIN) * EARLIER_MIN;
    if (minutes < SHORTEST_MIN) break;
    const earlier = search(minutes, limits);
    if (earlier.every((found) => found.size > 0)) return { searches: earlier, minutes };
    minutes -= EARLIER_MIN;
  }
  return { searches: free, minutes: request.minutes };
}

/** Searches spent on what could be changed when nothing fits, for all groups together. */
const MOST_EXPLAINING = 40;

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
  return { ...bare, blocks };
}

/** Ids that are unique in the whole session: the group's id leads. */
function withIds(block: Block, prefix: string): Block {
  const rename = (item: Item): Item =>
    isRounds(item)
      ? { ...item, id: `${prefix}-${item.id}`, items: item.items.map(rename) }
      : { ...item, id: `${prefix}-${item.id}` };
  return { ...block, id: `${prefix}-${block.id}`, items: block.items.map(rename) };
}
