import type { LevelId } from '../swimmers';

/** The longest breathing pattern planned without the gates for limited breathing, strokes. */
export const LONGEST_OPEN_PATTERN = 5;

/** Farthest anybody swims without a breath, metres, even behind the gates. */
export const FARTHEST_WITHOUT_BREATH_M = 25;

/** Least rest between reps with limited breathing, seconds: full recovery. */
export const RECOVERY_S = 30;

/** Why breaths are not limited lightly. */
export const BREATH_LIMIT_REASON =
  'Fewer breaths than every 5 strokes can make a fit swimmer faint under water without warning. More breaths are the better plan.';

/** What every swimmer is told before such a set. */
export const BREATH_RULES = [
  'Never alone.',
  'No fast breathing beforehand.',
  'Come up at the first urge to breathe.',
] as const;

/** What a coach has put on record before a set with limited breathing. */
export interface BreathRecord {
  /** Name of the qualified lifeguard who watches. */
  readonly lifeguard: string;
  /** {@link BREATH_RULES} were told to everybody in the group. */
  readonly rulesTold: boolean;
  /** Guardians and the head coach agreed for those under 18. */
  readonly minorsAgreed: boolean;
}

/** Who is in a group, as far as it matters here. */
export interface BreathPeople {
  /** Children, and those whose age is not known. */
  readonly under16: number;
  readonly under18: number;
  /** Swimmers with a health flag that rules limited breathing out. */
  readonly flagged: number;
}

export interface BreathQuestion {
  /** Strokes between two breaths at most, or null when it is not counted in strokes. */
  readonly gapStrokes: number | null;
  /** Metres between two breaths at most. */
  readonly gapM: number;
  readonly restS: number;
  readonly level: LevelId;
  readonly outdoors: boolean;
  readonly people: BreathPeople | null;
  readonly record: BreathRecord | null;
}

/** Whether breaths are so few that the gates apply. */
export function isBreathLimited(gapStrokes: number | null): boolean {
  return gapStrokes === null || gapStrokes > LONGEST_OPEN_PATTERN;
}

/**
 * What stands between a set with limited breathing and the water; empty when it may be swum.
 *
 * Blocked for beginners, under-16s, flagged conditions and outdoors, whatever is agreed. Otherwise it
 * needs a lifeguard's name, the rules told, consent for under-18s, at most 25 m without a breath and
 * full recovery between reps.
 *
 * @example breathGate({ gapStrokes: 3, gapM: 3, restS: 10, level: 'settle', outdoors: true, people: null, record: null }) // []
 */
export function breathGate(question: BreathQuestion): string[] {
  const { gapStrokes, gapM, restS, level, outdoors, people, record } = question;
  if (!isBreathLimited(gapStrokes)) return [];
  const blocked: string[] = [];
  if (outdoors) blocked.push('Limited breathing is never planned outdoors.');
  if (level === 'settle' || level === 'build') blocked.push('Limited breathing is only for Hold and Race.');
  if (people && people.under16 > 0)
    blocked.push('Somebody in this group is under 16, or of unknown age: no limited breathing.');
  if (people && people.flagged > 0)
    blocked.push('Somebody in this group has a condition that rules limited breathing out.');
  if (gapM > FARTHEST_WITHOUT_BREATH_M + 1e-9)
    blocked.push(`${Math.round(gapM)} m without a breath; ${FARTHEST_WITHOUT_BREATH_M} m is the most.`);
  if (restS < RECOVERY_S) blocked.push(`Full recovery is needed: ${RECOVERY_S} s of rest at least.`);
  if (!record || record.lifeguard.trim() === '') blocked.push('Name the qualified lifeguard who watches.');
  if (!record?.rulesTold) blocked.push(`Everybody must be told: ${BREATH_RULES.join(' ')}`);
  if (people && people.under18 > 0 && !record?.minorsAgreed)
    blocked.push('For those under 18 a guardian and the head coach must agree.');
  return blocked;
}
