// Clips that swimmers send in, on being asked, and what the coach answers.
import { Readable } from 'node:stream';
import { uuid } from '@upwell/contract/common';
import {
  MOST_PIECES,
  SENT_PIECE,
  sentAnswerSchema,
  sentAskSchema,
  sentDoneSchema,
  type SentAnswer,
  type SentAsk,
  type SentDone,
} from '@upwell/contract/sent';
import { Joi } from '@upwell/contract/joi';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, COACH, SWIMMER, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { ProblemError } from '../platform/problem';
import { shows } from '../swimmers';
import {
  answerClip,
  askForClip,
  doneSending,
  pieceOf,
  putPiece,
  removeSent,
  sentClip,
  sentClips,
  voiceOf,
} from './service';

const pieceParams = Joi.object<{ id: string; n: number }>({
  id: uuid().required(),
  n: Joi.number()
    .integer()
    .min(0)
    .max(MOST_PIECES - 1)
    .required(),
});
/** A piece on a slow line. */
const PIECE_MS = 120_000;

export async function sentRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get('/sent-clips', { schema: { summary: 'Clips that were asked for, sent in and answered' } }, (request) =>
    asMe(database, whoAsks(request), sentClips),
  );

  app.put<{ Params: { id: string }; Body: SentAsk }>(
    '/sent-clips/:id',
    { config: COACH, schema: { params: idParams, body: sentAskSchema, summary: 'Ask a swimmer for a clip' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => askForClip(em, me, request.params.id, request.body));
    },
  );

  await app.register(async (films) => {
    films.addContentTypeParser(
      'application/octet-stream',
      { parseAs: 'buffer', bodyLimit: SENT_PIECE },
      (_request, body, done) => done(null, body),
    );
    films.put<{ Params: { id: string; n: number }; Body: unknown }>(
      '/sent-clips/:id/pieces/:n',
      {
        config: { ...SWIMMER, bodyMs: PIECE_MS },
        bodyLimit: SENT_PIECE,
        schema: { params: pieceParams, summary: 'A piece of the film, at most 1 MB (the swimmer)' },
      },
      async (request, reply) => {
        const me = whoAsks(request);
        const { body } = request;
        if (!Buffer.isBuffer(body)) throw new ProblemError(415, 'A piece of a film comes as bytes.');
        await asMe(database, me, (em) => putPiece(em, me, request.params.id, request.params.n, body));
        return reply.code(204).send();
      },
    );
  });

  app.post<{ Params: { id: string }; Body: SentDone }>(
    '/sent-clips/:id/sent',
    {
      config: SWIMMER,
      schema: { params: idParams, body: sentDoneSchema, summary: 'All pieces are there (the swimmer)' },
    },
    (request) => asMe(database, whoAsks(request), (em) => doneSending(em, request.params.id, request.body)),
  );

  app.get<{ Params: { id: string } }>(
    '/sent-clips/:id/film',
    { schema: { params: idParams, summary: 'The film that was sent in' } },
    async (request, reply) => {
      const me = whoAsks(request);
      const { id } = request.params;
      const { swimmerId, type, sentAt, bytes } = await asMe(database, me, (em) => sentClip(em, id));
      if (!sentAt || !type) throw new ProblemError(404, 'This clip has not come in yet.');
      shows(request, [swimmerId]);
      // Piece by piece, however large it is; each as the one who asks.
      async function* pieces() {
        for (let n = 0; ; n++) {
          const piece = await asMe(database, me, (em) => pieceOf(em, id, n));
          if (!piece) return;
          yield piece;
        }
      }
      return reply
        .type(type)
        .header('content-length', bytes ?? 0)
        .send(Readable.from(pieces()));
    },
  );

  app.put<{ Params: { id: string }; Body: SentAnswer }>(
    '/sent-clips/:id/answer',
    {
      config: COACH,
      schema: { params: idParams, body: sentAnswerSchema, summary: 'Answer a clip, in words and spoken' },
    },
    (request) => asMe(database, whoAsks(request), (em) => answerClip(em, request.params.id, request.body)),
  );

  app.get<{ Params: { id: string } }>(
    '/sent-clips/:id/voice',
    { schema: { params: idParams, summary: 'The spoken part of an answer' } },
    async (request, reply) => {
      const { swimmerId, voice, type } = await asMe(database, whoAsks(request), (em) => voiceOf(em, request.params.id));
      shows(request, [swimmerId]);
      return reply.type(type).send(voice);
    },
  );

  app.delete<{ Params: { id: string } }>(
    '/sent-clips/:id',
    { schema: { params: idParams, summary: 'Delete a clip that was asked for, with its film and its answer' } },
    async (request, reply) => {
      await asMe(database, whoAsks(request), (em) => removeSent(em, request.params.id));
      return reply.code(204).send();
    },
  );
}
