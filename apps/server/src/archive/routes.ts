import { archiveSchema, MOST_ARCHIVE_BYTES, type ClubArchive } from '@upwell/contract/archive';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, HEAD, whoAsks } from '../platform/identity';
import { workFor } from '../work';
import { saveArchive, takeArchive } from './service';

export async function archiveRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get(
    '/archive',
    { config: HEAD, schema: { summary: 'Everything the club keeps, as one file (head coach)' } },
    async (request, reply) => {
      const me = whoAsks(request);
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
      config: HEAD,
      schema: {
        body: archiveSchema,
        summary: 'Take in an archive: adds what is missing, changes nothing (head coach)',
      },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => takeArchive(em, workFor(request), me, request.body));
    },
  );
}
