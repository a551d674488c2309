// What a coach saw in the eye training.
import type { EyeGrade } from '@upwell/core/eye';
import { defineEntity, p } from '@mikro-orm/core';

export const EyeTryEntity = defineEntity({
  name: 'EyeTry',
  tableName: 'eye_try',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    accountId: p.uuid(),
    grade: p.integer().$type<EyeGrade>(),
    seed: p.integer(),
    // Sign ids; as plain text, since the compiler multiplies out a list of a hundred literals.
    marked: p.json<readonly string[]>(),
  },
});
