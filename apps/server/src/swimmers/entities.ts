// The club, its squads, swimmers and results, and the log of looks at children.
import type { StrokeTime } from '@upwell/core/sessions';
import type { BestTime, BreathingSide, PoolTime, RaceGoal } from '@upwell/contract/swimmers';
import type { KitId, LadderId, LadderMark } from '@upwell/core/library';
import type { ResultKind, SwimDetails } from '@upwell/core/measures';
import type { HealthFlag, LevelId, StrokeModelId } from '@upwell/core/swimmers';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

export const ClubEntity = defineEntity({
  name: 'Club',
  tableName: 'club',
  properties: {
    id: p.uuid().primary(),
    name: p.text(),
    settings: p.json<Record<string, unknown>>(),
    /** Counted by the database whenever an entry of its library changes. */
    libraryVersion: p.integer().default(0),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type Club = InferEntity<typeof ClubEntity>;

export const SquadEntity = defineEntity({
  name: 'Squad',
  tableName: 'squad',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    name: p.text(),
    poolTimes: p.json<readonly PoolTime[]>(),
    archived: p.boolean(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type SquadRecord = InferEntity<typeof SquadEntity>;

export const SquadCoachEntity = defineEntity({
  name: 'SquadCoach',
  tableName: 'squad_coach',
  properties: {
    squadId: p.uuid().primary(),
    accountId: p.uuid().primary(),
    clubId: p.uuid(),
  },
});

export const SwimmerEntity = defineEntity({
  name: 'Swimmer',
  tableName: 'swimmer',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    squadId: p.uuid(),
    givenName: p.text(),
    familyName: p.text(),
    searchName: p.text(),
    level: p.text().$type<LevelId>(),
    birthYear: p.integer().nullable(),
    strokeModel: p.text().$type<StrokeModelId>(),
    breathingSide: p.text().$type<BreathingSide>(),
    healthFlags: p.json<readonly HealthFlag[]>(),
    healthConsent: p.boolean(),
    clipConsent: p.boolean(),
    kit: p.json<readonly KitId[]>(),
    ladderSteps: p.json<Partial<Record<LadderId, number>>>(),
    ladderLog: p.json<readonly LadderMark[]>().default('[]'),
    goal: p.json<RaceGoal>().nullable(),
    bestTimes: p.json<readonly BestTime[]>(),
    strokeTimes: p.json<readonly StrokeTime[]>().default('[]'),
    archived: p.boolean(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type SwimmerRecord = InferEntity<typeof SwimmerEntity>;

export const ResultEntity = defineEntity({
  name: 'Result',
  tableName: 'result',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    heldOn: p.date(),
    distanceM: p.double().$type<number>(),
    timeS: p.double().$type<number>(),
    strokesPerLength: p.double().$type<number>().nullable(),
    kind: p.text().$type<ResultKind>(),
    details: p.json<SwimDetails>().default('{}'),
    importId: p.uuid().nullable(),
  },
});
