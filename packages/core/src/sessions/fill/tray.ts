// Sets that are swum again and again, ready to be put into a block by hand.
import type { Pool } from '../../units';
import type { AnySet, BlockKind, GroupPlan, Pause, SessionPlan } from '../plan/model';
import { EASY, repSeconds } from '../plan/setMeasure';
import { endsAtHome, ONE_LENGTH, saidLengths, saidOptions, sprintLengths } from './distances';
import { onTheSpot } from './drillDose';
import { EVERY_THREE, fullRest, rested, swim, type SwimOptions, usualRest } from './plainSet';
import { RECIPE } from './recipe';
import { SIZES } from './sizes';

/** Reps that coaches say. */
const SAID_REPS = [1, 2, 3, 4, 6, 8, 10, 12] as const;

/** How long a set of the tray takes, about, seconds. */
const LASTS: Readonly<Record<Exclude<BlockKind, 'land'>, number>> = {
  'warm-up': 4 * 60,
  drills: 5 * 60,
  main: 14 * 60,
  speed: 4 * 60,
  'swim-down': 4 * 60,
};

/** Efforts of a set that descends, from its first rep to its last. */
const DESCENDS = [0.7, 0.9] as const;
const FAST = 0.9;

/** Pauses that the tray holds, seconds, with what they are for. */
const PAUSES = [30, 60, 120] as const;

type TraySet = AnySet | Pause;

/**
 * Common sets for a block of a level, in distances as the level says them and in about as many reps as the block has
 * time for; then pauses. Their ids are empty: one that is taken gets its own.
 *
 * @example commonSets('main', hold, pool).map((s) => describeSet(s, …)) // '4 × 100 crawl 80 %', …
 */
export function commonSets(
  kind: BlockKind,
  group: GroupPlan,
  { pool, place }: Pick<SessionPlan, 'pool' | 'place'>,
): readonly TraySet[] {
  if (kind === 'land') return [];
  const sets = place === 'open-water' ? outside(kind, group) : indoors(kind, group, pool);
  const once = new Map(sets.map((set) => [JSON.stringify(set), set]));
  return [...once.values(), ...PAUSES.map((seconds): Pause => ({ kind: 'pause', id: '', seconds, note: '' }))];
}

function indoors(kind: Exclude<BlockKind, 'land'>, group: GroupPlan, pool: Pool): AnySet[] {
  const { level } = group;
  const recipe = RECIPE[level];
  const sizes = SIZES[level];
  const context = { groupPlan: group, pool };
  const lasts = LASTS[kind];
  /** As many of one set, rested, as take about the block's time and end at the home wall. */
  const some = (lengths: number, o: SwimOptions, change: (set: AnySet) => AnySet = (set) => set, least = 2): AnySet => {
    const one = rested(change(swim('', least, lengths, o)), 0.5, false, context);
    const each = repSeconds(one, group, pool) + (one.timing.kind === 'rest' ? one.timing.seconds : 0);
    const home = SAID_REPS.filter((reps) => reps >= least && (level === 'settle' || endsAtHome(reps * lengths)));
    return { ...one, reps: nearest(home, lasts / each) };
  };
  const easy = (distances: readonly number[]) =>
    saidOptions(distances, pool)
      .filter(endsAtHome)
      .map((lengths) => swim('', 1, lengths, { stroke: 'choice' }));
  if (level === 'settle') {
    const one = (effort: number) => some(ONE_LENGTH, { stroke: 'choice', effort });
    return kind === 'drills' ? [onTheSpot('', 'wall-tries', group, 'choice'), one(EASY)] : [one(EASY)];
  }
  const effort = recipe.mainEffort;
  const crawl: SwimOptions = { effort, breathing: EVERY_THREE };
  const each = (distances: readonly number[], make: (lengths: number) => AnySet): AnySet[] =>
    saidOptions(distances, pool).map(make);
  const kick = () => each(sizes.kick.slice(0, 1), (n) => some(n, { stroke: 'kick', kit: ['board'] }));
  const fifty = saidLengths(50, pool) ?? 2;
  switch (kind) {
    case 'warm-up':
      return [
        ...easy(recipe.warmUp.slice(-3)),
        some(fifty, { effort: 0.7, breathing: EVERY_THREE }),
        some(fifty, { stroke: 'backstroke' }),
        some(fifty, { effort: DESCENDS[0] }, (set) => ({ ...set, kind: 'descend', lastEffort: FAST }) as AnySet, 4),
        ...kick(),
      ];
    case 'drills':
      return [some(fifty, { breathing: EVERY_THREE }), ...kick(), ...easy([100])];
    case 'main':
      return [
        ...each(sizes.straight, (n) => some(n, crawl)),
        ...each(sizes.descend.slice(0, 1), (n) =>
          some(
            n,
            { ...crawl, effort: DESCENDS[0] },
            (set) => ({ ...set, kind: 'descend', lastEffort: DESCENDS[1] }) as AnySet,
            3,
          ),
        ),
        ...each(sizes.negativeSplit.slice(0, 1), (n) =>
          some(n, { ...crawl, effort: 0.7 }, (set) => ({ ...set, kind: 'halves', secondEffort: FAST }) as AnySet, 1),
        ),
        ...each(sizes.pull.slice(0, 1), (n) => some(n, { ...crawl, kit: ['buoy'] })),
        ...kick(),
      ];
    case 'speed':
      return [4, 6, 8]
        .map((reps): AnySet => fullRest(swim('', reps, sprintLengths(pool), { effort: 1 }), context))
        .concat(some(fifty, { effort: EASY }, (set) => ({ ...set, kind: 'halves', secondEffort: 1 }) as AnySet));
    case 'swim-down':
      return [...easy(recipe.swimDown.slice(1, 5)), some(fifty, { stroke: 'backstroke' })];
  }
}

/** Loops and minutes: a course has no walls. */
function outside(kind: Exclude<BlockKind, 'land'>, group: GroupPlan): AnySet[] {
  const easy = kind === 'warm-up' || kind === 'swim-down';
  const effort = easy ? EASY : kind === 'speed' ? FAST : RECIPE[group.level].mainEffort;
  const loops = (reps: number, lengths: number) =>
    swim('', reps, lengths, { effort, rest: reps > 1 ? usualRest(300) : 0 });
  const timed = (reps: number, seconds: number): AnySet => {
    const { lengths: _, ...set } = loops(reps, 1);
    return { ...set, kind: 'timed', seconds };
  };
  if (easy) return [loops(1, 0.5), loops(1, 1), timed(1, 300), timed(1, 600)];
  if (kind === 'main')
    return [loops(1, 1), loops(2, 1), loops(3, 1), loops(1, 2), loops(1, 3), timed(1, 600), timed(1, 1200)];
  return [timed(4, 60), timed(6, 60), timed(3, 120), timed(1, 300), loops(2, 0.5)];
}

const nearest = (choices: readonly number[], wanted: number): number =>
  choices.reduce((best, one) => (Math.abs(one - wanted) < Math.abs(best - wanted) ? one : best));
