import { reviewSaveSchema, type ReviewSave } from '@upwell/contract/review';
import { LEVELS, type LevelId } from '@upwell/core/swimmers';
import { oneOf } from '@upwell/contract/common';
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Database } from '../platform/database';
import { asMe, requireCoach, requireMe } from '../platform/identity';
import { idParams } from '../platform/params';
import { pastOutcomes, saveReview, showReview } from './service';

export async function reviewRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Params: { id: string } }>(
    '/reviews/:id',
    { schema: { params: idParams, summary: 'One review' } },
    (request) => asMe(database, requireMe(request), (em) => showReview(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: ReviewSave }>(
    '/reviews/:id',
    { schema: { params: idParams, body: reviewSaveSchema, summary: 'Store a review with its focus' } },
    (request) => {
      const me = requireCoach(request);
      return asMe(database, me, (em) => saveReview(em, me, request.params.id, request.body));
    },
  );

  app.get<{ Querystring: { level: LevelId } }>(
    '/outcomes',
    {
      schema: {
        querystring: Joi.object({ level: oneOf(LEVELS).required() }),
        summary: 'How focuses on each cause ended, at one level',
      },
    },
    (request) => {
      requireCoach(request);
      return asMe(database, requireMe(request), (em) => pastOutcomes(em, request.query.level));
    },
  );
}
