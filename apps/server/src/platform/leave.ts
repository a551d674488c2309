// How the server leaves: what it has been asked is answered first, and nothing else keeps it.
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { FastifyInstance } from 'fastify';
import fp from 'fastify-plugin';

/** For how long requests under way are waited for, milliseconds. */
const LONGEST_WAIT_MS = 5000;
const LOOK_MS = 50;

/**
 * Lets go of every connection once nothing is under way on any, or after five seconds.
 *
 * Node waits for each connection to end, and ends by itself only those on which something has been answered: one that
 * a browser has opened in advance would keep the server for as long as that browser runs.
 */
export const leaving = fp(async (app: FastifyInstance) => {
  let underWay = 0;
  app.server.on('request', (_request: IncomingMessage, response: ServerResponse) => {
    underWay++;
    response.once('close', () => underWay--);
  });
  app.addHook('preClose', async () => {
    const until = Date.now() + LONGEST_WAIT_MS;
    const letGo = setInterval(() => {
      if (underWay === 0 || Date.now() > until) app.server.closeAllConnections();
    }, LOOK_MS).unref();
    app.server.once('close', () => clearInterval(letGo));
  });
});
