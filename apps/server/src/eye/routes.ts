import { eyeTrySchema, type EyeHistory, type EyeTry } from '@upwell/contract/eye';
import type { Me } from '@upwell/contract/account';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, COACH, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { EyeTryEntity } from './entities';

/** Tries kept in view, a coach. */
const SHOWN = 300;

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
  const rows = await em.execute<{ account_id: string; name: string; tries: EyeTry[] }[]>(
    `select a.id as account_id, a.name, t.tries from account a
       cross join lateral (
         select json_agg(json_build_object('grade', e.grade, 'seed', e.seed, 'marked', e.marked)) as tries
         from (select * from eye_try where account_id = a.id order by at desc, id desc limit ${SHOWN}) e
       ) t
     where a.role <> 'swimmer' and t.tries is not null order by a.name limit 50`,
    [],
    'all',
  );
  return {
    mine: rows.find((row) => row.account_id === me.accountId)?.tries ?? [],
    others: rows
      .filter((row) => row.account_id !== me.accountId)
      .map(({ account_id, name, tries }) => ({ accountId: account_id, name, tries })),
  };
}
