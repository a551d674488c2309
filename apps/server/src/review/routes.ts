// Reviews, focuses with their tries, and clips.
import { clipSaveSchema, stillsSaveSchema, type ClipSave, type StillsSave } from '@upwell/contract/clips';
import {
  focusSaveSchema,
  reviewSaveSchema,
  trySchema,
  type FocusSave,
  type ReviewSave,
  type TryFields,
} from '@upwell/contract/review';
import { drillRecords } from '@upwell/core/review';
import { LEVELS, type LevelId } from '@upwell/core/swimmers';
import { oneOf, uuid } from '@upwell/contract/common';
import type { FastifyInstance } from 'fastify';
import { Joi } from '@upwell/contract/joi';
import type { Database } from '../platform/database';
import { asMe, COACH, forgetClub, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { workFor } from '../work';
import { deleteClip, saveClip, showClip } from './clips';
import { putStills, stillsOf, takeBackStills, thenAndNow } from './stills';
import { addTry, saveFocus, saveReview, showFocus, showReview, takeBackTry } from './service';

const tryParams = Joi.object<{ id: string; tryId: string }>({ id: uuid().required(), tryId: uuid().required() });

export async function reviewRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Params: { id: string } }>(
    '/reviews/:id',
    { schema: { params: idParams, summary: 'One review' } },
    (request) => asMe(database, whoAsks(request), (em) => showReview(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: ReviewSave }>(
    '/reviews/:id',
    { config: COACH, schema: { params: idParams, body: reviewSaveSchema, summary: 'Store a review with its focus' } },
    async (request) => {
      const me = whoAsks(request);
      const saved = await asMe(database, me, (em) =>
        saveReview(em, workFor(request), me, request.params.id, request.body),
      );
      // What its second look taught counts from the next request on.
      if (request.body.relook) forgetClub(me.clubId);
      return saved;
    },
  );

  app.get<{ Querystring: { level: LevelId } }>(
    '/outcomes',
    {
      config: COACH,
      schema: {
        querystring: Joi.object({ level: oneOf(LEVELS).required() }),
        summary: 'How focuses on each cause ended, at one level',
      },
    },
    (request) => drillRecords(request.query.level),
  );

  app.get<{ Params: { id: string } }>(
    '/focuses/:id',
    { schema: { params: idParams, summary: 'One focus with its tries' } },
    (request) => asMe(database, whoAsks(request), (em) => showFocus(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: FocusSave }>(
    '/focuses/:id',
    {
      config: COACH,
      schema: { params: idParams, body: focusSaveSchema, summary: 'Change the drill, or what the swimmer said' },
    },
    (request) => asMe(database, whoAsks(request), (em) => saveFocus(em, request.params.id, request.body)),
  );

  app.put<{ Params: { id: string; tryId: string }; Body: TryFields }>(
    '/focuses/:id/tries/:tryId',
    { config: COACH, schema: { params: tryParams, body: trySchema, summary: 'Record one try at a focus' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => addTry(em, me, request.params.id, request.params.tryId, request.body));
    },
  );

  app.delete<{ Params: { id: string; tryId: string } }>(
    '/focuses/:id/tries/:tryId',
    { config: COACH, schema: { params: tryParams, summary: 'Take a try back' } },
    (request) => asMe(database, whoAsks(request), (em) => takeBackTry(em, request.params.id, request.params.tryId)),
  );

  app.get<{ Params: { id: string } }>(
    '/clips/:id',
    { schema: { params: idParams, summary: 'Times, lines and notes of one clip' } },
    (request) => asMe(database, whoAsks(request), (em) => showClip(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: ClipSave }>(
    '/clips/:id',
    {
      config: COACH,
      schema: { params: idParams, body: clipSaveSchema, summary: 'Store times, lines and notes of a clip' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => saveClip(em, me, request.params.id, request.body));
    },
  );

  app.delete<{ Params: { id: string } }>(
    '/clips/:id',
    { config: COACH, schema: { params: idParams, summary: 'Delete what is kept of a clip' } },
    async (request, reply) => {
      await asMe(database, whoAsks(request), (em) => deleteClip(em, request.params.id));
      return reply.code(204).send();
    },
  );

  app.get<{ Params: { id: string } }>(
    '/clips/:id/stills',
    { schema: { params: idParams, summary: 'Stills of a clip that are in the hand-out' } },
    (request) => asMe(database, whoAsks(request), (em) => stillsOf(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: StillsSave }>(
    '/clips/:id/stills',
    {
      config: COACH,
      schema: { params: idParams, body: stillsSaveSchema, summary: 'Put up to three stills of a clip in the hand-out' },
    },
    (request) => asMe(database, whoAsks(request), (em) => putStills(em, request.params.id, request.body)),
  );

  app.delete<{ Params: { id: string } }>(
    '/clips/:id/stills',
    { config: COACH, schema: { params: idParams, summary: 'Take back the consent: the stills are deleted' } },
    async (request, reply) => {
      await asMe(database, whoAsks(request), (em) => takeBackStills(em, request.params.id));
      return reply.code(204).send();
    },
  );

  app.get<{ Params: { id: string } }>(
    '/swimmers/:id/stills',
    { schema: { params: idParams, summary: 'The first and the last still of a swimmer' } },
    (request) => asMe(database, whoAsks(request), (em) => thenAndNow(em, request.params.id)),
  );
}
