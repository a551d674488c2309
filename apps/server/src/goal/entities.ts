import type { RaceChoices } from '@upwell/core/goal';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

/** What a coach decided about the way to a race; the id is the swimmer's. */
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
