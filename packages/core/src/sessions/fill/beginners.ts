import { drillCard, ladderCard, STEPS_TO_TEN_METRES } from '../../library';
import { lengthsToMetres, type Pool } from '../../units';
import { inRounds, swim } from './plainSet';
import { chooseDrills } from './chooseDrills';
import { groupClock } from '../plan/clock';
import { LONG_POOL_M } from '../plan/drillPlace';
import type { Block, BlockKind, GroupPlan, Item, TimedSet } from '../plan/model';
import { FINISH_WINDOW_S } from '../plan/shares';
import type { BuildRequest, GroupRequest } from '../request/model';
import { MOST_ROUNDS } from './recipe';
import { onTheSpot } from './drillDose';

/**
 * Whether a group is planned tries where one can stand, by the clock, rather than lengths: beginners until “ten metres
 * on their own” is passed by all of them, and every beginner in a long pool. A ladder that is not noted counts as not
 * begun.
 */
export function byTheClock({ level, ladderSteps }: Pick<GroupRequest, 'level' | 'ladderSteps'>, pool: Pool): boolean {
  if (level !== 'settle') return false;
  return (ladderSteps?.confidence ?? 0) < STEPS_TO_TEN_METRES || lengthsToMetres(pool, 1) > LONG_POOL_M;
}

/** Seconds of one try, of standing up and breathing between two, and of the calm end at the least. */
const TRY_S = 40;
const REST_S = 50;
const CALM_END_S = 120;

/**
 * An hour of beginners, by the clock: the last steps they passed, drills of the theme that are done on the spot, the step
 * they work on with the one before it between, and a calm end that fills the time.
 *
 * @param bare the group without blocks
 * @returns the water blocks, or null when the time is too short
 */
export function beginnerBlocks(
  bare: GroupPlan,
  asked: GroupRequest,
  request: BuildRequest,
  landMinutes: number,
): readonly Block[] | null {
  const { steps } = ladderCard('confidence');
  const working = Math.min(asked.ladderSteps?.confidence ?? 0, STEPS_TO_TEN_METRES - 1);
  const tries = (id: string, at: number, reps: number = steps[Math.max(0, at)]!.tries): TimedSet => {
    const step = steps[Math.max(0, at)]!;
    const drill = step.drill && drillCard(step.drill).factor === null ? step.drill : 'wall-tries';
    return timed(id, reps, TRY_S, { drill, rest: REST_S, note: `${step.what} Enough: ${step.pass}` });
  };
  const spot = chooseDrills(request.theme, asked, request.kit, 2, { seed: request.seed, pool: request.pool }).filter(
    (id) => drillCard(id).places.includes('shallow'),
  );
  const block = (kind: BlockKind, items: readonly Item[]): Block => ({
    kind,
    id: kind,
    landMinutes: 0,
    items,
    note: '',
  });
  // A short hour has fewer tries of each.
  const short = request.minutes < SHORT_MIN;
  const few = short ? 2 : 3;
  const planned = ([now, before]: Tries, rounds: number, endS: number): Block[] => [
    block('warm-up', [tries('wu-first', working - 2, few), tries('wu-last', working - 1, few)]),
    block('drills', [
      ...spot.map((id, i) => onTheSpot(`dr-${i}`, id, bare)),
      tries('dr-step', working, short ? few : undefined),
    ]),
    block('main', inRounds('ma', rounds, [tries('ma-step', working, now), tries('ma-calm', working - 1, before)])),
    block('swim-down', [
      timed('sd', 1, endS, {
        drill: 'wall-tries',
        rest: 0,
        note: 'In standing depth: breathe out slowly, lie on your back if you like, and say what went well.',
      }),
    ]),
  ];
  const kept = (blocks: readonly Block[]) =>
    blocks.map((one) => asked.locked?.find((locked) => locked.kind === one.kind) ?? one);
  const seconds = (of: Tries, rounds: number) =>
    groupClock({ ...bare, blocks: kept(planned(of, rounds, CALM_END_S)) }, request.pool).totalS;
  // In the middle of the window in which all groups end.
  const target = (request.minutes - landMinutes) * 60 - FINISH_WINDOW_S / 2;
  const ways = TRIES.flatMap((of) =>
    Array.from({ length: MOST_ROUNDS }, (_, i) => ({ of, rounds: i + 1, left: target - seconds(of, i + 1) })),
  ).filter(({ left }) => left >= 0);
  if (ways.length === 0) return null;
  // The way that leaves the calm end nearest to its least; fewer tries in a row before more of them.
  const best = ways.reduce((a, b) => (b.left < a.left ? b : a));
  // In steps of five seconds, as a coach says it.
  const endS = CALM_END_S + Math.floor(best.left / 5) * 5;
  return endS <= MOST_CALM_S ? kept(planned(best.of, best.rounds, endS)) : null;
}

/** Tries of the step that is worked on and of the one before it, each time through the main part. */
type Tries = readonly [now: number, before: number];
const TRIES: readonly Tries[] = [
  [1, 1],
  [2, 1],
  [3, 1],
  [3, 2],
  [4, 2],
  [4, 3],
  [5, 3],
];

/** Sessions shorter than this have fewer tries of each step, minutes. */
const SHORT_MIN = 50;

/** The longest calm end, seconds. */
const MOST_CALM_S = 900;

function timed(id: string, reps: number, seconds: number, options: Parameters<typeof swim>[3]): TimedSet {
  const { lengths: _lengths, ...fields } = swim(id, reps, 1, { stroke: 'choice', ...options });
  return { ...fields, kind: 'timed', seconds };
}
