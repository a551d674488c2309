// How often to look ahead, in strokes, in the rhythm of the breath.
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

/** Fewer strokes than these between two looks leave no time to swim. */
const FEWEST = 4;

/**
 * The interval nearest to one wanted that is whole cycles of breathing.
 *
 * @example fittingLook({ kind: 'every', strokes: 3, side: 'right' }, 8) // 9
 */
export function fittingLook(breathing: Breathing, wanted: number): number {
  const cycle = breathCycle(breathing);
  return Math.max(Math.ceil(FEWEST / cycle), Math.round(wanted / cycle)) * cycle;
}

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

/** Nobody looks less often than this in open water, however straight they swim. */
export const MOST_BETWEEN_LOOKS = 12;

/** How often to look, and whether it is only the default of the level. */
export interface LookInterval {
  readonly every: number;
  readonly isDefault: boolean;
}

/**
 * How often to look, everywhere: in the builder, the editor, on a course and on the card.
 *
 * Among the intervals that are as good for this swimmer, this aim and this water the one that is asked of beginners is
 * taken: the most frequent, since it costs next to nothing and sees what the numbers do not know. Without them it is the
 * level's default. Always whole cycles of breathing.
 *
 * @param asGood first and last interval that cost next to nothing more than the best; null when not known
 * @example lookInterval({ level: 'hold', breathing: EVERY_TWO, asGood: null }) // { every: 8, isDefault: true }
 */
export function lookInterval({
  level,
  breathing,
  asGood,
}: {
  readonly level: LevelId;
  readonly breathing: Breathing;
  readonly asGood: readonly [low: number, high: number] | null;
}): LookInterval {
  if (asGood === null) return { every: fittingLook(breathing, DEFAULT_LOOK[level]), isDefault: true };
  const cycle = breathCycle(breathing);
  const [low] = asGood;
  const every = Math.max(FEWEST, Math.min(low, MOST_BETWEEN_LOOKS));
  return { every: Math.ceil(every / cycle) * cycle, isDefault: false };
}
