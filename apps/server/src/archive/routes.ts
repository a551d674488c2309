import { archiveSchema, MOST_ARCHIVE_BYTES, type ClubArchive } from '@upwell/contract/archive';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, requireHead } from '../platform/identity';
import { saveArchive, takeArchive } from './service';

export async function archiveRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get(
    '/archive',
    { schema: { summary: 'Everything the club keeps, as one file (head coach)' } },
    async (request, reply) => {
      const me = requireHead(request);
      const archive = await asMe(database, me, (em) => saveArchive(em, me));
      return reply
        .header('content-disposition', `attachment; filename="upwell-club-${archive.savedAt.slice(0, 10)}.json"`)
        .header('cache-control', 'no-store')
        .send(archive);
    },
  );

  app.post<{ Body: ClubArchive }>(
    '/archive',
    {
      bodyLimit: MOST_ARCHIVE_BYTES,
      // Who asks is looked at before so large a body is read.
      onRequest: async (request) => void requireHead(request),
      schema: {
        body: archiveSchema,
        summary: 'Take in an archive: adds what is missing, changes nothing (head coach)',
      },
    },
    (request) => {
      const me = requireHead(request);
      return asMe(database, me, (em) => takeArchive(em, me, request.body));
    },
  );
}
