// How often to look ahead, in strokes, in the rhythm of the breath.
import { lookInterval, wholeCycles } from '../../measures';
import type { LevelId } from '../../swimmers';
import type { Breathing, Sighting } from './model';

/** Strokes of one cycle of breathing: a look falls on the same place of it each time only after whole cycles. */
export function breathCycle(breathing: Breathing): number {
  switch (breathing.kind) {
    case 'every':
    case 'by-length':
      return breathing.strokes;
    case 'to-side':
      return 2;
    case 'free':
    case 'limited':
      return 1;
  }
}

/**
 * The interval nearest to one wanted that is whole cycles of breathing.
 *
 * @example fittingLook({ kind: 'every', strokes: 3, side: 'right' }, 8) // 9
 */
export const fittingLook = (breathing: Breathing, wanted: number): number =>
  wholeCycles(breathCycle(breathing), wanted);

/** Why looks do not fit the breath of a set, with the nearest that do; null when they fit. */
export function lookProblem(breathing: Breathing, { every }: Sighting): string | null {
  const cycle = breathCycle(breathing);
  if (every % cycle === 0) return null;
  const down = Math.max(cycle, Math.floor(every / cycle) * cycle);
  return `A look every ${every} strokes falls on another part of the breath each time; breathing every ${cycle}, look every ${down} or ${down + cycle}.`;
}

/** Strokes between looks that are practised side by side: more often than is needed, and as often as is usual. */
const SIDE_BY_SIDE = { often: 4, seldom: 8 } as const;

/** Looks for practice, in the rhythm of the breath. @example lookFor(EVERY_TWO, 'often') // every 4 */
export const lookFor = (breathing: Breathing, how: keyof typeof SIDE_BY_SIDE): Sighting => ({
  every: fittingLook(breathing, SIDE_BY_SIDE[how]),
  forBreath: false,
});

/** Strokes between looks until a swimmer's own line is known: a default. */
export const DEFAULT_LOOK: Readonly<Record<LevelId, number>> = { settle: 8, build: 8, hold: 8, race: 6 };

/** Looks outside until a swimmer's own line is known: what is usual for the level, in the rhythm of the breath. */
export const usualLook = (level: LevelId, breathing: Breathing): Sighting => ({
  every: lookInterval({ cycle: breathCycle(breathing), asGood: null, usual: DEFAULT_LOOK[level] }).every,
  forBreath: false,
});
