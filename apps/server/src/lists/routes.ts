// Lists for meetings, as PDF, for spreadsheets, and as CSV.
import {
  clubListParams,
  listQuerySchema,
  swimmerListParams,
  type ClubListParams,
  type ListFormat,
  type ListQuery,
  type SwimmerListParams,
} from '@upwell/contract/lists';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type { Database } from '../platform/database';
import { named } from '../platform/fileName';
import { asMe, COACH, whoAsks } from '../platform/identity';
import { shows } from '../swimmers';
import { workFor } from '../work';
import { clubList, swimmerList, type MadeList } from './lists';
import { LIST_TYPES, packed } from './tableFile';

export async function listRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Params: ClubListParams; Querystring: ListQuery }>(
    '/lists/:list/:format',
    {
      config: COACH,
      schema: {
        params: clubListParams,
        querystring: listQuerySchema,
        summary: 'Results, load, season or week, to print or for a spreadsheet',
      },
    },
    async (request, reply) => {
      const me = whoAsks(request);
      const { list, format } = request.params;
      return send(request, reply, format, await asMe(database, me, (em) => clubList(em, me, list, request.query)));
    },
  );

  app.get<{ Params: SwimmerListParams }>(
    '/swimmers/:id/lists/:list/:format',
    {
      schema: {
        params: swimmerListParams,
        summary: 'The records or the weeks of a swimmer, to print or for a spreadsheet',
      },
    },
    async (request, reply) => {
      const me = whoAsks(request);
      const { id, list, format } = request.params;
      return send(request, reply, format, await asMe(database, me, (em) => swimmerList(em, me, id, list)));
    },
  );
}

async function send(
  request: FastifyRequest,
  reply: FastifyReply,
  format: ListFormat,
  { list, swimmerIds }: MadeList,
): Promise<FastifyReply> {
  shows(request, swimmerIds);
  return reply
    .type(LIST_TYPES[format])
    .header('content-disposition', named(`${list.fileName}.${format}`))
    .header('cache-control', 'no-store')
    .send(await workFor(request)('list-file', { list: await packed(list), format }));
}
