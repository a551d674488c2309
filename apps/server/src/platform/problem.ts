import type { Problem } from '@upwell/contract/common';
import {
  UniqueConstraintViolationException,
  ForeignKeyConstraintViolationException,
  OptimisticLockError,
} from '@mikro-orm/core';
import { UnusableTrials } from '@upwell/core/measures';
import type { FastifyError, FastifyInstance, FastifyReply } from 'fastify';
import { Joi } from '@upwell/contract/joi';

/** An error with a sentence a coach understands. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly extra: Partial<Pick<Problem, 'fields' | 'current'>> = {},
  ) {
    super(detail);
  }
}

/** Answers the same whether a thing does not exist or belongs to somebody else. */
export const notFound = () => new ProblemError(404, 'This is not here, or not yours to see.');

export const forbidden = () => new ProblemError(403, 'Your role may not do this.');

const TITLES: Readonly<Record<number, string>> = {
  400: 'Please check what you entered',
  401: 'Please sign in',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed in the meantime',
  413: 'Too much text',
  415: 'Only JSON is understood here',
  422: 'This cannot be done',
  429: 'Too many tries',
  503: 'Not ready',
};

/** Turns every error into application/problem+json; what is not expected is logged and kept from the reader. */
export function registerProblems(app: FastifyInstance): void {
  app.setErrorHandler((error: FastifyError, request, reply) => {
    const problem = toProblem(error);
    if (problem.status >= 500) request.log.error({ err: error }, 'unexpected error');
    return sendProblem(reply, problem);
  });
}

export function sendProblem(reply: FastifyReply, problem: Omit<Problem, 'type' | 'title'>): FastifyReply {
  const body: Problem = { type: 'about:blank', title: TITLES[problem.status] ?? 'Something went wrong', ...problem };
  return reply.code(problem.status).type('application/problem+json').send(JSON.stringify(body));
}

/** SQLSTATE of a row that a policy does not let in. */
const POLICY_VIOLATION = '42501';

function toProblem(error: FastifyError): Omit<Problem, 'type' | 'title'> {
  if (error instanceof ProblemError) return { status: error.status, detail: error.message, ...error.extra };
  if (error instanceof Joi.ValidationError) {
    const fields = error.details.map((d) => ({ field: d.path.join('.'), message: d.message }));
    return { status: 400, detail: fields[0]?.message ?? 'Please check what you entered.', fields };
  }
  if (error instanceof UnusableTrials) {
    return { status: 400, detail: error.message, fields: [{ field: 'trials', message: error.message }] };
  }
  if (error instanceof OptimisticLockError) {
    return {
      status: 409,
      detail: 'Somebody else saved this at the same moment. Load it again and repeat your change.',
    };
  }
  const code = (error as { code?: string }).code;
  // An id that exists in another club, or a squad that is not one's own, looks like nothing at all.
  const hidden =
    error instanceof UniqueConstraintViolationException ||
    error instanceof ForeignKeyConstraintViolationException ||
    code === POLICY_VIOLATION;
  if (hidden) return { status: 404, detail: notFound().message };
  const status = error.statusCode ?? 500;
  if (status === 429) return { status, detail: 'Too many tries. Wait a minute and try again.' };
  if (status === 413) return { status, detail: 'This is too much at once. Shorten the text and try again.' };
  if (status >= 400 && status < 500) return { status, detail: 'The request could not be read.' };
  return { status: 500, detail: 'Something went wrong on our side. Nothing was stored; please try again.' };
}
