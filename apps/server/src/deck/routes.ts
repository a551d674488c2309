// What a device needs for a session on deck, and the events that come back from it.
import { isoDate } from '@upwell/contract/common';
import {
  eventsQuerySchema,
  eventsSchema,
  packQuerySchema,
  type DeckToday,
  type EventsBody,
} from '@upwell/contract/deck';
import type { FastifyInstance } from 'fastify';
import { Joi } from '@upwell/contract/joi';
import type { Database } from '../platform/database';
import { loadsDue, readyDue, testsDue } from '../race';
import { asMe, COACH, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { openFocusesDue } from '../review';
import { listSessions } from '../sessions';
import { workFor } from '../work';
import { addEvents, eventsAfter, pack, packs } from './service';

export async function deckRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Querystring: { date: string } }>(
    '/today',
    {
      schema: {
        // The day that is shown: today by the club's clock.
        querystring: Joi.object({ date: isoDate().required() }),
        summary: 'What matters on a day: sessions, second looks, tests, readiness and load',
      },
    },
    (request): Promise<DeckToday> => {
      const { date } = request.query;
      const me = whoAsks(request);
      return asMe(database, me, async (em) => ({
        date,
        sessions: await listSessions(em, me, { from: date, to: date, limit: 20 }),
        relooks: await openFocusesDue(em, date),
        tests: await testsDue(em, date),
        ready: await readyDue(em, date),
        loads: await loadsDue(em, date),
      }));
    },
  );

  app.get<{ Querystring: { date: string } }>(
    '/packs',
    {
      config: COACH,
      schema: { querystring: packQuerySchema, summary: 'Everything needed to run the sessions of a day' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => packs(em, me, request.query.date));
    },
  );

  app.get<{ Params: { id: string } }>(
    '/packs/:id',
    { config: COACH, schema: { params: idParams, summary: 'Everything needed to run one session' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => pack(em, me, request.params.id));
    },
  );

  app.get<{ Params: { id: string }; Querystring: { after: number } }>(
    '/runs/:id/events',
    {
      config: COACH,
      schema: { params: idParams, querystring: eventsQuerySchema, summary: 'What was noted while a session was run' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => eventsAfter(em, me, request.params.id, request.query.after));
    },
  );

  app.post<{ Params: { id: string }; Body: EventsBody }>(
    '/runs/:id/events',
    {
      config: COACH,
      schema: { params: idParams, body: eventsSchema, summary: 'Add what was noted; the same event twice counts once' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => addEvents(em, workFor(request), me, request.params.id, request.body.events));
    },
  );
}
