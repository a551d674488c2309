import {
  squadSaveSchema,
  swimmerQuerySchema,
  swimmerSaveSchema,
  type SquadSave,
  type SwimmerQuery,
  type SwimmerSave,
} from '@upwell/contract/swimmers';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { planSwimmers } from '../goal';
import { asMe, COACH, HEAD, whoAsks } from '../platform/identity';
import { workFor } from '../work';
import { idParams } from '../platform/params';
import { listCoaches, listSquads, listSwimmers, saveSquad, saveSwimmer, showSwimmer } from './service';

export async function swimmerRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Querystring: Required<SwimmerQuery> }>(
    '/swimmers',
    { schema: { querystring: swimmerQuerySchema, summary: 'Swimmers by name, a page at a time' } },
    (request) => listSwimmers(database, whoAsks(request), request.query),
  );

  app.get<{ Params: { id: string } }>(
    '/swimmers/:id',
    { schema: { params: idParams, summary: 'One swimmer with focuses, reviews and results' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => showSwimmer(em, me, request.params.id));
    },
  );

  app.put<{ Params: { id: string }; Body: SwimmerSave }>(
    '/swimmers/:id',
    { config: COACH, schema: { params: idParams, body: swimmerSaveSchema, summary: 'Create or change a swimmer' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, async (em) => {
        const saved = await saveSwimmer(em, me, request.params.id, request.body);
        // Goal, level or ladder may have changed: the weeks follow.
        await planSwimmers(em, workFor(request), me.clubId, [saved.id], new Date().toISOString().slice(0, 10));
        return saved;
      });
    },
  );

  app.get('/squads', { schema: { summary: 'The squads one may see' } }, (request) =>
    asMe(database, whoAsks(request), listSquads),
  );

  app.put<{ Params: { id: string }; Body: SquadSave }>(
    '/squads/:id',
    {
      config: HEAD,
      schema: { params: idParams, body: squadSaveSchema, summary: 'Create or change a squad (head coach)' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => saveSquad(em, me, request.params.id, request.body));
    },
  );

  app.get('/coaches', { config: COACH, schema: { summary: 'Coaches of the club' } }, (request) =>
    asMe(database, whoAsks(request), listCoaches),
  );
}
