import { isoDate } from '@upwell/contract/common';
import type { DeckToday } from '@upwell/contract/deck';
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Database } from '../platform/database';
import { asMe, requireMe } from '../platform/identity';
import { openFocusesDue } from '../review';
import { listSessions } from '../sessions';

export async function deckRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Querystring: { date: string } }>(
    '/today',
    {
      schema: {
        // The day where the coach stands, which the server cannot know.
        querystring: Joi.object({ date: isoDate().required() }),
        summary: 'What matters on a day: sessions and second looks due',
      },
    },
    (request): Promise<DeckToday> => {
      const { date } = request.query;
      return asMe(database, requireMe(request), async (em) => ({
        date,
        sessions: await listSessions(em, { from: date, to: date, limit: 20 }),
        relooks: await openFocusesDue(em, date),
      }));
    },
  );
}
