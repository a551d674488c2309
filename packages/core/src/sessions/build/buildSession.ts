import { bareGroup, nameOf } from '../request/bareGroup';
import { landBlock } from '../fill/fillBlocks';
import type { Block, GroupPlan, Item, SessionPlan } from '../plan/model';
import type { BuildRequest, BuildResult, Clash, GroupRequest } from '../request/model';
import { explainClash, lockedProblems } from './clash';
import { notesOn } from './notes';
import { isSet } from '../plan/setMeasure';
import { type FoundPlan, cheapest, commonShape, lockedLand, searchGroup } from './search';

/**
 * Builds one session for all groups together.
 *
 * For each group every block has a few dozen ways to be filled; the search keeps the combinations
 * whose block shares lie in their bands (`SHARE_BAND`) and which end inside the last
 * `FINISH_WINDOW_S` seconds of the time given, and takes the one nearest to the recipe of the
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
  return last?.kind === 'built' ? { ...last, notes: [...last.notes, 'Nothing else fits these requirements.'] } : last!;
}

function assemble(request: BuildRequest, group: GroupRequest, index: number, found: FoundPlan): GroupPlan {
  const bare = bareGroup(group, index);
  const land =
    lockedLand(group) ?? landBlock({ theme: request.theme, groupRequest: group, kit: request.kit }, found.landMinutes);
  const blocks = [land, ...found.parts.map((part) => part.block)].map((block) =>
    group.locked?.includes(block) ? block : withIds(block, bare.id),
  );
  return { ...bare, blocks };
}

/** Ids that are unique in the whole session: the group's id leads. */
function withIds(block: Block, prefix: string): Block {
  const rename = (item: Item): Item =>
    isSet(item)
      ? { ...item, id: `${prefix}-${item.id}` }
      : { ...item, id: `${prefix}-${item.id}`, items: item.items.map(rename) };
  return { ...block, id: `${prefix}-${block.id}`, items: block.items.map(rename) };
}
