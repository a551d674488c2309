// How much and how often one client may ask.
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import type { Limits } from './config';
import { ProblemError } from './problem';

declare module 'fastify' {
  interface FastifyContextConfig {
    /** How long the body of this route may take to arrive, milliseconds, where it is more than usual. */
    bodyMs?: number;
  }
}

const MINUTE_MS = 60_000;
const TOO_MANY = 'Too many requests came from here. Nothing is lost; try again in a moment.';

/**
 * How much one account and one address may ask, for the routes of this scope, counted in this process. Far above
 * what people at screens do: an evening's work of a whole club, sent at once, stays below.
 */
export const requestLimits = fp(async (api: FastifyInstance, { perMinute }: Limits) => {
  const limit = (max: number, keyGenerator: (request: FastifyRequest) => string) =>
    api.createRateLimit({ max, timeWindow: MINUTE_MS, keyGenerator });
  const ofAccount = limit(perMinute.account, (request) => `account ${request.me?.accountId}`);
  const ofAddress = limit(perMinute.address, (request) => `address ${request.ip}`);
  const ofGuests = limit(perMinute.guests, (request) => `guests ${request.ip}`);

  api.addHook('onRequest', async (request, reply) => {
    for (const ask of request.me ? [ofAccount, ofAddress] : [ofGuests, ofAddress]) {
      const found = await ask(request);
      if (found.isAllowed || !found.isExceeded) continue;
      void reply.header('retry-after', String(found.ttlInSeconds));
      throw new ProblemError(429, TOO_MANY);
    }
  });
});

/** Ends requests whose body does not arrive: a socket that is held open costs the sender nothing. */
export const bodyTimes = fp(async (app: FastifyInstance, { bodyMs }: Limits) => {
  app.addHook('onRequest', (request, reply, done) => {
    const { headers } = request.raw;
    if (headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0) {
      endLate(request, reply, request.routeOptions.config.bodyMs ?? bodyMs);
    }
    done();
  });
});

function endLate(request: FastifyRequest, reply: FastifyReply, afterMs: number): void {
  const { socket } = request.raw;
  const timer = setTimeout(() => {
    // One that was refused before its body is only let go.
    if (!reply.sent) {
      request.log.warn({ address: request.ip }, 'a body did not arrive in time');
      if (socket.writable)
        socket.write('HTTP/1.1 408 Request Timeout\r\nconnection: close\r\ncontent-length: 0\r\n\r\n');
    }
    request.raw.destroy();
  }, afterMs).unref();
  const arrived = () => clearTimeout(timer);
  request.raw.once('end', arrived).once('close', arrived);
}
