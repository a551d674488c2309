import { eyeTrySchema, type EyeHistory, type EyeTry } from '@upwell/contract/eye';
import type { Me } from '@upwell/contract/account';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, COACH, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { EyeTryEntity } from './entities';
import { all } from '../platform/statement';
import { TRIES } from './sql';

/** The eye training of the club's coaches. */
export async function eyeRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get(
    '/tries',
    { config: COACH, schema: { summary: 'Eye training: own tries and the other coaches’' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => history(em, me));
    },
  );

  app.put<{ Params: { id: string }; Body: EyeTry }>(
    '/tries/:id',
    { config: COACH, schema: { params: idParams, body: eyeTrySchema, summary: 'Store one try of the eye training' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, async (em) => {
        const { id } = request.params;
        const known = await em.count(EyeTryEntity, { id });
        if (known === 0)
          await em.insert(EyeTryEntity, { id, ...request.body, clubId: me.clubId, accountId: me.accountId });
        return history(em, me);
      });
    },
  );
}

async function history(em: EntityManager, me: Me): Promise<EyeHistory> {
  const rows = await all(em, TRIES);
  return {
    mine: rows.find((row) => row.account_id === me.accountId)?.tries ?? [],
    others: rows
      .filter((row) => row.account_id !== me.accountId)
      .map(({ account_id, name, tries }) => ({ accountId: account_id, name, tries })),
  };
}
