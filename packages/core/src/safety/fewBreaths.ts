import { NO_FEW_BREATHS, type HealthFlag, type LevelId } from '../swimmers';

/** Breaths are few when more strokes than this lie between two of them, however they are counted. */
export const MOST_STROKES_BETWEEN = 5;

/** Farthest without air, metres, turns included. Nobody plans more, whatever is agreed. */
export const FARTHEST_WITHOUT_AIR_M = 25;

/** Longest without air, seconds, turns included. */
export const LONGEST_WITHOUT_AIR_S = 25;

/** Least rest after every rep with few breaths, seconds; and never less than the rep took. */
export const RECOVERY_S = 30;

/** Why breaths are not limited lightly. */
export const FEW_BREATHS_REASON =
  'With few breaths a fit swimmer can faint under water without warning. More breaths are the better plan.';

/** What every swimmer is told before such a set. */
export const BREATH_RULES = [
  'Never alone.',
  'No fast breathing beforehand.',
  'Come up at the first urge to breathe.',
] as const;

/** What a coach has put on record before a set with few breaths. */
export interface BreathRecord {
  /** Name of the qualified lifeguard who watches. */
  readonly lifeguard: string;
  /** {@link BREATH_RULES} were told to everyone in the group. */
  readonly rulesTold: boolean;
  /** Guardians and the head coach agreed for those of 16 and 17. */
  readonly minorsAgreed: boolean;
}

/** How old a swimmer is, as far as few breaths go; an unknown birth year counts as under 16. */
export type BreathAge = 'under-16' | 'under-18' | 'adult';

/** Somebody who would swim a set, as far as few breaths go. */
export interface BreathPerson {
  readonly level: LevelId;
  readonly age: BreathAge;
  readonly healthFlags: readonly HealthFlag[];
}

/** Whether the rules for few breaths apply to a gap of this many strokes. */
export function isFew(gapStrokes: number): boolean {
  return gapStrokes > MOST_STROKES_BETWEEN + 1e-9;
}

/**
 * Why one person breathes freely while others swim with few breaths, or null when they may join. Only adults of Hold
 * and Race without certain health flags may; at 16 and 17 the guardian and the head coach must have agreed.
 *
 * @example whyNotFewBreaths({ level: 'hold', age: 'under-16', healthFlags: [] }, record) // 'under 16, or of unknown age'
 */
export function whyNotFewBreaths(person: BreathPerson, record: BreathRecord | null): string | null {
  // Told the other way round, so that whatever else is said of an age counts as under 16.
  if (person.age !== 'adult' && person.age !== 'under-18') return 'under 16, or of unknown age';
  if (person.level === 'settle' || person.level === 'build') return 'few breaths are only for Hold and Race';
  const flag = NO_FEW_BREATHS.find((f) => person.healthFlags.includes(f));
  if (flag) return flag;
  if (person.age === 'under-18' && !record?.minorsAgreed) return 'under 18: the guardian and the head coach must agree';
  return null;
}
