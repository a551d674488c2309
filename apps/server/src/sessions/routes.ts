import {
  proposalQuerySchema,
  sessionQuerySchema,
  sessionSaveSchema,
  type ProposalQuery,
  type SessionQuery,
  type SessionSave,
} from '@upwell/contract/sessions';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, requireCoach, requireMe } from '../platform/identity';
import { idParams } from '../platform/params';
import { listSessions, proposeSession, saveSession, showSession } from './service';

export async function sessionRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Querystring: SessionQuery }>(
    '/sessions',
    { schema: { querystring: sessionQuerySchema, summary: 'Sessions of a span of days' } },
    (request) => asMe(database, requireMe(request), (em) => listSessions(em, request.query)),
  );

  app.get<{ Querystring: ProposalQuery }>(
    '/sessions/proposal',
    { schema: { querystring: proposalQuerySchema, summary: 'Groups and themes out of the people who come' } },
    (request) => asMe(database, requireCoach(request), (em) => proposeSession(em, request.query)),
  );

  app.get<{ Params: { id: string } }>(
    '/sessions/:id',
    { schema: { params: idParams, summary: 'One session with its plan' } },
    (request) => asMe(database, requireMe(request), (em) => showSession(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: SessionSave }>(
    '/sessions/:id',
    { schema: { params: idParams, body: sessionSaveSchema, summary: 'Create or change a session' } },
    (request) => {
      const me = requireCoach(request);
      return asMe(database, me, (em) => saveSession(em, me, request.params.id, request.body));
    },
  );
}
