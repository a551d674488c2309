import { RAD } from '../../units';

/**
 * How far off the line a leader may swim before the feet cost more than they give: `acos(1/(1+gain))`.
 *
 * @param gain share of speed won behind the feet, 0–1
 * @returns degrees
 * @example draftingLimit(0.03) // 13.9
 */
export function draftingLimit(gain: number): number {
  if (!(gain >= 0 && gain <= 1)) throw new RangeError('gain: from 0 to 1');
  return Math.acos(1 / (1 + gain)) / RAD;
}
