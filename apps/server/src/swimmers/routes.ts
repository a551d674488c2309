// Squads, swimmers, lists of swimmers, the log of looks, and everything kept about one person.
import { dayIn } from '@upwell/core/days';
import { looksQuerySchema, type LooksQuery } from '@upwell/contract/looks';
import {
  ladderMarkSchema,
  squadSaveSchema,
  swimmerQuerySchema,
  swimmerSaveSchema,
  type LadderMarkFields,
  type SquadSave,
  type SwimmerQuery,
  type SwimmerSave,
} from '@upwell/contract/swimmers';
import {
  rosterAskSchema,
  rosterCommitSchema,
  type RosterAsk,
  type RosterCommit,
  type RosterDone,
} from '@upwell/contract/roster';
import { uuid } from '@upwell/contract/common';
import { Joi } from '@upwell/contract/joi';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Database } from '../platform/database';
import { planSwimmers } from '../race';
import { asMe, COACH, HEAD, whoAsks } from '../platform/identity';
import { workFor } from '../work';
import { idParams } from '../platform/params';
import { readOnce, spool, spoolFile } from '../platform/spool';
import { type Climbed, markLadder, takeBackMark } from './climb';
import { listLooks, shows } from './looks';
import { erasePerson, personText, whatGoes } from './person';
import { commitRoster, listRosters, previewRoster, undoRoster } from './roster';
import { listCoaches, listSquads, listSwimmers, saveSquad, saveSwimmer, showSwimmer } from './service';

export async function swimmerRoutes(
  app: FastifyInstance,
  { database, mail }: { readonly database: Database; readonly mail: boolean },
): Promise<void> {
  app.get<{ Querystring: Required<SwimmerQuery> }>(
    '/swimmers',
    { schema: { querystring: swimmerQuerySchema, summary: 'Swimmers by name, a page at a time' } },
    (request) => listSwimmers(database, whoAsks(request), request.query),
  );

  app.get<{ Params: { id: string } }>(
    '/swimmers/:id',
    { schema: { params: idParams, summary: 'One swimmer with focuses, reviews and results' } },
    (request) => asMe(database, whoAsks(request), (em) => showSwimmer(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: SwimmerSave }>(
    '/swimmers/:id',
    { config: COACH, schema: { params: idParams, body: swimmerSaveSchema, summary: 'Create or change a swimmer' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, async (em) => {
        const saved = await saveSwimmer(em, me, request.params.id, request.body);
        // Goal, level or ladder may have changed: the weeks follow.
        await planSwimmers(em, workFor(request), me.clubId, [saved.id], dayIn(me.timeZone, Date.now()));
        return saved;
      });
    },
  );

  const climbed = async (
    request: FastifyRequest<{ Params: { id: string } }>,
    climb: (em: EntityManager) => Promise<Climbed>,
  ) => {
    const me = whoAsks(request);
    return asMe(database, me, async (em) => {
      const { page, moved } = await climb(em);
      // A ladder step opens or closes what can be planned: the weeks follow.
      if (moved) await planSwimmers(em, workFor(request), me.clubId, [page.id], dayIn(me.timeZone, Date.now()));
      return page;
    });
  };
  const markParams = Joi.object({ id: uuid().required(), markId: uuid().required() });

  app.put<{ Params: { id: string; markId: string }; Body: LadderMarkFields }>(
    '/swimmers/:id/ladder-marks/:markId',
    { config: COACH, schema: { params: markParams, body: ladderMarkSchema, summary: 'Record one tap at a ladder' } },
    (request) =>
      climbed(request, (em) => markLadder(em, request.params.id, { ...request.body, id: request.params.markId })),
  );

  app.delete<{ Params: { id: string; markId: string } }>(
    '/swimmers/:id/ladder-marks/:markId',
    { config: COACH, schema: { params: markParams, summary: 'Take the newest tap of a ladder back' } },
    (request) => climbed(request, (em) => takeBackMark(em, request.params.id, request.params.markId)),
  );

  app.get<{ Params: { id: string } }>(
    '/swimmers/:id/export',
    { config: HEAD, schema: { params: idParams, summary: 'Everything about one person as JSON (head coach)' } },
    async (request, reply) => {
      const file = spoolFile();
      const { id } = request.params;
      await asMe(database, whoAsks(request), (em) => spool(personText(em, id), file, Infinity));
      shows(request, [id]);
      return reply
        .type('application/json; charset=utf-8')
        .header('content-disposition', 'attachment; filename="person.json"')
        .header('cache-control', 'no-store')
        .send(readOnce(file));
    },
  );

  app.get<{ Params: { id: string } }>(
    '/swimmers/:id/erasing',
    { config: HEAD, schema: { params: idParams, summary: 'What erasing a person would take away (head coach)' } },
    (request) => asMe(database, whoAsks(request), (em) => whatGoes(em, whoAsks(request), request.params.id)),
  );

  app.delete<{ Params: { id: string } }>(
    '/swimmers/:id',
    { config: HEAD, schema: { params: idParams, summary: 'Erase one person everywhere, for good (head coach)' } },
    (request) => asMe(database, whoAsks(request), (em) => erasePerson(em, whoAsks(request), request.params.id)),
  );

  app.get<{ Querystring: LooksQuery }>(
    '/looks',
    {
      config: { ...HEAD, noLook: true },
      schema: { querystring: looksQuerySchema, summary: 'Who looked at what of the children (head coach)' },
    },
    (request) => asMe(database, whoAsks(request), (em) => listLooks(em, request.query)),
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

  app.post<{ Body: RosterAsk }>(
    '/roster/preview',
    {
      config: COACH,
      schema: { body: rosterAskSchema, summary: 'What of a list of swimmers can come in; stores none' },
    },
    (request) =>
      asMe(database, whoAsks(request), (em) => previewRoster(em, workFor(request), whoAsks(request), request.body)),
  );

  app.post<{ Body: RosterCommit }>(
    '/roster/commit',
    { config: COACH, schema: { body: rosterCommitSchema, summary: 'Store a list that was looked at, all or none' } },
    async (request): Promise<RosterDone> => {
      const me = whoAsks(request);
      return { ...(await asMe(database, me, (em) => commitRoster(em, me, request.body))), mail };
    },
  );

  app.get('/roster', { config: COACH, schema: { summary: 'Lists of swimmers that were stored' } }, (request) =>
    asMe(database, whoAsks(request), listRosters),
  );

  app.post<{ Params: { id: string } }>(
    '/roster/:id/undo',
    { config: COACH, schema: { params: idParams, summary: 'Take back the swimmers and squads that a list brought' } },
    (request) => asMe(database, whoAsks(request), (em) => undoRoster(em, request.params.id)),
  );

  app.get('/coaches', { config: COACH, schema: { summary: 'Coaches of the club' } }, (request) =>
    asMe(database, whoAsks(request), listCoaches),
  );
}
