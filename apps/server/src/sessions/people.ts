import type { SessionFields, SessionPerson } from '@upwell/contract/sessions';
import type { CauseId } from '@upwell/core/review';
import {
  AS_USUAL,
  type Attendee,
  type BreathingSide,
  type GroupPerson,
  type SessionPlan,
  type WeekKind,
  hereTonight,
  ownShares,
  peopleOf,
  speedOver400,
  type Tonight,
} from '@upwell/core/sessions';
import { ageYear, isChild, isYoung, levelCard } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { all } from '../platform/statement';
import { ATTENDEES } from './sql';

/** A swimmer as a session needs to know them. */
export interface KnownAttendee extends Attendee {
  readonly id: string;
  readonly name: string;
  readonly birthYear: number | null;
  readonly breathingSide: BreathingSide;
  readonly planTheme: CauseId | null;
  /** Kind of this week in the swimmer's own plan, and days to the race; null without one. */
  readonly week: WeekKind | null;
  readonly raceInDays: number | null;
  /** Strokes a minute for distance from the last rate ramp; null without one. */
  readonly rateSpm: number | null;
}

/**
 * The swimmers of some squads that one may see; no squads means all of them.
 *
 * @param date day of a session, for what their own plans say of it
 * @param guests ids of others who come as well
 */
export async function attendeesOf(
  em: EntityManager,
  squadIds: readonly string[],
  date: string | null = null,
  guests: readonly string[] = [],
): Promise<KnownAttendee[]> {
  const squads = `{${squadIds.join(',')}}`;
  const rows = await all(em, ATTENDEES, [date, date, squads, squads, `{${guests.join(',')}}`]);
  return rows.map(
    ({
      best_times,
      stroke_times,
      breathing_side,
      health_flags,
      ladder_steps,
      birth_year,
      rate,
      plan,
      race_in,
      ...row
    }) => ({
      ...row,
      bestTimes: best_times,
      strokeTimes: stroke_times,
      breathingSide: breathing_side,
      healthFlags: health_flags,
      ladderSteps: ladder_steps,
      birthYear: birth_year,
      rateSpm: rate,
      planTheme: plan?.theme ?? null,
      week: plan?.kind ?? null,
      raceInDays: race_in,
    }),
  );
}

/** A swimmer of a session as far as safety is concerned; an unknown age counts as under 16. */
export function forSafety({
  id,
  name,
  level,
  bestTimes,
  birthYear,
  healthFlags,
  ladderSteps,
  breathingSide,
}: KnownAttendee): GroupPerson {
  const year = ageYear();
  return {
    ...{ id, name, level, healthFlags, breathingSide },
    confidence: ladderSteps?.confidence ?? 0,
    v400Mps: speedOver400(bestTimes) ?? levelCard(level).defaultV400Mps,
    age: isYoung(birthYear, year) ? 'under-16' : isChild(birthYear, year) ? 'under-18' : 'adult',
  };
}

/** Who would swim in each group of a plan, in its order. */
export async function peopleOfPlan(
  em: EntityManager,
  plan: SessionPlan,
  squadIds: readonly string[],
  tonight: Tonight = AS_USUAL,
): Promise<readonly GroupPerson[][]> {
  const attendees = await attendeesOf(em, squadIds, null, tonight.guests);
  return peopleOf(plan, hereTonight(attendees.map(forSafety), tonight));
}

/** Who comes to a session, with the pace of their lane and the place they were put in by hand. */
export async function sessionPeople(
  em: EntityManager,
  { squadIds, tonight = AS_USUAL }: Pick<SessionFields, 'squadIds' | 'tonight'>,
): Promise<SessionPerson[]> {
  return hereTonight(await everybodyOf(em, squadIds, tonight.guests), tonight);
}

/** Everybody of the squads and some guests with the pace of their lane, as if nothing were settled by hand. */
export async function everybodyOf(
  em: EntityManager,
  squadIds: readonly string[],
  guests: readonly string[],
): Promise<SessionPerson[]> {
  return (await attendeesOf(em, squadIds, null, guests)).map((attendee) => ({
    ...forSafety(attendee),
    paceIsGuess: speedOver400(attendee.bestTimes) === null,
    bests: attendee.bestTimes,
    strokeShares: ownShares(attendee.strokeTimes ?? [], attendee.bestTimes),
    rateSpm: attendee.rateSpm,
  }));
}
