// What speaks against a swim-out while it is planned, from all that is known of it then.
import { momentIn } from '../../days';
import { peopleOf, type GroupPerson, type SessionPlan } from '../../sessions';
import type { Course } from '../course/model';
import { streamWay } from '../course/otherSwims';
import { simulatedWeather } from '../forecast/simulatedWeather';
import { NEW_GROUP } from './model';
import { groupOfPeople, groupOfPlan, readConcerns, swimOutConcerns } from './swimOut';
import { waterHour, type Noted } from './waterRead';

/** A swim-out that is planned. */
export interface PlannedOutside {
  readonly course: Course;
  /** Whose clock the start is of. */
  readonly timeZone: string;
  readonly plan: SessionPlan;
  readonly people: readonly GroupPerson[];
  readonly date: string;
  readonly startTime: string;
  /** What was read at the water, by day and hour. */
  readonly readings: readonly { readonly date: string; readonly hour: number; readonly read: Noted }[];
}

/**
 * Dusk at its hour and the water for its minutes: by what was read at the water for that hour, else by the simulated forecast.
 *
 * @returns the concerns in words, and whether anything of that hour was read
 * @example plannedConcerns({ course, timeZone: 'UTC', plan, people: [], date: '2026-11-27', startTime: '23:30', readings: [] })
 */
export function plannedConcerns({ course, timeZone, plan, people, date, startTime, readings }: PlannedOutside): {
  readonly concerns: readonly string[];
  readonly byReading: boolean;
} {
  const at = new Date(momentIn(timeZone, date, startTime));
  const hour = waterHour(Number(startTime.slice(0, 2)));
  const noted = readings.find((r) => r.date === date && r.hour === hour)?.read ?? {};
  const goers = peopleOf(plan, people).flat();
  const group = { ...NEW_GROUP, ...groupOfPlan(plan), ...(goers.length > 0 ? groupOfPeople(goers) : {}) };
  const weather = simulatedWeather(7)(course.start, at);
  return {
    concerns: [
      ...readConcerns(noted, group, undefined, streamWay(course)),
      ...swimOutConcerns(weather, at.getTime(), groupOfPlan(plan).minutes, group, noted),
    ],
    byReading: Object.keys(noted).length > 0,
  };
}
