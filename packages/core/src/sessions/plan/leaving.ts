// How a lane leaves: one behind the other, on a send-off, and how long the first waits for the last.
import type { AnySet, GroupPlan } from './model';

/** Seconds between two swimmers leaving in one lane; longer in drills. */
export const LEAVING_GAP_S = 5;
export const DRILL_GAP_S = 10;

export const gapSeconds = ({ drill }: Pick<AnySet, 'drill'>): number => (drill ? DRILL_GAP_S : LEAVING_GAP_S);

/** Seconds of send-off: the swim of the slowest plus rest, rounded up to 5 s. @example sendOffFor(61.2, 15) // 80 */
export function sendOffFor(slowestS: number, restS: number): number {
  return Math.ceil((slowestS + restS) / 5 - 1e-9) * 5;
}

/** Swimmers in the fullest lane of a group. @example fullestLane({ swimmers: 7, lanes: 2 }) // 4 */
export const fullestLane = ({ swimmers, lanes }: Pick<GroupPlan, 'swimmers' | 'lanes'>): number =>
  Math.max(1, Math.ceil(swimmers / Math.max(1, lanes)));

/**
 * Seconds by which the last of a lane leaves after the first, and is home after them where all swim alike. What is swum
 * by the clock begins and ends for all together.
 *
 * @example behindSeconds(fifties, 4) // 15
 */
export const behindSeconds = (set: AnySet, swimmers: number): number =>
  set.kind === 'timed' ? 0 : Math.max(0, swimmers - 1) * gapSeconds(set);

/**
 * Seconds from the last one home until the first leaves for the next time through rounds: the send-off goes on, so what
 * the last one was behind is already gone. After few breaths everyone has the whole rest.
 *
 * @example untilAgain({ restS: 20, behindS: 15, few: false }) // 5
 */
export const untilAgain = ({ restS, behindS, few }: { restS: number; behindS: number; few: boolean }): number =>
  few ? restS : Math.max(0, restS - behindS);
