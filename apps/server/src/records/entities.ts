// Swim tests and imports of results as they are stored.
import type { KeptOutcome, SwimTestKind, TestInput } from '@upwell/core/swimtests';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { AccountEntity } from '../account/entities';

export const TestResultEntity = defineEntity({
  name: 'TestResult',
  tableName: 'test_result',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    notedBy: p.uuid(),
    kind: p.text().$type<SwimTestKind>(),
    heldOn: p.date(),
    input: p.json<TestInput>(),
    /** Worked out by core from the input: its numbers, which SQL reads. */
    outcome: p.json<KeptOutcome>(),
    note: p.text(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type TestResultRecord = InferEntity<typeof TestResultEntity>;

/** A file of results that was stored; who stored it and when is set by the database. */
export const ResultImportEntity = defineEntity({
  name: 'ResultImport',
  tableName: 'result_import',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    /** Null for imports from before this was noted. */
    account: () => p.manyToOne(AccountEntity).joinColumn('account_id').nullable(),
    name: p.text(),
    rows: p.integer(),
    stored: p.integer(),
    storedAt: p.datetime(),
    undoneAt: p.datetime().nullable(),
    removed: p.integer(),
  },
});
export type ResultImportRecord = InferEntity<typeof ResultImportEntity>;
