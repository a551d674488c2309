// Links to a hand-out that can be opened without a sign-in until they are taken back.
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

export const HandoutLinkEntity = defineEntity({
  name: 'HandoutLink',
  tableName: 'handout_link',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    focusId: p.uuid(),
    tokenHash: p.blob(),
    createdBy: p.uuid(),
    createdAt: p.datetime(),
    revokedAt: p.datetime().nullable(),
  },
});
export type HandoutLinkRecord = InferEntity<typeof HandoutLinkEntity>;
