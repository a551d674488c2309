// How often to look ahead: one answer for sessions, courses and cards.

/** Fewer strokes than these between two looks leave no time to swim. */
export const FEWEST_BETWEEN_LOOKS = 4;

/** Nobody looks less often than this in open water, however straight they swim. */
export const MOST_BETWEEN_LOOKS = 12;

/** What decides how often to look. */
export interface LookQuestion {
  /** Strokes from one breath to the next: a look keeps its place in the rhythm only after whole cycles. */
  readonly cycle: number;
  /** First and last interval that cost this swimmer next to nothing with this aim in this water; null when not known. */
  readonly asGood: readonly [low: number, high: number] | null;
  /** Strokes between looks that are usual for the level, until more is known. */
  readonly usual: number;
}

/** Strokes between two looks, and whether that is only what is usual for the level. */
export interface LookInterval {
  readonly every: number;
  readonly isDefault: boolean;
}

/** The interval nearest to one wanted that is whole cycles of breathing. @example wholeCycles(3, 8) // 9 */
export function wholeCycles(cycle: number, wanted: number): number {
  return Math.max(Math.ceil(FEWEST_BETWEEN_LOOKS / cycle), Math.round(wanted / cycle)) * cycle;
}

/**
 * How often to look.
 *
 * Among the intervals that are as good, the most frequent: it costs next to nothing, and sees what the numbers do not know,
 * like a boat, a wave or a current. Without them what is usual for the level.
 *
 * @throws RangeError without a cycle
 * @example lookInterval({ cycle: 2, asGood: [9, 20], usual: 8 }) // { every: 10, isDefault: false }
 */
export function lookInterval({ cycle, asGood, usual }: LookQuestion): LookInterval {
  if (!(cycle >= 1)) throw new RangeError('a cycle has at least one stroke');
  if (asGood === null) return { every: wholeCycles(cycle, usual), isDefault: true };
  const least = Math.max(FEWEST_BETWEEN_LOOKS, Math.min(asGood[0], MOST_BETWEEN_LOOKS));
  return { every: Math.ceil(least / cycle) * cycle, isDefault: false };
}
