// Reviews, focuses, tries and clips as they are stored.
import type { DrillId } from '@upwell/core/library';
import type { ClipFields } from '@upwell/contract/clips';
import type { CauseId, FocusOutcome, Measured, Outcome, RankedCause, SignsSeen, Stroke } from '@upwell/core/review';
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
    measured: p.json<Measured>(),
    noted: p.text(),
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
    outcome: p.text().$type<FocusOutcome>().nullable(),
    closedAt: p.datetime().nullable(),
    saidBack: p.text(),
    felt: p.text(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type FocusRecord = InferEntity<typeof FocusEntity>;

export const FocusTryEntity = defineEntity({
  name: 'FocusTry',
  tableName: 'focus_try',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    focusId: p.uuid(),
    drill: p.text().$type<DrillId>(),
    verdict: p.text().$type<Outcome>(),
    note: p.text(),
    at: p.datetime(),
  },
});

export const ClipEntity = defineEntity({
  name: 'Clip',
  tableName: 'clip',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    coachId: p.uuid(),
    title: p.text(),
    recordedOn: p.date(),
    durationS: p.double().$type<number>(),
    aspect: p.double().$type<number>(),
    distanceM: p.double().$type<number>().nullable(),
    taps: p.json<ClipFields['taps']>(),
    lines: p.json<ClipFields['lines']>(),
    notes: p.json<ClipFields['notes']>(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type ClipRecord = InferEntity<typeof ClipEntity>;
