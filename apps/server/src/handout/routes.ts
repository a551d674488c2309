// The hand-out of a swimmer, and the links to it.
import { handoutLinkSchema, linkToken, type HandoutLinkSave } from '@upwell/contract/handout';
import { uuid } from '@upwell/contract/common';
import type { Handout } from '@upwell/core/handout';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { Joi } from '@upwell/contract/joi';
import type { Database } from '../platform/database';
import { named } from '../platform/fileName';
import { asMe, COACH, PUBLIC, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { shows } from '../swimmers';
import { workFor } from '../work';
import { addLink, handoutByToken, handoutOf, linksOf, revokeLink } from './service';

const tokenParams = Joi.object<{ token: string }>({ token: linkToken().required() });
const linkQuery = Joi.object<{ focusId: string }>({ focusId: uuid().required() });

/** Anyone with the secret may look; guessing it is slow. */
const LOOKS = { ...PUBLIC, rateLimit: { max: 60, timeWindow: '1 minute' } };

/** The page a swimmer takes home: on screen, by a link that can be revoked, and on paper. */
export async function handoutRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  // It bears a name and no id.
  const pageFor = async (request: FastifyRequest<{ Params: { id: string } }>): Promise<Handout> => {
    const { page, swimmerId } = await asMe(database, whoAsks(request), (em) => handoutOf(em, request.params.id));
    shows(request, [swimmerId]);
    return page;
  };

  app.get<{ Params: { id: string } }>(
    '/focuses/:id/handout',
    { schema: { params: idParams, summary: 'The page for the swimmer' } },
    (request) => pageFor(request),
  );

  app.get<{ Params: { id: string } }>(
    '/focuses/:id/handout.pdf',
    { schema: { params: idParams, summary: 'The page for the swimmer as a PDF, A5' } },
    async (request, reply) => sendPdf(request, reply, await pageFor(request)),
  );

  app.get<{ Querystring: { focusId: string } }>(
    '/handout-links',
    { config: COACH, schema: { querystring: linkQuery, summary: 'Links to the page of a focus' } },
    (request) => asMe(database, whoAsks(request), (em) => linksOf(em, request.query.focusId)),
  );

  app.put<{ Params: { id: string }; Body: HandoutLinkSave }>(
    '/handout-links/:id',
    {
      config: COACH,
      schema: { params: idParams, body: handoutLinkSchema, summary: 'Make a link to the page of a focus' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => addLink(em, me, request.params.id, request.body));
    },
  );

  app.post<{ Params: { id: string } }>(
    '/handout-links/:id/revoke',
    { config: COACH, schema: { params: idParams, summary: 'Revoke a link for good' } },
    (request) => asMe(database, whoAsks(request), (em) => revokeLink(em, request.params.id)),
  );

  app.get<{ Params: { token: string } }>(
    '/handouts/:token',
    { schema: { params: tokenParams, summary: 'The page behind a secret link' }, config: LOOKS },
    async (request, reply) => {
      keepPrivate(reply);
      return handoutByToken(database, request.params.token);
    },
  );

  app.get<{ Params: { token: string } }>(
    '/handouts/:token/page.pdf',
    { schema: { params: tokenParams, summary: 'The page behind a secret link as a PDF' }, config: LOOKS },
    async (request, reply) => sendPdf(request, reply, await handoutByToken(database, request.params.token)),
  );
}

/** Neither kept by anything on the way nor listed by a search engine, and the secret is not passed on. */
function keepPrivate(reply: FastifyReply): void {
  reply.header('cache-control', 'no-store').header('x-robots-tag', 'noindex').header('referrer-policy', 'no-referrer');
}

async function sendPdf(request: FastifyRequest, reply: FastifyReply, page: Handout): Promise<FastifyReply> {
  keepPrivate(reply);
  return reply
    .type('application/pdf')
    .header('content-disposition', named(`focus of ${page.givenName}.pdf`, 'inline'))
    .send(await workFor(request)('handout', page));
}
