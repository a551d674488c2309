// What a club has written into its library.
import type { OwnKind } from '@upwell/core/own';
import { defineEntity, p } from '@mikro-orm/core';

export const LibraryEntryEntity = defineEntity({
  name: 'LibraryEntry',
  tableName: 'library_entry',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    kind: p.text().$type<OwnKind>(),
    key: p.text(),
    /** Null where the club went back to what is built in. */
    body: p.json<object>().nullable(),
    changedBy: p.uuid(),
    changedAt: p.datetime(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
