import type { FastifyInstance } from 'fastify';
import type { Database } from './database';
import { PUBLIC } from './identity';

export async function healthRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get('/healthz', { config: PUBLIC, schema: { hide: true } }, () => ({ ok: true }));
  app.get('/readyz', { config: PUBLIC, schema: { hide: true } }, async (_request, reply) => {
    const ready = await database.isConnected();
    return reply.code(ready ? 200 : 503).send({ ok: ready });
  });
}
