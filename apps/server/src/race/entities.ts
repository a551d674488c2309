// Race plans with the weeks and the outlook worked out from them, how sessions felt, and work in the background.
import type { JobState } from '@upwell/contract/race';
import type { Outlook, PlanWeek, RaceChoices } from '@upwell/core/race';
import type { CauseId } from '@upwell/core/review';
import type { WeekKind } from '@upwell/core/sessions';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

/** What a coach decided about a race plan; the id is the swimmer's. */
export const RacePlanEntity = defineEntity({
  name: 'RacePlan',
  tableName: 'race_plan',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    choices: p.json<RaceChoices>(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type RacePlanRecord = InferEntity<typeof RacePlanEntity>;

/** What a race looks like from here, as of the day it was worked out. */
export const RaceOutlookEntity = defineEntity({
  name: 'RaceOutlook',
  tableName: 'race_outlook',
  properties: {
    swimmerId: p.uuid().primary(),
    clubId: p.uuid(),
    event: p.text(),
    raceOn: p.date(),
    outlook: p.json<Outlook>(),
    madeOn: p.date(),
  },
});

/** A week of a swimmer's plan. */
export const PlanWeekEntity = defineEntity({
  name: 'PlanWeek',
  tableName: 'plan_week',
  properties: {
    swimmerId: p.uuid().primary(),
    monday: p.date().primary(),
    clubId: p.uuid(),
    phase: p.text().$type<PlanWeek['phase']>(),
    kind: p.text().$type<WeekKind>(),
    load: p.integer(),
    theme: p.text().$type<CauseId>(),
    step: p.smallint().nullable(),
    test: p.boolean(),
    notes: p.json<PlanWeek['notes']>(),
  },
});

/** How a session felt to a swimmer, from 0 to 10. */
export const SessionRatingEntity = defineEntity({
  name: 'SessionRating',
  tableName: 'session_rating',
  properties: {
    id: p.uuid().primary(),
    sessionId: p.uuid(),
    swimmerId: p.uuid(),
    clubId: p.uuid(),
    value: p.double(),
    ratedAt: p.datetime(),
  },
  uniques: [{ properties: ['sessionId', 'swimmerId'] }],
});

/** Planning of a whole club in the background. */
export const ClubJobEntity = defineEntity({
  name: 'ClubJob',
  tableName: 'club_job',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    state: p.text().$type<JobState>(),
    done: p.integer().default(0),
    total: p.integer().default(0),
    /** Null for the club's own work at night. */
    askedBy: p.uuid().nullable(),
    askedAt: p.datetime(),
  },
});
