import type { SessionRow } from '@upwell/contract/sessions';
import type { CauseId } from '@upwell/core/review';
import type { SessionPlan } from '@upwell/core/sessions';
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
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type TrainingSessionRecord = InferEntity<typeof TrainingSessionEntity>;
