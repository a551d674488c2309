import type { DeckFact } from '@upwell/core/deck';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

/** Something that happened on deck; only ever added. */
export const DeckEventEntity = defineEntity({
  name: 'DeckEvent',
  tableName: 'deck_event',
  properties: {
    id: p.uuid().primary(),
    seq: p.bigint('number'),
    clubId: p.uuid(),
    sessionId: p.uuid(),
    notedBy: p.uuid(),
    device: p.uuid(),
    atMs: p.double().$type<number>(),
    fact: p.json<DeckFact>(),
  },
});
export type DeckEventRecord = InferEntity<typeof DeckEventEntity>;
