import { drillCard } from '../library';
import { poolDistance, type Pool } from '../units';
import type { Breathing, SwimSet, SwimStroke, Timing } from './model';

const STROKE_WORD: Readonly<Record<SwimStroke, string>> = {
  'front-crawl': 'crawl',
  backstroke: 'backstroke',
  breaststroke: 'breaststroke',
  butterfly: 'butterfly',
  choice: 'choice',
};

/**
 * An effort in words, with the number for those who like it.
 *
 * @example effortWord(0.8) // 'steady 80 %'
 */
export function effortWord(effort: number): string {
  const percent = `${Math.round(effort * 100)} %`;
  if (effort <= 0.62) return 'easy';
  if (effort <= 0.75) return `relaxed ${percent}`;
  if (effort <= 0.85) return `steady ${percent}`;
  if (effort <= 0.94) return `strong ${percent}`;
  return 'all-out';
}

/** A distance of some lengths in the pool's unit. @example distanceWord({ length: 25, unit: 'yd' }, 2) // '50 yd' */
export function distanceWord(pool: Pool, lengths: number): string {
  return `${poolDistance(pool, lengths)} ${pool.unit}`;
}

/** What is swum: the drill, or the stroke. */
export function whatWord(set: Pick<SwimSet, 'drill' | 'stroke'>): string {
  return set.drill ? drillCard(set.drill).name.toLowerCase() : STROKE_WORD[set.stroke];
}

export function breathingWord(breathing: Breathing): string {
  if (breathing.kind === 'free') return '';
  const side = breathing.strokes % 2 === 0 ? ` ${breathing.side}` : '';
  return `breathe every ${breathing.strokes}${side}`;
}

export function timingWord(timing: Timing): string {
  return timing.kind === 'rest' ? `rest ${timing.seconds} s` : `leave every ${timing.seconds} s`;
}

/**
 * A set in one line, as on a whiteboard.
 *
 * @example describeSet(set, pool) // '4 × 50 six, one, six'
 */
export function describeSet(set: SwimSet, pool: Pool): string {
  const distance = String(poolDistance(pool, set.lengths));
  return `${set.reps > 1 ? `${set.reps} × ` : ''}${distance} ${whatWord(set)}`;
}
