// How fast somebody is in other strokes, from own times.
import { raceTime, type Trial } from '../../measures';
import type { StrokeShares, SwimStroke } from '../plan/model';

/** Strokes of which a best time can be kept beside those of front crawl. */
export const TIMED_STROKES = [
  'backstroke',
  'breaststroke',
  'butterfly',
  'medley',
] as const satisfies readonly SwimStroke[];
export type TimedStroke = (typeof TIMED_STROKES)[number];

/** A best time in another stroke. */
export interface StrokeTime extends Trial {
  readonly stroke: TimedStroke;
}

/** Longest swim that says something of a stroke in training, metres. */
const LONGEST_M = 400;
/** Shares outside these are slips of the finger. */
const BELIEVED = [0.3, 1.3] as const;

/**
 * Speed in each stroke of which an own time is known, as a share of crawl over the same distance; the longest such swim up
 * to 400 m counts. A stroke whose crawl time is neither known nor can be told from others is left out.
 *
 * @param strokeTimes best times in other strokes
 * @param bestTimes best times in front crawl
 * @example ownShares([{ stroke: 'backstroke', distanceM: 100, timeS: 90 }], [{ distanceM: 100, timeS: 81 }]) // { backstroke: 0.9 }
 */
export function ownShares(strokeTimes: readonly StrokeTime[], bestTimes: readonly Trial[]): StrokeShares {
  const shares: Partial<Record<TimedStroke, number>> = {};
  const known = [...strokeTimes]
    .filter(({ distanceM }) => distanceM <= LONGEST_M)
    .sort((a, b) => a.distanceM - b.distanceM);
  for (const { stroke, distanceM, timeS } of known) {
    const crawlS = crawlTime(bestTimes, distanceM);
    const share = crawlS === null ? null : Math.round((crawlS / timeS) * 1000) / 1000;
    if (share !== null && share >= BELIEVED[0] && share <= BELIEVED[1]) shares[stroke] = share;
  }
  return shares;
}

/** Seconds of crawl over a distance: swum, or told from the other swims; null without any. */
function crawlTime(bestTimes: readonly Trial[], distanceM: number): number | null {
  const swum = bestTimes.find((t) => t.distanceM === distanceM);
  if (swum) return swum.timeS;
  if (bestTimes.length === 0) return null;
  try {
    return raceTime(bestTimes, distanceM).timeS;
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Shares that the slower half of a group can keep: for each stroke the lower quartile of those who know theirs. */
export function groupShares(each: readonly StrokeShares[]): StrokeShares {
  const shares: Partial<Record<SwimStroke, number>> = {};
  for (const stroke of TIMED_STROKES) {
    const known = each.flatMap((own) => own[stroke] ?? []).sort((a, b) => a - b);
    if (known.length > 0) shares[stroke] = known[Math.floor((known.length - 1) / 4)]!;
  }
  return shares;
}
