import { entrySaveSchema, libraryImportSchema, type EntrySave, type LibraryImport } from '@upwell/contract/library';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, COACH, forgetClub, HEAD, whoAsks } from '../platform/identity';
import { workFor } from '../work';
import { importLibrary, libraryFile, saveEntry, showLibrary } from './service';

/** What a club has written itself: drills, words, strengths, bands and levels, laid over the built-in ones. */
export async function libraryRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get('/library', { schema: { summary: 'What the club has of its own' } }, (request) =>
    asMe(database, whoAsks(request), showLibrary),
  );

  app.get(
    '/library/file',
    { config: COACH, schema: { summary: 'The club’s own library as a file, for another club' } },
    async (request, reply) => {
      const file = await asMe(database, whoAsks(request), (em) => libraryFile(em, whoAsks(request)));
      return reply
        .type('application/json; charset=utf-8')
        .header('content-disposition', 'attachment; filename="library.json"')
        .send(JSON.stringify(file, null, 2));
    },
  );

  app.put<{ Body: EntrySave }>(
    '/library/entry',
    {
      config: HEAD,
      schema: { body: entrySaveSchema, summary: 'Change one entry, or go back to the built-in (head coach)' },
    },
    async (request) => {
      const me = whoAsks(request);
      const saved = await asMe(database, me, (em) => saveEntry(em, workFor(request), me, request.body));
      // It counts from the next request on.
      forgetClub(me.clubId);
      return saved;
    },
  );

  app.post<{ Body: LibraryImport }>(
    '/library/import',
    {
      config: HEAD,
      schema: { body: libraryImportSchema, summary: 'Take in entries of a file, all or none (head coach)' },
    },
    async (request) => {
      const me = whoAsks(request);
      const saved = await asMe(database, me, (em) => importLibrary(em, workFor(request), me, request.body));
      forgetClub(me.clubId);
      return saved;
    },
  );
}
