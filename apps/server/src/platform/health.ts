// Whether the server is alive, and whether it is ready.
import type { FastifyInstance } from 'fastify';
import type { Database } from './database';
import { PUBLIC } from './identity';
import { sqlStateOf } from './sqlState';

export async function healthRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get('/healthz', { config: PUBLIC, schema: { hide: true } }, () => ({ ok: true }));
  app.get('/readyz', { config: PUBLIC, schema: { hide: true } }, async (request, reply) => {
    try {
      // What a request needs: a connection, as the app's own role, with its rights. Without a club there is no row.
      await database.em.fork().execute('select from club limit 1');
      return { ok: true };
    } catch (error) {
      request.log.error({ code: sqlStateOf(error) }, 'not ready');
      return reply.code(503).send({ ok: false });
    }
  });
}
