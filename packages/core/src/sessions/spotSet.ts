import { drillCard, type DrillId } from '../library';
import { effortSpeed } from '../measures';
import { swim } from './candidate';
import type { SwimStroke, TimedSet } from './model';
import { EASY, type Swims } from './setMeasure';

/** Seconds to get ready between two tries. */
const READY_S = 20;

/**
 * A drill as a part of its own by the clock, in the dose of its card: for what is counted in seconds or done on the spot,
 * and for distances shorter than the pool.
 *
 * @example onTheSpot('d', 'chest-lean', group) // 6 × 10 s, 20 s between
 */
export function onTheSpot(id: string, drill: DrillId, swims: Swims, stroke: SwimStroke = 'front-crawl'): TimedSet {
  const { dose, factor, kit } = drillCard(drill);
  const set = (reps: number, seconds: number, note: string): TimedSet => {
    const { lengths: _lengths, ...fields } = swim(id, reps, 1, { drill, rest: READY_S, kit, note, stroke });
    return { ...fields, kind: 'timed', seconds };
  };
  if (dose.kind === 'seconds') return set(dose.tries, dose.seconds, '');
  // The tries in one stretch, each as long as it takes, in whole half-minutes.
  if (dose.kind === 'repeats') return set(1, Math.ceil((dose.tries * dose.eachS) / 30) * 30, `${dose.tries} times.`);
  const speed = effortSpeed(swims.v400Mps, EASY, swims.paceTable) * (factor ?? 1);
  return set(
    dose.tries,
    Math.max(5, Math.floor(dose.metres / speed / 5) * 5),
    `About ${dose.metres} m, then back easy.`,
  );
}
