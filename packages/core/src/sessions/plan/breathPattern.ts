import type { Breathing, SwimStroke } from './model';

/** Strokes between two breaths at most, by stroke; null for crawl, where a coach chooses the pattern. */
const MOST_BETWEEN: Readonly<Record<SwimStroke, number | null>> = {
  'front-crawl': null,
  // A stroke is one pull with its kick.
  breaststroke: 1,
  butterfly: 2,
  // The face is out of the water: nothing to count.
  backstroke: 0,
  // It may be any of them, or all in turn.
  choice: 0,
  medley: 0,
  // With a board the face is up; without one a breath is taken when it is needed.
  kick: 0,
};

const HOW: Readonly<Record<SwimStroke, string>> = {
  'front-crawl': '',
  breaststroke: 'breaststroke breathes every stroke',
  butterfly: 'butterfly breathes every stroke, or every two',
  backstroke: 'backstroke breathes freely',
  choice: 'with the stroke left open everybody breathes freely',
  medley: 'in medley everybody breathes freely',
  kick: 'on the kick everybody breathes freely',
};

/**
 * Why a way to breathe does not belong to a stroke, or null when it does: patterns, sides and counted breaths are for
 * front crawl.
 *
 * @example patternProblem('breaststroke', { kind: 'every', strokes: 3, side: 'right' })
 * // 'Patterns of breathing belong to front crawl; breaststroke breathes every stroke.'
 * @example patternProblem('butterfly', { kind: 'every', strokes: 2, side: 'right' }) // null
 */
export function patternProblem(stroke: SwimStroke, breathing: Breathing): string | null {
  const most = MOST_BETWEEN[stroke];
  if (most === null || breathing.kind === 'free') return null;
  if (breathing.kind === 'every' && breathing.strokes <= most) return null;
  return `Patterns of breathing belong to front crawl; ${HOW[stroke]}.`;
}
