import isEqual from 'lodash/isEqual.js';
import { addDays, daysBetween } from '../../days';
import type { SessionPlan } from '../plan/model';

/** What the sessions of a series have in common. */
export interface SeriesFields {
  readonly title: string;
  readonly date: string;
  readonly startTime: string;
  readonly squadIds: readonly string[];
  readonly courseId: string | null;
  readonly plan: SessionPlan;
}

/** Which sessions of a series follow a change of one: those after it, or all. */
export const SERIES_SCOPES = ['later', 'all'] as const;
export type SeriesScope = (typeof SERIES_SCOPES)[number];

/** A session of a series after a change of another one. */
export interface BroughtAlong<T extends SeriesFields> {
  readonly session: T;
  /** Its sets were changed by hand before, and stay. */
  readonly keepsSets: boolean;
}

/**
 * A session of a series, brought along with a change of another one: what changed there changes here, and a day that moved
 * moves by as many days. Sets that were changed by hand here stay, and so does a title or a time that is not the series' own.
 *
 * @param before the other session before its change
 * @param after the other session after it; with the two exchanged the change is taken back
 * @example bringAlong(nextWeek, tuesday, { ...tuesday, startTime: '19:30' }).session.startTime // '19:30'
 */
export function bringAlong<T extends SeriesFields>(
  session: T,
  before: SeriesFields,
  after: SeriesFields,
): BroughtAlong<T> {
  const follow = <K extends 'title' | 'startTime' | 'squadIds' | 'courseId' | 'plan'>(
    key: K,
  ): T[K] | SeriesFields[K] => (isEqual(session[key], before[key]) ? after[key] : session[key]);
  return {
    session: {
      ...session,
      title: follow('title'),
      startTime: follow('startTime'),
      squadIds: follow('squadIds'),
      courseId: follow('courseId'),
      plan: follow('plan'),
      date: addDays(session.date, daysBetween(before.date, after.date)),
    },
    keepsSets: !isEqual(before.plan, after.plan) && !isEqual(session.plan, before.plan),
  };
}

/** Whether a change of a session is one that others of its series can follow. */
export const changesSeries = (before: SeriesFields, after: SeriesFields): boolean =>
  (['title', 'date', 'startTime', 'squadIds', 'courseId', 'plan'] as const).some(
    (key) => !isEqual(before[key], after[key]),
  );
