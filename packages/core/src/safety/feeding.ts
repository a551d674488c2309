// Drinking and eating in a long swim.

/** Swims longer than this are fed, seconds. */
export const FED_FROM_S = 90 * 60;
/** The first feed after the start, seconds. */
export const FIRST_FEED_S = 45 * 60;
/** From one feed to the next, seconds. */
export const FEED_EVERY_S = 30 * 60;
/** No feed this close to the end, seconds. */
const NO_FEED_BEFORE_END_S = 20 * 60;

/**
 * When to feed in a long swim: from the start, seconds; none in a swim of {@link FED_FROM_S} or less.
 *
 * @example feedTimes(100 * 60) // [2700, 4500]: at 45 and 75 minutes
 */
export function feedTimes(swimS: number): number[] {
  if (!(swimS > FED_FROM_S)) return [];
  const count = Math.floor((swimS - NO_FEED_BEFORE_END_S - FIRST_FEED_S) / FEED_EVERY_S) + 1;
  return Array.from({ length: count }, (_, i) => FIRST_FEED_S + i * FEED_EVERY_S);
}
