// Every refusal as a problem document (RFC 9457), with a sentence a coach understands.
import type { Problem } from '@upwell/contract/common';
import { OptimisticLockError } from '@mikro-orm/core';
import { UnusableTrials } from '@upwell/core/measures';
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { Joi } from '@upwell/contract/joi';
import { notFound, ProblemError } from './problemError';
import { sqlStateOf } from './sqlState';

export * from './problemError';

const TITLES: Readonly<Record<number, string>> = {
  400: 'Please check what you entered',
  401: 'Please sign in',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed in the meantime',
  413: 'Too much text',
  415: 'Only JSON is understood here',
  422: 'This cannot be done',
  429: 'Too much at once',
  503: 'Not ready',
};

/** Turns every error into application/problem+json; what is not expected is logged and kept from the reader. */
export function registerProblems(app: FastifyInstance): void {
  app.setErrorHandler((error: FastifyError, request, reply) => answerError(error, request, reply));
}

/** Also for what the router refuses before there is a route. */
export function answerError(error: FastifyError, request: FastifyRequest, reply: FastifyReply): FastifyReply {
  const problem = toProblem(error);
  if (problem.status >= 500) request.log.error({ err: loggable(error) }, 'unexpected error');
  else if (sqlStateOf(error)) request.log.warn({ err: loggable(error) }, 'refused by the database');
  else if (problem.status === 403 || (problem.status === 429 && firstOfTheMinute(request.ip)))
    request.log.warn(
      { address: request.ip, account: request.me?.accountId ?? null, route: request.routeOptions.url },
      problem.status === 403 ? 'refused' : 'too many requests',
    );
  if ((problem.status === 503 || problem.status === 429) && !reply.hasHeader('retry-after'))
    void reply.header('retry-after', '5');
  return sendProblem(reply, problem);
}

const MINUTE_MS = 60_000;
const MOST_ADDRESSES = 1000;
const told = new Map<string, number>();

/** Too many requests are logged once per minute and address: a flood of them does not become one in the log. */
function firstOfTheMinute(address: string): boolean {
  const now = Date.now();
  if (now - (told.get(address) ?? -Infinity) < MINUTE_MS) return false;
  if (told.size >= MOST_ADDRESSES) told.clear();
  told.set(address, now);
  return true;
}

/** An error as it may stand in a log: a message of the database holds the values of the row, which are people's. */
function loggable(error: FastifyError): object {
  const { constraint, table, column, routine } = error as unknown as Readonly<Record<string, unknown>>;
  const frames = error.stack?.split('\n').filter((line) => /^ {4}at /.test(line));
  if (sqlStateOf(error)) return { type: error.name, code: error.code, constraint, table, column, routine, frames };
  return { type: error.name, code: error.code, message: error.message, frames };
}

export function sendProblem(reply: FastifyReply, problem: Omit<Problem, 'type' | 'title'>): FastifyReply {
  const body: Problem = { type: 'about:blank', title: TITLES[problem.status] ?? 'Something went wrong', ...problem };
  return reply.code(problem.status).type('application/problem+json').send(JSON.stringify(body));
}

const AWAY =
  'The server cannot reach its database right now. This may or may not be stored; sending it again does no harm.';
const OURS =
  'Something went wrong on our side, and it was noted. Trying again does no harm: the same change is never stored twice.';

/** What PostgreSQL says, by the code or the class of codes (its first two characters), as an answer. */
function fromDatabase(state: string): Omit<Problem, 'type' | 'title'> | null {
  // An id that exists in another club, or a squad that is not one's own, looks like nothing at all.
  if (['23505', '23503', '42501'].includes(state)) return { status: 404, detail: notFound().message };
  if (['40001', '40P01'].includes(state))
    return { status: 409, detail: 'Others were changing the same thing. Load it again and repeat your change.' };
  // A value that passed the checks and cannot be stored all the same: the request's fault, not the server's.
  if (state.startsWith('22')) return { status: 400, detail: 'A value in this cannot be stored as it is written.' };
  // Connections, shutting down, and a statement that took too long.
  if (state.startsWith('08') || state.startsWith('57') || state.startsWith('53')) return { status: 503, detail: AWAY };
  return null;
}

/** What the driver and the pool say when there is no database to talk to. */
const NO_DATABASE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND']);
const isAway = (error: FastifyError): boolean =>
  NO_DATABASE.has(error.code) ||
  error.name === 'KnexTimeoutError' ||
  /Connection terminated|Unable to acquire a connection/.test(error.message);

function toProblem(error: FastifyError): Omit<Problem, 'type' | 'title'> {
  if (error instanceof ProblemError) return { status: error.status, detail: error.message, ...error.extra };
  if (Joi.isError(error)) {
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
  const known = fromDatabase(sqlStateOf(error) ?? '');
  if (known) return known;
  if (isAway(error)) return { status: 503, detail: AWAY };
  const status = error.statusCode ?? 500;
  if (status === 429) return { status, detail: 'Too many tries. Wait a minute and try again.' };
  if (status === 413) return { status, detail: 'This is too much at once. Shorten the text and try again.' };
  if (status >= 400 && status < 500) return { status, detail: 'The request could not be read.' };
  return { status: 500, detail: OURS };
}
