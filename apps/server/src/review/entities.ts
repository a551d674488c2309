import type { DrillId } from '@upwell/core/library';
import type { CauseId, Outcome, RankedCause, SignsSeen, Stroke } from '@upwell/core/review';
import type { LevelId, StrokeModelId } from '@upwell/core/swimmers';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

export const ReviewEntity = defineEntity({
  name: 'Review',
  tableName: 'review',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    coachId: p.uuid(),
    lookedAt: p.datetime(),
    stroke: p.text().$type<Stroke>(),
    model: p.text().$type<StrokeModelId>(),
    level: p.text().$type<LevelId>(),
    signs: p.json<SignsSeen>(),
    good: p.text(),
    ranking: p.json<readonly RankedCause[]>(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type ReviewRecord = InferEntity<typeof ReviewEntity>;

export const FocusEntity = defineEntity({
  name: 'Focus',
  tableName: 'focus',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    reviewId: p.uuid(),
    cause: p.text().$type<CauseId>(),
    drill: p.text().$type<DrillId>(),
    cue: p.text(),
    tries: p.integer(),
    since: p.datetime(),
    relookOn: p.date(),
    outcome: p.text().$type<Outcome>().nullable(),
    closedAt: p.datetime().nullable(),
  },
});
export type FocusRecord = InferEntity<typeof FocusEntity>;
