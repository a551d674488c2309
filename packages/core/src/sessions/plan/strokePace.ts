// How fast a stroke is beside front crawl.
import type { KitId } from '../../library';
import { poolDistance, type Pool } from '../../units';
import type { AnySet, StrokeShares, SwimStroke } from './model';

/**
 * Speed in a stroke as a share of crawl at the same effort, where no own time is known: a guess. With the stroke left
 * open the clock goes by backstroke, so that most are home in time.
 */
export const STROKE_SHARE: Readonly<Record<SwimStroke, number>> = {
  'front-crawl': 1,
  backstroke: 0.88,
  breaststroke: 0.78,
  butterfly: 0.8,
  medley: 0.86,
  kick: 0.55,
  choice: 0.88,
};

/** Butterfly up to this many metres, and its share there. */
export const SHORT_BUTTERFLY = { metres: 50, share: 0.92 } as const;
/** Kick with fins, and crawl with a pull buoy between the legs. */
export const KICK_WITH_FINS = 0.8;
export const PULL_WITH_BUOY = 0.97;

/** What decides how fast a stroke is. */
export interface Stroked {
  readonly stroke: SwimStroke;
  readonly kit: readonly KitId[];
}

/** Whether crawl is swum with the arms alone. @example isPull({ stroke: 'front-crawl', drill: null, kit: ['buoy'] }) // true */
export function isPull({ stroke, drill, kit }: Stroked & { readonly drill: unknown }): boolean {
  return stroke === 'front-crawl' && drill === null && kit.includes('buoy');
}

/**
 * Speed in a stroke as a share of crawl: the own one first, else the usual one. Fins and buoy count by themselves.
 *
 * @param repM metres of one rep: butterfly over more than 50 m is slower
 * @param own shares from own times
 * @example strokeShare({ stroke: 'kick', kit: ['board'] }, 50) // 0.55
 */
export function strokeShare({ stroke, kit }: Stroked, repM: number, own: StrokeShares = {}): number {
  if (stroke === 'kick' && kit.includes('fins')) return KICK_WITH_FINS;
  if (stroke === 'front-crawl') return kit.includes('buoy') ? PULL_WITH_BUOY : 1;
  const known = own[stroke];
  if (known !== undefined) return known;
  if (stroke === 'butterfly' && repM <= SHORT_BUTTERFLY.metres + 1e-9) return SHORT_BUTTERFLY.share;
  return STROKE_SHARE[stroke];
}

/** Whether the pace of a set is a guess because nobody's own time in that stroke is known. */
export function isStrokeGuess(set: Stroked & { readonly drill: unknown }, own: StrokeShares = {}): boolean {
  return set.drill === null && (isPull(set) || (set.stroke !== 'front-crawl' && own[set.stroke] === undefined));
}

/** Why a medley rep does not fit its pool, or null: each quarter should be whole lengths. @example medleyProblem(100 m in a 50 m pool) */
export function medleyProblem(set: AnySet, pool: Pool): string | null {
  if (set.stroke !== 'medley' || set.drill !== null || set.kind === 'timed' || Number.isInteger(set.lengths / 4))
    return null;
  const fits = Math.max(4, Math.round(set.lengths / 4) * 4);
  return `A quarter of ${poolDistance(pool, set.lengths)} is not whole lengths here: the stroke changes in mid-pool. ${poolDistance(pool, fits)} fits.`;
}
