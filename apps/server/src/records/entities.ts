// Swim tests as they are stored.
import type { SwimTestKind, TestInput, TestOutcome } from '@upwell/core/swimtests';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

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
    /** Worked out by core from the input, so that lists need not. */
    outcome: p.json<TestOutcome>(),
    note: p.text(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type TestResultRecord = InferEntity<typeof TestResultEntity>;
