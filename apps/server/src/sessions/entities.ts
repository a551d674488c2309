// Sessions, and the secret addresses of calendars.
import type { SessionDone, SessionRow } from '@upwell/contract/sessions';
import type { CauseId } from '@upwell/core/review';
import { AS_USUAL, type SessionPlan, type Tonight } from '@upwell/core/sessions';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

export const TrainingSessionEntity = defineEntity({
  name: 'TrainingSession',
  tableName: 'training_session',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    createdBy: p.uuid(),
    title: p.text(),
    date: p.date(),
    startTime: p.text(),
    squadIds: p.array().columnType('uuid[]').$type<string[]>(),
    theme: p.text().$type<CauseId>(),
    minutes: p.integer(),
    plan: p.json<SessionPlan>(),
    /** The totals per group, so that lists need not read the plan. */
    summary: p.json<SessionRow['groups']>(),
    template: p.boolean(),
    seriesId: p.uuid().nullable(),
    courseId: p.uuid().nullable(),
    breatheFreely: p.array().columnType('uuid[]').$type<string[]>(),
    tonight: p.json<Tonight>().default(JSON.stringify(AS_USUAL)),
    done: p.json<SessionDone>().nullable(),
    /** The totals as swum, when that was noted. */
    doneSummary: p.json<SessionRow['groups']>().nullable(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type TrainingSessionRecord = InferEntity<typeof TrainingSessionEntity>;

/** A secret address where a calendar finds the sessions of a squad. */
export const CalendarLinkEntity = defineEntity({
  name: 'CalendarLink',
  tableName: 'calendar_link',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    squadId: p.uuid(),
    /** Null for the calendar of the whole squad. */
    swimmerId: p.uuid().nullable(),
    tokenHash: p.blob(),
    createdBy: p.uuid(),
    createdAt: p.datetime(),
    revokedAt: p.datetime().nullable(),
  },
});
export type CalendarLinkRecord = InferEntity<typeof CalendarLinkEntity>;
