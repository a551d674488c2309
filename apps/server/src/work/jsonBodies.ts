import { check } from '@upwell/contract/common';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import type { Schema } from 'joi';
import { ProblemError } from '../platform/problem';
import { fieldsProblem, readJson } from '../platform/readJson';
import { largeBody, limitOf, READ_AT_ONCE } from './bodies';
import { workFor } from './asker';

/**
 * How JSON comes in: what is short is read and checked at once, what may be long in a thread of its own. Who asks
 * and whether they may is known before this.
 */
export const jsonBodies = fp(async (app: FastifyInstance) => {
  app.decorateRequest('answer', null);
  app.addHook('onRequest', (request, reply, done) => {
    request.answer = reply.raw;
    // A few bytes that unpack to gigabytes keep a server from everybody else.
    const { 'content-encoding': packed = 'identity' } = request.headers;
    if (packed !== 'identity') throw new ProblemError(415, 'Send it as it is, not compressed.');
    done();
  });

  // Bodies that were checked where they were read.
  const checked = new WeakSet<object>();

  app.addHook('onRoute', (route) => {
    const name = largeBody(route.schema?.body);
    if (name) route.bodyLimit = limitOf(name);
  });

  app.removeContentTypeParser('application/json');
  app.addContentTypeParser('application/json', { parseAs: 'buffer' }, async (request: FastifyRequest, body: Buffer) => {
    const name = largeBody(request.routeOptions.schema?.body);
    if (!name || body.length <= READ_AT_ONCE) return readJson(body.toString('utf8'));
    const value = (await workFor(request)('check-body', { schema: name, text: body })) as object;
    checked.add(value);
    return value;
  });

  app.setValidatorCompiler<Schema>(({ schema }) => (data: unknown) => {
    if (typeof data === 'object' && data !== null && checked.has(data)) return { value: data };
    const result = check(schema, data);
    return result.error ? { error: fieldsProblem(result.error.details) } : result;
  });
});
