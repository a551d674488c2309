import { drillCard, type DrillId, type KitId } from '../library';
import { trainingLoad } from '../measures';
import { CAUSES, type Cause, type CauseId } from '../review';
import { isAtLeast } from '../swimmers';
import { lengthsToMetres, type Pool } from '../units';
import { BETWEEN_SETS_S, groupClock } from './clock';
import type { AnySet, Block, BlockKind, Breathing, GroupPlan, Item, Sighting, SwimSet, SwimStroke } from './model';
import type { GroupRequest } from './request';
import { EASY, effortParts, isSet, repLengths, repMetres } from './setMeasure';
import { setsOf } from './totals';

/** One way to fill a block, with what the search needs to know of it. */
export interface Candidate {
  readonly block: Block;
  readonly seconds: number;
  /** Pool lengths; a part of one when something is measured in minutes. */
  readonly lengths: number;
  /** Metres × effort factor. */
  readonly load: number;
  /** Rounds, so that groups of the same shape can be matched. */
  readonly rounds: number;
  /** Cost of an awkward candidate: odd number of lengths, added rest. */
  readonly awkward: number;
}

export type Candidates = Readonly<Record<Exclude<BlockKind, 'land'>, readonly Candidate[]>>;

/** What a block is filled from. */
export interface Context {
  readonly group: GroupPlan;
  readonly request: GroupRequest;
  readonly pool: Pool;
  readonly theme: CauseId;
  readonly kit: readonly KitId[];
  readonly drills: readonly DrillId[];
  /** How much farther this group gets than the recipe thinks of: longer hours, faster swimmers. */
  readonly reach: number;
}

export const FREE: Breathing = { kind: 'free' };
export const EVERY_THREE: Breathing = { kind: 'every', strokes: 3, side: 'right' };

export interface SwimOptions {
  readonly stroke?: SwimStroke;
  readonly drill?: DrillId;
  readonly effort?: number;
  readonly rest: number;
  readonly breathing?: Breathing;
  readonly kit?: readonly KitId[];
  readonly note?: string;
  readonly sighting?: Sighting | null;
}

/** A set with what is usual filled in. */
export function swim(id: string, reps: number, lengths: number, o: SwimOptions): SwimSet {
  return {
    kind: 'swim',
    id,
    reps,
    lengths,
    stroke: o.stroke ?? 'front-crawl',
    drill: o.drill ?? null,
    effort: o.effort ?? EASY,
    breathing: o.breathing ?? FREE,
    sighting: o.sighting ?? null,
    strokeRateSpm: null,
    timing: { kind: 'rest', seconds: o.rest },
    kit: o.kit ?? [],
    note: o.note ?? '',
  };
}

export function inRounds(id: string, rounds: number, items: readonly Item[]): readonly Item[] {
  return rounds === 1 ? items : [{ kind: 'rounds', id, rounds, items }];
}

/** Rest after a steady swim: 15 to 20 s for each 100 m, in steps of 5 s, from 10 to 60 s. */
export function usualRest(repM: number): number {
  return Math.min(60, Math.max(10, Math.round((repM * 0.175) / 5) * 5));
}

/** One way to fill a block, measured; none when a set would have part of a rep. */
export function candidate(
  context: Context,
  kind: BlockKind,
  items: readonly Item[],
  rounds: number,
  awkward: number,
): Candidate[] {
  if (items.some((item) => isSet(item) && !Number.isInteger(item.reps))) return [];
  return [measured(context, { kind, id: kind, landMinutes: 0, items, note: '' }, rounds, awkward)];
}

/** A block as a candidate, on the clock of its group. */
export function measured(context: Context, block: Block, rounds: number, awkward: number): Candidate {
  const clock = groupClock({ ...context.group, blocks: [block] }, context.pool);
  // Alone on the clock the block has no pause before it; in the session only the first one has none.
  const pause = block.kind === 'warm-up' ? 0 : BETWEEN_SETS_S;
  return {
    block,
    seconds: clock.totalS + pause,
    lengths: sizeOf(context, block),
    load: loadOf(context, block),
    rounds,
    awkward,
  };
}

function loadOf({ group, pool }: Context, block: Block): number {
  return trainingLoad(
    setsOf(block.items).flatMap(({ set, times }) => {
      const metres = repMetres(set, group, pool) * set.reps * times;
      return effortParts(set).map(({ share, effort }) => ({ distanceM: metres * share, effort }));
    }),
  );
}

/** Pool lengths of a block: exact but for what covers a distance by the clock. */
function sizeOf({ group, pool }: Context, block: Block): number {
  const lengthsOf = (set: AnySet) =>
    set.kind === 'timed' ? repMetres(set, group, pool) / lengthsToMetres(pool, 1) : repLengths(set);
  return setsOf(block.items).reduce((sum, { set, times }) => sum + set.reps * lengthsOf(set) * times, 0);
}

/** Distances of a recipe for this group: its own, and the same stretched by how far the group gets. */
export function stretched(metres: readonly number[], reach: number): number[] {
  if (reach > 0.85 && reach < 1.2) return [...metres];
  return [...metres, ...metres.map((m) => Math.max(25, Math.round((m * reach) / 25) * 25))];
}

/** Distances in metres as distinct numbers of pool lengths, shortest first; halves only in long pools. */
export function options(metres: readonly number[], pool: Pool): number[] {
  return [...new Set(metres.map((m) => wholeLengths(m, pool)))].sort((a, b) => a - b);
}

export function wholeLengths(metres: number, pool: Pool): number {
  const exact = metres / lengthsToMetres(pool, 1);
  return exact <= 0.6 ? 0.5 : Math.max(1, Math.round(exact));
}

/** Sets that end at the far side cost a little: the coach stands at the other end. */
export function oddness(items: readonly SwimSet[]): number {
  return items.reduce((sum, { reps, lengths }) => sum + ((reps * lengths) % 2 === 0 ? 0 : 0.02), 0);
}

type Turners = Pick<GroupRequest, 'level' | 'ladderSteps'>;

/** Whether a group tumbles: from the level of the tumble ladder on, and with its first two steps where it is kept. */
const tumbles = ({ level, ladderSteps }: Turners): boolean =>
  isAtLeast(level, drillCard('tumble-ladder').from) && (ladderSteps?.tumble ?? Infinity) >= 2;

/** The cue of a theme for a group: a somersault is not talked of to people who do not tumble. */
export function cueFor(theme: CauseId, group: Turners): string {
  const cause: Cause = CAUSES[theme];
  return tumbles(group) ? cause.cue : (cause.openTurnCue ?? cause.cue);
}

/** What is said for the whole stroke after a drill. */
export function cueAfter(drill: DrillId, group: Turners): string {
  return drill === 'tumble-ladder' && !tumbles(group) ? 'Open turns until the ladder is passed.' : drillCard(drill).cue;
}

export function strokeOf(theme: CauseId): SwimStroke {
  return CAUSES[theme].strokes[0] === 'breaststroke' ? 'breaststroke' : 'front-crawl';
}
